using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Web.Hosting;

namespace Merienda.Web.Weeks.Logging;

public sealed record LogEater(Guid Id, string Name, bool IsGuest);

/// <summary>One thing of a meal.</summary>
/// <param name="Tape">Of a share of a batch: "B·21".</param>
/// <param name="Says">How much of it was planned: "1½ portions", "150 g skyr".</param>
/// <param name="KeptIn">Of a share of a batch: where it waits.</param>
/// <param name="AtEating">How it is warmed, what is taken off before and put on; may be empty.</param>
/// <param name="IsExtra">Whether nobody had planned it.</param>
/// <param name="Share">Which share of it was eaten; null while nobody said.</param>
/// <param name="Numbers">Of what was eaten, or of what is planned while nobody said.</param>
public sealed record LogItem(
    Guid Id,
    string Letter,
    string Tape,
    string Name,
    string Says,
    KeptIn? KeptIn,
    string AtEating,
    bool IsExtra,
    decimal? Share,
    IReadOnlyList<ShownMeasure> Numbers
);

/// <param name="At">The local time it is usually eaten.</param>
/// <param name="Source">Where it comes from on this day.</param>
public sealed record LogMeal(
    string Key,
    string Name,
    TimeOnly At,
    MealSource Source,
    ServingState State,
    string Note,
    IReadOnlyList<LogItem> Items
);

/// <summary>A limit of the day.</summary>
/// <param name="Stands">With what was eaten, and what is planned where nobody said.</param>
/// <param name="Eaten">What was eaten so far, in the limit's unit.</param>
/// <param name="Planned">What is still to come.</param>
/// <param name="Says">What is left: "5.7 g left".</param>
public sealed record LogRuler(ShownFinding Stands, decimal Eaten, decimal Planned, string Says);

/// <summary>A food that is free up to an amount a day.</summary>
/// <param name="UsedG">All that was eaten of it and is planned, g; what is above the amount is counted.</param>
public sealed record LogFree(string Name, decimal UpToG, decimal UsedG);

/// <param name="Says">Where the eater stands: "Today: try lactose, 3rd day".</param>
public sealed record LogPhase(string Protocol, string Says);

/// <param name="Findings">What is not right with single meals and things of the day.</param>
/// <param name="Week">Limits by the week.</param>
/// <param name="Weight">Null where no body weight is kept.</param>
/// <param name="Extras">What the eater had besides on other days, as typed, the most often in front.</param>
public sealed record LogPage(
    DateOnly Start,
    DateOnly Day,
    DateOnly Today,
    Guid EaterId,
    IReadOnlyList<LogEater> Eaters,
    IReadOnlyList<LogMeal> Meals,
    IReadOnlyList<LogRuler> Rulers,
    IReadOnlyList<ShownFinding> Findings,
    IReadOnlyList<ShownFinding> Week,
    IReadOnlyList<LogFree> Free,
    IReadOnlyList<LogPhase> Phases,
    IReadOnlyList<string> Extras,
    LogWeight? Weight
);

/// <param name="Share">Of what was planned; null takes back what was said.</param>
public sealed record EatenShare(Guid Item, decimal? Share);

/// <param name="At">When it was eaten; the device may send it later.</param>
public sealed record LogRequest(BoardPlace Place, DateTimeOffset At, IReadOnlyList<EatenShare> Items);

/// <summary>Something eaten that nobody had planned: a line, loose portions of a batch, or a box.</summary>
/// <param name="Line">As an ingredient line: "1 banana".</param>
/// <param name="Food">Key of the food that a person chose; null lets the words decide.</param>
/// <param name="BoxId">Null for the box that must go soonest.</param>
/// <param name="Portions">Of a batch; null for all that is left of the box, or what the eater usually takes.</param>
public sealed record ExtraRequest(
    BoardPlace Place,
    DateTimeOffset At,
    string? Line = null,
    string? Food = null,
    Guid? BatchId = null,
    Guid? LotId = null,
    Guid? BoxId = null,
    decimal? Portions = null
);

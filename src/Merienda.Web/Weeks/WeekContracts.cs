using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Storage.Edits;
using Merienda.Web.Hosting;

namespace Merienda.Web.Weeks;

public sealed record BoardPlace(DateOnly Date, string Meal, Guid EaterId)
{
    public Cell ToCell() => new(Date, Meal, EaterId);
}

/// <summary>How much of a batch: portions, or grams.</summary>
public sealed record BoardSize(decimal Amount, bool IsInGrams);

public enum BoardItemKind
{
    Draw,
    Ready,
}

/// <summary>One thing of a meal: a share of a batch, or a food as it is bought.</summary>
/// <param name="Text">As typed, of a food: "150 g skyr".</param>
/// <param name="Portions">Of a share: how many of the recipe's portions it is.</param>
/// <param name="Parts">Of a share: the parts that are taken; null for the whole dish.</param>
/// <param name="Name">Of a share, with the variant it is.</param>
/// <param name="Thaw">Evening on which a frozen one moves to the fridge.</param>
/// <param name="Freezing">Whether it is frozen by choice; null where there is none: it has to be, may not be, or is in its box.</param>
/// <param name="Doubt">What a person should look at in the words of a food.</param>
public sealed record BoardItem(
    Guid Id,
    BoardItemKind Kind,
    Guid? BatchId,
    Guid? LotId,
    string Name,
    string? Text,
    decimal? Portions,
    BoardSize? Size,
    IReadOnlyList<string>? Parts,
    Core.Keeping.KeptIn? KeptIn,
    DateOnly? EatBy,
    DateOnly? Thaw,
    bool? Freezing,
    bool IsEaten,
    string? Doubt,
    IReadOnlyList<ShownMeasure> Numbers
);

/// <summary>A meal of one eater, everything together.</summary>
public sealed record BoardServing(
    BoardPlace Place,
    Core.Planning.ServingState State,
    bool IsLocked,
    string Note,
    IReadOnlyList<BoardItem> Items
);

public sealed record FreezeItemRequest(bool IsFrozen);

public sealed record FreezeBatchRequest(Core.Planning.FreezeShare Share);

/// <summary>How many portions of a batch are cooked in one variant.</summary>
/// <param name="Variant">Null for the recipe as written.</param>
/// <param name="NotLikedBy">Eaters who would rather not have it.</param>
public sealed record BoardLot(
    Guid Id,
    string? Variant,
    decimal Portions,
    decimal Placed,
    decimal Loose,
    decimal? GramsPerPortion,
    IReadOnlyList<ShownMeasure> PerPortion,
    IReadOnlyList<Guid> NotLikedBy
);

/// <param name="Tape">Letter with the day of its session: "B·21".</param>
/// <param name="Variants">Names of the recipe's variants, as this version has them.</param>
/// <param name="Gone">Portions eaten, given or thrown away outside the plan.</param>
/// <param name="LooseFrozen">Loose portions that stand in the freezer, or will.</param>
/// <param name="Boxes">That are not gone, or that it will fill.</param>
/// <param name="FrozenBoxes">Of these.</param>
/// <param name="Parts">Names of the dish's parts; the first may be unnamed.</param>
/// <param name="Later">Day on which what is past its time can be cooked instead; null when nothing is, or nothing can.</param>
public sealed record BoardBatch(
    Guid Id,
    string Letter,
    string Tape,
    Guid RecipeId,
    string Name,
    string? Meal,
    DateOnly CookedOn,
    decimal Portions,
    decimal Placed,
    decimal Loose,
    decimal Gone,
    IReadOnlyList<string> Parts,
    IReadOnlyList<string> Variants,
    IReadOnlyList<BoardLot> Lots,
    DateOnly EatBy,
    bool Freezes,
    bool IsPortioned,
    decimal LooseFrozen,
    int Boxes,
    int FrozenBoxes,
    string Reheating,
    string AtEating,
    DateOnly? Later
);

/// <param name="Days">Where it comes from on each day of the week.</param>
public sealed record BoardPattern(string Meal, IReadOnlyList<Core.Planning.MealSource> Days);

/// <param name="UsualPortion">In portions: what a placed portion is, as far as there are loose ones.</param>
/// <param name="Pinned">Keys of the measures that the days are shown with.</param>
/// <param name="Today">Where the eater stands in a protocol's phases: "Today: try lactose, 3rd day".</param>
public sealed record BoardEater(
    Guid Id,
    string Name,
    IReadOnlyList<string> Protocols,
    bool IsGuest,
    decimal UsualPortion,
    IReadOnlyList<BoardPattern> Meals,
    string? Today,
    IReadOnlyList<string> Pinned,
    IReadOnlyList<ShownFinding> Week
);

/// <param name="Pinned">What the eater's pinned measures come to.</param>
public sealed record BoardDay(
    Guid EaterId,
    DateOnly Date,
    IReadOnlyList<string> OpenMeals,
    Verdict Verdict,
    ShownFinding? Tightest,
    IReadOnlyList<ShownFinding> Pinned,
    IReadOnlyList<ShownFinding> Findings
);

/// <summary>Something a cook can act on, with the days it is true of.</summary>
/// <param name="EaterId">Null for what concerns everybody.</param>
/// <param name="Count">Of open meals how many; 1 for all else.</param>
public sealed record Trouble(TroubleKind Kind, string Text, Guid? EaterId, IReadOnlyList<DateOnly> Days, string? Meal, int Count);

/// <summary>Something that can be shown under the days.</summary>
public sealed record BoardMeasure(string Key, string Name);

public sealed record BoardMeal(string Key, string Name);

/// <param name="Start">Local time.</param>
public sealed record BoardSession(DateOnly Date, TimeOnly Start, int Cooks, string Name);

/// <param name="Sessions">The usual ones of the week, and those in which something is cooked.</param>
/// <param name="Outdated">Protocols that have a newer version than the one the week was planned with.</param>
public sealed record WeekBoard(
    DateOnly Start,
    IReadOnlyList<DateOnly> Days,
    IReadOnlyList<BoardMeal> Meals,
    IReadOnlyList<BoardSession> Sessions,
    IReadOnlyList<BoardEater> Eaters,
    IReadOnlyList<BoardBatch> Batches,
    IReadOnlyList<BoardServing> Servings,
    IReadOnlyList<BoardDay> Ledger,
    IReadOnlyList<Trouble> Troubles,
    IReadOnlyList<string> Outdated,
    IReadOnlyList<BoardMeasure> Measures,
    Undoable? Undo
);

/// <param name="Variants">Portions of it in variants of the recipe; the others are as written.</param>
public sealed record MakeBatchRequest(Guid RecipeId, DateOnly CookedOn, decimal Portions, IReadOnlyList<VariantPortions>? Variants = null);

public sealed record CookOnRequest(DateOnly Date);

/// <param name="Date">On another date it takes its batches along.</param>
public sealed record SessionRequest(DateOnly Date, TimeOnly Start, int Cooks, string Name);

/// <param name="Variants">Portions of it in variants of the recipe, the others are as written; null leaves what differs to the fullest.</param>
public sealed record ResizeBatchRequest(decimal Portions, IReadOnlyList<VariantPortions>? Variants = null);

/// <param name="Parts">Names of the parts that are taken; null for the whole dish.</param>
/// <param name="LotId">The lot it comes from; null for the one that suits the eater best.</param>
/// <param name="Portions">As many as are loose at most; null for what the eater usually takes.</param>
public sealed record PlaceRequest(BoardPlace To, IReadOnlyList<string>? Parts = null, Guid? LotId = null, decimal? Portions = null);

/// <param name="From">The lot it was seen in; refused when it is another by now.</param>
public sealed record LotRequest(Guid From, Guid To);

/// <param name="From">Where it was seen; refused when it has gone elsewhere since.</param>
/// <param name="To">Null takes it back to the bench.</param>
public sealed record MoveRequest(BoardPlace From, BoardPlace? To);

public sealed record SizeRequest(BoardSize From, BoardSize To);

/// <param name="Line">As an ingredient line: "150 g skyr", "1 banana".</param>
/// <param name="Food">Key of the food that a person chose; null lets the words decide.</param>
public sealed record ReadyRequest(BoardPlace To, string Line, string? Food = null);

/// <param name="From">As it was seen; refused when it reads otherwise by now.</param>
public sealed record ReadyTextRequest(string From, string To, string? Food = null);

/// <param name="Items">Every thing of the meal, in the order it is eaten.</param>
public sealed record OrderRequest(BoardPlace Place, IReadOnlyList<Guid> Items);

/// <param name="Meal">Each of them in the week, of one eater.</param>
public sealed record RowRequest(string Meal, Guid EaterId);

public sealed record TwoDaysRequest(DateOnly From, DateOnly To);

/// <param name="Measure">Key of energy or of fat.</param>
/// <param name="From">Key of the meal that gets less.</param>
/// <param name="To">Key of the meal that gets more.</param>
public sealed record ShiftRequest(DateOnly Day, Guid EaterId, string Measure, string From, string To);

/// <param name="To">Any day of the week that is copied to.</param>
/// <param name="WithMeals">Whether the meals are filled too, or the batches only come to the bench.</param>
/// <param name="Batches">Only these are cooked again; null for all of them.</param>
public sealed record CopyWeekRequest(DateOnly To, bool WithMeals, IReadOnlyList<Guid>? Batches = null);

/// <param name="Start">First day of the week that was copied to.</param>
/// <param name="Left">Portions and foods that could not stand there: the meal is taken or locked, or an allergy forbids it.</param>
public sealed record CopiedWeek(DateOnly Start, int Batches, int Placed, int Left);

public sealed record ServingRequest(BoardPlace Place, Core.Planning.ServingState State, bool IsLocked, string Note);

/// <param name="Sequence">Null for the newest own edit.</param>
public sealed record UndoRequest(long? Sequence);

public sealed record UndoneEdit(string Summary);

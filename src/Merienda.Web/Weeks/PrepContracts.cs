using Merienda.Core.Planning;
using Merienda.Core.Recipes;

namespace Merienda.Web.Weeks;

/// <param name="Start">Minutes from the start of the session.</param>
/// <param name="Takes">What goes in: "450 g rice".</param>
/// <param name="Round">Of how many times that an appliance is filled for it, from 1 on.</param>
/// <param name="WaitedTooLong">Minutes that what it takes stood longer than it may.</param>
/// <param name="Took">Minutes from its start to its end, as somebody said; null where nobody did.</param>
/// <param name="Cook">Which of the cooks does it, from 1 on.</param>
/// <param name="OvenC">What the oven is set to where that is otherwise than the recipe says, because dishes share it.</param>
/// <param name="Vessel">What it goes into, and where it does not, how it does; null where nobody knows.</param>
public sealed record SessionTask(
    Guid BatchId,
    string Letter,
    string Dish,
    string TaskId,
    string Text,
    int Start,
    int HandsOnEnd,
    int End,
    Appliance Appliance,
    int? TemperatureC,
    bool IsTicked,
    IReadOnlyList<string> Takes,
    int Round,
    int Rounds,
    int WaitedTooLong,
    string? Vessel,
    VesselVerdict? VesselFits,
    int? Took,
    int Cook,
    int? OvenC
);

/// <param name="Begins">Local time.</param>
/// <param name="Lots">What differs within a dish that is cooked in variants: "6 with the light muffin".</param>
/// <param name="Shared">What is cooked once for several dishes, and how much of it.</param>
/// <param name="TooManyRounds">Steps that would fill an appliance more often than is planned.</param>
/// <param name="Limit">What keeps it from being shorter, as a sentence.</param>
/// <param name="Unlisted">What the kitchen does not list and a step needs, as sentences.</param>
/// <param name="Earlier">What was said of each dish the last time it was cooked.</param>
/// <param name="Allergies">Which dishes hold what an eater is allergic to, and how to keep them apart.</param>
public sealed record SessionPage(
    DateOnly Date,
    TimeOnly Begins,
    int Cooks,
    string Name,
    SessionState State,
    int Minutes,
    int HandsOn,
    int Dishes,
    IReadOnlyList<SessionTask> Tasks,
    IReadOnlyList<string> Shared,
    IReadOnlyList<string> Lots,
    IReadOnlyList<string> TooManyRounds,
    IReadOnlyList<string> Allergies,
    string Limit,
    IReadOnlyList<string> Unlisted,
    IReadOnlyList<SessionNote> Earlier
);

/// <summary>What was said of a dish when it was cooked before.</summary>
public sealed record SessionNote(string Letter, string Dish, DateOnly CookedOn, string Note);

public sealed record TaskTickRequest(Guid BatchId, string TaskId, bool IsTicked);

/// <param name="TaskId">A step of the session; empty for the whole dish.</param>
/// <param name="Minutes">From the step's start to its end, 1 to 1,440; null to say nothing of it.</param>
/// <param name="Note">At most 400 letters; may be empty.</param>
public sealed record RemarkRequest(Guid BatchId, string TaskId, int? Minutes, string Note);

using Merienda.Core.Planning;
using Merienda.Core.Recipes;

namespace Merienda.Web.Weeks;

/// <param name="Start">Minutes from the start of the session.</param>
/// <param name="Takes">What goes in: "450 g rice".</param>
/// <param name="Round">Of how many times that an appliance is filled for it, from 1 on.</param>
/// <param name="WaitedTooLong">Minutes that what it takes stood longer than it may.</param>
/// <param name="Took">Minutes from its start to its end, as somebody said; null where nobody did.</param>
/// <param name="Planned">Minutes from its start to its end, as the recipe says.</param>
/// <param name="Measured">Minutes that it took by the clock; null where nobody pressed anything before it.</param>
/// <param name="Cut">What is cut in one go for several dishes, the same words at each step: "Onion: 5, for A and C"; null for nothing.</param>
/// <param name="WashesBoard">What board and knife are washed of before it; null where they are clean enough.</param>
/// <param name="Inside">How hot it is to be inside, where the words of the step do not say.</param>
/// <param name="Put">Where somebody put it, minutes from the start; null where the order decides.</param>
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
    int Planned,
    int? Took,
    int? Measured,
    int Cook,
    int? OvenC,
    string? Cut,
    string? WashesBoard,
    string? Inside,
    int? Put,
    DateTimeOffset? HandsOffAt,
    DateTimeOffset? UntilAt,
    DateTimeOffset? DoneAt,
    bool IsSkipped
);

/// <param name="Begins">Local time.</param>
/// <param name="Lots">What differs within a dish that is cooked in variants: "6 with the light muffin".</param>
/// <param name="Shared">What is cooked once for several dishes, and how much of it.</param>
/// <param name="TooManyRounds">Steps that would fill an appliance more often than is planned.</param>
/// <param name="BeginsAt">The same as a moment: clocks may change in the middle of a session.</param>
/// <param name="IsSought">Whether a better order is still sought: ask again.</param>
/// <param name="IsProven">Whether no order is over earlier.</param>
/// <param name="PutProblem">That no order was found in which every step begins where it was put; empty when all do.</param>
/// <param name="Limit">What keeps it from being shorter, as a sentence.</param>
/// <param name="Unlisted">What the kitchen does not list and a step needs, as sentences.</param>
/// <param name="Earlier">What was said of each dish the last time it was cooked.</param>
/// <param name="Allergies">Which dishes hold what an eater is allergic to, and how to keep them apart.</param>
public sealed record SessionPage(
    DateOnly Date,
    TimeOnly Begins,
    DateTimeOffset BeginsAt,
    string TimeZone,
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
    bool IsSought,
    bool IsProven,
    string PutProblem,
    IReadOnlyList<string> Unlisted,
    IReadOnlyList<SessionCooling> Cooling,
    IReadOnlyList<SessionNote> Earlier
);

/// <summary>What would have a session over earlier.</summary>
/// <param name="Minutes">So many earlier.</param>
public sealed record SessionShorter(string Says, int Minutes);

/// <summary>A dish that is hot.</summary>
/// <param name="By">When it is to be at 21 °C.</param>
public sealed record SessionCooling(string Letter, string Dish, DateTimeOffset By);

/// <summary>What was said of a dish when it was cooked before.</summary>
public sealed record SessionNote(string Letter, string Dish, DateOnly CookedOn, string Note);

/// <summary>How a step goes, all of it: what is left out is no more.</summary>
/// <param name="Put">Minutes after the session's start at which it is to begin, 0 to 2,880; null where the order decides.</param>
/// <param name="HandsOffAt">Since when it goes on by itself.</param>
/// <param name="UntilAt">When that is over, as it is known now.</param>
public sealed record StepRequest(
    Guid BatchId,
    string TaskId,
    bool IsTicked,
    int? Put = null,
    DateTimeOffset? HandsOffAt = null,
    DateTimeOffset? UntilAt = null,
    DateTimeOffset? DoneAt = null,
    bool IsSkipped = false
);

/// <param name="TaskId">A step of the session; empty for the whole dish.</param>
/// <param name="Minutes">From the step's start to its end, 1 to 1,440; null to say nothing of it.</param>
/// <param name="Note">At most 400 letters; may be empty.</param>
public sealed record RemarkRequest(Guid BatchId, string TaskId, int? Minutes, string Note);

/// <param name="Again">Whether the dish is cooked again; null to say nothing of it.</param>
public sealed record AgainRequest(Guid BatchId, bool? Again);

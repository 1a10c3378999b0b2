using Merienda.Core.Filling;
using Merienda.Storage;

namespace Merienda.Web.Weeks.Solving;

/// <summary>What a week is to be solved for.</summary>
/// <param name="Eaters">Whose meals are filled or mended; null for everybody's.</param>
/// <param name="Days">Days of which they are; null for all that are to come.</param>
/// <param name="Goals">The most wanted first; null for the usual order. That meals are covered comes before all.</param>
/// <param name="IsCertainOnly">Whether what is too close to call stays out.</param>
/// <param name="MostTimes">The same dish at most so many times a week for one eater at the large meals, 1 to 14; null for 3.</param>
/// <param name="MinutesASession">By hand at most, 10 to 600; null for as long as it takes.</param>
/// <param name="WithoutReady">Bought things of the kitchen's list that are not used this time.</param>
public sealed record SolveRequest(
    SolveKind Kind,
    IReadOnlyList<Guid>? Eaters = null,
    IReadOnlyList<DateOnly>? Days = null,
    IReadOnlyList<FillGoal>? Goals = null,
    bool IsCertainOnly = false,
    int? MostTimes = null,
    int? MinutesASession = null,
    IReadOnlyList<Guid>? WithoutReady = null
);

/// <summary>One thing that was sought: how far it came, in the cook's words.</summary>
/// <param name="Says">"8 batches to cook".</param>
/// <param name="Sure">"proven", or what is known.</param>
public sealed record SolvedLevel(FillGoal Goal, string Says, string Sure, bool IsProven);

/// <param name="JobId">Null when nothing is sought and nothing is proposed.</param>
/// <param name="Revision">Rises with everything that is found.</param>
/// <param name="Meals">That would be changed.</param>
/// <param name="Unmet">What it leaves unmet, in sentences.</param>
/// <param name="Explained">Why some meals can't be covered.</param>
/// <param name="Problem">Why nothing can be found; empty when nothing is wrong.</param>
public sealed record SolvePage(
    Guid? JobId,
    SolveKind Kind,
    SolveState State,
    int Revision,
    int Meals,
    IReadOnlyList<SolvedLevel> Levels,
    IReadOnlyList<string> Unmet,
    IReadOnlyList<Explanation> Explained,
    string Problem
);

/// <summary>Something that can be wanted of a week.</summary>
/// <param name="Want">"Few batches".</param>
/// <param name="Note">What stands in its way, or what it is taken by; empty for nothing.</param>
public sealed record SolveGoal(FillGoal Goal, string Want, string Note);

/// <summary>What there is to choose before a week is filled.</summary>
/// <param name="Gaps">Open meals for which nothing is there, as sentences.</param>
public sealed record SolveChoices(IReadOnlyList<SolveGoal> Goals, IReadOnlyList<string> Gaps);

/// <summary>A meal that would be changed.</summary>
/// <param name="Was">What stands there; null where nothing does.</param>
/// <param name="Then">What would come onto it, something bought that comes beside it too; empty where nothing would.</param>
/// <param name="ItemIds">Of what would come onto it, on the board that is proposed.</param>
public sealed record ProposedMeal(BoardPlace Place, ProposedPortion? Was, IReadOnlyList<ProposedPortion> Then, IReadOnlyList<Guid> ItemIds);

public sealed record ProposedPortion(string Name, decimal Portions);

/// <summary>The board as it would be.</summary>
/// <param name="NewBatches">Those of its batches that are not planned yet.</param>
/// <param name="Problem">Why it can't be so any more; null when it can.</param>
public sealed record ProposedBoard(WeekBoard Board, IReadOnlyList<ProposedMeal> Meals, IReadOnlyList<Guid> NewBatches, string? Problem);

/// <param name="Without">Meals that are left alone.</param>
public sealed record TakeRequest(Guid JobId, IReadOnlyList<BoardPlace> Without);

/// <param name="Without">Meals that are left alone.</param>
public sealed record ProposedRequest(IReadOnlyList<BoardPlace> Without);

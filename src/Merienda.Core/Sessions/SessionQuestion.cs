using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>Places of one kind that are taken one by one.</summary>
/// <param name="Unit">Which of several ovens, or of several sizes of a cooker, from 0 on.</param>
/// <param name="Count">How much it holds at once.</param>
public sealed record SessionPlace(Appliance Appliance, int Unit, int Count);

/// <summary>A way to do a step.</summary>
/// <param name="Place">Of the session's places; null where nothing is held.</param>
/// <param name="Heat">What it is set to, °C: whatever is in it at once has the same; null where that does not matter.</param>
/// <param name="Alone">Minutes that it goes on by itself.</param>
/// <param name="HoldsFromStart">Whether its place is held while hands are on it, too.</param>
public sealed record SessionWay(int? Place, int? Heat, int Alone, bool HoldsFromStart)
{
    /// <summary>From when to when its place is held by a step that begins at a minute.</summary>
    public (int From, int To) Holds(int start, int handsOn) => (HoldsFromStart ? start : start + handsOn, start + handsOn + Alone);
}

/// <summary>What a step cuts on a board.</summary>
public enum OnBoard
{
    Nothing,
    Plants,

    /// <summary>Raw meat, fish or shellfish.</summary>
    Raw,
}

/// <summary>A step as numbers: what it needs and what it waits for.</summary>
/// <param name="HandsOn">Minutes that a cook is busy, at its start.</param>
/// <param name="Ways">At least one; the first is as the recipe says.</param>
/// <param name="Before">Places, among the works, of those that must be over before it.</param>
public sealed record SessionWork(int HandsOn, IReadOnlyList<SessionWay> Ways, IReadOnlyList<int> Before)
{
    /// <summary>Minutes that what it makes may wait for the next step; null for as long as it takes.</summary>
    public int? WaitsAtMost { get; init; }

    /// <summary>It begins at this minute or later.</summary>
    public int Earliest { get; init; }

    /// <summary>It begins at this minute: somebody put it there, or it has begun.</summary>
    public int? At { get; init; }

    /// <summary>Whether it has begun: what it began before, and what two such works have in each other's way, can't be put right any more.</summary>
    public bool IsUnderway { get; init; }

    /// <summary>When it began in the order that is mended; null where there was none.</summary>
    public int? Was { get; init; }

    public OnBoard Board { get; init; }

    /// <summary>Who is allergic to something that it brings on the board, or may be: each eater by a number of the session's.</summary>
    public IReadOnlyList<int> StopsFor { get; init; } = [];

    /// <summary>Whether somebody must wash the board between what this leaves on it and another work.</summary>
    public bool SoilsBoardFor(SessionWork other) => StopsFor.Except(other.StopsFor).Any();
}

/// <summary>One pot, pan, tray or bowl that works of one dish are done in: it is taken from the first that begins to the last that ends.</summary>
/// <param name="Works">Places among the works; at least one.</param>
/// <param name="Vessels">Of the session's vessels those that would do, at least one, the likeliest first.</param>
public sealed record SessionStay(IReadOnlyList<int> Works, IReadOnlyList<int> Vessels);

/// <summary>What a session has to order, as numbers; minutes are those since its start.</summary>
/// <param name="Together">Works that are best done in one go, because they cut the same food.</param>
public sealed record SessionQuestion(
    int Cooks,
    IReadOnlyList<SessionPlace> Places,
    IReadOnlyList<SessionWork> Works,
    IReadOnlyList<IReadOnlyList<int>> Together
)
{
    /// <summary>How many there are of each vessel.</summary>
    public IReadOnlyList<int> Vessels { get; init; } = [];

    public IReadOnlyList<SessionStay> Stays { get; init; } = [];
}

/// <summary>An order of work.</summary>
/// <param name="Starts">Minute of each work.</param>
/// <param name="Ways">Which of its ways each work takes.</param>
/// <param name="Bound">No order ends before this minute; null where nobody proved anything.</param>
public sealed record SessionAnswer(IReadOnlyList<int> Starts, IReadOnlyList<int> Ways, int? Bound)
{
    /// <summary>Which of the session's vessels each stay takes.</summary>
    public IReadOnlyList<int> Vessels { get; init; } = [];

    /// <summary>From when to when a stay takes its vessel.</summary>
    public (int From, int To) Stays(SessionQuestion question, int stay) =>
        (question.Stays[stay].Works.Min(work => Starts[work]), question.Stays[stay].Works.Max(work => EndOf(question, work)));

    public SessionWay WayOf(SessionQuestion question, int at) => question.Works[at].Ways[Ways[at]];

    public int EndOf(SessionQuestion question, int at) => Starts[at] + question.Works[at].HandsOn + WayOf(question, at).Alone;

    public int End(SessionQuestion question) => Starts.Select((_, at) => EndOf(question, at)).DefaultIfEmpty(0).Max();
}

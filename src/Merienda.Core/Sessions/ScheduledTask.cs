using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>What a board must be washed of.</summary>
/// <param name="Raw">Raw meat, fish or shellfish.</param>
/// <param name="For">Who is allergic to something that was on it, as the session numbers them.</param>
public sealed record BoardHad(bool Raw, IReadOnlyList<int> For);

/// <summary>A task of one dish with its minutes from the start of the session.</summary>
/// <param name="Dish">Place of the dish in what the session cooks.</param>
/// <param name="Alone">Minutes that it goes on by itself where it is done.</param>
/// <param name="WaitedTooLong">Minutes that what it takes stood longer than it may.</param>
public sealed record ScheduledTask(int Dish, CookedStep Step, int Start, int Alone, int WaitedTooLong)
{
    public PrepTask Task => Step.Task;

    /// <summary>Where it is done: otherwise than written where the recipe says how.</summary>
    public Appliance Appliance { get; init; }

    /// <summary>Which of the cooks does it, from 0 on.</summary>
    public int Cook { get; init; }

    /// <summary>Which of several of its appliance, from 0 on.</summary>
    public int Unit { get; init; }

    /// <summary>What the oven is set to, °C: another temperature than its own where it shares it.</summary>
    public int? Heat { get; init; }

    /// <summary>What it cuts together with the steps beside it, of which each says the same; null where it is alone.</summary>
    public CutTogether? Cut { get; init; }

    /// <summary>What was on board and knife so that they must be washed before it; null where nothing was.</summary>
    public BoardHad? WashesBoard { get; init; }

    /// <summary>Of the session's vessels the one that it begins to take; null where it takes none or goes on in the same.</summary>
    public int? Vessel { get; init; }

    /// <summary>Place of the dish that was in that vessel before; null where it is clean.</summary>
    public int? VesselAfter { get; init; }

    public required int HandsOnEnd { get; init; }

    public int End => HandsOnEnd + Alone;
}

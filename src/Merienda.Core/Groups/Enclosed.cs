namespace Merienda.Core.Groups;

/// <summary>One thing that goes with a menu.</summary>
/// <param name="Print">Of all that it says: two of the same print are the same.</param>
public sealed record Enclosed(EnclosedKind Kind, string Name, string Print);

/// <summary>How a thing that comes with a menu stands to what the own kitchen has.</summary>
public enum EnclosedState
{
    /// <summary>Nothing of this name is at home.</summary>
    New,

    /// <summary>It is there as it is here.</summary>
    There,

    /// <summary>It was taken over before, and the group has another one since.</summary>
    Newer,

    /// <summary>The own kitchen has one of its own under this name, or changed the one that it took over.</summary>
    Own,

    /// <summary>The one that was taken over was changed at home, and the group has another one since.</summary>
    OwnAndNewer,
}

public static class EnclosedStates
{
    /// <param name="print">Of the group's.</param>
    /// <param name="here">Of the own kitchen's of this name; null where it has none.</param>
    /// <param name="taken">Of the one that was taken over last; null where none was.</param>
    public static EnclosedState Of(string print, string? here, string? taken) =>
        here is null ? EnclosedState.New
        : here == print ? EnclosedState.There
        : taken is null || taken == print ? EnclosedState.Own
        : here == taken ? EnclosedState.Newer
        : EnclosedState.OwnAndNewer;
}

using Merienda.Core.Keeping;
using Merienda.Core.Sessions;

namespace Merienda.Core.Recipes;

/// <summary>One immutable version of a recipe, with its lines looked up against fixed food versions.</summary>
public sealed class RecipeVersion
{
    private PortionProfile? _profile;

    public required string Name { get; init; }

    /// <summary>Portions that the lines make; above zero.</summary>
    public required decimal Portions { get; init; }

    /// <summary>The meal slot it is usually eaten at, or null for any.</summary>
    public string? Meal { get; init; }

    public required IReadOnlyList<RecipeLine> Lines { get; init; }

    public IReadOnlyList<PrepTask> Tasks { get; init; } = [];

    public required KeepingClass Keeping { get; init; }

    /// <summary>How to reheat a portion; empty when it is eaten cold.</summary>
    public string Reheating { get; init; } = "";

    /// <summary>What comes off before reheating or goes on when eating; empty when nothing does.</summary>
    public string AtEating { get; init; } = "";

    public PortionProfile Profile => _profile ??= PortionProfile.Of(Lines, Portions);
}

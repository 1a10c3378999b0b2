using Merienda.Core.Keeping;
using Merienda.Core.Sessions;

namespace Merienda.Core.Recipes;

/// <summary>One immutable version of a recipe, with its lines looked up against fixed food versions.</summary>
public sealed class RecipeVersion
{
    private PortionProfile? _profile;
    private IReadOnlyList<string>? _parts;
    private IReadOnlyList<decimal?>? _grams;

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

    /// <summary>Names of the parts in the order of the lines; an unnamed one is empty.</summary>
    public IReadOnlyList<string> PartNames => _parts ??= [.. Lines.Select(line => line.Part).Distinct().DefaultIfEmpty("")];

    /// <summary>
    /// What a portion's share of each part weighs, g, as its lines weigh raw; null where a line's weight is not known. Water that boils off
    /// or is soaked up is seen only by weighing.
    /// </summary>
    public IReadOnlyList<decimal?> GramsByPart =>
        _grams ??= [
            .. PartNames.Select(part =>
            {
                var lines = Lines.Where(line => line.Part == part && !line.Read.IsOutOfNumbers).ToList();
                return lines.Any(line => line.Grams.IsOpen) ? (decimal?)null : lines.Sum(line => line.Grams.Best) / Portions;
            }),
        ];

    /// <summary>The profile of some parts, for one portion of the dish.</summary>
    public PortionProfile ProfileOf(IReadOnlyList<string>? parts) =>
        parts is null ? Profile : PortionProfile.Of(Lines.Where(line => parts.Contains(line.Part)), Portions);

    public PortionProfile Profile => _profile ??= PortionProfile.Of(Lines, Portions);
}

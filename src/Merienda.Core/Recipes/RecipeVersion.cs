using Merienda.Core.Keeping;

namespace Merienda.Core.Recipes;

/// <summary>One immutable version of a recipe, with its lines looked up against fixed food versions.</summary>
public sealed class RecipeVersion
{
    /// <summary>Most ingredients of a dish, with those of the recipes that it uses.</summary>
    public const int MostIngredients = 1_000;

    private PortionProfile? _profile;
    private IReadOnlyList<RecipeLine>? _ingredients;
    private IReadOnlyList<string>? _parts;
    private IReadOnlyList<decimal?>? _grams;

    public required string Name { get; init; }

    /// <summary>Portions that the lines make; above zero.</summary>
    public required decimal Portions { get; init; }

    /// <summary>The meal slot it is usually eaten at, or null for any.</summary>
    public string? Meal { get; init; }

    public required IReadOnlyList<RecipeLine> Lines { get; init; }

    /// <summary>Everything that goes in: its lines, and those of the recipes that they use.</summary>
    public IReadOnlyList<RecipeLine> Ingredients => _ingredients ??= [.. Lines.SelectMany(line => line.Ingredients)];

    /// <summary>What it takes of other recipes.</summary>
    public IEnumerable<RecipeUse> Uses => Lines.Select(line => line.Use).OfType<RecipeUse>();

    public IReadOnlyList<PrepTask> Tasks { get; init; } = [];

    /// <summary>What is done, step by step, to the recipes that it uses and then to itself.</summary>
    public IEnumerable<string> Method => Uses.SelectMany(use => use.Of.Of.Method).Concat(Tasks.Select(task => task.Text));

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
                var lines = Ingredients.Where(line => line.Part == part && !line.Read.IsOutOfNumbers).ToList();
                return lines.Any(line => line.Grams.IsOpen) ? (decimal?)null : lines.Sum(line => line.Grams.Best) / Portions;
            }),
        ];

    /// <summary>The profile of some parts, for one portion of the dish.</summary>
    public PortionProfile ProfileOf(IReadOnlyList<string>? parts) =>
        parts is null ? Profile : PortionProfile.Of(Lines.Where(line => parts.Contains(line.Part)), Portions);

    /// <summary>
    /// The recipes through which one uses a certain recipe, by name: "Filling, Pulled pork"; null when it does not use it.
    /// </summary>
    public string? PathTo(Guid recipe)
    {
        foreach (var use in Uses)
        {
            if (use.Of.Id == recipe)
            {
                return use.Of.Of.Name;
            }

            if (use.Of.Of.PathTo(recipe) is { } further)
            {
                return $"{use.Of.Of.Name}, {further}";
            }
        }

        return null;
    }

    public PortionProfile Profile => _profile ??= PortionProfile.Of(Lines, Portions);
}

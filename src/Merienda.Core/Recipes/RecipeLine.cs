using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>
/// One line of a recipe version: the words, the food they mean and the grams they weigh. Each instance is a source of its own widths:
/// what was measured by spoon is off the same way in every portion of the batch.
/// </summary>
public sealed class RecipeLine
{
    private RecipeLine(ReadLine read, string part, Food? food, MatchKind match, Estimate grams, string? doubt)
    {
        (Read, Part, Food, Match, Grams, Doubt) = (read, part, food, match, grams, doubt);
    }

    public ReadLine Read { get; }

    /// <summary>The part of the dish the line belongs to; empty for a dish of one part.</summary>
    public string Part { get; }

    public Food? Food { get; }

    public MatchKind Match { get; }

    /// <summary>Grams that go into the batch; open when the words do not say.</summary>
    public Estimate Grams { get; }

    /// <summary>What a person should look at, with its cure; null when nothing is in doubt.</summary>
    public string? Doubt { get; }

    public string Name => Food?.Name ?? Read.Text.Trim();

    /// <summary>Reads a line and looks its food up.</summary>
    /// <param name="chosenFood">The food a person chose for the line; it wins over the matcher.</param>
    public static RecipeLine From(string text, FoodMatcher foods, MeasureSystem system, string part = "", Food? chosenFood = null)
    {
        var read = IngredientLineReader.Read(text);
        var match = chosenFood is null ? foods.Match(read.Food, read.IsCooked, read.IsDry) : new FoodMatch(chosenFood, MatchKind.Exact);
        return Of(read, match, system, part);
    }

    /// <summary>A stored line with the food version it was computed from; null for a line that no food was found for.</summary>
    public static RecipeLine Pinned(string text, Food? food, MatchKind match, MeasureSystem system, string part) =>
        Of(IngredientLineReader.Read(text), new FoodMatch(food, match), system, part);

    private static RecipeLine Of(ReadLine read, FoodMatch match, MeasureSystem system, string part)
    {
        if (match.Food is not { } food)
        {
            return new(read, part, null, MatchKind.None, Estimate.Unknown, "No food matches these words; choose one, or the line counts as unknown");
        }

        var (grams, doubt) = LineWeight.Of(read, food, system);
        return new(read, part, food, match.Kind, grams, doubt ?? (match.Kind == MatchKind.Likely ? $"Read as {food.Name}; confirm or choose another" : null));
    }
}

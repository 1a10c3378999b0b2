using Merienda.Core.Foods;
using Merienda.Core.Recipes;

namespace Merienda.Core.Swaps;

/// <summary>The single changes of a dish that are tried.</summary>
public sealed partial class SwapSearch
{
    /// <summary>Foods that are taken for a line, the likest first, and how many are tried at most.</summary>
    private const int Taken = 14,
        Tried = 120;

    /// <summary>A line of at most so much of the dish may be left out; one that is smaller still is hardly missed [C].</summary>
    private const decimal SmallShare = 0.25m,
        TinyShare = 0.03m;

    /// <summary>What goes beside a dish that lacks something, and how much of it a portion is tried with, g [C].</summary>
    private static readonly string[] Beside =
    [
        "rice-white",
        "potato",
        "bread-rye",
        "oats",
        "chickpeas-tinned",
        "egg",
        "tofu",
        "cottage-cheese",
        "chicken-breast",
        "cod",
        "green-beans",
        "carrot",
        "courgette",
        "spinach",
        "apple",
        "olive-oil",
    ];

    private static readonly decimal[] BesideGrams = [10, 25, 50, 75, 100, 150];

    /// <summary>How many more portions a batch is tried as [C].</summary>
    private static readonly decimal[] Smaller = [1.25m, 1.5m, 1.75m, 2, 2.5m, 3];

    /// <summary>The same in more and smaller portions.</summary>
    private IEnumerable<Swap> InMorePortions() =>
        Smaller
            .Select(times => Math.Round(_recipe.Portions * times * 2) / 2)
            .Select(portions => new Swap(new(""), Weight * (1 - (_recipe.Portions / portions)), 0) { Portions = portions });

    /// <summary>Something beside it, where the dish has too little of what the rule asks for.</summary>
    private IEnumerable<Swap> WithMore() =>
        Beside
            .Select(key => _foods.WithKey(key))
            .OfType<Food>()
            .Where(IsAllowed)
            .Select(food => BesideGrams.Select(grams => Added(food, grams * _recipe.Portions)).FirstOrDefault(Fits))
            .OfType<Swap>();

    private Swap Added(Food food, decimal grams) => new(new("") { Added = [new(null, LineOf(food, grams, ""))] }, grams, 2);

    /// <summary>Other foods that the eater may have without a doubt, for a line or a share of it.</summary>
    private IEnumerable<Swap> Instead(RecipeLine line, Func<Swap, bool> isRight, decimal share = 1)
    {
        if (line.Food is not { } from || line.Use is not null || line.GramsIn is not { IsOpen: false, Best: > 0 })
        {
            return [];
        }

        return _foods
            .Foods.Where(to => to.Key != from.Key)
            .Select(to => (Food: to, Apart: Likeness.Between(from, to)))
            .Where(one => one.Apart is not null)
            .OrderBy(one => one.Apart)
            .Where(one => IsAllowed(one.Food))
            .Select(one => Replaced(line, one.Food, one.Apart!.Value, share))
            .Take(isRight == IsRight ? Tried : 2 * Taken)
            .Where(isRight)
            .Take(Taken);
    }

    private Swap Replaced(RecipeLine line, Food to, decimal apart, decimal share)
    {
        // What swells in the pot stands for as much as it becomes.
        var grams = line.GramsIn.Best * share * Likeness.ServedOf(line.Food!) / Likeness.ServedOf(to);
        return new(
            new("")
            {
                Lines = share < 1 ? [new(line.Typed.Id, 1 - share)] : [],
                Added = [new(share < 1 ? null : line.Typed.Id, LineOf(to, Rounded(grams), line.Part))],
            },
            line.GramsIn.Best * share,
            apart
        );
    }

    private RecipeLine LineOf(Food food, decimal grams, string part) =>
        RecipeLine.From(
            new TypedLine($"{grams:0.#} g {WordsOf(food)}", part) { Id = Guid.NewGuid(), IsChosen = true },
            _foods,
            _system,
            food
        );

    /// <summary>As a cook writes it.</summary>
    private static string WordsOf(Food food) =>
        food.Packet is not null ? food.Name
        : food.Name.Contains(',', StringComparison.Ordinal) && food.Synonyms.Count > 0 ? food.Synonyms[0]
        : $"{char.ToLowerInvariant(food.Name[0])}{food.Name[1..]}";

    private static decimal Rounded(decimal grams) => grams >= 50 ? Math.Round(grams / 5) * 5 : Math.Max(1, Math.Round(grams));

    private IEnumerable<Swap> LeftOut(RecipeLine line)
    {
        var share = line.GramsIn.Best / Math.Max(1, Weight);
        if (share > SmallShare && !line.Read.IsOutOfNumbers)
        {
            yield break;
        }

        yield return Times(line, 0) with
        {
            Taste =
                line.Read.IsOptional || line.Read.IsToServe ? 0
                : share <= TinyShare ? 2
                : 4,
        };
    }

    /// <summary>The farther from as much as it was, the farther from how it tasted.</summary>
    private static Swap Times(RecipeLine line, decimal times) =>
        new(
            new("") { Lines = [new(line.Typed.Id, times)] },
            line.GramsIn.Best * Math.Abs(1 - times),
            1 + Math.Min(3, 3 * Math.Abs(1 - times))
        );

    private static Swap Joined(IReadOnlyList<Swap> swaps) =>
        new(
            new("") { Lines = [.. swaps.SelectMany(swap => swap.Change.Lines)], Added = [.. swaps.SelectMany(swap => swap.Change.Added)] },
            swaps.Sum(swap => swap.Grams),
            swaps.Average(swap => swap.Taste)
        );
}

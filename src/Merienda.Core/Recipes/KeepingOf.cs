using System.Text.RegularExpressions;
using Merienda.Core.Keeping;

namespace Merienda.Core.Recipes;

/// <summary>A keeping class with the reason why a dish has it.</summary>
/// <param name="Because">One plain sentence part: "it holds cooked fish (Cod fillet)".</param>
public sealed record SuggestedKeeping(KeepingClass Class, string Because);

/// <summary>
/// How a dish keeps by what it holds and what is done to it (domain.md section 8): fish and baked egg dishes three days, dressed salads not
/// frozen, what marinates raw one day.
/// The shorter class wins where two are meant.
/// </summary>
public static partial class KeepingOf
{
    /// <summary>Share of a dish's weight from which eggs in the oven make it a baked egg dish [C].</summary>
    private const decimal EggDish = 0.2m;

    /// <summary>Null when neither lines nor steps say enough; then a person is asked.</summary>
    public static SuggestedKeeping? Of(string name, IReadOnlyList<RecipeLine> written, IReadOnlyList<string> ownSteps)
    {
        // What a dish takes of another recipe was done to it before.
        IReadOnlyList<RecipeLine> lines = [.. written.SelectMany(line => line.Ingredients)];
        IReadOnlyList<string> steps =
        [
            .. written.Select(line => line.Use).OfType<RecipeUse>().SelectMany(use => use.Of.Of.Method),
            .. ownSteps,
        ];
        var method = string.Join('\n', steps);
        var isHeated = Heat().IsMatch(method) || (steps.Count == 0 && HotName().IsMatch(name));
        var raw = lines.FirstOrDefault(line => line.Food?.Keeping?.Key is "raw-poultry" or "raw-mince" or "raw-fish" or "raw-cut");
        // Without steps a dish with raw meat or fish is meant to be cooked.
        isHeated |= raw is not null && steps.Count == 0;
        var fish = Holding(lines, "fish", "crustacean", "mollusc");
        return 0 switch
        {
            _ when raw is not null && !isHeated && steps.Count > 0 => Found(
                "raw-marinating",
                $"{raw.Name} goes in raw and no step cooks it"
            ),
            _ when raw is not null && CookLater().IsMatch(method) => Found("raw-marinating", $"{raw.Name} is kept raw and cooked later"),
            _ when isHeated && fish is not null => Found("cooked-fish", $"it holds {fish.Name}"),
            _ when isHeated && Oven().IsMatch(method + name) && EggShare(lines) >= EggDish => Found(
                "baked-egg",
                "eggs are much of it and it is baked"
            ),
            _ when isHeated && Holding(lines, "rice") is { } rice && rice.Food!.Key.StartsWith("rice-", StringComparison.Ordinal) => Found(
                "cooked-rice",
                $"it holds {rice.Name}"
            ),
            _ when isHeated => Found("cooked", raw is null ? "a step cooks it" : $"it holds {raw.Name}"),
            _ when Soaked(lines) is { } soaked => Found("soaked-oats", $"{soaked.Name} soaks in it uncooked"),
            _ when Batter().IsMatch(name) && Holding(lines, "egg") is { } egg => Found(
                "raw-batter",
                $"it holds {egg.Name} that no step cooks"
            ),
            _ when lines.Count > 0 && lines.All(line => line.Food?.Key == "egg-boiled") => Found("hard-cooked-eggs", "it is boiled eggs"),
            _ when Vinaigrette(lines) => Found("vinaigrette", "it is oil and vinegar without fresh garlic"),
            _ when Salad().IsMatch(name + method) || Dressing(lines) is not null => Found(
                "dressed-salad",
                Dressing(lines) is { } dressing ? $"{dressing.Name} dresses it and no step cooks it" : "it is a salad that no step cooks"
            ),
            _ when lines.Count > 0 && lines.All(line => line.Food is { } food && (food.Is("vegetable") || food.Is("fruit"))) => Found(
                "cut-vegetables",
                "it is raw vegetables or fruit"
            ),
            _ => null,
        };
    }

    private static SuggestedKeeping Found(string key, string because) => new(KeepingClass.WithKey(key)!, because);

    private static RecipeLine? Holding(IReadOnlyList<RecipeLine> lines, params string[] classes) =>
        lines.FirstOrDefault(line => line.Food is { } food && classes.Any(food.Is) && food.Aisle is not ("sauces" or "spices"));

    private static RecipeLine? Soaked(IReadOnlyList<RecipeLine> lines) =>
        lines.FirstOrDefault(line => line.Food?.Key is "chia" or "oats" or "oats-gluten-free" or "muesli") is { } dry
        && lines.Any(line =>
            line.Food is { } food
            && (
                food.Is("milk")
                || food.Key.Contains("milk", StringComparison.Ordinal)
                || food.Key.Contains("drink", StringComparison.Ordinal)
                || food.Key.Contains("yoghurt", StringComparison.Ordinal)
            )
        )
            ? dry
            : null;

    private static RecipeLine? Dressing(IReadOnlyList<RecipeLine> lines) =>
        lines.FirstOrDefault(line =>
            line.Food?.Key
                is "mayonnaise"
                    or "mayonnaise-light"
                    or "vinaigrette"
                    or "ranch"
                    or "caesar-dressing"
                    or "salad-cream"
                    or "aioli"
        )
        ?? (
            lines.Any(line => line.Food?.Is("plant-oil") == true)
                ? lines.FirstOrDefault(line =>
                    line.Food is { } food
                    && (
                        food.Key.StartsWith("vinegar", StringComparison.Ordinal)
                        || food.Key is "lemon-juice" or "lime-juice" or "lemon" or "lime"
                    )
                )
                : null
        );

    private static bool Vinaigrette(IReadOnlyList<RecipeLine> lines) =>
        lines.Count >= 2
        && Dressing(lines) is not null
        && lines.All(line =>
            line.Food is { } food
            && (
                food.Is("plant-oil")
                || food.Is("mustard")
                || food.Is("added-sugar")
                || food.Is("spice")
                || food.Is("herb")
                || food.Key is "salt" or "lemon-juice" or "lime-juice"
                || food.Key.StartsWith("vinegar", StringComparison.Ordinal)
            )
        );

    private static decimal EggShare(IReadOnlyList<RecipeLine> lines)
    {
        var all = lines.Sum(line => line.GramsIn.Best);
        return all == 0
            ? 0
            : lines
                .Where(line => line.Food?.Is("egg") == true && line.Food.Aisle.StartsWith("egg", StringComparison.Ordinal))
                .Sum(line => line.GramsIn.Best) / all;
    }

    [GeneratedRegex(
        @"\b(bak(e|ed|ing)|roast|simmer|boil|fr(y|ied|ying)|saut[eé]|cook(?! (it |them )?(later|when))|grill|steam|braise|stew|heat|oven|microwave|poach|toast|brown|melt|reduce|broil|slow cooker|pressure cook|air fry|sear|bubble|blanch|scramble)\w*\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Heat();

    [GeneratedRegex(
        @"\b(soup|stew|curry|chilli|chili|bake|baked|roast|casserole|pie|risotto|traybake|burgers?|meatballs?|stir[- ]fry|ragu|bolognese|lasagne|frittata|quiche|muffins?)\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex HotName();

    [GeneratedRegex(
        @"\b(cook (it |them )?(later|when|on the day)|freeze (it |them |the bag )?(raw|uncooked)|keep (it |them )?raw|dump bag|freezer bag (raw|uncooked))",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex CookLater();

    [GeneratedRegex(@"\b(bake|baked|oven|muffins?|quiche|frittata|egg cups?)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Oven();

    [GeneratedRegex(@"\b(batter|cookie dough|raw dough)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Batter();

    [GeneratedRegex(@"\b(salad|slaw|dress(ed|ing)?)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Salad();
}

using System.Text.RegularExpressions;
using Merienda.Core.Foods;
using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>What is cut on a board, by the words of a step and the lines that it takes [C].</summary>
internal static partial class Cutting
{
    /// <summary>Classes of what leaves raw juices on a board; ham and the like are eaten as they are.</summary>
    private static readonly IReadOnlyList<string> RawClasses = ["meat", "poultry", "fish", "crustacean", "mollusc"];

    /// <summary>Whether a step is work at the board and nothing else.</summary>
    public static bool Is(PrepTask task) =>
        task is { Appliance: Appliance.None, Unattended: 0, HandsOn: > 0 } && FirstWord().IsMatch(task.Text);

    public static OnBoard On(CookedStep step) =>
        !Is(step.Task) ? OnBoard.Nothing
        : step.Takes.Any(take => take.Line.Food is { } food && IsRaw(food)) ? OnBoard.Raw
        : OnBoard.Plants;

    /// <summary>What a step brings on the board: where its words do not say, anything that goes into the dish.</summary>
    public static IEnumerable<RecipeLine> LinesOn(CookedDish dish, CookedStep step) =>
        step.Takes.Where(take => take.Times > 0).Select(take => take.Line).ToList() is { Count: > 0 } taken
            ? taken
            : dish.Lots.SelectMany(lot => lot.Dish.Lines);

    /// <summary>
    /// Steps of different dishes that cut the same food, each step once: with the food that most others cut, too. What holds raw meat or fish
    /// is never taken together with what does not.
    /// </summary>
    public static IReadOnlyList<(Food Food, IReadOnlyList<int> Works)> Together(IReadOnlyList<(int Dish, CookedStep Step)> steps)
    {
        var cuts = (
            from at in Enumerable.Range(0, steps.Count)
            where On(steps[at].Step) == OnBoard.Plants
            from food in steps[at].Step.Takes.Where(take => take.Times > 0).Select(take => take.Line.Food).OfType<Food>().Distinct()
            select (At: at, Food: food)
        ).ToLookup(cut => cut.Food, cut => cut.At);
        var (groups, taken) = (new List<(Food, IReadOnlyList<int>)>(), new HashSet<int>());
        foreach (var of in cuts.OrderByDescending(of => of.Count()).ThenBy(of => of.Key.Key, StringComparer.Ordinal))
        {
            var free = of.Where(at => !taken.Contains(at)).ToList();
            if (free.Select(at => steps[at].Dish).Distinct().Count() > 1)
            {
                groups.Add((of.Key, free));
                taken.UnionWith(free);
            }
        }

        return groups;
    }

    private static bool IsRaw(Food food) => RawClasses.Any(food.Is) && !food.Is("processed-meat");

    [GeneratedRegex(
        @"^((wash|rinse|scrub|drain|skin|hull|crumble|peel|trim|core|deseed|halve|finely|roughly|coarsely|thinly|thickly)\b[\w, ]{0,40}?)??\b(chop|slice|dice|cut|cube|mince|grate|shred|julienne|ribbon|wedge|halve|quarter|peel)\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex FirstWord();
}

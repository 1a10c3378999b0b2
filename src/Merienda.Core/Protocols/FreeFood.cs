namespace Merienda.Core.Protocols;

/// <summary>
/// A food that is not counted, wholly or up to an amount that is used up over a portion, a meal or a day (domain.md section 4).
/// </summary>
/// <param name="Food">Key of the food: free status belongs to the product, not to a word.</param>
/// <param name="UpTo">Grams that are free; null for any amount.</param>
/// <param name="Per">What the amount is used up over.</param>
public sealed record FreeFood(string Food, decimal? UpTo = null, Period Per = Period.Portion);

/// <summary>How much of a day's free amount is used up.</summary>
/// <param name="Name">Of the food, as the first line that brings it says.</param>
/// <param name="Grams">All that is eaten of it, g.</param>
public sealed record FreeUse(FreeFood Food, string Name, decimal Grams);

/// <summary>Works out which share of each line counts once the free amounts are used up, in the order of eating and unrounded.</summary>
public static class FreeAmounts
{
    /// <returns>For each helping the counted share of each line, 0 to 1.</returns>
    public static decimal[][] CountedShares(IReadOnlyList<Helping> helpings, IReadOnlyList<FreeFood> free)
    {
        var byFood = free.ToDictionary(item => item.Food);
        var used = new Dictionary<(string Food, object Over), decimal>();
        var shares = helpings.Select(helping => Enumerable.Repeat(1m, helping.Profile.Lines.Count).ToArray()).ToArray();
        foreach (var at in Enumerable.Range(0, helpings.Count).OrderBy(index => helpings[index].At?.Order ?? 0))
        {
            var helping = helpings[at];
            for (var line = 0; line < helping.Profile.Lines.Count; line++)
            {
                // What is only likely that product, or leaves a choice, counts.
                if (helping.Profile.Lines[line] is { IsPlain: true, Food: { } food } eaten && byFood.TryGetValue(food.Key, out var rule))
                {
                    shares[at][line] = rule.UpTo is { } most
                        ? Counted(
                            eaten.Grams.Best * helping.Size / helping.Profile.Portions,
                            most,
                            (food.Key, Over(rule.Per, helping, at)),
                            used
                        )
                        : 0;
                }
            }
        }

        return shares;
    }

    /// <summary>What is eaten on one day of foods that are free up to an amount a day.</summary>
    public static IReadOnlyList<FreeUse> UsedOf(IReadOnlyList<Helping> day, IReadOnlyList<FreeFood> free) =>
        [
            .. free.Where(item => item is { Per: Period.Day, UpTo: not null })
                .Select(item => (Item: item, Lines: day.SelectMany(helping => LinesOf(helping, item)).ToList()))
                .Where(one => one.Lines.Count > 0)
                .Select(one => new FreeUse(one.Item, one.Lines[0].Name, one.Lines.Sum(line => line.Grams))),
        ];

    private static IEnumerable<(string Name, decimal Grams)> LinesOf(Helping helping, FreeFood free) =>
        helping
            .Profile.Lines.Where(line => line is { IsPlain: true, Food: { } food } && food.Key == free.Food)
            .Select(line => (line.NameInSums, line.Grams.Best * helping.Size / helping.Profile.Portions));

    private static decimal Counted(decimal grams, decimal most, (string, object) over, Dictionary<(string, object), decimal> used)
    {
        var left = most - used.GetValueOrDefault(over);
        var taken = Math.Min(left, grams);
        used[over] = used.GetValueOrDefault(over) + taken;
        return grams == 0 ? 1 : (grams - taken) / grams;
    }

    private static object Over(Period per, Helping helping, int at) =>
        (per, helping.At) switch
        {
            (Period.Portion, _) => at,
            (Period.Meal, { } occasion) => occasion,
            (Period.Day, { } occasion) => occasion.Date,
            _ => "all",
        };
}

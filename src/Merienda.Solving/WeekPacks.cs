using Google.OrTools.Sat;
using Merienda.Core.Filling;

namespace Merienda.Solving;

/// <summary>What the packs that are bought for a week leave: only asked for where it is sought.</summary>
internal static class WeekPacks
{
    private const int MostPacks = 100;

    /// <summary>Grams that are left of opened packs.</summary>
    public static LinearExpr Left(WeekModel week)
    {
        // A portion that nobody eats would only move what is left from the pack to the box.
        foreach (var batch in week.Batches)
        {
            foreach (var (dish, portions) in batch.Portions)
            {
                var eaten = week
                    .Choices.Where(choice => choice.Dish == dish)
                    .SelectMany(choice => choice.From)
                    .Where(from => from.Session == batch.Session)
                    .Select(from => from.Quarters);
                week.Model.Add(portions * FillTable.Quarters <= LinearExpr.Sum(eaten) + FillTable.Quarters - 1);
            }
        }

        return LinearExpr.Sum(week.Question.Packs.Select(pack => LeftOf(week, pack)));
    }

    private static IntVar LeftOf(WeekModel week, PackedFood pack)
    {
        var (model, dishes) = (week.Model, week.Question.Dishes);
        var needed = LinearExpr.Constant(Whole(pack.Planned));
        foreach (var (dish, portions) in week.Batches.SelectMany(batch => batch.Portions))
        {
            needed += portions * Whole(pack.In(dishes[dish].Version));
        }

        foreach (var growth in week.Growths)
        {
            needed += growth.More * Whole(pack.In(dishes[week.Question.Rests[growth.Rest].Dish].Version));
        }

        foreach (var bought in week.Choices.Where(week.IsReady))
        {
            needed += bought.Is * Whole(pack.In(dishes[bought.Dish].Version));
        }

        var (grams, there) = (Math.Max(1, Whole(pack.Grams)), Whole(pack.There));
        var (packs, isBought) = (model.NewIntVar(0, MostPacks, "packs"), model.NewBoolVar("a pack"));
        var left = model.NewIntVar(0, grams * MostPacks, "left of packs");
        model.Add(packs <= isBought * MostPacks);
        model.Add((packs * grams) + there >= needed);
        // What stands in stock is no waste as long as no pack is opened on top of it.
        model.Add(left >= (packs * grams) + (isBought * there) - needed);
        return left;
    }

    private static long Whole(decimal grams) => (long)Math.Round(grams);
}

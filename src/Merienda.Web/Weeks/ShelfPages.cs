using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Shopping;

namespace Merienda.Web.Weeks;

/// <summary>The containers of a week, and those that are left of earlier ones.</summary>
public static class ShelfPages
{
    public static ShelfPage ToShelf(this WeekView week, IReadOnlyList<Price> prices)
    {
        var (wasted, says) = WastedOf(week, prices);
        var names = week.Eaters.ToDictionary(eater => eater.Id, eater => eater.Name);
        return new(
            week.Start,
            week.Table.Today,
            [
                .. week.Plan.Batches.SelectMany(batch =>
                {
                    var boxes = ShelvedBox.Of(week.Plan, batch, week.RecipeOf(batch).Version, week.Table.Today).ToList();
                    var of = batch.PortionedOn is null ? boxes.Count : week.Plan.ContainersOf(batch.Id).Count();
                    return boxes.Select(box => ToBox(week, box, of, names));
                }),
            ],
            wasted,
            says,
            week.Kitchen.Room().Freezer
        );
    }

    /// <summary>What was thrown away on the week's days, and where the costs come from.</summary>
    internal static (IReadOnlyList<ShelfWaste> Wasted, string PricesSay) WastedOf(WeekView week, IReadOnlyList<Price> prices)
    {
        var waste = Waste.Of(week.Plan);
        var book = PriceBook.Of(
            prices,
            [.. waste.SelectMany(one => week.DishOf(one.Batch, one.Lot).Ingredients).Select(line => line.Food).OfType<Food>()]
        );
        return (
            [
                .. waste.Select(one => new ShelfWaste(
                    WeekView.Tape(one.Batch),
                    week.NameOf(one.Batch, one.Lot),
                    one.Portions,
                    one.Reason,
                    book.IsEmpty ? null : Math.Round(book.CostOf(week.DishOf(one.Batch, one.Lot)).Amount * one.Portions, 2)
                )),
            ],
            waste.Count == 0 || book.IsEmpty ? "" : book.Says
        );
    }

    private static ShelfBox ToBox(WeekView week, ShelvedBox box, int of, IReadOnlyDictionary<Guid, string> names)
    {
        var (batch, recipe) = (box.Batch, week.DishOf(box.Batch, box.Lot));
        return new ShelfBox(
            box.Id,
            batch.Id,
            batch.Letter,
            WeekView.Tape(batch),
            week.NameOf(batch, box.Lot),
            box.Number,
            of,
            box.IsThere,
            !week.Plan.IsCookedForIt(batch),
            Math.Round(box.Portions, 2),
            PartsOf(box),
            box.Real is { Kind.Length: > 0 } real ? $"{real.Kind}, {real.Material}" : "",
            box.Cell is null ? null : names.GetValueOrDefault(box.Cell.Eater),
            box.Real is null ? batch.Cooked : week.Plan.StateOf(box.Real).Made,
            box.Cell is null ? null : new BoardPlace(box.Cell.Date, box.Cell.Meal, box.Cell.Eater),
            box.KeptIn,
            box.EatBy,
            box.IsQuality,
            box.Thaw,
            box.FreezeBy,
            recipe.KeepingOf(box.Parts).Freezes,
            recipe.Reheating,
            string.Join(". ", recipe.SaidAtEating(box.Parts)),
            recipe.KeepingOf(box.Parts).Note,
            week.Knowledge.Classes.AllergensOf(recipe.Ingredients.SelectMany(line => line.Meanings).SelectMany(meaning => meaning.Foods)),
            recipe.Ingredients.Any(line => line.Meanings.Any(meaning => !meaning.IsSure || meaning.Food!.Untold.Count > 0)),
            week.Numbers(week.HelpingOf(batch, box.Lot, box.Portions, box.Parts), box.Cell?.Eater)
        );
    }

    internal static IReadOnlyList<ShelfPart> PartsOf(ShelvedBox box) =>
        [
            .. (box.Parts ?? box.Batch.PartsOf(box.Lot)).Select(part => new ShelfPart(
                part,
                box.GramsOf(part) is { } grams ? Math.Floor(grams) : null
            )),
        ];
}

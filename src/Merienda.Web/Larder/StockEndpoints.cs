using System.Text.RegularExpressions;
using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Stock;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Merienda.Web.Weeks;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Larder;

/// <summary>What stands in pantry, fridge and freezer, boxes of earlier sessions among it, and what must go this week.</summary>
public static partial class StockEndpoints
{
    public static void MapStock(this RouteGroupBuilder larder)
    {
        larder.MapGet("/stock", Stock).WithName("GetStock");
        larder.MapPost("/stock", TakeIn).WithName("TakeIntoStock");
        larder.MapPut("/stock/{id:guid}/amount", Left).WithName("SayWhatIsLeft");
        larder.MapPost("/stock/{id:guid}/action", Act).WithName("ActOnStock");
    }

    private static async Task<Ok<StockPage>> Stock(CurrentTenant tenant, StockStore stock)
    {
        var (table, known, items, plan, recipes) = await stock.Read(tenant);
        var (foods, inOunces) = (known.Matcher, table.Household.CountsInOunces);
        var rows = items
            .Select(item => ToRow(item, item.Food is { } key ? foods.WithKey(key) : null, table.Today, inOunces))
            .OrderBy(row => row.Place)
            .ThenBy(row => row.GoBy ?? DateOnly.MaxValue)
            .ThenBy(row => row.MadeOn)
            .ThenBy(row => row.Name, StringComparer.OrdinalIgnoreCase)
            .ToList();
        var names = table.Eaters.ToDictionary(eater => eater.Id, eater => eater.Name);
        var shelf = plan
            .Batches.Where(batch => batch.Cooked <= table.Today && batch.Cooked > table.Today.AddDays(-366))
            .SelectMany(batch => ShelvedBox.Of(plan, batch, recipes[batch.Id].Version, table.Today))
            .Where(box => box.IsThere || box.Cell is null || box.Cell.Date >= table.Today)
            .Select(box => ToBox(box, plan, recipes[box.Batch.Id].Version, table.Today, names))
            .OrderBy(box => box.Place)
            .ThenBy(box => box.EatBy)
            .ThenBy(box => box.Tape, StringComparer.Ordinal)
            .ToList();
        return TypedResults.Ok(new StockPage(table.Today, rows, shelf, rows.Count(row => row.IsDue) + shelf.Count(box => box.IsDue)));
    }

    private static async Task<Results<Ok<TakenIn>, ProblemHttpResult>> TakeIn(TakeInRequest request, Editing editing, StockStore stock) =>
        editing.Answer(
            (await stock.Add(editing, (table, foods) => ReadAll(request, table, foods.Matcher), taken => taken.Items)).Select(edited =>
                edited.Select(taken => new TakenIn([.. taken.Items.Select(item => item.Name)], taken.Left))
            )
        );

    /// <summary>What was read of a line, and what was not.</summary>
    private sealed record Taken(IReadOnlyList<StockItem> Items, IReadOnlyList<NotTaken> Left);

    private static Result<Taken> ReadAll(TakeInRequest request, Core.Planning.Table table, FoodMatcher foods)
    {
        var system = table.Household.CountsInOunces ? MeasureSystem.UnitedStates : MeasureSystem.Metric;
        var things = request.Food is not null ? [request.Line] : StockLine.Things(request.Line, foods);
        if (things.Count is 0 or > StockLine.Most)
        {
            return new Refusal(
                "stock-line-length",
                "line",
                $"{things.Count} things",
                $"a line brings in 1 to {StockLine.Most}",
                "Type for example: 500 g red lentils, 6 eggs"
            );
        }

        var read = things.Select(thing => (Thing: thing, Item: Read(request with { Line = thing }, foods, system, table.Today))).ToList();
        return read.All(one => one.Item.IsRefused)
            ? read[0].Item.Refusal!
            : new Taken(
                [.. read.Where(one => !one.Item.IsRefused).Select(one => one.Item.Value)],
                [.. read.Where(one => one.Item.IsRefused).Select(one => new NotTaken(one.Thing, one.Item.Refusal!.Reason))]
            );
    }

    /// <summary>
    /// Reads what is taken in like an ingredient line: how much of what. What the table does not know stands there by its words.
    /// </summary>
    public static Result<StockItem> Read(TakeInRequest request, FoodMatcher foods, MeasureSystem system, DateOnly today)
    {
        var text = request.Line.Trim();
        if (text.Length is 0 or > IngredientLineReader.LongestLine)
        {
            return new Refusal(
                "stock-line-length",
                "line",
                text,
                $"a line has 1 to {IngredientLineReader.LongestLine} characters",
                "Type for example: 500 g red lentils"
            );
        }

        if (request.Food is { } key && foods.WithKey(key) is null)
        {
            return new Refusal("unknown-food", "food", key, "there is no such food", "Choose one from the list");
        }

        var printed = PrintedDate.TakeOff(text, today, monthFirst: system == MeasureSystem.UnitedStates);
        if (printed is { Words: { } words, Date: null })
        {
            return new Refusal("stock-date-unread", "line", words, $"{words} is no date", "Type it for example as 12 Dec, or leave it out");
        }

        var line = RecipeLine.From(printed.Line, foods, system, chosenFood: request.Food is { } chosen ? foods.WithKey(chosen) : null);
        if (BelowZero().IsMatch(text) || line.Read.Amount is { Best: <= 0 })
        {
            return new Refusal(
                "stock-amount-out-of-range",
                "line",
                text,
                "nothing, and less than nothing, stands on no shelf",
                "Type what is there; what is gone is marked as used up"
            );
        }

        var grams =
            line.Read is { Amount: { } amount, Unit: { Kind: UnitKind.Mass } unit } ? amount.Best * unit.Mass.Grams
            : line.Read.Amount is null || line.Grams.IsOpen ? (decimal?)null
            : line.Grams.Best;
        var madeOn = request.MadeOn ?? today;
        return StockItem.Of(
            new(
                Guid.CreateVersion7(),
                line.Food?.Key,
                line.Food?.Name ?? line.Read.Food.Trim(),
                line.Read.AmountInWords,
                grams,
                request.Place,
                madeOn,
                null,
                request.Place == StockPlace.Freezer ? madeOn : null,
                null,
                printed.Date ?? request.BestBefore,
                null
            ),
            today
        );
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Left(
        Guid id,
        StockAmountRequest request,
        Editing editing,
        StockStore stock
    ) =>
        editing.Done(
            await stock.Change(
                editing,
                id,
                "Changed what is left of",
                (item, today) => StockItem.Of(item with { Grams = request.Grams, Amount = "" }, today)
            )
        );

    private static async Task<Results<NoContent, ProblemHttpResult>> Act(
        Guid id,
        StockActionRequest request,
        Editing editing,
        StockStore stock
    )
    {
        var (said, act) = request.Action switch
        {
            StockAction.Opened => ("Opened", (Func<StockItem, DateOnly, Result<StockItem>>)((item, today) => item.Open(today))),
            StockAction.Frozen => ("Froze", (item, today) => item.Freeze(today)),
            StockAction.UsedUp => ("Used up", (item, today) => item.UsedUp(today)),
            StockAction.ToPantry => ("Moved to the pantry:", (item, today) => item.Move(StockPlace.Pantry, today)),
            _ => ("Moved to the fridge:", (item, today) => item.Move(StockPlace.Fridge, today)),
        };
        return editing.Done(await stock.Change(editing, id, said, act));
    }

    private static StockRow ToRow(StockItem item, Food? food, DateOnly today, bool inOunces)
    {
        var goBy = GoBy.Of(item, food?.Keeping, food?.Packet?.Printed.OpenedDays);
        var weight = item.Grams is { } grams ? HouseholdMass.Show(grams, inOunces) : "";
        var amount =
            item.Amount.Length == 0 || item.Amount == weight ? weight
            : weight.Length == 0 ? item.Amount
            : $"{item.Amount} · {weight}";
        return new(
            item.Id,
            item.Food,
            item.Name,
            amount,
            item.Place,
            item.MadeOn,
            item.OpenedOn,
            item.FrozenOn,
            item.ThawedOn,
            item.BestBefore,
            item.Grams,
            goBy?.Date,
            goBy?.Because,
            goBy?.IsDue(today) == true,
            goBy is { IsQuality: false } && goBy.Date < today
        );
    }

    private static StockBox ToBox(
        ShelvedBox box,
        WeekPlan plan,
        RecipeVersion recipe,
        DateOnly today,
        IReadOnlyDictionary<Guid, string> names
    )
    {
        var (batch, cell) = (box.Batch, box.Cell);
        var isEarlier = plan.Sessions.First(session => session.Date == batch.Cooked).EatenFrom < plan.Rhythm.WeekOf(today);
        return new(
            box.Id,
            batch.Id,
            $"{batch.Letter}·{batch.Cooked.Day}",
            box.Lot.Named(recipe.Name),
            $"{box.Portions:0.##} {(box.Portions == 1 ? "portion" : "portions")}",
            box.IsFrozen(today) ? StockPlace.Freezer : StockPlace.Fridge,
            batch.Cooked,
            box.EatBy,
            cell is null ? null : $"{cell.Date:ddd d MMM}, {plan.Rhythm.NameOf(cell.Meal)}, {names.GetValueOrDefault(cell.Eater)}",
            !box.IsFrozen(today) && box.EatBy <= today.AddDays(GoBy.WeekDays - 1),
            !box.IsFrozen(today) && box.EatBy < today,
            cell is null && isEarlier
        );
    }

    [GeneratedRegex(@"^\s*[-−–]\s*\d")]
    private static partial Regex BelowZero();
}

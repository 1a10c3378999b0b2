using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;
using Merienda.Core.Shopping;
using Merienda.Core.Stock;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>A week with the kitchen it is portioned in.</summary>
public sealed record StoredPortioning(StoredWeek Week, Kitchen Kitchen);

/// <summary>Batches become boxes, and boxes live by what is said of them.</summary>
/// <param name="soldAs">What is bought as something else.</param>
public sealed class BoxStore(Database database, EditDoor door, WeekReading weeks, Func<SoldAs> soldAs)
{
    public Task<StoredPortioning> Read(Tenant tenant, DateOnly start) => database.Read(tenant, Portioning(weeks.Of(start)));

    /// <summary>Fills the boxes of batches, and shares what was weighed among them.</summary>
    /// <param name="which">The batches; at least one.</param>
    /// <param name="weighed">A part of the first batch; null when nothing was weighed.</param>
    public Task<Result<Edited<TView>>> Portion<TView>(
        EditStamp stamp,
        DateOnly start,
        Func<WeekPlan, IReadOnlyList<Guid>> which,
        PartYield? weighed,
        DateTimeOffset now,
        Func<StoredPortioning, TView> draw
    ) =>
        door.Edit<((StoredWeek Week, (HouseholdSettingsRow, Kitchen Kitchen) Known) There, IReadOnlyList<StockItem> Stock), bool, TView>(
            stamp,
            Journal.Box,
            weeks.Of(start).And(KitchenStore.Stored).And(StockStore.Items),
            locked =>
            {
                var ((week, (_, kitchen)), stock) = locked;
                var batches = which(week.Plan);
                if (batches.Count == 0)
                {
                    return new Refusal(
                        "nothing-cooked",
                        "day",
                        $"{start:yyyy-MM-dd}",
                        "nothing is cooked on that day",
                        "Choose a session of this week"
                    );
                }

                var planned = batches.Where(id => week.Plan.BatchWithId(id)?.PortionedOn is null).ToList();
                var result = (Result<WeekPlan>)week.Plan;
                // Asked for once more, it is said that all of them are filled already.
                foreach (var batch in planned.Count > 0 || weighed is not null ? planned : batches)
                {
                    result = result.IsRefused
                        ? result
                        : result.Value.Portion(batch, kitchen.Containers, (now, week.Table.Today), Guid.CreateVersion7);
                }

                if (weighed is not null && !result.IsRefused)
                {
                    result = result.Value.Weigh(batches[0], weighed);
                }

                if (result.Refusal is { } refusal)
                {
                    return refusal;
                }

                var letters = string.Join(", ", batches.Select(id => week.Plan.BatchWithId(id)!.Letter));
                var change = week
                    .Rows.ChangeTo(week.Plan, result.Value, $"{(weighed is null ? "Portioned" : "Weighed")} {letters}", NoNewFood)
                    .Put(Tables.KitchenItem, Tares(kitchen, null), Tares(kitchen, weighed));
                return new Decided<bool>(
                    change.Use(
                        soldAs(),
                        stock,
                        planned.Select(id => week.Plan.BatchWithId(id)!),
                        week.Versions,
                        week.Foods,
                        week.Table.Today
                    ),
                    true
                );
            },
            _ => Portioning(weeks.After(start)).Select(draw)
        );

    /// <summary>Something happened to a box; a planned one is filled by it, with all of its batch.</summary>
    /// <param name="dayOf">The date of a moment, as the household's clock shows it.</param>
    /// <param name="now">The moment it is decided.</param>
    public Task<Result<Edited<bool>>> Tell(
        EditStamp stamp,
        Guid batchId,
        Guid boxId,
        BoxSaid said,
        Func<Table, DateTimeOffset, DateOnly> dayOf,
        DateTimeOffset now
    )
    {
        var heard = said.Heard(now);
        return door.Edit<((StoredBatch Batch, (HouseholdSettingsRow, Kitchen Kitchen) Known) There, IReadOnlyList<StockItem> Stock), bool>(
            stamp,
            Journal.Box,
            weeks.Batch(batchId).And(KitchenStore.Stored).And(StockStore.Items),
            locked =>
            {
                var (((plan, table, rows, recipes, foods), (_, kitchen)), stock) = locked;
                var day = dayOf(table, heard.At);
                var isFilled = plan.BatchWithId(batchId)?.PortionedOn is null && plan.Containers.All(box => box.Id != boxId);
                var there = isFilled ? plan.Portion(batchId, kitchen.Containers, (heard.At, day), Guid.CreateVersion7) : plan;
                var told = there.IsRefused ? there : there.Value.Tell(boxId, heard, day, now);
                if (told.Refusal is { } refusal)
                {
                    return refusal;
                }

                var change = rows.ChangeTo(plan, told.Value, $"{Say(said)} {plan.BatchWithId(batchId)!.Letter}", NoNewFood);
                return new Decided<bool>(
                    change.Use(soldAs(), stock, isFilled ? [plan.BatchWithId(batchId)!] : [], recipes, foods, table.Today),
                    true
                );
            }
        );
    }

    private static Reading<StoredPortioning> Portioning(Reading<StoredWeek> week) =>
        week.And(KitchenStore.Stored).Select(read => new StoredPortioning(read.First, read.Second.Kitchen));

    /// <summary>What a vessel weighs is remembered where it is one of the kitchen's.</summary>
    private static IEnumerable<KitchenItemRow> Tares(Kitchen kitchen, PartYield? weighed) =>
        kitchen.Items.Select(
            (item, at) =>
                KitchenStore.RowOf(weighed is not null && item.Name == weighed.Vessel ? item with { TareG = weighed.TareG } : item, at)
        );

    private static string Say(BoxSaid said) =>
        said.Kind switch
        {
            Core.Keeping.BoxEventKind.ToFridge => "To the fridge:",
            Core.Keeping.BoxEventKind.Frozen => "Froze",
            Core.Keeping.BoxEventKind.Eaten => "Ate",
            Core.Keeping.BoxEventKind.Given => "Gave away",
            _ => "Threw away",
        };

    private static (Guid?, Guid?) NoNewFood(RecipeLine line) =>
        throw new InvalidOperationException($"{line.Name} is no food that portioning adds.");
}

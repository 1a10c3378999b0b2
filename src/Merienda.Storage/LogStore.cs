using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Shopping;
using Merienda.Core.Stock;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>The day as it goes: what was eaten, and what small things somebody eats besides.</summary>
/// <param name="soldAs">What is bought as something else.</param>
public sealed class LogStore(Database database, EditDoor door, WeekReading weeks, RecipeVersions versions, Func<SoldAs> soldAs)
{
    /// <summary>A week; what an eater had besides, the most often in front, as it was typed; and the eater's weight where it is kept.</summary>
    public Task<((StoredWeek Week, IReadOnlyList<string> Extras) Day, KeptWeight? Weight)> Read(
        Tenant tenant,
        DateOnly start,
        Guid? eater
    ) => database.Read(tenant, weeks.Of(start).And(Extras(eater)).And(WeightStore.Of(eater)));

    /// <summary>Whose day is shown where nobody is named: the first who is no guest.</summary>
    internal const string FirstEater = "(select id from eater order by is_guest, position, id limit 1)";

    private static Reading<IReadOnlyList<string>> Extras(Guid? eater) =>
        Reading.Of<IReadOnlyList<string>>(
            $"""
            select text from serving_item item
            join serving on serving.household_id = item.household_id and serving.id = item.serving_id
            where item.is_extra and item.text is not null and serving.eater_id = coalesce(@extrasOf, {FirstEater}) and serving.eaten_on > current_date - 90
            group by text order by count(*) desc, max(serving.eaten_on) desc, text limit 12;
            """,
            new { extrasOf = eater },
            async rows => [.. await rows.ReadAsync<string>()]
        );

    /// <summary>Decides what is said of a meal on the week as it is now; what is in boxes by it takes from the stock what went in.</summary>
    public Task<Result<Edited<bool>>> Say(
        EditStamp stamp,
        DateOnly start,
        Func<StoredWeek, Result<(WeekPlan Plan, string Summary)>> decide
    ) =>
        door.Edit<(StoredWeek Week, IReadOnlyList<StockItem> Stock), bool>(
            stamp,
            Journal.Log,
            weeks.Of(start).And(StockStore.Items),
            locked =>
            {
                var (week, stock) = locked;
                var decided = decide(week);
                if (decided.Refusal is { } refusal)
                {
                    return refusal;
                }

                var (plan, summary) = decided.Value;
                var filled = plan.Batches.Where(batch =>
                    batch.PortionedOn is not null && week.Plan.BatchWithId(batch.Id)?.PortionedOn is null
                );
                var change = week.Rows.ChangeTo(week.Plan, plan, summary, line => versions.IdsOf(line, week.Foods));
                return new Decided<bool>(change.Use(soldAs(), stock, filled, week.Versions, week.Foods, week.Table.Today), true);
            }
        );
}

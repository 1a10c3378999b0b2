using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>How a household's weeks go, changed as a whole with the split of its eaters' days.</summary>
public sealed class RhythmStore(HouseholdStore households, EditDoor door)
{
    private sealed record Known(
        HouseholdSettingsRow Settings,
        IReadOnlyList<(string Meal, DateOnly Last)> Meals,
        IReadOnlyList<PrepSessionRow> Sessions
    );

    /// <param name="decide">Given the table and the keys of meals in which something stands from this week on.</param>
    public Task<Result<Edited<TView>>> Change<TView>(
        EditStamp stamp,
        Func<Table, IReadOnlySet<string>, Result<(Rhythm Rhythm, IReadOnlyList<EaterSettings> Eaters)>> decide,
        Func<Household, TView> draw
    ) =>
        door.Edit<((Table Table, IReadOnlyList<(Guid Eater, int Position)> Seats) Table, Known Known), bool, TView>(
            stamp,
            Journal.Rhythm,
            households.Table().And(HouseholdStore.Seats).And(Stored),
            locked =>
            {
                var ((table, seats), (settings, meals, sessions)) = locked;
                var was = table.Household.Rhythm;
                var decided = decide(
                    table,
                    meals.Where(meal => meal.Last >= was.WeekOf(table.Today)).Select(meal => meal.Meal).ToHashSet()
                );
                if (decided.Refusal is { } refusal)
                {
                    return refusal;
                }

                var (rhythm, eaters) = decided.Value;
                var change = new Change("Changed how the week goes")
                    .Put(Tables.Household, settings, settings with { FirstDay = (int)rhythm.FirstDay })
                    .Put(was, rhythm)
                    .Put(Tables.PrepSession, sessions, sessions.Select(row => PlanRows.RowOf(rhythm.Carry(PlanRows.SessionOf(row), was))));
                foreach (var (before, after) in table.Eaters.Zip(eaters))
                {
                    change.Put(before, after, HouseholdStore.SeatOf(seats, before.Id));
                }

                return new Decided<bool>(change, true);
            },
            _ => TableReading.Household.Select(draw)
        );

    /// <summary>The last day of each meal on which something stands, and every session.</summary>
    private static readonly Reading<Known> Stored = KitchenStore
        .Stored.And(
            Reading.Of(
                $"""
                select meal, max(eaten_on) from serving join serving_item item on item.household_id = serving.household_id and item.serving_id = serving.id
                group by meal;
                select {PlanRows.SessionColumns} from prep_session;
                """,
                null,
                async rows =>
                    (
                        Meals: (IReadOnlyList<(string, DateOnly)>)[.. await rows.ReadAsync<(string, DateOnly)>()],
                        Sessions: (IReadOnlyList<PrepSessionRow>)[.. await rows.ReadAsync<PrepSessionRow>()]
                    )
            )
        )
        .Select(read => new Known(read.First.Settings, read.Second.Meals, read.Second.Sessions));
}

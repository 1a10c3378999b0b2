using Merienda.Core.Planning;
using Merienda.Storage.Edits;
using static Dapper.SqlMapper;

namespace Merienda.Storage;

/// <summary>A batch with the ids that the core does not know.</summary>
public sealed record StoredBatch(Batch Batch, Guid RecipeVersionId);

/// <summary>Everything of one week as stored.</summary>
public sealed record StoredWeek(
    DateOnly Start,
    Table Table,
    IReadOnlyList<StoredBatch> Batches,
    IReadOnlyDictionary<Guid, StoredRecipe> Recipes,
    Undoable? Undo,
    IReadOnlySet<string> ShopTicks,
    IReadOnlySet<(Guid Batch, string Task)> TaskTicks
);

/// <summary>Reads a week whole, in one round trip.</summary>
public sealed class WeekReading(HouseholdStore households, RecipeVersions versions)
{
    /// <summary>
    /// Batches cooked for the week, from the evening before it to its last day but one, and older ones that are still eaten in it.
    /// </summary>
    private const string InWeek = """
        select batch.id from batch join prep_session session on session.household_id = batch.household_id and session.id = batch.session_id
        where session.cooked_on between @weekStart - 1 and @weekStart + 5
        union
        select container.batch_id from container join serving on serving.household_id = container.household_id and serving.id = container.serving_id
        where serving.eaten_on between @weekStart and @weekStart + 6
        """;

    private const string Select = $"""
        select batch.id, batch.recipe_version_id, batch.letter, batch.portions, session.cooked_on
        from batch join prep_session session on session.household_id = batch.household_id and session.id = batch.session_id
        where batch.id in ({InWeek}) order by session.cooked_on, length(batch.letter), batch.letter;
        select container.id, container.batch_id, container.number, container.size, serving.eaten_on, serving.meal, serving.eater_id, container.gone_on
        from container left join serving on serving.household_id = container.household_id and serving.id = container.serving_id
        where container.batch_id in ({InWeek}) order by container.number;
        select item_key from shop_tick where week_start = @weekStart;
        select batch_id, task_id from task_tick where batch_id in ({InWeek});
        """;

    public Reading<StoredWeek> Of(DateOnly start) =>
        households
            .Table(start)
            .And(Reading.Of(Select, new { weekStart = start }, Take))
            .And(Journal.Newest())
            .Then(
                async (scope, read) =>
                {
                    var ((table, (batches, shop, tasks)), undo) = read;
                    var recipes = await versions.Of(
                        scope,
                        batches.Select(batch => batch.RecipeVersionId),
                        table.Household.CountsTolerances
                    );
                    return new StoredWeek(start, table, batches, recipes, undo, shop, tasks);
                }
            );

    private static async Task<(IReadOnlyList<StoredBatch> Batches, HashSet<string> Shop, HashSet<(Guid, string)> Tasks)> Take(
        GridReader rows
    )
    {
        var batches = (await rows.ReadAsync<(Guid Id, Guid Version, string Letter, decimal Portions, DateOnly Cooked)>()).ToList();
        var boxes = (await rows.ReadAsync<BoxColumns>()).ToLookup(row => row.BatchId, row => row.ToContainer());
        return (
            [
                .. batches.Select(row => new StoredBatch(
                    new Batch(row.Id, row.Letter, row.Cooked, row.Portions, [.. boxes[row.Id]]),
                    row.Version
                )),
            ],
            (await rows.ReadAsync<string>()).ToHashSet(),
            (await rows.ReadAsync<(Guid, string)>()).ToHashSet()
        );
    }

    private sealed record BoxColumns(
        Guid Id,
        Guid BatchId,
        int Number,
        decimal Size,
        DateOnly? EatenOn,
        string? Meal,
        Guid? EaterId,
        DateOnly? GoneOn
    )
    {
        public Container ToContainer() => new(Id, Number, Size, EatenOn is { } date ? new Cell(date, Meal!, EaterId!.Value) : null, GoneOn);
    }
}

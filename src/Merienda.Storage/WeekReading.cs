using System.Text.Json;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Storage.Edits;
using static Dapper.SqlMapper;

namespace Merienda.Storage;

/// <summary>Everything of one week as stored.</summary>
/// <param name="Versions">The recipe version of each batch.</param>
public sealed record StoredWeek(
    WeekPlan Plan,
    Table Table,
    HouseholdFoods Foods,
    IReadOnlyDictionary<Guid, StoredRecipe> Versions,
    Undoable? Undo,
    IReadOnlySet<string> ShopTicks,
    IReadOnlySet<(Guid Batch, string Task)> TaskTicks
)
{
    internal PlanRows Rows { get; init; } = PlanRows.None;

    public StoredRecipe RecipeOf(Batch batch) => Versions[batch.Id];

    /// <summary>Who eats at a place of the board.</summary>
    public Result<Eater> DinerAt(Cell cell) =>
        Rhythm.UnknownMeal(Plan.Meals, cell.Meal) is { } refusal ? refusal
        : Diner(cell.Eater) is { } eater ? eater
        : HouseholdStore.EaterGone(cell.Eater);

    public Eater? Diner(Guid id) => Table.Diners.FirstOrDefault(one => one.Id == id);

    /// <summary>Why an eater may not have a dish at all; null when nothing stops it.</summary>
    public Refusal? StopOf(Guid batchId, Eater eater) =>
        Plan.BatchWithId(batchId) is { } batch && RecipeOf(batch).Version is { } recipe ? eater.Stop(recipe.Name, recipe.Profile) : null;

    /// <inheritdoc cref="StopOf(Guid, Eater)"/>
    public Refusal? StopOf(ServingItem? item, Eater eater) =>
        item switch
        {
            Draw draw => StopOf(draw.Batch, eater),
            ReadyFood ready => eater.Stop(ready.Line.Name, PortionProfile.Of([ready.Line], 1)),
            _ => null,
        };

    /// <summary>As a summary names it.</summary>
    public string LetterOf(Guid batch) => Plan.BatchWithId(batch)?.Letter ?? "a batch";

    /// <inheritdoc cref="LetterOf"/>
    public string NameOf(Guid item) => Plan.Find(item) is { } found ? Plan.NameOf(found.Item) : "something";
}

/// <summary>Reads batches with everything that is drawn from them, in one round trip.</summary>
public sealed class WeekReading(HouseholdStore households, PacketStore packets, RecipeVersions versions)
{
    /// <summary>
    /// Batches cooked for the week; older ones that are still eaten in it, and those of which boxes are left.
    /// </summary>
    private const string InWeek = """
        select batch.id from batch join prep_session session on session.household_id = batch.household_id and session.id = batch.session_id
        where session.eaten_from between @weekStart and @weekStart + 6
        union
        select item.batch_id from serving_item item join serving on serving.household_id = item.household_id and serving.id = item.serving_id
        where serving.eaten_on between @weekStart and @weekStart + 6 and item.batch_id is not null
        union
        select container.batch_id from container join batch on batch.household_id = container.household_id and batch.id = container.batch_id
        join prep_session session on session.household_id = batch.household_id and session.id = batch.session_id
        where container.gone_on is null and session.eaten_from < @weekStart
        """;

    /// <summary>Batches whose boxes may still stand somewhere.</summary>
    private const string InStock = """
        select batch.id from batch join prep_session session on session.household_id = batch.household_id and session.id = batch.session_id
        where session.cooked_on between current_date - 367 and current_date + 1
        """;

    /// <summary>The batches that a reading is about, worked out once for all of its statements.</summary>
    private const string Chosen = "current_setting('app.batches')::uuid[]";

    private const string Ticks = $"""
        select item_key from shop_tick where week_start between @weekStart - 3 and @weekStart + 3;
        select batch_id, task_id from task_tick where batch_id = any({Chosen});
        """;

    /// <param name="start">First day of the week; when it is another day, the week it lies in is asked for once more.</param>
    public Reading<StoredWeek> Of(DateOnly start) =>
        households
            .Table(start)
            .And(packets.Foods)
            .And(Rows(InWeek, start))
            .And(Reading.Of(Ticks, new { weekStart = start }, TakeTicks))
            .And(Journal.Newest())
            .Then(
                async (scope, read) =>
                {
                    var ((((table, foods), rows), (shop, tasks)), undo) = read;
                    if (table.Household.Rhythm.WeekOf(start) is var first && first != start)
                    {
                        return await scope.Read(Of(first));
                    }

                    var (plan, recipes) = await Assemble(scope, start, rows, table, foods);
                    return new StoredWeek(plan, table, foods, recipes, undo, shop, tasks) { Rows = rows };
                }
            );

    /// <summary>Batches of the last year with everything drawn from them, as a plan without a week.</summary>
    internal Reading<(
        WeekPlan Plan,
        IReadOnlyDictionary<Guid, StoredRecipe> Versions,
        Table Table,
        HouseholdFoods Foods,
        PlanRows Rows
    )> Year() =>
        households
            .Table()
            .And(packets.Foods)
            .And(Rows(InStock, null))
            .Then(
                async (scope, read) =>
                {
                    var ((table, foods), rows) = read;
                    var (plan, recipes) = await Assemble(scope, table.Today, rows, table, foods);
                    return (plan, recipes, table, foods, rows);
                }
            );

    /// <summary>One batch with everything drawn from it, as a plan without a week.</summary>
    internal Reading<(WeekPlan Plan, Table Table, PlanRows Rows)> Batch(Guid id) =>
        households
            .Table()
            .And(packets.Foods)
            .And(Rows("select @onlyBatch::uuid as id", null, id))
            .Then(
                async (scope, read) =>
                {
                    var ((table, foods), rows) = read;
                    var (plan, _) = await Assemble(scope, table.Today, rows, table, foods);
                    return (plan, table, rows);
                }
            );

    /// <param name="start">First day of the week whose servings are read whole; null for those of the batches only.</param>
    private static Reading<PlanRows> Rows(string batches, DateOnly? start, Guid? batch = null) =>
        Reading.Of(
            $"""
            select set_config('app.batches', (select coalesce(array_agg(id), array[]::uuid[])::text from ({batches}) chosen), true);
            select batch.id, batch.session_id, batch.recipe_version_id, batch.letter, batch.portioned_on from batch
            join prep_session session on session.household_id = batch.household_id and session.id = batch.session_id
            where batch.id = any({Chosen}) order by session.cooked_on, length(batch.letter), batch.letter;
            select {PlanRows.SessionColumns} from prep_session
            where id in (select session_id from batch where id = any({Chosen})) or cooked_on between @weekStart::date - 6 and @weekStart::date + 6;
            select id, batch_id, position, variant, portions from lot where batch_id = any({Chosen}) order by position;
            select id, eaten_on, meal, eater_id, state, is_locked, note from serving
            where eaten_on between @weekStart and @weekStart + 6 or id in (select serving_id from serving_item where batch_id = any({Chosen}));
            select id, serving_id, position, batch_id, lot_id, portions, grams, parts, text, food_version_id, packet_version_id, match_kind, is_chosen, container_id from serving_item
            where batch_id = any({Chosen}) or serving_id in (select id from serving where eaten_on between @weekStart and @weekStart + 6) order by position;
            select batch_id, part, gross_g, tare_g, vessel from part_yield where batch_id = any({Chosen});
            select id, batch_id, lot_id, number, portions, parts, to_json(grams)::text as grams, kind, material, gone_on from container where batch_id = any({Chosen}) order by number, id;
            select id, container_id, kind, at, happened_on, portions, draw_id, parts, reason from container_event
            where container_id in (select id from container where batch_id = any({Chosen})) order by at, id;
            {PacketRows.SelectVersion} where version.id in (
                select packet_version_id from serving_item where serving_id in (select id from serving where eaten_on between @weekStart and @weekStart + 6));
            """,
            new { weekStart = start, onlyBatch = batch },
            async rows =>
            {
                await rows.ReadAsync<string>();
                return await Take(rows);
            }
        );

    private static async Task<PlanRows> Take(GridReader rows) =>
        new(
            [.. await rows.ReadAsync<BatchRow>()],
            [.. await rows.ReadAsync<PrepSessionRow>()],
            [.. await rows.ReadAsync<LotRow>()],
            [.. await rows.ReadAsync<ServingRow>()],
            [.. (await rows.ReadAsync<ItemColumns>()).Select(row => row.ToRow())],
            [.. await rows.ReadAsync<PartYieldRow>()],
            [.. (await rows.ReadAsync<BoxColumns>()).Select(row => row.ToRow())],
            [.. (await rows.ReadAsync<EventColumns>()).Select(row => row.ToRow())],
            [.. await rows.ReadAsync<PacketRows.VersionRow>()]
        );

    private async Task<(WeekPlan Plan, IReadOnlyDictionary<Guid, StoredRecipe> Versions)> Assemble(
        Scope scope,
        DateOnly start,
        PlanRows rows,
        Table table,
        HouseholdFoods foods
    )
    {
        var read = await versions.Of(scope, rows.Batches.Select(batch => batch.RecipeVersionId), table.Household.CountsTolerances);
        var recipes = rows.Batches.ToDictionary(batch => batch.Id, batch => read[batch.RecipeVersionId]);
        return (rows.ToPlan(start, table.Household.Rhythm, recipes, line => LineOf(line, rows, table, foods)), recipes);
    }

    private RecipeLine LineOf(ServingItemRow row, PlanRows rows, Table table, HouseholdFoods foods)
    {
        var food =
            row.FoodVersionId is { } version ? versions.FoodOf(version)
            : row.PacketVersionId is { } packet
                ? versions.PacketOf(rows.Packets.First(one => one.Id == packet), table.Household.CountsTolerances).Food
            : null;
        return RecipeLine.Pinned(
            row.Text!,
            food,
            Enum.Parse<Core.Foods.MatchKind>(row.MatchKind!),
            row.IsChosen,
            foods.Matcher,
            table.Household.CountsInOunces ? MeasureSystem.UnitedStates : MeasureSystem.Metric,
            ""
        );
    }

    private static async Task<(HashSet<string> Shop, HashSet<(Guid, string)> Tasks)> TakeTicks(GridReader rows) =>
        ((await rows.ReadAsync<string>()).ToHashSet(), (await rows.ReadAsync<(Guid, string)>()).ToHashSet());

    private sealed record ItemColumns
    {
        public Guid Id { get; init; }

        public Guid ServingId { get; init; }

        public int Position { get; init; }

        public Guid? BatchId { get; init; }

        public Guid? LotId { get; init; }

        public decimal? Portions { get; init; }

        public decimal? Grams { get; init; }

        public string[]? Parts { get; init; }

        public string? Text { get; init; }

        public Guid? FoodVersionId { get; init; }

        public Guid? PacketVersionId { get; init; }

        public string? MatchKind { get; init; }

        public bool IsChosen { get; init; }

        public Guid? ContainerId { get; init; }

        public ServingItemRow ToRow() =>
            new(
                Id,
                ServingId,
                Position,
                BatchId,
                LotId,
                Portions,
                Grams,
                Parts,
                Text,
                FoodVersionId,
                PacketVersionId,
                MatchKind,
                IsChosen,
                ContainerId
            );
    }

    private sealed record EventColumns
    {
        public Guid Id { get; init; }

        public Guid ContainerId { get; init; }

        public string Kind { get; init; } = "";

        public DateTimeOffset At { get; init; }

        public DateOnly HappenedOn { get; init; }

        public decimal Portions { get; init; }

        public Guid? DrawId { get; init; }

        public string[]? Parts { get; init; }

        public string Reason { get; init; } = "";

        public ContainerEventRow ToRow() => new(Id, ContainerId, Kind, At, HappenedOn, Portions, DrawId, Parts, Reason);
    }

    private sealed record BoxColumns
    {
        public Guid Id { get; init; }

        public Guid BatchId { get; init; }

        public Guid LotId { get; init; }

        public int Number { get; init; }

        public decimal Portions { get; init; }

        public string[]? Parts { get; init; }

        /// <summary>As JSON: the driver reads an array either with or without nulls, and never knows before.</summary>
        public string Grams { get; init; } = "[]";

        public string Kind { get; init; } = "";

        public string Material { get; init; } = "";

        public DateOnly? GoneOn { get; init; }

        public ContainerRow ToRow() =>
            new(Id, BatchId, LotId, Number, Portions, Parts, JsonSerializer.Deserialize<decimal?[]>(Grams)!, Kind, Material, GoneOn);
    }
}

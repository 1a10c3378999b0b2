using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
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
    IReadOnlySet<(Guid Batch, string Task)> TaskTicks,
    IReadOnlyDictionary<(Guid Batch, string Task), CookRemark> Remarks,
    IReadOnlyDictionary<(Guid Batch, string Task), StepRun> Runs
)
{
    internal PlanRows Rows { get; init; } = PlanRows.None;

    /// <summary>What is cooked otherwise than the recipe names it, because that is what there was.</summary>
    public IReadOnlyList<BatchSwapRow> Swaps => Rows.Swaps;

    /// <summary>What there is to cook and to keep it in.</summary>
    public required Kitchen Kitchen { get; init; }

    /// <summary>Whose spoons the household's own lines mean.</summary>
    public MeasureSystem System => Table.Household.System;

    public StoredRecipe RecipeOf(Batch batch) => Versions[batch.Id];

    /// <summary>Who eats at a place of the board.</summary>
    public Result<Eater> DinerAt(Cell cell) =>
        Rhythm.UnknownMeal(Plan.Meals, cell.Meal) is { } refusal ? refusal
        : Diner(cell.Eater) is { } eater ? eater
        : HouseholdStore.EaterGone(cell.Eater);

    public Eater? Diner(Guid id) => Table.Diners.FirstOrDefault(one => one.Id == id);

    /// <summary>The dish as a lot of a batch has it.</summary>
    public RecipeVersion DishOf(Batch batch, Lot lot) => lot.DishOf(RecipeOf(batch).Version);

    /// <summary>Why an eater may not have a thing at all; null when nothing stops it.</summary>
    public Refusal? StopOf(ServingItem? item, Eater eater) =>
        item switch
        {
            Draw draw when Plan.BatchWithId(draw.Batch) is { } batch => StopOf(batch, batch.LotOf(draw), eater),
            ReadyFood ready => eater.Stop(ready.Line.Name, PortionProfile.Of([ready.Line], 1)),
            _ => null,
        };

    private Refusal? StopOf(Batch batch, Lot lot, Eater eater) => eater.Stop(RecipeOf(batch).Version.Name, DishOf(batch, lot).Profile);

    /// <summary>Why somebody may not have what they eat of some batches then; null when nothing stops anybody.</summary>
    internal Refusal? StopOf(IReadOnlyList<BatchSwapRow> swaps)
    {
        var taken = swaps.ToLookup(swap => swap.BatchId);
        var then = this with { Versions = Versions.ToDictionary(one => one.Key, one => one.Value.Taking(taken[one.Key], Foods.Matcher)) };
        return (
            from serving in Plan.Servings
            from draw in serving.Draws
            where taken.Contains(draw.Batch)
            let eater = Diner(serving.Cell.Eater)
            where eater is not null
            select then.StopOf(draw, eater)
        ).FirstOrDefault(stop => stop is not null);
    }

    /// <summary>The lots of a batch that an eater may have, the one to take first in front, or what stops them all.</summary>
    /// <param name="lot">The one that is asked for; null for any.</param>
    public Result<Guid[]> LotsFor(Guid batchId, Eater eater, Guid? lot = null)
    {
        if (Plan.BatchWithId(batchId) is not { } batch)
        {
            return WeekEdits.BatchGone(batchId);
        }

        if (lot is { } asked && batch.Lots.FirstOrDefault(one => one.Id == asked) is var only)
        {
            return only is null ? LotEdits.LotGone(asked)
                : StopOf(batch, only, eater) is { } stop ? stop
                : new[] { asked };
        }

        var lots = LotsFor(batch, eater);
        return lots.Length == 0 ? StopOf(batch, batch.Lots[0], eater)! : lots;
    }

    private Guid[] LotsFor(Batch batch, Eater eater) =>
        Seating.LotsFor(eater, RecipeOf(batch).RecipeId, RecipeOf(batch).Version, batch.Lots);

    /// <summary>Who may have what.</summary>
    public Seating Seats =>
        new(
            (item, eater) => Diner(eater) is { } diner ? StopOf(item, diner) : HouseholdStore.EaterGone(eater),
            (batch, eater) => Diner(eater) is { } diner ? LotsFor(batch, diner) : []
        );

    /// <summary>As a summary names it.</summary>
    public string LetterOf(Guid batch) => Plan.BatchWithId(batch)?.Letter ?? "a batch";

    /// <inheritdoc cref="LetterOf"/>
    public string NameOf(Guid item) => Plan.Find(item) is { } found ? Plan.NameOf(found.Item) : "something";
}

/// <summary>One batch with everything drawn from it.</summary>
internal sealed record StoredBatch(
    WeekPlan Plan,
    Table Table,
    PlanRows Rows,
    IReadOnlyDictionary<Guid, StoredRecipe> Recipes,
    HouseholdFoods Foods
);

/// <summary>Reads batches with everything that is drawn from them, in one round trip.</summary>
public sealed class WeekReading(HouseholdStore households, PacketStore packets, RecipeVersions versions, KeptWeeks kept)
{
    /// <summary>
    /// Batches cooked for the week; older ones that are still eaten in it, and those of which boxes are left, or were when it began.
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
        where (container.gone_on is null or container.gone_on between @weekStart and @weekStart + 6) and session.eaten_from < @weekStart
        """;

    /// <summary>Batches whose boxes may still stand somewhere.</summary>
    private const string InStock = """
        select batch.id from batch join prep_session session on session.household_id = batch.household_id and session.id = batch.session_id
        where session.cooked_on between current_date - 367 and current_date + 1
        """;

    private const string Ticks = $"""
        select item_key from shop_tick where week_start between @weekStart - 3 and @weekStart + 3;
        select batch_id, task_id from task_tick where batch_id = any({PlanReading.Chosen});
        select batch_id, task_id, took_minutes, note, again from cook_remark where batch_id = any({PlanReading.Chosen});
        {TickStore.SelectRuns} where batch_id = any({PlanReading.Chosen});
        """;

    /// <summary>The week as it is, from memory when nothing was written since it was read.</summary>
    /// <param name="start">First day of the week; when it is another day, the week it lies in is answered.</param>
    public Reading<StoredWeek> Of(DateOnly start) =>
        Journal
            .Last.And(Journal.Newest())
            .Then(
                async (scope, read) =>
                {
                    var (sequence, undo) = read;
                    var household = scope.Tenant.Household;
                    var week =
                        kept.Find(household, start, sequence)
                        ?? kept.Keep(household, start, sequence, await scope.Read(Whole(start, Around(start))));
                    return week with { Undo = undo };
                }
            );

    /// <summary>The week as the transaction leaves it: what has just been written is in no memory.</summary>
    public Reading<StoredWeek> After(DateOnly start) => After(start, Around(start));

    /// <summary>The same where only what is planned was written: table and larder are as they were under the lock.</summary>
    public Reading<StoredWeek> After(DateOnly start, StoredWeek before) =>
        After(start, Reading.Known(((before.Table, before.Foods), before.Kitchen)));

    private Reading<StoredWeek> After(DateOnly start, Reading<((Table Table, HouseholdFoods Foods) Known, Kitchen Kitchen)> around) =>
        Journal
            .Last.And(Journal.Newest())
            .And(Whole(start, around))
            .Then(
                (scope, read) =>
                    Task.FromResult(
                        kept.Keep(scope.Tenant.Household, start, read.First.First, read.Second with { Undo = read.First.Second })
                    )
            );

    private Reading<((Table Table, HouseholdFoods Foods) Known, Kitchen Kitchen)> Around(DateOnly start) =>
        households.Table(start).And(packets.Foods).And(KitchenStore.Current);

    private Reading<StoredWeek> Whole(DateOnly start, Reading<((Table Table, HouseholdFoods Foods) Known, Kitchen Kitchen)> around) =>
        around
            .And(PlanReading.Rows(InWeek, start))
            .And(Reading.Of(Ticks, new { weekStart = start }, TakeTicks))
            .Then(
                async (scope, read) =>
                {
                    var ((((table, foods), kitchen), rows), (shop, tasks, remarks, runs)) = read;
                    if (table.Household.Rhythm.WeekOf(start) is var first && first != start)
                    {
                        return await scope.Read(Whole(first, Around(first)));
                    }

                    var (plan, recipes) = await Assemble(scope, start, rows, table, foods);
                    return new StoredWeek(plan, table, foods, recipes, null, shop, tasks, remarks, runs) { Rows = rows, Kitchen = kitchen };
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
            .And(PlanReading.Rows(InStock, null))
            .Then(
                async (scope, read) =>
                {
                    var ((table, foods), rows) = read;
                    var (plan, recipes) = await Assemble(scope, table.Today, rows, table, foods);
                    return (plan, recipes, table, foods, rows);
                }
            );

    /// <summary>One batch with everything drawn from it, as a plan without a week.</summary>
    internal Reading<StoredBatch> Batch(Guid id) =>
        households
            .Table()
            .And(packets.Foods)
            .And(PlanReading.Rows("select @onlyBatch::uuid as id", null, id))
            .Then(
                async (scope, read) =>
                {
                    var ((table, foods), rows) = read;
                    var (plan, recipes) = await Assemble(scope, table.Today, rows, table, foods);
                    return new StoredBatch(plan, table, rows, recipes, foods);
                }
            );

    private async Task<(WeekPlan Plan, IReadOnlyDictionary<Guid, StoredRecipe> Versions)> Assemble(
        Scope scope,
        DateOnly start,
        PlanRows rows,
        Table table,
        HouseholdFoods foods
    )
    {
        // What is in boxes was cooked of packets as they were printed then.
        var larder = new LarderState(table.Household.CountsTolerances, foods.Revision);
        var inBoxes = rows.Batches.Where(batch => batch.PortionedOn is not null).ToLookup(batch => batch.RecipeVersionId);
        var cooked = inBoxes.Count == 0 ? null : await versions.Of(scope, inBoxes.Select(batch => batch.Key), larder.Then);
        var read = await versions.Of(
            scope,
            rows.Batches.Where(batch => batch.PortionedOn is null).Select(batch => batch.RecipeVersionId),
            larder
        );
        var swaps = rows.Swaps.ToLookup(swap => swap.BatchId);
        var recipes = rows.Batches.ToDictionary(
            batch => batch.Id,
            batch => (batch.PortionedOn is null ? read : cooked!)[batch.RecipeVersionId].Taking(swaps[batch.Id], foods.Matcher)
        );
        return (rows.ToPlan(start, table.Household.Rhythm, recipes, line => LineOf(line, rows, table, foods)), recipes);
    }

    private RecipeLine LineOf(ServingItemRow row, PlanRows rows, Table table, HouseholdFoods foods)
    {
        var food =
            row.FoodVersionId is { } version ? versions.FoodOf(version)
            : row.PacketVersionId is { } packet
                ? versions.PacketOf(AsPrintedNow(rows.Packets.First(one => one.Id == packet)), table.Household.CountsTolerances).Food
            : null;
        return RecipeLine.Pinned(
            new TypedLine(row.Text!) { IsChosen = row.IsChosen },
            food,
            Enum.Parse<Core.Foods.MatchKind>(row.MatchKind!),
            foods.Matcher,
            table.Household.System
        );

        // What was eaten was of the packet as it was then.
        PacketRows.VersionRow AsPrintedNow(PacketRows.VersionRow taken) =>
            row.EatenShare is null && foods.Packets.TryGetValue(taken.PacketId, out var now)
                ? taken.ReadAnew(now.VersionId, now.Printed)
                : taken;
    }

    private static async Task<(
        HashSet<string> Shop,
        HashSet<(Guid, string)> Tasks,
        Dictionary<(Guid, string), CookRemark> Remarks,
        Dictionary<(Guid, string), StepRun> Runs
    )> TakeTicks(GridReader rows) =>
        (
            (await rows.ReadAsync<string>()).ToHashSet(),
            (await rows.ReadAsync<(Guid, string)>()).ToHashSet(),
            (await rows.ReadAsync<CookRemarkRow>()).ToDictionary(row => (row.BatchId, row.TaskId), RemarkStore.ToRemark),
            (await rows.ReadAsync<StepRunRow>()).ToDictionary(row => (row.BatchId, row.TaskId), TickStore.ToRun)
        );
}

using System.Globalization;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Shopping;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>What a copied week became.</summary>
/// <param name="Start">First day of the week that was copied to.</param>
public sealed record Copied(DateOnly Start, int Batches, int Placed, int Left);

/// <summary>
/// The week's batches and meals. An edit is an intent that is decided on the week as it is under the lock; what differs is written, and the
/// week as it is then is answered.
/// </summary>
public sealed partial class WeekStore(Database database, EditDoor door, WeekReading weeks, RecipeStore recipes, RecipeVersions versions)
{
    public Task<StoredWeek> Read(Tenant tenant, DateOnly start) => database.Read(tenant, weeks.Of(start));

    /// <summary>A week and every recipe that it could be cooked of.</summary>
    public Task<(StoredWeek Week, IReadOnlyList<StoredRecipe> Library)> ReadWithLibrary(Tenant tenant, DateOnly start) =>
        database.Read(tenant, weeks.Of(start).And(recipes.All));

    /// <summary>A week with all that a search may use: every recipe, and what stands in the larder.</summary>
    public Task<((StoredWeek Week, IReadOnlyList<StoredRecipe> Library) Known, Supplies Supplies)> ReadToSolve(
        Tenant tenant,
        DateOnly start
    ) => database.Read(tenant, weeks.Of(start).And(recipes.All).And(Supplies.Current));

    /// <summary>A week with every recipe, and what was sought of it.</summary>
    public Task<((StoredWeek Week, IReadOnlyList<StoredRecipe> Library) Known, SolveJob? Job)> ReadSolved(Tenant tenant, DateOnly start) =>
        database.Read(tenant, weeks.Of(start).And(recipes.All).And(SolveJobs.Of(start)));

    /// <summary>A week, the kitchen it is cooked in, and what was said of its dishes before.</summary>
    public Task<((StoredWeek Week, Kitchen Kitchen) Cooked, IReadOnlyList<EarlierNote> Notes)> ReadSessions(
        Tenant tenant,
        DateOnly start
    ) => database.Read(tenant, weeks.Of(start).And(KitchenStore.Current).And(RemarkStore.Notes));

    public Task<(StoredWeek Week, IReadOnlyList<Price> Prices)> ReadShelf(Tenant tenant, DateOnly start) =>
        database.Read(tenant, weeks.Of(start).And(PriceStore.All));

    /// <summary>Makes a batch of the recipe's version that counts, with the first letter that is free in the week.</summary>
    public Task<Result<Edited<TView>>> Make<TView>(
        EditStamp stamp,
        Guid recipeId,
        DateOnly weekStart,
        DateOnly cooked,
        decimal portions,
        IReadOnlyList<VariantPortions> variants,
        Func<StoredWeek, TView> draw
    ) =>
        door.Edit<((StoredWeek Week, StoredRecipe? Recipe) Known, IReadOnlyList<WeekProtocolRow> Pins), Guid, TView>(
            stamp,
            Journal.Batch,
            weeks.Of(weekStart).And(recipes.Latest(recipeId)).And(ProtocolStore.Pins(weekStart)),
            locked =>
            {
                var ((week, recipe), pins) = locked;
                if (recipe is null)
                {
                    return RecipeStore.Gone(recipeId);
                }

                var taken = week.Plan.Batches.Select(batch => batch.Letter).ToHashSet();
                var made = Batch.Make(TapeLetter.FirstFree(taken), cooked, portions, variants, recipe.Version, Guid.CreateVersion7);
                if ((made.Refusal ?? week.Plan.WrongSession("cookedOn", cooked)) is { } refusal)
                {
                    return refusal;
                }

                var batch = made.Value;
                var plan = week.Plan.WithSession(cooked, Guid.CreateVersion7()).Add(batch);
                var change = Cooked(week, plan, $"Made {batch.Letter}, {recipe.Version.Name}", [NewRow(batch, recipe)], pins);
                return new Decided<Guid>(change, batch.Id);
            },
            _ => weeks.After(weekStart).Select(draw)
        );

    /// <summary>Cooks in a later session what would be past its time, in the recipe's version that it has.</summary>
    public Task<Result<Edited<TView>>> CookLater<TView>(EditStamp stamp, DateOnly weekStart, Guid batchId, Func<StoredWeek, TView> draw) =>
        door.Edit<(StoredWeek Week, IReadOnlyList<WeekProtocolRow> Pins), bool, TView>(
            stamp,
            Journal.Batch,
            weeks.Of(weekStart).And(ProtocolStore.Pins(weekStart)),
            locked =>
            {
                var (week, pins) = locked;
                var decided = week.Plan.CookLater(batchId, week.Table.Today, Guid.CreateVersion7);
                if (decided.Refusal is { } refusal)
                {
                    return refusal;
                }

                var old = week.Plan.BatchWithId(batchId)!;
                var made = decided.Value.Batches.ExceptBy(week.Plan.Batches.Select(batch => batch.Id), batch => batch.Id);
                var change = Cooked(
                    week,
                    decided.Value,
                    $"Cooked {old.Letter} later",
                    [.. made.Select(batch => NewRow(batch, week.RecipeOf(old)))],
                    pins
                );
                return new Decided<bool>(change, true);
            },
            _ => weeks.After(weekStart).Select(draw)
        );

    /// <summary>Decides an edit on the week as it is now; a refusal changes nothing.</summary>
    /// <param name="decide">The plan as it is then with what was done, or why not.</param>
    public Task<Result<Edited<TView>>> Edit<TView>(
        EditStamp stamp,
        DateOnly weekStart,
        Func<StoredWeek, Result<(WeekPlan Plan, string Summary)>> decide,
        Func<StoredWeek, TView> draw
    )
    {
        StoredWeek? before = null;
        return door.Edit<
            ((StoredWeek Week, (IReadOnlyList<TaskTickRow>, IReadOnlyList<StepRunRow>) Steps) Known, IReadOnlyList<CookRemarkRow> Remarks),
            bool,
            TView
        >(
            stamp,
            Journal.Batch,
            weeks.Of(weekStart).And(TickStore.Steps).And(RemarkStore.All),
            locked =>
            {
                var ((week, (ticks, runs)), remarks) = locked;
                before = week;
                var decided = decide(week);
                if (decided.Refusal is { } refusal)
                {
                    return refusal;
                }

                var (plan, summary) = decided.Value;
                var left = week.Plan.Batches.Select(batch => batch.Id).Except(plan.Batches.Select(batch => batch.Id)).ToHashSet();
                return new Decided<bool>(
                    week.Rows.ChangeTo(week.Plan, plan, summary, line => versions.IdsOf(line, week.Foods))
                        .Put(Tables.TaskTick, ticks.Where(tick => left.Contains(tick.BatchId)), [])
                        .Put(Tables.StepRun, runs.Where(run => left.Contains(run.BatchId)), [])
                        .Put(Tables.CookRemark, remarks.Where(remark => left.Contains(remark.BatchId)), []),
                    true
                );
            },
            _ => (before is null ? weeks.Of(weekStart) : weeks.After(weekStart, before)).Select(draw)
        );
    }

    /// <summary>Cooks a week's batches again for a later one, in the recipes' versions that count, and fills its free meals if asked to.</summary>
    /// <param name="only">Batches that are cooked again; null for all of the week's.</param>
    public Task<Result<Edited<Copied>>> Copy(
        EditStamp stamp,
        DateOnly from,
        DateOnly to,
        bool withMeals,
        IReadOnlyList<Guid>? only = null
    ) =>
        door.Edit<
            (((StoredWeek From, StoredWeek To) Weeks, IReadOnlyList<StoredRecipe> Library) Known, IReadOnlyList<WeekProtocolRow> Pins),
            Copied
        >(
            stamp,
            Journal.Batch,
            Both(from, to).And(recipes.All).And(ProtocolStore.Pins(to)),
            locked =>
            {
                var (((source, target), library), pins) = locked;
                var days = target.Plan.Start.DayNumber - source.Plan.Start.DayNumber;
                if (days <= 0)
                {
                    return new Refusal(
                        "copy-not-later",
                        "to",
                        $"{to:yyyy-MM-dd}",
                        "a week is copied to a later one, up to 2100",
                        "Choose a week after it"
                    );
                }

                var again = source.Plan.CookedForIt.Where(batch => only?.Contains(batch.Id) != false).ToList();
                var isBought = withMeals && source.Plan.Servings.Any(meal => source.Plan.Holds(meal.Cell.Date) && meal.Items.Count > 0);
                if (again.Count == 0 && !isBought)
                {
                    return new Refusal(
                        "nothing-to-copy",
                        "week",
                        $"{from:yyyy-MM-dd}",
                        "nothing is cooked for this week, and nothing stands on its meals that is to be copied",
                        "Copy another one"
                    );
                }

                var (plan, rows) = (target.Plan, new List<BatchRow>());
                var made = new Dictionary<Guid, Guid>();
                var cookedNow = source.Versions.ToDictionary();
                foreach (var old in again)
                {
                    var known = source.RecipeOf(old);
                    var newest = library.FirstOrDefault(one => one.RecipeId == known.RecipeId) ?? known;
                    // A variant that the newest version has no more is cooked by the one that had it.
                    var recipe = old.Lots.All(lot => newest.Version.As(lot.Variant) is not null) ? newest : known;
                    var cooked = old.Cooked.AddDays(days);
                    if (plan.WrongSession("to", cooked) is { } refusal)
                    {
                        return refusal;
                    }

                    plan = plan.WithSession(
                        cooked,
                        Guid.CreateVersion7(),
                        source.Plan.Sessions.First(session => session.Date == old.Cooked)
                    );
                    var taken = plan.Batches.Select(batch => batch.Letter).ToHashSet();
                    var batch = (
                        old with
                        {
                            Id = Guid.CreateVersion7(),
                            Letter = taken.Contains(old.Letter) ? TapeLetter.FirstFree(taken) : old.Letter,
                            Cooked = cooked,
                            Lots = [.. old.Lots.Select(lot => lot with { Id = Guid.CreateVersion7() })],
                            Yields = [],
                            PortionedOn = null,
                        }
                    ).Of(recipe.Version);
                    plan = plan.Add(batch);
                    rows.Add(NewRow(batch, recipe));
                    made.Add(old.Id, batch.Id);
                    (cookedNow[old.Id], cookedNow[batch.Id]) = (recipe, recipe);
                }

                // Who may have what is judged by what is cooked now and by the rules of the week it is cooked for.
                var judged = source with
                {
                    Table = target.Table,
                    Versions = cookedNow,
                };
                var (filled, placed, left) = withMeals ? plan.FillFrom(source.Plan, made, judged.Seats, Guid.CreateVersion7) : (plan, 0, 0);
                var change = Cooked(
                    target,
                    filled,
                    $"Copied {rows.Count} batches to the week of {target.Plan.Start.ToString("d MMM", CultureInfo.InvariantCulture)}",
                    rows,
                    pins
                );
                return new Decided<Copied>(change, new(target.Plan.Start, rows.Count, placed, left));
            }
        );

    /// <summary>The session it is cooked in is written with the plan.</summary>
    private static BatchRow NewRow(Batch batch, StoredRecipe recipe) => new(batch.Id, Guid.Empty, recipe.VersionId, batch.Letter, null, 0);

    /// <summary>A plan with new batches.</summary>
    private Change Cooked(
        StoredWeek week,
        WeekPlan plan,
        string summary,
        IReadOnlyList<BatchRow> made,
        IReadOnlyList<WeekProtocolRow> pins
    ) =>
        week
            .Rows.ChangeTo(week.Plan, plan, summary, line => versions.IdsOf(line, week.Foods), made)
            // A week keeps the versions that are followed when a batch is made; taking the batch back leaves them.
            .Append(
                Tables.WeekProtocol,
                ProtocolStore
                    .PinsNow(week.Table, plan.Start)
                    .ExceptBy(ProtocolStore.PinsOf(pins, plan.Start).Select(pin => pin.ProtocolId), row => row.ProtocolId)
            );

    /// <summary>Two weeks, one after the other: asked together, they would share the names of their parameters.</summary>
    private Reading<(StoredWeek From, StoredWeek To)> Both(DateOnly from, DateOnly to) =>
        weeks.Of(from).Then(async (scope, source) => (source, await scope.Read(weeks.Of(to))));
}

using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using Merienda.Storage;
using Merienda.Web.Hosting;

namespace Merienda.Web.Weeks;

/// <summary>A stored week brought to the core's types, from which board, shop, session and shelf are all drawn.</summary>
public sealed class WeekView
{
    private readonly StoredWeek _stored;

    public WeekView(StoredWeek stored, KnowledgeBase knowledge)
    {
        (Start, _stored, Knowledge) = (stored.Start, stored, knowledge);
        Days = [.. Enumerable.Range(0, 7).Select(Start.AddDays)];
        Eaters = Table.Diners;
        Boxes =
        [
            .. stored.Batches.SelectMany(batch => batch.Batch.Containers.Select(box => new Box(batch.Batch, RecipeOf(batch).Version, box))),
        ];
        Ledger = LedgerOf(Eaters);
    }

    /// <summary>A container with the batch and the recipe it comes from.</summary>
    public sealed record Box(Batch Batch, RecipeVersion Recipe, Container Container)
    {
        public Helping Helping => new($"{Batch.Letter} {Recipe.Name}", Recipe.Profile, Container.Size) { Dish = Recipe.Name };

        public KeepingPlan Keeping => KeepingPlan.For(Recipe.Keeping, Batch.Cooked, Container.Place?.Date);
    }

    public DateOnly Start { get; }

    public IReadOnlyList<DateOnly> Days { get; }

    public KnowledgeBase Knowledge { get; }

    public Core.Planning.Table Table => _stored.Table;

    public IReadOnlyList<Eater> Eaters { get; }

    public IReadOnlyList<Box> Boxes { get; }

    public WeekLedger Ledger { get; }

    public bool CountsInOunces => Table.Household.CountsInOunces;

    public IReadOnlyList<StoredBatch> Batches => _stored.Batches;

    /// <summary>Batches that are cooked for this week: what is shopped and cooked, without older ones still eaten.</summary>
    public IEnumerable<StoredBatch> CookedForIt => _stored.Batches.Where(batch => batch.Batch.Cooked >= Start.AddDays(-1));

    public StoredRecipe RecipeOf(StoredBatch batch) => _stored.Recipes[batch.RecipeVersionId];

    /// <summary>The week as it would be judged by other rules.</summary>
    public WeekLedger LedgerOf(IReadOnlyList<Eater> eaters) =>
        new(
            Days,
            Occasion.Meals,
            eaters,
            Boxes.Where(box => box.Container.Place is not null).Select(box => (box.Container.Place!, box.Helping))
        );

    public static string Tape(Batch batch) => $"{batch.Letter}·{batch.Cooked.Day}";

    public WeekBoard ToBoard() =>
        new(
            Start,
            Days,
            Occasion.Meals,
            [
                .. new[] { Table.Household.PrepDay, Table.Household.SecondDay }
                    .OfType<DayOfWeek>()
                    .Select(day => Start.AddDays(Kitchen.Offset(day)))
                    .Order(),
            ],
            [
                .. Eaters.Select(
                    (eater, at) =>
                        new BoardEater(
                            eater.Id,
                            eater.Name,
                            Table.Eaters[at].Protocols,
                            [.. Occasion.Meals.Where(eater.PrepMeals.Contains)],
                            PhaseOf(Table.Eaters[at]),
                            [.. Ledger.Weeks[eater.Id].Select(Shown.Of)]
                        )
                ),
            ],
            [.. _stored.Batches.Select(ToBatch)],
            [
                .. Ledger.Days.Select(day => new BoardDay(
                    day.Eater.Id,
                    day.Date,
                    day.OpenMeals,
                    day.Verdict,
                    day.Tightest is { } tightest ? Shown.Of(tightest) : null,
                    [.. day.Findings.Select(Shown.Of)]
                )),
            ],
            [.. Troubles.Of(this)],
            [.. Outdated],
            _stored.Undo
        );

    private string? PhaseOf(EaterSettings eater) =>
        eater
            .Protocols.Select(id => (Plan: eater.PlanOf(id), Table.InForce(id)?.Protocol.Phases))
            .Where(item => item.Plan is not null && item.Phases is not null)
            .Select(item => PhaseCalendar.On(item.Plan!, item.Phases!, Table.Today).Says)
            .FirstOrDefault();

    /// <summary>Names of followed protocols that another version counts of than the one the week was planned with.</summary>
    private IEnumerable<string> Outdated =>
        Table
            .Eaters.SelectMany(eater => eater.Protocols)
            .Distinct()
            .Where(id => Table.InForce(id)?.Version != Table.Latest(id)?.Version)
            .Select(id => Table.Latest(id)!.Protocol.Name);

    /// <param name="eater">Whose box it is; null for one that nobody has yet: then everybody's points are shown.</param>
    public IReadOnlyList<ShownMeasure> Numbers(Helping helping, Guid? eater = null) =>
        Shown.Short(helping, [.. Eaters.Where(one => eater is null || one.Id == eater)], Knowledge.HouseScheme);

    public bool IsShopTicked(string key) => _stored.ShopTicks.Contains(key);

    public bool IsTaskTicked(Guid batch, string task) => _stored.TaskTicks.Contains((batch, task));

    private BoardBatch ToBatch(StoredBatch stored)
    {
        var (batch, recipe) = (stored.Batch, RecipeOf(stored));
        return new(
            batch.Id,
            batch.Letter,
            Tape(batch),
            recipe.RecipeId,
            recipe.Version.Name,
            recipe.Version.Meal,
            batch.Cooked,
            batch.Portions,
            batch.Placed,
            batch.Loose,
            recipe.Version.Keeping.EatBy(batch.Cooked),
            recipe.Version.Keeping.Freezes,
            Numbers(new Helping(recipe.Version.Name, recipe.Version.Profile, 1)),
            [.. Boxes.Where(box => box.Batch == batch).Select(ToContainer)]
        );
    }

    private BoardContainer ToContainer(Box box)
    {
        var keeping = box.Keeping;
        var place = box.Container.Place;
        return new(
            box.Container.Id,
            box.Container.Number,
            box.Container.Size,
            place is null ? null : new(place.Date, place.Meal, place.Eater),
            box.Container.GoneOn,
            keeping.KeptIn,
            keeping.EatBy,
            keeping.Thaw,
            Numbers(box.Helping, place?.Eater)
        );
    }
}

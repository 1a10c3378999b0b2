using System.Runtime.CompilerServices;
using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using Merienda.Storage;
using Merienda.Storage.Edits;
using Merienda.Web.Hosting;

namespace Merienda.Web.Weeks;

/// <summary>A thing of a meal as it is judged and kept.</summary>
/// <param name="Planned">As it was planned, whatever was eaten of it.</param>
/// <param name="Drawn">The batch and its keeping; null for a food as it is bought.</param>
/// <param name="Share">Which share of it was eaten; null while nobody said.</param>
public sealed record Plated(Serving Serving, ServingItem Item, Helping Planned, DrawnFrom? Drawn, decimal? Share)
{
    /// <summary>As it counts now: what was eaten, or what is planned while nobody said; null for what was left out.</summary>
    public Helping? Helping => Share == 0 ? null : Planned with { Size = Planned.Size * (Share ?? 1) };

    /// <summary>What was eaten of it; null for nothing, and while nobody said.</summary>
    public Helping? EatenHelping => Share is null ? null : Helping;
}

public sealed record DrawnFrom(Batch Batch, Lot Lot, RecipeVersion Recipe, decimal Portions, KeepingPlan Keeping, bool IsEaten);

/// <summary>A stored week brought to the core's types, from which board, shop, session and shelf are all drawn.</summary>
public sealed class WeekView
{
    private static readonly ConditionalWeakTable<WeekPlan, Judged> Judgements = [];

    private readonly StoredWeek _stored;

    private sealed record Judged(Core.Planning.Table Table, IReadOnlyList<Plated> Plated, WeekLedger Ledger);

    public WeekView(StoredWeek stored, KnowledgeBase knowledge)
    {
        (_stored, Knowledge) = (stored, knowledge);
        Days = [.. Enumerable.Range(0, WeekPlan.Days).Select(Start.AddDays)];
        Eaters = Table.Diners;
        // A plan that stays in memory is judged once for every page that shows it.
        if (Judgements.TryGetValue(Plan, out var judged) && judged.Table == Table)
        {
            (Plated, Ledger) = (judged.Plated, judged.Ledger);
        }
        else
        {
            Plated = [.. Plan.Servings.SelectMany(serving => serving.Items.Select(item => Plate(serving, item)))];
            Ledger = LedgerOf(Eaters);
            Judgements.AddOrUpdate(Plan, new(Table, Plated, Ledger));
        }
    }

    public DateOnly Start => Plan.Start;

    public WeekPlan Plan => _stored.Plan;

    public IReadOnlyList<DateOnly> Days { get; }

    public KnowledgeBase Knowledge { get; }

    public Core.Planning.Table Table => _stored.Table;

    public Kitchen Kitchen => _stored.Kitchen;

    public IReadOnlyList<Eater> Eaters { get; }

    /// <summary>Every thing of every meal, those of older batches in other weeks too.</summary>
    public IReadOnlyList<Plated> Plated { get; }

    public WeekLedger Ledger { get; }

    public Undoable? Undo => _stored.Undo;

    public bool CountsInOunces => Table.Household.CountsInOunces;

    /// <summary>Batches that are cooked for this week: what is shopped and cooked, without older ones still eaten.</summary>
    public IEnumerable<Batch> CookedForIt => Plan.CookedForIt;

    /// <summary>Something bought, as its line says.</summary>
    public Result<RecipeLine> ReadyOf(string text) => ReadyFood.Read(text, _stored.Foods.Matcher, _stored.System);

    public Food? FoodWithKey(string key) => _stored.Foods.Matcher.WithKey(key);

    public StoredRecipe RecipeOf(Batch batch) => _stored.RecipeOf(batch);

    public RecipeVersion DishOf(Batch batch, Lot lot) => _stored.DishOf(batch, lot);

    /// <summary>The week as it would be judged by other rules.</summary>
    public WeekLedger LedgerOf(IReadOnlyList<Eater> eaters) => LedgerOf(eaters, Plated);

    /// <summary>The same with other things on its meals.</summary>
    public WeekLedger LedgerOf(IReadOnlyList<Eater> eaters, IEnumerable<Plated> plated) =>
        new(
            Days,
            Plan.Meals,
            eaters,
            plated.Where(one => one.Helping is not null).Select(one => (one.Serving.Cell, one.Helping!)),
            Plan.Servings.Where(serving => serving.State is ServingState.Out or ServingState.Skipped).Select(serving => serving.Cell)
        );

    public static string Tape(Batch batch) => $"{batch.Letter}·{batch.Cooked.Day}";

    /// <param name="eater">Whose it is; null for one that nobody has yet: then everybody's points are shown.</param>
    public IReadOnlyList<ShownMeasure> Numbers(Helping helping, Guid? eater = null) =>
        Shown.Short(helping, [.. Eaters.Where(one => eater is null || one.Id == eater)], Knowledge.HouseScheme);

    public string NameOf(Batch batch, Lot lot) => lot.Named(RecipeOf(batch).Version.Name);

    public Helping HelpingOf(Batch batch, Lot lot, decimal portions, IReadOnlyList<string>? parts)
    {
        var (dish, name) = (DishOf(batch, lot), NameOf(batch, lot));
        var named = parts is null ? name : $"{name}, {string.Join(" and ", parts.Select(part => part.Length == 0 ? "main part" : part))}";
        return new($"{batch.Letter} {named}", dish.ProfileOf(parts), portions) { Dish = dish.Name };
    }

    public bool IsShopTicked(string key) => _stored.ShopTicks.Contains(key);

    /// <summary>What was said of a step, or of the whole dish where the task is empty.</summary>
    public CookRemark? RemarkOn(Guid batch, string task) => _stored.Remarks.GetValueOrDefault((batch, task));

    /// <summary>How a step of a session goes, and whether it is ticked.</summary>
    public (StepRun Run, bool IsTicked) RunOf(Guid batch, string task) =>
        (_stored.Runs.GetValueOrDefault((batch, task)) ?? StepRun.Nothing, IsTaskTicked(batch, task));

    public bool IsTaskTicked(Guid batch, string task) => _stored.TaskTicks.Contains((batch, task));

    private Plated Plate(Serving serving, ServingItem item)
    {
        var share = Plan.ShareEaten(serving, item);
        if (item is not Draw draw)
        {
            var line = ((ReadyFood)item).Line;
            return new(serving, item, new Helping(line.Name, PortionProfile.Of([line], 1), 1), null, share);
        }

        var batch = Plan.BatchWithId(draw.Batch)!;
        var (lot, recipe, portions) = (batch.LotOf(draw), RecipeOf(batch).Version, Plan.PortionsOf(batch, draw));
        var (box, day) = (Plan.ContainersOf(batch.Id).FirstOrDefault(one => one.Id == draw.Container), serving.Cell.Date);
        var isEaten = box?.IsSettled(draw.Id) == true;
        var keeping =
            isEaten ? new(KeptIn.Fridge, day, null)
            : box is not null ? KeepingPlan.For(recipe.KeepingOf(box.Parts), Plan.StateOf(box), day, Table.Today)
            : KeepingPlan.For(recipe.KeepingOf(draw.Parts), batch.Cooked, day, draw.IsFrozen);
        return new(
            serving,
            item,
            HelpingOf(batch, lot, WeekPlan.PlannedPortionsOf(batch, draw), draw.Parts),
            new(batch, lot, recipe, portions, keeping, isEaten),
            share
        );
    }
}

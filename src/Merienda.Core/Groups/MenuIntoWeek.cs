using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;

namespace Merienda.Core.Groups;

/// <summary>A dish of a menu at home.</summary>
/// <param name="Slot">Key of the household's meal; null where its days have no such meal.</param>
/// <param name="Version">Id of the recipe's version at home.</param>
/// <param name="Print">Of the recipe as the group published it: another one is another dish.</param>
/// <param name="Dish">As the menu has it.</param>
public sealed record DishForWeek(
    DateOnly Date,
    string? Slot,
    Guid Recipe,
    Guid Version,
    string Print,
    RecipeVersion Written,
    MenuDish Dish
);

/// <param name="Protocols">Ids of the shipped protocols that they follow.</param>
public sealed record EaterAtHome(Eater Eater, IReadOnlyList<string> Protocols)
{
    /// <summary>How they eat of the menu.</summary>
    public Helped Now { get; init; } = Helped.AsWritten;

    /// <summary>How they ate of the version that was put on the week before.</summary>
    public Helped Before { get; init; } = Helped.AsWritten;
}

/// <summary>A dish that an eater does not get, and why.</summary>
public sealed record LeftOut(Guid Eater, DateOnly Date, string Dish, string Because);

/// <summary>What a menu is in a household's week.</summary>
public sealed record IntoWeek(WeekChange Change, IReadOnlyList<LeftOut> Left);

/// <summary>A household's week as a menu finds it.</summary>
/// <param name="RecipeOf">The recipe's id and version's id of a batch.</param>
public sealed record WeekAtHome(
    WeekPlan Plan,
    DateOnly Today,
    IReadOnlyList<EaterAtHome> Eaters,
    Func<Batch, (Guid Recipe, Guid Version)> RecipeOf
);

/// <summary>
/// Puts a menu's dishes on the empty meals of a week, for each eater as it is made for what they follow and as much as they usually take,
/// cooked in the last session from which it keeps. What stands there stays, no allergy is passed over, and nobody gets what they leave out.
/// A corrected menu takes off what its earlier version put there and it has not any more.
/// </summary>
public sealed class MenuIntoWeek
{
    /// <summary>A dish as an eater gets it; two that are equal are the same thing on the same meal.</summary>
    private sealed record Given(Guid Recipe, string Print, string? Variant, decimal Size);

    private readonly WeekAtHome _home;
    private readonly IReadOnlyList<PrepSession> _sessions;
    private readonly List<NewBatch> _batches = [];
    private readonly List<MealChange> _meals = [];
    private readonly List<LeftOut> _left = [];

    private MenuIntoWeek(WeekAtHome home) => (_home, _sessions) = (home, home.Plan.SessionsToCome(home.Today));

    /// <param name="before">Those of the version that was put on this week before; none for the first time.</param>
    public static IntoWeek Of(WeekAtHome home, IReadOnlyList<DishForWeek> dishes, IReadOnlyList<DishForWeek> before)
    {
        var into = new MenuIntoWeek(home);
        foreach (var meal in dishes.Concat(before).Where(dish => home.Plan.Holds(dish.Date)).GroupBy(dish => (dish.Date, dish.Slot)))
        {
            foreach (var diner in home.Eaters)
            {
                IReadOnlyList<DishForWeek> Of(IReadOnlyList<DishForWeek> all, Helped helped) =>
                    helped.Eats ? [.. all.Where(dish => meal.Contains(dish))] : [];
                var (now, old) = (Of(dishes, diner.Now), Of(before, diner.Before));
                if (now.Count + old.Count > 0)
                {
                    into.Serve(diner, now, old);
                }
            }
        }

        return new(new(into._batches, into._meals), into._left);
    }

    /// <summary>One meal of one eater: what is not there any more is taken off, what is new is put on.</summary>
    private void Serve(EaterAtHome diner, IReadOnlyList<DishForWeek> dishes, IReadOnlyList<DishForWeek> before)
    {
        var (old, now) = (
            before.Select(dish => As(dish, diner, diner.Before.Tier)).ToList(),
            dishes.Select(dish => As(dish, diner, diner.Now.Tier)).ToList()
        );
        var (date, slot) = dishes.Concat(before).Select(dish => (dish.Date, dish.Slot)).First();
        Cell? cell = slot is null ? null : new(date, slot, diner.Eater.Id);
        var there = cell is null ? null : _home.Plan.At(cell);
        // Of a tier that has none of it the menu put nothing there.
        var ofMenu = (there?.Draws ?? []).Where(draw => old.Exists(one => one.Size > 0 && one.Recipe == RecipeOf(draw))).ToList();
        var off =
            there is { IsLocked: true } or { IsSaid: true } || date < _home.Today
                ? []
                : ofMenu.Where(draw => !old.Intersect(now).Any(one => one.Recipe == RecipeOf(draw)) && !IsSettled(draw)).ToList();
        var kept = ofMenu.Except(off).ToList();
        var isOthers = there is { IsLocked: true } or { IsSaid: true } || (there?.Items ?? []).Except(off).Except(kept).Any();
        var open = new Queue<ItemSeen>(off.Select(draw => _home.Plan.Seen(draw.Id, cell!)!));
        foreach (var (dish, given) in dishes.Zip(now))
        {
            if (kept.Exists(draw => RecipeOf(draw) == given.Recipe) && old.Contains(given))
            {
                continue;
            }

            var cooked = SessionFor(_sessions, dish.Written.KeepingOf(null), dish.Date);
            if (WhyNot(diner, dish, given, cooked, isOthers && open.Count == 0) is { } because)
            {
                // What is as it was is no news.
                if (!old.Contains(given))
                {
                    _left.Add(new(diner.Eater.Id, dish.Date, dish.Written.Name, because));
                }
            }
            else
            {
                Give(dish, cell!, given, cooked!.Value, open, kept.Count > 0);
            }
        }

        _meals.AddRange(open.Select(seen => new MealChange(cell!, seen, null)));
    }

    private static Given As(DishForWeek dish, EaterAtHome diner, string? tier) =>
        new(
            dish.Recipe,
            dish.Print,
            dish.Dish.VariantFor(diner.Protocols, dish.Written),
            Math.Round(dish.Dish.PortionsFor(tier) * diner.Eater.PortionHabit * 4, MidpointRounding.AwayFromZero) / 4
        );

    private Guid RecipeOf(Draw draw) => _home.RecipeOf(_home.Plan.BatchWithId(draw.Batch)!).Recipe;

    private bool IsSettled(Draw draw) => _home.Plan.BoxWithId(draw.Container)?.IsSettled(draw.Id) == true;

    /// <param name="open">What is taken off the meal and has nothing in its place yet.</param>
    /// <param name="isBeside">Whether something of the menu stays there.</param>
    private void Give(DishForWeek dish, Cell cell, Given given, DateOnly cooked, Queue<ItemSeen> open, bool isBeside)
    {
        var portion = PortionOf(dish, given, cooked);
        var same = _meals.FindIndex(meal => meal.Cell == cell && meal.On is { } on && on with { Size = given.Size } == portion);
        if (same >= 0)
        {
            // Twice on one meal it is a larger portion of it.
            _meals[same] = _meals[same] with
            {
                On = portion with { Size = _meals[same].On!.Size + given.Size },
            };
            return;
        }

        var off = open.TryDequeue(out var seen) ? seen : null;
        _meals.Add(
            new(cell, off, portion)
            {
                // A second dish of a meal comes beside the first.
                IsBeside = off is null && (isBeside || _meals.Exists(meal => meal.Cell == cell)),
            }
        );
    }

    /// <summary>Out of a batch of it that the week cooks then anyway, or else out of a new one.</summary>
    private PortionFrom PortionOf(DishForWeek dish, Given given, DateOnly cooked)
    {
        var name = given.Variant is null ? dish.Written.Name : $"{dish.Written.Name}, {given.Variant}";
        var planned = _home.Plan.Batches.FirstOrDefault(one =>
            one.Cooked == cooked && one.PortionedOn is null && _home.RecipeOf(one) == (dish.Recipe, dish.Version)
        );
        if (planned?.Lots.FirstOrDefault(one => one.Variant == given.Variant) is { } lot)
        {
            return new(null, given.Variant, planned.Id, lot.Id, given.Size, name);
        }

        var batch = _batches.Find(one => one.Recipe == dish.Recipe && one.Cooked == cooked);
        if (batch is null)
        {
            batch = new(_batches.Count + 1, dish.Recipe, dish.Version, dish.Written.Name, cooked);
            _batches.Add(batch);
        }

        return new(batch.Number, given.Variant, null, null, given.Size, name);
    }

    /// <summary>Why an eater does not get a dish, what stands on the calendar before what is in the dish; null when they get it.</summary>
    /// <param name="isOthers">Whether something that is not the menu's stands there, and nothing of it makes room.</param>
    private string? WhyNot(EaterAtHome diner, DishForWeek dish, Given given, DateOnly? cooked, bool isOthers)
    {
        var (eater, protocols) = diner;
        if (dish.Slot is not { } slot)
        {
            return "your days have no such meal";
        }

        if (dish.Date < _home.Today)
        {
            return "that day is over";
        }

        if (!eater.PrepMealsOn(dish.Date).Contains(slot))
        {
            return "this meal does not come from the prep";
        }

        if (isOthers)
        {
            return "something stands there, and stays";
        }

        if (given.Size == 0)
        {
            return "this tier has none of it";
        }

        var made = dish.Dish.For(protocols, dish.Written);
        return eater.Stop(made.Name, made.Profile)?.Reason
            ?? LeftOutBy(eater, made)?.TrimEnd('.')
            ?? (cooked is null ? "no session to come is near enough for it to keep" : null);
    }

    /// <summary>Why a dish is none for an eater in any amount: it holds what they leave out. Null where only amounts may be too much.</summary>
    private static string? LeftOutBy(Eater eater, RecipeVersion dish)
    {
        var portion = Intake.Of(new Helping(dish.Name, dish.Profile, 1));
        return eater
            .Rules.Rules.Where(rule => rule is IJudgesFoods)
            .Select(rule => rule.CheckPortion(portion, null, eater.Rules.Context))
            .FirstOrDefault(finding => finding.Verdict == Verdict.Breaks)
            ?.Because;
    }

    /// <summary>The last session from which it keeps, in the fridge or frozen; null when there is none.</summary>
    internal static DateOnly? SessionFor(IReadOnlyList<PrepSession> sessions, KeepingClass keeping, DateOnly eaten) =>
        sessions
            .Where(session => session.Date <= eaten && (eaten <= keeping.EatBy(session.Date) || keeping.Freezes))
            .OrderBy(session => session.EatenFrom <= eaten)
            .ThenBy(session => session.Date)
            .Select(session => (DateOnly?)session.Date)
            .LastOrDefault();
}

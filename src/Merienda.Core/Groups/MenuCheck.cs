using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Groups;

/// <summary>What a rule that counts by meal, day or week says of a menu, once for all the days it is true of.</summary>
/// <param name="Days">Days after the menu begins, in order; those of a whole week for what counts by the week.</param>
/// <param name="Members">For how many it is so.</param>
public sealed record MenuFinding(Verdict Verdict, string Because, IReadOnlyList<int> Days, int Members);

/// <summary>What a day comes to for a tier.</summary>
/// <param name="Strands">What those follow of whom it is so; empty for everybody else.</param>
/// <param name="Open">Meals of the day that the menu leaves open.</param>
public sealed record TierDay(MenuTier Tier, int Day, IReadOnlyList<string> Strands, Estimate Energy, Verdict Verdict, int Open);

/// <summary>A menu's days and weeks, as each table at home would add them up (<see cref="DishCheck"/> judges the dishes).</summary>
public sealed class MenuCheck(Menu menu, IReadOnlyDictionary<Guid, RecipeVersion> recipes, IReadOnlyList<MealSlot> meals)
{
    private const int WeekDays = 7;

    /// <summary>Rules by meal, day and week that are not kept, the gravest first; a limit whose number is each member's own is not judged.</summary>
    public IReadOnlyList<MenuFinding> Over(IReadOnlyList<Strand> strands) =>
        [
            .. Alike(strands)
                .SelectMany(strand => Found(strand).Select(found => (found.Verdict, found.Because, found.Days, strand.Members)))
                .GroupBy(found => (found.Verdict, found.Because, Days: string.Join(' ', found.Days)))
                .Select(same => new MenuFinding(same.Key.Verdict, same.Key.Because, same.First().Days, same.Sum(one => one.Members)))
                .OrderByDescending(found => found.Verdict)
                .ThenByDescending(found => found.Members)
                .ThenBy(found => found.Days[0])
                .ThenBy(found => found.Because, StringComparer.Ordinal),
        ];

    /// <summary>What each day comes to for each tier: as written, and for those of whom a dish has a variant.</summary>
    public IReadOnlyList<TierDay> Tiers(PointsScheme? scheme, FoodClasses classes) =>
        [
            .. from tier in menu.Tiers
            from day in Enumerable.Range(0, menu.Days)
            let dishes = menu.Dishes.Where(dish => dish.Day == day).ToList()
            where dishes.Count > 0
            from follow in dishes.SelectMany(dish => dish.Variants).Select(one => one.Protocol).Distinct().Prepend(null)
            select Sum(tier, day, follow is null ? [] : [follow], dishes, new(scheme, classes)),
        ];

    private TierDay Sum(MenuTier tier, int day, IReadOnlyList<string> follow, List<MenuDish> dishes, RuleContext context)
    {
        var open = meals.Count(meal => dishes.TrueForAll(dish => dish.Slot != meal.Key));
        var intake = new Intake([
            .. dishes.Where(dish => dish.PortionsFor(tier.Name) > 0).Select(dish => Helped(dish, follow, dish.PortionsFor(tier.Name))),
        ]);
        var limit = new LimitRule
        {
            Id = "tier",
            Measure = Measure.Energy,
            Per = Period.Day,
            AtLeast = tier.EnergyKcal,
            AtMost = tier.EnergyKcal,
        };
        var finding = limit.Check(intake, context with { OpenMeals = open });
        return new(tier, day, follow, intake.Value(Measure.Energy, context.Scheme), finding.Verdict, open);
    }

    private Helping Helped(MenuDish dish, IEnumerable<string> follow, decimal size)
    {
        var made = dish.For(follow, recipes[dish.RecipeVersion]);
        return new(made.Name, made.Profile, size);
    }

    /// <summary>Strands of which the days are the same: they differ in what judges each dish by itself, as an allergy does.</summary>
    private static IEnumerable<Strand> Alike(IReadOnlyList<Strand> strands)
    {
        var alike = new List<(List<Rule> Rules, Strand Strand)>();
        foreach (var strand in strands)
        {
            var rules = strand.Eater.Rules.Rules.Where(rule => rule is not PersonalRule).ToList();
            var at = alike.FindIndex(one =>
                one.Rules.SequenceEqual(rules)
                && one.Strand.Protocols.SequenceEqual(strand.Protocols)
                && one.Strand.Eater.Rules.Context == strand.Eater.Rules.Context
                && one.Strand.Eater.PortionHabit == strand.Eater.PortionHabit
                && one.Strand.Eater.Rhythm == strand.Eater.Rhythm
                && one.Strand.Eater.Meals.SequenceEqual(strand.Eater.Meals)
            );
            if (at < 0)
            {
                alike.Add((rules, strand));
            }
            else
            {
                alike[at] = (rules, alike[at].Strand with { Members = alike[at].Strand.Members + strand.Members });
            }
        }

        return alike.Select(one => one.Strand);
    }

    private IEnumerable<(Verdict Verdict, string Because, IReadOnlyList<int> Days)> Found(Strand strand)
    {
        var byPortion = strand.Eater.Rules.Rules.Where(rule => rule.Period == Period.Portion).Select(rule => rule.Id).ToHashSet();
        var daily = new List<(int Day, Finding Finding)>();
        for (var first = 0; first < menu.Days; first += WeekDays)
        {
            // Days that the menu does not reach are open, so that what it brings less of may still be reached.
            var days = Enumerable.Range(first, WeekDays).ToList();
            var ledger = new WeekLedger(
                [.. days.Select(menu.StartsOn.AddDays)],
                meals,
                [strand.Eater],
                menu.Dishes.Where(dish => days.Contains(dish.Day))
                    .Select(dish =>
                        (
                            new Cell(menu.StartsOn.AddDays(dish.Day), dish.Slot, strand.Eater.Id),
                            Helped(dish, strand.Protocols, strand.Eater.PortionHabit)
                        )
                    )
            );
            foreach (var (day, at) in ledger.Days.Zip(days).Where(day => day.First.Helpings.Count > 0))
            {
                // Of a meal of one dish the dish's own check says it.
                var single = day.Meals.Where(meal => meal.Helpings.Count == 1).Select(meal => meal.Meal.Name).ToHashSet();
                daily.AddRange(
                    day.Findings.Where(found =>
                            IsTrouble(found) && !byPortion.Contains(found.Rule) && !(found.About is { } about && single.Contains(about))
                        )
                        .Select(found => (at, found))
                );
            }

            foreach (var finding in ledger.Weeks[strand.Eater.Id].Where(IsTrouble))
            {
                yield return (finding.Verdict, finding.Because, [.. days.Where(day => day < menu.Days)]);
            }
        }

        foreach (var same in daily.GroupBy(found => (found.Finding.Verdict, found.Finding.Because)))
        {
            yield return (same.Key.Verdict, same.Key.Because, [.. same.Select(found => found.Day).Distinct().Order()]);
        }
    }

    private static bool IsTrouble(Finding finding) => finding is { Verdict: Verdict.Breaks or Verdict.TooClose, NeedsAllowance: false };
}

using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;

namespace Merienda.Core.Groups.Filling;

/// <summary>A dish that may come on a menu.</summary>
/// <param name="Recipe">Id of the recipe.</param>
/// <param name="Version">Id of the version.</param>
/// <param name="Variants">What is made for those who follow something: the variant that leaves out fewest of them.</param>
public sealed record MenuCandidate(Guid Recipe, Guid Version, RecipeVersion Written, IReadOnlyList<StrandVariant> Variants);

/// <summary>Puts a menu as a question: its open meals to fill, or what stands there to mend.</summary>
/// <param name="recipes">By version, those of the menu's dishes.</param>
public sealed class MenuTable(
    Menu menu,
    IReadOnlyDictionary<Guid, RecipeVersion> recipes,
    IReadOnlyList<(Guid Recipe, Guid Version, RecipeVersion Written)> library,
    IReadOnlyList<Strand> strands,
    Rhythm rhythm
)
{
    private const int Hundredths = 100,
        WeekDays = 7;

    /// <summary>What a tier's portions make up for [C].</summary>
    private const decimal TierSlack = 0.2m;

    private readonly Dictionary<(int Dish, string Slot), int> _misses = [];

    /// <summary>What may come on the menu; a dish that stands there as an older version of a recipe comes as it is.</summary>
    public IReadOnlyList<MenuCandidate> Candidates { get; } =
    [
        .. library.Select(one => new MenuCandidate(one.Recipe, one.Version, one.Written, BestVariants(one.Written, one.Version, strands))),
        .. menu
            .Dishes.Where(dish => library.All(one => one.Version != dish.RecipeVersion))
            .DistinctBy(dish => dish.RecipeVersion)
            .Select(dish => new MenuCandidate(Guid.Empty, dish.RecipeVersion, recipes[dish.RecipeVersion], dish.Variants)),
    ];

    /// <summary>The meals on which nothing stands.</summary>
    public MenuQuestion ToFill() =>
        Ask(
            [
                .. from day in Enumerable.Range(0, menu.Days)
                from slot in rhythm.Meals
                where menu.Dishes.All(dish => (dish.Day, dish.Slot) != (day, slot.Key))
                select new MenuPlace(day, slot.Key, ChoicesFor(slot, null), null),
            ],
            menu.Dishes
        );

    /// <summary>What stands there; a meal of several dishes was put together by somebody and stays.</summary>
    /// <param name="mostChanges">So many dishes are changed at most.</param>
    public MenuQuestion ToMend(int mostChanges)
    {
        var single = menu
            .Dishes.GroupBy(dish => (dish.Day, dish.Slot))
            .Where(meal => meal.Count() == 1)
            .Select(meal => meal.Single())
            .ToList();
        return Ask(
            [
                .. from dish in single
                let slot = rhythm.Meal(dish.Slot)
                where slot is not null
                let now = PlaceOf(dish)
                select new MenuPlace(dish.Day, dish.Slot, ChoicesFor(slot, dish), now),
            ],
            [.. menu.Dishes.Except(single)]
        ) with
        {
            MostChanges = mostChanges,
        };
    }

    /// <summary>The dish of a candidate on a place; one that stands there keeps what was said of it.</summary>
    public MenuDish DishOf(MenuPlace place, int candidate) =>
        candidate == place.Now
            ? menu.Dishes.Single(dish => (dish.Day, dish.Slot) == (place.Day, place.Slot))
            : new(Guid.CreateVersion7(), place.Day, place.Slot, Candidates[candidate].Version)
            {
                Variants = Candidates[candidate].Variants,
            };

    private MenuQuestion Ask(IReadOnlyList<MenuPlace> places, IReadOnlyList<MenuDish> stays) =>
        new(
            places,
            [.. Limits(stays), .. Tiers(stays)],
            [.. Candidates.Select(candidate => candidate.Written.Tasks.Sum(task => task.HandsOn))],
            [.. stays.Select(dish => new MenuStays(dish.Day, PlaceOf(dish)))]
        );

    private int PlaceOf(MenuDish dish) => Candidates.ToList().FindIndex(candidate => candidate.Version == dish.RecipeVersion);

    /// <summary>What is meant for the meal, and what stands there whatever it is meant for.</summary>
    private IReadOnlyList<MenuChoice> ChoicesFor(MealSlot slot, MenuDish? now) =>
        [
            .. Enumerable
                .Range(0, Candidates.Count)
                .Where(at =>
                    Candidates[at].Version == now?.RecipeVersion
                    || (
                        Candidates[at].Recipe != Guid.Empty
                        && new FillDish(Candidates[at].Recipe, null, Candidates[at].Written).IsFor(slot, rhythm)
                    )
                )
                .Select(at => new MenuChoice(
                    at,
                    Candidates[at].Version == now?.RecipeVersion ? Misses(now, Candidates[at].Written, strands) : MissesOf(at, slot.Key)
                )),
        ];

    private int MissesOf(int candidate, string slot)
    {
        if (!_misses.TryGetValue((candidate, slot), out var misses))
        {
            var (dish, written) = (Candidates[candidate], Candidates[candidate].Written);
            misses = Misses(new(Guid.Empty, 0, slot, dish.Version) { Variants = dish.Variants }, written, strands);
            _misses[(candidate, slot)] = misses;
        }

        return misses;
    }

    private static int Misses(MenuDish dish, RecipeVersion written, IReadOnlyList<Strand> strands) =>
        DishCheck.Of(dish, written, strands).Members.Where(one => one.Key is Verdict.Breaks or Verdict.CannotTell).Sum(one => one.Value);

    /// <summary>For each thing that is followed the variant that leaves out fewest of those who follow it, where it is better than as written.</summary>
    private static IReadOnlyList<StrandVariant> BestVariants(RecipeVersion written, Guid version, IReadOnlyList<Strand> strands) =>
        written.Variants.Count == 0
            ? []
            :
            [
                .. from followed in strands.SelectMany(strand => strand.Protocols).Distinct().Order(StringComparer.Ordinal)
                let who = strands.Where(strand => strand.Protocols.Contains(followed)).ToList()
                let plain = new MenuDish(Guid.Empty, 0, written.Meal ?? "", version)
                let best = written
                    .Variants.Select(variant => new StrandVariant(followed, variant.Name))
                    .MinBy(variant => Misses(plain with { Variants = [variant] }, written, who))
                where Misses(plain with { Variants = [best] }, written, who) < Misses(plain, written, who)
                select best,
            ];

    private IEnumerable<MenuLimit> Limits(IReadOnlyList<MenuDish> stays)
    {
        foreach (
            var same in strands
                .SelectMany(strand =>
                    strand.Eater.Rules.Rules.SelectMany(rule =>
                        rule.Linear(strand.Eater.Rules.Context).Select(form => (rule, form, strand))
                    )
                )
                .Where(one => one.form.Account is null && one.form.Period is Period.Day or Period.Week)
                .GroupBy(one => (one.rule, one.form.Title, one.strand.Eater.PortionHabit, Follows: string.Join(' ', one.strand.Protocols)))
        )
        {
            var (_, form, strand) = same.First();
            var members = same.Sum(one => one.strand.Members);
            long Of(RecipeVersion written, MenuDish dish)
            {
                var made = dish.For(strand.Protocols, written);
                return Scaled(form.Of(new Helping(made.Name, made.Profile, strand.Eater.PortionHabit)).Best);
            }

            var brought = Candidates
                .Select(candidate => Of(candidate.Written, new(Guid.Empty, 0, "", candidate.Version) { Variants = candidate.Variants }))
                .ToList();
            foreach (var days in Periods(form.Period))
            {
                yield return new(
                    members,
                    days,
                    brought,
                    stays.Where(dish => days.Contains(dish.Day)).Sum(dish => Of(recipes[dish.RecipeVersion], dish)),
                        // Days that the menu does not reach may still bring what is lacking.
                        form.Period == Period.Week
                        && days.Count < WeekDays
                            ? null
                        : form.AtLeast is { } least ? (long)Math.Floor(least * Hundredths)
                        : null,
                    form.AtMost is { } most ? (long)Math.Ceiling(most * Hundredths) : null
                );
            }
        }
    }

    /// <summary>A portion of each dish of a day comes to what the tiers have, from the smallest to the largest, for everybody.</summary>
    private IEnumerable<MenuLimit> Tiers(IReadOnlyList<MenuDish> stays)
    {
        if (menu.Tiers.Count == 0)
        {
            yield break;
        }

        static long Of(RecipeVersion written) =>
            Scaled(Intake.Of(new Helping(written.Name, written.Profile, 1)).Value(Measure.Energy, null).Best);

        var brought = Candidates.Select(candidate => Of(candidate.Written)).ToList();
        foreach (var days in Periods(Period.Day))
        {
            yield return new(
                strands.Sum(strand => strand.Members),
                days,
                brought,
                stays.Where(dish => days.Contains(dish.Day)).Sum(dish => Of(recipes[dish.RecipeVersion])),
                Scaled(menu.Tiers.Min(tier => tier.EnergyKcal) * (1 - TierSlack)),
                Scaled(menu.Tiers.Max(tier => tier.EnergyKcal) * (1 + TierSlack))
            );
        }
    }

    private IEnumerable<IReadOnlyList<int>> Periods(Period period) =>
        period == Period.Day
            ? Enumerable.Range(0, menu.Days).Select(day => (IReadOnlyList<int>)[day])
            : Enumerable.Range(0, menu.Days).Chunk(WeekDays);

    private static long Scaled(decimal value) => (long)Math.Round(value * Hundredths, MidpointRounding.AwayFromZero);
}

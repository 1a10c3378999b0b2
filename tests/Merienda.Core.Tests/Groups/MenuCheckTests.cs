using Merienda.Core.Foods;
using Merienda.Core.Groups;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Groups;

/// <summary>A menu's days and weeks against rules that count by meal, day and week, and against its tiers.</summary>
public class MenuCheckTests
{
    private static readonly DateOnly Sunday = new(2026, 11, 29);
    private static readonly Guid Cod = Guid.NewGuid(),
        Rice = Guid.NewGuid();

    private static readonly Dictionary<Guid, RecipeVersion> Recipes = new()
    {
        [Cod] = Recipe("Cod", 1, [Line("300 g cod fillet")]),
        [Rice] = Recipe("Rice", 1, [Line("100 g rice")]),
    };

    private static MenuDish On(int day, Guid recipe, string slot = "supper") => new(Guid.NewGuid(), day, slot, recipe);

    private static Menu Of(int days, params MenuDish[] dishes) => new(Guid.NewGuid(), "Week", Sunday, days, "", dishes);

    private static IReadOnlyList<MenuFinding> Over(Menu menu, params Strand[] strands) =>
        new MenuCheck(menu, Recipes, [.. Rhythm.Usual.Meals]).Over(strands);

    private static Strand Strand(int members, params Rule[] rules)
    {
        // Every meal of theirs comes from the prep, so that what the menu leaves open is open.
        var eater = EaterSettings.Named(Guid.NewGuid(), "Member", Rhythm.Usual);
        return new(new Eater(eater.Id, "Member", new EaterRules(rules, Context()), eater.Meals, Rhythm.Usual), [], members);
    }

    [Fact]
    public void A_ceiling_of_a_day_is_said_once_for_its_days_and_with_how_many_it_concerns()
    {
        var rule = AtMost(Measure.NetCarbohydrate, 100, Period.Day);
        var menu = Of(7, On(0, Rice), On(0, Rice, "lunch"), On(3, Rice), On(3, Rice, "lunch"), On(5, Rice));
        var found = Assert.Single(Over(menu, Strand(4, rule), Strand(3, rule), Strand(9)));
        Assert.Equal((Verdict.Breaks, 7), (found.Verdict, found.Members));
        Assert.Equal([0, 3], found.Days);
        Assert.Contains("100 g", found.Because, StringComparison.Ordinal);
        Assert.Empty(Over(menu, Strand(4, rule with { AtMost = null, AsksAtMost = true })));
    }

    [Fact]
    public void A_floor_that_open_meals_may_still_reach_is_no_trouble_and_repetition_is_one()
    {
        Assert.Empty(
            Over(Of(3, On(0, Rice)), Strand(5, AtLeast(Measure.Protein, 40, Period.Week), AtLeast(Measure.Protein, 40, Period.Day)))
        );
        var often = new RepetitionRule { Id = "often", AtMost = 2 };
        Assert.Empty(Over(Of(7, On(0, Cod), On(2, Cod)), Strand(5, often)));
        var found = Over(Of(7, On(0, Cod), On(2, Cod), On(4, Cod)), Strand(5, often));
        Assert.Contains(found, one => one.Because.Contains("Cod", StringComparison.Ordinal));
        // The eighth day begins a week of its own.
        Assert.Empty(Over(Of(10, On(0, Cod), On(2, Cod), On(9, Cod)), Strand(5, often)));
    }

    [Fact]
    public void A_dish_is_left_to_its_own_check()
    {
        var menu = Of(1, On(0, Rice));
        Assert.Empty(Over(menu, Strand(5, AtMost(Measure.NetCarbohydrate, 10, Period.Portion))));
        var byMeal = Strand(5, AtMost(Measure.NetCarbohydrate, 10, Period.Meal));
        Assert.Empty(Over(menu, byMeal));
        Assert.NotEmpty(Over(menu.With(On(0, Cod), ["supper"]).Value, byMeal));
    }

    [Fact]
    public void A_day_of_a_tier_is_summed_with_its_amounts_and_a_floor_waits_for_meals_that_are_open()
    {
        var tier = new MenuTier("small", 800);
        var portion = Recipes[Rice].Profile.Total(Measure.Energy).Best;
        TierDay Sum(decimal portions, bool isWhole = false)
        {
            var dish = On(0, Rice) with { Portions = [new("small", portions)] };
            MenuDish[] others = isWhole
                ? [.. Rhythm.Usual.Meals.Where(meal => meal.Key != "supper").Select(meal => On(0, Cod, meal.Key))]
                : [];
            // The others weigh nothing here.
            var menu = Of(1, [dish, .. others.Select(one => one with { Portions = [new("small", 0)] })]) with
            {
                Tiers = [tier],
            };
            return new MenuCheck(menu, Recipes, [.. Rhythm.Usual.Meals]).Tiers(null, Context().Classes).Single();
        }

        Assert.Equal(portion * 2, Sum(2).Energy.Best);
        Assert.Equal(3, Sum(1).Open);
        // 352 kcal of 800: the open meals bring the rest, or nothing does.
        Assert.NotEqual(Verdict.Breaks, Sum(1).Verdict);
        Assert.Equal((0, Verdict.Breaks), (Sum(1, isWhole: true).Open, Sum(1, isWhole: true).Verdict));
        Assert.Equal(Verdict.Breaks, Sum(4).Verdict);
    }
}

using CsCheck;
using Merienda.Core.Filling;
using Merienda.Core.Groups;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Groups;

/// <summary>A menu's dishes on the empty meals of a week at home.</summary>
public class MenuIntoWeekTests
{
    /// <summary>A Sunday; its sessions are the Saturday before it and the Wednesday in it.</summary>
    private static readonly DateOnly Start = new(2026, 11, 29);

    private static readonly RecipeVersion Cod = Recipe("Cod", 2, [Line("300 g cod fillet")]);

    private static WeekPlan Week => new(Start, [], [], []);

    private static EaterAtHome Eater(decimal habit = 1, params string[] allergies)
    {
        var settings = EaterSettings.Named(Guid.NewGuid(), "Farah", Rhythm.Usual);
        Rule[] rules = allergies.Length == 0 ? [] : [new AllergyRule { Id = "allergy", Classes = allergies }];
        return new(new Eater(settings.Id, "Farah", new EaterRules(rules, Context()), settings.Meals, Rhythm.Usual, habit), []);
    }

    private static DishForWeek On(
        int day,
        RecipeVersion? recipe = null,
        string? slot = "supper",
        MenuDish? dish = null,
        string print = "first"
    ) =>
        new(
            Start.AddDays(day),
            slot,
            IdOf((recipe ?? Cod).Name),
            IdOf($"{(recipe ?? Cod).Name}, {print}"),
            print,
            recipe ?? Cod,
            dish ?? new(Guid.NewGuid(), day, slot ?? "", Guid.NewGuid())
        );

    private static Guid IdOf(string name) =>
        new(System.Security.Cryptography.SHA256.HashData(System.Text.Encoding.UTF8.GetBytes(name))[..16]);

    private static WeekAtHome Home(DateOnly today, params EaterAtHome[] eaters) => new(Week, today, eaters, _ => default);

    private static IntoWeek Into(EaterAtHome eater, params DishForWeek[] dishes) =>
        MenuIntoWeek.Of(Home(Start.AddDays(-2), eater), dishes, []);

    private static string Why(IntoWeek into) => Assert.Single(into.Left).Because;

    [Fact]
    public void A_dish_is_cooked_once_for_its_days_in_the_last_session_before_each()
    {
        var into = Into(Eater(), On(0), On(2), On(5));
        Assert.Equal(
            [("Cod", Start.AddDays(-1)), ("Cod", Start.AddDays(3))],
            into.Change.Batches.Select(batch => (batch.Name, batch.Cooked))
        );
        Assert.Equal([1, 1, 2], into.Change.Meals.Select(meal => meal.On!.NewBatch!.Value));
        Assert.Empty(into.Left);
        var taken = Week.Take(
            into.Change,
            _ => Cod,
            (_, _) => Cod,
            _ => throw new InvalidOperationException(),
            (_, _) => null,
            Guid.NewGuid
        );
        Assert.Equal(3, taken.Value.Plan.Servings.Count);
        Assert.Equal([2m, 1m], taken.Value.Plan.Batches.OrderBy(batch => batch.Cooked).Select(batch => batch.Portions));
    }

    [Fact]
    public void What_does_not_come_says_why()
    {
        Assert.Equal("your days have no such meal", Why(Into(Eater(), On(0, slot: null))));
        Assert.StartsWith("Farah is allergic", Why(Into(Eater(1, "fish"), On(0))), StringComparison.Ordinal);
        Assert.StartsWith(
            "Farah is allergic",
            Why(Into(Eater(1, "peanut"), On(0, Recipe("Doubt", 1, [Line("100 g moonfruit")])))),
            StringComparison.Ordinal
        );
        Assert.Equal("that day is over", Why(MenuIntoWeek.Of(Home(Start.AddDays(1), Eater()), [On(0)], [])));
        var none = On(0, dish: new(Guid.NewGuid(), 0, "supper", Guid.NewGuid()) { Portions = [new("small", 0)] });
        Assert.Equal("this tier has none of it", Why(MenuIntoWeek.Of(Home(Start.AddDays(-2), Eater()).By("small"), [none], [])));
        Assert.Empty(MenuIntoWeek.Of(Home(Start.AddDays(-2), Eater()).By("large"), [none], []).Left);
        // A salad of the Wednesday reaches Saturday neither fresh nor frozen where there is no session but the first one.
        var salad = new RecipeVersion
        {
            Name = "Salad",
            Portions = 1,
            Lines = [Line("100 g cucumber")],
            Keeping = KeepingClass.WithKey("dressed-salad")!,
        };
        Assert.Equal(
            "no session to come is near enough for it to keep",
            Why(Into(Eater(), On(6, salad) with { Written = Keeping(salad, 2) }))
        );
    }

    [Fact]
    public void What_somebody_leaves_out_is_left_out_and_what_may_be_too_much_is_not()
    {
        EaterAtHome Under(params Rule[] rules) =>
            Eater() is var one ? one with { Eater = one.Eater with { Rules = new EaterRules(rules, Context()) } } : one;
        var noFish = new ExclusionRule
        {
            Id = "no-fish",
            Name = "No fish",
            Excludes = ["fish"],
        };
        Assert.Contains("Cod fillet", Why(Into(Under(noFish), On(0))), StringComparison.Ordinal);
        Assert.Empty(Into(Under(noFish), On(0, Recipe("Rice", 1, [Line("100 g rice")]))).Left);
        Assert.Empty(Into(Under(AtMost(Merienda.Core.Foods.Measure.Protein, 1)), On(0)).Left);
    }

    private static RecipeVersion Keeping(RecipeVersion recipe, int days) =>
        new()
        {
            Name = recipe.Name,
            Portions = recipe.Portions,
            Lines = recipe.Lines,
            Keeping = recipe.Keeping with { FridgeDays = days, FreezerMonths = null },
        };

    [Fact]
    public void What_stands_there_stays_and_a_second_dish_of_a_meal_comes_beside_the_first()
    {
        var eater = Eater();
        var first = Into(eater, On(0)).Change;
        var planned = Week.Take(
            first,
            _ => Cod,
            (_, _) => Cod,
            _ => throw new InvalidOperationException(),
            (_, _) => null,
            Guid.NewGuid
        ).Value.Plan;
        Assert.Equal("something stands there, and stays", Why(MenuIntoWeek.Of(Home(Start, eater) with { Plan = planned }, [On(0)], [])));
        var two = Into(eater, On(0), On(0, Recipe("Rice", 1, [Line("100 g rice")])));
        Assert.Equal([false, true], two.Change.Meals.Select(meal => meal.IsBeside));
        // The same dish twice on one meal is a larger portion.
        Assert.Equal(2m, Assert.Single(Into(eater, On(0), On(0)).Change.Meals).On!.Size);
    }

    [Theory]
    [InlineData(1, 1, 1)]
    [InlineData(1.5, 1, 1.5)]
    [InlineData(0.5, 0.75, 0.5)]
    [InlineData(1, 0.25, 0.25)]
    public void A_portion_is_the_tiers_times_the_eaters_own_in_quarters(double tier, double habit, double size)
    {
        var dish = On(0, dish: new(Guid.NewGuid(), 0, "supper", Guid.NewGuid()) { Portions = [new("some", (decimal)tier)] });
        var into = MenuIntoWeek.Of(Home(Start.AddDays(-2), Eater((decimal)habit)).By("some"), [dish], []);
        Assert.Equal((decimal)size, Assert.Single(into.Change.Meals).On!.Size);
    }

    [Fact]
    public void Each_at_the_table_eats_by_their_own_tier_and_who_does_not_eat_of_it_gets_nothing()
    {
        var (small, large, none) = (Eater(), Eater(), Eater());
        var dish = On(0, dish: new(Guid.NewGuid(), 0, "supper", Guid.NewGuid()) { Portions = [new("small", 0.75m), new("large", 1.5m)] });
        var home = Home(
            Start.AddDays(-2),
            small with
            {
                Now = new(true, "small"),
            },
            large with
            {
                Now = new(true, "large"),
            },
            none with
            {
                Now = new(false, null),
            }
        );
        var into = MenuIntoWeek.Of(home, [dish], []);
        Assert.Equal([(small.Eater.Id, 0.75m), (large.Eater.Id, 1.5m)], into.Change.Meals.Select(meal => (meal.Cell.Eater, meal.On!.Size)));
        Assert.Empty(into.Left);
    }

    [Fact]
    public void Whatever_a_menu_has_nobody_gets_what_stops_them() =>
        Gen.Select(Gen.Int[0, 6], Gen.Int[0, 3], Gen.Int[0, 3])
            .Array[1, 8]
            .Sample(
                drawn =>
                {
                    RecipeVersion[] recipes =
                    [
                        Cod,
                        Recipe("Rice", 1, [Line("100 g rice")]),
                        Recipe("Curd", 1, [Line("100 g plain yoghurt")]),
                        Recipe("Doubt", 1, [Line("100 g moonfruit")]),
                    ];
                    string[] slots = ["breakfast", "lunch", "bite", "supper"];
                    EaterAtHome[] eaters = [Eater(), Eater(1, "fish"), Eater(1, "milk")];
                    var into = MenuIntoWeek.Of(
                        Home(Start.AddDays(-2), eaters),
                        [.. drawn.Select(one => On(one.Item1, recipes[one.Item2], slots[one.Item3]))],
                        []
                    );
                    foreach (var meal in into.Change.Meals)
                    {
                        var eater = eaters.Single(one => one.Eater.Id == meal.Cell.Eater).Eater;
                        var recipe = recipes.Single(one => one.Name == meal.On!.Name);
                        Assert.Null(eater.Stop(recipe.Name, recipe.Profile));
                    }

                    // Every dish of every eater is either placed or left with a reason.
                    Assert.Equal(drawn.Length * eaters.Length, into.Change.Meals.Sum(meal => meal.On!.Size) + into.Left.Count);
                },
                iter: 200
            );
}

using CsCheck;
using Merienda.Core.Filling;
using Merienda.Core.Groups;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Groups;

/// <summary>A later version of a menu on a week that has an earlier one.</summary>
public class CorrectedMenuTests
{
    /// <summary>A Sunday; its sessions are the Saturday before it and the Wednesday in it.</summary>
    private static readonly DateOnly Start = new(2026, 11, 29);

    private static readonly DateOnly Today = Start.AddDays(-2);

    private static readonly RecipeVersion[] Recipes =
    [
        Recipe("Cod", 2, [Line("300 g cod fillet")]),
        Recipe("Rice", 1, [Line("100 g rice")]),
        Recipe("Curd", 1, [Line("100 g plain yoghurt")]),
    ];

    private const int Cod = 0,
        Rice = 1,
        Curd = 2;

    private static EaterAtHome Eater(params string[] allergies)
    {
        var settings = EaterSettings.Named(Guid.NewGuid(), "Farah", Rhythm.Usual);
        Rule[] rules = allergies.Length == 0 ? [] : [new AllergyRule { Id = "allergy", Classes = allergies }];
        return new(new Eater(settings.Id, "Farah", new EaterRules(rules, Context()), settings.Meals, Rhythm.Usual, 1), []);
    }

    /// <param name="wording">Of the recipe: a dish that is written otherwise is another one.</param>
    private static DishForWeek On(int day, int recipe, string slot = "supper", byte wording = 1, decimal portions = 1) =>
        new(
            Start.AddDays(day),
            slot,
            new Guid(recipe + 1, 0, 0, new byte[8]),
            new Guid(recipe + 1, wording, 0, new byte[8]),
            $"{recipe} {wording}",
            Recipes[recipe],
            new(Guid.NewGuid(), day, slot, Guid.NewGuid()) { Portions = [new("some", portions)] }
        );

    private static WeekAtHome Empty(params EaterAtHome[] eaters) => new(new(Start, [], [], []), Today, eaters, _ => default);

    /// <summary>A week once a change is taken; batches go on being of the versions that they were made of.</summary>
    private static WeekAtHome Taken(WeekAtHome home, IntoWeek into)
    {
        var versions = into.Change.Batches.ToDictionary(batch => batch.Number, batch => (batch.Recipe, batch.Version));
        var done = home
            .Plan.Take(
                into.Change,
                batch => Recipes.Single(recipe => recipe.Name == batch.Name),
                (batch, _) => Recipes[home.RecipeOf(batch).Recipe.ToByteArray()[0] - 1],
                _ => throw new InvalidOperationException(),
                (_, _) => null,
                Guid.NewGuid
            )
            .Value;
        var made = done.Made.ToDictionary(one => one.Value.Id, one => versions[one.Key]);
        return home with
        {
            Plan = done.Plan.CookingLess(home.Plan, into.Change, home.Today),
            RecipeOf = batch => made.TryGetValue(batch.Id, out var of) ? of : home.RecipeOf(batch),
        };
    }

    private static string[] Meals(WeekAtHome home) =>
        [
            .. home
                .Plan.Servings.SelectMany(serving =>
                    serving.Draws.Select(draw =>
                        $"{serving.Cell.Date.DayNumber - Start.DayNumber} {serving.Cell.Meal} {home.RecipeOf(home.Plan.BatchWithId(draw.Batch)!).Version.ToString()[..13]} {draw.Size.Amount:0.##}"
                    )
                )
                .Order(StringComparer.Ordinal),
        ];

    private static string[] Batches(WeekAtHome home) =>
        [
            .. home
                .Plan.Batches.Select(batch => $"{Recipes[home.RecipeOf(batch).Recipe.ToByteArray()[0] - 1].Name} {batch.Portions:0.##}")
                .Order(StringComparer.Ordinal),
        ];

    [Fact]
    public void What_it_has_not_any_more_comes_off_with_its_batch_and_what_is_the_same_stays()
    {
        DishForWeek[] first = [On(0, Cod), On(1, Rice), On(2, Rice)],
            then = [On(0, Curd), On(1, Rice)];
        var home = Empty(Eater());
        home = Taken(home, MenuIntoWeek.Of(home, first, []));
        Assert.Equal(["Cod 1", "Rice 2"], Batches(home));

        var into = MenuIntoWeek.Of(home, then, first);
        Assert.Empty(into.Left);
        var after = Taken(home, into);
        Assert.Equal(["Curd 1", "Rice 1"], Batches(after));
        Assert.Equal(["0 supper 00000003-0001 1", "1 supper 00000002-0001 1"], Meals(after));
        // Once it is so, there is nothing more to change.
        var again = MenuIntoWeek.Of(after, then, then);
        Assert.True(again.Change.IsEmpty);
        Assert.Empty(again.Left);
    }

    [Fact]
    public void A_dish_that_is_written_otherwise_or_has_another_amount_is_another_one()
    {
        var home = Empty(Eater());
        DishForWeek[] first = [On(0, Rice), On(1, Cod), On(2, Curd)];
        home = Taken(home, MenuIntoWeek.Of(home, first, []));
        var into = MenuIntoWeek.Of(home, [On(0, Rice, wording: 2), On(1, Cod), On(2, Curd)], first);
        Assert.Equal(["0 supper 00000002-0002 1", "1 supper 00000001-0001 1", "2 supper 00000003-0001 1"], Meals(Taken(home, into)));

        var larger = MenuIntoWeek.Of(home.By("some"), [On(0, Rice, portions: 2), On(1, Cod), On(2, Curd)], first);
        var after = Taken(home, larger);
        Assert.Equal(["0 supper 00000002-0001 2", "1 supper 00000001-0001 1", "2 supper 00000003-0001 1"], Meals(after));
        // Cooked anyway, it is more of the same batch.
        Assert.Equal(["Cod 1", "Curd 1", "Rice 2"], Batches(after));
    }

    [Fact]
    public void Who_eats_by_another_tier_gets_as_much_and_who_does_not_eat_of_it_any_more_gets_nothing()
    {
        var home = Empty(Eater());
        var dish = On(0, Rice, portions: 2);
        home = Taken(home, MenuIntoWeek.Of(home, [dish], []));
        WeekAtHome Now(Helped now) => home with { Eaters = [.. home.Eaters.Select(eater => eater with { Now = now })] };

        var larger = Assert.Single(MenuIntoWeek.Of(Now(new(true, "some")), [dish], [dish]).Change.Meals);
        Assert.Equal((true, 2m), (larger.Off is not null, larger.On!.Size));
        var gone = Assert.Single(MenuIntoWeek.Of(Now(new(false, null)), [dish], [dish]).Change.Meals);
        Assert.Equal((true, null), (gone.Off is not null, gone.On));
        Assert.True(MenuIntoWeek.Of(Now(Helped.AsWritten), [dish], [dish]).Change.IsEmpty);
    }

    [Fact]
    public void What_the_cook_put_there_stays_and_so_does_what_is_locked_said_or_over()
    {
        var eater = Eater();
        var home = Empty(eater);
        DishForWeek[] first = [On(0, Cod), On(1, Cod), On(2, Cod)],
            then = [On(0, Rice), On(1, Rice), On(2, Rice)];
        home = Taken(home, MenuIntoWeek.Of(home, first, []));
        var cod = home.Plan.Batches.Single();
        // Monday's is another thing by now, and Tuesday's is locked.
        var monday = home.Plan.At(new(Start.AddDays(1), "supper", eater.Eater.Id))!;
        var banana = ReadyFood.Read("1 banana", Data.Foods, Merienda.Core.Quantities.MeasureSystem.Metric).Value;
        home = home with
        {
            Plan = home.Plan with
            {
                Servings =
                [
                    .. home.Plan.Servings.Select(serving =>
                        serving == monday ? serving with { Items = [new ReadyFood(Guid.NewGuid(), banana)] }
                        : serving.Cell.Date == Start.AddDays(2) ? serving with { IsLocked = true }
                        : serving
                    ),
                ],
            },
        };
        var into = MenuIntoWeek.Of(home, then, first);
        Assert.Equal([Start.AddDays(1), Start.AddDays(2)], into.Left.Select(left => left.Date).Order());
        Assert.All(into.Left, left => Assert.Equal("something stands there, and stays", left.Because));
        Assert.Equal(Start, Assert.Single(into.Change.Meals).Cell.Date);
        Assert.Empty(MenuIntoWeek.Of(home with { Today = Start.AddDays(3) }, then, first).Change.Meals);
        // What the cook took off by hand stays loose; only what the correction takes off is not cooked.
        Assert.Equal((3, 2), (cod.Portions, Taken(home, into).Plan.Batches.Single(batch => batch.Id == cod.Id).Portions));
    }

    [Fact]
    public void A_replaced_dish_makes_room_though_something_of_the_cooks_own_stands_beside_it()
    {
        var home = Empty(Eater());
        home = Taken(home, MenuIntoWeek.Of(home, [On(0, Cod)], []));
        var banana = ReadyFood.Read("1 banana", Data.Foods, Merienda.Core.Quantities.MeasureSystem.Metric).Value;
        home = home with
        {
            Plan = home.Plan with
            {
                Servings =
                [
                    .. home.Plan.Servings.Select(serving =>
                        serving with
                        {
                            Items = [.. serving.Items, new ReadyFood(Guid.NewGuid(), banana)],
                        }
                    ),
                ],
            },
        };
        var after = Taken(home, MenuIntoWeek.Of(home, [On(0, Rice)], [On(0, Cod)]));
        Assert.Equal(["0 supper 00000002-0001 1"], Meals(after));
        Assert.Equal(2, Assert.Single(after.Plan.Servings).Items.Count);
    }

    [Fact]
    public void What_the_cook_put_there_of_a_dish_that_the_tier_has_none_of_stays()
    {
        var home = Empty(Eater());
        home = Taken(home, MenuIntoWeek.Of(home, [On(0, Cod)], []));
        Assert.True(MenuIntoWeek.Of(home.By("some"), [], [On(0, Cod, portions: 0)]).Change.IsEmpty);
        Assert.False(MenuIntoWeek.Of(home.By("some"), [], [On(0, Cod, portions: 0.25m)]).Change.IsEmpty);
    }

    [Fact]
    public void An_allergy_leaves_the_meal_open_that_the_correction_makes()
    {
        var home = Empty(Eater("milk"));
        home = Taken(home, MenuIntoWeek.Of(home, [On(0, Cod)], []));
        var into = MenuIntoWeek.Of(home, [On(0, Curd)], [On(0, Cod)]);
        Assert.StartsWith("Farah is allergic", Assert.Single(into.Left).Because, StringComparison.Ordinal);
        var after = Taken(home, into);
        Assert.Empty(Meals(after));
        Assert.Empty(after.Plan.Batches);
    }

    [Fact]
    public void Whatever_is_corrected_the_week_is_then_as_if_only_the_last_version_had_been_put_there() =>
        Gen.Select(Drawn, Drawn)
            .Sample(
                (first, then) =>
                {
                    var home = Empty(Eater(), Eater("fish"));
                    var corrected = Taken(home, MenuIntoWeek.Of(home, first, []));
                    corrected = Taken(corrected, MenuIntoWeek.Of(corrected, then, first));
                    var plain = Taken(home, MenuIntoWeek.Of(home, then, []));
                    Assert.Equal(Meals(plain), Meals(corrected));
                    Assert.Equal(plain.Plan.Batches.Sum(batch => batch.Portions), corrected.Plan.Batches.Sum(batch => batch.Portions));
                },
                iter: 300
            );

    /// <summary>At most one dish a meal: two of one recipe on a meal are one larger portion.</summary>
    private static readonly Gen<DishForWeek[]> Drawn = Gen.Select(Gen.Int[0, 6], Gen.Int[0, 2], Gen.Bool)
        .Array[0, 8]
        .Select(drawn =>
            drawn
                .DistinctBy(one => (one.Item1, one.Item3))
                .Select(one => On(one.Item1, one.Item2, one.Item3 ? "supper" : "lunch"))
                .ToArray()
        );
}

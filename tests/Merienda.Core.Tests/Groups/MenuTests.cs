using Merienda.Core.Groups;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Tests.Groups;

public class MenuTests
{
    private static readonly DateOnly Sunday = new(2026, 11, 29);
    private static readonly string[] Meals = ["lunch", "supper"];

    private static Menu Week => Menu.Begun(Guid.NewGuid(), " Harbour week ", Sunday, 7, "", []).Value;

    private static MenuDish On(int day, string slot = "supper") => new(Guid.NewGuid(), day, slot, Guid.NewGuid());

    private static string? Code<T>(Result<T> result) => result.Refusal?.Code;

    [Fact]
    public void A_menu_has_a_name_and_one_to_28_days()
    {
        Assert.Equal("Harbour week", Week.Name);
        Assert.Null(Code(Menu.Begun(Guid.NewGuid(), new string('x', 80), Sunday, 28, "", [])));
        Assert.Null(Code(Menu.Begun(Guid.NewGuid(), "x", Sunday, 1, "", [])));
        Assert.Equal("name-length", Code(Menu.Begun(Guid.NewGuid(), " ", Sunday, 7, "", [])));
        Assert.Equal("name-length", Code(Menu.Begun(Guid.NewGuid(), new string('x', 81), Sunday, 7, "", [])));
        Assert.Equal("menu-days", Code(Menu.Begun(Guid.NewGuid(), "x", Sunday, 0, "", [])));
        Assert.Equal("menu-days", Code(Menu.Begun(Guid.NewGuid(), "x", Sunday, 29, "", [])));
        Assert.Null(Code(Week.Saying("x", Sunday, 7, new string('x', 2000), [])));
        Assert.Equal("menu-note", Code(Week.Saying("x", Sunday, 7, new string('x', 2001), [])));
        Assert.Equal("menu-note", Code(Week.Noting(new string('x', 2001))));
        Assert.Equal(2000, Week.Noting($" {new string('x', 2000)} ").Value.DeskNote.Length);
    }

    [Fact]
    public void A_dish_stands_on_one_of_its_days_and_at_a_meal_that_there_is()
    {
        Assert.Single(Week.With(On(6), Meals).Value.Dishes);
        Assert.Equal("menu-days", Code(Week.With(On(7), Meals)));
        Assert.Equal("menu-days", Code(Week.With(On(-1), Meals)));
        Assert.Equal("unknown-meal", Code(Week.With(On(0, "elevenses"), Meals)));
    }

    [Fact]
    public void A_meal_has_at_most_six_dishes_and_the_next_meal_its_own()
    {
        var full = Enumerable.Range(0, 6).Aggregate(Week, (menu, _) => menu.With(On(0), Meals).Value);
        Assert.Equal("menu-full", Code(full.With(On(0), Meals)));
        Assert.Null(Code(full.With(On(0, "lunch"), Meals)));
        Assert.Null(Code(full.With(On(1), Meals)));
    }

    [Fact]
    public void A_day_with_dishes_is_not_left_out_and_one_without_is()
    {
        var menu = Week.With(On(4), Meals).Value;
        Assert.Equal("menu-days", Code(menu.Saying("x", Sunday, 4, "", [])));
        Assert.Equal(5, menu.Saying("x", Sunday, 5, "", []).Value.Days);
    }

    [Fact]
    public void A_dish_is_taken_off_once_and_an_empty_menu_is_not_published()
    {
        var dish = On(0);
        var menu = Week.With(dish, Meals).Value;
        Assert.Null(menu.Unready);
        Assert.Equal("menu-empty", menu.Without(dish.Id).Value.Unready!.Code);
        Assert.Equal("dish-gone", Code(menu.Without(Guid.NewGuid())));
    }

    private static readonly MenuTier Small = new("1,200", 1200),
        Large = new(" 1,600 ", 1600);

    private static Result<Menu> Tiered(Menu menu, params MenuTier[] tiers) => menu.Saying(menu.Name, Sunday, menu.Days, "", tiers);

    [Fact]
    public void Tiers_stand_by_their_energy_have_names_of_their_own_and_none_starves()
    {
        Assert.Equal(["1,200", "1,600"], Tiered(Week, Large, Small).Value.Tiers.Select(tier => tier.Name));
        Assert.Null(Code(Tiered(Week, new MenuTier("a", 800), new MenuTier("b", 5000))));
        Assert.Equal("menu-tier", Code(Tiered(Week, new MenuTier("a", 799))));
        Assert.Equal("menu-tier", Code(Tiered(Week, new MenuTier("a", 5001))));
        Assert.Equal("menu-tier", Code(Tiered(Week, new MenuTier(" ", 1200))));
        Assert.Null(Code(Tiered(Week, new MenuTier(new string('x', 40), 1200))));
        Assert.Equal("menu-tier", Code(Tiered(Week, new MenuTier(new string('x', 41), 1200))));
        Assert.Equal("menu-tier", Code(Tiered(Week, Small, Small with { EnergyKcal = 1300 })));
        MenuTier[] Many(int count) => [.. Enumerable.Range(0, count).Select(at => new MenuTier($"{at}", 1200 + at))];
        Assert.Null(Code(Tiered(Week, Many(6))));
        Assert.Equal("menu-tier", Code(Tiered(Week, Many(7))));
    }

    [Fact]
    public void A_dish_has_an_amount_for_a_tier_and_a_variant_for_what_is_followed()
    {
        var written = Table.Recipe("Porridge", 2, [Table.Line("100 g oats")]);
        var recipe = new Merienda.Core.Recipes.RecipeVersion
        {
            Name = written.Name,
            Portions = 2,
            Lines = written.Lines,
            Keeping = written.Keeping,
            Variants = [new("half the oats") { Lines = [new(written.Lines[0].Typed.Id, 0.5m)] }],
        };
        var dish = On(0);
        var menu = Tiered(Week.With(dish, Meals).Value, Small, Large).Value;
        var version = Guid.NewGuid();
        Result<Menu> Serving(decimal portions, string variant = "half the oats", string tier = "1,200") =>
            menu.Serving(dish.Id, recipe, [new(tier, portions)], [new("low-carb", variant)], version);
        var served = Serving(0.5m).Value.Dishes[0];
        Assert.Equal((0.5m, 1m, 1m), (served.PortionsFor("1,200"), served.PortionsFor("1,600"), served.PortionsFor(null)));
        Assert.Equal(version, served.RecipeVersion);
        Assert.Equal("half the oats", served.VariantFor(["points", "low-carb"], recipe));
        Assert.Null(served.VariantFor(["points"], recipe));
        Assert.Same(recipe, served.For(["points"], recipe));
        Assert.Equal(50m, served.For(["low-carb"], recipe).Lines[0].GramsIn.Best);
        // What has no such variant any more is made as it is written.
        Assert.Same(written, served.For(["low-carb"], written));
        Assert.Empty(Serving(1).Value.Dishes[0].Portions);
        Assert.Null(Code(Serving(0)));
        Assert.Null(Code(Serving(4)));
        Assert.Equal("dish-portions", Code(Serving(4.25m)));
        Assert.Equal("dish-portions", Code(Serving(-0.25m)));
        Assert.Equal("dish-portions", Code(Serving(0.3m)));
        Assert.Equal("menu-tier", Code(Serving(1, tier: "2,000")));
        Assert.Equal("unknown-variant", Code(Serving(1, "no oats")));
        Assert.Equal("dish-gone", Code(menu.Serving(Guid.NewGuid(), recipe, [], [], version)));
        // What was said of a tier goes with it, and what was said of another one stays.
        Assert.Empty(Tiered(Serving(0.5m).Value, Large).Value.Dishes[0].Portions);
        Assert.Single(Tiered(Serving(0.5m).Value, Small).Value.Dishes[0].Portions);
        // Under another name it is the same tier; with another energy, too, but not both.
        Assert.Equal(0.5m, Tiered(Serving(0.5m).Value, Small with { Name = "small" }).Value.Dishes[0].PortionsFor("small"));
        Assert.Equal(0.5m, Tiered(Serving(0.5m).Value, Small with { EnergyKcal = 1250 }).Value.Dishes[0].PortionsFor("1,200"));
        Assert.Empty(Tiered(Serving(0.5m).Value, new MenuTier("small", 1250)).Value.Dishes[0].Portions);
    }

    [Fact]
    public void A_menu_once_more_has_its_dishes_on_the_same_days_from_another_date_on()
    {
        var menu = Tiered(Week.With(On(2), Meals).Value, Small).Value;
        var again = menu.Again(Guid.NewGuid(), "Again", Sunday.AddDays(7));
        Assert.Equal(
            (2, "supper", menu.Dishes[0].RecipeVersion),
            (again.Dishes[0].Day, again.Dishes[0].Slot, again.Dishes[0].RecipeVersion)
        );
        Assert.NotEqual(menu.Dishes[0].Id, again.Dishes[0].Id);
        Assert.Equal((Sunday.AddDays(7), 7, "1,200"), (again.StartsOn, again.Days, again.Tiers[0].Name));
    }
}

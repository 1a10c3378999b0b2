using Merienda.Core.Groups;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Tests.Groups;

public class MenuTests
{
    private static readonly DateOnly Sunday = new(2026, 11, 29);
    private static readonly string[] Meals = ["lunch", "supper"];

    private static Menu Week => Menu.Begun(Guid.NewGuid(), " Harbour week ", Sunday, 7, "").Value;

    private static MenuDish On(int day, string slot = "supper") => new(Guid.NewGuid(), day, slot, Guid.NewGuid());

    private static string? Code<T>(Result<T> result) => result.Refusal?.Code;

    [Fact]
    public void A_menu_has_a_name_and_one_to_28_days()
    {
        Assert.Equal("Harbour week", Week.Name);
        Assert.Null(Code(Menu.Begun(Guid.NewGuid(), new string('x', 80), Sunday, 28, "")));
        Assert.Null(Code(Menu.Begun(Guid.NewGuid(), "x", Sunday, 1, "")));
        Assert.Equal("name-length", Code(Menu.Begun(Guid.NewGuid(), " ", Sunday, 7, "")));
        Assert.Equal("name-length", Code(Menu.Begun(Guid.NewGuid(), new string('x', 81), Sunday, 7, "")));
        Assert.Equal("menu-days", Code(Menu.Begun(Guid.NewGuid(), "x", Sunday, 0, "")));
        Assert.Equal("menu-days", Code(Menu.Begun(Guid.NewGuid(), "x", Sunday, 29, "")));
        Assert.Null(Code(Week.Saying("x", Sunday, 7, new string('x', 2000))));
        Assert.Equal("menu-note", Code(Week.Saying("x", Sunday, 7, new string('x', 2001))));
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
        Assert.Equal("menu-days", Code(menu.Saying("x", Sunday, 4, "")));
        Assert.Equal(5, menu.Saying("x", Sunday, 5, "").Value.Days);
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
}

using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Filling;

/// <summary>What is said before anybody seeks: meals for which nothing is there.</summary>
public class FillGapsTests
{
    private static FillDish Dish(string line, string? meal) =>
        new(
            Guid.NewGuid(),
            null,
            new RecipeVersion
            {
                Name = line,
                Portions = 1,
                Meal = meal,
                Lines = [Line(line)],
                Keeping = KeepingClass.WithKey("cooked")!,
            }
        );

    private static Eater Eats(string name, string[] allergies, params string[] meals) =>
        new(
            Guid.NewGuid(),
            name,
            new EaterRules([], [], PersonalLimits.None with { Allergies = allergies }, Data.HouseScheme, Data.Classes, Sunday),
            [.. meals.Select(meal => EaterMeal.Daily(meal, 1m / meals.Length))],
            Rhythm.Usual
        );

    private static FillQuestion Week(Eater[] eaters, params FillDish[] dishes) =>
        new(Sunday, Rhythm.Usual, [], eaters, dishes, FillWishes.Usual);

    [Fact]
    public void A_meal_that_nothing_is_meant_for_is_said_once_for_everybody()
    {
        Eater[] two = [Eats("Ilse", [], "breakfast", "lunch"), Eats("Rune", [], "breakfast")];
        Assert.Equal(["Nothing is meant for breakfast: 14 meals stay open."], FillGaps.Of(Week(two, Dish("200 g cod", null))));
        Assert.Equal(["Nothing is meant for lunch: 7 meals stay open."], FillGaps.Of(Week(two, Dish("60 g oats", "breakfast"))));
        Assert.Empty(FillGaps.Of(Week(two, Dish("60 g oats", "breakfast"), Dish("200 g cod", "supper"))));
    }

    [Fact]
    public void Who_may_have_nothing_of_it_is_named_and_what_is_not_open_is_not_counted()
    {
        Eater[] two = [Eats("Ilse", ["fish"], "lunch"), Eats("Rune", [], "lunch")];
        var week = Week(two, Dish("200 g cod", null));
        Assert.Equal(["Nothing for lunch is what Ilse may have: 7 meals stay open."], FillGaps.Of(week));
        var settled = week.Open.Where(cell => cell.Eater == two[0].Id && cell.Date > Sunday).ToHashSet();
        Assert.Equal(["Nothing for lunch is what Ilse may have: 1 meal stays open."], FillGaps.Of(week with { Settled = settled }));
    }
}

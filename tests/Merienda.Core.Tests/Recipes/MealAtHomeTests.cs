using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

public class MealAtHomeTests
{
    private static readonly Rhythm Home = Rhythm.Usual with
    {
        Slots =
        [
            .. Rhythm.Usual.Slots.Select(slot => slot with { IsFormer = slot.Key == "supper" }),
            new("evening", "evening meal", MealRole.Supper, new(19, 0), 4),
        ],
    };

    [Theory]
    [InlineData("lunch", "lunch")]
    [InlineData("supper", "evening")]
    [InlineData("dinner", "evening")]
    [InlineData("merienda", null)]
    [InlineData(null, null)]
    public void A_recipe_of_elsewhere_is_meant_for_the_meal_of_the_same_kind(string? meal, string? atHome)
    {
        var recipe = new RecipeVersion
        {
            Name = "Cod",
            Portions = 1,
            Lines = [],
            Meal = meal,
            Keeping = KeepingClass.WithKey("cooked")!,
        };
        Assert.Equal(atHome, recipe.At(Home).Meal);
        Assert.Equal(meal, recipe.Meal);
    }
}

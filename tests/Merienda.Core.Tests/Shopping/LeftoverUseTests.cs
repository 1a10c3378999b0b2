using Merienda.Core.Recipes;
using Merienda.Core.Shopping;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Shopping;

public class LeftoverUseTests
{
    private static readonly (Guid, RecipeVersion)[] Dishes =
    [
        (Guid.NewGuid(), Recipe("Soup", 4, [Line("400 g tin coconut milk")])),
        (Guid.NewGuid(), Recipe("Curry", 4, [Line("180 g coconut milk"), Line("20 g coconut milk")])),
        (Guid.NewGuid(), Recipe("Pots", 4, [Line("100 g coconut milk")])),
        (Guid.NewGuid(), Recipe("Slaw", 4, [Line("100 g carrots")])),
    ];

    private static IEnumerable<string> Of(string food, decimal left) => LeftoverUse.Of(Food(food), left, Dishes).Select(use => use.Name);

    [Fact]
    public void The_recipes_that_take_about_so_much_of_it_come_first()
    {
        Assert.Equal(["Curry", "Pots"], Of("coconut-milk", 190));
        Assert.Equal(["Soup", "Curry"], Of("coconut-milk", 350));
        Assert.Equal(["Slaw"], Of("carrot", 60));
    }

    [Fact]
    public void A_spoonful_is_no_reason_to_cook_and_what_keeps_is_none_either()
    {
        Assert.Empty(LeftoverUse.Of(Food("coconut-milk"), 19, [(Guid.NewGuid(), Recipe("Dip", 4, [Line("19 g coconut milk")]))]));
        Assert.Single(LeftoverUse.Of(Food("coconut-milk"), 20, [(Guid.NewGuid(), Recipe("Dip", 4, [Line("20 g coconut milk")]))]));
        Assert.Equal(["Pots"], Of("coconut-milk", 25));
        Assert.Empty(Of("coconut-milk", 24));
        Assert.Equal(["Slaw"], Of("carrot", 400));
        Assert.Empty(Of("carrot", 401));
        Assert.Empty(LeftoverUse.Of(Food("rice-white"), 500, [(Guid.NewGuid(), Recipe("Rice", 4, [Line("200 g rice")]))]));
    }

    [Theory]
    [InlineData("chicken-breast", true)]
    [InlineData("coconut-milk", true)]
    [InlineData("spinach", true)]
    [InlineData("rice-white", false)]
    [InlineData("butter", false)]
    [InlineData("egg", false)]
    [InlineData("paprika", false)]
    public void What_goes_off_once_its_pack_is_open(string food, bool goesOff) => Assert.Equal(goesOff, LeftoverUse.GoesOff(Food(food)));
}

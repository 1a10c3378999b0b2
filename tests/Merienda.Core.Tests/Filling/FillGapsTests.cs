using Merienda.Core.Filling;
using Merienda.Core.Planning;
using static Merienda.Core.Tests.Filling.Filled;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Filling;

/// <summary>What is said before anybody seeks: meals for which nothing is there.</summary>
public class FillGapsTests
{
    private static FillDish Of(string line, string? meal) => Filled.Dish(line, "cooked", meal, line);

    [Fact]
    public void A_meal_that_nothing_is_meant_for_is_said_once_for_everybody()
    {
        Eater[] two = [Eats("Ilse", [], "breakfast", "lunch"), Eats("Rune", [], "breakfast")];
        Assert.Equal(["Nothing is meant for breakfast: 14 meals stay open."], FillGaps.Of(Week(two, Of("200 g cod", null))));
        Assert.Equal(["Nothing is meant for lunch: 7 meals stay open."], FillGaps.Of(Week(two, Of("60 g oats", "breakfast"))));
        Assert.Empty(FillGaps.Of(Week(two, Of("60 g oats", "breakfast"), Of("200 g cod", "supper"))));
    }

    [Fact]
    public void Who_may_have_nothing_of_it_is_named_and_what_is_not_open_is_not_counted()
    {
        Eater[] two = [Eats("Ilse", ["fish"], "lunch"), Eats("Rune", [], "lunch")];
        var week = Week(two, Of("200 g cod", null));
        Assert.Equal(["Nothing for lunch is what Ilse may have: 7 meals stay open."], FillGaps.Of(week));
        var settled = week.Open.Where(cell => cell.Eater == two[0].Id && cell.Date > Sunday).ToHashSet();
        Assert.Equal(["Nothing for lunch is what Ilse may have: 1 meal stays open."], FillGaps.Of(week with { Settled = settled }));
    }
}

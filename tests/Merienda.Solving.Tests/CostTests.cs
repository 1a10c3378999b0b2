using CsCheck;
using Merienda.Core.Filling;
using Merienda.Core.Shopping;
using static Merienda.Solving.Tests.SmallWeek;

namespace Merienda.Solving.Tests;

/// <summary>What goes into a week in money.</summary>
public class CostTests
{
    private static readonly FillDish Cod = Dish("150 g cod", 10),
        Beef = Dish("150 g beef shin", 10);

    /// <summary>Five lunches of two dishes, none more than three times.</summary>
    private static FillQuestion Five(decimal cod, decimal beef) =>
        First(5, Eats(["lunch"], []), [Cod, Beef]) with
        {
            Prices = PriceBook.Of([PriceOf(Cod, cod), PriceOf(Beef, beef)], [Cod.Version.Lines[0].Food!, Beef.Version.Lines[0].Food!]),
            Wishes = FillWishes.Usual with { Goals = [FillGoal.Sizes, FillGoal.Cost] },
        };

    private static Price PriceOf(FillDish dish, decimal aKilogram) =>
        new(dish.Version.Lines[0].Food!.Key, aKilogram, "1 kg", 1000, "", new(2026, 11, 1));

    private static decimal Portions(FillAnswer answer, FillDish dish) =>
        answer.Plan.Batches.SelectMany(batch => batch.Lots).Where(lot => lot.Dish == dish).Sum(lot => lot.Portions);

    [Fact]
    public void The_cheaper_dish_comes_as_often_as_it_may()
    {
        var answer = Fill(Five(10, 20));
        Assert.Equal((3m, 2m), (Portions(answer, Cod), Portions(answer, Beef)));
        Assert.Equal("What goes in costs about 10.50", answer.Levels.Single(level => level.Goal == FillGoal.Cost).Says);
        Assert.Equal((2m, 3m), (Portions(Fill(Five(20, 10)), Cod), Portions(Fill(Five(20, 10)), Beef)));
    }

    [Fact]
    public void It_is_the_least_that_trying_every_plan_costs() =>
        Gen.Select(Gen.Int[0, 40], Gen.Int[0, 40])
            .Where((cod, beef) => cod + beef > 0)
            .Sample(
                (cod, beef) =>
                {
                    var least = new[] { 2, 3 }.Min(times => (times * cod * 15) + ((5 - times) * beef * 15));
                    Assert.Equal(least, Fill(Five(cod, beef)).Levels.Single(level => level.Goal == FillGoal.Cost).Value);
                },
                iter: 20,
                threads: 1
            );

    [Fact]
    public void Nobody_asks_where_no_price_is_known() =>
        Assert.DoesNotContain(Fill(Five(1, 1) with { Prices = PriceBook.Empty }).Levels, level => level.Goal == FillGoal.Cost);
}

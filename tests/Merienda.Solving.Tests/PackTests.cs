using CsCheck;
using Merienda.Core.Filling;
using static Merienda.Solving.Tests.SmallWeek;

namespace Merienda.Solving.Tests;

/// <summary>What the packs that are bought for a week leave.</summary>
public class PackTests
{
    private static readonly FillDish Cod = Dish("150 g cod", 10),
        Beef = Dish("150 g beef shin", 10);

    /// <summary>Five lunches of two dishes, none more than three times.</summary>
    private static FillQuestion Five(params PackedFood[] packs) =>
        First(5, Eats(["lunch"], []), [Cod, Beef]) with
        {
            Packs = packs,
            Wishes = FillWishes.Usual with { Goals = [FillGoal.Sizes, FillGoal.Packs] },
        };

    private static PackedFood Pack(FillDish dish, decimal grams, decimal there = 0, decimal planned = 0) =>
        new(dish.Version.Lines[0].Food!.Key, dish.Name, grams, there, planned);

    private static decimal Eaten(FillAnswer answer, FillDish dish) =>
        answer.Plan.Batches.SelectMany(batch => batch.Lots).Where(lot => lot.Dish == dish).Sum(lot => lot.Portions) * 150;

    [Fact]
    public void A_pack_is_used_up_where_it_can_be()
    {
        var answer = Fill(Five(Pack(Cod, 300)));
        Assert.Equal(300, Eaten(answer, Cod));
        Assert.Equal("No opened pack is left over", answer.Levels.Single(level => level.Goal == FillGoal.Packs).Says);
        // Three times 150 g are a pack and what is there.
        Assert.Equal(450, Eaten(Fill(Five(Pack(Cod, 300, there: 150))), Cod));
    }

    [Fact]
    public void What_is_left_is_the_least_that_trying_every_plan_leaves() =>
        Gen.Select(Gen.Int[80, 600], Gen.Int[80, 600], Gen.Int[0, 400], Gen.Int[0, 300])
            .Sample(
                (cod, beef, there, planned) =>
                {
                    var (first, second) = (Pack(Cod, cod, there), Pack(Beef, beef, 0, planned));
                    var answer = Fill(Five(first, second));
                    var least = new[] { 2, 3 }.Min(times => first.LeftOf(times * 150) + second.LeftOf((5 - times) * 150));
                    Assert.Equal(least, answer.Levels.Single(level => level.Goal == FillGoal.Packs).Value);
                    Assert.Equal(least, first.LeftOf(Eaten(answer, Cod)) + second.LeftOf(Eaten(answer, Beef)));
                },
                iter: 30,
                threads: 1
            );

    [Fact]
    public void Nobody_asks_where_no_pack_is_known() => Assert.DoesNotContain(Fill(Five()).Levels, level => level.Goal == FillGoal.Packs);
}

using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using static Merienda.Solving.Tests.SmallWeek;

namespace Merienda.Solving.Tests;

/// <summary>What is bought fills meals beside what is cooked, as often as the cook allows and never against a rule.</summary>
public class BoughtTests
{
    internal static FillDish Bought(string line, string? meal, int most) =>
        FillDish.Of(new(Guid.NewGuid(), line, meal, most), ReadyFood.Read(line, DemoWeek.Data.Foods, MeasureSystem.Metric).Value);

    private static FillQuestion Of(Eater eater, params FillDish[] dishes) => DemoWeek.For(eater) with { Dishes = dishes };

    private static IEnumerable<string> At(FillAnswer answer, string meal) =>
        answer.Plan.Servings.Where(serving => serving.Cell.Meal == meal).Select(serving => serving.Dish.Name);

    [Theory]
    [InlineData(3)]
    [InlineData(7)]
    [InlineData(20)]
    public void It_is_used_as_often_as_it_may_be_and_nothing_is_cooked_for_it(int most)
    {
        var question = Of(Eats(["bite"], []), Bought("150 g skyr", "bite", most));
        var answer = Fill(question);
        var judge = new FillJudge(question, answer.Plan);
        Assert.Equal(Math.Min(7, most), answer.Plan.Servings.Count);
        Assert.Equal(7 - Math.Min(7, most), judge.Uncovered.Count);
        Assert.Empty(answer.Plan.Batches);
        Assert.Empty(judge.Impossible);
        Assert.All(answer.Levels, level => Assert.True(level.IsProven, level.Name));
        Assert.All(answer.Plan.Servings, serving => Assert.Equal(1, serving.Size));
    }

    [Fact]
    public void What_stands_there_already_counts()
    {
        var eater = Eats(["bite", "breakfast"], []);
        var skyr = Bought("150 g skyr", "bite", 3);
        var cell = new Cell(DemoWeek.Start, "breakfast", eater.Id);
        var question = Of(eater, skyr) with { Placed = [(cell, new("Skyr", skyr.Version.Profile, 1))] };
        Assert.Equal(2, Fill(question).Plan.Servings.Count);
    }

    [Fact]
    public void It_is_for_its_meal_or_for_any()
    {
        var eater = Eats(["breakfast", "bite"], []);
        var answer = Fill(Of(eater, Bought("150 g skyr", "breakfast", 4), Bought("1 pear", null, 10), Bought("1 egg", "elevenses", 9)));
        Assert.Equal(["Pear"], At(answer, "bite").Distinct());
        Assert.Equal(4, At(answer, "breakfast").Count(name => name == "Skyr"));
    }

    [Fact]
    public void It_spares_a_batch_where_it_may()
    {
        var eater = Eats(["lunch", "supper"], []);
        var (cod, beef) = (Dish(0, 20), Dish(1, 30));
        var without = First(3, eater, [cod, beef]);
        var with = without with { Dishes = [cod, beef, Bought("300 g cod", "supper", 3)] };
        Assert.Equal(2, Fill(without).Plan.Batches.Count);
        var answer = Fill(with);
        Assert.Equal((1, 0), (answer.Plan.Batches.Count, new FillJudge(with, answer.Plan).Uncovered.Count));
    }

    [Fact]
    public void Limits_of_the_day_hold_for_it_too()
    {
        var eater = Eats(["bite"], [AtMost("carbs", Measure.NetCarbohydrate, 10)]);
        var answer = Fill(Of(eater, Bought("1 pear", "bite", 7), Bought("150 g skyr", "bite", 7)));
        Assert.Equal(["Skyr"], At(answer, "bite").Distinct());
    }

    [Fact]
    public void Nobody_gets_what_they_are_allergic_to_or_what_nobody_can_read()
    {
        var eater = Eats(["bite"], []).AllergicTo("dairy");
        Assert.Empty(Fill(Of(eater, Bought("150 g skyr", "bite", 7), Bought("1 bar of whatever", "bite", 7))).Plan.Servings);
    }
}

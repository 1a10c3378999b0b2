using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Filling;

/// <summary>A day's energy by one bite more or less.</summary>
public class BiteStepsTests
{
    private static readonly Eater Ilse = new(
        Guid.NewGuid(),
        "Ilse",
        new EaterRules(
            [
                new LimitRule
                {
                    Id = "energy",
                    Measure = Measure.Energy,
                    Per = Period.Day,
                    AtLeast = 1300,
                    AtMost = 1500,
                },
            ],
            new RuleContext(Data.HouseScheme, Data.Classes)
        ),
        [EaterMeal.Daily("breakfast", 0.3m), EaterMeal.Daily("bite", 0.7m)],
        Rhythm.Usual
    );

    private static Cell At(int day, string meal) => new(Sunday.AddDays(day), meal, Ilse.Id);

    private static OnMeal Food(int day, string meal, string line) =>
        new(At(day, meal), new ReadyFood(Guid.NewGuid(), Line(line)), new Helping(line, PortionProfile.Of([Line(line)], 1), 1));

    private static WeekQuestion Week(DateOnly today, params OnMeal[] meals) =>
        new(
            new WeekPlan(
                Sunday,
                [],
                [
                    .. meals
                        .GroupBy(one => one.Cell)
                        .Select(meal => new Serving(Guid.NewGuid(), meal.Key, [.. meal.Select(one => one.Item)])),
                ],
                []
            ),
            [Ilse],
            today,
            [],
            (_, _) => throw new InvalidOperationException(),
            meals,
            FillWishes.Usual
        );

    [Fact]
    public void The_bite_that_comes_nearest_to_200_kcal_is_left_out_and_no_breakfast()
    {
        // Walnuts have about 650 kcal in 100 g: 30 g are a bite, 10 g too little of one, 100 g too much.
        var (bite, small) = (Food(1, "bite", "30 g walnuts"), Food(2, "bite", "15 g walnuts"));
        var week = Week(
            Sunday,
            Food(0, "breakfast", "30 g walnuts"),
            bite,
            small,
            Food(2, "bite", "5 g walnuts"),
            Food(3, "bite", "100 g walnuts")
        );
        var change = week.OneLess(Ilse.Id, FillScope.All);
        Assert.Equal([bite.Item.Id, small.Item.Id], change.Meals.Select(meal => meal.Off!.Item));
        Assert.All(change.Meals, meal => Assert.Null(meal.On));
        Assert.Equal(
            "No bite of 75 to 300 kcal that can be left out on Sun, Wed, Thu, Fri, Sat.",
            Assert.Single(BiteSteps.WithoutBite(week, change, FillScope.All))
        );
        var level = BiteSteps.Level(week, FillPlan.Empty, change);
        Assert.InRange(level.Value, -170, -130);
        Assert.Equal((FillGoal.Step, $"About {-level.Value} kcal less a day", "by the best values"), (level.Goal, level.Says, level.Sure));
    }

    [Fact]
    public void Days_that_are_over_or_not_asked_for_and_meals_that_are_locked_stay()
    {
        var meals = Enumerable.Range(0, 4).Select(day => Food(day, "bite", "30 g walnuts")).ToArray();
        Assert.Equal(2, Week(Sunday.AddDays(2), meals).OneLess(Ilse.Id, FillScope.All).Meals.Count);
        var one = new FillScope(null, new HashSet<DateOnly> { Sunday.AddDays(3) });
        Assert.Equal(At(3, "bite"), Assert.Single(Week(Sunday, meals).OneLess(Ilse.Id, one).Meals).Cell);
        Assert.Empty(Week(Sunday, meals).OneLess(Guid.NewGuid(), FillScope.All).Meals);

        var week = Week(Sunday, meals);
        var locked = week with
        {
            Plan = week.Plan with { Servings = [.. week.Plan.Servings.Select(serving => serving with { IsLocked = true })] },
        };
        Assert.True(locked.OneLess(Ilse.Id, FillScope.All).IsEmpty);
        Assert.Equal(3, locked.OneMore(Ilse.Id, FillScope.All).Beside.Count);
    }

    [Fact]
    public void A_meal_that_is_left_empty_is_left_out_and_one_with_something_else_is_not()
    {
        var (whole, half) = (Food(1, "bite", "30 g walnuts"), Food(2, "bite", "30 g walnuts"));
        var week = Week(Sunday, whole, half, Food(2, "bite", "100 g lettuce"));
        var taken = week.Plan.Take(
            week.OneLess(Ilse.Id, FillScope.All),
            _ => throw new InvalidOperationException(),
            (_, _) => throw new InvalidOperationException(),
            _ => throw new InvalidOperationException(),
            (_, _) => null,
            Guid.NewGuid
        );
        Assert.Equal(ServingState.Skipped, taken.Value.Plan.At(At(1, "bite"))!.State);
        Assert.Equal(
            (ServingState.Planned, 1),
            (taken.Value.Plan.At(At(2, "bite"))!.State, taken.Value.Plan.At(At(2, "bite"))!.Items.Count)
        );
    }

    [Fact]
    public void One_more_is_sought_beside_what_stands_there_with_200_kcal_more_a_day()
    {
        var question = Week(Sunday.AddDays(5), Food(5, "bite", "30 g walnuts")).OneMore(Ilse.Id, FillScope.All);
        Assert.Equal(
            [At(5, "bite"), At(6, "bite")],
            question.Open.Order(Comparer<Cell>.Create((one, other) => one.Date.CompareTo(other.Date)))
        );
        var limit = Assert.IsType<LimitRule>(Assert.Single(question.Eaters[0].Rules.On(Sunday)));
        Assert.Equal((1500m, 1700m), (limit.AtLeast!.Value, limit.AtMost!.Value));
        Assert.Equal((150m, 250m), question.Energy!.Value);
        Assert.Single(question.Placed);
    }

    [Theory]
    [InlineData("30 g walnuts", true)]
    [InlineData("15 g walnuts", false)]
    [InlineData("50 g walnuts", false)]
    public void Only_what_is_about_a_bite_is_put_on(string line, bool fits)
    {
        var dish = new FillDish(Guid.NewGuid(), null, ReadyFood.AsDish(Line(line), "bite")) { Ready = line, MostAWeek = 7 };
        var question = Week(Sunday).OneMore(Ilse.Id, FillScope.All) with { Dishes = [dish] };
        Assert.Equal(fits, new FillTable(question).SizesOf(question.Eaters[0], Sunday, Rhythm.Usual.Meal("bite")!, 0).IsAny);
    }
}

using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Solving.Tests;

/// <summary>Weeks of one eater, a few dishes and a few days.</summary>
internal static class SmallWeek
{
    public static readonly string[] Foods =
    [
        "150 g cod",
        "150 g beef shin",
        "250 g potato",
        "40 g walnuts",
        "300 g lettuce",
        "120 g red lentils",
    ];

    public static FillDish Dish(int food, int minutes) => Dish(Foods[food], minutes);

    public static FillDish Dish(string line, int minutes) =>
        new(
            Guid.NewGuid(),
            null,
            new RecipeVersion
            {
                Name = line,
                Portions = 1,
                Lines = [RecipeLine.From(new TypedLine(line), DemoWeek.Data.Foods, MeasureSystem.Metric)],
                Tasks = [new("1", "Cook it", minutes, 0, Appliance.None, null, [])],
                Keeping = KeepingClass.WithKey("cooked")!,
            }
        );

    public static Eater Eats(string[] meals, IEnumerable<Rule> rules) =>
        new(
            Guid.NewGuid(),
            "Ilse",
            new EaterRules(rules, new RuleContext(DemoWeek.Data.HouseScheme, DemoWeek.Data.Classes)),
            [.. meals.Select(meal => new EaterMeal(meal, 1m / meals.Length, [.. Enumerable.Repeat(MealSource.Prep, 7)]))],
            Rhythm.Usual
        );

    /// <summary>Lunch and supper of the first days only.</summary>
    public static FillQuestion First(int days, Eater eater, IReadOnlyList<FillDish> dishes)
    {
        var question = DemoWeek.For(eater) with { Dishes = dishes };
        return question with { Settled = question.Open.Where(cell => cell.Date >= DemoWeek.Start.AddDays(days)).ToHashSet() };
    }

    public static FillAnswer Fill(FillQuestion question) =>
        WeekSolver.Solve(question, new(2, 0.3, 1), null, TestContext.Current.CancellationToken);

    /// <summary>The same eater with nothing but an allergy.</summary>
    public static Eater AllergicTo(this Eater eater, string what) =>
        eater with
        {
            Rules = new EaterRules(
                [],
                [],
                PersonalLimits.None with
                {
                    Allergies = [what],
                },
                DemoWeek.Data.HouseScheme,
                DemoWeek.Data.Classes,
                DemoWeek.Start
            ),
        };

    public static Rule AtMost(string id, Measure measure, decimal most) =>
        new LimitRule
        {
            Id = id,
            Measure = measure,
            Per = Period.Day,
            AtMost = most,
        };

    public static Rule AtLeast(string id, Measure measure, decimal least) =>
        new LimitRule
        {
            Id = id,
            Measure = measure,
            Per = Period.Day,
            AtLeast = least,
        };

    public static Cell CellOf(FillQuestion question, int day, string meal) => new(question.Start.AddDays(day), meal, question.Eaters[0].Id);

    /// <summary>A week in which some dishes are there, so many portions of each, and nothing else is cooked.</summary>
    public static FillQuestion There(
        FillQuestion question,
        decimal portions,
        params (int Day, string Meal, int Dish, decimal Size)[] now
    ) =>
        question with
        {
            Sessions = [],
            Rests =
            [
                .. question.Dishes.Select(
                    (_, dish) => new FillRest(Guid.NewGuid(), Guid.NewGuid(), dish, portions, 0, question.Start.AddDays(-1))
                ),
            ],
            Now = [.. now.Select(one => new FillNow(CellOf(question, one.Day, one.Meal), Guid.NewGuid(), one.Dish, one.Size))],
        };
}

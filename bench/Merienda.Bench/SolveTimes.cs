using System.Diagnostics;
using System.Globalization;
using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Shopping;
using Merienda.Formats;
using Merienda.Solving;

namespace Merienda.Bench;

/// <summary>
/// How long it takes to fill, mend and explain a week of made-up recipes: solve EATERS RECIPES. Each instance wants a process of its own, so
/// that its memory is its own.
/// </summary>
internal static class SolveTimes
{
    private static readonly DateOnly Start = new(2026, 11, 29);

    private static readonly string[] Main =
        ["cod", "beef shin", "chicken breast", "tofu", "salmon", "turkey mince", "chickpeas, tinned, drained", "red lentils"],
        Beside = ["carrots", "courgettes", "spinach", "red peppers", "fennel", "leeks", "broccoli", "tomatoes"],
        Filling = ["potatoes", "brown rice", "quinoa", "bulgur", "rolled oats", "sweet potatoes"];

    public static void Run(int eaters, int recipes, bool isPoints)
    {
        var data = DataFiles.Load(DataFiles.Find());
        var table = Enumerable.Range(0, eaters).Select(at => EaterOf(data, isPoints ? Points + at : at, 1)).ToList();
        var question = QuestionOf(table, DishesOf(data, recipes));
        Console.WriteLine($"{eaters} eaters, {recipes} recipes, {question.Open.Count()} meals");
        var (clock, said) = (Stopwatch.StartNew(), 0);
        var atTwelve = "";
        var answer = WeekSolver.Solve(
            question,
            FillEffort.Usual,
            (plan, levels) =>
            {
                if (clock.Elapsed.TotalSeconds <= 12)
                {
                    atTwelve = Worked(plan);
                }

                for (; said < levels.Count - 1; said++)
                {
                    Console.WriteLine($"{clock.Elapsed.TotalSeconds, 6:0.0} s  {levels[said].Says}: {levels[said].Sure}");
                }
            }
        );
        Console.WriteLine($"{clock.Elapsed.TotalSeconds, 6:0.0} s  {answer.Levels[^1].Says}: {answer.Levels[^1].Sure}");
        Console.WriteLine($"  at 12 s: {atTwelve}; at the end: {Worked(answer.Plan)}");
        Console.WriteLine(
            $"  Core against it: {string.Join(" ", new FillJudge(question, answer.Plan).Unmet)}; {Process.GetCurrentProcess().PeakWorkingSet64 / 1e6:0} MB at most"
        );
        var greedy = GreedyPlan.Of(question);
        var judge = new FillJudge(question, greedy);
        Console.WriteLine(
            $"  meal by meal: {judge.Uncovered.Count} meals not covered, {judge.Broken.Count(found => found.Finding.Verdict == Verdict.Breaks)} rules broken, {Worked(greedy)}"
        );
        Mend(question, answer.Plan);
        Explain(question with { Eaters = [EaterOf(data, isPoints ? Points : 0, 0.4m) with { Id = table[0].Id }, .. table.Skip(1)] });
    }

    /// <summary>The week that was filled, with three suppers of one eater made so large that their days break.</summary>
    private static void Mend(FillQuestion question, FillPlan plan)
    {
        var large = plan
            .Servings.Where(serving => serving.Cell.Eater == question.Eaters[0].Id && serving.Cell.Meal == "supper")
            .OrderBy(serving => serving.Cell.Date)
            .Where((_, at) => at % 2 == 0)
            .Take(3)
            .Select(serving => serving.Cell)
            .ToHashSet();
        var dishes = question.Dishes.ToList();
        var rests = new List<FillRest>();
        var now = new List<FillNow>();
        foreach (var lot in plan.Servings.GroupBy(serving => (serving.Cooked, serving.Dish)))
        {
            rests.Add(new(Guid.NewGuid(), Guid.NewGuid(), dishes.Count, Math.Ceiling(lot.Sum(one => one.Size)) + 5, 8, lot.Key.Cooked));
            now.AddRange(
                lot.Select(one => new FillNow(one.Cell, Guid.NewGuid(), rests.Count - 1, one.Size + (large.Contains(one.Cell) ? 1.5m : 0)))
            );
            dishes.Add(lot.Key.Dish with { });
        }

        var broken = question with
        {
            Dishes = dishes,
            Rests = rests,
            Now = now,
            Taken = plan.Batches.Select(batch => (batch.Lots[0].Dish.Recipe, batch.Cooked)).ToHashSet(),
        };
        var days = new FillJudge(broken, broken.WithStuck(FillPlan.Empty)).Broken.Count;
        var clock = Stopwatch.StartNew();
        var changes = 0.0;
        var answer = WeekSolver.Solve(
            broken,
            FillEffort.Usual,
            (_, levels) => changes = changes == 0 && levels.Count > 2 ? clock.Elapsed.TotalSeconds : changes
        );
        Console.WriteLine(
            $"  mend, {days} broken: {string.Join(", ", answer.Levels.Take(3).Select(level => $"{level.Says} ({level.Sure})"))}; fewest changes after {changes:0.0} s, all after {answer.Seconds:0.0} s"
        );
    }

    /// <summary>One eater's energy is far too low for the floor of protein.</summary>
    private static void Explain(FillQuestion question)
    {
        var clock = Stopwatch.StartNew();
        var found = WeekExplainer.Explain(question, question.Open.Where(cell => cell.Eater == question.Eaters[0].Id).Take(4));
        Console.WriteLine(
            $"  explain: {clock.Elapsed.TotalSeconds:0.0} s: {string.Join(" | ", found.Select(one => $"{one.Title}: {string.Join(" & ", one.Reasons.Select(reason => reason.Says))}{one.Otherwise}"))}"
        );
    }

    private static string Worked(FillPlan plan)
    {
        var minutes = plan.Batches.Sum(batch => batch.Lots.Min(lot => lot.Dish.HandsOn));
        var left = plan.Batches.Sum(batch => batch.Portions) - plan.Servings.Sum(serving => serving.Size);
        return $"{plan.Batches.Count} batches, {minutes} minutes, {left:0.##} portions left ({(plan.Batches.Count * 15) + minutes + (left * 12):0} as the trial counts work)";
    }

    private static Eater EaterOf(DataFiles data, int at, decimal times)
    {
        var (protocol, stated) = at switch
        {
            >= Points => ("points", new Allowance[] { new("points", "points", null, (24 + (6 * (at - Points))) * times) }),
            0 => ("calories-macros", [Stated("energy", 1300 * times, 1500 * times), Stated("protein", 65, null)]),
            1 => ("calories-macros", [Stated("energy", 1800 * times, 2100 * times), Stated("protein", 80, null)]),
            2 => ("low-carb", [new("low-carb", "net-carbs", null, 110 * times)]),
            _ => ("calories-macros", [Stated("energy", 1500 * times, 1800 * times)]),
        };
        return new(
            Guid.NewGuid(),
            $"Eater {at + 1}",
            new EaterRules(
                [new FollowedProtocol(data.Protocol(protocol)!, new Dictionary<string, string>())],
                stated,
                PersonalLimits.None,
                data.HouseScheme,
                data.Classes,
                Start
            ),
            [.. Rhythm.Usual.Meals.Zip(RhythmEdits.UsualShares(Rhythm.Usual.Meals), (meal, share) => EaterMeal.Daily(meal.Key, share))],
            Rhythm.Usual
        );
    }

    /// <summary>Places of eaters on points, whose sums are rounded.</summary>
    private const int Points = 10;

    private static Allowance Stated(string rule, decimal? least, decimal? most) => new("calories-macros", rule, least, most);

    private static FillQuestion QuestionOf(IReadOnlyList<Eater> eaters, IReadOnlyList<FillDish> dishes) =>
        new(
            Start,
            Rhythm.Usual,
            [.. Rhythm.Usual.SessionsOf(Start).Select(date => Rhythm.Usual.SessionOn(date, Start, Guid.NewGuid()))],
            eaters,
            dishes,
            FillWishes.Usual with
            {
                FreezerBoxes = 12 * eaters.Count,
            }
        )
        {
            Prices = PricesOf(dishes),
        };

    /// <summary>Every food has a price, from 2 to 20 a kilogram, the same each time.</summary>
    private static PriceBook PricesOf(IReadOnlyList<FillDish> dishes)
    {
        var foods = dishes
            .SelectMany(dish => dish.Version.Ingredients)
            .Select(line => line.Food)
            .OfType<Food>()
            .DistinctBy(food => food.Key);
        var random = new Random(7);
        var prices = foods.Select(food => (Food: food, Price: new Price(food.Key, random.Next(2, 20), "1 kg", 1000, "", Start))).ToList();
        return PriceBook.Of([.. prices.Select(one => one.Price)], [.. prices.Select(one => one.Food)]);
    }

    private static List<FillDish> DishesOf(DataFiles data, int recipes)
    {
        var random = new Random(5);
        string One(string[] foods, int least, int most) =>
            string.Create(CultureInfo.InvariantCulture, $"{random.Next(least, most)} g {foods[random.Next(foods.Length)]}");
        string[] meals = ["breakfast", "supper", "bite", "lunch", "supper"];
        return
        [
            .. Enumerable
                .Range(0, recipes)
                .Select(at =>
                {
                    // A portion of a main meal: 110 to 180 g of the main thing; a bite is a third of it.
                    var part = meals[at % meals.Length] == "bite" ? 3 : 1;
                    string[] lines =
                    [
                        One(Main, 440 / part, 720 / part),
                        One(Beside, 400 / part, 900 / part),
                        One(Filling, 160 / part, 400 / part),
                    ];
                    return new FillDish(
                        Guid.NewGuid(),
                        null,
                        new RecipeVersion
                        {
                            Name = $"Dish {at}",
                            Portions = 4,
                            Meal = meals[at % meals.Length],
                            Lines = [.. lines.Select(line => RecipeLine.From(new TypedLine(line), data.Foods, MeasureSystem.Metric))],
                            Tasks = [new("1", "Cook it", random.Next(5, 40), 20, Appliance.None, null, [])],
                            Keeping = KeepingClass.WithKey("cooked")!,
                        }
                    );
                }),
        ];
    }
}

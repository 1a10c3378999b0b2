using BenchmarkDotNet.Attributes;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Formats;

namespace Merienda.Bench;

/// <summary>
/// A week of two eaters and 28 meals each, on five dishes of ten lines; targets: a full check under 1 ms, one changed portion under 0.1 ms.
/// </summary>
[MemoryDiagnoser]
public class WeekBenchmarks
{
    private static readonly IReadOnlyList<MealSlot> Meals = [.. Rhythm.Usual.Meals];

    private static readonly string[] Dish =
    [
        "400 g cod",
        "2 onions",
        "3 carrots",
        "2 tbsp olive oil",
        "400 g tin chopped tomatoes",
        "150 g red lentils",
        "1 tsp salt",
        "1 bunch of parsley",
        "2 tsp sugar",
        "200 ml white wine",
    ];

    private readonly List<(Cell Cell, Helping Helping)> _placed = [];
    private IReadOnlyList<DateOnly> _days = [];
    private Eater[] _eaters = [];
    private PlannedMeal[] _oneDay = [];

    /// <summary>How many stand in each meal.</summary>
    [Params(1, 3)]
    public int Things { get; set; }

    [GlobalSetup]
    public void SetUp()
    {
        var data = DataFiles.Load(DataFiles.Find());
        EaterRules Rules(string protocol, params Allowance[] allowances) =>
            new(
                [new(data.Protocol(protocol)!, new Dictionary<string, string>())],
                allowances,
                PersonalLimits.None,
                data.HouseScheme,
                data.Classes,
                default
            );
        Eater Eater(string name, EaterRules rules) =>
            new(Guid.NewGuid(), name, rules, [.. Meals.Select(meal => EaterMeal.Daily(meal.Key, 0.25m))], Rhythm.Usual);
        _eaters =
        [
            Eater("Odalys", Rules("points", new Allowance("points", "points", null, 24))),
            Eater(
                "Ilse",
                Rules(
                    "calories-macros",
                    new("calories-macros", "energy", null, 1700),
                    new("calories-macros", "protein", 90, null),
                    new("calories-macros", "fat", null, 70),
                    new("calories-macros", "carbohydrate", null, 200)
                )
            ),
        ];
        _days = [.. Enumerable.Range(0, 7).Select(new DateOnly(2026, 11, 22).AddDays)];
        var dishes = Enumerable
            .Range(0, 5)
            .Select(at => PortionProfile.Of(Dish.Select(line => RecipeLine.From(line, data.Foods, MeasureSystem.Metric)), 4 + at))
            .ToList();
        var next = 0;
        foreach (var day in _days)
        {
            foreach (var meal in Meals)
            {
                for (var thing = 0; thing < Things; thing++)
                {
                    _placed.AddRange(
                        _eaters.Select(eater => (new Cell(day, meal.Key, eater.Id), new Helping($"dish {next % 5}", dishes[next++ % 5], 1)))
                    );
                }
            }
        }

        _oneDay = [.. Meals.Select((meal, at) => new PlannedMeal(meal, [new Helping($"dish {at}", dishes[at], at == 2 ? 1.5m : 1)]))];
    }

    [Benchmark]
    public int FullWeek() => new WeekLedger(_days, Meals, _eaters, _placed).Days.Count(day => day.Verdict == Verdict.Breaks);

    [Benchmark]
    public Verdict ChangedPortionPoints() => new EaterDay(_days[2], _eaters[0], _oneDay).Verdict;

    [Benchmark]
    public Verdict ChangedPortionFourMacros() => new EaterDay(_days[2], _eaters[1], _oneDay).Verdict;
}

/// <summary>
/// Reading and matching a thousand ingredient lines against the whole table and five hundred words that a household taught; target: under
/// 10 ms.
/// </summary>
[MemoryDiagnoser]
public class ReadingBenchmarks
{
    private static readonly string[] Lines =
    [
        "1 1/2 cups red lentils, rinsed",
        "400 g tin chickpeas, drained",
        "2 large eggs",
        "3–4 carrots, peeled and sliced",
        "salt and pepper to taste",
        "juice of 1 lemon",
        "2 x 400 g tins chopped tomatoes",
        "vine-ripened tomatoes, 500 g",
        "a handful of spinach",
        "1 firkin of moonfruit",
        "4 (6 oz) boneless, skinless chicken breasts",
        "1 (28-ounce) can crushed tomatoes",
        "2 tbsp tahini or peanut butter",
        "1.5 lbs ground turkey (93% lean)",
        "½ cup freshly grated parmesan",
        "1 cup Aunt Odalys' wonder mix",
        "500g/1lb 2oz beef mince",
        "1 bunch fresh cilantro, chopped",
        "soured cream, to serve",
        "250 g spaghetti, cooked fresh at eating",
    ];

    private FoodMatcher _foods = null!;

    [GlobalSetup]
    public void SetUp() =>
        _foods = DataFiles.Load(DataFiles.Find()).Foods.With([], Enumerable.Range(0, 500).Select(at => ($"wonder mix {at}", "carrot")));

    [Benchmark]
    public int ThousandLines()
    {
        var known = 0;
        for (var at = 0; at < 1000; at++)
        {
            known += RecipeLine.From(Lines[at % Lines.Length], _foods, MeasureSystem.Metric).Food is null ? 0 : 1;
        }

        return known;
    }
}

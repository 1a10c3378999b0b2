using System.Diagnostics;
using Merienda.Core.Groups;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Formats;

namespace Merienda.Bench;

/// <summary>
/// How long a menu of 28 dishes takes to be checked for 6 strands with 40 profiles of allergies each and 3 tiers, and one edited dish of
/// it. Targets: 200 ms and 30 ms.
/// </summary>
internal static class MenuTimes
{
    private const int Profiles = 40,
        Rounds = 20;

    private static readonly string[] Followed = ["points", "low-carb", "mediterranean", "vegetarian", "gluten-free", "calories-macros"];

    private static readonly string[] Allergens =
    [
        "milk",
        "egg",
        "fish",
        "crustacean",
        "mollusc",
        "peanut",
        "soy",
        "tree-nut",
        "sesame",
        "celery",
        "mustard",
        "lupin",
        "gluten-cereal",
    ];

    public static void Run()
    {
        var data = DataFiles.Load(DataFiles.Find());
        var random = new Random(20261129);
        var meals = Rhythm.Usual.Meals.ToList();
        var recipes = Enumerable
            .Range(0, 28)
            .Select(at => new RecipeVersion
            {
                Name = $"Dish {at}",
                Portions = random.Next(2, 9),
                Lines =
                [
                    .. random.GetItems(VerdictBenchmarks.Lines, 10).Select(line => RecipeLine.From(line, data.Foods, MeasureSystem.Metric)),
                ],
                Tasks = [],
                Keeping = KeepingClass.WithKey("cooked")!,
            })
            .ToDictionary(_ => Guid.NewGuid());
        var menu = new Menu(
            Guid.NewGuid(),
            "Week",
            new(2026, 11, 29),
            7,
            "",
            [.. recipes.Keys.Select((id, at) => new MenuDish(Guid.NewGuid(), at / 4, meals[at % 4].Key, id))]
        )
        {
            Tiers = [new("small", 1200), new("middle", 1400), new("large", 1600)],
        };
        var strands = Followed
            .SelectMany(protocol =>
                Enumerable
                    .Range(0, Profiles)
                    .Select(profile => new Strand(
                        new Eater(
                            Guid.NewGuid(),
                            "Member",
                            new EaterRules(
                                [new FollowedProtocol(data.Protocol(protocol)!, new Dictionary<string, string>())],
                                [],
                                new PersonalLimits([.. random.GetItems(Allergens, profile % 4).Distinct()], [], []),
                                data.HouseScheme,
                                data.Classes,
                                default
                            ),
                            [],
                            Rhythm.Usual
                        ),
                        [protocol],
                        5
                    ))
            )
            .ToList();

        var (whole, one) = (new List<double>(), new List<double>());
        for (var round = 0; round <= Rounds; round++)
        {
            var watch = Stopwatch.StartNew();
            var check = new MenuCheck(menu, recipes, meals);
            var found = menu.Dishes.Sum(dish => DishCheck.Of(dish, recipes[dish.RecipeVersion], strands).Reasons.Count);
            found += check.Over(strands).Count + check.Tiers(data.HouseScheme, data.Classes).Count;
            var all = watch.Elapsed.TotalMilliseconds;
            watch.Restart();
            found += DishCheck.Of(menu.Dishes[round % 28], recipes[menu.Dishes[round % 28].RecipeVersion], strands).Reasons.Count;
            // The first round warms up.
            if (round > 0 && found > 0)
            {
                whole.Add(all);
                one.Add(watch.Elapsed.TotalMilliseconds);
            }
        }

        whole.Sort();
        one.Sort();
        Console.WriteLine(
            $"28 dishes x {strands.Count} strands x 3 tiers: {whole[Rounds / 2]:0} ms in the middle, {whole[^1]:0} at most; one dish {one[Rounds / 2]:0.0} and {one[^1]:0.0} ms; {Process.GetCurrentProcess().PeakWorkingSet64 / 1_000_000} MB"
        );
    }
}

using BenchmarkDotNet.Attributes;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Formats;

namespace Merienda.Bench;

/// <summary>
/// The verdict of every recipe for twelve eaters under eleven protocols and an allergy; target: 5,000 recipes under 1 s on two cores,
/// growing in line with the recipes.
/// </summary>
[MemoryDiagnoser]
public class VerdictBenchmarks
{
    internal static readonly string[] Lines =
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
        "300 g chicken breast",
        "200 g white rice",
        "4 eggs",
        "100 g feta",
        "500 g potato",
        "1 clove garlic",
        "200 g mushrooms",
        "50 g walnuts",
        "300 g broccoli",
        "250 ml whole milk",
    ];

    private VerdictMatrix _matrix = null!;
    private IReadOnlyList<PortionProfile> _profiles = [];
    private IReadOnlyList<EaterRules> _eaters = [];

    [Params(1_250, 2_500, 5_000)]
    public int Recipes { get; set; }

    [GlobalSetup]
    public void SetUp()
    {
        var data = DataFiles.Load(DataFiles.Find());
        var random = new Random(20261123);
        _profiles =
        [
            .. Enumerable
                .Range(0, Recipes)
                .Select(_ =>
                    PortionProfile.Of(
                        random.GetItems(Lines, 10).Select(line => RecipeLine.From(line, data.Foods, MeasureSystem.Metric)),
                        random.Next(2, 9)
                    )
                ),
        ];
        EaterRules Of(PersonalLimits personal, params string[] protocols) =>
            new(
                protocols.Select(id => new FollowedProtocol(data.Protocol(id)!, new Dictionary<string, string>())),
                protocols.SelectMany(id =>
                    data.Protocol(id)!
                        .AllRules.OfType<BoundedRule>()
                        .DistinctBy(rule => rule.Id)
                        .Select(rule => new Allowance(id, rule.Id, rule.AsksAtLeast ? 20 : null, rule.AsksAtMost ? 60 : null))
                ),
                personal,
                data.HouseScheme,
                data.Classes,
                default
            );
        string[] alone =
        [
            "calories-macros",
            "low-carb",
            "low-carb-total",
            "points",
            "whole-food",
            "low-fodmap",
            "after-bariatric",
            "coached-macros",
            "mediterranean",
            "vegan",
        ];
        _eaters =
        [
            .. alone.Select(id => Of(PersonalLimits.None, id)),
            Of(PersonalLimits.None, "low-fodmap", "calories-macros"),
            Of(new(["fish"], [], ["carrot"]), "gluten-free"),
        ];
        _matrix = new(_profiles);
    }

    [Benchmark]
    public int Fast() => _matrix.For(_eaters).Sum(row => row.Count(verdict => verdict == Verdict.Breaks));

    [Benchmark]
    public int Plain() =>
        _eaters.Sum(eater =>
            _profiles.Count(profile =>
                eater.CheckPortion(Intake.Of(new("", profile, 1)), null).Any(finding => finding.Verdict == Verdict.Breaks)
            )
        );
}

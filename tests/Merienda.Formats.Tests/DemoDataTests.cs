using System.Text.Json.Nodes;
using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Foods.Statements;
using Merienda.Core.Keeping;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Formats.Tests;

/// <summary>The demo scenario is data and is checked like data: nothing in it may be left to luck at seeding.</summary>
public class DemoDataTests
{
    private static readonly DataFiles Data = DataFiles.Load(DataFiles.Find());

    private static JsonArray Read(string file) => JsonNode.Parse(File.ReadAllText(Path.Combine(DataFiles.Find(), "demo", file)))!.AsArray();

    private static readonly StatementLexicon Lexicon = StatementWords.Load(
        Path.Combine(DataFiles.Find(), "statement-words.csv"),
        Data.Classes
    );

    private static IReadOnlyList<PrintedPacket> Packets =>
        [
            .. Read("packets.json")
                .Select(node => node!)
                .Select(node => new PrintedPacket(
                    node["name"]!.GetValue<string>(),
                    Enum.Parse<LabelCountry>(node["country"]!.GetValue<string>()),
                    null,
                    node["serving"]!.GetValue<string>(),
                    node["values"]!
                        .AsObject()
                        .ToDictionary(value => Enum.Parse<LabelNutrient>(value.Key), value => value.Value!.GetValue<string>()),
                    node["statement"]!.GetValue<string>(),
                    node["mayContain"]!.GetValue<string>(),
                    node["pack"]!.GetValue<string>(),
                    null,
                    null,
                    null,
                    [.. node["classes"]!.AsArray().Select(key => key!.GetValue<string>())],
                    node["aisle"]!.GetValue<string>()
                )),
        ];

    private static readonly FoodMatcher Foods = Data.Foods.With(
        Packets.Select(printed =>
            Packet.ToFood(Guid.NewGuid(), 1, printed, printed.Read(Data.Classes).Value, false, Lexicon, Data.Classes)
        ),
        []
    );

    [Fact]
    public void Demo_packets_can_be_read_and_their_energy_agrees_with_their_macros() =>
        Assert.All(
            Packets,
            printed =>
            {
                var label = printed.Read(Data.Classes).Value.Label;
                Assert.False(
                    EnergyClaim.IsQueried(label.PerHundredGrams(LabelNutrient.Energy).Best, label.EnergyByFactors!.Value),
                    printed.Name
                );
                Assert.True(
                    Lexicon.Read(printed.Statement, printed.MayContain).IsThrough,
                    $"{printed.Name}: {string.Join(", ", Lexicon.Read(printed.Statement).CannotTell)}"
                );
            }
        );

    public static TheoryData<string> Recipes => [.. Read("recipes.json").Select(recipe => recipe!["key"]!.GetValue<string>())];

    private static JsonNode Recipe(string key) => Read("recipes.json").Single(recipe => recipe!["key"]!.GetValue<string>() == key)!;

    [Theory]
    [MemberData(nameof(Recipes))]
    public void Every_line_of_a_demo_recipe_finds_its_food_and_can_be_weighed(string key)
    {
        var lines = Recipe(key)["lines"]!
            .AsArray()
            .Select(line => RecipeLine.From(line!.GetValue<string>(), Foods, MeasureSystem.Metric))
            .ToList();
        Assert.All(lines, line => Assert.Equal((MatchKind.Exact, false), (line.Match, line.Grams.IsOpen)));
        var portion = PortionProfile.Of(lines, Recipe(key)["portions"]!.GetValue<decimal>());
        Assert.InRange(portion.Total(Measure.Energy).Best, 120, 700);
        Assert.False(portion.Total(Measure.NetCarbohydrate).IsOpen);
    }

    [Theory]
    [MemberData(nameof(Recipes))]
    public void The_tasks_of_a_demo_recipe_wait_only_for_tasks_that_exist_and_it_says_how_it_keeps(string key)
    {
        var recipe = Recipe(key);
        var tasks = recipe["tasks"]!.AsArray();
        var ids = tasks.Select(task => task!["id"]!.GetValue<string>()).ToList();
        Assert.Equal(ids.Count, ids.Distinct().Count());
        Assert.All(
            tasks.SelectMany(task => task!["after"]?.AsArray().Select(id => id!.GetValue<string>()) ?? []),
            id => Assert.Contains(id, ids)
        );
        Assert.All(tasks, task => Assert.InRange(task!["handsOn"]!.GetValue<int>(), 1, 60));
        var keeping = KeepingClass.WithKey(recipe["keeping"]!.GetValue<string>());
        Assert.NotNull(keeping);
        Assert.True(
            keeping.Key is not ("cooked" or "cooked-fish") || recipe["reheating"]!.GetValue<string>().Length > 0 || key == "glass-noodles",
            "a hot dish says how to reheat it"
        );
    }

    [Fact]
    public void Demo_weeks_place_no_more_than_they_cook_and_nothing_before_it_is_cooked()
    {
        var keys = Recipes.Select(row => row.Data).ToHashSet();
        foreach (var batch in Read("households.json").SelectMany(household => household!["batches"]!.AsArray()))
        {
            var places = batch!["places"]!.AsArray();
            Assert.Contains(batch["recipe"]!.GetValue<string>(), keys);
            Assert.True(
                places.Sum(place => place!["size"]?.GetValue<decimal>() ?? 1) <= batch["portions"]!.GetValue<decimal>(),
                batch.ToJsonString()
            );
            Assert.All(
                places,
                place => Assert.InRange(place!["day"]!.GetValue<int>(), Math.Max(0, batch["cookedOnDay"]!.GetValue<int>()), 6)
            );
        }
    }

    [Fact]
    public void Every_protocol_is_alive_in_the_demo()
    {
        var chosen = Read("households.json")
            .SelectMany(household => household!["eaters"]!.AsArray())
            .SelectMany(eater => eater!["protocols"]!.AsArray())
            .Select(id => id!.GetValue<string>());
        Assert.Equal(Data.Protocols.Select(protocol => protocol.Id).Order(), chosen.Distinct().Order());
    }
}

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

    private static readonly IReadOnlyList<DemoRecipe> All = DemoRecipes.Load(DataFiles.Find());

    public static TheoryData<string> Recipes => [.. All.Select(recipe => recipe.Key)];

    /// <summary>The demo's recipes as one household saves them, one after the other.</summary>
    private static readonly Lazy<IReadOnlyDictionary<string, RecipeVersion>> Saved = new(() =>
    {
        var (saved, known) = (new Dictionary<string, RecipeVersion>(), new List<KnownRecipe>());
        foreach (var recipe in All)
        {
            var book = new Cookbook([.. known]);
            RecipeLine Read(TypedLine line) => RecipeLine.From(line, Foods, MeasureSystem.Metric, recipes: book);
            var version = new RecipeVersion
            {
                Name = recipe.Name,
                Portions = recipe.Portions,
                Lines = [.. recipe.Lines.Select(Read)],
                Tasks = recipe.Tasks,
                Parts = recipe.Parts,
                Keeping = KeepingClass.WithKey(recipe.Keeping)!,
                Variants =
                [
                    .. recipe.Variants.Select(variant => new Variant(variant.Name)
                    {
                        Lines = variant.Lines,
                        Parts = variant.Parts,
                        Added = [.. variant.Added.Select(added => new VariantLine(added.Instead, Read(added.Line)))],
                    }),
                ],
            };
            saved.Add(recipe.Key, version);
            known.Add(new(Guid.NewGuid(), Guid.NewGuid(), version));
        }

        return saved;
    });

    [Theory]
    [MemberData(nameof(Recipes))]
    public void Every_line_of_a_demo_recipe_is_known_and_weighed_and_its_variants_hold(string key)
    {
        var recipe = Saved.Value[key];
        foreach (var dish in recipe.Variants.Select(variant => recipe.As(variant.Name)!).Prepend(recipe))
        {
            Assert.All(
                dish.Lines,
                line =>
                    Assert.True(
                        line.Use is not null || (line is { Match: MatchKind.Exact, HasChoice: false }),
                        $"{key}: {line.Read.Text}: {line.Name}, {line.Match}, {line.Doubt}"
                    )
            );
            Assert.All(dish.Ingredients, line => Assert.False(line.Grams.IsOpen, $"{key}: {line.Read.Text}"));
            var portion = dish.Profile;
            Assert.InRange(portion.Total(Measure.Energy).Best, dish.Meal is null ? 5 : 60, 800);
            Assert.False(portion.Total(Measure.NetCarbohydrate).IsOpen);
        }

        Assert.Null(Variant.Refuse(recipe.Variants, recipe));
    }

    [Fact]
    public void The_demo_has_parts_variants_and_bases_that_several_dishes_share()
    {
        Assert.InRange(All.Count, 48, 200);
        Assert.Equal(All.Count, All.Select(recipe => recipe.Name).Distinct().Count());
        Assert.InRange(All.Count(recipe => recipe.Variants.Count > 0), 15, 200);
        Assert.InRange(All.Count(recipe => recipe.Parts.Count > 0), 2, 200);
        var uses = Saved.Value.Values.SelectMany(recipe => recipe.Uses.Select(use => use.Of.Of.Name)).GroupBy(name => name).ToList();
        Assert.InRange(uses.Count(name => name.Count() > 1), 3, 200);
    }

    [Theory]
    [MemberData(nameof(Recipes))]
    public void The_tasks_of_a_demo_recipe_wait_only_for_tasks_that_exist_and_it_says_how_it_keeps(string key)
    {
        var recipe = All.Single(one => one.Key == key);
        var ids = recipe.Tasks.Select(task => task.Id).ToList();
        Assert.Equal(ids.Count, ids.Distinct().Count());
        Assert.All(recipe.Tasks.SelectMany(task => task.After), id => Assert.Contains(id, ids));
        Assert.All(recipe.Tasks, task => Assert.InRange(task.HandsOn, 1, 60));
        var keeping = KeepingClass.WithKey(recipe.Keeping);
        Assert.NotNull(keeping);
        Assert.True(
            keeping.Key is not ("cooked" or "cooked-fish")
                || recipe.Reheating.Length > 0
                || key is "glass-noodles" or "lentil-walnut" or "quinoa-beet",
            "a hot dish says how to reheat it"
        );
    }

    [Fact]
    public void Demo_weeks_place_no_more_than_they_cook_and_nothing_before_it_is_cooked()
    {
        var keys = Recipes.Select(row => row.Data).ToHashSet();
        foreach (var batch in Read("households.json").SelectMany(household => household!["batches"]!.AsArray()))
        {
            Assert.Contains(batch!["recipe"]!.GetValue<string>(), keys);
            var rows = (batch["rows"]?.AsArray() ?? []).SelectMany(row =>
                row!["days"]!
                    .AsArray()
                    .Select(day => new JsonObject { ["day"] = day!.GetValue<int>(), ["size"] = row["size"]?.GetValue<decimal>() ?? 1 })
            );
            var places = (batch["places"]?.AsArray() ?? []).Concat(rows).ToList();
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

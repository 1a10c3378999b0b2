using System.Text;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Formats.Tests;

/// <summary>
/// What rules and readers say, all on one page (docs/sentences.md), so that each sentence is read aloud once before it ships. The page is
/// written anew with MERIENDA_WRITE_DOCS=1;
/// without it this test holds the page to the program.
/// </summary>
public class SentenceTests
{
    private static readonly DataFiles Data = DataFiles.Load(DataFiles.Find());

    private static readonly string[] Lines =
    [
        "200 g moonfruit",
        "2 tbsp tahini or peanut butter",
        "1 cup milk",
        "200 g Cumberland sausages",
        "salt",
        "3 cups lamb shoulder",
        "0 g cod",
        "1 pack strawberries",
        "2 eggs plus 4 egg whites",
        "soured cream, to serve",
        "olive oil for frying",
        "1 jar moonfruit",
    ];

    private static readonly string[][] Dishes =
    [
        ["200 g cod", "2 carrots"],
        ["150 g white rice", "200 g moonfruit"],
        ["1 tbsp oyster sauce", "1 onion"],
        ["2 tbsp tahini or peanut butter"],
        ["200 g salmon, brushed with butter"],
        ["500 g beef mince", "200 g cheddar", "100 g sugar"],
    ];

    [Fact]
    public void Every_sentence_stands_on_one_page()
    {
        var page = new StringBuilder(
            "# What the program says\n\nMade by a test from the program itself; read each sentence aloud once before it ships.\n\n## Of a line\n\n"
        );
        foreach (var text in Lines)
        {
            page.Append($"- {text}: {RecipeLine.From(text, Data.Foods, MeasureSystem.Metric).Doubt ?? "(nothing)"}\n");
        }

        foreach (var protocol in Data.Protocols)
        {
            page.Append($"\n## {protocol.Name}\n\n");
            var rules = new EaterRules(
                [new FollowedProtocol(protocol, new Dictionary<string, string>())],
                protocol
                    .AllRules.OfType<BoundedRule>()
                    .DistinctBy(rule => rule.Id)
                    .Select(rule => new Allowance(protocol.Id, rule.Id, rule.AsksAtLeast ? 20 : null, rule.AsksAtMost ? 30 : null)),
                PersonalLimits.None,
                Data.HouseScheme,
                Data.Classes,
                default
            );
            foreach (var sentence in Dishes.SelectMany(dish => Said(rules, dish)).Distinct())
            {
                page.Append($"- {sentence}\n");
            }
        }

        page.Append("\n## Allergies\n\n");
        foreach (
            var sentence in new[] { "dairy", "peanut", "gluten-cereal", "fish" }
                .SelectMany(allergy =>
                    Dishes.SelectMany(dish => Said(new([], [], new([allergy], [], []), Data.HouseScheme, Data.Classes, default), dish))
                )
                .Distinct()
        )
        {
            page.Append($"- {sentence}\n");
        }

        var path = Path.Combine(DataFiles.Find(), "..", "docs", "sentences.md");
        if (Environment.GetEnvironmentVariable("MERIENDA_WRITE_DOCS") == "1")
        {
            File.WriteAllText(path, page.ToString());
        }

        Assert.Equal(File.ReadAllText(path), page.ToString());
    }

    [Theory]
    [InlineData("nobody knows it of")]
    [InlineData("nobody knows what")]
    [InlineData("that nothing covers")]
    [InlineData("1 breaks")]
    public void No_cook_says(string words) =>
        Assert.DoesNotContain(
            words,
            File.ReadAllText(Path.Combine(DataFiles.Find(), "..", "docs", "sentences.md")),
            StringComparison.OrdinalIgnoreCase
        );

    private static IEnumerable<string> Said(EaterRules rules, string[] dish)
    {
        var portion = Intake.Of(
            new("dish", PortionProfile.Of(dish.Select(line => RecipeLine.From(line, Data.Foods, MeasureSystem.Metric)), 2), 1)
        );
        return rules
            .CheckPortion(portion, 0.3m, MealRole.Lunch)
            .SelectMany(finding =>
                finding.Notes.Prepend(finding.Cure is { } cure ? $"{finding.Because} To make it fit: {cure}." : finding.Because)
            );
    }
}

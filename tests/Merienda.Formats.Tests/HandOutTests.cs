using System.Globalization;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Validation;
using DocumentFormat.OpenXml.Wordprocessing;
using Markdig;
using Merienda.Core.Keeping;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Formats.HandOut;

namespace Merienda.Formats.Tests;

/// <summary>A menu as it is handed out, in each of its files.</summary>
public class HandOutTests
{
    private static readonly DataFiles Data = DataFiles.Load(DataFiles.Find());

    private static RecipeLine Line(string text, string part = "") =>
        RecipeLine.From(new TypedLine(text, part) { Id = Guid.NewGuid() }, Data.Foods, MeasureSystem.Metric);

    private static readonly RecipeLine Oats = Line("200 g oats");

    private static readonly RecipeVersion Porridge = new()
    {
        Name = "Oats <& honey>",
        Portions = 4,
        Lines = [Oats, Line("400 ml whole milk"), Line("2 spoons of moonfruit paste", "On top")],
        Variants = [new("Half the oats") { Lines = [new(Oats.Typed.Id, 0.5m)] }],
        Tasks =
        [
            new("1", "Simmer for 5 minutes.", 5, 0, Appliance.Burner, null, []),
            new("2", "Rest | cover.", 0, 5, Appliance.None, null, ["1"]),
        ],
        Keeping = KeepingClass.WithKey("cooked")!,
        Reheating = "2 minutes, covered",
    };

    private static HandedMenu Menu(string changed = "") =>
        new(
            "Supper Circle",
            "Harbour week",
            "Version 1, published on 29 November 2026.",
            changed,
            "Cook on Saturday",
            new DateOnly(2026, 11, 29),
            2,
            ["breakfast", "supper"],
            [new("1,200", 1200), new("large", 1600)],
            [
                new(0, "breakfast", 0, [new("1,200", 0), new("large", 1.5m)], [new("low-carb", "Half the oats")]),
                new(1, "supper", 0, [], []),
            ],
            [new(Porridge, MeasureSystem.Metric, true)],
            [new("grains", "Oats", "100 g", "1 kg")],
            [new("Low-carb", ["Ask first."]), new("Points", [])],
            protocol => $"who follows {protocol}",
            10
        );

    private static Merienda.Formats.HandOut.Document Written(HandedMenu menu) =>
        MenuHandOut.Of(menu, Data.Foods, Data.Classes, [new("Points", Data.HouseScheme)]);

    private static IEnumerable<IReadOnlyList<string>> Rows(HandedMenu menu) =>
        Written(menu).Blocks.OfType<Grid>().SelectMany(grid => grid.Rows);

    [Fact]
    public void The_menu_stands_at_a_glance_with_what_each_tier_has_and_for_whom_it_is_made_otherwise()
    {
        var rows = Rows(Menu()).ToList();
        Assert.Equal(["Sun 29 Nov", "Oats <& honey>", ""], rows[0]);
        Assert.Equal(["Mon 30 Nov", "", "Oats <& honey>"], rows[1]);
        Assert.Equal(["Oats <& honey>", "none", "1.5", "Half the oats: who follows low-carb"], rows[2]);
        // A dish of which nothing else is said does not stand there again.
        Assert.Equal(["Rolled oats", "50 g oats", "500 g oats"], rows[3]);
    }

    [Fact]
    public void A_recipe_has_its_amounts_for_one_and_for_many_its_numbers_and_what_nobody_can_tell()
    {
        var rows = Rows(Menu()).ToList();
        Assert.Contains(rows, row => row[0] == "one portion" && row[1].StartsWith("at least ", StringComparison.Ordinal));
        Assert.Contains(rows, row => row[0] == "Half the oats (who follows low-carb): one portion");
        var said = Written(Menu()).Blocks.OfType<Items>().SelectMany(items => items.Texts).ToList();
        Assert.Contains(
            said,
            text => text.StartsWith("Allergens:", StringComparison.Ordinal) && text.Contains("milk", StringComparison.Ordinal)
        );
        Assert.Contains(said, text => text.Contains("nobody can tell of", StringComparison.Ordinal));
        Assert.Contains("To reheat: 2 minutes, covered", said);
        Assert.Contains("Ask first.", said);
        Assert.DoesNotContain(Written(Menu()).Blocks, block => block is Heading { Text: "Points" });
        Assert.Contains(rows, row => row is ["Oats", "100 g", "1 kg"]);
    }

    [Fact]
    public void Numbers_stand_for_each_tier_and_for_who_has_a_variant_and_days_add_up()
    {
        // Nothing in it is unknown, so that no number is "at least".
        var plain = new RecipeVersion
        {
            Name = "Oats",
            Portions = 2,
            Lines = [Oats],
            Variants = [new("Half the oats") { Lines = [new(Oats.Typed.Id, 0.5m)] }],
            Keeping = KeepingClass.WithKey("cooked")!,
        };
        var energy = Oats.Grams.Best * Oats.Food!.Profile.Energy!.Value / 100 / 2;
        string Kcal(decimal portions) =>
            Math.Round(energy * portions, MidpointRounding.AwayFromZero).ToString("#,0", CultureInfo.InvariantCulture);
        var menu = Menu() with { Recipes = [new(plain, MeasureSystem.Metric, true)] };
        var grids = Written(menu).Blocks.OfType<Grid>().ToList();

        var recipe = grids.Single(grid => grid.Rows.Any(row => row[0] == "one portion"));
        Assert.Equal(
            [
                ("one portion", Kcal(1)),
                ("1.5 portions for large (1,600 kcal)", Kcal(1.5m)),
                ("Half the oats (who follows low-carb): one portion", Kcal(0.5m)),
                ("Half the oats (who follows low-carb): 1.5 portions for large (1,600 kcal)", Kcal(0.75m)),
            ],
            recipe.Rows.Select(row => (row[0], row[1]))
        );

        var days = grids.Where(grid => grid.Head[0] == "Day").ToList();
        Assert.Equal(2, days.Count);
        // On Sunday the first tier has none of it; on Monday nobody has a variant.
        Assert.Equal(
            [("Sun 29 Nov", "large", Kcal(1.5m)), ("Mon 30 Nov", "1,200", Kcal(1)), ("Mon 30 Nov", "large", Kcal(1))],
            days[0].Rows.Select(row => (row[0], row[1], row[2]))
        );
        Assert.Equal([Kcal(0.75m), Kcal(1), Kcal(1)], days[1].Rows.Select(row => row[2]));
        Assert.Contains(Written(menu).Blocks, block => block is Heading { Text: "who follows low-carb", Level: 3 });
    }

    [Fact]
    public void Points_stand_in_each_way_in_which_the_group_counts_them()
    {
        var twice = new HandedScheme("Circle points", Data.HouseScheme with { Step = 5 });
        var grids = MenuHandOut
            .Of(Menu(), Data.Foods, Data.Classes, [new("House points", Data.HouseScheme), twice])
            .Blocks.OfType<Grid>()
            .Where(grid => grid.Head[^1] == "Points (Circle points)")
            .ToList();
        Assert.NotEmpty(grids);
        Assert.All(grids, grid => Assert.Equal("Points (House points)", grid.Head[^2]));
        Assert.All(
            grids.SelectMany(grid => grid.Rows),
            row => Assert.Equal(0, decimal.Parse(row[^1].Replace("at least ", ""), CultureInfo.InvariantCulture) % 5)
        );
    }

    [Fact]
    public void Amounts_are_right_for_hundreds_and_for_one_of_a_very_large_batch()
    {
        var large = new RecipeVersion
        {
            Name = "Porridge for the harbour",
            Portions = 40,
            Lines = [Line("4000 g oats")],
            Keeping = KeepingClass.WithKey("cooked")!,
        };
        var rows = Rows(Menu() with { Recipes = [new(large, MeasureSystem.Metric, true)], Eaters = 500 }).ToList();
        Assert.Contains(rows, row => row is ["Rolled oats", "100 g oats", "50000 g oats" or "50 kg oats"]);
        rows = [.. Rows(Menu() with { Eaters = 500 })];
        Assert.Contains(rows, row => row is ["Rolled oats", "50 g oats", "25000 g oats" or "25 kg oats"]);
    }

    [Fact]
    public void A_correction_stands_on_top_and_the_first_version_has_none()
    {
        Assert.Contains(new Merienda.Formats.HandOut.Paragraph("Corrected: Less milk"), Written(Menu("Less milk")).Blocks);
        Assert.DoesNotContain(Written(Menu()).Blocks, block => block is Merienda.Formats.HandOut.Paragraph { Text: ['C', 'o', 'r', ..] });
    }

    [Fact]
    public void The_word_processors_file_is_valid_has_an_outline_and_every_list_begins_at_one()
    {
        using var file = new MemoryStream(WordDocument.Of(Written(Menu())));
        using var package = WordprocessingDocument.Open(file, isEditable: false);
        Assert.Empty(
            new OpenXmlValidator(DocumentFormat.OpenXml.FileFormatVersions.Microsoft365)
                .Validate(package, TestContext.Current.CancellationToken)
                .Select(error => error.Description)
        );
        var body = package.MainDocumentPart!.Document!.Body!;
        Assert.Contains("Oats <& honey>", body.InnerText, StringComparison.Ordinal);
        Assert.Equal(
            ["Heading1", "Heading3", "Heading2", "Heading2", "Heading3", "Heading3", "Heading2", "Heading2", "Heading3"],
            body.Descendants<ParagraphStyleId>()
                .Select(style => style.Val!.Value!)
                .Where(style => style.StartsWith("Heading", StringComparison.Ordinal))
        );
        Assert.Equal(3, body.Descendants<PageBreakBefore>().Count());
        Assert.Contains(
            package.MainDocumentPart.NumberingDefinitionsPart!.Numbering!.Elements<NumberingInstance>(),
            instance => instance.NumberID! == 2 && instance.Descendants<StartOverrideNumberingValue>().Single().Val! == 1
        );
    }

    [Fact]
    public void What_stands_in_a_recipe_is_no_tag_and_no_sign_of_the_page()
    {
        var html = HtmlDocument.Of(Written(Menu()));
        Assert.Contains("<h2 class=\"page\">Oats &lt;&amp; honey&gt;</h2>", html, StringComparison.Ordinal);
        Assert.DoesNotContain("<& honey>", html, StringComparison.Ordinal);
        Assert.Contains("<title>Harbour week</title>", html, StringComparison.Ordinal);
        Assert.DoesNotContain("http", html, StringComparison.Ordinal);
    }

    [Fact]
    public void Another_reader_of_markdown_sees_the_same_headings_rows_and_words()
    {
        var markdown = MarkdownDocument.Of(Written(Menu()));
        var html = Markdown.ToHtml(markdown, new MarkdownPipelineBuilder().UsePipeTables().Build());
        Assert.Contains("<h2>Oats &lt;&amp; honey&gt;</h2>", html, StringComparison.Ordinal);
        Assert.Contains("<td>50 g oats</td>", html, StringComparison.Ordinal);
        Assert.Contains("Rest | cover.", html, StringComparison.Ordinal);
        Assert.Equal(Written(Menu()).Blocks.OfType<Grid>().Count(), html.Split("<table>").Length - 1);
    }
}

using System.Text.Json;
using Merienda.Cli;

namespace Merienda.Solving.Tests;

public sealed class PlanCommandTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory().FullName;

    public void Dispose() => Directory.Delete(_folder, true);

    private string File(string name, string text)
    {
        var path = Path.Combine(_folder, name);
        System.IO.File.WriteAllText(path, text);
        return path;
    }

    private static (int Exit, string Output, string Errors) Run(params string[] words)
    {
        using var output = new StringWriter();
        using var errors = new StringWriter();
        return (PlanCommand.Run(words, new(2026, 11, 27), output, errors), output.ToString(), errors.ToString());
    }

    private string Recipes()
    {
        var folder = Directory.CreateDirectory(Path.Combine(_folder, "recipes")).FullName;
        string[] dishes =
        [
            "Cod bake\nServes 4\nCourse: supper\n600 g cod\n400 g potatoes\n\nBake at 200 °C for 25 minutes.",
            "Lentil stew\nServes 4\nCourse: lunch\n300 g red lentils\n2 carrots\n\nSimmer for 25 minutes.",
            "Beef pot\nServes 4\nCourse: supper\n600 g beef shin\n400 g carrots\n\nSimmer for 90 minutes.",
            "Fennel pan\nServes 4\nCourse: lunch\n800 g fennel\n200 g feta\n\nBake for 25 minutes.",
            "Chicken tray\nServes 4\nCourse: supper\n600 g chicken breast\n3 red peppers\n\nBake for 25 minutes.",
        ];
        for (var at = 0; at < dishes.Length; at++)
        {
            System.IO.File.WriteAllText(Path.Combine(folder, $"{at}.txt"), dishes[at]);
        }

        return folder;
    }

    private const string LunchAndSupper =
        "\"meals\": [{ \"slot\": \"breakfast\", \"from\": \"nothing\" }, { \"slot\": \"bite\", \"from\": \"nothing\" }]";

    [Fact]
    public void A_folder_becomes_a_week_with_its_list_and_its_proofs()
    {
        var eaters = File("eaters.json", $$"""[{ "name": "Ilse", "protocols": [], {{LunchAndSupper}} }]""");
        var (exit, output, errors) = Run(Recipes(), "--eaters", eaters, "--start", "2026-11-29", "--json");
        Assert.Equal((PlanCommand.Fits, ""), (exit, errors));

        var week = JsonDocument.Parse(output).RootElement;
        Assert.Equal(14, week.GetProperty("plan").GetArrayLength());
        Assert.Equal("2026-11-29", week.GetProperty("plan")[0].GetProperty("day").GetString());
        Assert.Equal("Ilse", week.GetProperty("plan")[0].GetProperty("eater").GetString());
        Assert.Empty(week.GetProperty("unmet").EnumerateArray());
        Assert.NotEmpty(week.GetProperty("shopping").EnumerateArray());
        var covered = week.GetProperty("levels")[0];
        Assert.Equal(
            (0, 0, true),
            (covered.GetProperty("value").GetInt32(), covered.GetProperty("bound").GetInt32(), covered.GetProperty("proven").GetBoolean())
        );
        // What is eaten was cooked.
        Assert.True(
            week.GetProperty("batches").EnumerateArray().Sum(batch => batch.GetProperty("portions").GetDecimal())
                >= week.GetProperty("plan").EnumerateArray().Sum(meal => meal.GetProperty("size").GetDecimal())
        );
    }

    [Fact]
    public void What_is_unmet_is_said_and_is_another_exit()
    {
        var eaters = File("eaters.json", """[{ "name": "Ilse", "protocols": [{ "id": "vegan" }] }]""");
        var (exit, output, _) = Run(Recipes(), "--eaters", eaters);
        Assert.Equal(PlanCommand.Unmet, exit);
        Assert.Contains("Unmet: Ilse: no breakfast on Sun, Mon, Tue, Wed, Thu, Fri, Sat.", output);
        Assert.DoesNotContain("Cod bake", output);
    }

    [Fact]
    public void A_recipe_that_cannot_be_planned_with_is_left_out_by_name()
    {
        var folder = Recipes();
        System.IO.File.WriteAllText(Path.Combine(folder, "9.txt"), "Riddle\n\nIngredients\n400 g cod\n\nMethod\nBake for 20 minutes.");
        var eaters = File("eaters.json", $$"""[{ "name": "Ilse", "protocols": [], {{LunchAndSupper}} }]""");
        Assert.Contains(
            "Left out: 9.txt: Riddle: the recipe does not say how many portions it makes.",
            Run(folder, "--eaters", eaters).Output
        );
    }

    [Theory]
    [InlineData("missing-value", "no recipes are named")]
    [InlineData("missing-value", "nobody eats", "recipes")]
    [InlineData("no-file", "missing.json", "recipes", "--eaters", "missing.json")]
    [InlineData("unknown-option", "--fast", "recipes", "--fast", "1")]
    [InlineData("bad-date", "soon", "recipes", "--eaters", "x", "--start", "soon")]
    [InlineData("missing-value", "--rounds", "recipes", "--rounds")]
    [InlineData("bad-number", "from 1 to 999", "recipes", "--eaters", "x", "--rounds", "0")]
    public void Bad_words_are_refused(string code, string said, params string[] words) => Refuses(code, said, Run(words));

    private static void Refuses(string code, string said, (int Exit, string Output, string Errors) ran)
    {
        Assert.Equal((PlanCommand.BadInput, ""), (ran.Exit, ran.Output));
        Assert.Contains(said, ran.Errors);
        Assert.EndsWith($"({code})", ran.Errors.TrimEnd());
    }

    [Theory]
    [InlineData("""[{ "name": "A", "protocols": [] }, { "name": "a", "protocols": [] }]""", "name-taken", "two eaters have one name")]
    [InlineData("[]", "eaters-out-of-range", "a table has 1 to 6 eaters")]
    [InlineData("""[{ "name": "A", "protocols": [{ "id": "moon" }] }]""", "document-wrong", "[0].protocols[0].id")]
    [InlineData(
        """[{ "name": "A", "protocols": [], "meals": [{ "slot": "tea", "from": "out" }] }]""",
        "document-wrong",
        "[0].meals[0].slot"
    )]
    public void Bad_eaters_are_refused_with_their_place(string eaters, string code, string said) =>
        Refuses(code, said, Run(Recipes(), "--eaters", File("eaters.json", eaters)));

    [Fact]
    public void A_kitchen_says_when_it_cooks()
    {
        var eaters = File("eaters.json", $$"""[{ "name": "Ilse", "protocols": [], {{LunchAndSupper}} }]""");
        var kitchen = File("kitchen.json", """{ "firstDay": "monday", "prepDays": ["sunday"], "freezerBoxes": 0 }""");
        var (exit, output, _) = Run(Recipes(), "--eaters", eaters, "--kitchen", kitchen, "--start", "2026-11-30", "--json");
        // Four days in the fridge and no freezer: the last days of the week stay open.
        Assert.Equal(PlanCommand.Unmet, exit);
        Assert.All(
            JsonDocument.Parse(output).RootElement.GetProperty("plan").EnumerateArray(),
            meal => Assert.True(string.CompareOrdinal(meal.GetProperty("day").GetString(), "2026-12-03") <= 0)
        );
        Refuses(
            "document-wrong",
            "prepDays[0]",
            Run(Recipes(), "--eaters", eaters, "--kitchen", File("k.json", """{ "prepDays": ["someday"] }"""))
        );
    }

    [Fact]
    public void A_price_file_makes_cost_a_level()
    {
        var eaters = File("eaters.json", $$"""[{ "name": "Ilse", "protocols": [], {{LunchAndSupper}} }]""");
        var prices = File("prices.csv", "food,pack,price\ncod fillet,1 kg,16\nbeef shin,1 kg,12\ncarrot,1 kg,1.1\n");
        var (exit, output, _) = Run(Recipes(), "--eaters", eaters, "--prices", prices, "--start", "2026-11-29", "--json");
        Assert.Equal(PlanCommand.Fits, exit);
        var cost = JsonDocument
            .Parse(output)
            .RootElement.GetProperty("levels")
            .EnumerateArray()
            .Single(level => level.GetProperty("name").GetString() == "Cost of what goes in, in hundredths");
        Assert.True(cost.GetProperty("value").GetInt64() > 0);
    }

    [Fact]
    public void A_wrong_price_is_named_with_its_row()
    {
        var eaters = File("eaters.json", $$"""[{ "name": "Ilse", "protocols": [], {{LunchAndSupper}} }]""");
        var prices = File("prices.csv", "food,pack,price\ncod fillet,1 kg,16\nmoonfruit,1 kg,12\n");
        var (exit, _, errors) = Run(Recipes(), "--eaters", eaters, "--prices", prices);
        Assert.Equal(PlanCommand.BadInput, exit);
        Assert.Contains("row 3", errors, StringComparison.Ordinal);
        Assert.Contains("price-row-wrong", errors, StringComparison.Ordinal);
    }
}

using System.Text.Json.Nodes;
using Merienda.Cli;

namespace Merienda.Formats.Tests;

public sealed class CheckCommandTests : IDisposable
{
    private readonly string _file = Path.Combine(Path.GetTempPath(), $"merienda-{Guid.NewGuid():N}");

    public void Dispose() => File.Delete(_file);

    private (int Exit, string Output, string Errors) Check(string recipe, params string[] words)
    {
        File.WriteAllText(_file, recipe);
        using var output = new StringWriter();
        using var errors = new StringWriter();
        var exit = CheckCommand.Run([_file, .. words], output, errors);
        return (exit, output.ToString(), errors.ToString());
    }

    private static string Coded(string code) => $" ({code})\n";

    private const string Soup =
        """{"@context":"https://schema.org","@type":"Recipe","name":"Soup","recipeYield":"4 servings","recipeIngredient":["350 g red lentils, rinsed","2 carrots","1 firkin of moonfruit (optional)"]}""";

    [Theory]
    [InlineData("netCarbohydrate<=60/day", CheckCommand.Fits)]
    [InlineData("netCarbohydrate<=25/day", CheckCommand.Breaks)]
    [InlineData("netCarbohydrate<=47.5/day", CheckCommand.Undecided)]
    public void The_exit_code_says_the_verdict(string limit, int exit) =>
        Assert.Equal(exit, Check(Soup, "--protocol", "low-carb", "--limit", limit).Exit);

    [Fact]
    public void A_limit_that_nobody_states_cannot_be_told() =>
        Assert.Equal(CheckCommand.Undecided, Check(Soup, "--protocol", "low-carb").Exit);

    public static TheoryData<string> Protocols => [.. DataFiles.Load(DataFiles.Find()).Protocols.Select(protocol => protocol.Id)];

    [Theory]
    [MemberData(nameof(Protocols))]
    public void Every_protocol_can_be_checked_against(string protocol)
    {
        var (exit, output, errors) = Check(Soup, "--protocol", protocol);
        Assert.Equal("", errors);
        Assert.NotEqual(CheckCommand.BadInput, exit);
        Assert.Contains("Soup, 4 portions", output, StringComparison.Ordinal);
    }

    [Fact]
    public void An_eater_file_brings_protocols_allowances_and_allergies()
    {
        var eater = Path.Combine(DataFiles.Find(), "..", "docs", "eater.example.json");
        var (exit, output, _) = Check("Nuts\nServes 2\n60 g hazelnuts\n30 g almonds", "--eater", eater);
        Assert.Equal(CheckCommand.Breaks, exit);
        Assert.Contains("Allergy: Hazelnuts (tree nuts).", output, StringComparison.Ordinal);
        Assert.Equal(CheckCommand.BadInput, Check(Soup, "--eater", eater, "--protocol", "vegan").Exit);
        var (missing, _, errors) = Check(Soup, "--eater", "/nowhere.json");
        Assert.Equal(CheckCommand.BadInput, missing);
        Assert.Contains("it cannot be read", errors, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("300 g cod", "300 g carrot", CheckCommand.Breaks)]
    [InlineData("300 g tofu", "300 g carrot", CheckCommand.Fits)]
    [InlineData("300 g tofu", "some moonfruit", CheckCommand.Undecided)]
    [InlineData("300 g cod", "", CheckCommand.BadInput)]
    public void A_folder_answers_with_the_worst_of_its_recipes(string one, string other, int exit)
    {
        var folder = Directory.CreateTempSubdirectory("merienda-").FullName;
        File.WriteAllText(Path.Combine(folder, "one.txt"), $"One\nServes 2\n{one}");
        File.WriteAllText(Path.Combine(folder, "other.txt"), $"Other\nServes 2\n{other}");
        using var output = new StringWriter();
        using var errors = new StringWriter();
        Assert.Equal(exit, CheckCommand.Run([folder, "--protocol", "vegan"], output, errors));
        Directory.Delete(folder, true);
        var empty = Directory.CreateTempSubdirectory("merienda-").FullName;
        Assert.Equal(CheckCommand.BadInput, CheckCommand.Run([empty, "--protocol", "vegan"], output, errors));
        Assert.EndsWith(Coded("empty-folder"), errors.ToString(), StringComparison.Ordinal);
        Directory.Delete(empty);
    }

    [Fact]
    public void Json_names_recipe_lines_numbers_and_findings()
    {
        var (exit, output, _) = Check(
            Soup,
            "--protocol",
            "low-carb",
            "--limit",
            "netCarbohydrate<=25/day",
            "--limit",
            "protein>=10/portion",
            "--json"
        );
        Assert.Equal(CheckCommand.Breaks, exit);
        var json = JsonNode.Parse(output)!;
        Assert.Equal(
            ("Soup", 4m, "breaks"),
            (json["recipe"]!.GetValue<string>(), json["portions"]!.GetValue<decimal>(), json["verdict"]!.GetValue<string>())
        );
        Assert.Equal(["exact", "exact", "none"], json["lines"]!.AsArray().Select(line => line!["match"]!.GetValue<string>()));
        Assert.Equal(350, json["lines"]![0]!["grams"]!.GetValue<decimal>());
        var net = json["perPortion"]!["netCarbohydrate"]!;
        Assert.True(
            net["low"]!.GetValue<decimal>() < net["best"]!.GetValue<decimal>()
                && net["best"]!.GetValue<decimal>() < net["high"]!.GetValue<decimal>()
        );
        Assert.Equal("g", net["unit"]!.GetValue<string>());
        Assert.Equal("points", json["perPortion"]!["points"]!["unit"]!.GetValue<string>());
        var findings = json["findings"]!.AsArray();
        Assert.Equal(["breaks", "fits"], findings.Select(finding => finding!["verdict"]!.GetValue<string>()));
        Assert.Equal(25, findings[0]!["limit"]!["atMost"]!.GetValue<decimal>());
        Assert.Contains("Red lentils", findings[0]!["because"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public void Plain_text_is_read_and_portions_can_be_given()
    {
        var (exit, output, _) = Check("Pancakes\n\n2 eggs\n100 g wheat flour\n1 cup milk", "--protocol", "vegan", "--portions", "2");
        Assert.Equal(CheckCommand.Breaks, exit);
        Assert.Contains("Pancakes, 2 portions", output, StringComparison.Ordinal);
        Assert.Contains("Egg (egg) and Whole milk (dairy) are left out", output, StringComparison.Ordinal);
    }

    [Fact]
    public void An_unknown_line_makes_an_exclusion_untold_and_numbers_open()
    {
        var (exit, output, _) = Check(
            """{"@type":"Recipe","name":"Odd","recipeYield":2,"recipeIngredient":["2 carrots","100 g moonfruit"]}""",
            "--protocol",
            "vegan",
            "--json"
        );
        Assert.Equal(CheckCommand.Undecided, exit);
        Assert.Null(JsonNode.Parse(output)!["perPortion"]!["energy"]!["high"]);
    }

    [Theory]
    [InlineData("{ not json", "--protocol vegan", "bad-json")]
    [InlineData("""{"@type":"Thing"}""", "--protocol vegan", "no-recipe")]
    [InlineData("""{"@type":"Recipe","name":"No yield","recipeIngredient":["1 egg"]}""", "--protocol vegan", "no-portions")]
    [InlineData("""{"@type":"Recipe","recipeYield":"0","recipeIngredient":["1 egg"]}""", "--protocol vegan", "bad-portions")]
    [InlineData("""{"@type":"Recipe","recipeYield":"-3","recipeIngredient":["1 egg"]}""", "--protocol vegan", "bad-portions")]
    [InlineData("""{"@type":"Recipe","recipeYield":2,"recipeIngredient":[]}""", "--protocol vegan", "no-ingredients")]
    [InlineData("Eggs\n2 eggs", "--protocol moon --portions 2", "unknown-protocol")]
    [InlineData("Eggs\n2 eggs", "--protocol vegan --portions 0", "bad-portions")]
    [InlineData("Eggs\n2 eggs", "--protocol vegan --portions many", "bad-portions")]
    [InlineData("Eggs\n2 eggs", "--protocol low-carb --limit netCarbohydrate=25 --portions 2", "bad-limit")]
    [InlineData("Eggs\n2 eggs", "--protocol low-carb --limit moonshine<=25/day --portions 2", "unknown-measure")]
    [InlineData("Eggs\n2 eggs", "--protocol vegan --portions 2 --colour", "unknown-option")]
    [InlineData("Eggs\n2 eggs", "--portions 2 --protocol", "missing-value")]
    [InlineData("Eggs\n2 eggs", "--portions 2", "missing-protocol")]
    [InlineData("Eggs\n2 eggs", "--protocol vegan other.txt", "too-many-files")]
    [InlineData("Eggs\n2 eggs", "--protocol vegan --eater me.json", "two-sources")]
    [InlineData("", "--protocol vegan --portions 2", "recipe-empty")]
    public void Bad_input_exits_with_two_and_one_line_that_says_the_cure_and_the_code(string recipe, string words, string code)
    {
        var (exit, output, errors) = Check(recipe, words.Split(' '));
        Assert.Equal((CheckCommand.BadInput, ""), (exit, output));
        Assert.Single(errors.TrimEnd('\n').Split('\n'));
        Assert.StartsWith("merienda check: ", errors, StringComparison.Ordinal);
        Assert.EndsWith(Coded(code), errors, StringComparison.Ordinal);
    }

    [Fact]
    public void A_file_that_is_not_there_is_bad_input()
    {
        using var errors = new StringWriter();
        Assert.Equal(CheckCommand.BadInput, CheckCommand.Run(["/nowhere/recipe.txt", "--protocol", "vegan"], TextWriter.Null, errors));
        Assert.EndsWith(Coded("no-file"), errors.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void No_file_at_all_is_bad_input() => Assert.Equal("missing-file", CheckArguments.Read(["--protocol", "vegan"]).Refusal?.Code);

    [Theory]
    [InlineData("", "nothing-to-read")]
    [InlineData("--json", "nothing-to-read")]
    [InlineData("--statement", "missing-value")]
    [InlineData("--colour milk", "unknown-option")]
    [InlineData("--country FR milk", "unknown-country")]
    public void What_cannot_be_read_is_refused_by_its_code(string words, string code)
    {
        using var errors = new StringWriter();
        var exit = ReadCommand.Run(words.Split(' ', StringSplitOptions.RemoveEmptyEntries), TextWriter.Null, errors);
        Assert.Equal(CheckCommand.BadInput, exit);
        Assert.EndsWith(Coded(code), errors.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Protocols_are_listed_one_a_line()
    {
        using var output = new StringWriter();
        Assert.Equal(0, CheckCommand.Run(["--list-protocols"], output, TextWriter.Null));
        Assert.Equal(14, output.ToString().TrimEnd('\n').Split('\n').Length);
        Assert.Contains("low-carb Low-carb, net", output.ToString(), StringComparison.Ordinal);
    }
}

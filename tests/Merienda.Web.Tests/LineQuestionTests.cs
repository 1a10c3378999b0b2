using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

/// <summary>What a recipe's lines leave open, as the editor and the sheet are told it.</summary>
public class LineQuestionTests(TestDatabase database)
{
    private static async Task<JsonNode> Checked(Visitor cook, string line, decimal portions = 2) =>
        (await cook.Must(HttpMethod.Post, "/api/recipes/check", Visitor.Draft("Pot", portions, [line])))["lines"]![0]!;

    private static IEnumerable<string> Texts(JsonNode node, string list, string field) =>
        node[list]!.AsArray().Select(item => item![field]!.GetValue<string>());

    [Fact]
    public async Task A_choice_comes_with_the_line_that_each_answer_makes()
    {
        var cook = await database.SignUp();
        var line = await Checked(cook, "100g feta, goat's cheese or halloumi, crumbled");
        Assert.Equal(["feta", "goat's cheese", "halloumi"], Texts(line, "choices", "words"));
        Assert.Equal(["100g feta, crumbled", "100g goat's cheese, crumbled", "100g halloumi, crumbled"], Texts(line, "choices", "line"));
        // Each answer is a line that asks nothing more.
        foreach (var answer in Texts(line, "choices", "line"))
        {
            Assert.Empty((await Checked(cook, answer))["choices"]!.AsArray());
        }
    }

    [Fact]
    public async Task A_word_for_several_kinds_offers_them_and_a_likely_food_stands_first()
    {
        var cook = await database.SignUp();
        var milk = await Checked(cook, "200 ml milk");
        Assert.Equal("Whole milk", Texts(milk, "nearest", "name").First());
        Assert.InRange(milk["nearest"]!.AsArray().Count, 2, 5);
        Assert.StartsWith("Which kind of milk?", milk["doubt"]!.GetValue<string>(), StringComparison.Ordinal);
        var sausages = await Checked(cook, "150 g Cumberland sausages");
        Assert.Equal(("likely", "sausage-pork"), (sausages["match"]!.GetValue<string>(), Texts(sausages, "nearest", "key").First()));
        Assert.Empty((await Checked(cook, "200 ml whole milk"))["nearest"]!.AsArray());
    }

    [Fact]
    public async Task What_packets_differ_by_is_said_by_the_names_of_the_label_rules()
    {
        var cook = await database.SignUp();
        Assert.Equal(
            ["cereals containing gluten", "soybeans"],
            (await Checked(cook, "1 tbsp oyster sauce"))["packetsDiffer"]!.AsArray().Select(name => name!.GetValue<string>())
        );
        Assert.Empty((await Checked(cook, "200 g cod"))["packetsDiffer"]!.AsArray());
    }

    [Fact]
    public async Task Numbers_of_a_choice_span_it_until_it_is_settled()
    {
        var cook = await database.SignUp();
        async Task<(decimal Low, decimal Best, decimal High)> Energy(string line)
        {
            var value = (await Checked(cook, line))["perPortion"]!.AsArray().Single(one => one!["key"]!.GetValue<string>() == "energy")![
                "value"
            ]!;
            return (value["low"]!.GetValue<decimal>(), value["best"]!.GetValue<decimal>(), value["high"]!.GetValue<decimal>());
        }

        var (either, yoghurt, oil) = (
            await Energy("2 tbsp olive oil or plain yoghurt"),
            await Energy("2 tbsp plain yoghurt"),
            await Energy("2 tbsp olive oil")
        );
        Assert.Equal(oil.Best, either.Best);
        Assert.True(either.Low <= yoghurt.Best && oil.Best <= either.High);
    }

    [Fact]
    public async Task An_amount_that_nobody_eats_is_asked_about()
    {
        var cook = await database.SignUp();
        Assert.NotNull((await Checked(cook, "3 kg cod", 1))["doubt"]);
        Assert.Null((await Checked(cook, "3 kg cod", 12))["doubt"]);
    }

    [Theory]
    [InlineData(
        "Tray (serves 4)\nIngredient\tQty\tUnit\nChicken breast\t500\tg\nBroccoli\t1\thead",
        4,
        "500 g Chicken breast|1 head Broccoli"
    )]
    [InlineData("Oats\nMakes 5 jars\n\nEach jar:\n50 g oats\n150 ml milk", 1, "50 g oats|150 ml milk")]
    [InlineData("Soup\nServes 2\n• 2 leeks\n☐ 500 ml stock", 2, "2 leeks|500 ml stock")]
    [InlineData("{\"@type\":\"Recipe\",\"name\":\"Soup\",\"recipeYield\":\"3\",\"recipeIngredient\":[\"2 leeks\"]}", 3, "2 leeks")]
    public async Task A_paste_of_any_shape_becomes_lines(string text, int portions, string lines)
    {
        var cook = await database.SignUp();
        var read = await cook.Must(HttpMethod.Post, "/api/recipes/read-text", new { text });
        Assert.Equal((portions, lines), (read["portions"]!.GetValue<int>(), string.Join('|', Texts(read, "lines", "text"))));
    }

    [Theory]
    [InlineData("<html><head><title>x</title></head><body>Roses</body></html>", "no-recipe")]
    [InlineData("Ensalada\n500 g de patatas\n2 dientes de ajo picados\n3 cucharadas de aceite de oliva\nsal y pimienta", "not-english")]
    [InlineData("   ", "recipe-empty")]
    public async Task What_is_no_recipe_is_refused_with_its_cure(string text, string code)
    {
        var cook = await database.SignUp();
        await cook.Refused(HttpStatusCode.UnprocessableEntity, code, HttpMethod.Post, "/api/recipes/read-text", new { text });
    }

    [Fact]
    public async Task A_packet_may_be_a_free_food_of_a_scheme_up_to_an_amount_and_a_food_that_is_none_may_not()
    {
        var cook = await database.SignUp();
        var points = (await cook.Get("/api/table/protocols/points"))["document"]!.GetValue<string>();
        string With(string food)
        {
            var document = JsonNode.Parse(points)!;
            document["id"] = "our-points";
            document["scheme"]!["free"] = JsonNode.Parse($$"""[{"food":"{{food}}","upTo":60,"per":"day"}]""");
            return document.ToJsonString(JsonSerializerOptions.Web);
        }

        var packet = $"packet-{Guid.CreateVersion7():N}";
        await cook.Must(
            HttpMethod.Post,
            "/api/table/protocols/points/effect",
            new
            {
                document = With(packet),
                basedOn = 1,
                includesThisWeek = false,
            }
        );
        var (status, answer) = await cook.Send(
            HttpMethod.Post,
            "/api/table/protocols/points/effect",
            new
            {
                document = With("no-such-food"),
                basedOn = 1,
                includesThisWeek = false,
            }
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("no-such-food", answer!.ToJsonString(), StringComparison.Ordinal);
    }
}

using System.Text.Json.Nodes;
using Merienda.Core.Keeping;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Formats.Tests;

public class RecipeWriterTests
{
    private static readonly DataFiles Data = DataFiles.Load(DataFiles.Find());

    private static RecipeLine Line(string text, string part = "") =>
        RecipeLine.From(new TypedLine(text, part) { Id = Guid.NewGuid() }, Data.Foods, MeasureSystem.Metric);

    private static readonly RecipeVersion Bowls = new()
    {
        Name = "Rice bowls \"Quay\"",
        Portions = 4,
        Lines = [Line("200 g basmati rice"), Line("½ tsp salt"), Line("100 g yoghurt", "Sauce"), Line("1 lemon", "Sauce")],
        Tasks =
        [
            new("1", "Boil the rice for 12 minutes.", 2, 12, Appliance.Burner, null, []),
            new("2", "Stir the sauce.", 5, 0, Appliance.None, null, ["1"]),
        ],
        Keeping = KeepingClass.WithKey("cooked")!,
        Note = "Less salt.",
        Source = "Supper circle card 4",
    };

    [Fact]
    public void Markdown_is_read_again_with_the_same_lines_steps_and_portions()
    {
        var read = RecipeFile.Read(RecipeWriter.Markdown(Bowls)).Value;
        Assert.Equal((Bowls.Name, 4m), (read.Name, read.Portions!.Value));
        Assert.Equal(
            Bowls.Lines.Select(line => (line.Part, line.Read.Text)),
            read.Lines.Select(line => (line.Part, RecipeTextReader.WithoutBullet(line.Text)))
        );
        Assert.Equal(Bowls.Tasks.Select(task => task.Text), TaskReader.Read(read.Steps).Select(task => task.Text));
    }

    [Fact]
    public void Json_is_a_schema_org_recipe_for_everybody_with_ours_beside_it()
    {
        var json = RecipeWriter.JsonLd(Bowls, new JsonObject { ["draft"] = 1 });
        var written = JsonNode.Parse(json)!;
        Assert.Equal(("Recipe", Bowls.Name), (written["@type"]!.GetValue<string>(), written["name"]!.GetValue<string>()));
        Assert.EndsWith(" kcal", written["nutrition"]!["calories"]!.GetValue<string>(), StringComparison.Ordinal);
        var (recipe, own) = Assert.Single(RecipeFile.ReadAll(json));
        Assert.Equal(Bowls.Lines.Select(line => line.Read.Text), recipe.Value.Lines.Select(line => line.Text));
        Assert.Equal(4, recipe.Value.Portions);
        Assert.Contains("\"draft\"", own, StringComparison.Ordinal);
    }

    [Fact]
    public void Of_what_is_not_known_nothing_is_said()
    {
        var dish = new RecipeVersion
        {
            Name = "Grumble",
            Portions = 1,
            Lines = [Line("100 g grumbleberry")],
            Keeping = KeepingClass.All[0],
        };
        Assert.Null(JsonNode.Parse(RecipeWriter.JsonLd(dish, new JsonObject()))!["nutrition"]!["calories"]);
    }

    [Fact]
    public void A_graph_of_twenty_recipes_is_twenty_recipes_and_one_that_is_none_stops_no_other()
    {
        var graph = new JsonArray([
            .. Enumerable
                .Range(1, 20)
                .Select(at =>
                    (JsonNode)
                        new JsonObject
                        {
                            ["@type"] = at == 7 ? "Person" : "Recipe",
                            ["name"] = $"Soup {at}",
                            ["recipeIngredient"] = at == 9 ? new JsonArray() : new JsonArray("200 g leeks", "1 l stock"),
                            ["recipeYield"] = at,
                        }
                ),
        ]);
        var all = RecipeFile.ReadAll(new JsonObject { ["@graph"] = graph }.ToJsonString());
        Assert.Equal(19, all.Count);
        Assert.Equal("no-ingredients", Assert.Single(all, one => one.Recipe.IsRefused).Recipe.Refusal!.Code);
        Assert.Equal(20, all[^1].Recipe.Value.Portions);
    }
}

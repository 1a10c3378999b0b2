using Merienda.Core.Recipes;

namespace Merienda.Formats.Tests;

public class FormatsTests
{
    [Theory]
    [InlineData("""{"@type":"Recipe","name":"A","recipeYield":6,"recipeIngredient":["1 egg"]}""", 6)]
    [InlineData("""{"@type":"Recipe","name":"A","recipeYield":"Serves 4 to 6","recipeIngredient":["1 egg"]}""", 4)]
    [InlineData("""{"@type":["Thing","Recipe"],"name":"A","recipeYield":["3","3 bowls"],"recipeIngredient":"1 egg"}""", 3)]
    [InlineData(
        """[{"@type":"WebPage"},{"@type":"Recipe","name":"A","recipeYield":{"@type":"QuantitativeValue","value":5},"recipeIngredient":["1 egg"]}]""",
        5
    )]
    [InlineData("""{"@graph":[{"@type":"Person"},{"@type":"Recipe","name":"A","recipeYield":"2","recipeIngredient":["1 egg"]}]}""", 2)]
    [InlineData("""{"name":"A","recipeYield":2,"recipeIngredient":["1 egg"],}""", 2)]
    public void A_recipe_is_found_wherever_it_stands(string json, int portions)
    {
        var recipe = SchemaOrgRecipe.Read(json).Value;
        Assert.Equal((decimal?)portions, recipe.Portions);
        Assert.Equal("1 egg", recipe.Lines.Single().Text);
    }

    [Fact]
    public void Steps_come_from_strings_objects_and_sections() =>
        Assert.Equal(
            ["Cut.", "Cook.", "Eat."],
            SchemaOrgRecipe
                .Read(
                    """{"@type":"Recipe","recipeIngredient":["1 egg"],"recipeInstructions":["Cut.",{"@type":"HowToStep","text":"Cook."},{"@type":"HowToSection","itemListElement":[{"text":"Eat."}]}]}"""
                )
                .Value.Steps
        );

    [Fact]
    public void Pasted_text_is_taken_apart_into_title_portions_parts_and_method()
    {
        var recipe = RecipeTextReader
            .Read(
                "# Bean pot\n\nServes 4\n\nIngredients\nFor the stew:\n2 tins beans\nFor the dressing:\n2 tbsp oil\n\nMethod\n1. Stir.\n2. Eat."
            )
            .Value;
        Assert.Equal(("Bean pot", 4m), (recipe.Name, recipe.Portions));
        Assert.Equal([("stew", "2 tins beans"), ("dressing", "2 tbsp oil")], recipe.Lines);
        Assert.Equal(2, recipe.Steps.Count);
    }

    [Fact]
    public void A_protocol_file_is_written_and_read_back_the_same()
    {
        var data = DataFiles.Load(DataFiles.Find());
        foreach (var protocol in data.Protocols)
        {
            var written = ProtocolFile.Write(protocol);
            Assert.Equal(
                written,
                ProtocolFile.Write(ProtocolFile.Read(written, data.Classes, key => data.Foods.WithKey(key) is not null).Value)
            );
        }
    }

    [Theory]
    [InlineData("energy_kcal", "-1")]
    [InlineData("basis", "half")]
    [InlineData("measures", "cup=0")]
    [InlineData("density_g_ml", "0")]
    [InlineData("density_g_ml", "3.1")]
    [InlineData("keeping", "for ever")]
    [InlineData("packs_g", "0")]
    [InlineData("classes", "moon")]
    [InlineData("mark", "Q")]
    public void A_wrong_cell_of_the_food_table_is_named_with_row_and_column(string column, string wrong)
    {
        var path = Path.GetTempFileName();
        var header = File.ReadLines(Path.Combine(DataFiles.Find(), "foods.csv")).First();
        var right = new Dictionary<string, string>
        {
            ["key"] = "x",
            ["name"] = "X",
            ["aisle"] = "a",
            ["basis"] = "total",
            ["source"] = "s",
            ["mark"] = "M",
        };
        var row = string.Join(',', header.Split(',').Select(name => name == column ? wrong : right.GetValueOrDefault(name, "")));
        File.WriteAllText(path, $"{header}\n{row}\n");
        var error = Assert.Throws<InvalidDataException>(() =>
            FoodTable.Read(
                path,
                Path.Combine(DataFiles.Find(), "fodmaps.csv"),
                Path.Combine(DataFiles.Find(), "yields.csv"),
                DataFiles.Load(DataFiles.Find()).Classes
            )
        );
        Assert.Contains($"row 2 (x), {column}", error.Message, StringComparison.Ordinal);
        File.Delete(path);
    }
}

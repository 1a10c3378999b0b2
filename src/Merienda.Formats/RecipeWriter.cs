using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Unicode;
using Merienda.Core.Foods;
using Merienda.Core.Recipes;

namespace Merienda.Formats;

/// <summary>Writes a recipe for others: as a schema.org Recipe in JSON-LD, and as Markdown that reads well on paper.</summary>
public static class RecipeWriter
{
    /// <summary>The member in which ours stands; other readers pass over it.</summary>
    public const string Extension = "merienda";

    private static readonly JsonSerializerOptions Written = new()
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.Create(UnicodeRanges.All),
    };

    /// <summary>What a schema.org NutritionInformation calls our measures.</summary>
    private static readonly (Measure Measure, string Name)[] Nutrition =
    [
        (Measure.Energy, "calories"),
        (Measure.Protein, "proteinContent"),
        (Measure.Fat, "fatContent"),
        (Measure.SaturatedFat, "saturatedFatContent"),
        (Measure.Carbohydrate, "carbohydrateContent"),
        (Measure.Fibre, "fiberContent"),
        (Measure.Sugars, "sugarContent"),
        (Measure.Sodium, "sodiumContent"),
    ];

    /// <param name="own">What only we read: parts, variants, steps, stated values.</param>
    public static string JsonLd(RecipeVersion recipe, JsonNode own, string? image = null)
    {
        var portion = Nutrition
            .Select(one => (one.Name, Info: MeasureInfo.Of(one.Measure), Value: recipe.Profile.Total(one.Measure)))
            // Of what is only partly known nothing is said.
            .Where(one => !one.Value.IsOpen);
        var nutrition = new JsonObject { ["@type"] = "NutritionInformation" };
        foreach (var (name, info, value) in portion)
        {
            nutrition[name] = $"{Number(value.Best)} {info.Unit}";
        }

        var written = new JsonObject
        {
            ["@context"] = "https://schema.org",
            ["@type"] = "Recipe",
            ["name"] = recipe.Name,
            ["recipeYield"] = $"{Number(recipe.Portions)} portions",
            ["recipeIngredient"] = new JsonArray([.. recipe.Lines.Select(line => (JsonNode)line.Read.Text.Trim())]),
            ["recipeInstructions"] = new JsonArray([
                .. recipe.Tasks.Select(task => (JsonNode)new JsonObject { ["@type"] = "HowToStep", ["text"] = task.Text }),
            ]),
            ["nutrition"] = nutrition,
        };
        if (image is not null)
        {
            written["image"] = image;
        }

        written[Extension] = own;
        return written.ToJsonString(Written);
    }

    public static string Markdown(RecipeVersion recipe)
    {
        var text = new StringBuilder();
        text.Append(CultureInfo.InvariantCulture, $"# {recipe.Name}\n\nServes {Number(recipe.Portions)}\n\n## Ingredients\n");
        foreach (var part in recipe.PartNames)
        {
            text.Append(part.Length == 0 ? "\n" : $"\n### {part}\n\n");
            foreach (var line in recipe.Lines.Where(line => line.Part == part))
            {
                text.Append(CultureInfo.InvariantCulture, $"- {line.Read.Text.Trim()}\n");
            }
        }

        if (recipe.Tasks.Count > 0)
        {
            text.Append("\n## Method\n\n");
            for (var at = 0; at < recipe.Tasks.Count; at++)
            {
                text.Append(CultureInfo.InvariantCulture, $"{at + 1}. {recipe.Tasks[at].Text.ReplaceLineEndings(" ")}\n");
            }
        }

        string[] notes =
        [
            $"Keeps {recipe.Keeping.FridgeDays} {(recipe.Keeping.FridgeDays == 1 ? "day" : "days")} in the fridge.",
            recipe.Reheating.Length > 0 ? $"To reheat: {recipe.Reheating}" : "",
            .. recipe.SaidAtEating(null),
            .. recipe.Variants.Select(variant =>
                $"{variant.Name}: {string.Join(", ", VariantWords.Of(variant, recipe, 1, grams => $"{Number(grams)} g"))}"
            ),
            recipe.Note.ReplaceLineEndings(" "),
            recipe.Source.Length > 0 ? $"From: {recipe.Source}" : "",
        ];
        text.Append("\n## Notes\n\n");
        foreach (var note in notes.Where(note => note.Length > 0))
        {
            text.Append(CultureInfo.InvariantCulture, $"- {note}\n");
        }

        return text.ToString();
    }

    private static string Number(decimal value) => Math.Round(value, 2).ToString("0.##", CultureInfo.InvariantCulture);
}

using System.Net;
using System.Text.Json;
using System.Text.RegularExpressions;
using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;

namespace Merienda.Formats;

/// <summary>Reads a schema.org Recipe as JSON-LD: alone, in a list, or in an @graph. Only what the core uses is taken.</summary>
public static partial class SchemaOrgRecipe
{
    /// <summary>Members of a page's data in which a recipe may stand.</summary>
    private static readonly string[] Nests = ["@graph", "mainEntity", "mainEntityOfPage", "itemListElement", "item"];

    public static bool LooksLikeJson(string text)
    {
        var start = text.AsSpan().TrimStart();
        // "[10:32] Ilse: …" is a chat.
        return start is ['{', ..] || (start is ['[', ..] && start[1..].TrimStart() is ['{' or '[' or '"' or ']', ..]);
    }

    /// <summary>The first recipe of a file.</summary>
    public static Result<WrittenRecipe> Read(string text)
    {
        if (text.Length > RecipeTextReader.MostCharacters * 4)
        {
            return TooLong(text);
        }

        var all = ReadAll(text);
        return all.Refusal is { } refusal ? refusal : all.Value[0].Recipe;
    }

    private static Refusal TooLong(string text) =>
        new("recipe-too-long", "file", $"{text.Length:#,0} characters", "a recipe file is far smaller", "Give one recipe a file");

    /// <summary>Every recipe of a file, each with what only we wrote beside it; refused where there is none.</summary>
    public static Result<IReadOnlyList<(Result<WrittenRecipe> Recipe, string? Own)>> ReadAll(string text)
    {
        if (text.Length > RecipeFile.MostCharacters)
        {
            return TooLong(text);
        }

        try
        {
            using var document = JsonDocument.Parse(
                text,
                new JsonDocumentOptions { AllowTrailingCommas = true, CommentHandling = JsonCommentHandling.Skip }
            );
            return Recipes(document.RootElement).ToList() is { Count: > 0 } recipes
                ? recipes.ConvertAll(recipe => (Read(recipe), OwnOf(recipe)))
                : new Refusal(
                    "no-recipe",
                    "file",
                    "@type",
                    "no object of type Recipe stands in the file",
                    "Give a schema.org Recipe with recipeIngredient and recipeYield"
                );
        }
        catch (JsonException error)
        {
            return new Refusal(
                "bad-json",
                "file",
                $"line {error.LineNumber + 1}",
                "it is not well-formed JSON there",
                "Mend the file or give the recipe as plain text"
            );
        }
    }

    private static Result<WrittenRecipe> Read(JsonElement recipe)
    {
        var ingredients =
            recipe.TryGetProperty("recipeIngredient", out var list) || recipe.TryGetProperty("ingredients", out list)
                ? Strings(list)
                    .SelectMany(line => Plain(line).Split('\n'))
                    .Select(line => line.Trim())
                    .Where(line => line.Length > 0)
                    .ToList()
                : [];
        if (ingredients.Count is 0 or > RecipeTextReader.MostLines)
        {
            return new Refusal(
                "no-ingredients",
                "recipeIngredient",
                $"{ingredients.Count} lines",
                $"a recipe has between 1 and {RecipeTextReader.MostLines} ingredient lines",
                "Give recipeIngredient as a list of strings"
            );
        }

        var name = recipe.TryGetProperty("name", out var title)
            ? Strings(title).Select(Plain).FirstOrDefault(text => text.Length > 0)
            : null;
        var steps = recipe.TryGetProperty("recipeInstructions", out var instructions)
            ? Strings(instructions).SelectMany(step => Plain(step).Split('\n')).Where(step => !string.IsNullOrWhiteSpace(step))
            : [];
        return OtherLanguage.Refuses(ingredients) is { } refusal
            ? refusal
            : new WrittenRecipe(name ?? "Untitled", Portions(recipe), RecipeTextReader.InParts(ingredients), [.. steps])
            {
                Claims = ClaimReader.Read(string.Join('\n', Stated(recipe))),
                Source = Source(recipe),
                Course = recipe.TryGetProperty("recipeCategory", out var category)
                    ? string.Join(", ", Strings(category).Select(Plain))
                    : "",
            };
    }

    /// <summary>Its NutritionInformation and times, as a person would say them: "protein: 41 g".</summary>
    private static IEnumerable<string> Stated(JsonElement recipe)
    {
        if (recipe.TryGetProperty("nutrition", out var nutrition) && nutrition.ValueKind == JsonValueKind.Object)
        {
            foreach (var value in nutrition.EnumerateObject())
            {
                if (value.Value.ValueKind is JsonValueKind.String or JsonValueKind.Number && !value.Name.StartsWith('@'))
                {
                    var words = Words().Replace(value.Name.Replace("Content", "", StringComparison.Ordinal), " $0");
                    yield return $"{words}: {value.Value}";
                }
            }
        }

        if (
            recipe.TryGetProperty("totalTime", out var time)
            && time.ValueKind == JsonValueKind.String
            && Duration().Match(time.GetString()!) is { Success: true } whole
        )
        {
            yield return $"total time {Part(whole, "d") * 24 * 60 + Part(whole, "h") * 60 + Part(whole, "m")} min";
        }

        static int Part(Match match, string group) => int.TryParse(match.Groups[group].ValueSpan, out var number) ? number : 0;
    }

    private static string Source(JsonElement recipe)
    {
        var said =
            recipe.TryGetProperty("url", out var url) && url.ValueKind == JsonValueKind.String ? url.GetString()!
            : recipe.TryGetProperty("author", out var author) ? Strings(author).FirstOrDefault() ?? NameOf(author)
            : "";
        return said[..Math.Min(RecipeVersion.LongestSource, said.Length)];
    }

    private static string NameOf(JsonElement person) =>
        person.ValueKind switch
        {
            JsonValueKind.Object when person.TryGetProperty("name", out var name) && name.ValueKind == JsonValueKind.String =>
                name.GetString()!,
            JsonValueKind.Array when person.GetArrayLength() > 0 => NameOf(person[0]),
            _ => "",
        };

    private static decimal? Portions(JsonElement recipe)
    {
        if (!recipe.TryGetProperty("recipeYield", out var made))
        {
            return null;
        }

        var candidates = made.ValueKind == JsonValueKind.Array ? made.EnumerateArray().ToList() : [made];
        return candidates
            .Select(one =>
                one.ValueKind switch
                {
                    JsonValueKind.Number => one.TryGetDecimal(out var number) ? number : null,
                    JsonValueKind.String => RecipeYield.PortionsIn(one.GetString()!),
                    JsonValueKind.Object when one.TryGetProperty("value", out var value) => value.ValueKind == JsonValueKind.Number
                    && value.TryGetDecimal(out var number)
                        ? number
                        : RecipeYield.PortionsIn(value.ToString()),
                    _ => null,
                }
            )
            .FirstOrDefault(portions => portions is not null);
    }

    /// <summary>Strings as they stand, the text of HowToStep objects, and those inside sections.</summary>
    private static IEnumerable<string> Strings(JsonElement element) =>
        element.ValueKind switch
        {
            JsonValueKind.String => [element.GetString()!],
            JsonValueKind.Array => element.EnumerateArray().SelectMany(Strings),
            JsonValueKind.Object when element.TryGetProperty("itemListElement", out var items) => Strings(items),
            JsonValueKind.Object when element.TryGetProperty("text", out var text) => Strings(text),
            _ => [],
        };

    private static string? OwnOf(JsonElement recipe) =>
        recipe.TryGetProperty(RecipeWriter.Extension, out var own) && own.ValueKind == JsonValueKind.Object ? own.GetRawText() : null;

    private static IEnumerable<JsonElement> Recipes(JsonElement element) =>
        element.ValueKind switch
        {
            JsonValueKind.Object when IsRecipe(element) => [element],
            JsonValueKind.Object => Nests.SelectMany(name => element.TryGetProperty(name, out var inner) ? Recipes(inner) : []),
            JsonValueKind.Array => element.EnumerateArray().SelectMany(Recipes),
            _ => [],
        };

    /// <summary>Text without tags and entities; breaks and list ends stay line ends.</summary>
    private static string Plain(string text) =>
        text.Contains('<', StringComparison.Ordinal) || text.Contains('&', StringComparison.Ordinal)
            ? WebUtility.HtmlDecode(Tags().Replace(Breaks().Replace(text, "\n"), "")).Trim()
            : text.Trim();

    [GeneratedRegex(@"<\s*(br|/p|/li|/div)\s*/?>", RegexOptions.IgnoreCase)]
    private static partial Regex Breaks();

    /// <summary>A new word of a property's name: "saturatedFat".</summary>
    [GeneratedRegex(@"(?<=[a-z])[A-Z]")]
    private static partial Regex Words();

    /// <summary>ISO 8601: "PT1H20M".</summary>
    [GeneratedRegex(@"^P(?:(?<d>\d{1,2})D)?(?:T(?:(?<h>\d{1,3})H)?(?:(?<m>\d{1,4})M)?(?:\d+(?:\.\d+)?S)?)?$")]
    private static partial Regex Duration();

    [GeneratedRegex(@"</?[a-zA-Z][^>]*>")]
    private static partial Regex Tags();

    // A file without any @type that lists ingredients is meant as a recipe all the same.
    private static bool IsRecipe(JsonElement element) =>
        element.TryGetProperty("@type", out var type)
            ? Strings(type).Any(name => name is "Recipe" or "schema:Recipe" or "http://schema.org/Recipe" or "https://schema.org/Recipe")
            : element.TryGetProperty("recipeIngredient", out _);
}

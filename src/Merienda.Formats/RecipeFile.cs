using AngleSharp.Dom;
using AngleSharp.Html.Parser;
using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;

namespace Merienda.Formats;

/// <summary>
/// One reader for whatever a recipe comes as: plain text, a schema.org Recipe as JSON-LD, or a saved web page that holds one.
/// </summary>
public static class RecipeFile
{
    /// <summary>Most characters of a saved page; what is longer holds more than a recipe.</summary>
    public const int MostCharacters = 4_000_000;

    /// <summary>Every recipe of a file; what only we wrote stands beside those that are ours.</summary>
    public static IReadOnlyList<(Result<WrittenRecipe> Recipe, string? Own)> ReadAll(string text)
    {
        if (!SchemaOrgRecipe.LooksLikeJson(text))
        {
            return LooksLikeHtml(text) ? [(Read(text), null)] : [.. RecipeTextReader.ReadAll(text).Select(read => (read, (string?)null))];
        }

        var all = SchemaOrgRecipe.ReadAll(text);
        return all.Refusal is { } refusal ? [(refusal, null)] : all.Value;
    }

    public static Result<WrittenRecipe> Read(string text)
    {
        if (SchemaOrgRecipe.LooksLikeJson(text))
        {
            return SchemaOrgRecipe.Read(text);
        }

        if (!LooksLikeHtml(text))
        {
            return RecipeTextReader.Read(text);
        }

        if (text.Length > MostCharacters)
        {
            return new Refusal(
                "page-too-long",
                "text",
                $"{text.Length:#,0} characters",
                $"a saved page has at most {MostCharacters:#,0}",
                "Copy the recipe's own text and paste it"
            );
        }

        using var page = new HtmlParser().ParseDocument(text);
        foreach (var script in page.QuerySelectorAll("script[type='application/ld+json']"))
        {
            if (SchemaOrgRecipe.Read(script.TextContent) is { IsRefused: false } found)
            {
                return found;
            }
        }

        return Microdata(page)
            ?? new Refusal(
                "no-recipe",
                "text",
                page.Title is { Length: > 0 } title ? title[..Math.Min(60, title.Length)] : "a web page",
                "no recipe is marked in this page",
                "Copy the ingredients and steps as text and paste them"
            );
    }

    private static bool LooksLikeHtml(string text)
    {
        var start = text.AsSpan().TrimStart();
        return start.StartsWith("<!doctype", StringComparison.OrdinalIgnoreCase)
            || start.StartsWith("<html", StringComparison.OrdinalIgnoreCase)
            || (start is ['<', ..] && text.Contains("</", StringComparison.Ordinal));
    }

    private static Result<WrittenRecipe>? Microdata(IDocument page)
    {
        var lines = page.QuerySelectorAll("[itemprop='recipeIngredient'], [itemprop='ingredients']")
            .Select(Text)
            .Where(line => line.Length > 0)
            .ToList();
        if (lines.Count is 0 or > RecipeTextReader.MostLines)
        {
            return null;
        }

        var steps = page.QuerySelectorAll("[itemprop='recipeInstructions']")
            .SelectMany(block => block.QuerySelectorAll("li, p") is { Length: > 0 } parts ? parts.Select(Text) : [Text(block)])
            .Where(step => step.Length > 0);
        var name =
            page.QuerySelectorAll("[itemtype$='Recipe'] [itemprop='name']").Select(Text).FirstOrDefault(title => title.Length > 0)
            ?? page.Title
            ?? "";
        var made = page.QuerySelectorAll("[itemprop='recipeYield']")
            .Select(element => element.GetAttribute("content") ?? Text(element))
            .FirstOrDefault();
        return new WrittenRecipe(
            name.Length == 0 ? "Untitled" : name,
            made is null ? null : RecipeYield.PortionsIn(made),
            RecipeTextReader.InParts(lines),
            [.. steps]
        );
    }

    private static string Text(IElement element) =>
        string.Join(' ', element.TextContent.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
}

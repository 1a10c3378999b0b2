using Merienda.Core.Outcomes;

namespace Merienda.Core.Recipes;

/// <summary>What a household may call its collections and kept filters.</summary>
public static class Library
{
    public const int LongestName = 40,
        LongestQuery = 400,
        MostCollections = 20,
        MostFilters = 40;

    /// <summary>Names of the collections that a recipe is in: each once, whatever its capitals.</summary>
    public static Result<IReadOnlyList<string>> Collections(IReadOnlyList<string> names)
    {
        var said = names.Select(name => name.Trim()).DistinctBy(name => name.ToLowerInvariant()).ToList();
        return said.Count > MostCollections
                ? new Refusal(
                    "too-many-collections",
                    "names",
                    $"{said.Count}",
                    $"a recipe is in at most {MostCollections} collections",
                    "Take it out of some"
                )
            : said.Find(name => name.Length is 0 or > LongestName) is { } odd ? WrongName(odd)
            : said;
    }

    /// <param name="query">Null when the filter is let go.</param>
    public static Refusal? WrongFilter(string name, string? query, int kept) =>
        name.Length is 0 or > LongestName ? WrongName(name)
        : query is { Length: 0 or > LongestQuery }
            ? new(
                "filter-length",
                "query",
                query,
                $"a filter asks for something, in at most {LongestQuery} characters",
                "Ask for something first"
            )
        : query is not null && kept >= MostFilters
            ? new("too-many-filters", "name", name, $"at most {MostFilters} filters are kept", "Let one go first")
        : null;

    private static Refusal WrongName(string name) =>
        new(
            "collection-name-length",
            "name",
            name,
            $"a collection or filter has a name of 1 to {LongestName} characters",
            "Type a short name"
        );
}

using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using Merienda.Web.Hosting;

namespace Merienda.Web.Recipes;

/// <summary>What rows of the library are put in order by.</summary>
public enum LibrarySort
{
    Name,
    Energy,
    Protein,
    NetCarbohydrate,
    HandsOn,
    Minutes,
    Keeps,

    /// <summary>The number that is asked for; by name where none is.</summary>
    Number,

    /// <summary>Of the eater that is asked for, or of all together.</summary>
    Verdict,
}

/// <summary>Which recipes are looked for; everything that is said holds at once.</summary>
/// <param name="Search">In names and ingredients.</param>
/// <param name="Meal">Key of a meal; a recipe for any meal is for this one too.</param>
/// <param name="Eater">Whose verdict is asked for.</param>
/// <param name="Verdict">A verdict, as in an answer: of that eater, or of everybody where none is named.</param>
/// <param name="HandsOn">Minutes by hand, at most.</param>
/// <param name="Minutes">From start to end, at most.</param>
/// <param name="Appliance">An appliance, as in an answer.</param>
/// <param name="Keeps">Days in the fridge, at least.</param>
/// <param name="Liked">Only what the eater that is asked for likes, or everybody.</param>
/// <param name="Collection">Name of a collection.</param>
/// <param name="Number">Key of a measure of one portion; points are in the scheme of the eater that is asked for.</param>
/// <param name="AtLeast">Of that number, in its unit.</param>
/// <param name="AtMost">Of that number, in its unit.</param>
/// <param name="Sort">One of name, energy, protein, netCarbohydrate, handsOn, minutes, keeps, number, verdict.</param>
/// <param name="Skip">Rows that were shown already.</param>
public sealed record LibraryQuery(
    string? Search = null,
    string? Meal = null,
    Guid? Eater = null,
    string? Verdict = null,
    int? HandsOn = null,
    int? Minutes = null,
    string? Appliance = null,
    int? Keeps = null,
    bool Freezes = false,
    bool Liked = false,
    string? Collection = null,
    string? Number = null,
    decimal? AtLeast = null,
    decimal? AtMost = null,
    string? Sort = null,
    bool Down = false,
    int Skip = 0
);

/// <param name="Variant">The variant that is made for them and was judged; null for the recipe as written.</param>
/// <param name="IsDisliked">Whether they would rather not have it.</param>
public sealed record LibraryVerdict(Guid EaterId, Verdict Verdict, bool HasRules, string? Variant, bool IsDisliked);

/// <param name="HandsOn">Minutes.</param>
/// <param name="Minutes">From start to end, with the recipes that it uses.</param>
/// <param name="Asked">The number that is asked for; null where none is.</param>
/// <param name="Picture">Id of what it looks like; null without one.</param>
public sealed record LibraryRow(
    Guid Id,
    string Name,
    decimal Portions,
    string? Meal,
    int HandsOn,
    int Minutes,
    IReadOnlyList<Appliance> Appliances,
    int FridgeDays,
    bool Freezes,
    IReadOnlyList<ShownMeasure> PerPortion,
    IReadOnlyList<LibraryVerdict> Verdicts,
    ShownMeasure? Asked,
    Guid? Picture
);

public sealed record LibraryEater(Guid Id, string Name);

/// <param name="Found">How many recipes are as they were looked for.</param>
/// <param name="All">How many there are.</param>
/// <param name="Collections">Names of all that there are.</param>
/// <param name="Numbers">What a portion may be asked for.</param>
/// <param name="Kept">Filters that are looked for again.</param>
public sealed record LibraryPage(
    IReadOnlyList<LibraryEater> Eaters,
    IReadOnlyList<LibraryRow> Rows,
    int Found,
    int All,
    IReadOnlyList<string> Collections,
    IReadOnlyList<KeptFilter> Kept,
    IReadOnlyList<LibraryMeasure> Numbers
);

/// <summary>A number that recipes can be looked for by.</summary>
public sealed record LibraryMeasure(string Key, string Name, string Unit);

/// <param name="Query">As it stands in the address of the library.</param>
public sealed record KeptFilter(string Name, string Query);

public sealed record RecipeRow(
    Guid Id,
    string Name,
    decimal Portions,
    string? Meal,
    IReadOnlyList<ShownMeasure> PerPortion,
    IReadOnlyList<RowVerdict> Verdicts,
    IReadOnlyList<string> Variants
);

/// <param name="Because">The heaviest finding's sentence.</param>
/// <param name="Variant">The variant that is made for them and was judged; null for the recipe as written.</param>
/// <param name="IsDisliked">Whether they would rather not have it.</param>
public sealed record RowVerdict(
    Guid EaterId,
    string Eater,
    Core.Protocols.Verdict Verdict,
    string Because,
    bool HasRules,
    string? Variant,
    bool IsDisliked
);

using System.Runtime.CompilerServices;
using System.Text.Json;
using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using Merienda.Storage;
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
/// <param name="Sort">One of name, energy, protein, netCarbohydrate, handsOn, minutes, keeps, verdict.</param>
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
    string? Sort = null,
    bool Down = false,
    int Skip = 0
);

/// <param name="Variant">The variant that is made for them and was judged; null for the recipe as written.</param>
/// <param name="IsDisliked">Whether they would rather not have it.</param>
public sealed record LibraryVerdict(Guid EaterId, Verdict Verdict, bool HasRules, string? Variant, bool IsDisliked);

/// <param name="HandsOn">Minutes.</param>
/// <param name="Minutes">From start to end, with the recipes that it uses.</param>
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
    Guid? Picture
);

public sealed record LibraryEater(Guid Id, string Name);

/// <param name="Found">How many recipes are as they were looked for.</param>
/// <param name="All">How many there are.</param>
/// <param name="Collections">Names of all that there are.</param>
/// <param name="Kept">Filters that are looked for again.</param>
public sealed record LibraryPage(
    IReadOnlyList<LibraryEater> Eaters,
    IReadOnlyList<LibraryRow> Rows,
    int Found,
    int All,
    IReadOnlyList<string> Collections,
    IReadOnlyList<KeptFilter> Kept
);

/// <param name="Query">As it stands in the address of the library.</param>
public sealed record KeptFilter(string Name, string Query);

/// <summary>Who can eat what: every recipe against every eater, a page at a time.</summary>
public static class LibraryPages
{
    public const int PageSize = 50;

    /// <summary>What a version takes to cook; worked out once, as versions never change.</summary>
    private sealed record Work(int HandsOn, int Minutes, IReadOnlyList<Appliance> Appliances);

    private static readonly ConditionalWeakTable<RecipeVersion, Work> Works = [];

    /// <summary>A query with its words understood.</summary>
    private sealed record Asked(LibraryQuery Query, string[] Words, Verdict? Verdict, Appliance? Appliance, LibrarySort Sort);

    public static Result<LibraryPage> Of(
        LibraryQuery query,
        IReadOnlyList<StoredRecipe> library,
        IReadOnlyList<Eater> eaters,
        KnowledgeBase knowledge,
        LibraryOrder order
    )
    {
        var (verdict, appliance, sort) = (
            Word<Verdict>("verdict", query.Verdict),
            Word<Appliance>("appliance", query.Appliance),
            Word<LibrarySort>("sort", query.Sort)
        );
        if ((verdict.Refusal ?? appliance.Refusal ?? sort.Refusal) is { } refusal)
        {
            return refusal;
        }

        if (query.Eater is { } id && eaters.All(eater => eater.Id != id))
        {
            return HouseholdStore.EaterGone(id);
        }

        var words = (query.Search ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return Found(new(query, words, verdict.Value, appliance.Value, sort.Value ?? LibrarySort.Name), library, eaters, knowledge, order);
    }

    /// <summary>A word of a closed set, whatever its capitals; null when nothing is said.</summary>
    private static Result<T?> Word<T>(string field, string? said)
        where T : struct, Enum
    {
        if (string.IsNullOrEmpty(said))
        {
            return (T?)null;
        }

        // A number is no word, though it could be read as one.
        return char.IsLetter(said[0]) && Enum.TryParse<T>(said, true, out var word)
            ? (T?)word
            : new Refusal(
                "unknown-filter",
                field,
                said,
                "the library knows no such word",
                $"Say one of {string.Join(", ", Enum.GetNames<T>().Select(JsonNamingPolicy.CamelCase.ConvertName))}"
            );
    }

    private static LibraryPage Found(
        Asked asking,
        IReadOnlyList<StoredRecipe> library,
        IReadOnlyList<Eater> eaters,
        KnowledgeBase knowledge,
        LibraryOrder order
    )
    {
        var query = asking.Query;
        var asked = query.Eater is { } id ? [.. eaters.Where(eater => eater.Id == id)] : eaters;
        var found = library.Where(recipe => IsAsked(asking, recipe.Version));
        if (asking.Verdict is { } verdict)
        {
            found = found.Where(recipe => asked.Where(HasRules).All(eater => VerdictOf(eater, recipe) == verdict));
        }

        if (query.Liked)
        {
            found = found.Where(recipe => !asked.Any(eater => Dislikes(eater, recipe)));
        }

        if (!string.IsNullOrEmpty(query.Collection))
        {
            found = found.Where(recipe => order.Collections[recipe.RecipeId].Contains(query.Collection, StringComparer.OrdinalIgnoreCase));
        }

        var all = Sorted(asking.Sort, query.Down, found, asked).ToList();
        return new(
            [.. eaters.Select(eater => new LibraryEater(eater.Id, eater.Name))],
            [
                .. all.Skip(Math.Max(0, query.Skip))
                    .Take(PageSize)
                    .Select(recipe => ToRow(recipe, eaters, knowledge) with { Picture = order.PictureOf(recipe.RecipeId) }),
            ],
            all.Count,
            library.Count,
            [
                .. order
                    .Collections.SelectMany(names => names)
                    .Distinct(StringComparer.OrdinalIgnoreCase)
                    .Order(StringComparer.OrdinalIgnoreCase),
            ],
            [.. order.Filters.Select(filter => new KeptFilter(filter.Name, filter.Query))]
        );
    }

    private static bool IsAsked(Asked asking, RecipeVersion recipe)
    {
        var query = asking.Query;
        var work = WorkOf(recipe);
        var keeping = recipe.KeepingOf(null);
        return (query.Meal is null || recipe.Meal is null || recipe.Meal == query.Meal)
            && work.HandsOn <= (query.HandsOn ?? int.MaxValue)
            && work.Minutes <= (query.Minutes ?? int.MaxValue)
            && (asking.Appliance is not { } appliance || work.Appliances.Contains(appliance))
            && keeping.FridgeDays >= (query.Keeps ?? 0)
            && (!query.Freezes || keeping.Freezes)
            && asking.Words.All(word => Says(recipe, word));
    }

    private static bool Says(RecipeVersion recipe, string word) =>
        recipe.Name.Contains(word, StringComparison.OrdinalIgnoreCase)
        || recipe.Lines.Any(line => line.Read.Text.Contains(word, StringComparison.OrdinalIgnoreCase));

    private static IEnumerable<StoredRecipe> Sorted(
        LibrarySort sort,
        bool isDown,
        IEnumerable<StoredRecipe> found,
        IReadOnlyList<Eater> asked
    )
    {
        // The library comes by name already, and equal rows stay so.
        if (sort == LibrarySort.Name)
        {
            return isDown ? found.Reverse() : found;
        }

        Func<StoredRecipe, decimal> by = sort switch
        {
            LibrarySort.Energy => recipe => recipe.Version.Profile.Total(Measure.Energy).Best,
            LibrarySort.Protein => recipe => recipe.Version.Profile.Total(Measure.Protein).Best,
            LibrarySort.NetCarbohydrate => recipe => recipe.Version.Profile.Total(Measure.NetCarbohydrate).Best,
            LibrarySort.HandsOn => recipe => WorkOf(recipe.Version).HandsOn,
            LibrarySort.Minutes => recipe => WorkOf(recipe.Version).Minutes,
            LibrarySort.Keeps => recipe => recipe.Version.KeepingOf(null).FridgeDays,
            _ => recipe => asked.Sum(eater => (int)VerdictOf(eater, recipe)),
        };
        return isDown ? found.OrderByDescending(by) : found.OrderBy(by);
    }

    private static Work WorkOf(RecipeVersion recipe) => Works.GetValue(recipe, Measured);

    private static Work Measured(RecipeVersion recipe)
    {
        var dishes = CookedDish.Alone(recipe, recipe.Portions);
        var order = SessionPlan.Order(dishes);
        return new(
            order.Sum(item => item.Task.HandsOn),
            order.Select(item => item.End).DefaultIfEmpty(0).Max(),
            [.. order.Select(item => item.Task.Appliance).Where(appliance => appliance != Appliance.None).Distinct()]
        );
    }

    private static Verdict VerdictOf(Eater eater, StoredRecipe recipe) =>
        eater.VerdictOf(recipe.Version.As(eater.UsualOf(recipe.RecipeId, recipe.Version))!);

    private static bool Dislikes(Eater eater, StoredRecipe recipe) =>
        eater.Dislikes(recipe.RecipeId, recipe.Version.As(eater.UsualOf(recipe.RecipeId, recipe.Version))!);

    private static bool HasRules(Eater eater) => eater.Rules.Rules.Count > 0;

    private static LibraryRow ToRow(StoredRecipe recipe, IReadOnlyList<Eater> eaters, KnowledgeBase knowledge)
    {
        var (version, work, keeping) = (recipe.Version, WorkOf(recipe.Version), recipe.Version.KeepingOf(null));
        return new(
            recipe.RecipeId,
            version.Name,
            version.Portions,
            version.Meal,
            work.HandsOn,
            work.Minutes,
            work.Appliances,
            keeping.FridgeDays,
            keeping.Freezes,
            Shown.Short(new Helping(version.Name, version.Profile, 1), eaters, knowledge.HouseScheme),
            [
                .. eaters.Select(eater => new LibraryVerdict(
                    eater.Id,
                    VerdictOf(eater, recipe),
                    HasRules(eater),
                    eater.UsualOf(recipe.RecipeId, recipe.Version),
                    Dislikes(eater, recipe)
                )),
            ],
            null
        );
    }
}

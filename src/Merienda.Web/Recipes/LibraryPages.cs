using System.Runtime.CompilerServices;
using System.Text.Json;
using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using Merienda.Storage;
using Merienda.Web.Hosting;

namespace Merienda.Web.Recipes;

/// <summary>Who can eat what: every recipe against every eater, a page at a time.</summary>
public static class LibraryPages
{
    public const int PageSize = 50;

    /// <summary>What a version takes to cook; worked out once, as versions never change.</summary>
    private sealed record Work(int HandsOn, int Minutes, IReadOnlyList<Appliance> Appliances);

    private static readonly ConditionalWeakTable<RecipeVersion, Work> Works = [];

    /// <summary>A query with its words understood.</summary>
    private sealed record Asked(
        LibraryQuery Query,
        string[] Words,
        Verdict? Verdict,
        Appliance? Appliance,
        LibrarySort Sort,
        LibraryNumber? Number
    );

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

        var number = LibraryNumber.Of(query, [.. eaters.Where(eater => eater.Id == (query.Eater ?? eater.Id))], knowledge.HouseScheme);
        if (number.Refusal is { } unknown)
        {
            return unknown;
        }

        var words = (query.Search ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return Found(
            new(query, words, verdict.Value, appliance.Value, sort.Value ?? LibrarySort.Name, number.Value),
            library,
            eaters,
            knowledge,
            order
        );
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

        var all = Sorted(asking, found, asked).ToList();
        return new(
            [.. eaters.Select(eater => new LibraryEater(eater.Id, eater.Name))],
            [
                .. all.Skip(Math.Max(0, query.Skip))
                    .Take(PageSize)
                    .Select(recipe =>
                        ToRow(recipe, eaters, knowledge) with
                        {
                            Asked = asking.Number is { } number ? Shown.Of(number.Info, number.ValueOf(recipe.Version)) : null,
                            Picture = order.PictureOf(recipe.RecipeId),
                        }
                    ),
            ],
            all.Count,
            library.Count,
            [
                .. order
                    .Collections.SelectMany(names => names)
                    .Distinct(StringComparer.OrdinalIgnoreCase)
                    .Order(StringComparer.OrdinalIgnoreCase),
            ],
            [.. order.Filters.Select(filter => new KeptFilter(filter.Name, filter.Query))],
            [.. MeasureInfo.All.Select(info => new LibraryMeasure(info.Key, info.Name, info.Unit))]
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
            && asking.Number?.Holds(recipe) != false
            && asking.Words.All(word => Says(recipe, word));
    }

    private static bool Says(RecipeVersion recipe, string word) =>
        recipe.Name.Contains(word, StringComparison.OrdinalIgnoreCase)
        || recipe.Lines.Any(line => line.Read.Text.Contains(word, StringComparison.OrdinalIgnoreCase));

    private static IEnumerable<StoredRecipe> Sorted(Asked asking, IEnumerable<StoredRecipe> found, IReadOnlyList<Eater> asked)
    {
        var (sort, isDown) = (asking.Sort, asking.Query.Down);
        // The library comes by name already, and equal rows stay so.
        if (sort == LibrarySort.Name || (sort == LibrarySort.Number && asking.Number is null))
        {
            return isDown ? found.Reverse() : found;
        }

        Func<RecipeVersion, Estimate>? valueOf = sort switch
        {
            LibrarySort.Energy => recipe => recipe.Profile.Total(Measure.Energy),
            LibrarySort.Protein => recipe => recipe.Profile.Total(Measure.Protein),
            LibrarySort.NetCarbohydrate => recipe => recipe.Profile.Total(Measure.NetCarbohydrate),
            LibrarySort.Number => asking.Number!.ValueOf,
            _ => null,
        };
        if (valueOf is not null)
        {
            // What is only partly known is neither little nor much: it comes last.
            var known = found.Select(recipe => (Recipe: recipe, Value: valueOf(recipe.Version))).OrderBy(one => one.Value.IsOpen);
            return (isDown ? known.ThenByDescending(one => one.Value.Best) : known.ThenBy(one => one.Value.Best)).Select(one => one.Recipe);
        }

        Func<StoredRecipe, decimal> by = sort switch
        {
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
        var order = SessionPlan.Order(dishes, SessionKitchen.Plain);
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
            null,
            null
        );
    }
}

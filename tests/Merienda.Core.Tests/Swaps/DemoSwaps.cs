using System.Text.Json;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Swaps;
using Merienda.Formats;

namespace Merienda.Core.Tests.Swaps;

/// <summary>
/// The demo's dishes against every shipped protocol, with the allowances that somebody of the demo stated for it. The benchmark of swaps is
/// made of it too.
/// </summary>
internal static class DemoSwaps
{
    private static readonly DataFiles Data = DataFiles.Load(DataFiles.Find());

    /// <summary>A finding that breaks or cannot be told, and the changes that were found for it.</summary>
    public sealed record Broken(string Protocol, RecipeVersion Dish, Eater Eater, Rule Rule, Verdict Verdict, IReadOnlyList<Swap> Swaps);

    private static JsonElement.ArrayEnumerator Demo(string file) =>
        JsonDocument.Parse(File.ReadAllText(Path.Combine(DataFiles.Find(), "demo", file))).RootElement.EnumerateArray();

    /// <summary>Those that use no other recipe.</summary>
    public static IEnumerable<RecipeVersion> Dishes =>
        DemoRecipes
            .Load(DataFiles.Find())
            .Select(recipe => new RecipeVersion
            {
                Name = recipe.Name,
                Portions = recipe.Portions,
                Meal = recipe.Meal == "merienda" ? "bite" : recipe.Meal,
                Lines = [.. recipe.Lines.Select(line => RecipeLine.From(line, Data.Foods, MeasureSystem.Metric))],
                Keeping = KeepingClass.WithKey(recipe.Keeping)!,
            })
            .Where(recipe => recipe.Lines.All(line => line.Food is not null));

    public static IEnumerable<Eater> Eaters
    {
        get
        {
            var stated = Demo("households.json")
                .SelectMany(household => household.GetProperty("eaters").EnumerateArray())
                .SelectMany(eater => eater.GetProperty("allowances").EnumerateArray())
                .Select(one => new Allowance(
                    one.GetProperty("protocol").GetString()!,
                    one.GetProperty("rule").GetString()!,
                    one.TryGetProperty("atLeast", out var least) ? least.GetDecimal() : null,
                    one.TryGetProperty("atMost", out var most) ? most.GetDecimal() : null,
                    default
                ))
                .ToLookup(one => one.Protocol);
            return Data.Protocols.Select(protocol => new Eater(
                Guid.NewGuid(),
                protocol.Id,
                new EaterRules(
                    [new FollowedProtocol(protocol, new Dictionary<string, string>())],
                    stated[protocol.Id],
                    PersonalLimits.None,
                    Data.HouseScheme,
                    Data.Classes,
                    new DateOnly(2026, 11, 22)
                ),
                [.. Rhythm.Usual.Meals.Zip(RhythmEdits.UsualShares(Rhythm.Usual.Meals), (meal, share) => EaterMeal.Daily(meal.Key, share))],
                Rhythm.Usual
            ));
        }
    }

    public static IEnumerable<Broken> All() => All(one => SwapSearch.For(one.Dish, one.Eater, one.Rule, Data.Foods, MeasureSystem.Metric));

    /// <param name="search">Finds the changes of one that has none yet.</param>
    public static IEnumerable<Broken> All(Func<Broken, IReadOnlyList<Swap>> search) =>
        from eater in Eaters
        from dish in Dishes
        from rule in eater.Rules.Rules
        let finding = rule.CheckPortion(
            Intake.Of(new Helping(dish.Name, dish.Profile, 1)),
            eater.ShareOf(dish.Meal),
            eater.Rules.Context with
            {
                Meal = eater.Rhythm.Meal(dish.Meal)?.Role,
            }
        )
        where finding.Verdict is Verdict.Breaks or Verdict.CannotTell && !finding.NeedsAllowance
        let broken = new Broken(eater.Name, dish, eater, rule, finding.Verdict, [])
        select broken with
        {
            Swaps = search(broken),
        };
}

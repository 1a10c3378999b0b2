using System.Globalization;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Merienda.Web.Weeks;

namespace Merienda.Web.Table;

/// <summary>Compares what two sets of rules say of the library and of the running week.</summary>
public sealed class EffectReader(RecipeStore recipes, WeekReading weeks, KnowledgeBase knowledge)
{
    /// <param name="start">First day of the running week.</param>
    /// <param name="before">Eaters as they are, by id.</param>
    /// <param name="after">The same eaters under other rules.</param>
    public Reading<IReadOnlyList<Effect>> Compare(DateOnly start, IReadOnlyList<Eater> before, IReadOnlyList<Eater> after)
    {
        var pairs = before.Join(after, one => one.Id, other => other.Id, (one, other) => (Before: one, After: other)).ToList();
        return recipes
            .All.And(weeks.Of(start))
            .Select<IReadOnlyList<Effect>>(read =>
            {
                var (library, stored) = read;
                var turned = library.SelectMany(recipe =>
                    pairs.Select(pair =>
                        Turned(
                            false,
                            pair.After.Name,
                            recipe.Version.Name,
                            pair.Before.Judge(recipe.Version.Name, recipe.Version.Profile, recipe.Version.Meal),
                            pair.After.Judge(recipe.Version.Name, recipe.Version.Profile, recipe.Version.Meal)
                        )
                    )
                );
                var week = new WeekView(stored, knowledge);
                var (was, becomes) = (
                    week.LedgerOf([.. pairs.Select(pair => pair.Before)]),
                    week.LedgerOf([.. pairs.Select(pair => pair.After)])
                );
                var days = was
                    .Days.Zip(becomes.Days)
                    .Where(day => day.Second.Helpings.Count > 0)
                    .SelectMany(day => Turned(day.First, day.Second));
                return [.. days.Concat(turned.OfType<Effect>())];
            });
    }

    /// <summary>Recipes whose points a portion differ between two schemes.</summary>
    public Reading<IReadOnlyList<PointsEffect>> ComparePoints(PointsScheme? before, PointsScheme? after) =>
        before is null || after is null
            ? Reading.Known<IReadOnlyList<PointsEffect>>([])
            : recipes.All.Select<IReadOnlyList<PointsEffect>>(library =>
                [
                    .. library
                        .Select(recipe => (recipe.Version.Name, Portion: new Helping(recipe.Version.Name, recipe.Version.Profile, 1)))
                        .Select(recipe => new PointsEffect(
                            recipe.Name,
                            Shown.Round(before.PointsOf(recipe.Portion).Best),
                            Shown.Round(after.PointsOf(recipe.Portion).Best)
                        ))
                        .Where(recipe => recipe.From != recipe.To),
                ]
            );

    /// <summary>The meals of a day that turn, or the day itself when only its sums do.</summary>
    private static IEnumerable<Effect> Turned(EaterDay was, EaterDay becomes)
    {
        var name = becomes.Date.ToString("ddd d MMM", CultureInfo.InvariantCulture);
        var meals = was
            .Meals.Zip(becomes.Meals)
            .Where(meal => meal.Second.Helpings.Count > 0)
            .Select(meal =>
                (
                    Meal: meal.Second.Meal.Name,
                    Dish: meal.Second.Helpings[0].Name,
                    From: was.VerdictOf(meal.First),
                    To: becomes.VerdictOf(meal.Second)
                )
            )
            .Where(meal => meal.From != meal.To)
            .Select(meal => new Effect(true, becomes.Eater.Name, $"{name}, {meal.Meal}", meal.From, meal.To, meal.Dish))
            .ToList();
        return meals.Count > 0 || Turned(true, becomes.Eater.Name, name, was.Findings, becomes.Findings) is not { } day ? meals : [day];
    }

    private static Effect? Turned(bool isDay, string eater, string what, IReadOnlyList<Finding> before, IReadOnlyList<Finding> after)
    {
        var (from, to) = (before.Select(finding => finding.Verdict).RollUp(), after.Select(finding => finding.Verdict).RollUp());
        return from == to
            ? null
            : new(isDay, eater, what, from, to, (to > from ? after : before).MaxBy(finding => finding.Verdict)?.Because ?? "");
    }
}

using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Recipes;

/// <summary>How large a recipe is wanted: one of the four ways.</summary>
/// <param name="Portions">So many portions, each as large as before.</param>
/// <param name="Pieces">So many pieces, each as large as before.</param>
/// <param name="Line">Of this line there is so much at hand.</param>
/// <param name="Grams">Of the line, g.</param>
/// <param name="Measure">A portion is to have at most so much of it; the batch stays as large.</param>
/// <param name="AtMost">In the measure's unit.</param>
public sealed record ScaleQuery(
    decimal? Portions = null,
    decimal? Pieces = null,
    Guid? Line = null,
    decimal? Grams = null,
    string? Measure = null,
    decimal? AtMost = null
);

/// <param name="Was">As the recipe writes it.</param>
public sealed record ScaledLineShown(string Was, string Text, string? Note);

/// <param name="Times">How many times as large the batch is.</param>
/// <param name="Draft">The recipe so, to be saved.</param>
public sealed record ScaledRecipe(decimal Times, decimal Portions, IReadOnlyList<ScaledLineShown> Lines, RecipeDraft Draft);

/// <summary>A recipe for another amount.</summary>
public static class ScaleEndpoints
{
    public static void MapScaling(this RouteGroupBuilder recipes) => recipes.MapGet("/{id:guid}/scale", Scale).WithName("ScaleRecipe");

    private static async Task<Results<Ok<ScaledRecipe>, ProblemHttpResult>> Scale(
        Guid id,
        [AsParameters] ScaleQuery query,
        CurrentTenant tenant,
        [AsParameters] RecipeEndpoints.Desk desk
    )
    {
        var ((recipe, table), foods) = await desk.Database.Read(tenant, desk.Looking(id));
        if (recipe is null)
        {
            return RecipeStore.Gone(id).ToProblem();
        }

        var scheme = table.Diners.FirstOrDefault(eater => eater.Rules.CountsPoints)?.Rules.Context.Scheme ?? desk.Knowledge.HouseScheme;
        var wanted = Wanted(query, recipe.Version, scheme);
        if (wanted.Refusal is { } refusal)
        {
            return refusal.ToProblem();
        }

        var (times, portions) = wanted.Value;
        var lines = Scaling.Of(recipe.Version, times, foods.Matcher, recipe.System);
        var before = RecipeSheets.ToDraft(recipe);
        return TypedResults.Ok(
            new ScaledRecipe(
                Shown.Round(times),
                portions,
                [.. recipe.Version.Lines.Zip(lines, (was, now) => new ScaledLineShown(was.Read.Text.Trim(), now.Line.Read.Text, now.Note))],
                before with
                {
                    Portions = portions,
                    Lines = [.. lines.Select(line => RecipeSheets.ToDraft(line.Line))],
                    // What was measured of a part is measured of as much more.
                    Parts = [.. (before.Parts ?? []).Select(part => part with { MadeAmount = part.MadeAmount * times })],
                    Variants = [.. Scaling.VariantsOf(recipe.Version, times, foods.Matcher, recipe.System).Select(RecipeSheets.ToVariant)],
                }
            )
        );
    }

    /// <summary>How many times the batch, and how many portions it makes then.</summary>
    private static Result<(decimal Times, decimal Portions)> Wanted(ScaleQuery query, RecipeVersion recipe, PointsScheme scheme)
    {
        switch (query)
        {
            case { Portions: { } portions }:
                return Sized("portions", portions, portions / recipe.Portions, portions);
            case { Pieces: { } pieces }:
                return recipe.MadeIn(YieldUnit.Pieces) is { } made
                    ? Sized("pieces", pieces, pieces / made, Math.Max(0.25m, Math.Round(recipe.Portions * pieces / made * 4) / 4))
                    : new Refusal(
                        "scale-pieces-unknown",
                        "pieces",
                        $"{pieces:0.##}",
                        "nobody said how many pieces it makes",
                        "Say it at its part: it makes so many pieces in all"
                    );
            case { Line: { } id, Grams: { } grams }:
                if (recipe.Lines.FirstOrDefault(one => one.Typed.Id == id) is not { GramsIn: { IsOpen: false, Best: > 0 } has })
                {
                    return new Refusal("scale-line-unknown", "line", $"{id}", "nobody knows what that line weighs", "Choose another line");
                }

                var times = grams / has.Best;
                return Sized("grams", grams, times, Math.Max(0.25m, Math.Round(recipe.Portions * times * 4) / 4));
            case { Measure: { } key, AtMost: { } most } when MeasureInfo.WithKey(key) is { } measure:
                return Smaller(recipe, measure, most, scheme);
            default:
                return new Refusal(
                    "scale-nothing-said",
                    "portions",
                    "",
                    "a recipe is scaled to portions, to what is at hand of a line, or to what a portion may have",
                    "Say one of them"
                );
        }
    }

    private static Result<(decimal, decimal)> Sized(string field, decimal said, decimal times, decimal portions) =>
        times is >= Scaling.Least and <= Scaling.Most && portions is >= 0.25m and <= 1000
            ? (times, portions)
            : new Refusal(
                "scale-out-of-range",
                field,
                $"{said:0.##}",
                $"a recipe is written {Scaling.Least} to {Scaling.Most:0} times as large",
                "Choose a number in that range"
            );

    /// <summary>The fewest portions, in quarters, with which one has at most so much.</summary>
    private static Result<(decimal, decimal)> Smaller(RecipeVersion recipe, MeasureInfo measure, decimal most, PointsScheme scheme)
    {
        var batch = recipe.Profile;
        for (var quarters = 1; most > 0 && quarters <= 4 * 200; quarters++)
        {
            var portions = quarters / 4m;
            var portion = Intake.Of(new Helping(recipe.Name, batch, recipe.Portions / portions));
            var value = portion.Value(measure.Measure, scheme);
            if (value.IsOpen)
            {
                break;
            }

            if (value.Best <= most)
            {
                return (1, portions);
            }
        }

        return new Refusal(
            "scale-unreachable",
            "atMost",
            $"{most:0.##} {measure.Unit}",
            $"no number of portions up to 200 brings the {measure.Name.ToLowerInvariant()} of one there, or it is not known",
            "Change the dish instead: what would make it fit stands beside each verdict"
        );
    }
}

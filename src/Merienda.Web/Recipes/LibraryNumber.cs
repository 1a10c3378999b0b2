using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Web.Recipes;

/// <summary>A number of one portion that recipes are looked for by.</summary>
/// <param name="Scheme">Whose points are counted, where it is points.</param>
internal sealed record LibraryNumber(MeasureInfo Info, decimal? AtLeast, decimal? AtMost, PointsScheme Scheme)
{
    /// <summary>What is asked for; null where no number is.</summary>
    /// <param name="asked">Whose verdict is asked for: points are in the scheme of the first of them who counts any.</param>
    public static Result<LibraryNumber?> Of(LibraryQuery query, IReadOnlyList<Eater> asked, PointsScheme house) =>
        string.IsNullOrEmpty(query.Number) ? (LibraryNumber?)null
        : MeasureInfo.WithKey(query.Number) is { } info
            ? new LibraryNumber(
                info,
                query.AtLeast,
                query.AtMost,
                asked.FirstOrDefault(eater => eater.Rules.CountsPoints)?.Rules.Context.Scheme ?? house
            )
        : new Refusal(
            "unknown-filter",
            "number",
            query.Number,
            "the library knows no such number",
            $"Say one of {string.Join(", ", MeasureInfo.All.Select(one => one.Key))}"
        );

    public Estimate ValueOf(RecipeVersion recipe) =>
        Info.Measure == Measure.Points
            ? Intake.Of(new Helping(recipe.Name, recipe.Profile, 1)).Value(Measure.Points, Scheme)
            : recipe.Profile.Total(Info.Measure);

    /// <summary>Whether a portion is surely within the bounds: what is only partly known may be over any ceiling.</summary>
    public bool Holds(RecipeVersion recipe)
    {
        var value = ValueOf(recipe);
        return value.Best >= (AtLeast ?? 0) && (AtMost is not { } most || (!value.IsOpen && value.Best <= most));
    }
}

using Merienda.Core.Claims;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;

namespace Merienda.Core.Groups;

/// <summary>A submitted recipe as the desk's own foods, scheme and rules see it, before anybody looks.</summary>
/// <param name="Unknown">Each ingredient that is not wholly known: its line and why.</param>
/// <param name="Claims">What is stated of it and is not so.</param>
/// <param name="Care">What in its words wants care.</param>
public sealed record SubmissionReview(
    DishCheck Check,
    IReadOnlyList<(string Line, string Doubt)> Unknown,
    IReadOnlyList<ClaimFinding> Claims,
    IReadOnlyList<CareMark> Care
)
{
    /// <param name="words">What was said with it.</param>
    public static SubmissionReview Of(RecipeVersion recipe, string words, IReadOnlyList<Strand> strands, PointsScheme scheme) =>
        new(
            // On no meal in particular: any of the day.
            DishCheck.Of(new MenuDish(Guid.Empty, 0, recipe.Meal ?? "", Guid.Empty), recipe, strands),
            [.. recipe.Lines.Where(line => line.Doubt is not null).Select(line => (line.Typed.Text, line.Doubt!))],
            [
                .. ClaimCheck
                    .Of(recipe, scheme)
                    .Where(finding => finding.Verdict is ClaimVerdict.Differs or ClaimVerdict.CannotBe or ClaimVerdict.SaidBefore)
                    .OrderByDescending(finding => finding.Verdict == ClaimVerdict.CannotBe),
            ],
            CareIn(recipe, words)
        );

    /// <summary>The gravest first: harm, then a health claim, then whom it breaks or can't be told for, then what cannot be, then what is unknown.</summary>
    public (int, int, int, int, int, int) Weight =>
        (
            Care.Count(mark => mark.Kind == CareKind.Harm),
            Care.Count,
            Check.Members.GetValueOrDefault(Verdict.Breaks),
            Check.Members.GetValueOrDefault(Verdict.CannotTell),
            Claims.Count,
            Unknown.Count
        );

    private static IReadOnlyList<CareMark> CareIn(RecipeVersion recipe, string words) =>
        Groups.Care.In(
            string.Join(
                '\n',
                recipe
                    .Tasks.Select(task => task.Text)
                    .Concat([recipe.Name, recipe.Note, recipe.Source, recipe.Reheating, recipe.AtEating, words])
            )
        );
}

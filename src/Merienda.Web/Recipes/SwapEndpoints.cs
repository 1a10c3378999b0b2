using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using Merienda.Core.Swaps;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Recipes;

/// <summary>What a change does to an eater's verdict.</summary>
public sealed record SwapVerdict(Guid EaterId, string Eater, Verdict Before, Verdict After);

/// <param name="Before">Of a portion.</param>
public sealed record SwapNumber(string Name, string Unit, int Decimals, decimal Before, decimal After);

/// <summary>A change that makes a finding fit, with what it does to everybody.</summary>
/// <param name="Words">"120 g tofu instead of 100 g feta".</param>
/// <param name="AsChange">The recipe with it, to be saved; of a variant, with that variant changed.</param>
/// <param name="AsVariant">The recipe with one more variant, to be saved; null where only more portions help, and for a variant.</param>
/// <param name="VariantName">Of the variant that is new or changed then.</param>
public sealed record SwapOffer(
    string Words,
    IReadOnlyList<SwapVerdict> Verdicts,
    IReadOnlyList<SwapNumber> Numbers,
    RecipeDraft AsChange,
    RecipeDraft? AsVariant,
    string? VariantName
);

/// <summary>What would make a finding fit, and how it is taken.</summary>
public static class SwapEndpoints
{
    private static readonly Measure[] Told = [Measure.Energy, Measure.Protein, Measure.Fat, Measure.NetCarbohydrate];

    public static void MapSwaps(this RouteGroupBuilder recipes) => recipes.MapGet("/{id:guid}/swaps", Find).WithName("FindSwaps");

    /// <param name="rule">Id of the rule whose finding breaks or cannot be told.</param>
    /// <param name="variant">Of the dish that is to fit; the recipe's own without it.</param>
    private static async Task<Results<Ok<IReadOnlyList<SwapOffer>>, ProblemHttpResult>> Find(
        Guid id,
        Guid eater,
        string rule,
        CurrentTenant tenant,
        [AsParameters] RecipeEndpoints.Desk desk,
        string? variant = null
    )
    {
        var ((recipe, table), foods) = await desk.Database.Read(tenant, desk.Looking(id));
        if (recipe is null)
        {
            return RecipeStore.Gone(id).ToProblem();
        }

        if (table.Diners.FirstOrDefault(one => one.Id == eater) is not { } diner)
        {
            return HouseholdStore.EaterGone(eater).ToProblem();
        }

        if (recipe.Version.As(variant) is not { } dish)
        {
            return DishEdits.NoVariant(variant!).ToProblem();
        }

        var broken = diner.Rules.Rules.Where(one => one.Id == rule).ToList();
        if (broken.Count == 0)
        {
            return new Refusal("unknown-rule", "rule", rule, $"{diner.Name} has no such rule", "Load the page again").ToProblem();
        }

        var swaps = broken.SelectMany(one => SwapSearch.For(dish, diner, one, foods.Matcher, recipe.System));
        // How many portions the batch makes is the recipe's to say, not a variant's.
        var possible = swaps.Where(swap => variant is null || swap.Portions is null);
        return TypedResults.Ok<IReadOnlyList<SwapOffer>>([
            .. possible.Select(swap => ToOffer(swap, recipe, variant, table, desk.Knowledge)),
        ]);
    }

    /// <param name="variant">Of the dish that is changed; null for the recipe as it is written.</param>
    internal static SwapOffer ToOffer(Swap swap, StoredRecipe recipe, string? variant, Core.Planning.Table table, KnowledgeBase knowledge)
    {
        var was = recipe.Version.As(variant)!;
        var now = swap.Of(was);
        var words = VariantWords.Of(swap.Change, was, 1, grams => HouseholdMass.Show(grams, table.Household.CountsInOunces)).ToList();
        if (swap.Portions is { } portions)
        {
            words.Add($"{portions:0.##} portions instead of {was.Portions:0.##}");
        }

        var before = RecipeSheets.ToDraft(recipe);
        if (variant is not null)
        {
            var further = recipe.Version.Variants.First(one => one.Name == variant).Further(swap.Change);
            return new(
                string.Join(", ", words),
                [.. Verdicts()],
                [.. Numbers(was, now, table.Diners, knowledge)],
                before with
                {
                    Variants =
                    [
                        .. (before.Variants ?? []).Select(one =>
                            one.Name != variant
                                ? one
                                : RecipeSheets.ToVariant(further) with
                                {
                                    Added = [.. further.Added.Select(added => new DraftVariantLine(added.Instead, Changed(added.Line)))],
                                }
                        ),
                    ],
                },
                null,
                variant
            );
        }

        var name = swap.Portions is null ? VariantWords.NameOf(swap.Change, was) : null;
        return new(
            string.Join(", ", words),
            [.. Verdicts()],
            [.. Numbers(was, now, table.Diners, knowledge)],
            before with
            {
                Portions = now.Portions,
                Lines = [.. now.Lines.Select(Changed)],
                Variants =
                [
                    .. (before.Variants ?? []).Select(variant => variant.Without(Gone(was, now))).Where(variant => variant.IsBegun),
                ],
            },
            name is null
                ? null
                : before with
                {
                    Variants = [.. before.Variants ?? [], RecipeSheets.ToVariant(swap.Change with { Name = name })],
                },
            name
        );

        IEnumerable<SwapVerdict> Verdicts() =>
            table.Diners.Select(diner => new SwapVerdict(diner.Id, diner.Name, VerdictOf(diner, was), VerdictOf(diner, now)));
    }

    /// <summary>Ids of lines that are there no more.</summary>
    private static HashSet<Guid> Gone(RecipeVersion was, RecipeVersion now) =>
        [.. was.Lines.Select(line => line.Typed.Id).Except(now.Lines.Select(line => line.Typed.Id))];

    /// <summary>What is taken more or less of is written by its weight.</summary>
    private static DraftLine Changed(RecipeLine line) =>
        line.Times == 1
            ? RecipeSheets.ToDraft(line)
            : RecipeSheets.ToDraft(line) with
            {
                Text = $"{Math.Max(1, Math.Round(line.GramsIn.Best)):0} g {line.Read.Food}",
                Food = line.Food?.Key,
            };

    private static Verdict VerdictOf(Eater eater, RecipeVersion dish) =>
        eater.Judge(dish.Name, dish.Profile, dish.Meal).Select(finding => finding.Verdict).RollUp();

    private static IEnumerable<SwapNumber> Numbers(
        RecipeVersion was,
        RecipeVersion now,
        IReadOnlyList<Eater> eaters,
        KnowledgeBase knowledge
    )
    {
        var (before, after) = (new Helping(was.Name, was.Profile, 1), new Helping(now.Name, now.Profile, 1));
        foreach (var measure in Told)
        {
            var info = MeasureInfo.Of(measure);
            yield return new(
                info.Name,
                info.Unit,
                info.Decimals,
                Shown.Round(was.Profile.Total(measure).Best),
                Shown.Round(now.Profile.Total(measure).Best)
            );
        }

        foreach (
            var (old, changed) in Shown
                .Points(before, eaters, knowledge.HouseScheme)
                .Zip(Shown.Points(after, eaters, knowledge.HouseScheme))
        )
        {
            yield return new(old.Name, old.Unit, old.Decimals, old.Value.Best, changed.Value.Best);
        }
    }
}

using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Claims;

/// <summary>Compares what a source states with what we count of the very dish that it was stated of.</summary>
public static class ClaimCheck
{
    /// <summary>Off by no more than the larger of a share of what is stated and so many of its unit, a value agrees.</summary>
    private readonly record struct Slack(decimal Share, decimal Units);

    /// <summary>Of energy domain.md section 1 has it; the others are common practice [C].</summary>
    private static Slack SlackOf(ClaimedValue what) =>
        what switch
        {
            ClaimedValue.Energy => new(0.1m, 20),
            ClaimedValue.Sodium => new(0.2m, 50),
            ClaimedValue.ProteinShare or ClaimedValue.FatShare or ClaimedValue.CarbohydrateShare => new(0, 3),
            ClaimedValue.Points => new(0, 0.5m),
            ClaimedValue.Portions or ClaimedValue.FridgeDays => new(0, 0),
            ClaimedValue.HandsOn or ClaimedValue.Minutes => new(0.2m, 10),
            ClaimedValue.PortionGrams => new(0.1m, 5),
            _ => new(0.1m, 1),
        };

    /// <param name="scheme">Of the eater whose points are shown.</param>
    public static IReadOnlyList<ClaimFinding> Of(RecipeVersion recipe, PointsScheme scheme) =>
        [
            .. recipe
                .Claims.GroupBy(claim => (claim.Variant, claim.Part))
                .SelectMany(stated =>
                {
                    var impossible = ImpossibleClaims.In([.. stated]).Concat(Sums(recipe, stated.Key)).ToLookup(found => found.Claim);
                    return stated.Select(claim => Of(claim, recipe, scheme, impossible[claim].Select(found => found.Because)));
                }),
        ];

    private static IEnumerable<(Claim Claim, string Because)> Sums(RecipeVersion recipe, (string? Variant, string? Part) of) =>
        of.Part is null ? ImpossibleClaims.InParts([.. recipe.Claims.Where(claim => claim.Variant == of.Variant)]) : [];

    private static ClaimFinding Of(Claim claim, RecipeVersion recipe, PointsScheme scheme, IEnumerable<string> impossible)
    {
        var info = ClaimInfo.Of(claim.What);
        if (recipe.As(claim.Variant) is not { } dish || (claim.Part is { } part && !dish.PartNames.Contains(part)))
        {
            return new(
                claim,
                ClaimVerdict.SaidBefore,
                null,
                $"It was said of {claim.Part ?? $"the variant {claim.Variant}"}, which is no more."
            );
        }

        var ours = OurNumbers.Of(claim, dish, scheme);
        var counted = ours is { } value ? $" We count {info.Show(value)} now." : "";
        if (claim.Of != DishPrint.Of(dish.Lines, dish.Portions))
        {
            return new(claim, ClaimVerdict.SaidBefore, ours, $"It was said before something in the dish was changed.{counted}");
        }

        return impossible.ToList() is { Count: > 0 } reasons
            ? new(claim, ClaimVerdict.CannotBe, ours, string.Join(" ", reasons))
            : Compared(claim, info, ours, dish);
    }

    private static ClaimFinding Compared(Claim claim, ClaimInfo info, Estimate? ours, RecipeVersion dish)
    {
        if (ours is not { } value)
        {
            return new(claim, ClaimVerdict.CantTell, null, "Too little is known of the dish to count it.");
        }

        var slack = SlackOf(claim.What);
        var most = Math.Max(slack.Share * claim.Value, slack.Units);
        var isTooLittle = claim.Value < value.Low - most;
        // A source that keeps it shorter than it may be kept is no worse for that.
        var isTooMuch = value.High is { } high && claim.Value > high + most;
        if (claim.What == ClaimedValue.FridgeDays)
        {
            return isTooMuch
                ? new(
                    claim,
                    ClaimVerdict.Differs,
                    value,
                    $"{dish.KeepingOf(null).Name} keeps {info.Show(value.Best)}: {dish.KeepingOf(null).Source}."
                )
                : new(claim, ClaimVerdict.Agrees, value, "");
        }

        return isTooLittle || isTooMuch ? new(claim, ClaimVerdict.Differs, value, Difference(claim, info, value))
            : value.IsOpen ? new(claim, ClaimVerdict.CantTell, value, "A part of the dish is unknown: ours is a least.")
            : new(claim, ClaimVerdict.Agrees, value, "");
    }

    private static string Difference(Claim claim, ClaimInfo info, Estimate ours) =>
        $"It says {info.Show(claim.Value)}; we count {info.Show(ours)}.";
}

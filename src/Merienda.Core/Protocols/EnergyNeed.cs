namespace Merienda.Core.Protocols;

public enum Sex
{
    Woman,
    Man,
}

/// <summary>
/// Energy need by Mifflin–St Jeor 1990 (Am J Clin Nutr 51, from memory [M]), times activity, less a deficit; with the floors and cautions
/// of domain.md section 10.
/// It plans food and does not treat: what it says is a start for a talk with a professional.
/// </summary>
public sealed record EnergyNeed
{
    /// <summary>Energy of a kilogram of body weight, a rule of thumb [C]: the pace it gives is rough and slows with time.</summary>
    public const decimal KilocaloriesPerKilogram = 7_700;

    public const decimal LeastActivity = 1.2m,
        MostActivity = 1.9m,
        LargestDeficit = 0.25m;

    /// <summary>kcal a day below which a target shows a caution, and below which only a clinical team sets it.</summary>
    public const decimal FloorWomen = 1_200,
        FloorMen = 1_500,
        ClinicalOnly = 800;

    /// <summary>Share of body weight a week above which a pace is flagged.</summary>
    public const decimal FastestPace = 0.01m;

    private EnergyNeed(decimal resting, decimal need, decimal target, decimal paceKilograms, IReadOnlyList<string> cautions) =>
        (Resting, Need, Target, PaceKilograms, Cautions) = (resting, need, target, paceKilograms, cautions);

    /// <summary>kcal a day at rest.</summary>
    public decimal Resting { get; }

    /// <summary>kcal a day that keep the weight.</summary>
    public decimal Need { get; }

    /// <summary>kcal a day after the deficit, to whole tens.</summary>
    public decimal Target { get; }

    /// <summary>Kilograms a week that the deficit comes to by the rule of thumb.</summary>
    public decimal PaceKilograms { get; }

    public IReadOnlyList<string> Cautions { get; }

    /// <param name="kilograms">Body weight, 25 to 350.</param>
    /// <param name="centimetres">Height, 90 to 250.</param>
    /// <param name="years">Age, 1 to 120; under 18 shows a caution.</param>
    /// <param name="activity">1.2 (sitting) to 1.9 (hard physical work).</param>
    /// <param name="deficit">Share of the need that is left out, 0 to 0.25.</param>
    public static Outcomes.Result<EnergyNeed> Of(
        Sex sex,
        decimal kilograms,
        decimal centimetres,
        decimal years,
        decimal activity,
        decimal deficit
    )
    {
        var refusal =
            OutOfRange("weight", kilograms, 25, 350, "kg")
            ?? OutOfRange("height", centimetres, 90, 250, "cm")
            ?? OutOfRange("age", years, 1, 120, "years")
            ?? OutOfRange("activity", activity, LeastActivity, MostActivity, "")
            ?? OutOfRange("deficit", deficit * 100, 0, LargestDeficit * 100, "%");
        if (refusal is not null)
        {
            return refusal;
        }

        var resting = (10 * kilograms) + (6.25m * centimetres) - (5 * years) + (sex == Sex.Man ? 5 : -161);
        var need = resting * activity;
        var target = Math.Round(need * (1 - deficit) / 10, MidpointRounding.AwayFromZero) * 10;
        var pace = need * deficit * 7 / KilocaloriesPerKilogram;
        return new EnergyNeed(resting, need, target, pace, [.. CautionsOf(sex, target), .. OwnCautions(years, pace / kilograms)]);
    }

    /// <summary>What to heed about a day's target, whoever set it.</summary>
    /// <param name="sex">Null when nobody said: both floors are named.</param>
    public static IEnumerable<string> CautionsOf(Sex? sex, decimal target)
    {
        if (target < ClinicalOnly)
        {
            yield return $"Below {ClinicalOnly:#,0} kcal a day only a clinical team sets the number.";
        }

        if (sex is null && target < FloorMen)
        {
            yield return target < FloorWomen
                ? $"Below {FloorWomen:#,0} kcal (women) and {FloorMen:#,0} kcal (men) a day: professional advice comes first."
                : $"Below {FloorMen:#,0} kcal a day: for a man, professional advice comes first.";
        }
        else if (target < (sex == Sex.Man ? FloorMen : FloorWomen))
        {
            yield return $"Below {(sex == Sex.Man ? FloorMen : FloorWomen):#,0} kcal a day for a {(sex == Sex.Man ? "man" : "woman")}: professional advice comes first.";
        }
    }

    private static IEnumerable<string> OwnCautions(decimal years, decimal pace)
    {
        if (years < 18)
        {
            yield return "Under 18: ask a professional before any target is set.";
        }

        if (pace > FastestPace)
        {
            yield return $"About {pace:0.0 %} of body weight a week is faster than {FastestPace:0 %}: choose a smaller deficit.";
        }
    }

    private static Outcomes.Refusal? OutOfRange(string field, decimal value, decimal least, decimal most, string unit) =>
        value >= least && value <= most
            ? null
            : new(
                "need-out-of-range",
                field,
                $"{value:0.##}",
                $"{field} lies between {least:0.##} and {most:0.##} {unit}".TrimEnd(),
                "Type it again"
            );
}

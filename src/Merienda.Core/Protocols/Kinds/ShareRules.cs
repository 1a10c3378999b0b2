using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Protocols;

/// <summary>
/// A quotient of two sums over the same foods. Only a rule over portions judges one dish: it does not settle a meal, a day or a week.
/// </summary>
public abstract record QuotientRule : BoundedRule
{
    public required Measure Measure { get; init; }

    public required Period Per { get; init; }

    [JsonIgnore]
    public override Period Period => Per;

    [JsonIgnore]
    public override IReadOnlyList<Measure> Measures => [Measure];

    public override string Sentence(FoodClasses classes) => $"{Title}: {BoundsInWords()} {PeriodInWords}";

    public override Finding Check(Intake intake, RuleContext context)
    {
        var value = ValueOf(intake);
        if (NeedsAllowance)
        {
            return Unstated(value, []);
        }

        var verdict = intake.Helpings.Count == 0 ? Verdict.Fits : Judge(value, context.OpenMeals);
        return Found(verdict, value, [], Reason(verdict, value, [], context.OpenMeals, () => "every food in it"));
    }

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context) =>
        Check(portion, context) is { NeedsAllowance: false, Verdict: not Verdict.Fits } found && Per != Period.Portion
            ? found with
            {
                Verdict = Verdict.Fits,
                Because =
                    $"{Title}: {Scale.ShowWithUnit(found.Value!.Value.Best)} in this portion; what else is eaten that {Per.ToString().ToLowerInvariant()} decides.",
            }
            : Check(portion, context);

    /// <summary>
    /// The relative widths combine by root-sum-square: both sums err with the same foods, so this is rather too wide than too narrow.
    /// Nothing over nothing is unknown.
    /// </summary>
    /// <param name="most">Natural bound of the quotient, or null.</param>
    public static Estimate Quotient(Estimate part, Estimate whole, decimal? most)
    {
        if (whole.Best == 0)
        {
            return Estimate.Unknown;
        }

        var best = part.Best / whole.Best;
        if (part.IsOpen || whole.IsOpen)
        {
            // The known part may be all of it, or the unknown may dwarf it.
            return Estimate.AtLeast(0, best);
        }

        var below = best * RootSumSquare(part.Best == 0 ? 0 : part.Below / part.Best, whole.Above / whole.Best);
        var above = part.Best == 0 ? part.Above / whole.Best : best * RootSumSquare(part.Above / part.Best, whole.Below / whole.Best);
        var high = best + above;
        return Estimate.Between(Math.Max(0, best - below), best, most is { } bound ? Math.Max(best, Math.Min(bound, high)) : high);
    }

    /// <summary>A quotient within its bounds, as two sums: part − bound × whole has the sign that the bound asks for.</summary>
    public override IEnumerable<LinearForm> Linear(RuleContext context)
    {
        if (!IsSummed)
        {
            yield break;
        }

        if (AtMost is { } most)
        {
            yield return Form(helping => Over(helping, most)) with
            {
                AtLeast = null,
                AtMost = 0,
            };
        }

        if (AtLeast is { } least)
        {
            yield return Form(helping => Over(helping, least)) with
            {
                AtLeast = 0,
                AtMost = null,
            };
        }
    }

    private Brought Over(Helping helping, decimal bound)
    {
        var (part, whole) = SumsOf(Intake.Of(helping));
        return new(part.Best - (bound * whole.Best), 0, part.IsOpen || whole.IsOpen);
    }

    /// <summary>Most that the quotient can be; null for no bound.</summary>
    protected virtual decimal? Most => null;

    /// <summary>What is divided, and by what.</summary>
    protected abstract (Estimate Part, Estimate Whole) SumsOf(Intake intake);

    private Estimate ValueOf(Intake intake)
    {
        var (part, whole) = SumsOf(intake);
        return Quotient(part, whole, Most);
    }

    protected static RuleField Bound(string key, string label, string help, string unit) => RuleField.Bound(key, label, help, unit, 100);

    private static decimal RootSumSquare(decimal one, decimal other) => (decimal)Math.Sqrt((double)((one * one) + (other * other)));
}

/// <summary>
/// A nutrient's share of the energy, in percent; the basis is part of its name, because half and half by grams is two thirds by energy.
/// </summary>
public sealed record EnergyShareRule : QuotientRule
{
    /// <summary>kcal a gram, EU Regulation 1169/2011 Annex XIV, from memory [M].</summary>
    private static readonly Dictionary<Measure, decimal> Factors = new()
    {
        [Measure.Protein] = EnergyFactors.Protein,
        [Measure.Fat] = EnergyFactors.Fat,
        [Measure.SaturatedFat] = EnergyFactors.Fat,
        [Measure.AvailableCarbohydrate] = EnergyFactors.Carbohydrate,
        [Measure.NetCarbohydrate] = EnergyFactors.Carbohydrate,
        [Measure.Sugars] = EnergyFactors.Carbohydrate,
        [Measure.AddedSugars] = EnergyFactors.Carbohydrate,
        [Measure.Alcohol] = EnergyFactors.Alcohol,
    };

    public static readonly RuleKind Described = new(
        "energy-share",
        "Share of energy",
        "How much of the energy comes from one nutrient, in percent.",
        "{measure}: at least {atLeast}, at most {atMost} of the energy {per}",
        [
            RuleField.Measure(of: Factors.Keys),
            RuleField.Per(Period.Portion, Period.Meal, Period.Day, Period.Week),
            Bound("atLeast", "at least", "Percent of the energy, included.", "%"),
            Bound("atMost", "at most", "Percent of the energy, included.", "%"),
            RuleField.AsksAtLeast,
            RuleField.AsksAtMost,
        ],
        new EnergyShareRule
        {
            Id = "saturated-share",
            Measure = Measure.SaturatedFat,
            Per = Period.Day,
            AtMost = 10,
        }
    );

    [JsonIgnore]
    public override RuleKind Kind => Described;

    [JsonIgnore]
    public override string Title => $"{MeasureInfo.Of(Measure).Name}, share of energy";

    [JsonIgnore]
    public override Scale Scale => Scale.Percent;

    protected override decimal? Most => 100;

    protected override (Estimate Part, Estimate Whole) SumsOf(Intake intake) =>
        (intake.Sum(Measure) * (100 * Factors[Measure]), intake.Sum(Measure.Energy));
}

/// <summary>One nutrient to another by grams: protein to fat about 1 in some low-carb schools [C].</summary>
public sealed record GramRatioRule : QuotientRule
{
    private static readonly Measure[] Macros =
    [
        Measure.Protein,
        Measure.Fat,
        Measure.Carbohydrate,
        Measure.AvailableCarbohydrate,
        Measure.NetCarbohydrate,
        Measure.Fibre,
    ];

    public static readonly RuleKind Described = new(
        "gram-ratio",
        "Ratio by grams",
        "How many grams of one nutrient come with each gram of another.",
        "{measure} to {to} by grams: at least {atLeast}, at most {atMost} {per}",
        [
            RuleField.Measure(of: Macros),
            RuleField.Measure("to", "to", of: Macros),
            RuleField.Per(Period.Portion, Period.Meal, Period.Day, Period.Week),
            Bound("atLeast", "at least", "Grams to each gram, included.", ""),
            Bound("atMost", "at most", "Grams to each gram, included.", ""),
            RuleField.AsksAtLeast,
            RuleField.AsksAtMost,
        ],
        new GramRatioRule
        {
            Id = "protein-to-fat",
            Measure = Measure.Protein,
            To = Measure.Fat,
            Per = Period.Day,
            AtLeast = 0.8m,
            AtMost = 1.25m,
        }
    );

    /// <summary>What is divided by.</summary>
    public required Measure To { get; init; }

    [JsonIgnore]
    public override IReadOnlyList<Measure> Measures => [Measure, To];

    [JsonIgnore]
    public override RuleKind Kind => Described;

    [JsonIgnore]
    public override string Title => $"{MeasureInfo.Of(Measure).Name} to {MeasureInfo.Of(To).Name.ToLowerInvariant()} by grams";

    [JsonIgnore]
    public override Scale Scale => Scale.Ratio;

    protected override (Estimate Part, Estimate Whole) SumsOf(Intake intake) => (intake.Sum(Measure), intake.Sum(To));
}

using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>What one line brings to one portion of one measure: the best value and the widths from the food and from the amount.</summary>
public readonly record struct LineAmount(
    decimal Best,
    decimal FoodBelow,
    decimal FoodAbove,
    decimal AmountBelow,
    decimal AmountAbove,
    bool IsOpen
)
{
    /// <summary>The line alone: the food's and the amount's widths are independent, so they combine by root-sum-square.</summary>
    public Estimate Estimate
    {
        get
        {
            var low = Best - Math.Min(Best, RootSumSquare(FoodBelow, AmountBelow));
            return IsOpen ? Estimate.AtLeast(low, Best) : Estimate.Between(low, Best, Best + RootSumSquare(FoodAbove, AmountAbove));
        }
    }

    private static decimal RootSumSquare(decimal one, decimal other) =>
        one == 0 ? other
        : other == 0 ? one
        : (decimal)Math.Sqrt((double)((one * one) + (other * other)));
}

/// <summary>
/// The nutrition of one portion by line, worked out once for each recipe version: every check of a portion, a day or a week is a sum over
/// these rows.
/// </summary>
public sealed class PortionProfile
{
    private readonly LineAmount[] _amounts;
    private readonly MeasureSum[] _sums;
    private Tuple<Estimate>? _weight,
        _volume;

    private PortionProfile(IReadOnlyList<RecipeLine> all, IReadOnlyList<RecipeLine> lines, decimal portions, LineAmount[] amounts)
    {
        (AllLines, Lines, Portions, _amounts) = (all, lines, portions, amounts);
        HasPrintedPoints = lines.Any(line => line.Food?.Packet?.Points is not null);
        _sums = [.. Enumerable.Range(0, MeasureInfo.AdditiveCount).Select(measure => SumOf((Measure)measure))];
    }

    /// <summary>Every ingredient, those of used recipes and the optional ones too: allergies and exclusions look at what may be eaten.</summary>
    public IReadOnlyList<RecipeLine> AllLines { get; }

    /// <summary>The lines that are counted: all but the optional ones, and those served beside without an amount.</summary>
    public IReadOnlyList<RecipeLine> Lines { get; }

    /// <summary>How many portions the lines make.</summary>
    public decimal Portions { get; }

    /// <summary>Whether a line is a packet whose points were typed from a list.</summary>
    public bool HasPrintedPoints { get; }

    public LineAmount this[int line, Measure measure] => _amounts[(line * MeasureInfo.AdditiveCount) + (int)measure];

    /// <exception cref="ArgumentOutOfRangeException">Fewer than one hundredth of a portion.</exception>
    public static PortionProfile Of(IEnumerable<RecipeLine> lines, decimal portions)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(portions, 0.01m);
        var all = lines.SelectMany(line => line.Ingredients).ToList();
        var eaten = all.Where(line => !line.Read.IsOutOfNumbers).ToList();
        var amounts = new LineAmount[eaten.Count * MeasureInfo.AdditiveCount];
        for (var line = 0; line < eaten.Count; line++)
        {
            for (var measure = 0; measure < MeasureInfo.AdditiveCount; measure++)
            {
                amounts[(line * MeasureInfo.AdditiveCount) + measure] = Amount(eaten[line], (Measure)measure, portions);
            }
        }

        return new(all, eaten, portions, amounts);
    }

    /// <summary>What one portion weighs as served, g; worked out once.</summary>
    public Estimate ServedWeight => (_weight ??= new(Served(ServedAmount.Weight))).Item1;

    /// <summary>How large one portion is as served, ml; worked out once.</summary>
    public Estimate ServedVolume => (_volume ??= new(Served(ServedAmount.Volume))).Item1;

    /// <summary>One portion's sum over all lines. A size scales it as a whole: the widths of one dish grow with it.</summary>
    public Estimate Total(Measure measure) => _sums[(int)measure].Total;

    /// <summary>How many sources of width a measure has.</summary>
    internal int SourcesOf(Measure measure) => _sums[(int)measure].Widths.Length;

    /// <param name="size">How many portions: 1.5 is a portion and a half.</param>
    public void AddTo(Tally tally, Measure measure, decimal size)
    {
        var sum = _sums[(int)measure];
        tally.AddBest(sum.Total.Best * size, sum.Total.IsOpen);
        var times = (double)size;
        foreach (var (source, below, above) in sum.Widths)
        {
            tally.AddWidth(source, below * times, above * times);
        }
    }

    private Estimate Served(Func<RecipeLine, Estimate, Estimate> of)
    {
        var tally = new Tally();
        foreach (var line in Lines)
        {
            tally.Add(line.Source, of(line, line.Grams * (1 / Portions)));
        }

        return tally.Plausible;
    }

    private MeasureSum SumOf(Measure measure)
    {
        var tally = new Tally();
        for (var line = 0; line < Lines.Count; line++)
        {
            var amount = this[line, measure];
            tally.AddBest(amount.Best, amount.IsOpen);
            if (Lines[line].Food is { } food)
            {
                tally.AddWidth(food, amount.FoodBelow, amount.FoodAbove);
                tally.AddWidth(Lines[line].Source, amount.AmountBelow, amount.AmountAbove);
            }
        }

        return new(tally.Plausible, [.. tally.Widths]);
    }

    private static LineAmount Amount(RecipeLine line, Measure measure, decimal portions)
    {
        if (line.Nutrition is not { } nutrition)
        {
            return new(0, 0, 0, 0, 0, true);
        }

        if (line.HasChoice)
        {
            // What is meant decides food and weight at once: the widths don't part into one of each.
            var brings = line.Brings(measure) * (1 / portions);
            return new(brings.Best, brings.Below, brings.Above, 0, 0, brings.IsOpen || line.Lacks(measure));
        }

        var per100 = nutrition[measure];
        var hundreds = line.Grams * (1 / (100 * portions));
        // An unknown amount of a food that holds none of it still brings none.
        var isOpen = (hundreds.IsOpen && per100.High != 0) || (per100.IsOpen && hundreds.High != 0) || line.Lacks(measure);
        return new(
            hundreds.Best * per100.Best,
            hundreds.Best * per100.Below,
            hundreds.Best * per100.Above,
            hundreds.Below * per100.Best,
            hundreds.Above * per100.Best,
            isOpen
        );
    }

    /// <summary>One measure of one portion: its total and the width of each source that has one.</summary>
    private sealed record MeasureSum(Estimate Total, (object Source, double Below, double Above)[] Widths);
}

namespace Merienda.Core.Quantities;

/// <summary>
/// A quantity with the bounds it is known within: 0 ≤ low ≤ best ≤ high, all in the unit of what is measured.
/// <see cref="High"/> is null when a part is unknown: then low and best hold the known part only and nothing bounds it above.
/// </summary>
public readonly record struct Estimate
{
    private Estimate(decimal low, decimal best, decimal? high) => (Low, Best, High) = (low, best, high);

    public decimal Low { get; }

    /// <summary>What was declared or weighed; of an <see cref="IsOpen">open</see> estimate, the known part.</summary>
    public decimal Best { get; }

    public decimal? High { get; }

    /// <summary>True when a part is unknown; unknown is never counted as zero (domain.md section 1).</summary>
    public bool IsOpen => High is null;

    public static Estimate Zero => new(0, 0, 0);

    /// <summary>Nothing is known but that it is not negative.</summary>
    public static Estimate Unknown => new(0, 0, null);

    public static Estimate Exactly(decimal value) => Between(value, value, value);

    /// <exception cref="ArgumentException">The three are not in order, or the lowest is negative.</exception>
    public static Estimate Between(decimal low, decimal best, decimal high) =>
        low >= 0 && low <= best && best <= high
            ? new(low, best, high)
            : throw new ArgumentException($"An estimate needs 0 ≤ low ≤ best ≤ high, not {low}, {best}, {high}.");

    /// <summary>At least the known part, with no upper bound.</summary>
    public static Estimate AtLeast(decimal low, decimal best) =>
        low >= 0 && low <= best
            ? new(low, best, null)
            : throw new ArgumentException($"An estimate needs 0 ≤ low ≤ best, not {low}, {best}.");

    /// <summary>A best value with the same share below and above it (0.05 for ± 5 %).</summary>
    public static Estimate Around(decimal best, decimal share) => Between(best * (1 - share), best, best * (1 + share));

    /// <summary>Something unknown that cannot leave its natural bounds; best is the middle, which favours neither end.</summary>
    public static Estimate Within(decimal low, decimal high) => Between(low, (low + high) / 2, high);

    public decimal Below => Best - Low;

    /// <summary>The width above best; zero for an open estimate, whose width is not known.</summary>
    public decimal Above => High is { } high ? high - Best : 0;

    /// <summary>
    /// Adds within one source: the widths add linearly (domain.md section 3). Independent sources go through <see cref="Tally"/>.
    /// </summary>
    public static Estimate operator +(Estimate left, Estimate right) =>
        new(left.Low + right.Low, left.Best + right.Best, left.High + right.High);

    public static Estimate operator *(Estimate estimate, decimal times) =>
        times >= 0
            ? new(estimate.Low * times, estimate.Best * times, times == 0 ? 0 : estimate.High * times)
            : throw new ArgumentOutOfRangeException(nameof(times), times, "An estimate is scaled by zero or more.");

    /// <summary>So many times this, where nobody knows exactly how many. None of something unknown is still none.</summary>
    public static Estimate operator *(Estimate estimate, Estimate times) =>
        estimate.High == 0 || times.High == 0
            ? Zero
            : new(estimate.Low * times.Low, estimate.Best * times.Best, estimate.High * times.High);

    /// <summary>This for so much of something, when it is of so much: the two are not known to err together.</summary>
    /// <param name="whole">Above zero and bounded.</param>
    public Estimate Per(decimal part, Estimate whole) =>
        whole is not { Low: > 0, High: { } most } ? Unknown : new(Low * part / most, Best * part / whole.Best, High * part / whole.Low);

    /// <summary>What some grams hold of which 100 g hold this. An unknown amount of what holds none still brings none.</summary>
    public Estimate In(Estimate grams) =>
        High == 0 || grams.High == 0 ? Zero
        : High is { } most && grams.High is { } heaviest
            ? Between(grams.Low * Low * 0.01m, grams.Best * Best * 0.01m, heaviest * most * 0.01m)
        : AtLeast(grams.Low * Low * 0.01m, grams.Best * Best * 0.01m);

    /// <summary>Either the one or the other: this one's best, as wide as both.</summary>
    public Estimate Or(Estimate other) =>
        new(Math.Min(Low, other.Low), Best, High is { } high && other.High is { } most ? Math.Max(high, most) : null);

    public override string ToString() =>
        High is { } high ? $"{Best:0.###} [{Low:0.###}, {high:0.###}]" : $"at least {Low:0.###}, a part unknown";
}

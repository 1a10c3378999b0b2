using CsCheck;
using Merienda.Core.Quantities;

namespace Merienda.Core.Tests.Quantities;

public class EstimateTests
{
    // Hundredths keep decimal sums exact, so that equality is meant.
    private static readonly Gen<decimal> Hundredths = Gen.Int[0, 50_000].Select(value => value / 100m);

    private static readonly Gen<Estimate> AnyEstimate = Gen.Select(
        Hundredths,
        Hundredths,
        Hundredths,
        (a, b, c) =>
        {
            var sorted = new[] { a, b, c }.Order().ToArray();
            return Estimate.Between(sorted[0], sorted[1], sorted[2]);
        }
    );

    private static bool IsOrdered(Estimate value) =>
        value.Low >= 0 && value.Low <= value.Best && (value.High is null || value.Best <= value.High);

    [Fact]
    public void Bounds_stay_in_order_through_adding_and_scaling() =>
        Gen.Select(AnyEstimate, AnyEstimate, Hundredths).Sample((left, right, times) => IsOrdered(left + right) && IsOrdered(left * times));

    [Fact]
    public void The_order_of_adding_does_not_matter() =>
        Gen.Select(AnyEstimate, AnyEstimate, AnyEstimate).Sample((a, b, c) => a + b + c == c + a + b);

    [Fact]
    public void Scaling_a_sum_is_the_sum_of_the_scaled() =>
        Gen.Select(AnyEstimate, AnyEstimate, Gen.Int[0, 9]).Sample((a, b, times) => (a + b) * times == (a * times) + (b * times));

    [Theory]
    [InlineData(2, 1, 3)]
    [InlineData(1, 3, 2)]
    [InlineData(-1, 0, 1)]
    public void Bounds_out_of_order_or_negative_are_refused(int low, int best, int high) =>
        Assert.Throws<ArgumentException>(() => Estimate.Between(low, best, high));

    [Fact]
    public void An_unknown_part_keeps_the_known_part_and_opens_the_upper_bound()
    {
        var sum = Estimate.Exactly(12) + Estimate.Unknown;
        Assert.True(sum.IsOpen);
        Assert.Equal((12m, 12m, null), (sum.Low, sum.Best, sum.High));
        Assert.Equal(Estimate.Zero, Estimate.Unknown * 0);
    }

    [Fact]
    public void Widths_of_independent_sources_never_exceed_the_worst_case_and_hold_each_single_one() =>
        AnyEstimate
            .Array[1, 12]
            .Sample(parts =>
            {
                var tally = new Tally();
                Array.ForEach(parts, part => tally.Add(new object(), part));
                var (plausible, worst) = (tally.Plausible, tally.WorstCase);
                return IsOrdered(plausible)
                    && plausible.Best == worst.Best
                    && plausible.Low >= worst.Low
                    && plausible.High <= worst.High
                    && parts.All(part => plausible.Best - plausible.Low >= part.Below - 0.000001m);
            });

    [Fact]
    public void Fourteen_servings_of_one_packet_err_together_and_twenty_packets_partly_cancel()
    {
        // domain.md section 11 no. 13: a US "0 g" stands for [0, 0.5).
        var packet = new object();
        var (one, twenty) = (new Tally(), new Tally());
        for (var serving = 0; serving < 14; serving++)
        {
            one.Add(packet, Estimate.Between(0, 0, 0.5m));
        }

        for (var other = 0; other < 20; other++)
        {
            twenty.Add(new object(), Estimate.Between(0, 0, 0.5m));
        }

        Assert.Equal(7, one.Plausible.High!.Value, 6);
        Assert.Equal(2.236m, twenty.Plausible.High!.Value, 3);
        Assert.Equal(10, twenty.WorstCase.High!.Value, 6);
    }

    [Fact]
    public void What_some_grams_hold_lies_between_what_the_fewest_and_the_most_hold() =>
        Gen.Select(AnyEstimate, AnyEstimate)
            .Sample(
                (perHundred, grams) =>
                {
                    var held = perHundred.In(grams);
                    return IsOrdered(held)
                        && held.Low == perHundred.Low * grams.Low * 0.01m
                        && held.Best == perHundred.Best * grams.Best * 0.01m
                        && held.High == perHundred.High * grams.High * 0.01m;
                }
            );

    [Fact]
    public void An_unknown_amount_of_what_holds_none_brings_none_and_of_anything_else_is_open()
    {
        Assert.Equal(Estimate.Zero, Estimate.Zero.In(Estimate.Unknown));
        Assert.Equal(Estimate.Zero, Estimate.Unknown.In(Estimate.Zero));
        Assert.True(Estimate.Exactly(5).In(Estimate.Unknown).IsOpen);
        Assert.True(Estimate.Unknown.In(Estimate.Exactly(100)).IsOpen);
        Assert.Equal(
            (2.5m, 5m, true),
            (
                Estimate.AtLeast(5, 10).In(Estimate.Exactly(50)).Low,
                Estimate.AtLeast(5, 10).In(Estimate.Exactly(50)).Best,
                Estimate.AtLeast(5, 10).In(Estimate.Exactly(50)).IsOpen
            )
        );
    }

    [Fact]
    public void Either_of_two_keeps_the_first_best_and_holds_both() =>
        Gen.Select(AnyEstimate, AnyEstimate)
            .Sample(
                (one, other) =>
                {
                    var either = one.Or(other);
                    return IsOrdered(either)
                        && either.Best == one.Best
                        && either.Low <= other.Low
                        && either.High >= other.High
                        && one.Or(Estimate.Unknown) is { Low: 0, IsOpen: true }
                        && one.Or(one) == one;
                }
            );

    [Fact]
    public void A_share_around_a_value_and_the_middle_of_two_bounds()
    {
        Assert.Equal(Estimate.Between(95, 100, 105), Estimate.Around(100, 0.05m));
        Assert.Equal(Estimate.Between(2, 3, 4), Estimate.Within(2, 4));
        Assert.Equal((10m, 5m), (Estimate.Between(90, 100, 105).Below, Estimate.Between(90, 100, 105).Above));
        Assert.Equal(0, Estimate.AtLeast(1, 2).Above);
    }

    [Fact]
    public void What_is_at_least_something_is_no_less_than_nothing_and_no_more_than_its_best()
    {
        Assert.Throws<ArgumentException>(() => Estimate.AtLeast(-1, 0));
        Assert.Throws<ArgumentException>(() => Estimate.AtLeast(2, 1));
        Assert.Equal((0m, 0m), (Estimate.AtLeast(0, 0).Low, Estimate.AtLeast(0, 0).Best));
        Assert.Throws<ArgumentOutOfRangeException>(() => Estimate.Exactly(1) * -1);
    }

    [Fact]
    public void So_many_times_of_what_nobody_knows_exactly_spans_the_fewest_and_the_most()
    {
        Assert.Equal(Estimate.Between(2, 6, 12), Estimate.Between(1, 2, 3) * Estimate.Between(2, 3, 4));
        Assert.True((Estimate.Between(1, 2, 3) * Estimate.Unknown).IsOpen);
        Assert.Equal(Estimate.Zero, Estimate.Zero * Estimate.Unknown);
        Assert.Equal(Estimate.Zero, Estimate.Unknown * Estimate.Zero);
    }

    [Fact]
    public void What_100_g_hold_lies_between_the_least_in_the_heaviest_and_the_most_in_the_lightest()
    {
        Assert.Equal(Estimate.Between(40, 100, 300), Estimate.Between(100, 200, 300).Per(100, Estimate.Between(100, 200, 250)));
        Assert.Equal(Estimate.Exactly(25), Estimate.Exactly(50).Per(100, Estimate.Exactly(200)));
        Assert.True(Estimate.Exactly(50).Per(100, Estimate.Unknown).IsOpen);
        Assert.True(Estimate.Exactly(50).Per(100, Estimate.Between(0, 1, 2)).IsOpen);
        Assert.True(Estimate.AtLeast(1, 2).Per(100, Estimate.Exactly(100)).IsOpen);
    }
}

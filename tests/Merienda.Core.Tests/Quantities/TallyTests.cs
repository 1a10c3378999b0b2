using Merienda.Core.Quantities;

namespace Merienda.Core.Tests.Quantities;

public class TallyTests
{
    [Fact]
    public void One_unknown_part_leaves_the_sum_open_whatever_comes_after()
    {
        var tally = new Tally();
        tally.Add(new object(), Estimate.AtLeast(2, 3));
        tally.Add(new object(), Estimate.Unknown);
        tally.Add(new object(), Estimate.Exactly(4));
        Assert.Equal((6m, 7m, true), (tally.Plausible.Low, tally.Plausible.Best, tally.Plausible.IsOpen));
        Assert.True(tally.WorstCase.IsOpen);

        var known = new Tally();
        known.Add(new object(), Estimate.Exactly(4));
        Assert.False(known.Plausible.IsOpen);
    }

    [Fact]
    public void What_has_no_width_is_no_source()
    {
        var (sharp, wide) = (new object(), new object());
        var tally = new Tally();
        tally.Add(sharp, Estimate.Exactly(5));
        tally.Add(wide, Estimate.Between(1, 1, 2));
        tally.Add(wide, Estimate.Between(0, 1, 1));
        Assert.Equal([(wide, 1d, 1d)], tally.Widths);
    }

    [Fact] // 3, 4, 5: the right-angled triangle
    public void Independent_widths_combine_by_root_sum_square_and_the_same_source_adds_up()
    {
        var (one, other) = (new object(), new object());
        var tally = new Tally();
        tally.Add(one, Estimate.Between(7, 10, 13));
        tally.Add(other, Estimate.Between(6, 10, 14));
        Assert.Equal((15m, 20m, 25m), (tally.Plausible.Low, tally.Plausible.Best, tally.Plausible.High!.Value));
        Assert.Equal((13m, 20m, 27m), (tally.WorstCase.Low, tally.WorstCase.Best, tally.WorstCase.High!.Value));

        var single = new Tally();
        single.Add(one, Estimate.Between(7, 10, 13));
        single.Add(one, Estimate.Between(6, 10, 14));
        Assert.Equal(single.WorstCase, single.Plausible);
    }

    [Fact]
    public void Nothing_adds_up_to_nothing() => Assert.Equal(Estimate.Zero, new Tally().Plausible);
}

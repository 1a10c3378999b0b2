using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;

namespace Merienda.Core.Tests.Planning;

/// <summary>What one limit of a day still allows, in a sentence.</summary>
public class DayRestTests
{
    private static DayRest Rest(decimal? atLeast, decimal? atMost, Estimate value, Scale? scale = null) =>
        new(
            new Finding("r", "Net carbs", Verdict.Fits, scale ?? Scale.Grams, value, new(atLeast, atMost, Period.Day), [], ""),
            0,
            value.Best
        );

    private static Estimate Wide(decimal low, decimal best, decimal high) => Estimate.Between(low, best, high);

    [Fact]
    public void Under_a_ceiling_what_is_left_is_said_and_over_it_what_is_over()
    {
        Assert.Equal("5.7 g left", Rest(null, 25, Wide(19, 19.3m, 25)).Says);
        Assert.Equal("0 g left", Rest(null, 25, Estimate.Exactly(25)).Says);
        Assert.Equal("0.1 g over", Rest(null, 25, Estimate.Exactly(25.1m)).Says);
    }

    [Fact]
    public void What_may_be_over_already_or_is_not_known_is_said_with_its_doubt()
    {
        Assert.Equal("about 5.7 g left, perhaps nothing", Rest(null, 25, Wide(19, 19.3m, 25.1m)).Says);
        Assert.Equal("at most 5.7 g left", Rest(null, 25, Estimate.AtLeast(19, 19.3m)).Says);
    }

    [Fact]
    public void To_a_floor_what_is_still_to_come_is_said_and_between_two_bounds_both()
    {
        Assert.Equal("20 g still to come", Rest(90, null, Estimate.Exactly(70)).Says);
        Assert.Equal("reached", Rest(90, null, Estimate.Exactly(90)).Says);
        Assert.Equal("20 g still to come, 30 g left", Rest(90, 100, Estimate.Exactly(70)).Says);
        Assert.Equal("5 g left", Rest(90, 100, Estimate.Exactly(95)).Says);
    }

    [Fact]
    public void Of_a_share_nothing_is_left() => Assert.Equal("", Rest(null, 35, Estimate.Exactly(30), Scale.Percent).Says);
}

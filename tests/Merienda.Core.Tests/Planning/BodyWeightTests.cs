using Merienda.Core.Planning;

namespace Merienda.Core.Tests.Planning;

/// <summary>How fast a weight falls, and which weights are kept.</summary>
public class BodyWeightTests
{
    private static readonly DateOnly Today = new(2026, 11, 28);

    private static WeighIn[] Every(int days, int count, decimal from, decimal perDay) =>
        [.. Enumerable.Range(0, count).Select(at => new WeighIn(Today.AddDays(days * (at - count + 1)), from + (perDay * days * at)))];

    [Fact]
    public void A_straight_fall_is_measured_against_the_middle_of_it_in_whatever_order_it_is_told()
    {
        // 0.1 kg a day from 80 kg over 21 days: 0.7 kg a week of 78.95 kg in the middle.
        var weights = Every(7, 4, 80, -0.1m);
        Assert.Equal(0.7m / 78.95m, BodyWeight.LossPerWeek(weights)!.Value, 6);
        Assert.Equal(BodyWeight.LossPerWeek(weights), BodyWeight.LossPerWeek([.. weights.Reverse()]));
        Assert.Equal(-0.7m / 81.05m, BodyWeight.LossPerWeek(Every(7, 4, 80, 0.1m))!.Value, 6);
        Assert.Equal(0, BodyWeight.LossPerWeek(Every(7, 4, 80, 0)));
    }

    [Fact]
    public void Two_weights_or_nine_days_are_no_pace_and_ten_are()
    {
        Assert.Null(BodyWeight.LossPerWeek([]));
        Assert.Null(BodyWeight.LossPerWeek(Every(14, 2, 80, -0.1m)));
        Assert.Null(BodyWeight.LossPerWeek([new(Today.AddDays(-9), 80), new(Today.AddDays(-4), 79), new(Today, 78)]));
        Assert.NotNull(BodyWeight.LossPerWeek([new(Today.AddDays(-10), 80), new(Today.AddDays(-4), 79), new(Today, 78)]));
    }

    [Fact]
    public void What_is_older_than_four_weeks_before_the_last_says_nothing()
    {
        WeighIn[] steady = [new(Today.AddDays(-20), 80), new(Today.AddDays(-10), 80), new(Today, 80)];
        Assert.Equal(0, BodyWeight.LossPerWeek([.. steady, new(Today.AddDays(-28), 95)]));
        Assert.True(BodyWeight.LossPerWeek([.. steady, new(Today.AddDays(-27), 95)]) > 0.01m);
    }

    [Theory]
    [InlineData(19.9, 0, "weight-range")]
    [InlineData(20, 0, null)]
    [InlineData(400, 0, null)]
    [InlineData(400.1, 0, "weight-range")]
    [InlineData(70, 1, "weight-day")]
    [InlineData(70, -400, null)]
    [InlineData(70, -401, "weight-day")]
    public void A_weight_is_of_a_person_and_of_a_day_that_is_not_long_ago(double kg, int day, string? code) =>
        Assert.Equal(code, BodyWeight.Wrong(new(Today.AddDays(day), (decimal)kg), Today)?.Code);
}

using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class EnergyNeedTests
{
    private static EnergyNeed Need(
        Sex sex = Sex.Man,
        decimal kilograms = 70,
        decimal centimetres = 175,
        decimal years = 30,
        decimal activity = 1.2m,
        decimal deficit = 0
    ) => EnergyNeed.Of(sex, kilograms, centimetres, years, activity, deficit).Value;

    [Fact]
    public void Mifflin_St_Jeor_gives_its_published_value()
    {
        // domain.md section 6: a man of 70 kg, 175 cm, 30 y: 1,648.75 kcal at rest; a woman has 166 less.
        Assert.Equal(1648.75m, Need().Resting);
        Assert.Equal(1648.75m - 166, Need(Sex.Woman).Resting);
        Assert.Equal((1978.5m, 1980m), (Need().Need, Need().Target));
    }

    [Theory]
    [InlineData(0.25, null)]
    [InlineData(0.26, "need-out-of-range")]
    [InlineData(-0.01, "need-out-of-range")]
    public void A_deficit_is_at_most_a_quarter(double deficit, string? code) =>
        Assert.Equal(code, EnergyNeed.Of(Sex.Man, 70, 175, 30, 1.5m, (decimal)deficit).Refusal?.Code);

    [Theory]
    [InlineData(1.2, null)]
    [InlineData(1.19, "need-out-of-range")]
    [InlineData(1.9, null)]
    [InlineData(1.91, "need-out-of-range")]
    public void Activity_has_its_range(double activity, string? code) =>
        Assert.Equal(code, EnergyNeed.Of(Sex.Man, 70, 175, 30, (decimal)activity, 0).Refusal?.Code);

    [Theory]
    [InlineData(Sex.Woman, 1200, 0)]
    [InlineData(Sex.Woman, 1199, 1)]
    [InlineData(Sex.Man, 1500, 0)]
    [InlineData(Sex.Man, 1499, 1)]
    [InlineData(Sex.Woman, 799, 2)]
    public void A_target_below_its_floor_shows_a_caution(Sex sex, int target, int cautions) =>
        Assert.Equal(cautions, EnergyNeed.CautionsOf(sex, target).Count());

    [Fact]
    public void A_minor_and_a_pace_above_one_percent_are_flagged()
    {
        Assert.Contains(Need(years: 17).Cautions, caution => caution.StartsWith("Under 18", StringComparison.Ordinal));
        Assert.Empty(Need(years: 18).Cautions);
        // 45 kg, 25 % off a need of about 2,300 kcal: 0.52 kg a week, 1.2 % of the weight.
        Assert.Contains(
            Need(kilograms: 45, activity: 1.9m, deficit: 0.25m).Cautions,
            caution => caution.Contains("faster than 1 %", StringComparison.Ordinal)
        );
        Assert.Empty(Need(kilograms: 90, activity: 1.4m, deficit: 0.1m).Cautions);
    }

    [Fact]
    public void An_exchange_keeps_one_measure_and_tells_the_true_difference_in_the_others()
    {
        // domain.md section 6: a cup of black beans has over half more energy than two eggs.
        var (beans, eggs) = (Food("black-beans"), Food("egg"));
        Assert.True(beans.Nutrition[Measure.Energy].Best * beans.Measures["cup"] / 100 > 1.5m * eggs.Nutrition[Measure.Energy].Best);
        var exchange = Exchange.Of(eggs, 100, beans, Measure.Protein)!;
        Assert.Equal(12.6m, exchange.Grams * beans.Nutrition[Measure.Protein].Best / 100, 6);
        Assert.Equal(0, exchange.Differences.Single(item => item.Measure.Measure == Measure.Protein).Difference, 6);
        Assert.True(exchange.Differences.Single(item => item.Measure.Measure == Measure.Energy).Difference > 20);
        Assert.Null(Exchange.Of(eggs, 100, Food("olive-oil"), Measure.Protein));
    }
}

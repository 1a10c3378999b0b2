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

    [Theory]
    [InlineData(null, 1500, "")]
    [InlineData(null, 1499, "Below 1,500 kcal a day: for a man, professional advice comes first.")]
    [InlineData(null, 1200, "Below 1,500 kcal a day: for a man, professional advice comes first.")]
    [InlineData(null, 1199, "Below 1,200 kcal (women) and 1,500 kcal (men) a day: professional advice comes first.")]
    [InlineData(Sex.Woman, 1199, "Below 1,200 kcal a day for a woman: professional advice comes first.")]
    [InlineData(Sex.Man, 1499, "Below 1,500 kcal a day for a man: professional advice comes first.")]
    [InlineData(
        Sex.Man,
        799,
        "Below 800 kcal a day only a clinical team sets the number.|Below 1,500 kcal a day for a man: professional advice comes first."
    )]
    [InlineData(Sex.Man, 800, "Below 1,500 kcal a day for a man: professional advice comes first.")]
    public void A_caution_names_the_floor_and_whose_it_is(Sex? sex, int target, string cautions) =>
        Assert.Equal(cautions, string.Join('|', EnergyNeed.CautionsOf(sex, target)));

    [Theory]
    [InlineData(25, 90, 1)]
    [InlineData(350, 250, 120)]
    public void Weight_height_and_age_have_their_ranges(int kilograms, int centimetres, int years)
    {
        string? Wrong(decimal weight, decimal height, decimal age) => EnergyNeed.Of(Sex.Woman, weight, height, age, 1.5m, 0).Refusal?.Field;
        Assert.Null(Wrong(kilograms, centimetres, years));
        var step = kilograms == 25 ? -0.1m : 0.1m;
        Assert.Equal("weight", Wrong(kilograms + step, centimetres, years));
        Assert.Equal("height", Wrong(kilograms, centimetres + step, years));
        Assert.Equal("age", Wrong(kilograms, centimetres, years + step));
    }

    [Fact]
    public void A_refusal_says_the_range_in_its_unit_and_a_deficit_in_percent()
    {
        var refusal = EnergyNeed.Of(Sex.Man, 70, 175, 30, 1.5m, 0.26m).Refusal!;
        Assert.Equal(("deficit", "26", "deficit lies between 0 and 25 %"), (refusal.Field, refusal.Value, refusal.Reason));
        Assert.Equal("activity lies between 1.2 and 1.9", EnergyNeed.Of(Sex.Man, 70, 175, 30, 2, 0).Refusal!.Reason);
    }

    [Fact]
    public void A_deficit_lowers_the_target_to_whole_tens_and_has_a_pace()
    {
        // 1,648.75 · 1.4 = 2,308.25 kcal; a fifth less is 1,846.6, in tens 1,850; 461.65 kcal a day are 0.42 kg a week at 7,700 kcal a kilogram.
        var need = Need(activity: 1.4m, deficit: 0.2m);
        Assert.Equal((2308.25m, 1850m), (need.Need, need.Target));
        Assert.Equal(0.4197m, need.PaceKilograms, 4);
        Assert.Empty(need.Cautions);
        // 0.7 kg a week of 70 kg is one percent and not above it.
        Assert.Equal(0.7m, Need(activity: 1.9m, deficit: 0.25m).PaceKilograms, 1);
    }

    [Fact]
    public void An_exchange_says_how_much_more_or_less_of_each_measure_it_brings()
    {
        var (egg, cod) = (Food("egg"), Food("cod"));
        var exchange = Exchange.Of(egg, 200, cod, Measure.Protein)!;
        decimal At(Food food, Measure measure, decimal grams) => food.Nutrition[measure].Best * grams / 100;
        Assert.Equal(At(egg, Measure.Protein, 200), At(cod, Measure.Protein, exchange.Grams), 6);
        foreach (var (measure, difference) in exchange.Differences)
        {
            Assert.Equal(At(cod, measure.Measure, exchange.Grams) - At(egg, measure.Measure, 200), difference, 6);
        }

        Assert.Equal(
            [Measure.Energy, Measure.Protein, Measure.Fat, Measure.AvailableCarbohydrate, Measure.Fibre],
            exchange.Differences.Select(item => item.Measure.Measure)
        );
        // Neither may lack the measure.
        Assert.Null(Exchange.Of(Food("olive-oil"), 10, egg, Measure.Protein));
    }
}

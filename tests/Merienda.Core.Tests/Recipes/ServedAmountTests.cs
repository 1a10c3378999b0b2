using CsCheck;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Recipes;

/// <summary>
/// What stands on the plate of what went in: meat 0.70 to 0.75 of raw [M: USDA cooking yields], dry grains and pulses one to three times
/// [C].
/// </summary>
public class ServedAmountTests
{
    private static Estimate Weight(string line, decimal grams) => ServedAmount.Weight(Line(line), Estimate.Exactly(grams));

    [Fact]
    public void Meat_is_served_lighter_than_it_went_in_and_at_most_as_heavy()
    {
        var served = Weight("200 g beef shin", 200);
        Assert.True(served.Low < 160 && served.Best < 200 && served.High == 200, served.ToString());
    }

    [Fact]
    public void Dry_rice_and_pulses_are_served_heavier()
    {
        Assert.Equal((200m, 500m, 600m), (Weight("200 g poha", 200).Low, Weight("200 g poha", 200).Best, Weight("200 g poha", 200).High));
        Assert.True(Weight("200 g red lentils", 200).Best > 400);
    }

    [Fact]
    public void What_is_neither_loses_water_at_most() =>
        Assert.Equal(
            (70m, 100m, 100m),
            (Weight("100 g olives", 100).Low, Weight("100 g olives", 100).Best, Weight("100 g olives", 100).High)
        );

    [Fact]
    public void A_volume_needs_the_food_s_own_measure()
    {
        Assert.False(ServedAmount.Volume(Line("244 g whole milk"), Estimate.Exactly(244)).IsOpen);
        Assert.True(ServedAmount.Volume(Line("some moonfruit"), Estimate.Exactly(100)).IsOpen);
        // A cup of milk is a cup.
        Assert.Equal(236.588m, ServedAmount.Volume(Line("1 cup whole milk"), Estimate.Exactly(Food("milk-whole").Measures["cup"])).Best, 1);
    }

    [Fact]
    public void A_dish_is_as_large_as_its_parts_and_two_helpings_are_twice_as_large() =>
        Gen.Select(Gen.Int[1, 500], Gen.Int[1, 500], Gen.Int[1, 8])
            .Sample(
                (cod, rice, portions) =>
                {
                    var (one, many) = (
                        Portion(1, $"{cod} g cod", $"{rice} g white rice"),
                        Portion(portions, $"{cod} g cod", $"{rice} g white rice")
                    );
                    Assert.Equal(Weight("1 g cod", cod).Best + Weight("1 g white rice", rice).Best, one.ServedWeight.Best, 6);
                    Assert.Equal(one.ServedWeight.Best / portions, many.ServedWeight.Best, 6);
                    Assert.True(one.ServedWeight.Low <= one.ServedWeight.Best && one.ServedWeight.Best <= one.ServedWeight.High);
                },
                iter: 100
            );

    [Fact]
    public void An_amount_that_nobody_knows_stays_open()
    {
        Assert.True(Portion(2, "200 g cod", "some moonfruit").ServedWeight.IsOpen);
        Assert.True(Portion(2, "200 g cod", "some moonfruit").ServedVolume.IsOpen);
    }
}

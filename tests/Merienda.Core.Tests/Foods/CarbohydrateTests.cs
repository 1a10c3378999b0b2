using CsCheck;
using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Tests.Foods;

public class CarbohydrateTests
{
    private static Carbohydrates Count(
        decimal declared,
        LabelBasis basis,
        decimal fibre,
        decimal polyols = 0,
        decimal erythritol = 0,
        PolyolCredit? credit = null
    ) =>
        Carbohydrates.From(
            Estimate.Exactly(declared),
            basis,
            Estimate.Exactly(fibre),
            Estimate.Exactly(polyols),
            Estimate.Exactly(erythritol),
            credit ?? PolyolCredit.Default
        );

    [Fact] // domain.md section 11 no. 9
    public void Ten_total_with_seven_fibre_and_three_available_with_seven_fibre_are_both_three_net()
    {
        Assert.Equal(3, Count(10, LabelBasis.Total, 7).Net.Best);
        Assert.Equal(3, Count(3, LabelBasis.Available, 7).Net.Best);
        Assert.Equal(10, Count(3, LabelBasis.Available, 7).Total.Best);
    }

    [Theory]
    [InlineData(LabelBasis.Total, 30, 10)] // 30 - 4 fibre - 10 erythritol - half of 12 polyols
    [InlineData(LabelBasis.Available, 26, 10)]
    [InlineData(LabelBasis.AvailableWithoutPolyols, 4, 4)] // polyols are out already
    public void Polyols_are_credited_once_whatever_the_label_holds(LabelBasis basis, int declared, int net) =>
        Assert.Equal(net, Count(declared, basis, 4, polyols: 12, erythritol: 10).Net.Best);

    [Fact]
    public void A_protocol_that_counts_everything_credits_no_polyols() =>
        Assert.Equal(26, Count(30, LabelBasis.Total, 4, 12, 10, PolyolCredit.None).Net.Best);

    [Fact]
    public void The_same_food_declared_either_way_has_the_same_net_carbs() =>
        Gen.Select(Gen.Int[0, 60], Gen.Int[0, 20], Gen.Int[0, 20])
            .Sample(
                (available, fibre, polyols) =>
                    Count(available + polyols + fibre, LabelBasis.Total, fibre, polyols).Net
                    == Count(available + polyols, LabelBasis.Available, fibre, polyols).Net
            );

    [Fact]
    public void Unknown_fibre_lies_between_nothing_and_the_whole_carbohydrate()
    {
        var food = FoodNutrition.From(
            new NutrientProfile
            {
                Carbohydrate = 10,
                Basis = LabelBasis.Total,
                Sugars = 1,
                Polyols = 0,
                Erythritol = 0,
                Protein = 1,
                Fat = 1,
            },
            0,
            false,
            PolyolCredit.Default
        );
        Assert.Equal((0m, 10m), (food[Measure.NetCarbohydrate].Low, food[Measure.NetCarbohydrate].High));
        Assert.False(food[Measure.Fibre].IsOpen);
    }

    [Fact]
    public void Unknown_carbohydrate_stays_unknown_in_every_way_of_counting()
    {
        var food = FoodNutrition.From(
            new NutrientProfile
            {
                Protein = 1,
                Fat = 1,
                Basis = LabelBasis.Available,
            },
            0,
            false,
            PolyolCredit.Default
        );
        Assert.All(
            [Measure.Carbohydrate, Measure.AvailableCarbohydrate, Measure.NetCarbohydrate, Measure.Energy],
            measure => Assert.True(food[measure].IsOpen)
        );
    }
}

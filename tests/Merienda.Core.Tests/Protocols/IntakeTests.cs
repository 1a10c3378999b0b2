using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class IntakeTests
{
    private static readonly Helping Rice = new("A Rice", Portion(2, "200 g white rice", "20 g butter"), 1);
    private static readonly Helping Cod = new("B Cod", Portion(1, "150 g cod"), 1);

    [Fact]
    public void Helpings_of_one_dish_err_together_however_they_are_parted()
    {
        var whole = new Intake([Rice with { Size = 2.5m }, Cod]).Sum(Measure.Energy);
        var parted = new Intake([Rice, Cod, Rice with { Size = 1.5m }]).Sum(Measure.Energy);
        Assert.Equal((whole.Low, whole.Best, whole.High!.Value), (parted.Low, parted.Best, parted.High!.Value));
        var alone = Intake.Of(Rice with { Size = 2.5m }).Sum(Measure.Energy);
        Assert.Equal(Rice.Profile.Total(Measure.Energy).Best * 2.5m, alone.Best);
        Assert.Equal(Rice.Profile.Total(Measure.Energy).Low * 2.5m, alone.Low);
    }

    [Fact]
    public void Two_dishes_err_apart()
    {
        var (rice, cod) = (Rice.Profile.Total(Measure.Energy), Cod.Profile.Total(Measure.Energy));
        var both = new Intake([Rice, Cod]).Sum(Measure.Energy);
        Assert.Equal(rice.Best + cod.Best, both.Best);
        Assert.True(both.Below < rice.Below + cod.Below);
        Assert.Equal(Math.Sqrt(Math.Pow((double)rice.Above, 2) + Math.Pow((double)cod.Above, 2)), (double)both.Above, 6);
    }

    [Fact]
    public void Those_who_bring_most_come_first_and_each_stands_once()
    {
        static decimal Of(Helping helping) => helping.Profile.Total(Measure.Protein).Best * helping.Size;
        var day = new Intake([Rice, Cod, Rice with { Size = 1.5m }, Cod with { Name = "A Cod" }]);
        Assert.Equal(
            [new Contributor("A Cod", Of(Cod)), new("B Cod", Of(Cod)), new("A Rice", Of(Rice) * 2.5m)],
            day.Contributors(Measure.Protein, null)
        );
        // Cod has no carbohydrate: who brings nothing is not named.
        Assert.Equal(["A Rice"], day.Contributors(Measure.Carbohydrate, null).Select(item => item.Name));
        // Of a single dish its ingredients are named.
        Assert.Equal(["White rice, dry", "Butter"], Intake.Of(Rice).Contributors(Measure.Energy, null).Select(item => item.Name));
        Assert.Equal(
            ["A Rice", "B Cod"],
            new Intake([Rice, Cod]).Contributors((helping, line) => helping.Profile[line, Measure.Energy].Best).Select(item => item.Name)
        );
    }

    [Fact]
    public void Points_without_a_scheme_are_unknown_and_nobody_brings_any()
    {
        var day = new Intake([Rice, Cod]);
        Assert.Equal(Estimate.Unknown, day.Value(Measure.Points, null));
        Assert.Empty(day.Contributors(Measure.Points, null));
        Assert.Empty(Intake.Of(Cod).Contributors(Measure.Points, null));
        Assert.Equal(day.Points(Data.HouseScheme), day.Value(Measure.Points, Data.HouseScheme));
        Assert.Equal(["A Rice", "B Cod"], day.Contributors(Measure.Points, Data.HouseScheme).Select(item => item.Name));
        Assert.Equal(
            Data.HouseScheme.UnroundedPointsOfLine(Cod.Profile, 0),
            Assert.Single(Intake.Of(Cod).Contributors(Measure.Points, Data.HouseScheme)).Amount
        );
        Assert.Equal(day.Sum(Measure.Energy), day.Value(Measure.Energy, null));
    }

    [Fact]
    public void An_open_amount_of_what_is_wholly_free_leaves_nothing_open()
    {
        var dish = Eat(1, "some potatoes", "100 g cod");
        Assert.True(dish.Sum(Measure.Energy).IsOpen);
        Assert.False(dish.Sum(Measure.Energy, [new("potato")]).IsOpen);
        Assert.True(dish.Sum(Measure.Energy, [new("cod")]).IsOpen);
    }
}

using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class FreeFoodTests
{
    private static readonly DateOnly Day = new(2026, 11, 23);

    private static Helping At(string meal, params string[] lines) => new("dish", Portion(1, lines), 1) { At = new(Day, Slot(meal)) };

    private static decimal Energy(Period per, params Helping[] helpings) =>
        new Intake(helpings).Sum(Measure.Energy, [new("ketchup", 60, per)]).Best;

    [Fact]
    public void A_free_amount_is_used_up_over_a_portion_a_meal_or_a_day()
    {
        // Ketchup: so many kcal a 100 g; two helpings of 50 g at two meals, each under 60 g and together over it.
        var each = Food("ketchup").Nutrition[Measure.Energy].Best;
        var (lunch, supper) = (At("lunch", "50 g tomato ketchup"), At("supper", "50 g tomato ketchup"));
        Assert.Equal(0, Energy(Period.Portion, lunch, supper));
        Assert.Equal(0, Energy(Period.Meal, lunch, supper));
        Assert.Equal(0.4m * each, Energy(Period.Day, lunch, supper), 6);
        Assert.Equal(0.4m * each, Energy(Period.Meal, lunch, At("lunch", "50 g tomato ketchup")), 6);
    }

    [Fact]
    public void What_is_poured_on_at_eating_uses_up_the_same_amount_and_the_earlier_meal_comes_first()
    {
        var shares = FreeAmounts.CountedShares(
            [At("supper", "60 g tomato ketchup"), At("lunch", "30 g tomato ketchup")],
            [new("ketchup", 60, Period.Day)]
        );
        Assert.Equal((0.5m, 0m), (shares[0][0], shares[1][0]));
    }

    [Fact]
    public void A_free_food_keeps_its_energy_and_brings_no_points_while_printed_points_win_over_the_formula()
    {
        var scheme = Data.HouseScheme with { Free = [new("ketchup", 60, Period.Day)], Typed = [new("cheddar", 3, 30)] };
        var lunch = At("lunch", "60 g tomato ketchup", "60 g cheddar");
        Assert.Equal(6, scheme.PointsOf(lunch).Best);
        Assert.True(new Intake([lunch]).Sum(Measure.Energy).Best > 250);
        var supper = At("supper", "60 g tomato ketchup");
        Assert.True(scheme.PointsOf([lunch, supper]).Last().Points.Best > 0, "the free amount is used up by lunch");
        Assert.Equal(scheme.PointsOf([lunch, supper]).Sum(item => item.Points.Best), new Intake([lunch, supper]).Points(scheme).Best);
    }

    [Fact]
    public void A_coefficient_may_count_grams_of_a_class()
    {
        var scheme = Data.HouseScheme with { Coefficients = [new(null, 0.01m, Class: "cheese")], Step = 0.5m };
        Assert.Equal(1, scheme.PointsOf(new Helping("x", Portion(1, "100 g cheddar", "400 g potato"), 1)).Best);
        Assert.Null(scheme.PointsOf(new Helping("x", Portion(1, "100 g cheddar", "some moonfruit"), 1)).High);
    }

    [Theory]
    [InlineData(PointsRounding.Portion, 1)]
    [InlineData(PointsRounding.Ingredient, 0)]
    [InlineData(PointsRounding.Nothing, 0.72)]
    public void Three_small_bites_are_one_together_and_none_each(PointsRounding rounding, double points)
    {
        // 12, 17 and 14.3 kcal: 0.2, 0.28 and 0.24 points by energy alone, in whole steps.
        var scheme = Data.HouseScheme with
        {
            Coefficients = [new(Measure.Energy, 1m / 60)],
            Step = 1,
            Rounding = rounding,
        };
        Assert.Equal(
            (decimal)points,
            Math.Round(scheme.PointsOf(new Helping("bites", Portion(1, "80 g cucumber", "100 g courgette", "10 g egg"), 1)).Best, 2)
        );
    }

    [Fact]
    public void A_limit_leaves_free_foods_out()
    {
        var rule = AtMost(Measure.Energy, 100) with { Free = [new("courgette")] };
        Assert.Equal(Verdict.Fits, rule.Check(Eat(1, "900 g courgette", "50 g cod"), Context()).Verdict);
        Assert.Equal(Verdict.Breaks, (rule with { Free = [] }).Check(Eat(1, "900 g courgette", "50 g cod"), Context()).Verdict);
    }

    [Theory]
    [InlineData("500 g courgette", 0)]
    [InlineData("500 g wonderdust courgette", 1.5)] // only likely courgette
    [InlineData("500 g courgette or aubergine", 1.5)] // and here nobody knows which
    [InlineData("500 g aubergine or courgette", 2)]
    public void Free_is_a_product_and_not_a_word(string line, double least)
    {
        var scheme = Data.HouseScheme with { Free = [new("courgette")], Coefficients = [new(Measure.Energy, 1m / 60)] };
        Assert.Equal((decimal)least, scheme.PointsOf(At("lunch", line)).Best);
    }

    [Theory]
    [InlineData(15, 0)] // the serving itself
    [InlineData(30, 1)] // twice the serving: 15 g of 400 kcal a 100 g are 60 kcal
    [InlineData(45, 2)]
    public void A_printed_nothing_is_free_up_to_its_serving_and_the_formula_counts_the_rest(int grams, int points)
    {
        var scheme = Data.HouseScheme with { Coefficients = [new(Measure.Energy, 1m / 60)], Step = 1 };
        var spread = Bought(
            Printed(
                "",
                (LabelNutrient.Energy, "60"),
                (LabelNutrient.Fat, "0"),
                (LabelNutrient.Carbohydrate, "15"),
                (LabelNutrient.Protein, "0")
            ) with
            {
                Serving = "15 g",
                Points = 0,
            }
        );
        Assert.Equal(points, scheme.PointsOf(Eat(spread, grams).Helpings[0]).Best);
        Assert.Equal(points, scheme.UnroundedPointsOfLine(Eat(spread, grams).Helpings[0].Profile, 0), 0);
    }

    [Fact]
    public void A_printed_nothing_is_used_up_over_the_day()
    {
        var scheme = Data.HouseScheme with { Coefficients = [new(Measure.Energy, 1m / 60)], Step = 1, Typed = [new("ketchup", 0, 60)] };
        var whole = Food("ketchup").Nutrition[Measure.Energy].Best;
        var (lunch, supper, tomorrow) = (
            At("lunch", "60 g tomato ketchup"),
            At("supper", "60 g tomato ketchup"),
            At("lunch", "60 g tomato ketchup") with
            {
                At = new(Day.AddDays(1), Slot("lunch")),
            }
        );
        Assert.Equal(
            [0, Math.Floor((0.6m * whole / 60) + 0.5m), 0],
            scheme.PointsOf([lunch, supper, tomorrow]).Select(item => item.Points.Best)
        );
    }

    [Fact]
    public void A_packet_may_be_free_up_to_an_amount()
    {
        var packet = Bought(Printed("", (LabelNutrient.Energy, "60")));
        var scheme = Data.HouseScheme with
        {
            Coefficients = [new(Measure.Energy, 1m / 60)],
            Step = 1,
            Free = [new(packet.Key, 100, Period.Day)],
        };
        Assert.Equal((0m, 1m), (scheme.PointsOf(Eat(packet, 100).Helpings[0]).Best, scheme.PointsOf(Eat(packet, 200).Helpings[0]).Best));
    }
}

using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

/// <summary>
/// House points (domain.md section 4): kcal/60 + 1 per 5 g added sugars + 1 per 5 g alcohol − ½ per 80 g vegetables, at most −1 a portion,
/// in half steps.
/// </summary>
public class PointsSchemeTests
{
    private static readonly PointsScheme House = Data.HouseScheme;

    private static Helping One(params string[] lines) => new("dish", Portion(1, lines), 1);

    [Fact]
    public void Energy_added_sugars_and_alcohol_count()
    {
        // 50 g sugar: 193.5 kcal = 3.225, 49.9 g added sugars = 9.98, together 13.205, to halves 13.
        Assert.Equal(13.0m, House.PointsOf(One("50 g sugar")).Best);
        Assert.Equal(13.205m, House.PointsOf(One("50 g sugar"), PointsRounding.Nothing).Best, 3);
        // 150 g red wine: 127.5 kcal = 2.125, 15.9 g alcohol = 3.18: 5.305, to halves 5.5.
        Assert.Equal(5.5m, House.PointsOf(One("150 g red wine")).Best);
    }

    [Fact]
    public void Vegetables_give_back_half_a_point_for_eighty_grams_and_at_most_one_a_portion()
    {
        // 80 g courgette beside 60 g oil (530.4 kcal = 8.84): 13.6 kcal = 0.2267, less 0.5 = 8.567, to halves 8.5.
        Assert.Equal(8.567m, House.PointsOf(One("60 g olive oil", "80 g courgette"), PointsRounding.Nothing).Best, 3);
        // 500 g would give back 3.125, but at most 1.
        Assert.Equal((530.4m + 85) / 60 - 1, House.PointsOf(One("60 g olive oil", "500 g courgette"), PointsRounding.Nothing).Best, 6);
    }

    [Fact]
    public void A_portion_never_has_less_than_no_points() => Assert.Equal(0, House.PointsOf(One("160 g cucumber")).Best);

    [Theory] // half up in half steps: 0.25 points are 15 kcal
    [InlineData(3.877, 0.5)] // 15.0 kcal of sugarless oil weight below
    [InlineData(1.69, 0)]
    [InlineData(1.70, 0.5)]
    public void Points_round_half_up(double oilGrams, double points)
    {
        var grams = oilGrams.ToString(System.Globalization.CultureInfo.InvariantCulture);
        Assert.Equal((decimal)points, House.PointsOf(One($"{grams} g olive oil")).Best);
    }

    [Fact]
    public void Three_small_bites_may_be_one_together_and_none_each()
    {
        var bite = One("1.6 g olive oil"); // 14.1 kcal = 0.236
        Assert.Equal(0, House.PointsOf(bite).Best);
        Assert.Equal(0, new Intake([bite, bite, bite]).Points(House).Best);
        Assert.Equal(0.5m, House.PointsOf(bite with { Size = 3 }).Best);
    }

    [Fact]
    public void Rounding_by_ingredient_adds_rounded_ingredients()
    {
        var dish = One("1.6 g olive oil", "1.6 g butter", "100 g cod"); // 0.24 and 0.19 round to none, 82 kcal = 1.37 to 1.5
        Assert.Equal(1.5m, House.PointsOf(dish, PointsRounding.Ingredient).Best);
        Assert.Equal(2.0m, House.PointsOf(dish, PointsRounding.Portion).Best);
    }

    [Fact]
    public void A_free_food_neither_adds_nor_gives_back()
    {
        var free = House with { Free = [new("olive-oil"), new("courgette")] };
        Assert.Equal(House.PointsOf(One("200 g cod")).Best, free.PointsOf(One("200 g cod", "30 g olive oil", "200 g courgette")).Best);
    }

    [Fact]
    public void Points_of_a_dish_with_an_unknown_line_are_open() => Assert.True(House.PointsOf(One("100 g moonfruit")).IsOpen);

    [Fact]
    public void More_vegetables_never_raise_the_lower_bound_above_the_best()
    {
        for (var grams = 0; grams <= 400; grams += 10)
        {
            var points = House.PointsOf(One("20 g butter", $"about {grams + 1} g courgette"));
            Assert.True(points.Low <= points.Best && points.Best <= points.High, $"{grams} g: {points}");
        }
    }

    [Theory]
    [InlineData(0.25, 0.5)] // a tie goes up, also where rounding to even would take it down
    [InlineData(0.75, 1)]
    [InlineData(1.25, 1.5)]
    [InlineData(0.249, 0)]
    public void A_tie_between_two_steps_goes_up(double points, double rounded)
    {
        // 10 g of sugar hold 10 g of carbohydrate.
        var scheme = House with
        {
            Coefficients = [new(Measure.Carbohydrate, (decimal)points / 10)],
        };
        Assert.Equal((decimal)rounded, scheme.PointsOf(One("10 g sugar")).Best);
    }

    [Fact]
    public void A_line_brings_the_sum_of_all_that_is_counted_of_it()
    {
        // 50 g sugar in two portions: half of 3.225 for its energy and of 9.98 for its added sugars.
        Assert.Equal(13.205m / 2, House.UnroundedPointsOfLine(Portion(2, "50 g sugar"), 0), 3);
        // 80 g courgette bring 13.6 kcal and give half a point back: a credit shows as less than nothing.
        Assert.Equal((13.6m / 60) - 0.5m, House.UnroundedPointsOfLine(Portion(1, "80 g courgette"), 0), 6);
        var typed = House with { Typed = [new("sugar", 3, 25)] };
        Assert.Equal(3, typed.UnroundedPointsOfLine(Portion(2, "50 g sugar"), 0));
        var free = House with { Free = [new("sugar", 10)] };
        Assert.Equal(13.205m / 2 * 15 / 25, free.UnroundedPointsOfLine(Portion(2, "50 g sugar"), 0), 2);
    }

    [Fact]
    public void The_fewest_points_have_the_most_credit_and_the_most_the_least()
    {
        var dish = Portion(1, "60 g olive oil", "about 80 g courgette");
        var (energy, vegetables) = (dish.Total(Measure.Energy), dish.Total(Measure.Vegetables));
        var points = House.PointsOf(new Helping("dish", dish, 1), PointsRounding.Nothing);
        Assert.Equal((energy.Best / 60) - (vegetables.Best / 160), points.Best, 6);
        Assert.Equal((energy.Low / 60) - (vegetables.High!.Value / 160), points.Low, 6);
        Assert.Equal((energy.High!.Value / 60) - (vegetables.Low / 160), points.High!.Value, 6);
        Assert.True(points.Low < points.Best && points.Best < points.High);
    }

    [Fact]
    public void A_typed_zero_is_free_for_its_serving_unless_the_scheme_says_itself_how_free_it_is()
    {
        decimal Of(PointsScheme scheme) => scheme.PointsOf(One("50 g sugar"), PointsRounding.Nothing).Best;
        var zero = House with { Typed = [new("sugar", 0, 20)] };
        Assert.Equal(13.205m * 30 / 50, Of(zero), 3);
        Assert.Equal(0, Of(zero with { Free = [new("sugar")] }));
        Assert.Equal(13.205m * 40 / 50, Of(zero with { Free = [new("sugar", 10)] }), 3);
        // Points above nothing are what they are, for every gram.
        Assert.Equal(5, Of(House with { Typed = [new("sugar", 2, 20)] }));
        Assert.Equal(13.205m, Of(House with { Typed = [new("cod", 0, 20)] }), 3);
    }

    [Fact]
    public void Typed_points_go_by_the_grams_that_are_eaten_and_counted()
    {
        // 3 points for 25 g: 60 g of sugar in two portions are 30 g and 3.6 points each, a portion and a half 5.4.
        var typed = House with
        {
            Typed = [new("sugar", 3, 25)],
        };
        var dish = new Helping("dish", Portion(2, "60 g sugar", "100 g cod"), 1.5m);
        var cod = House.PointsOf(new Helping("cod", Portion(2, "100 g cod"), 1.5m), PointsRounding.Nothing).Best;
        Assert.Equal(5.4m + cod, typed.PointsOf(dish, PointsRounding.Nothing).Best, 6);
        // By ingredient each is rounded for itself: 5.4 to 5.5.
        Assert.Equal(
            5.5m + House.PointsOf(new Helping("cod", Portion(2, "100 g cod"), 1.5m)).Best,
            typed.PointsOf(dish, PointsRounding.Ingredient).Best
        );
        // 15 g of it are free: 30 of the 45 g count.
        var free = typed with
        {
            Free = [new("sugar", 15)],
        };
        Assert.Equal(3.6m + cod, free.PointsOf(dish, PointsRounding.Nothing).Best, 6);
        Assert.Equal(
            3.5m + House.PointsOf(new Helping("cod", Portion(2, "100 g cod"), 1.5m)).Best,
            free.PointsOf(dish, PointsRounding.Ingredient).Best
        );
        // A line brings half of what two portions share: 15 g less of 30 g.
        Assert.Equal(1.8m, free.UnroundedPointsOfLine(Portion(2, "60 g sugar"), 0));
    }

    [Fact]
    public void A_class_is_counted_by_its_grams_in_a_portion()
    {
        var scheme = House with { Coefficients = [new(null, 0.1m, Class: "fish")] };
        Assert.Equal(5m, scheme.PointsOf(new Helping("dish", Portion(2, "100 g cod", "50 g butter"), 1), PointsRounding.Nothing).Best);
        Assert.Equal(15m, scheme.PointsOf(new Helping("dish", Portion(2, "100 g cod"), 3), PointsRounding.Nothing).Best);
        Assert.True(scheme.PointsOf(new Helping("dish", Portion(2, "100 g cod", "100 g moonfruit"), 1)).IsOpen);
        var measured = House with { Coefficients = [new(Measure.Protein, 0), new(null, 0.1m, Class: "fish")] };
        Assert.Equal(5m, measured.PointsOf(new Helping("dish", Portion(2, "100 g cod"), 1), PointsRounding.Nothing).Best);
    }

    [Fact]
    public void What_a_packet_prints_counts_whatever_the_scheme_has_typed()
    {
        var bar = Bought(Printed("Oats") with { Points = 4 });
        var eaten = Eat(bar, 50);
        Assert.Equal(2, House.PointsOf(eaten.Helpings[0], PointsRounding.Nothing).Best);
        Assert.Equal(2, (House with { Typed = [new("sugar", 3, 25)] }).PointsOf(eaten.Helpings[0], PointsRounding.Nothing).Best);
        // A printed 0 is free for what it was printed for, once a day, beside a dish without a packet too.
        var free = Bought(Printed("Oats", (LabelNutrient.Energy, "400 kcal")) with { Points = 0 });
        Assert.Equal(0, new Intake([.. Eat(free, 100).Helpings, One("160 g cucumber")]).Points(House).Best);
        Assert.Equal(
            new Intake([.. Eat(free, 100).Helpings, One("160 g cucumber")]).Points(House).Best + 6.5m,
            new Intake([.. Eat(free, 200).Helpings, One("160 g cucumber")]).Points(House).Best
        );
    }
}

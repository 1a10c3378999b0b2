using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Foods;

public class PacketTests
{
    [Theory]
    [InlineData("30 g", 30, null, null)]
    [InlineData("93", 93, null, null)]
    [InlineData("2 pieces or 93 g", 93, 2d, "each")]
    [InlineData("93 g (2 pieces)", 93, 2d, "each")]
    [InlineData("3 biscuits = 25,5 g", 25.5, 3d, "each")]
    [InlineData("1 cup (55g)", 55, 1d, "cup")]
    [InlineData("2 tbsp (32 g)", 32, 2d, "tbsp")]
    [InlineData("250 ml = 258 g", 258, 250d, "ml")]
    [InlineData("1 oz (28 g)", 28, null, null)] // grams are exact, the ounces beside them are rounded
    [InlineData("½ fillet 60 g", 60, 0.5, "each")]
    [InlineData("0.1 kg", 100, null, null)]
    public void A_serving_is_read_as_printed_and_its_weight_wins(string printed, double grams, double? count, string? unit)
    {
        var serving = PrintedServing.Read("serving", printed).Value;
        Assert.Equal(((decimal)grams, (decimal?)count, unit), (serving.Grams, serving.Count, serving.Unit?.Name));
    }

    [Theory]
    [InlineData("", "serving-without-weight")]
    [InlineData("2 pieces", "serving-without-weight")]
    [InlineData("250 ml", "serving-without-weight")]
    [InlineData("0 g", "serving-out-of-range")]
    [InlineData("2001 g", "serving-out-of-range")]
    [InlineData("0 pieces or 93 g", "serving-out-of-range")]
    public void A_serving_that_weighs_nothing_is_refused_with_the_cure(string printed, string code)
    {
        var refusal = PrintedServing.Read("serving", printed).Refusal!;
        Assert.Equal((code, "serving"), (refusal.Code, refusal.Field));
    }

    [Fact]
    public void A_serving_named_beside_the_values_of_a_hundred_grams_is_a_measure_and_has_the_points()
    {
        var food = Bought(Printed("Rye flour", (LabelNutrient.Energy, "300")) with { Serving = "100 g; 2 slices = 21 g", Points = 1 });
        Assert.Equal((100m, 21m), (food.Packet!.Serving.Grams, food.Packet.Serving.Helping!.Grams));
        Assert.Equal(10.5m, food.WeightOf(Unit.Spelled("slice")!, MeasureSystem.Metric)!.Value.Grams);
        Assert.Equal(63, Eat(food, 21).Sum(Measure.Energy).Best);
        Assert.Equal(1, Eat(food, 21).Points(Data.HouseScheme).Best);
        Assert.Equal("serving-without-weight", PrintedServing.Read("serving", "100 g; 2 slices").Refusal!.Code);
        Assert.Equal(100, PrintedServing.Read("serving", "100 g;").Value.Grams);
    }

    [Fact]
    public void The_other_basis_becomes_a_measure_and_the_pack_one_too()
    {
        var food = Bought(Printed() with { Serving = "2 pieces or 93 g", Pack = "400 g" });
        Assert.Equal(46.5m, food.WeightOf(Unit.Each, MeasureSystem.Metric)!.Value.Grams);
        Assert.Equal(400, food.WeightOf(Unit.Spelled("tin")!, MeasureSystem.Metric)!.Value.Grams);
        Assert.Equal(139.5m, RecipeLine.From("3 pieces", Table.Foods, MeasureSystem.Metric, chosenFood: food).Grams.Best);
        Assert.Null(Bought(Printed()).WeightOf(Unit.Each, MeasureSystem.Metric));
    }

    [Theory]
    [InlineData(LabelCountry.UnitedStates, "1 cup (60 g)", 60)]
    [InlineData(LabelCountry.EuropeanUnion, "1 cup (60 g)", 56.78)] // 250 ml held 60 g, a US cup of 236.588 ml holds less
    [InlineData(LabelCountry.EuropeanUnion, "100 ml = 103 g", 243.69)]
    public void A_volume_on_a_packet_is_of_its_own_country(LabelCountry country, string serving, double cup) =>
        Assert.Equal(
            (decimal)cup,
            Math.Round(
                Bought(Printed() with { Country = country, Serving = serving }).WeightOf(Unit.Cup, MeasureSystem.UnitedStates)!.Value.Grams,
                2
            )
        );

    [Fact]
    public void A_us_and_an_eu_packet_of_the_same_thing_make_the_same_net_carbs_and_hide_what_their_rounding_hides()
    {
        // A serving of 30 g: 3 g with 2.1 g fibre in it; in 100 g 10 g total, 7 g fibre, so 3 g available.
        var european = Bought(Printed("Almonds", (LabelNutrient.Carbohydrate, "3.0"), (LabelNutrient.Fibre, "7.0")));
        var american = Bought(
            Printed("Almonds", (LabelNutrient.Carbohydrate, "10"), (LabelNutrient.Fibre, "7")) with
            {
                Country = LabelCountry.UnitedStates,
            }
        );
        Assert.Equal(3, european.Nutrition[Measure.NetCarbohydrate].Best);
        Assert.Equal(3, american.Nutrition[Measure.NetCarbohydrate].Best);
        Assert.Equal((2.95m, 3.05m), (european.Nutrition[Measure.NetCarbohydrate].Low, european.Nutrition[Measure.NetCarbohydrate].High));
        Assert.Equal((2m, 4m), (american.Nutrition[Measure.NetCarbohydrate].Low, american.Nutrition[Measure.NetCarbohydrate].High));
    }

    [Fact]
    public void Fourteen_servings_of_a_packets_zero_stay_fourteen_times_as_wide_in_a_dish()
    {
        // domain.md section 11, value 13: within one source widths add linearly.
        var food = Bought(
            Printed("Salt", (LabelNutrient.Carbohydrate, "0"), (LabelNutrient.Fibre, "0")) with
            {
                Country = LabelCountry.UnitedStates,
                Serving = "5 g",
            }
        );
        var sum = Eat(food, 70).Sum(Measure.Carbohydrate);
        Assert.Equal((0m, 0m, 7m), (sum.Low, sum.Best, sum.High));
    }

    [Fact]
    public void What_is_not_printed_is_unknown_within_its_natural_bounds()
    {
        var food = Bought(
            Printed("Oats, salt", (LabelNutrient.Fat, "10"), (LabelNutrient.Carbohydrate, "20")) with
            {
                Country = LabelCountry.UnitedStates,
            }
        );
        Assert.True(food.Nutrition[Measure.Protein].IsOpen);
        Assert.True(food.Nutrition[Measure.Sodium].IsOpen);
        Assert.Equal(10.5m, food.Nutrition[Measure.SaturatedFat].High);
        Assert.Equal((0m, 20.5m), (food.Nutrition[Measure.NetCarbohydrate].Low, food.Nutrition[Measure.NetCarbohydrate].High));
    }

    [Theory]
    [InlineData("Oats, salt", 0)]
    [InlineData("Oats, honey", 5)]
    [InlineData("Oats, spices", 5)] // nobody can tell
    [InlineData("", 5)]
    public void Added_sugars_that_no_panel_prints_are_none_when_the_statement_names_none(string statement, double most) =>
        Assert.Equal(
            (decimal)most,
            Math.Floor(
                Bought(Printed(statement, (LabelNutrient.Carbohydrate, "50"), (LabelNutrient.Sugars, "5.0")))
                    .Nutrition[Measure.AddedSugars]
                    .High!.Value
            )
        );

    [Theory]
    [InlineData("Oats, natural flavouring", 0)]
    [InlineData("Oats, maltitol", 45)]
    [InlineData("Oats, wonderdust", 45)] // nobody knows what it is
    public void Polyols_that_no_panel_prints_are_none_when_every_word_is_known_and_none_is_one(string statement, double most) =>
        Assert.Equal(
            (decimal)most,
            Math.Floor(
                Bought(Printed(statement, (LabelNutrient.Carbohydrate, "50"), (LabelNutrient.Sugars, "5.0")))
                    .Nutrition[Measure.Polyols]
                    .High!.Value
            )
        );

    [Fact]
    public void Before_the_ingredients_are_typed_net_carbs_are_what_the_panel_says_and_the_range_what_it_may_hide()
    {
        var net = Bought(
            Printed("", (LabelNutrient.Carbohydrate, "10"), (LabelNutrient.Fibre, "7")) with
            {
                Country = LabelCountry.UnitedStates,
            }
        ).Nutrition[Measure.NetCarbohydrate];
        Assert.Equal((3m, 4m), (net.Best, net.High));
        Assert.InRange(net.Low, 0, 1.9m);
    }

    [Fact]
    public void Polyols_that_can_only_be_erythritol_get_its_credit_and_others_the_smaller_one()
    {
        (LabelNutrient, string)[] values = [(LabelNutrient.Carbohydrate, "50"), (LabelNutrient.Fibre, "10"), (LabelNutrient.Polyols, "20")];
        // Available in the EU: the polyols are in it, the fibre is not.
        Assert.Equal(30, Bought(Printed("Oats, erythritol", values)).Nutrition[Measure.NetCarbohydrate].Best);
        Assert.Equal(40, Bought(Printed("Oats, maltitol", values)).Nutrition[Measure.NetCarbohydrate].Best);
        Assert.Equal(40, Bought(Printed("Oats, maltitol, erythritol", values)).Nutrition[Measure.NetCarbohydrate].Best);
        Assert.Equal(40, Bought(Printed("", values)).Nutrition[Measure.NetCarbohydrate].Best);
    }

    [Fact]
    public void The_laws_tolerance_counts_only_when_asked_for()
    {
        var printed = Printed("Oats", (LabelNutrient.Protein, "20"));
        Assert.Equal(20.5m, Bought(printed).Nutrition[Measure.Protein].High);
        Assert.Equal(24m, Bought(printed, countsTolerances: true).Nutrition[Measure.Protein].High);
    }

    [Fact]
    public void Points_printed_for_a_serving_win_over_the_formula()
    {
        var food = Bought(Printed("Oats", (LabelNutrient.Energy, "600")) with { Serving = "50 g", Points = 3 });
        Assert.Equal(6, Eat(food).Points(Data.HouseScheme).Best);
        Assert.Equal(1.5m, Eat(food, 25).Points(Data.HouseScheme).Best);
        Assert.Equal(6, Data.HouseScheme.PointsOf(Eat(food).Helpings[0], PointsRounding.Ingredient).Best);
    }

    [Theory]
    [InlineData("name", "packet-name-length")]
    [InlineData("classes", "unknown-class")]
    [InlineData("price", "price-out-of-range")]
    [InlineData("points", "points-out-of-range")]
    [InlineData("pack", "pack-out-of-range")]
    [InlineData("statement", "statement-too-long")]
    [InlineData("mayContain", "statement-too-long")]
    [InlineData("fat", "unreadable-value")]
    [InlineData("fibre", "fibre-above-carbohydrate")]
    [InlineData("country", "basis-unknown")]
    [InlineData("serving", "serving-length")]
    [InlineData("openedDays", "opened-days-out-of-range")]
    [InlineData("aisle", "aisle-length")]
    public void What_cannot_be_on_a_packet_is_refused_with_its_field(string field, string code)
    {
        var bad = field switch
        {
            "name" => Printed() with { Name = " " },
            "classes" => Printed() with { Classes = ["no-such"] },
            "price" => Printed() with { Price = -1 },
            "serving" => Printed() with { Serving = $"{new string(' ', 100)}1 g" },
            "openedDays" => Printed() with { OpenedDays = 0 },
            "aisle" => Printed() with { Aisle = new string('a', 61) },
            "points" => Printed() with { Points = -0.5m },
            "pack" => Printed() with { Pack = "0 g" },
            "statement" => Printed(new string('a', 100_000)),
            "mayContain" => Printed() with { MayContain = new string('a', 2_001) },
            "fat" => Printed("", (LabelNutrient.Fat, "lots")),
            "fibre" => Printed("", (LabelNutrient.Carbohydrate, "3"), (LabelNutrient.Fibre, "7")) with
            {
                Country = LabelCountry.UnitedStates,
            },
            _ => Printed() with { Country = LabelCountry.Other },
        };
        var refusal = bad.Read(Data.Classes).Refusal!;
        Assert.Equal((code, field), (refusal.Code, refusal.Field));
        Assert.Null(Printed().Read(Data.Classes).Refusal);
    }

    [Fact]
    public void A_letter_that_no_keyboard_types_is_refused() =>
        Assert.Equal("unreadable-text", Printed("Oats\0, salt").Read(Data.Classes).Refusal!.Code);

    [Fact]
    public void A_packet_is_what_the_cook_says_and_holds_what_its_statement_says()
    {
        var food = Bought(Printed("Peppers 60 %, water, honey") with { Classes = ["vegetable"] });
        Assert.True(food.Is("vegetable"));
        Assert.False(food.Is("added-sugar"));
        Assert.True(food.Contains("added-sugar"));
        Assert.Equal(100, food.Nutrition[Measure.Vegetables].Best);
        Assert.Equal(0, Bought(Printed("Peppers")).Nutrition[Measure.Vegetables].Best);
    }

    [Fact]
    public void A_households_own_name_is_meant_before_the_tables()
    {
        var packet = Bought(Printed() with { Name = "Olive oil" });
        var own = Table.Foods.With([packet], []);
        Assert.Same(packet, own.Match("olive oil").Food);
        Assert.Same(packet, own.WithKey(packet.Key));
        Assert.Same(Food("olive-oil"), own.WithKey("olive-oil"));
        Assert.Equal(Table.Foods.Foods.Count + 1, own.Foods.Count);
        Assert.Contains(packet, own.Search("olive", 5));
        Assert.Same(Food("olive-oil"), Table.Foods.Match("olive oil").Food);
    }

    [Fact]
    public void Keys_of_packets_are_read_back()
    {
        var id = Guid.NewGuid();
        Assert.Equal(id, Packet.IdOf(Packet.KeyOf(id)));
        Assert.Null(Packet.IdOf("olive-oil"));
        Assert.Null(Packet.IdOf("packet-x"));
    }
}

using CsCheck;
using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class LimitRuleTests
{
    // 100 g cod: 17.8 g protein ± 5 %, 0 g carbohydrate; 100 g sugar: 100 g net carbs ± 5 %.
    [Theory]
    [InlineData(106, Verdict.Fits)]
    [InlineData(105, Verdict.Fits)]
    [InlineData(104.9, Verdict.TooClose)]
    [InlineData(95, Verdict.TooClose)]
    [InlineData(94.9, Verdict.Breaks)]
    public void A_ceiling_fits_when_the_whole_range_is_under_it_and_breaks_when_all_is_over(double most, Verdict verdict) =>
        Assert.Equal(verdict, AtMost(Measure.NetCarbohydrate, (decimal)most).Check(Eat(1, "100 g sugar"), Context()).Verdict);

    [Theory]
    [InlineData(95, Verdict.Fits)]
    [InlineData(95.1, Verdict.TooClose)]
    [InlineData(105, Verdict.TooClose)]
    [InlineData(105.1, Verdict.Breaks)]
    public void A_floor_fits_when_the_whole_range_reaches_it(double least, Verdict verdict) =>
        Assert.Equal(verdict, AtLeast(Measure.NetCarbohydrate, (decimal)least).Check(Eat(1, "100 g sugar"), Context()).Verdict);

    [Fact]
    public void Energy_has_five_percent_of_tolerance_and_net_carbs_none()
    {
        // 387 kcal ± 5 % = up to 406.4, kept under 387 · 1.05 = 406.4 by the tolerance.
        Assert.Equal(Verdict.Fits, AtMost(Measure.Energy, 388).Check(Eat(1, "100 g sugar"), Context()).Verdict);
        Assert.Equal(
            Verdict.TooClose,
            (AtMost(Measure.Energy, 388) with { Tolerance = 0 }).Check(Eat(1, "100 g sugar"), Context()).Verdict
        );
    }

    [Theory]
    [InlineData("20 g sugar", 10, Verdict.Breaks)] // the known part is over already
    [InlineData("5 g sugar", 10, Verdict.CannotTell)]
    public void With_an_unknown_part_a_ceiling_breaks_or_cannot_be_told(string known, int most, Verdict verdict)
    {
        var finding = AtMost(Measure.NetCarbohydrate, most).Check(Eat(1, known, "100 g moonfruit"), Context());
        Assert.Equal(verdict, finding.Verdict);
        Assert.Null(finding.Value!.Value.High);
    }

    [Theory]
    [InlineData("20 g sugar", 10, Verdict.Fits)] // the known part reaches the floor already
    [InlineData("5 g sugar", 10, Verdict.CannotTell)]
    public void With_an_unknown_part_a_floor_fits_or_cannot_be_told(string known, int least, Verdict verdict) =>
        Assert.Equal(verdict, AtLeast(Measure.NetCarbohydrate, least).Check(Eat(1, known, "100 g moonfruit"), Context()).Verdict);

    [Fact]
    public void The_reason_names_value_limit_and_what_brings_most()
    {
        var finding = AtMost(Measure.NetCarbohydrate, 25).Check(Eat(1, "40 g sugar", "100 g carrot", "200 g cod"), Context());
        Assert.Equal(Verdict.Breaks, finding.Verdict);
        Assert.Equal("Net carbs: 46.8 g, over 25 g a day; most of it from White sugar 40 g and Carrot 6.8 g.", finding.Because);
        Assert.Equal(["White sugar", "Carrot"], finding.Contributors.Select(item => item.Name));
    }

    [Fact]
    public void A_portion_over_the_whole_day_breaks_and_one_within_says_how_much_of_the_day_it_uses()
    {
        var rule = AtMost(Measure.NetCarbohydrate, 25);
        Assert.Equal(Verdict.Breaks, rule.CheckPortion(Eat(1, "40 g sugar"), 0.3m, Context()).Verdict);
        var within = rule.CheckPortion(Eat(1, "20 g sugar"), 0.3m, Context());
        Assert.Equal(Verdict.Fits, within.Verdict);
        Assert.Equal("Net carbs: 20 g uses 80 % of the day, more than the meal's 30 %.", within.Because);
        Assert.DoesNotContain("more than", rule.CheckPortion(Eat(1, "5 g sugar"), 0.3m, Context()).Because);
    }

    [Fact]
    public void One_portion_is_never_asked_to_reach_the_floor_of_a_day() =>
        Assert.Equal(Verdict.Fits, AtLeast(Measure.Protein, 100).CheckPortion(Eat(1, "100 g cod"), null, Context()).Verdict);

    [Fact]
    public void A_floor_of_a_day_with_open_meals_is_open_and_without_them_broken()
    {
        var rule = AtLeast(Measure.Protein, 100);
        Assert.Equal(Verdict.CannotTell, rule.Check(Eat(1, "100 g cod"), Context(openMeals: 2)).Verdict);
        Assert.Equal(Verdict.Breaks, rule.Check(Eat(1, "100 g cod"), Context()).Verdict);
    }

    [Fact]
    public void An_allowance_nobody_stated_cannot_be_told_and_asks_for_it()
    {
        var asked = Data.Protocol("low-carb")!.RulesWith(new Dictionary<string, string>()).OfType<LimitRule>().Single();
        var finding = asked.Check(Eat(1, "100 g cod"), Context());
        Assert.Equal((Verdict.CannotTell, true), (finding.Verdict, finding.NeedsAllowance));
        var stated = asked.With(new Allowance("low-carb", "net-carbs", null, 25)).Check(Eat(1, "100 g cod"), Context());
        Assert.Equal((Verdict.Fits, false), (stated.Verdict, stated.NeedsAllowance));
    }

    [Fact]
    public void A_looser_ceiling_never_turns_a_fit_into_anything_heavier() =>
        Gen.Select(Gen.Int[1, 300], Gen.Int[1, 200], Gen.Int[0, 200])
            .Sample(
                (grams, most, more) =>
                {
                    var intake = Eat(1, $"{grams} g couscous", "2 carrots");
                    return AtMost(Measure.NetCarbohydrate, most + more).Check(intake, Context()).Verdict
                        <= AtMost(Measure.NetCarbohydrate, most).Check(intake, Context()).Verdict;
                },
                iter: 200
            );

    [Fact]
    public void Rules_roll_up_as_breaks_over_cannot_tell_over_too_close_over_fits()
    {
        Assert.Equal(Verdict.Breaks, new[] { Verdict.Fits, Verdict.Breaks, Verdict.CannotTell }.RollUp());
        Assert.Equal(Verdict.CannotTell, new[] { Verdict.TooClose, Verdict.CannotTell }.RollUp());
        Assert.Equal(Verdict.TooClose, new[] { Verdict.TooClose, Verdict.Fits }.RollUp());
        Assert.Equal(Verdict.Fits, Array.Empty<Verdict>().RollUp());
    }

    [Theory]
    [InlineData(95, 2, Verdict.Fits)] // reached already
    [InlineData(95.1, 2, Verdict.CannotTell)] // straddles, and a meal is still to come
    [InlineData(105.1, 2, Verdict.CannotTell)]
    [InlineData(95.1, 0, Verdict.TooClose)]
    [InlineData(105.1, 0, Verdict.Breaks)]
    public void A_floor_waits_for_meals_that_are_still_open(double least, int openMeals, Verdict verdict) =>
        Assert.Equal(verdict, AtLeast(Measure.NetCarbohydrate, (decimal)least).Check(Eat(1, "100 g sugar"), Context(openMeals)).Verdict);

    [Fact]
    public void Of_a_ceiling_the_share_is_used_of_a_floor_what_is_missing_counts()
    {
        Assert.Equal(0.5m, AtMost(Measure.NetCarbohydrate, 200).Check(Eat(1, "100 g sugar"), Context()).Used);
        Assert.Equal(1.25m, AtMost(Measure.NetCarbohydrate, 80).Check(Eat(1, "100 g sugar"), Context()).Used);
        Assert.Equal(0.75m, AtLeast(Measure.NetCarbohydrate, 400).Check(Eat(1, "100 g sugar"), Context()).Used);
        Assert.Equal(0, AtLeast(Measure.NetCarbohydrate, 100).Check(Eat(1, "100 g sugar"), Context()).Used); // reached
        Assert.Equal(0, AtLeast(Measure.NetCarbohydrate, 40).Check(Eat(1, "100 g sugar"), Context()).Used);
    }

    [Theory]
    [InlineData(7.5, false)] // 30 % of 25 g
    [InlineData(7.6, true)]
    public void More_than_the_meals_share_is_said_from_just_above_it(double grams, bool isSaid) =>
        Assert.Equal(
            isSaid,
            AtMost(Measure.NetCarbohydrate, 25)
                .CheckPortion(Eat(Food("sugar"), (decimal)grams), 0.3m, Context())
                .Because.Contains("more than the meal's 30 %", StringComparison.Ordinal)
        );

    [Fact]
    public void Of_a_week_a_portion_uses_the_week_and_has_no_meals_share()
    {
        var week = AtMost(Measure.NetCarbohydrate, 100, Period.Week).CheckPortion(Eat(1, "50 g sugar"), 0.1m, Context());
        Assert.Equal("Net carbs: 50 g uses 50 % of the week.", week.Because);
    }

    [Fact]
    public void A_portion_says_what_it_brings_to_a_floor_and_of_a_ceiling_of_nothing_only_what_it_is()
    {
        Assert.Equal(
            "Protein: brings 17.8 g of at least 90 g a day.",
            AtLeast(Measure.Protein, 90).CheckPortion(Eat(1, "100 g cod"), null, Context()).Because
        );
        Assert.StartsWith(
            "Net carbs: 0 g, at most 0 g",
            AtMost(Measure.NetCarbohydrate, 0).CheckPortion(Eat(1, "100 g cod"), 0.3m, Context()).Because,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void What_cannot_be_told_names_at_most_three_foods_each_once()
    {
        var because = AtMost(Measure.NetCarbohydrate, 25)
            .Check(Eat(1, "100 g moonfruit", "100 g moonfruit", "1 cup stardust", "20 g glimmerweed", "10 g zorblat"), Context())
            .Because;
        Assert.Contains("100 g moonfruit and 1 cup stardust and 20 g glimmerweed", because, StringComparison.Ordinal);
        Assert.DoesNotContain("zorblat", because, StringComparison.Ordinal);
    }

    [Fact]
    public void Where_only_what_comes_with_a_food_is_unknown_the_food_is_not_said_to_be() =>
        Assert.Contains(
            "no values yet for 1 slice rye bread with butter",
            AtMost(Measure.Energy, 1_500).Check(Eat(1, "1 slice rye bread with butter"), Context()).Because,
            StringComparison.Ordinal
        );

    [Fact]
    public void A_sentence_counts_its_free_foods()
    {
        var rule = AtMost(Measure.Energy, 2000);
        Assert.Equal("Energy: at most 2,000 kcal a day", rule.Sentence(Data.Classes));
        Assert.Equal("Energy: at most 2,000 kcal a day; 1 free food", (rule with { Free = [new("sugar")] }).Sentence(Data.Classes));
        Assert.Equal(
            "Energy: at most 2,000 kcal a day; 2 free foods",
            (rule with { Free = [new("sugar"), new("cod")] }).Sentence(Data.Classes)
        );
    }

    [Theory]
    [InlineData(Period.Portion, Verdict.Breaks)] // a portion's own floor is asked of it
    [InlineData(Period.Meal, Verdict.Breaks)]
    [InlineData(Period.Day, Verdict.Fits)] // a day's is not
    [InlineData(Period.Week, Verdict.Fits)]
    public void Whose_floor_a_portion_is_asked_to_reach(Period per, Verdict verdict)
    {
        var rule = AtLeast(Measure.Protein, 50, per);
        Assert.Equal(verdict, rule.JudgePortion(Estimate.Exactly(20)));
        Assert.Equal(verdict, rule.CheckPortion(Eat(1, "100 g cod"), null, Context()).Verdict);
        Assert.Equal(Verdict.Breaks, (rule with { AtLeast = null, AtMost = 10 }).JudgePortion(Estimate.Exactly(20)));
    }

    [Fact]
    public void Free_foods_of_a_limit_are_not_counted_and_those_of_points_are_their_scheme_s()
    {
        var dish = Eat(1, "100 g sugar", "100 g cod");
        var rule = AtMost(Measure.Energy, 200) with { Free = [new("sugar")] };
        Assert.Equal(82, rule.Value(dish, Context()).Best);
        Assert.Equal(Verdict.Fits, rule.Check(dish, Context()).Verdict);
        // What is free would stay: a cure by weight would speak of it.
        Assert.Null((rule with { AtMost = 50 }).Check(dish, Context()).Cure);
        Assert.NotNull((rule with { AtMost = 50, Free = [] }).Check(dish, Context()).Cure);
        var points = AtMost(Measure.Points, 5) with { Free = [new("sugar")] };
        Assert.Equal(dish.Points(Data.HouseScheme), points.Value(dish, Context()));
    }

    [Fact]
    public void Points_over_are_cured_by_the_line_that_has_most_and_unknown_ones_are_of_what_has_no_energy()
    {
        var points = AtMost(Measure.Points, 5);
        Assert.EndsWith(
            "less White sugar a portion",
            points.Check(Eat(1, "60 g potato", "40 g sugar"), Context()).Cure,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "no values yet for 100 g moonfruit;",
            points.Check(Eat(1, "100 g cod", "100 g moonfruit"), Context()).Because,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData("380 g cod", ".")] // 312 kcal: 31.2 % against 30 % and 5 % of it kept
    [InlineData("390 g cod", ", more than the meal's 30 %.")] // 320 kcal, over 31.5 %
    public void A_portion_may_be_a_little_over_its_meal_s_share(string line, string end) =>
        Assert.EndsWith(
            $" of the day{end}",
            AtMost(Measure.Energy, 1000).CheckPortion(Eat(1, line), 0.3m, Context()).Because,
            StringComparison.Ordinal
        );
}

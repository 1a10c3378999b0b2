using CsCheck;
using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

/// <summary>What every rule with bounds shares: both sides of each bound, what is open, what is said of it.</summary>
public class BoundedRuleTests
{
    /// <summary>A rule that is held against a value as it is given.</summary>
    private sealed record Plain(decimal Share) : BoundedRule
    {
        public override RuleKind Kind => LimitRule.Described;

        public override Period Period => Period.Day;

        public override string Title => "Thing";

        public override Scale Scale => Scale.WholeGrams;

        protected override decimal KeptShare => Share;

        public override string Sentence(FoodClasses classes) => BoundsInWords();

        public override Finding Check(Intake intake, RuleContext context) => throw new NotSupportedException();

        public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context) => throw new NotSupportedException();

        public Verdict Of(Estimate value, int openMeals = 0) => Judge(value, openMeals);

        public string Says(Estimate value, int openMeals = 0) =>
            Reason(
                Of(value, openMeals),
                value,
                [new("leek", 7), new("salt", 0), new("cod", 5), new("rice", 4)],
                openMeals,
                () => "moonfruit"
            );
    }

    private static Plain Rule(int? least, int? most, decimal share = 0) =>
        new(share)
        {
            Id = "thing",
            AtLeast = least,
            AtMost = most,
        };

    private static Estimate Value(double low, double best, double? high) =>
        high is { } most ? Estimate.Between((decimal)low, (decimal)best, (decimal)most) : Estimate.AtLeast((decimal)low, (decimal)best);

    [Theory]
    [InlineData(20, 20, 20.0, Verdict.Fits)]
    [InlineData(20.1, 20.1, 20.1, Verdict.Breaks)]
    [InlineData(20, 20.1, 20.2, Verdict.TooClose)] // the low end is on the bound
    [InlineData(19, 19.5, 20.1, Verdict.TooClose)]
    [InlineData(19, 19.5, null, Verdict.CannotTell)]
    [InlineData(20.1, 20.2, null, Verdict.Breaks)] // what is known is too much already
    public void A_ceiling_is_kept_on_it_and_broken_above_it_for_certain(double low, double best, double? high, Verdict verdict) =>
        Assert.Equal(verdict, Rule(null, 20).Of(Value(low, best, high)));

    [Theory]
    [InlineData(20, 20, 20.0, 0, Verdict.Fits)]
    [InlineData(20, 20, 20.0, 2, Verdict.Fits)]
    [InlineData(19.9, 19.9, 19.9, 0, Verdict.Breaks)]
    [InlineData(19.9, 19.9, 19.9, 1, Verdict.CannotTell)] // the open meal may bring it
    [InlineData(19, 19.5, 20.0, 0, Verdict.TooClose)] // the high end is on the bound
    [InlineData(19, 19.5, 20.0, 1, Verdict.CannotTell)]
    [InlineData(19, 19.5, null, 0, Verdict.CannotTell)]
    [InlineData(20, 20.5, null, 0, Verdict.Fits)] // what is known is enough already
    public void A_floor_is_reached_on_it_and_missed_below_it_when_no_meal_is_open(
        double low,
        double best,
        double? high,
        int openMeals,
        Verdict verdict
    ) => Assert.Equal(verdict, Rule(20, null).Of(Value(low, best, high), openMeals));

    [Theory]
    [InlineData(21, Verdict.Fits)]
    [InlineData(21.1, Verdict.Breaks)]
    [InlineData(9.5, Verdict.Fits)]
    [InlineData(9.4, Verdict.Breaks)]
    public void A_share_of_a_bound_counts_as_kept_on_either_side(double value, Verdict verdict) =>
        Assert.Equal(verdict, Rule(10, 20, 0.05m).Of(Value(value, value, value)));

    [Fact]
    public void Without_a_bound_everything_fits_and_the_worse_of_two_bounds_counts()
    {
        Assert.Equal(Verdict.Fits, Rule(null, null).Of(Value(0, 5, null)));
        Assert.Equal(Verdict.Breaks, Rule(10, 20).Of(Value(21, 22, null)));
        Assert.Equal(Verdict.CannotTell, Rule(10, 20).Of(Value(9, 9, 9), 1));
    }

    [Theory]
    [InlineData(null, 20, 15, 15, 15.0, 0, "Thing: 15 g, at most 20 g a day.")]
    [InlineData(null, 20, 25, 25, 25.0, 0, "Thing: 25 g, over 20 g a day; most of it from leek 7 g and cod 5 g.")]
    [InlineData(10, null, 5, 5, 5.0, 0, "Thing: 5 g, below 10 g a day.")]
    [InlineData(10, 20, 5, 5, 5.0, 1, "Thing: 5 g so far of between 10 and 20 g a day; 1 meal is still open.")]
    [InlineData(10, null, 5, 5, 5.0, 2, "Thing: 5 g so far of at least 10 g a day; 2 meals are still open.")]
    [InlineData(null, 20, 5, 5, null, 0, "Thing: 5 g so far, and no values yet for moonfruit; the limit is at most 20 g a day.")]
    [InlineData(
        null,
        20,
        19,
        20,
        21.0,
        0,
        "Thing: 20 g (between 19 and 21) is too close to at most 20 g a day; most of it from leek 7 g and cod 5 g."
    )]
    public void The_sentence_says_value_bound_and_what_brings_most(
        int? least,
        int? most,
        double low,
        double best,
        double? high,
        int openMeals,
        string says
    ) => Assert.Equal(says, Rule(least, most).Says(Value(low, best, high), openMeals));

    [Fact]
    public void What_an_eater_states_comes_over_the_protocol_bound_by_bound()
    {
        var rule = Rule(10, 20);
        Assert.Equal(rule, rule.With(null));
        var lower = rule.With(new Allowance("", "thing", null, 15, DateOnly.MinValue));
        Assert.Equal((10m, 15m), (lower.AtLeast, lower.AtMost));
        var higher = rule.With(new Allowance("", "thing", 12, null, DateOnly.MinValue));
        Assert.Equal((12m, 20m), (higher.AtLeast, higher.AtMost));
    }

    [Theory]
    [InlineData(false, false, null, null, false)]
    [InlineData(true, false, null, 20, true)]
    [InlineData(true, false, 10, null, false)]
    [InlineData(false, true, 10, null, true)]
    [InlineData(false, true, null, 20, false)]
    [InlineData(true, true, 10, 20, false)]
    public void A_bound_that_is_asked_for_needs_to_be_stated(bool asksLeast, bool asksMost, int? least, int? most, bool needs) =>
        Assert.Equal(needs, (Rule(least, most) with { AsksAtLeast = asksLeast, AsksAtMost = asksMost }).NeedsAllowance);

    [Fact]
    public void Whatever_is_in_it_the_cure_cures() =>
        Gen.Select(Gen.Int[20, 200], Gen.Int[5, 60], Gen.Int[0, 40], Gen.Int[5, 40], Gen.Bool)
            .Sample(
                (cod, cheese, oats, bound, isFloor) =>
                {
                    var rule = new LimitRule
                    {
                        Id = "protein",
                        Measure = Measure.Protein,
                        Per = Period.Portion,
                        AtLeast = isFloor ? bound : null,
                        AtMost = isFloor ? null : bound,
                    };
                    Finding With(string? what = null, int more = 0) =>
                        rule.Check(
                            Eat(
                                1,
                                [
                                    .. new (string Food, int Grams)[] { ("cod", cod), ("cheddar", cheese), ("oats", oats) }.Select(line =>
                                        $"{line.Grams + (what?.Contains(line.Food, StringComparison.OrdinalIgnoreCase) == true ? more : 0)} g {line.Food}"
                                    ),
                                ]
                            ),
                            Context()
                        );
                    if (With().Cure is not { } cure || !cure.Contains(" g ", StringComparison.Ordinal))
                    {
                        return;
                    }

                    var cured = With(
                        cure,
                        int.Parse(cure.Split(' ')[0], null) * (cure.Contains("more", StringComparison.Ordinal) ? 1 : -1)
                    );
                    Assert.True(cured.Verdict == Verdict.Fits, $"{cod} g cod, {cheese} g cheddar, {oats} g oats: {cure}");
                },
                iter: 300
            );

    [Theory] // 100 g cod hold 17.8 g protein
    [InlineData(null, 12, "36 g less Cod fillet a portion", 64, 68)]
    [InlineData(20, null, "12 g more Cod fillet a portion", 112, 109)]
    [InlineData(100, null, null, 0, 0)] // nobody cooks a portion with so much more of one thing
    [InlineData(null, 0, null, 0, 0)] // nothing of it would fit
    public void The_cure_cures_and_is_no_larger_than_it_has_to_be(int? least, int? most, string? cure, int fits, int fitsNot)
    {
        var rule = new LimitRule
        {
            Id = "protein",
            Measure = Measure.Protein,
            Per = Period.Portion,
            AtLeast = least,
            AtMost = most,
        };
        Finding With(int grams) => rule.Check(Eat(1, $"{grams} g cod", "20 g carrot"), Context());
        Assert.Equal(cure, With(100).Cure);
        if (cure is not null)
        {
            Assert.Equal(Verdict.Fits, With(fits).Verdict);
            Assert.NotEqual(Verdict.Fits, With(fitsNot).Verdict);
        }
    }

    [Theory] // 300 g potato 231 kcal, 100 g sugar 387 kcal: together 595 to 641
    [InlineData(200, "0.3 of the portion would fit")] // 210 of 641; without all of the sugar it is still too much
    [InlineData(300, "85 g less White sugar a portion")]
    [InlineData(10, null)] // not even a twentieth
    public void Where_less_of_one_food_is_no_cure_a_smaller_portion_is(int most, string? cure) =>
        Assert.Equal(cure, AtMost(Measure.Energy, most).Check(Eat(1, "300 g potato", "100 g sugar"), Context()).Cure);

    [Fact]
    public void A_cure_speaks_of_a_portion_also_where_two_are_eaten()
    {
        Helping Two(params string[] lines) => Eat(1, lines).Helpings[0] with { Size = 2 };
        Assert.Equal(
            "18 g less White sugar a portion",
            AtMost(Measure.Energy, 800).Check(Intake.Of(Two("100 g sugar", "100 g cod")), Context()).Cure
        );
        Assert.NotEqual(Verdict.Breaks, AtMost(Measure.Energy, 800).Check(Intake.Of(Two("82 g sugar", "100 g cod")), Context()).Verdict);
        Assert.Equal("69 g more Cod fillet a portion", AtLeast(Measure.Protein, 60).Check(Intake.Of(Two("100 g cod")), Context()).Cure);
        Assert.Equal(Verdict.Fits, AtLeast(Measure.Protein, 60).Check(Intake.Of(Two("169 g cod")), Context()).Verdict);
    }

    [Theory]
    [InlineData(55.1, "300 g more Cod fillet a portion")] // 52.3 g are kept of 55.1, and 300 g bring at least 50.7 g
    [InlineData(55.2, null)]
    public void Nobody_adds_more_than_300_g(double least, string? cure) =>
        Assert.Equal(cure, AtLeast(Measure.Protein, (decimal)least).Check(Eat(1, "10 g cod"), Context()).Cure);

    [Fact]
    public void Three_doubts_are_said_at_most()
    {
        var rule = new DoseRule
        {
            Id = "dose",
            Name = "Honey",
            Classes = ["honey"],
            Counts = "food",
            Per = Period.Portion,
            AtMost = 1,
        };
        var because = rule.Check(
            Eat(1, "20 g honey or sugar", "20 g honey or cod", "20 g honey or rice", "20 g honey or butter"),
            Context()
        ).Because;
        Assert.Equal(2, because.Count(letter => letter == ';'));
        Assert.StartsWith("Honey: \"Honey or White sugar\": choose which one is meant; ", because, StringComparison.Ordinal);
    }
}

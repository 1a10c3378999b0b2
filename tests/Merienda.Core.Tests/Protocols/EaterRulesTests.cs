using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

/// <summary>Which rules hold for an eater, and by which scheme their points are counted.</summary>
public class EaterRulesTests
{
    private static readonly DateOnly Today = new(2026, 11, 27);

    private static FollowedProtocol Follows(Protocol protocol) => new(protocol, new Dictionary<string, string>());

    private static EaterRules Of(IEnumerable<FollowedProtocol> followed, PersonalLimits personal, params Allowance[] allowances) =>
        new(followed, allowances, personal, Data.HouseScheme, Data.Classes, Today);

    [Fact]
    public void Points_are_counted_by_the_first_scheme_that_is_followed_and_by_the_house_s_where_none_is()
    {
        var points = Data.Protocol("points")!;
        var own = points with { Id = "own", Scheme = points.Scheme! with { Id = "own-scheme" } };
        Assert.Equal("own-scheme", Of([Follows(own)], PersonalLimits.None).Context.Scheme!.Id);
        Assert.Equal("own-scheme", Of([Follows(Data.Protocol("low-carb")!), Follows(own)], PersonalLimits.None).Context.Scheme!.Id);
        var without = Of([Follows(Data.Protocol("low-carb")!)], PersonalLimits.None);
        Assert.Equal((Data.HouseScheme.Id, false), (without.Context.Scheme!.Id, without.CountsPoints));
        Assert.True(Of([Follows(own)], PersonalLimits.None).CountsPoints);
    }

    [Fact]
    public void What_is_personal_brings_a_rule_only_where_something_is_said()
    {
        Assert.Empty(Of([], PersonalLimits.None).Rules);
        Assert.IsType<AllergyRule>(Assert.Single(Of([], new(["dairy"], [], [])).Rules));
        Assert.IsType<DislikeRule>(Assert.Single(Of([], new([], [], ["cod"])).Rules));
        var decided = PersonalLimits.None with { Packets = new([new PacketOpinion("x", false, "salty", Today)], true) };
        Assert.IsType<PacketRule>(Assert.Single(Of([], decided).Rules));
        Assert.Equal(decided.Packets, Of([], decided).Context.Packets);
        Assert.Equal(3, Of([], new(["dairy"], [], ["cod"]) { Packets = decided.Packets }).Rules.Count);
    }

    [Fact]
    public void A_rule_is_left_out_on_every_day_and_an_allergy_never_is()
    {
        var rules = Of(
            [Follows(Data.Protocol("low-carb")!)],
            new(["dairy"], [], ["cod"]),
            new Allowance("low-carb", "net-carbs", null, 50),
            new Allowance("low-carb", "net-carbs", null, 30) { From = Today.AddDays(3) }
        );
        var without = rules.Without("net-carbs").Without("allergy").Without("dislikes");
        Assert.Contains(rules.Rules, rule => rule.Id == "net-carbs");
        foreach (var day in new[] { 0, 3 })
        {
            var left = without.On(Today.AddDays(day));
            Assert.Equal(rules.On(Today.AddDays(day)).Count - 2, left.Count);
            Assert.Contains(left, rule => rule is AllergyRule);
            Assert.DoesNotContain(left, rule => rule.Id is "net-carbs" or "dislikes");
        }

        Assert.Equal(without.On(Today).Select(rule => rule.Id), without.Rules.Select(rule => rule.Id));
        Assert.Equal("low-carb", rules.ProtocolOf("net-carbs"));
        Assert.Null(rules.ProtocolOf("dislikes"));
    }

    [Fact]
    public void An_allowance_holds_from_its_date_on()
    {
        var rules = Of(
            [Follows(Data.Protocol("low-carb")!)],
            PersonalLimits.None,
            new Allowance("low-carb", "net-carbs", null, 50),
            new Allowance("low-carb", "net-carbs", null, 30) { From = Today.AddDays(3) }
        );
        decimal? MostOn(int days) => rules.On(Today.AddDays(days)).OfType<LimitRule>().Single().AtMost;
        Assert.Equal((50m, 50m, 30m, 30m), (MostOn(0), MostOn(2), MostOn(3), MostOn(300)));
        Assert.Equal(50, rules.Rules.OfType<LimitRule>().Single().AtMost);
    }

    [Fact]
    public void Rules_are_dated_by_one_plan_or_one_later_allowance()
    {
        var followed = Follows(Data.Protocol("points")!);
        decimal? Budget(EaterRules rules, DateOnly on) => rules.On(on).OfType<PointsBudgetRule>().Single().AtMost;
        var later = new Allowance("points", "points", null, 20) { From = Today.AddDays(7) };
        var rules = Of([followed], PersonalLimits.None, new Allowance("points", "points", null, 24), later);
        Assert.Equal(
            (24m, 24m, 20m),
            (Budget(rules, Today)!.Value, Budget(rules, Today.AddDays(6))!.Value, Budget(rules, Today.AddDays(7))!.Value)
        );
        Assert.Equal(24m, rules.Rules.OfType<PointsBudgetRule>().Single().AtMost);
        // What was stated for no date holds on all of them, also where another protocol's plan makes them dated.
        var plan = new PhasePlan("low-fodmap", Today, Today.AddDays(27), [], new Dictionary<string, ChallengeOutcome>());
        var planned = new FollowedProtocol(Data.Protocol("low-fodmap")!, new Dictionary<string, string>(), plan);
        var both = Of([followed, planned], PersonalLimits.None, new Allowance("points", "points", null, 24));
        Assert.Equal(24m, Budget(both, Today));
        Assert.Equal(Verdict.Breaks, both.On(Today).OfType<FodmapRule>().Single().Check(Eat(1, "100 g onion"), Context()).Verdict);
        Assert.True(both.CountsPoints);
        Assert.False(Of([planned], PersonalLimits.None).CountsPoints);
    }

    [Fact]
    public void Rules_that_stand_alone_may_hold_an_allergy()
    {
        var rules = new EaterRules([new AllergyRule { Id = "allergy", Classes = ["fish"] }], Context());
        Assert.Equal(Verdict.Breaks, rules.HardStop(Eat(1, "100 g cod"))!.Verdict);
        Assert.Single(rules.Rules);
    }

    /// <summary>Every shipped kind that counts a measure says which: its description shows one.</summary>
    [Fact]
    public void A_rule_names_the_measures_that_it_counts()
    {
        Assert.Equal([Measure.NetCarbohydrate], AtMost(Measure.NetCarbohydrate, 25).Measures);
        Assert.Equal([Measure.Points], new PointsBudgetRule { Id = "points", AtMost = 20 }.Measures);
        Assert.Equal(
            [Measure.Protein, Measure.Fat],
            new GramRatioRule
            {
                Id = "even",
                Measure = Measure.Protein,
                To = Measure.Fat,
                Per = Period.Day,
            }.Measures
        );
        Assert.Empty(
            new ExclusionRule
            {
                Id = "x",
                Name = "No dairy",
                Excludes = ["dairy"],
            }.Measures
        );
        DoseRule Dose(string counts) =>
            new()
            {
                Id = "dose",
                Name = "Fruit",
                Classes = ["fruit"],
                Counts = counts,
                Per = Period.Day,
            };
        Assert.Empty(Dose("grams").Measures);
        Assert.Equal([Measure.Sugars], Dose(MeasureInfo.Of(Measure.Sugars).Key).Measures);
    }
}

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
}

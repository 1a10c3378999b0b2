using CsCheck;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class VerdictMatrixTests
{
    private static readonly string[] Lines = ["200 g cod", "150 g white rice", "1 onion", "2 eggs", "100 g cheddar", "1 tbsp honey", "300 g carrot", "400 g tin chickpeas, drained", "some moonfruit", "50 g oats", "1 clove garlic", "100 ml red wine", "30 g walnuts"];

    private static IReadOnlyList<EaterRules> Eaters(decimal scale)
    {
        var everything = Data.Protocols.Select(protocol => new FollowedProtocol(protocol, new Dictionary<string, string>())).ToList();
        var stated = Data.Protocols.SelectMany(protocol => protocol.AllRules.OfType<BoundedRule>().Select(rule => (protocol.Id, Rule: rule))).DistinctBy(item => (item.Id, item.Rule.Id))
            .Select(item => new Allowance(item.Id, item.Rule.Id, item.Rule.AsksAtLeast ? 5 * scale : null, item.Rule.AsksAtMost ? 20 * scale : null)).ToList();
        EaterRules Of(IEnumerable<FollowedProtocol> followed, PersonalLimits personal) => new(followed, stated, personal, Data.HouseScheme, Data.Classes, default);
        return [.. everything.Select(one => Of([one], PersonalLimits.None)), Of(everything.Take(3), new(["fish"], [], ["carrot"])), new([], new(Data.HouseScheme, Data.Classes))];
    }

    [Fact]
    public void The_fast_path_gives_the_verdict_of_the_plain_one() => Gen.Select(Gen.Int[0, Lines.Length - 1].Select(at => Lines[at]).Array[1, 5].Array[1, 12], Gen.Decimal[0.1m, 20]).Sample((dishes, scale) =>
    {
        var profiles = dishes.Select(lines => Portion(2, lines)).ToList();
        var eaters = Eaters(scale);
        var fast = new VerdictMatrix(profiles).For(eaters);
        for (var eater = 0; eater < eaters.Count; eater++)
        {
            var plain = profiles.Select(profile => eaters[eater].CheckPortion(Intake.Of(new("", profile, 1)), null).Select(finding => finding.Verdict).RollUp());
            Assert.Equal(plain, fast[eater]);
        }
    }, iter: 60);
}

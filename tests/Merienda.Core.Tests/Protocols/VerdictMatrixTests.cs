using CsCheck;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class VerdictMatrixTests
{
    private static readonly string[] Lines =
    [
        "200 g cod",
        "150 g white rice",
        "1 onion",
        "2 eggs",
        "100 g cheddar",
        "1 tbsp honey",
        "300 g carrot",
        "400 g tin chickpeas, drained",
        "some moonfruit",
        "50 g oats",
        "1 clove garlic",
        "100 ml red wine",
        "30 g walnuts",
        // What leaves something open, or need not go in.
        "200 ml milk",
        "200 ml milk or almond milk",
        "1 tsp garlic powder or paprika",
        "1 tbsp oyster sauce",
        "50 g salami",
        "200 g wonderdust cod",
        "30 g hazelnuts (optional)",
        "soured cream, to serve",
        "300 g beef shin, brushed with honey",
        "salt",
    ];

    private static IReadOnlyList<EaterRules> Eaters(decimal scale)
    {
        var everything = Data.Protocols.Select(protocol => new FollowedProtocol(protocol, new Dictionary<string, string>())).ToList();
        var stated = Data
            .Protocols.SelectMany(protocol => protocol.AllRules.OfType<BoundedRule>().Select(rule => (protocol.Id, Rule: rule)))
            .DistinctBy(item => (item.Id, item.Rule.Id))
            .Select(item => new Allowance(
                item.Id,
                item.Rule.Id,
                item.Rule.AsksAtLeast ? 5 * scale : null,
                item.Rule.AsksAtMost ? 20 * scale : null
            ))
            .ToList();
        EaterRules Of(IEnumerable<FollowedProtocol> followed, PersonalLimits personal) =>
            new(followed, stated, personal, Data.HouseScheme, Data.Classes, default);
        return
        [
            .. everything.Select(one => Of([one], PersonalLimits.None)),
            Of(everything.Take(3), new(["fish"], [new("wonderdust cod", "read"), new("oyster-sauce", "read")], ["carrot"])),
            new([], new(Data.HouseScheme, Data.Classes)),
        ];
    }

    [Fact]
    public void The_fast_path_gives_the_verdict_of_the_plain_one() =>
        Gen.Select(Gen.Int[0, Lines.Length - 1].Select(at => Lines[at]).Array[1, 5].Array[1, 12], Gen.Decimal[0.1m, 20])
            .Sample(
                (dishes, scale) =>
                {
                    var profiles = dishes.Select(lines => Portion(2, lines)).ToList();
                    var eaters = Eaters(scale);
                    var fast = new VerdictMatrix(profiles).For(eaters);
                    for (var eater = 0; eater < eaters.Count; eater++)
                    {
                        var plain = profiles.Select(profile =>
                            eaters[eater].CheckPortion(Intake.Of(new("", profile, 1)), null).Select(finding => finding.Verdict).RollUp()
                        );
                        Assert.Equal(plain, fast[eater]);
                    }
                },
                iter: 60
            );

    [Fact]
    public void Near_a_cut_off_the_fast_path_gives_the_verdict_of_the_plain_one_too()
    {
        // Doses of these foods cross a cut-off somewhere in 0.1 to 60 g a portion.
        string[] foods =
        [
            "onion",
            "whole milk",
            "mushrooms",
            "apple",
            "mango",
            "honey",
            "oats",
            "lentils-red",
            "acorn squash",
            "cashews",
            "garlic",
        ];
        var eaters = Data
            .Protocols.Where(protocol => protocol.Id == "low-fodmap")
            .Select(protocol => new EaterRules(
                [new(protocol, new Dictionary<string, string>())],
                [],
                PersonalLimits.None,
                Data.HouseScheme,
                Data.Classes,
                default
            ))
            .ToList();
        Gen.Select(Gen.Int[0, foods.Length - 1], Gen.Int[1, 600])
            .Array[1, 3]
            .Sample(
                lines =>
                {
                    var profile = Portion(
                        1,
                        [
                            .. lines.Select(line =>
                                string.Create(
                                    System.Globalization.CultureInfo.InvariantCulture,
                                    $"{line.Item2 / 10m} g {foods[line.Item1]}"
                                )
                            ),
                        ]
                    );
                    Assert.Equal(
                        eaters[0].CheckPortion(Intake.Of(new("", profile, 1)), null).Select(finding => finding.Verdict).RollUp(),
                        new VerdictMatrix([profile]).For(eaters)[0][0]
                    );
                },
                iter: 2000
            );
    }

    [Fact]
    public void A_rejected_packet_breaks_on_both_paths()
    {
        var packet = Bought(Printed("Oats, salt"));
        var context = Context() with { Packets = new([new(packet.Key, false, "too salty", new(2026, 11, 1))], true) };
        var eater = new EaterRules([new PacketRule { Id = PacketRule.Key, Opinions = context.Packets }], context);
        var dish = Eat(packet);
        Assert.Equal(Verdict.Breaks, eater.CheckPortion(dish, null).Single().Verdict);
        Assert.Equal(Verdict.Breaks, new VerdictMatrix([dish.Helpings[0].Profile]).For([eater])[0][0]);
    }
}

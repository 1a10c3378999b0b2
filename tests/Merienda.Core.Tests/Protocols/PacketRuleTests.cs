using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class PacketRuleTests
{
    private static readonly ExclusionRule NoSugar = new()
    {
        Id = "x",
        Name = "Sweet things",
        Excludes = ["added-sugar"],
    };
    private static readonly AllergyRule NoMilk = new() { Id = "allergy", Classes = ["dairy"] };

    private static RuleContext With(params PacketOpinion[] opinions) => Context() with { Packets = new(opinions, true) };

    private static PacketOpinion Approved(Food food) =>
        new(food.Key, true, "the maker was asked", new(2026, 11, 3), PacketOpinion.StatementOf(food));

    [Fact]
    public void A_packet_is_left_out_for_the_words_that_say_so()
    {
        var finding = NoSugar.Check(Eat(Bought(Printed("Oats, dextrose"))), Context());
        Assert.Equal(
            (Verdict.Breaks, "Sweet things: Sea crackers (\"dextrose\", added sugar) is left out."),
            (finding.Verdict, finding.Because)
        );
    }

    [Fact]
    public void A_packet_nobody_read_cannot_be_told_until_the_eater_approves_it()
    {
        var unread = Bought(Printed());
        var finding = NoSugar.Check(Eat(unread), Context());
        Assert.Equal(
            (Verdict.CannotTell, "Sweet things: nobody can tell from Sea crackers (its ingredients, which nobody typed)."),
            (finding.Verdict, finding.Because)
        );
        Assert.Equal(Verdict.Fits, NoSugar.Check(Eat(unread), With(Approved(unread))).Verdict);
    }

    [Fact]
    public void An_approval_is_of_these_ingredients_and_never_of_what_is_left_out()
    {
        var before = Bought(Printed("Oats, natural flavouring"));
        var after = Bought(Printed("Oats, natural flavouring, spices"), version: 2);
        Assert.Equal(Verdict.Fits, NoSugar.Check(Eat(before), With(Approved(before))).Verdict);
        Assert.Equal(Verdict.CannotTell, NoSugar.Check(Eat(after), With(Approved(before))).Verdict);
        var sweet = Bought(Printed("Oats, sugar"));
        Assert.Equal(Verdict.Breaks, NoSugar.Check(Eat(sweet), With(Approved(sweet))).Verdict);
    }

    [Fact]
    public void Whether_a_trace_counts_is_the_eaters_to_say_but_never_for_an_allergy()
    {
        var trace = Bought(Printed("Oats, less than 2 % of: sugar, milk powder"));
        var lenient = Context() with { Packets = new([], false) };
        Assert.Equal(Verdict.Breaks, NoSugar.Check(Eat(trace), Context()).Verdict);
        Assert.Equal(Verdict.Fits, NoSugar.Check(Eat(trace), lenient).Verdict);
        Assert.Equal(Verdict.Breaks, NoSugar.Check(Eat(Bought(Printed("Oats, sugar"))), lenient).Verdict);
        Assert.Equal(Verdict.Breaks, NoMilk.Check(Eat(trace), lenient).Verdict);
    }

    [Fact]
    public void An_allergy_passes_what_an_adult_approved_unless_the_packet_names_it()
    {
        var warned = Bought(Printed("Oats") with { MayContain = "milk" });
        Assert.Equal(Verdict.CannotTell, NoMilk.Check(Eat(warned), Context()).Verdict);
        Assert.True(NoMilk.Check(Eat(warned), Context()).IsHardStop);
        Assert.Equal(Verdict.Fits, NoMilk.Check(Eat(warned), With(Approved(warned))).Verdict);
        var named = Bought(Printed("Oats, whey powder"));
        Assert.Equal(Verdict.Breaks, NoMilk.Check(Eat(named), With(Approved(named))).Verdict);
        Assert.Equal(Verdict.Breaks, (NoMilk with { Accepted = [new(named.Key, "x")] }).Check(Eat(named), Context()).Verdict);
    }

    [Fact]
    public void A_rejected_packet_is_met_again_with_reason_and_date()
    {
        var food = Bought(Printed("Oats"));
        var rejected = new PacketOpinion(food.Key, false, "too sweet", new(2026, 11, 3));
        var finding = new PacketRule { Id = "packets", Opinions = new([rejected], true) }.Check(Eat(food), Context());
        Assert.Equal((Verdict.Breaks, "Packets: Sea crackers, rejected on 3 Nov 2026 (too sweet)."), (finding.Verdict, finding.Because));
        Assert.Equal(
            Verdict.Fits,
            new PacketRule { Id = "packets", Opinions = new([rejected], true) }
                .Check(Eat(100, "50 g oats"), Context())
                .Verdict
        );
        var approved = new PacketRule { Id = "packets", Opinions = new([Approved(food)], true) }.Check(Eat(food), Context());
        Assert.Equal(
            (Verdict.Fits, "Sea crackers was approved on 3 Nov 2026: the maker was asked."),
            (approved.Verdict, Assert.Single(approved.Notes))
        );
    }

    [Fact]
    public void An_eaters_rules_carry_the_opinions()
    {
        var food = Bought(Printed("Oats, spices"));
        EaterRules Rules(params PacketOpinion[] opinions) =>
            new(
                [new(Data.Protocol("vegan")!, new Dictionary<string, string>())],
                [],
                PersonalLimits.None with
                {
                    Packets = new(opinions, true),
                },
                Data.HouseScheme,
                Data.Classes,
                new(2026, 11, 23)
            );
        Verdict Of(EaterRules rules) => rules.CheckPortion(Eat(food), null).Select(finding => finding.Verdict).RollUp();
        Assert.Equal(Verdict.CannotTell, Of(Rules()));
        Assert.Equal(Verdict.Fits, Of(Rules(Approved(food))));
        Assert.Equal(Verdict.Breaks, Of(Rules(new PacketOpinion(food.Key, false, "x", new(2026, 11, 3)))));
    }

    [Fact]
    public void A_dose_counts_what_a_statement_may_hide_up_to_its_place_in_it()
    {
        var honey = new DoseRule
        {
            Id = "honey",
            Name = "Honey",
            Classes = ["honey"],
            Counts = "food",
            Per = Period.Portion,
            AtMost = 30,
        };
        Verdict Of(string statement, decimal grams) => honey.Check(Eat(Bought(Printed(statement)), grams), Context()).Verdict;
        Assert.Equal(Verdict.Fits, Of("Oats", 100));
        Assert.Equal(Verdict.Fits, Of("Oats, honey", 60)); // at most half of 60 g
        Assert.Equal(Verdict.TooClose, Of("Oats, honey", 61));
        Assert.Equal(Verdict.TooClose, Of("", 61)); // nobody knows: nothing to all of it
        Assert.Equal(Verdict.Breaks, honey.Check(Eat(Bought(Printed("Honey") with { Classes = ["honey"] }), 61), Context()).Verdict);
    }

    [Fact]
    public void Lactose_hides_in_a_packet_that_names_milk_or_that_nobody_read()
    {
        (LabelNutrient, string)[] values =
        [
            (LabelNutrient.Carbohydrate, "20"),
            (LabelNutrient.Sugars, "5.0"),
            (LabelNutrient.Fibre, "1.0"),
        ];
        bool IsKnown(string statement) => Fodmaps.ContentOf(Bought(Printed(statement, values)), FodmapGroup.Lactose).IsKnown;
        Assert.True(IsKnown("Oats, salt"));
        Assert.False(IsKnown("Oats, milk powder"));
        Assert.False(IsKnown(""));
    }

    [Fact]
    public void The_fast_sweep_and_the_plain_check_agree_on_packets()
    {
        Food[] packets =
        [
            Bought(Printed()),
            Bought(Printed("Oats, sugar")),
            Bought(Printed("Oats, spices")),
            Bought(Printed("Oats, less than 2 % of: honey")),
            Bought(Printed("Oats, salt")),
        ];
        var profiles = packets
            .Select(food =>
                PortionProfile.Of([RecipeLine.From("50 g", Table.Foods, Core.Quantities.MeasureSystem.Metric, chosenFood: food)], 1)
            )
            .ToList();
        foreach (var context in new[] { Context(), With(Approved(packets[2])), Context() with { Packets = new([], false) } })
        {
            var rules = new EaterRules([NoSugar], context);
            var plain = profiles.Select(profile =>
                rules.CheckPortion(Intake.Of(new Helping("", profile, 1)), null).Select(finding => finding.Verdict).RollUp()
            );
            Assert.Equal(plain, new VerdictMatrix(profiles).For([rules])[0]);
        }
    }

    [Fact]
    public void One_rejected_packet_among_others_breaks_and_each_is_named_with_its_day()
    {
        var salty = Bought(Printed("Oats, salt"));
        var printed = Printed("Oats, honey") with { Name = "Bay crackers" };
        var sweet = Packet.ToFood(Guid.NewGuid(), 1, printed, printed.Read(Data.Classes).Value, false, Lexicon, Data.Classes);
        PacketRule Rule(params PacketOpinion[] opinions) => new() { Id = PacketRule.Key, Opinions = new(opinions, true) };
        PacketOpinion Rejected(Food food, string why) => new(food.Key, false, why, new(2026, 11, 3));
        var both = new Intake([.. Eat(salty).Helpings, .. Eat(sweet).Helpings, .. Eat(1, "100 g cod").Helpings]);
        var one = Rule(Rejected(salty, "too salty"));
        Assert.Equal(Verdict.Breaks, one.Check(both, Context()).Verdict);
        Assert.Equal("Packets: Sea crackers, rejected on 3 Nov 2026 (too salty).", one.Check(both, Context()).Because);
        Assert.Equal(Verdict.Breaks, one.JudgePortion(both, null, Context()));
        Assert.Equal(Verdict.Fits, one.JudgePortion(Eat(sweet), null, Context()));
        Assert.Equal(Verdict.Fits, one.JudgePortion(Eat(1, "100 g cod"), null, Context()));
        Assert.Equal("Packets: none in it was rejected.", one.Check(Eat(sweet), Context()).Because);
        Assert.Equal(
            "Packets: Sea crackers, rejected on 3 Nov 2026 (too salty) and Bay crackers, rejected on 3 Nov 2026 (sweet).",
            Rule(Rejected(salty, "too salty"), Rejected(sweet, "sweet")).Check(both, Context()).Because
        );
        Assert.Equal(
            "Packets: 2 rejected, 1 approved",
            Rule(Rejected(salty, "a"), Rejected(sweet, "b"), Approved(sweet) with { Food = "third" }).Sentence(Data.Classes)
        );
    }
}

using Merienda.Core.Foods.Labels;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class AllergyRuleTests
{
    private static EaterRules Allergic(string to, params string[] accepted) =>
        new([], [], new([to], [.. accepted.Select(what => new Acceptance(what, "read"))], []), Data.HouseScheme, Data.Classes, default);

    [Theory]
    [InlineData("tree-nut", "hazelnut", "1 g hazelnuts")]
    [InlineData("dairy", "butter", "1 g butter")]
    [InlineData("gluten-cereal", "soy sauce", "1 ml soy sauce")]
    public void A_trace_is_a_hard_stop_and_no_portion_dilutes_it(string allergy, string _, string line)
    {
        var stop = Allergic(allergy).HardStop(Intake.Of(new("dish", Portion(1000, line, "5 kg potato"), 0.25m)));
        Assert.Equal((Verdict.Breaks, true), (stop!.Verdict, stop.IsHardStop));
    }

    [Fact]
    public void What_nobody_can_read_is_refused_until_it_is_accepted_by_name()
    {
        var dish = Eat(4, "200 g moonfish", "400 g carrot");
        Assert.Equal(Verdict.CannotTell, Allergic("fish").HardStop(dish)!.Verdict);
        Assert.Null(Allergic("fish", "moonfish").HardStop(dish));
        Assert.NotNull(Allergic("fish", "sunfish").HardStop(dish));
        Assert.NotNull(Allergic("fish", "moonfish").HardStop(Eat(4, "200 g moonfish", "200 g cod")));
        Assert.Null(Allergic("fish", "cod").HardStop(Eat(4, "200 g cod")));
    }

    [Fact]
    public void An_optional_line_is_not_eaten_and_a_dish_without_the_allergen_passes()
    {
        Assert.Null(Allergic("fish").HardStop(Eat(2, "200 g chicken breast")));
        Assert.Null(new EaterRules([], [], PersonalLimits.None, Data.HouseScheme, Data.Classes, default).HardStop(Eat(2, "200 g cod")));
    }

    [Fact]
    public void A_dislike_is_said_and_changes_no_verdict()
    {
        var rules = new EaterRules([], [], new([], [], ["celeriac", "fish"]), Data.HouseScheme, Data.Classes, default);
        var finding = Assert.Single(rules.CheckPortion(Eat(2, "200 g cod", "200 g celeriac"), null));
        Assert.Equal((Verdict.Fits, "Dislikes: Cod fillet and Celeriac."), (finding.Verdict, finding.Because));
    }

    [Theory]
    [InlineData(LabelCountry.UnitedStates, "Soybean oil, salt", false, Verdict.Breaks)] // the careful answer is the default
    [InlineData(LabelCountry.UnitedStates, "Soybean oil, salt", true, Verdict.Fits)]
    [InlineData(LabelCountry.UnitedStates, "Soybean oil, salt. Contains: soy", true, Verdict.Breaks)]
    [InlineData(LabelCountry.UnitedStates, "Expeller pressed soybean oil", true, Verdict.Breaks)]
    [InlineData(LabelCountry.UnitedStates, "Soybean oil, soy lecithin", true, Verdict.Breaks)]
    [InlineData(LabelCountry.EuropeanUnion, "Soybean oil, salt", true, Verdict.Breaks)] // not said to be fully refined
    [InlineData(LabelCountry.EuropeanUnion, "Fully refined soybean oil, salt", true, Verdict.Fits)]
    [InlineData(LabelCountry.EuropeanUnion, "Fully refined soya oil, salt", false, Verdict.Breaks)]
    [InlineData(LabelCountry.UnitedKingdom, "Fully refined soya oil", true, Verdict.Fits)]
    [InlineData(LabelCountry.Canada, "Fully refined soybean oil", true, Verdict.Breaks)] // no exemption is known here
    public void Refined_soybean_oil_is_soy_unless_the_eater_trusts_the_law_of_the_label(
        LabelCountry country,
        string statement,
        bool trusts,
        Verdict verdict
    )
    {
        var context = Context() with { Packets = PacketOpinions.None with { TrustsRefinedSoybeanOil = trusts } };
        Assert.Equal(
            verdict,
            new AllergyRule { Id = "allergy", Classes = ["soy"] }
                .Check(Eat(Bought(Printed(statement) with { Country = country })), context)
                .Verdict
        );
    }

    [Fact]
    public void A_bottle_without_a_label_is_soy_whatever_is_trusted() =>
        Assert.Equal(
            Verdict.Breaks,
            new AllergyRule { Id = "allergy", Classes = ["soy"] }
                .Check(
                    Eat(1, "1 tbsp soybean oil"),
                    Context() with
                    {
                        Packets = PacketOpinions.None with { TrustsRefinedSoybeanOil = true },
                    }
                )
                .Verdict
        );

    [Fact]
    public void Of_several_allergies_one_that_may_be_in_it_is_enough_for_a_doubt()
    {
        Verdict Of(Intake intake, params string[] allergies) =>
            new AllergyRule { Id = "allergy", Classes = allergies }
                .Check(intake, Context())
                .Verdict;
        // Packets of rye bread differ in sesame; none of them is known for fish.
        Assert.Equal(Verdict.CannotTell, Of(Eat(1, "1 slice rye bread"), "sesame", "fish"));
        Assert.Equal(Verdict.CannotTell, Of(Eat(1, "1 slice rye bread"), "fish", "sesame"));
        Assert.Equal(Verdict.Fits, Of(Eat(1, "1 slice rye bread"), "fish", "crustacean"));
        // A packet that warns of one of them, and one that names one.
        var warns = Bought(Printed("Rice flour, salt") with { MayContain = "sesame" });
        Assert.Equal(Verdict.CannotTell, Of(Eat(warns), "sesame", "fish"));
        Assert.Equal(Verdict.CannotTell, Of(Eat(warns), "fish", "sesame"));
        Assert.Equal(Verdict.Fits, Of(Eat(warns), "fish", "crustacean"));
        var names = Bought(Printed("Rice flour, sesame, salt"));
        Assert.Equal(Verdict.Breaks, Of(Eat(names), "fish", "sesame"));
    }

    [Theory]
    [InlineData("Oats, spices", "nobody can tell from Sea crackers (spices)")]
    [InlineData("Oats, starch, spices, glimmerdust", "nobody can tell from Sea crackers (spices, glimmerdust, starch)")]
    [InlineData("Oats, spices, glimmerdust, moonsalt, starleaf", "nobody can tell from Sea crackers (spices, glimmerdust, moonsalt)")]
    [InlineData("Oats. May contain mustard.", "Sea crackers: its packet warns of it")]
    [InlineData("Oats, lecithin", null)] // of soya or egg: neither is one of theirs
    [InlineData("Oats, rapeseed oil", null)]
    public void What_a_packet_leaves_open_is_refused_with_its_words(string statement, string? said)
    {
        var rule = new AllergyRule { Id = "allergy", Classes = ["wheat", "mustard"] };
        var finding = rule.Check(Eat(Bought(Printed(statement))), Context());
        Assert.Equal(
            said is null
                ? "Allergy: everything in it is known to be without wheat, mustard."
                : $"Allergy to wheat, mustard: {said}. Refused until that is settled or an adult accepts it by name.",
            finding.Because
        );
    }
}

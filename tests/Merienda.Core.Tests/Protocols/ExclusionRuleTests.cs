using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class ExclusionRuleTests
{
    private static ExclusionRule Rule(string protocol) =>
        Data.Protocol(protocol)!.RulesWith(new Dictionary<string, string>()).OfType<ExclusionRule>().Single();

    [Theory]
    [InlineData("vegan", "200 g tofu", Verdict.Fits)]
    [InlineData("vegan", "1 tbsp ghee", Verdict.Breaks)]
    [InlineData("vegan", "1 tbsp honey", Verdict.Breaks)]
    [InlineData("vegan", "1 tbsp maple syrup", Verdict.Fits)]
    [InlineData("vegan", "1 tbsp peanut butter", Verdict.Fits)] // a name, not a class
    [InlineData("whole-food", "1 tbsp peanut butter", Verdict.Breaks)]
    [InlineData("whole-food", "1 tbsp maple syrup", Verdict.Breaks)]
    [InlineData("whole-food", "100 g buckwheat", Verdict.Breaks)]
    [InlineData("whole-food", "1 tbsp clarified butter", Verdict.Breaks)]
    [InlineData("whole-food", "200 g beef shin", Verdict.Fits)]
    [InlineData("whole-food", "50 ml red wine", Verdict.Breaks)]
    [InlineData("whole-food", "200 g moonfruit", Verdict.CannotTell)]
    public void A_class_is_left_out_whatever_the_name_says(string protocol, string line, Verdict verdict) =>
        Assert.Equal(verdict, Rule(protocol).Check(Eat(1, line), Context()).Verdict);

    [Fact]
    public void A_known_offender_breaks_even_beside_an_unknown_line()
    {
        var finding = Rule("vegan").Check(Eat(1, "2 eggs", "100 g moonfruit"), Context());
        Assert.Equal(Verdict.Breaks, finding.Verdict);
        Assert.Equal("Animal foods: Egg (egg) is left out.", finding.Because);
    }

    [Fact]
    public void An_exception_frees_its_class_and_nothing_else()
    {
        var rule = Rule("whole-food") with { Except = ["green-bean"] };
        Assert.Equal(Verdict.Fits, rule.Check(Eat(1, "100 g green beans"), Context()).Verdict);
        Assert.Equal(Verdict.Breaks, rule.Check(Eat(1, "100 g green peas"), Context()).Verdict);
        // Soy sauce is soy and wheat: freeing soy leaves the wheat.
        Assert.Equal(Verdict.Breaks, (rule with { Except = ["soy"] }).Check(Eat(1, "1 tbsp soy sauce"), Context()).Verdict);
        Assert.Equal(Verdict.Fits, (rule with { Except = ["soy-sauce"] }).Check(Eat(1, "1 tbsp soy sauce"), Context()).Verdict);
    }

    [Fact]
    public void Every_class_that_a_protocol_names_exists() =>
        Assert.All(
            Data.Protocols.SelectMany(protocol => protocol.Rules).OfType<ExclusionRule>().SelectMany(rule => rule.Excludes),
            key => Assert.True(Data.Classes.Knows(key), key)
        );

    [Fact]
    public void Fourteen_protocols_ship_and_read_as_sentences()
    {
        Assert.Equal(
            [
                "after-bariatric",
                "calories-macros",
                "coached-macros",
                "dairy-free",
                "gluten-free",
                "low-carb",
                "low-carb-total",
                "low-fodmap",
                "mediterranean",
                "pescatarian",
                "points",
                "vegan",
                "vegetarian",
                "whole-food",
            ],
            Data.Protocols.Select(protocol => protocol.Id).Order()
        );
        Assert.Equal(
            "Animal foods: no meat, poultry, fish, crustaceans, molluscs, dairy, egg, honey",
            Rule("vegan").Sentence(Data.Classes)
        );
        Assert.All(
            Data.Protocols.SelectMany(protocol => protocol.AllRules),
            rule => Assert.Matches("^[A-Z].*: .+[^.]$|^Size of a meal", rule.Sentence(Data.Classes))
        );
        Assert.All(Data.Protocols, protocol => Assert.Matches(@"\[[MC]\]|House points", protocol.Source));
    }

    [Fact]
    public void A_sentence_names_what_is_allowed_by_class_or_by_key()
    {
        var rule = new ExclusionRule
        {
            Id = "x",
            Name = "Plain",
            Excludes = ["dairy", "egg"],
        };
        Assert.Equal("Plain: no dairy, egg", rule.Sentence(Data.Classes));
        Assert.Equal(
            "Plain: no dairy, egg; clarified butter, feta allowed",
            (rule with { Except = ["clarified-butter", "feta"] }).Sentence(Data.Classes)
        );
        Assert.Equal("Plain: Feta (dairy) is left out.", rule.Check(Eat(1, "100 g feta", "50 g feta"), Context()).Because);
        Assert.Equal("Plain: Feta (dairy) and Egg (egg) are left out.", rule.Check(Eat(1, "100 g feta", "2 eggs"), Context()).Because);
    }

    [Fact]
    public void Allowing_adds_to_what_is_allowed_and_nothing_changes_nothing()
    {
        var rule = new ExclusionRule
        {
            Id = "x",
            Name = "Plain",
            Excludes = ["dairy"],
            Except = ["butter"],
        };
        Assert.Same(rule, rule.Allowing(new HashSet<string>()));
        Assert.Equal(["butter", "feta"], ((ExclusionRule)rule.Allowing(new HashSet<string> { "feta", "butter" })).Except);
    }

    [Fact]
    public void What_a_packet_leaves_open_is_said_and_only_what_matters_to_the_rule()
    {
        var rule = new ExclusionRule
        {
            Id = "x",
            Name = "Plain",
            Excludes = ["gluten-cereal"],
        };
        Finding Of(string statement) => rule.Check(Eat(Bought(Printed(statement))), Context());
        Assert.Equal("Plain: nobody can tell from Sea crackers (glimmerdust, starch).", Of("Rice, starch, glimmerdust").Because);
        Assert.Equal(Verdict.Fits, Of("Rice, lecithin").Verdict); // of soya or egg, which is all one to this rule
        Assert.Equal(
            "Plain: nobody can tell from Sea crackers (glimmerdust, moonsalt, starleaf, skyroot).",
            Of("Rice, glimmerdust, moonsalt, starleaf, skyroot, sunroot").Because
        );
    }
}

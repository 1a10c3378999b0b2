using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

/// <summary>Cut-offs: Varney et al. 2017, J Gastroenterol Hepatol 32 S1, from memory [M].</summary>
public class FodmapRuleTests
{
    private static readonly FodmapRule Rule = (FodmapRule)Data.Protocol("low-fodmap")!.Rules.Single();

    private static Finding Check(params string[] lines) => Rule.Check(Eat(1, lines), Context());

    [Theory]
    [InlineData("oats", FodmapGroup.Fructans, 0.30)]
    [InlineData("walnuts", FodmapGroup.Fructans, 0.30)]
    [InlineData("lentils-cooked", FodmapGroup.Fructans, 0.30)]
    [InlineData("onion", FodmapGroup.Fructans, 0.20)]
    [InlineData("milk-whole", FodmapGroup.Lactose, 1)]
    [InlineData("mushrooms", FodmapGroup.Mannitol, 0.20)]
    [InlineData("apple", FodmapGroup.Sorbitol, 0.20)]
    [InlineData("apple", FodmapGroup.ExcessFructose, 0.15)] // sorbitol is there too
    [InlineData("mango", FodmapGroup.ExcessFructose, 0.40)] // fresh fruit, the only one
    [InlineData("honey", FodmapGroup.ExcessFructose, 0.15)]
    public void Each_kind_of_food_has_its_cut_off(string food, FodmapGroup group, double cutOff) =>
        Assert.Equal((decimal)cutOff, Fodmaps.CutOff(Food(food), group));

    [Theory]
    [InlineData("20.2 g whole milk", Verdict.Fits)] // 0.95 g lactose, at most 0.997
    [InlineData("20.3 g whole milk", Verdict.TooClose)] // at most 1.0018
    [InlineData("22.3 g whole milk", Verdict.TooClose)]
    [InlineData("22.5 g whole milk", Verdict.Breaks)] // at least 1.0046
    public void A_dose_fits_when_it_is_less_than_the_cut_off(string line, Verdict verdict) => Assert.Equal(verdict, Check(line).Verdict);

    [Fact]
    public void A_food_counts_once_over_the_lines_of_a_sitting_and_two_foods_only_stack()
    {
        Assert.Equal(Verdict.Fits, Check("15 g whole milk").Verdict);
        Assert.Equal(Verdict.Breaks, Check("15 g whole milk", "15 g whole milk").Verdict);
        var stacked = Check("15 g whole milk", "16 g semi-skimmed milk");
        Assert.Equal(Verdict.Fits, stacked.Verdict);
        Assert.Contains(
            stacked.Notes,
            note =>
                note.StartsWith("Lactose stack to 1.5 of a cut-off", StringComparison.Ordinal)
                && note.Contains("Semi-skimmed milk", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Infused_oil_carries_no_fructans_and_meat_none_either() =>
        Assert.Equal(Verdict.Fits, Check("3 tbsp olive oil", "300 g beef shin", "2 g salt").Verdict);

    [Fact]
    public void No_data_is_cannot_tell_unless_all_the_carbohydrate_stays_below()
    {
        Assert.Equal(Verdict.CannotTell, Check("100 g acorn squash").Verdict);
        Assert.Equal(Verdict.Fits, Check("1 g acorn squash").Verdict);
        Assert.Equal(Verdict.CannotTell, Check("10 g moonfruit").Verdict);
    }

    [Fact]
    public void The_cure_names_how_much_of_the_food_stays_below_and_that_much_does()
    {
        Assert.Equal("at most 63 g Brussels sprouts at a sitting", Check("150 g Brussels sprouts").Cure);
        Assert.Equal(Verdict.Fits, Check("63 g Brussels sprouts").Verdict);
        Assert.NotEqual(Verdict.Fits, Check("64 g Brussels sprouts").Verdict);
    }

    [Fact]
    public void Sorbitol_and_mannitol_of_one_food_have_a_cut_off_together()
    {
        var rule = Rule with { Groups = ["sorbitol", "mannitol"] };
        Assert.Equal(Verdict.Breaks, rule.Check(Eat(1, "20 g mushrooms"), Context()).Verdict);
        Assert.Equal(Verdict.Fits, (rule with { Groups = ["sorbitol"] }).Check(Eat(1, "20 g mushrooms"), Context()).Verdict);
    }

    [Fact]
    public void A_sub_group_under_trial_or_tolerated_is_free()
    {
        var milk = Eat(1, "250 ml whole milk");
        Assert.Equal(Verdict.Breaks, Rule.Check(milk, Context()).Verdict);
        Assert.Equal(Verdict.Fits, Rule.Allowing(new HashSet<string> { "lactose" }).Check(milk, Context()).Verdict);
    }

    [Fact]
    public void Every_published_row_says_from_memory_and_where_from() =>
        Assert.All(
            Table.Foods.Foods.Where(food => food.Fodmaps is not null),
            food => Assert.EndsWith("from memory", food.Fodmaps!.Source, StringComparison.Ordinal)
        );

    [Theory]
    [InlineData("1 tsp garlic powder or paprika", Verdict.CannotTell)] // one breaks, one fits
    [InlineData("1 tsp paprika or garlic powder", Verdict.CannotTell)] // in either order
    [InlineData("50 g onion or leek", Verdict.Breaks)] // each of them breaks
    [InlineData("1 tbsp olive oil or rapeseed oil", Verdict.Fits)] // each of them fits
    [InlineData("200 ml milk or almond milk", Verdict.CannotTell)]
    [InlineData("300 g wonderdust beef shin", Verdict.CannotTell)] // only likely understood
    [InlineData("50 g onion, optional", Verdict.Breaks)]
    [InlineData("garlic bread, to serve", Verdict.CannotTell)]
    [InlineData("300 g beef shin, brushed with honey", Verdict.CannotTell)]
    [InlineData("50 g salami", Verdict.CannotTell)] // its packets may hold garlic
    public void A_doubt_never_fits(string line, Verdict verdict)
    {
        Assert.Equal(verdict, Check(line).Verdict);
        Assert.Equal(verdict, Rule.JudgePortion(Eat(1, line), null, Context()));
    }

    [Fact]
    public void A_doubt_is_said_with_what_settles_it()
    {
        Assert.Equal("FODMAPs: \"Garlic powder or Paprika\": choose which one is meant.", Check("1 tsp garlic powder or paprika").Because);
        Assert.Equal("FODMAPs: Salami (packets differ: read yours).", Check("50 g salami").Because);
        Assert.Single(Check("50 g salami").Doubts);
    }

    [Fact]
    public void Without_a_restricted_sub_group_no_choice_is_asked_for() =>
        Assert.Equal(
            Verdict.Fits,
            (Rule with { Groups = [] }).Check(Eat(1, "1 tsp garlic powder or paprika", "50 g salami"), Context()).Verdict
        );

    [Theory]
    [InlineData(15.9, Verdict.Fits)]
    [InlineData(16, Verdict.CannotTell)] // up to 0.75 g and 0.5 g of fibre in 100 g: 0.20 g, and less than 0.20 is asked
    public void A_dose_equal_to_its_cut_off_does_not_fit(double grams, Verdict verdict)
    {
        var pickle = Bought(
            Printed("Cucumber, water, salt", (LabelNutrient.Carbohydrate, "0.7"), (LabelNutrient.Sugars, "0"), (LabelNutrient.Fibre, "0"))
        );
        Assert.Equal(verdict, Rule.Check(Eat(pickle, (decimal)grams), Context()).Verdict);
    }

    [Fact]
    public void A_dose_whose_lowest_value_is_the_cut_off_breaks()
    {
        // Whole milk: 4.7 g lactose in 100 g, 5 % either way; the lowest of 1 / 0.04465 g is the cut-off itself.
        var lactose = Fodmaps.ContentOf(Food("milk-whole"), FodmapGroup.Lactose).PerHundredGrams;
        var grams = 100 / lactose.Low;
        Assert.Equal(Verdict.Breaks, Rule.JudgePortion(Eat(Food("milk-whole"), Math.Ceiling(grams * 1_000) / 1_000), null, Context()));
        Assert.Equal(Verdict.TooClose, Rule.JudgePortion(Eat(Food("milk-whole"), Math.Floor(grams * 1_000) / 1_000), null, Context()));
    }

    [Fact]
    public void A_dish_of_which_hardly_anything_stays_below_says_so_and_names_what_limits_it()
    {
        Assert.Contains(Check("2 kg onion").Notes, note => note == "Not even a twentieth of a portion stays below, because of Onion.");
        Assert.Contains(
            Check("10 g whole milk", "100 g beef shin").Notes,
            note => note.StartsWith("The largest portion that stays below is 2", StringComparison.Ordinal)
        );
    }

    [Theory]
    [InlineData(
        "50 g garlic|100 g onion|300 ml whole milk",
        "FODMAPs: Garlic 8.70 g of fructans and GOS, not less than 0.20 g and Whole milk 14.30 g of lactose, not less than 1.00 g at a sitting."
    )] // the two that are furthest over
    [InlineData(
        "22 g whole milk",
        "FODMAPs: Whole milk 1.03 g of lactose (between 0.98 and 1.09) is too close to less than 1.00 g at a sitting."
    )]
    [InlineData("22.5 g whole milk|21 g semi-skimmed milk", "FODMAPs: Whole milk 1.06 g of lactose, not less than 1.00 g at a sitting.")]
    [InlineData("100 g acorn squash", "FODMAPs: no published value for fructans and GOS in Acorn squash.")]
    [InlineData("60 g beef shin", "FODMAPs: every food stays below its cut-offs.")]
    public void The_sentence_names_the_worst_of_the_worst(string lines, string because) =>
        Assert.Equal(because, Check(lines.Split('|')).Because);

    [Fact]
    public void What_is_over_comes_first_and_by_how_much()
    {
        Assert.Equal(
            ["Garlic", "Whole milk", "Onion", "Acorn squash"],
            Check("100 g acorn squash", "100 g onion", "50 g garlic", "300 ml whole milk", "60 g beef shin")
                .Contributors.Select(item => item.Name)
        );
        Assert.Equal(["Onion", "Salami"], Check("50 g salami", "100 g onion").Contributors.Select(item => item.Name));
    }

    [Fact]
    public void The_rule_says_which_sub_groups_it_holds_in_their_order()
    {
        Assert.Equal(["fructans", "lactose", "excessFructose", "sorbitol", "mannitol"], FodmapRule.GroupKeys);
        Assert.Equal(
            "FODMAPs: every food below the cut-off for fructans and GOS, excess fructose at a meal",
            (Rule with { Groups = ["excessFructose", "nonsense", "fructans"] }).Sentence(Data.Classes)
        );
        var none = Rule with { Groups = [] };
        Assert.Equal("FODMAPs: no sub-group is restricted any more", none.Sentence(Data.Classes));
        Assert.Equal("FODMAPs: no sub-group is restricted any more.", none.Check(Eat(1, "100 g onion"), Context()).Because);
    }

    [Theory]
    [InlineData("100 g onion|50 g garlic", "at most 9 g Onion and 1 g Garlic at a sitting")]
    [InlineData("20 g onion|150 g Brussels sprouts", "at most 9 g Onion and 63 g Brussels sprouts at a sitting")]
    [InlineData("100 g onion|15 g inulin", "at most 9 g Onion at a sitting; no Inulin")]
    [InlineData("15 g inulin", "no Inulin")]
    [InlineData("100 g apple", "at most 4 g Apple at a sitting")] // its excess fructose asks for less of it than its sorbitol
    [InlineData("100 g onion|100 g acorn squash", null)] // whatever is done about the onion, the squash can't be told
    [InlineData("100 g onion|50 g salami", null)]
    [InlineData("60 g beef shin", null)]
    public void The_cure_names_all_that_is_over(string lines, string? cure)
    {
        Assert.Equal(cure, Check(lines.Split('|')).Cure);
        if (cure is not null && !cure.Contains("no ", StringComparison.Ordinal))
        {
            var cured = cure["at most ".Length..^" at a sitting".Length].Split(" and ");
            Assert.Equal(Verdict.Fits, Check(cured).Verdict);
        }
    }

    [Fact]
    public void Foods_of_one_sub_group_stack_to_more_than_a_cut_off()
    {
        Assert.Equal(
            ["Lactose stack to 2.4 of a cut-off over the meal: Skimmed milk 0.8, Semi-skimmed milk 0.8, Whole milk 0.7."],
            Stacks("2 g plain yogurt", "15 g whole milk", "16 g semi-skimmed milk", "17 g skimmed milk", "60 g beef shin")
        );
        // Half a cut-off each is one together, and one is not more than one.
        Assert.Empty(Stacks("100 g spinach", "100 g white cabbage"));
        Assert.Single(Stacks("101 g spinach", "100 g white cabbage"));
        // One food alone does not stack, with or without others that hold none.
        Assert.Empty(Stacks("100 g onion", "60 g beef shin"));
        // What is unknown is not added up.
        Assert.Empty(Stacks("12 g whole milk", "100 g acorn squash", "100 g moonfruit"));

        static IEnumerable<string> Stacks(params string[] lines) =>
            Check(lines).Notes.Where(note => note.Contains(" stack to ", StringComparison.Ordinal));
    }

    [Fact]
    public void The_largest_portion_is_of_one_dish_of_which_all_is_known()
    {
        Assert.Equal(
            ["The largest portion that stays below is 2; Whole milk limits it."],
            Check("10 g whole milk", "2 g onion").Notes.Take(1)
        );
        Assert.Empty(Check("10 g whole milk", "100 g acorn squash").Notes);
        Assert.Empty(Check("10 g whole milk", "50 g salami").Notes);
        Assert.Empty(Check("60 g beef shin").Notes);
        var two = new Intake([.. Eat(1, "10 g whole milk").Helpings, .. Eat(1, "5 g onion").Helpings]);
        Assert.Empty(Rule.Check(two, Context()).Notes);
        // Of a batch of four whose half is eaten, half of what the batch holds of it.
        var helping = Eat(4, "40 g whole milk").Helpings[0] with
        {
            Size = 0.5m,
        };
        Assert.Equal(
            "The largest portion that stays below is 2; Whole milk limits it.",
            Assert.Single(Rule.Check(Intake.Of(helping), Context()).Notes)
        );
    }
}

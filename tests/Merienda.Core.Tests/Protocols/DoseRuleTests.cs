using CsCheck;
using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class DoseRuleTests
{
    private static readonly DoseRule Sugar = new()
    {
        Id = "dose",
        Name = "Sugar",
        Classes = ["added-sugar"],
        Counts = "netCarbohydrate",
        Per = Period.Portion,
        AtMost = 0.5m,
    };

    [Fact]
    public void A_dose_answers_both_ways()
    {
        // domain.md section 5: 5.6 g of net carbs at 0.5 g a portion make 12 portions.
        var finding = Sugar.Check(Eat(4, "5.6 g sugar", "400 g cod"), Context());
        Assert.Equal(Verdict.Breaks, finding.Verdict);
        Assert.Equal(
            "5.6 g in the batch: 12 portions would get 0.5 g or less each; 4 portions may hold 2 g in all.",
            Assert.Single(finding.Notes)
        );
    }

    [Theory]
    [InlineData(12, Verdict.Fits)] // 0.467 g, at most 0.49
    [InlineData(11, Verdict.TooClose)] // 0.509 g ± 5 %
    [InlineData(10, Verdict.Breaks)] // 0.56 g, at least 0.532
    public void Both_sides_of_a_dose(int portions, Verdict verdict) =>
        Assert.Equal(verdict, Sugar.Check(Eat(portions, "5.6 g sugar"), Context()).Verdict);

    [Fact]
    public void A_dose_of_the_food_itself_counts_its_grams_and_a_line_nobody_knows_could_be_it()
    {
        var rule = Sugar with { Counts = "food", AtMost = 10 };
        Assert.Equal(Verdict.Fits, rule.Check(Eat(1, "10 g sugar"), Context()).Verdict);
        Assert.Equal(Verdict.Breaks, rule.Check(Eat(1, "10.1 g sugar"), Context()).Verdict);
        Assert.Equal(Verdict.CannotTell, rule.Check(Eat(1, "10 g sugar", "some moonfruit"), Context()).Verdict);
    }

    [Theory]
    [InlineData("20 g sugar or erythritol", Verdict.CannotTell)] // in either order
    [InlineData("20 g erythritol or sugar", Verdict.CannotTell)]
    [InlineData("5 g sugar or honey", Verdict.Fits)] // either of them is within
    [InlineData("20 g sugar or honey", Verdict.Breaks)] // and past it
    [InlineData("100 g wonderdust cod", Verdict.CannotTell)] // only likely cod
    [InlineData("20 g sugar, optional", Verdict.CannotTell)] // whoever takes it is past it
    [InlineData("5 g sugar, optional", Verdict.Fits)]
    [InlineData("50 g sausages", Verdict.CannotTell)] // packets differ
    [InlineData("100 g cod, brushed with honey", Verdict.CannotTell)]
    public void A_doubt_never_fits_a_dose(string line, Verdict verdict)
    {
        var rule = Sugar with { Counts = "food", AtMost = 10 };
        Assert.Equal(verdict, rule.Check(Eat(1, line), Context()).Verdict);
        Assert.Equal(verdict, rule.JudgePortion(Eat(1, line), null, Context()));
    }

    [Fact]
    public void More_of_an_ingredient_never_lowers_a_dose() =>
        Gen.Select(Gen.Decimal[1, 200], Gen.Decimal[0, 200])
            .Sample(
                (grams, more) =>
                {
                    Estimate Dose(decimal amount) => Sugar.Check(Eat(2, $"{amount:0.#} g sugar", "100 g cod"), Context()).Value!.Value;
                    var (less, greater) = (Dose(grams), Dose(grams + more));
                    Assert.True(greater.Best >= less.Best && greater.High >= less.High && greater.Low >= less.Low);
                },
                iter: 200
            );

    [Fact]
    public void Allowing_its_class_lets_go_of_the_dose_and_another_one_does_not()
    {
        var stated = Sugar with { AsksAtMost = true };
        var free = (DoseRule)stated.Allowing(new HashSet<string> { "added-sugar" });
        Assert.Equal((null, false), (free.AtMost, free.AsksAtMost));
        Assert.Same(stated, stated.Allowing(new HashSet<string> { "honey" }));
    }

    [Fact]
    public void Doubts_are_told_where_they_decide()
    {
        var rule = Sugar with { Counts = "food", AtMost = 10 };
        Assert.Equal(
            "Sugar: \"White sugar or Erythritol\": choose which one is meant.",
            rule.Check(Eat(1, "20 g sugar or erythritol"), Context()).Because
        );
        Assert.Single(rule.Check(Eat(1, "20 g sugar or erythritol"), Context()).Doubts);
        Assert.Empty(rule.Check(Eat(1, "20 g sugar", "20 g sugar or erythritol"), Context()).Doubts);
        Assert.Empty(rule.Check(Eat(1, "5 g sugar or erythritol"), Context()).Doubts);
    }

    [Fact]
    public void What_a_portion_gets_of_a_batch_and_of_a_larger_helping()
    {
        var rule = Sugar with { Counts = "food", AtMost = 10 };
        var batch = Eat(4, "60 g sugar", "400 g cod");
        Assert.Equal([("White sugar", 15m)], rule.Check(batch, Context()).Contributors.Select(item => (item.Name, item.Amount)));
        Assert.Equal("5 g less White sugar a portion", rule.Check(batch, Context()).Cure);
        var half = Intake.Of(batch.Helpings[0] with { Size = 0.5m });
        Assert.Equal(
            "60 g in the batch: 6 portions would get 10 g or less each; 4 portions may hold 40 g in all.",
            Assert.Single(rule.Check(half, Context()).Notes)
        );
        Assert.Empty((rule with { AtMost = 0 }).Check(batch, Context()).Notes);
        Assert.Empty(rule.Check(Eat(4, "400 g cod"), Context()).Notes);
        Assert.Empty(rule.Check(new Intake([.. batch.Helpings, .. batch.Helpings]), Context()).Notes);
    }

    [Fact]
    public void Three_unknown_lines_are_named_at_most()
    {
        var rule = Sugar with { Counts = "food", AtMost = 10 };
        var because = rule.Check(Eat(1, "1 firkin", "moonfruit", "sunroot", "starleaf"), Context()).Because;
        Assert.Contains("1 firkin and moonfruit and sunroot;", because, StringComparison.Ordinal);
        Assert.DoesNotContain("starleaf", because, StringComparison.Ordinal);
    }

    [Fact]
    public void A_dose_is_of_the_food_or_of_what_is_weighed_in_grams()
    {
        var options = DoseRule.Described.Fields.Single(field => field.Key == "counts");
        Assert.True(options.IsRequired);
        Assert.Equal(
            ["food", .. MeasureInfo.All.Where(info => info.Unit == "g").Select(info => info.Key).Except(["vegetables"])],
            options.Options!.Select(option => option.Key)
        );
        Assert.Contains("netCarbohydrate", options.Options!.Select(option => option.Key));
        Assert.DoesNotContain("sodium", options.Options!.Select(option => option.Key));
    }
}

using CsCheck;
using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

/// <summary>A search keeps the sums that rules ask for: what a sum refuses the rule refuses, and what it allows the rule's best value allows.</summary>
public class LinearFormTests
{
    private static readonly string[] Meals = ["breakfast", "lunch", "bite", "supper"];

    private static readonly string[] Dishes =
    [
        "120 g cod",
        "150 g beef shin",
        "200 g potato",
        "30 g olive oil",
        "250 g lettuce",
        "80 g red lentils",
    ];

    private static readonly Rule[] Rules =
    [
        new LimitRule
        {
            Id = "energy",
            Measure = Measure.Energy,
            Per = Period.Day,
            AtLeast = 300,
            AtMost = 900,
        },
        new LimitRule
        {
            Id = "carbs",
            Measure = Measure.NetCarbohydrate,
            Per = Period.Day,
            AtMost = 40,
        },
        new EnergyShareRule
        {
            Id = "share",
            Measure = Measure.Fat,
            Per = Period.Day,
            AtLeast = 20,
            AtMost = 45,
        },
        new GramRatioRule
        {
            Id = "ratio",
            Measure = Measure.Protein,
            To = Measure.Fat,
            Per = Period.Day,
            AtLeast = 0.5m,
            AtMost = 4,
        },
        new DoseRule
        {
            Id = "fish",
            Name = "Fish",
            Classes = ["fish"],
            Counts = "food",
            Per = Period.Day,
            AtMost = 150,
        },
        new CountRule
        {
            Id = "count",
            Name = "Fish",
            Classes = ["fish"],
            Grams = 50,
            AtLeast = 1,
            AtMost = 2,
        },
        new PairingRule
        {
            Id = "pair",
            Measure = Measure.Fat,
            AtMost = 20,
            BesideIt = 10,
        },
        new PointsBudgetRule { Id = "points", AtMost = 12 },
    ];

    public static TheoryData<string> Ids => [.. Rules.Select(rule => rule.Id)];

    [Theory]
    [MemberData(nameof(Ids))]
    public void A_sum_and_its_rule_agree(string id)
    {
        var rule = Rules.First(one => one.Id == id);
        var forms = rule.Linear(Context()).ToList();
        Assert.NotEmpty(forms);
        Gen.Int[0, Dishes.Length - 1]
            .Array[1, 4]
            .Select(Gen.Int[3, 6].Array[4])
            .Sample(
                (dishes, sizes) =>
                {
                    var helpings = dishes
                        .Select((dish, at) => At(0, Meals[at], Dishes[dish], Dishes[dish]) with { Size = sizes[at] / 4m })
                        .ToList();
                    var verdict = rule.Check(new Intake(helpings), Context()).Verdict;
                    var isKept = forms.All(form =>
                        helpings.Sum(helping => form.Of(helping).Best) is var sum && !(sum > form.AtMost) && !(sum < form.AtLeast)
                    );
                    // What is too close to call has its best value on one side, and the search may go either way.
                    Assert.True(verdict is Verdict.TooClose || isKept == (verdict == Verdict.Fits), $"{verdict}, kept {isKept}");
                },
                iter: 300
            );
    }

    [Fact]
    public void What_nobody_stated_asks_for_no_sum() =>
        Assert.Empty(
            new LimitRule
            {
                Id = "energy",
                Measure = Measure.Energy,
                Per = Period.Day,
                AsksAtMost = true,
            }.Linear(Context())
        );

    [Fact]
    public void A_rule_of_single_portions_asks_for_no_sum() => Assert.Empty(AtMost(Measure.Energy, 500, Period.Portion).Linear(Context()));

    [Fact]
    public void A_reserve_lets_a_day_go_over_and_the_week_not()
    {
        var forms = new PointsBudgetRule
        {
            Id = "points",
            AtMost = 20,
            Reserve = 14,
        }
            .Linear(Context())
            .ToList();
        Assert.Equal([(Period.Day, 34m), (Period.Week, 14m)], forms.Select(form => (form.Period, form.AtMost!.Value)));
        Assert.Equal([null, new DayAccount(20, 0)], forms.Select(form => form.Account));
    }

    [Theory]
    [InlineData(0, 16, 26, 15, 20, 30)]
    [InlineData(2, 14, 26, 15, 20, 30)]
    [InlineData(100, 11, 26, 15, 20, 30)]
    [InlineData(59, 1, 0, 0, 0, 80)]
    [InlineData(60, 0, 0, 0, 0, 80)]
    [InlineData(0, 0)]
    public void An_account_draws_what_days_are_over_their_budget_and_what_was_carried(int carryOver, int drawn, params int[] days)
    {
        Assert.Equal(drawn, new DayAccount(20, carryOver).Drawn(days.Select(day => (decimal)day)));
    }
}

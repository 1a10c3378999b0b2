using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class PhaseTests
{
    private static readonly Protocol Fodmap = Data.Protocol("low-fodmap")!;
    private static readonly DateOnly Start = new(2026, 9, 1);

    // 28 days of restriction: 1 to 28 September; lactose 29 September to 1 October; base to 4 October; mannitol from 5 October.
    private static PhasePlan Plan(ChallengeOutcome lactose = ChallengeOutcome.Open) =>
        new(
            "low-fodmap",
            Start,
            Start.AddDays(27),
            ["lactose", "mannitol"],
            new Dictionary<string, ChallengeOutcome> { ["lactose"] = lactose }
        );

    [Theory]
    [InlineData(-1, "Starts on 1 September")]
    [InlineData(0, "Restriction, day 1 of 28")]
    [InlineData(27, "Restriction, day 28 of 28")]
    [InlineData(28, "Today: try lactose, 1st day: ¼ cup of milk")]
    [InlineData(30, "Today: try lactose, 3rd day: 1 cup of milk")]
    [InlineData(31, "Back to base after lactose, day 1 of 3")]
    [InlineData(34, "Today: try mannitol, 1st day: ¼ cup of mushrooms")]
    [InlineData(40, "Personal list: what was tolerated is back")]
    public void Each_day_says_where_it_stands(int day, string says) =>
        Assert.Equal(says, PhaseCalendar.On(Plan(), Fodmap.Phases!, Start.AddDays(day)).Says);

    [Theory]
    [InlineData(20, ChallengeOutcome.Open, Verdict.Breaks)]
    [InlineData(29, ChallengeOutcome.Open, Verdict.Fits)] // under trial
    [InlineData(32, ChallengeOutcome.Tolerated, Verdict.Breaks)] // back to base
    [InlineData(35, ChallengeOutcome.Tolerated, Verdict.Breaks)] // another trial: one at a time
    [InlineData(60, ChallengeOutcome.Tolerated, Verdict.Fits)]
    [InlineData(60, ChallengeOutcome.NotTolerated, Verdict.Breaks)]
    [InlineData(60, ChallengeOutcome.Open, Verdict.Breaks)]
    public void What_is_tried_is_free_on_its_days_and_what_is_tolerated_afterwards(int day, ChallengeOutcome outcome, Verdict verdict)
    {
        var rules = new EaterRules(
            [new(Fodmap, new Dictionary<string, string>(), Plan(outcome))],
            [],
            PersonalLimits.None,
            Data.HouseScheme,
            Data.Classes,
            Start.AddDays(day)
        );
        Assert.Equal(verdict, rules.CheckPortion(Eat(1, "250 ml whole milk"), null).Select(finding => finding.Verdict).RollUp());
        Assert.Equal(verdict, rules.On(Start.AddDays(day))[0].Check(Eat(1, "250 ml whole milk"), Context()).Verdict);
    }

    [Theory] // each is left out during the restriction and free on its own day
    [InlineData("legumes", "200 g cooked lentils")]
    [InlineData("grains", "100 g white rice")]
    [InlineData("dairy", "100 g feta")]
    [InlineData("gluten", "50 g bulgur")]
    [InlineData("sugar", "1 tbsp honey")]
    [InlineData("alcohol", "50 ml vodka")]
    public void Every_reintroduction_sets_its_food_free_for_its_day(string challenge, string line)
    {
        var whole = Data.Protocol("whole-food")!;
        PhasePlan plan = new("whole-food", Start, Start.AddDays(29), [challenge], new Dictionary<string, ChallengeOutcome>());
        Verdict On(int day) =>
            new EaterRules(
                [new(whole, new Dictionary<string, string>(), plan)],
                [],
                PersonalLimits.None,
                Data.HouseScheme,
                Data.Classes,
                Start.AddDays(day)
            )
                .CheckPortion(Eat(1, line), null)
                .Single()
                .Verdict;
        Assert.Equal((Verdict.Breaks, Verdict.Fits, Verdict.Breaks), (On(29), On(30), On(31)));
    }

    [Fact]
    public void The_calendar_has_no_gap_and_no_overlap()
    {
        var stretches = PhaseCalendar.Stretches(Plan(), Fodmap.Phases!);
        Assert.All(stretches.Zip(stretches.Skip(1)), pair => Assert.Equal(pair.First.Last.AddDays(1), pair.Second.First));
        Assert.Equal(DateOnly.MaxValue, stretches[^1].Last);
    }

    [Theory]
    [InlineData(13, null)]
    [InlineData(12, "phase-length")]
    [InlineData(41, null)]
    [InlineData(42, "phase-length")]
    [InlineData(-1, "phase-backwards")]
    public void A_restriction_has_a_shortest_and_a_longest_length(int lastDay, string? code) =>
        Assert.Equal(code, ProtocolCheck.WrongPlan(Plan() with { RestrictionEnds = Start.AddDays(lastDay) }, Fodmap.Phases!)?.Code);

    [Fact]
    public void A_stage_holds_from_its_date_on()
    {
        var clinic = Data.Protocol("after-bariatric")!;
        Allowance Size(decimal most, DateOnly from) => new(clinic.Id, "meal-size", null, most, from);
        var rules = new EaterRules(
            [new(clinic, new Dictionary<string, string>())],
            [Size(100, default), Size(200, Start)],
            PersonalLimits.None,
            Data.HouseScheme,
            Data.Classes,
            Start
        );
        decimal? On(DateOnly date) => rules.On(date).OfType<MealSizeRule>().Single().AtMost;
        Assert.Equal((100m, 200m, 200m), (On(Start.AddDays(-1)), On(Start), On(Start.AddYears(1))));
    }

    private static readonly PhaseSchedule Trials = new(
        7,
        60,
        [
            new("gos", "GOS", ["fructans"], 14, 0, ["a bean"]),
            new("x", "X", ["lactose"], 113, 2, []),
            new("none", "None of it", [], 1, 1, []),
        ]
    );

    [Theory]
    [InlineData(28, "Today: try GOS, 1st day: a bean")]
    [InlineData(29, "Today: try GOS, 2nd day")] // nobody says how much
    [InlineData(38, "Today: try GOS, 11th day")]
    [InlineData(39, "Today: try GOS, 12th day")]
    [InlineData(40, "Today: try GOS, 13th day")]
    [InlineData(41, "Today: try GOS, 14th day")]
    [InlineData(42, "Today: try x, 1st day")] // at once: no days back to base
    [InlineData(62, "Today: try x, 21st day")]
    [InlineData(63, "Today: try x, 22nd day")]
    [InlineData(64, "Today: try x, 23rd day")]
    [InlineData(152, "Today: try x, 111th day")]
    [InlineData(154, "Today: try x, 113th day")]
    [InlineData(155, "Back to base after x, day 1 of 2")]
    [InlineData(157, "Today: try none of it, 1st day")]
    [InlineData(159, "Personal list: what was tolerated is back")]
    public void Names_and_numbers_are_said_as_one_says_them(int day, string says)
    {
        var plan = Plan() with { Order = ["gos", "nonsense", "x", "none"], Outcomes = new Dictionary<string, ChallengeOutcome>() };
        Assert.Equal(says, PhaseCalendar.On(plan, Trials, Start.AddDays(day)).Says);
    }

    [Fact]
    public void On_the_personal_list_only_what_was_tolerated_is_free()
    {
        var plan = Plan() with
        {
            Order = ["gos", "x"],
            Outcomes = new Dictionary<string, ChallengeOutcome>
            {
                ["gos"] = ChallengeOutcome.Tolerated,
                ["x"] = ChallengeOutcome.NotTolerated,
            },
        };
        Assert.Equal(["fructans"], PhaseCalendar.On(plan, Trials, Start.AddDays(200)).Allowed);
        Assert.Equal(["lactose"], PhaseCalendar.On(plan, Trials, Start.AddDays(42)).Allowed);
        Assert.Empty(PhaseCalendar.On(plan, Trials, Start.AddDays(155)).Allowed);
        Assert.Empty(PhaseCalendar.On(plan, Trials, Start).Allowed);
    }
}

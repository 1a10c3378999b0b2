using CsCheck;
using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Filling;

/// <summary>Energy or fat that goes over from one meal of a day to another.</summary>
public class MealShiftTests
{
    private static readonly Batch Beef = Planning.Cooked.Batch("A", Sunday, 4),
        Cod = Planning.Cooked.Batch("B", Sunday, 4);

    private static readonly Dictionary<Guid, PortionProfile> Profiles = new()
    {
        // About 520 and 280 kcal a portion.
        [Beef.Id] = PortionProfile.Of([Line("300 g beef shin")], 1),
        [Cod.Id] = PortionProfile.Of([Line("350 g cod")], 1),
    };

    private static Eater Eats(params Rule[] rules) =>
        new(
            Guid.NewGuid(),
            "Ilse",
            new EaterRules(rules, new RuleContext(Data.HouseScheme, Data.Classes)),
            [EaterMeal.Daily("lunch", 0.5m), EaterMeal.Daily("supper", 0.5m)],
            Rhythm.Usual
        );

    private sealed record Day(WeekPlan Plan, Eater Eater, IReadOnlyList<OnMeal> OnMeals)
    {
        public static Day Of(Eater eater, decimal lunch = 1, decimal supper = 1)
        {
            var plan = new WeekPlan(Sunday, [Beef, Cod], [], [])
                .Place(Cod.Id, new(Sunday, "lunch", eater.Id), lunch, Guid.NewGuid)
                .Value.Place(Beef.Id, new(Sunday, "supper", eater.Id), supper, Guid.NewGuid)
                .Value;
            return With(plan, eater);
        }

        public static Day With(WeekPlan plan, Eater eater) =>
            new(
                plan,
                eater,
                [
                    .. plan.Servings.SelectMany(
                        serving => serving.Draws,
                        (serving, draw) =>
                            new OnMeal(
                                serving.Cell,
                                draw,
                                new Helping(plan.BatchWithId(draw.Batch)!.Letter, Profiles[draw.Batch], draw.Size.Amount)
                            )
                    ),
                ]
            );

        private EaterDay Ledger =>
            new(
                Sunday,
                Eater,
                [
                    .. Rhythm.Usual.Meals.Select(slot => new PlannedMeal(
                        slot,
                        [.. OnMeals.Where(one => one.Cell.Meal == slot.Key).Select(one => one.Helping with { At = new(Sunday, slot) })]
                    )),
                ]
            );

        public Result<MealShifted> Shift(
            string from = "supper",
            string to = "lunch",
            Measure measure = Measure.Energy,
            DateOnly? today = null
        ) => Plan.Shift(new(Sunday, Eater.Id, measure, from, to), Ledger, OnMeals, today ?? Sunday);

        public decimal Amount(Measure measure, string? meal = null) =>
            OnMeals.Where(one => meal is null || one.Cell.Meal == meal).Sum(one => Intake.Of(one.Helping).Sum(measure).Best);

        public decimal Size(string meal) => ((Draw)OnMeals.Single(one => one.Cell.Meal == meal).Item).Size.Amount;
    }

    [Theory]
    [InlineData("supper", "lunch", Measure.Energy, 100)]
    [InlineData("lunch", "supper", Measure.Energy, 100)]
    public void About_a_step_goes_over_and_the_day_stays_about_the_same(string from, string to, Measure measure, decimal step)
    {
        var day = Day.Of(Eats());
        var shifted = day.Shift(from, to, measure).Value;
        var then = Day.With(shifted.Plan, day.Eater);
        Assert.InRange(shifted.Moved, 0.4m * step, 2 * step);
        Assert.Equal(shifted.Moved, day.Amount(measure, from) - then.Amount(measure, from));
        Assert.InRange(then.Amount(measure) - day.Amount(measure), -0.4m * step, 0.4m * step);
        Assert.True(then.Size(from) < 1 && then.Size(to) > 1);
        Assert.Equal($"About {Math.Round(shifted.Moved)} kcal went from {from} to {to}", shifted.Says);
        // There were portions loose: nothing more is cooked.
        Assert.Equal(day.Plan.Batches, shifted.Plan.Batches);
    }

    [Fact]
    public void Whatever_the_sizes_are_a_shift_keeps_the_day_and_what_is_cooked() =>
        Gen.Select(Gen.Int[2, 8], Gen.Int[2, 8], Gen.Bool)
            .Sample(
                (lunch, supper, isBack) =>
                {
                    var day = Day.Of(Eats(), lunch / 4m, supper / 4m);
                    var asked = isBack ? day.Shift("lunch", "supper") : day.Shift();
                    if (asked.Refusal is not null)
                    {
                        return;
                    }

                    var then = Day.With(asked.Value.Plan, day.Eater);
                    Assert.InRange(then.Amount(Measure.Energy) - day.Amount(Measure.Energy), -40, 40);
                    Assert.All(then.Plan.Batches, batch => Assert.True(then.Plan.Loose(batch) >= 0));
                    Assert.All(["lunch", "supper"], meal => Assert.InRange(then.Size(meal), 0.5m, 2));
                },
                iter: 60
            );

    [Fact]
    public void Nothing_that_is_kept_breaks_and_what_breaks_already_does_not_stand_in_the_way()
    {
        static Rule AtMost(decimal kcal) =>
            new LimitRule
            {
                Id = "meal",
                Measure = Measure.Energy,
                Per = Period.Meal,
                AtMost = kcal,
            };
        var lunch = Day.Of(Eats()).Amount(Measure.Energy, "lunch");
        Assert.Equal("nothing-to-shift", Day.Of(Eats(AtMost(lunch + 20))).Shift().Refusal!.Code);
        Assert.Null(Day.Of(Eats(AtMost(lunch / 2))).Shift().Refusal);
    }

    [Fact]
    public void A_batch_that_is_still_to_be_cooked_grows_by_what_is_lacking()
    {
        var eater = Eats();
        var day = Day.Of(eater);
        var full = Enumerable
            .Range(1, 3)
            .Aggregate(day.Plan, (plan, at) => plan.Place(Cod.Id, new(Sunday.AddDays(at), "lunch", eater.Id), 1, Guid.NewGuid).Value);
        day = Day.With(full, eater) with { OnMeals = day.OnMeals };
        Assert.Equal(5, day.Shift().Value.Plan.BatchWithId(Cod.Id)!.Portions);
        Assert.Equal("nothing-to-shift", day.Shift(today: Sunday.AddDays(1)).Refusal!.Code);
    }

    [Fact]
    public void What_can_not_change_says_so()
    {
        var day = Day.Of(Eats());
        Assert.Equal(("not-shifted", "measure"), CodeOf(day.Shift(measure: Measure.Protein)));
        Assert.Equal(("nothing-to-shift", "to"), CodeOf(day.Shift("lunch", "lunch")));
        Assert.Equal(("nothing-to-shift", "from"), CodeOf(day.Shift("bite")));
        Assert.Equal(("nothing-to-shift", "to"), CodeOf(day.Shift("lunch", "bite")));
        var locked = day.Plan with
        {
            Servings = [.. day.Plan.Servings.Select(serving => serving with { IsLocked = serving.Cell.Meal == "supper" })],
        };
        Assert.Equal(("nothing-to-shift", "from"), CodeOf((day with { Plan = locked }).Shift()));
        var boxed = day.Plan.Portion(Cod.Id, [], (DateTimeOffset.UnixEpoch, Sunday), Guid.NewGuid).Value;
        Assert.Equal(("nothing-to-shift", "to"), CodeOf((day with { Plan = boxed }).Shift()));
    }

    private static (string, string) CodeOf(Result<MealShifted> shifted) => (shifted.Refusal!.Code, shifted.Refusal.Field);
}

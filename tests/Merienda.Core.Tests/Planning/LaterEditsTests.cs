using Merienda.Core.Keeping;
using Merienda.Core.Planning;

namespace Merienda.Core.Tests.Planning;

/// <summary>A salad that keeps two days and does not freeze: Saturday's is past its time from Tuesday on.</summary>
public class LaterEditsTests
{
    private static readonly DateOnly Sunday = new(2026, 11, 22);
    private static readonly DateOnly Saturday = Sunday.AddDays(-1);
    private static readonly DateOnly Wednesday = Sunday.AddDays(3);
    private static readonly Guid Eater = Guid.NewGuid();
    private static readonly KeepingClass Short = KeepingClass.WithKey("dressed-salad")! with { FridgeDays = 2 };

    private static Batch Salad(decimal portions = 6) => Cooked.Batch("A", Saturday, portions) with { Keeping = Short };

    private static WeekPlan Week(Batch batch, params int[] days)
    {
        var plan = new WeekPlan(Sunday, [batch], [], []) { Sessions = [Rhythm.Usual.SessionOn(Saturday, Sunday, Guid.NewGuid())] };
        return days.Aggregate(
            plan,
            (sofar, day) => sofar.Place(batch.Id, new Cell(Sunday.AddDays(day), "supper", Eater), 1, Guid.NewGuid).Value
        );
    }

    private static readonly int Last = Short.EatBy(Saturday).DayNumber - Sunday.DayNumber;

    [Fact]
    public void What_keeps_needs_no_later_session() => Assert.Null(Week(Salad(), 0, Last).LaterSession(Salad(), Saturday));

    [Fact]
    public void The_last_session_before_the_first_late_meal_is_offered_when_it_is_still_to_come()
    {
        var batch = Salad();
        var plan = Week(batch, 0, 4, 5);
        Assert.Equal(Wednesday, plan.LaterSession(batch, Saturday));
        Assert.Equal(Wednesday, plan.LaterSession(batch, Wednesday));
        Assert.Null(plan.LaterSession(batch, Wednesday.AddDays(1)));
        var between = Week(batch, 0, Last + 1);
        Assert.True(Sunday.AddDays(Last + 1) < Wednesday);
        Assert.Null(between.LaterSession(batch, Saturday));
        Assert.Equal("no-later-session", between.CookLater(batch.Id, Saturday, Guid.NewGuid).Refusal?.Code);
    }

    [Fact]
    public void The_late_portions_become_a_batch_of_the_later_session_and_the_first_is_that_much_smaller()
    {
        var batch = Salad();
        var plan = Week(batch, 0, 4, 5).CookLater(batch.Id, Saturday, Guid.NewGuid).Value;
        var (first, later) = (plan.Batches[0], plan.Batches[1]);
        Assert.Equal(("A", Saturday, 4m), (first.Letter, first.Cooked, first.Portions));
        Assert.Equal(("B", Wednesday, 2m), (later.Letter, later.Cooked, later.Portions));
        Assert.Equal([0], plan.DrawsOf(first.Id).Select(item => item.Serving.Cell.Date.DayNumber - Sunday.DayNumber));
        Assert.Equal([4, 5], plan.DrawsOf(later.Id).Select(item => item.Serving.Cell.Date.DayNumber - Sunday.DayNumber));
        Assert.All(plan.DrawsOf(later.Id), item => Assert.Contains(later.Lots, lot => lot.Id == item.Draw.Lot));
        Assert.Equal((3m, 0m), (plan.Loose(first), plan.Loose(later)));
        Assert.True(plan.IsCookedForIt(later));
        Assert.Null(plan.LaterSession(first, Saturday));
    }

    [Fact]
    public void What_would_be_too_old_from_there_too_stays()
    {
        var batch = Salad();
        var beyond = Short.EatBy(Wednesday).DayNumber - Sunday.DayNumber + 1;
        Assert.InRange(beyond, 5, 6);
        var plan = Week(batch, 0, 4, beyond).CookLater(batch.Id, Saturday, Guid.NewGuid).Value;
        Assert.Equal(1m, plan.Batches[1].Portions);
        Assert.Equal(2, plan.DrawsOf(batch.Id).Count());
    }

    [Fact]
    public void When_all_of_it_is_late_the_batch_itself_is_cooked_later()
    {
        var batch = Salad();
        var plan = Week(batch, 4, 5).CookLater(batch.Id, Saturday, Guid.NewGuid).Value;
        Assert.Equal((batch.Id, Wednesday, 6m), (plan.Batches.Single().Id, plan.Batches[0].Cooked, plan.Batches[0].Portions));
    }

    [Fact]
    public void No_batch_is_less_than_a_portion()
    {
        var batch = Salad(1);
        var plan = Week(batch);
        foreach (var day in new[] { 0, 4 })
        {
            plan = plan.Place(batch.Id, new Cell(Sunday.AddDays(day), "supper", Eater), 0.5m, Guid.NewGuid).Value;
        }

        var split = plan.CookLater(batch.Id, Saturday, Guid.NewGuid).Value;
        Assert.Equal([1m, 1m], split.Batches.Select(one => one.Portions));
        Assert.Equal([0.5m, 0.5m], split.Batches.Select(split.Loose));
    }

    [Fact]
    public void Two_variants_stay_two_and_one_that_is_all_late_goes_along()
    {
        var (plain, mild) = (new Lot(Guid.NewGuid(), null, 1), new Lot(Guid.NewGuid(), "mild", 1));
        var batch = new Batch(Guid.NewGuid(), "A", Saturday, [plain, mild]) { Keeping = Short };
        Serving At(int day, Lot lot) =>
            new(Guid.NewGuid(), new Cell(Sunday.AddDays(day), "supper", Eater), [new Draw(Guid.NewGuid(), batch.Id, lot.Id, new(1))]);
        var plan = Week(batch) with { Servings = [At(0, plain), At(4, mild)] };
        var split = plan.CookLater(batch.Id, Saturday, Guid.NewGuid).Value;
        Assert.Equal([null], split.Batches[0].Lots.Select(lot => lot.Variant));
        Assert.Equal(["mild"], split.Batches[1].Lots.Select(lot => lot.Variant));
    }

    [Fact]
    public void What_is_in_boxes_or_gone_is_refused()
    {
        var batch = Salad() with { PortionedOn = Saturday };
        Assert.Equal("batch-portioned", Week(batch).CookLater(batch.Id, Saturday, Guid.NewGuid).Refusal?.Code);
        Assert.Equal("batch-gone", Week(batch).CookLater(Guid.NewGuid(), Saturday, Guid.NewGuid).Refusal?.Code);
    }
}

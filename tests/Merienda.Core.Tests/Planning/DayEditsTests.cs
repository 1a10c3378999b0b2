using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Planning;

public class DayEditsTests
{
    private static readonly DateOnly Sunday = new(2026, 11, 22);
    private static readonly Guid Eater = Guid.NewGuid();

    private static Cell Cell(int day, string meal = "supper") => new(Sunday.AddDays(day), meal, Eater);

    private static Batch Cook(decimal portions, int day = -1) => Cooked.Batch("B", Sunday.AddDays(day), portions);

    private static WeekPlan Week(params Batch[] batches) => new(Sunday, batches, [], []);

    private static WeekPlan Place(WeekPlan plan, Batch batch, Cell cell, decimal size = 1) =>
        plan.Place(batch.Id, cell, size, Guid.NewGuid).Value;

    private static ReadyFood Banana() =>
        new(Guid.NewGuid(), RecipeLine.From("1 banana", new FoodMatcher([], FoodWords.None, []), MeasureSystem.Metric));

    private static int Things(WeekPlan plan, Cell cell) => plan.At(cell)?.Items.Count ?? 0;

    [Fact]
    public void A_row_is_filled_from_the_day_it_is_cooked_while_portions_are_loose_and_meals_free()
    {
        var batch = Cook(4, 2);
        var plan = Week(batch).Say(Cell(3), ServingState.Out, false, "", Guid.NewGuid).Value;
        plan = plan.AddReady(Cell(4), Banana(), Guid.NewGuid).Value;
        plan = plan.PlaceRow(batch.Id, "supper", Eater, 1, [batch.Lots[0].Id], Guid.NewGuid).Value;
        Assert.Equal([0, 0, 1, 0, 1, 1, 1], Enumerable.Range(0, 7).Select(day => Things(plan, Cell(day))));
        Assert.Equal(1m, plan.Loose(batch));
        Assert.Equal("row-full", plan.PlaceRow(batch.Id, "supper", Eater, 1, [batch.Lots[0].Id], Guid.NewGuid).Refusal?.Code);
        Assert.Equal("batch-gone", plan.PlaceRow(Guid.NewGuid(), "supper", Eater, 1, [], Guid.NewGuid).Refusal?.Code);
    }

    [Fact]
    public void A_day_is_repeated_as_far_as_portions_go_with_the_same_sizes_and_what_is_bought_too()
    {
        var batch = Cook(3);
        var plan = Place(Week(batch), batch, Cell(1), 1.5m).AddReady(Cell(1), Banana(), Guid.NewGuid).Value;
        plan = plan.RepeatDay(Sunday.AddDays(1), Sunday.AddDays(2), Cooked.ForAll, Guid.NewGuid).Value;
        Assert.Equal((2, 1.5m, 0m), (Things(plan, Cell(2)), plan.At(Cell(2))!.Draws.Single().Size.Amount, plan.Loose(batch)));
        // Nothing is loose any more: the third day gets the banana only, and a taken day nothing.
        var third = plan.RepeatDay(Sunday.AddDays(1), Sunday.AddDays(3), Cooked.ForAll, Guid.NewGuid).Value;
        Assert.Equal(1, Things(third, Cell(3)));
        Assert.Equal("nothing-to-repeat", plan.RepeatDay(Sunday.AddDays(1), Sunday.AddDays(2), Cooked.ForAll, Guid.NewGuid).Refusal?.Code);
        Assert.Equal(
            "nothing-to-repeat",
            plan.RepeatDay(Sunday.AddDays(1), Sunday.AddDays(3), Cooked.ForNobody, Guid.NewGuid).Refusal?.Code
        );
    }

    [Fact]
    public void Two_days_change_places_with_all_that_is_said_of_them_and_locked_meals_stay()
    {
        var batch = Cook(4);
        var plan = Place(Place(Week(batch), batch, Cell(1)), batch, Cell(1, "lunch"));
        plan = plan.Say(Cell(2), ServingState.Out, false, "at Nora's", Guid.NewGuid).Value;
        plan = plan.Say(Cell(1, "lunch"), ServingState.Planned, true, "", Guid.NewGuid).Value;
        var swapped = plan.SwapDays(Sunday.AddDays(1), Sunday.AddDays(2)).Value;
        Assert.Equal((0, ServingState.Out, "at Nora's"), (Things(swapped, Cell(1)), swapped.At(Cell(1))!.State, swapped.At(Cell(1))!.Note));
        Assert.Equal((1, ServingState.Planned), (Things(swapped, Cell(2)), swapped.At(Cell(2))!.State));
        Assert.Equal((1, 0), (Things(swapped, Cell(1, "lunch")), Things(swapped, Cell(2, "lunch"))));
        Assert.Equal(2m, swapped.Loose(batch));
        var back = swapped.SwapDays(Sunday.AddDays(1), Sunday.AddDays(2)).Value;
        Assert.Equal((1, "at Nora's"), (Things(back, Cell(1)), back.At(Cell(2))!.Note));
        Assert.Equal("days-not-two", plan.SwapDays(Sunday, Sunday).Refusal?.Code);
        Assert.Equal("days-not-two", plan.SwapDays(Sunday, Sunday.AddDays(7)).Refusal?.Code);
    }

    [Fact]
    public void Days_do_not_change_places_when_something_would_be_eaten_before_it_is_cooked()
    {
        var batch = Cook(2, 2);
        var plan = Place(Week(batch), batch, Cell(4));
        Assert.False(plan.SwapDays(Sunday.AddDays(4), Sunday.AddDays(2)).IsRefused);
        Assert.Equal("not-cooked-yet", plan.SwapDays(Sunday.AddDays(4), Sunday.AddDays(1)).Refusal?.Code);
    }

    [Fact]
    public void A_portion_is_made_as_large_as_the_day_allows_and_the_batch_has()
    {
        var batch = Cook(3);
        var plan = Place(Week(batch), batch, Cell(1));
        var draw = plan.At(Cell(1))!.Draws.Single();
        WeekPlan Fit(decimal most) => plan.FitDay(draw.Id, one => one.Size.Amount <= most ? Verdict.Fits : Verdict.Breaks).Value;
        Assert.Equal(1.75m, Fit(1.75m).At(Cell(1))!.Draws.Single().Size.Amount);
        Assert.Equal(0.25m, Fit(0.4m).At(Cell(1))!.Draws.Single().Size.Amount);
        Assert.Equal(3m, Fit(4).At(Cell(1))!.Draws.Single().Size.Amount);
        Assert.Equal("nothing-fits", plan.FitDay(draw.Id, _ => Verdict.Breaks).Refusal?.Code);
        Assert.Equal("item-gone", plan.FitDay(Guid.NewGuid(), _ => Verdict.Fits).Refusal?.Code);
        // Where the day would take it and the meal does not, the meal's reason is said.
        var locked = plan.Say(Cell(1), ServingState.Planned, true, "", Guid.NewGuid).Value;
        Assert.Equal(
            locked.ChangeSize(draw.Id, draw.Size, new(0.25m)).Refusal,
            locked.FitDay(draw.Id, one => one.Size.Amount == 0.25m ? Verdict.Fits : Verdict.Breaks).Refusal
        );
    }

    [Fact]
    public void A_later_week_is_filled_like_this_one_where_its_meals_are_free_and_the_rest_is_counted()
    {
        var (soup, bread) = (Cook(4), Cook(2));
        var earlier = Place(Place(Week(soup, bread), soup, Cell(1), 1.5m), bread, Cell(1, "lunch"));
        earlier = earlier.AddReady(Cell(2), Banana(), Guid.NewGuid).Value;
        var again = soup with { Id = Guid.NewGuid(), Cooked = soup.Cooked.AddDays(7), Lots = [new(Guid.NewGuid(), null, 4)] };
        var later = new WeekPlan(Sunday.AddDays(7), [again], [], []);
        var batches = new Dictionary<Guid, Guid> { [soup.Id] = again.Id };
        var (plan, placed, left) = later.FillFrom(earlier, batches, Cooked.ForAll, Guid.NewGuid);
        Assert.Equal((2, 1), (placed, left));
        Assert.Equal(1.5m, plan.At(Cell(8))!.Draws.Single().Size.Amount);
        Assert.Equal((1, 2.5m), (Things(plan, Cell(9)), plan.Loose(again)));
        Assert.Equal(
            (0, 3),
            later.FillFrom(earlier, batches, Cooked.ForNobody, Guid.NewGuid) is var none ? (none.Placed, none.Left) : default
        );
        var taken = later.Say(Cell(8), ServingState.Out, false, "", Guid.NewGuid).Value;
        Assert.Equal(
            (1, 2),
            taken.FillFrom(earlier, batches, Cooked.ForAll, Guid.NewGuid) is var some ? (some.Placed, some.Left) : default
        );
    }
}

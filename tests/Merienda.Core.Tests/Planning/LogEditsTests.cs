using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Planning.BoxWeek;

namespace Merienda.Core.Tests.Planning;

/// <summary>The day as it goes: eaten, left out, taken back, eaten besides.</summary>
public class LogEditsTests
{
    private static readonly Moment Monday = new(Noon.AddDays(1), Sunday.AddDays(1));

    private static ReadyFood Bread() =>
        new(Guid.NewGuid(), RecipeLine.From("50 g rye bread", new FoodMatcher([], FoodWords.None, []), MeasureSystem.Metric));

    private static Result<WeekPlan> Log(WeekPlan plan, ServingItem item, decimal? share, int day = 1) =>
        plan.Log(Cell(day), [new(item.Id, share)], Kinds, Monday, Guid.NewGuid);

    private static WeekPlan WithBread(WeekPlan plan, int day = 1) => plan.AddReady(Cell(day), Bread(), Guid.NewGuid).Value;

    private static ServingItem Last(WeekPlan plan, int day = 1) => plan.At(Cell(day))!.Items[^1];

    private static ServingState StateAt(WeekPlan plan, int day = 1) => plan.At(Cell(day))!.State;

    [Fact]
    public void What_is_bought_is_eaten_in_shares_and_the_meal_follows_from_its_things()
    {
        var plan = WithBread(WithBread(Week()));
        var (first, second) = (plan.At(Cell(1))!.Items[0], plan.At(Cell(1))!.Items[1]);
        var one = Log(plan, first, 1).Value;
        Assert.Equal(ServingState.Planned, StateAt(one));
        Assert.True(one.At(Cell(1))!.IsSaid);
        Assert.Equal(ServingState.Eaten, StateAt(Log(one, second, 1.5m).Value));
        Assert.Equal(ServingState.Partly, StateAt(Log(one, second, 0.99m).Value));
        Assert.Equal(ServingState.Partly, StateAt(Log(one, second, 0).Value));
        var none = Log(Log(plan, first, 0).Value, second, 0).Value;
        Assert.Equal(ServingState.Skipped, StateAt(none));
        Assert.Equal(ServingState.Planned, StateAt(Log(none, second, null).Value));
        Assert.False(Log(Log(none, first, null).Value, second, null).Value.At(Cell(1))!.IsSaid);
    }

    [Theory]
    [InlineData(-0.01, true)]
    [InlineData(0, false)]
    [InlineData(3, false)]
    [InlineData(3.01, true)]
    public void Of_what_is_bought_up_to_three_times_are_eaten(double share, bool isRefused)
    {
        var plan = WithBread(Week());
        Assert.Equal(isRefused ? "log-share-out-of-range" : null, Log(plan, Last(plan), (decimal)share).Refusal?.Code);
    }

    [Fact]
    public void Of_a_share_of_a_batch_no_more_than_all_is_eaten()
    {
        var plan = Place(Week(Cook(2)), 1);
        Assert.Equal("log-share-out-of-range", Log(plan, Last(plan), 1.01m).Refusal?.Code);
        Assert.Equal("item-gone", Log(plan, Last(plan), 1, 2).Refusal?.Code);
        Assert.Equal("out-of-week", Log(plan, Last(plan), 1, 7).Refusal?.Code);
    }

    [Fact]
    public void The_first_meal_that_is_eaten_of_a_batch_fills_its_boxes()
    {
        var plan = Place(Place(Week(Cook(3)), 1), 2);
        var eaten = Log(plan, Last(plan), 1).Value;
        var batch = eaten.Batches[0];
        Assert.Equal((Sunday.AddDays(1), 3), (batch.PortionedOn, eaten.Containers.Count));
        Assert.Equal((ServingState.Eaten, ServingState.Planned, 1m), (StateAt(eaten), StateAt(eaten, 2), eaten.Loose(batch)));
        Assert.Equal(1, eaten.ShareEaten(eaten.At(Cell(1))!, Last(eaten)));
    }

    [Fact]
    public void What_is_still_to_be_cooked_is_left_out_and_not_eaten_until_it_is_in_its_boxes()
    {
        var plan = Place(Week(Cook(2)), 1);
        var friday = Monday with { On = Sunday.AddDays(-2) };
        Result<WeekPlan> On(Moment day, WeekPlan of, decimal share) =>
            of.Log(Cell(1), [new(Last(plan).Id, share)], Kinds, day, Guid.NewGuid);
        Assert.Equal("not-cooked-yet", On(friday, plan, 1).Refusal?.Code);
        Assert.False(On(friday, plan, 0).IsRefused);
        Assert.False(On(friday with { On = Sunday.AddDays(-1) }, plan, 1).IsRefused);
        Assert.False(On(friday, Portion(plan), 1).IsRefused);
        var planned = plan.BoxesOf(plan.Batches[0])[^1].Id;
        Assert.Equal("not-cooked-yet", plan.LogBox(Cell(1), (plan.Batches[0].Id, planned), 1, Kinds, friday, Guid.NewGuid).Refusal?.Code);
    }

    [Fact]
    public void A_share_in_grams_is_eaten_whole_though_its_box_is_a_crumb_short()
    {
        var plan = Place(Week(Cook(3)), 1);
        plan = plan.ChangeSize(Last(plan).Id, new(1), new(333, true)).Value;
        var eaten = Log(plan, Last(plan), 1).Value;
        Assert.Equal(ServingState.Eaten, StateAt(eaten));
        var half = Log(plan, Last(plan), 0.5m).Value;
        Assert.Equal(0.5m, half.ShareEaten(half.At(Cell(1))!, Last(half)));
        Assert.Equal(BoxPlace.Gone, eaten.StateOf(eaten.Containers.Single(box => box.Id == Last(plan).Id)).Place);
    }

    [Fact]
    public void Half_of_a_box_leaves_the_other_half_and_is_corrected_to_all_of_it_or_to_nothing_said()
    {
        var plan = Place(Week(Cook(2)), 1);
        var half = Log(plan, Last(plan), 0.5m).Value;
        Assert.Equal((ServingState.Partly, 1.5m), (StateAt(half), half.Loose(half.Batches[0])));
        Assert.Equal(0.5m, half.ShareEaten(half.At(Cell(1))!, Last(half)));
        var all = Log(half, Last(half), 1).Value;
        Assert.Equal((ServingState.Eaten, 1m), (StateAt(all), all.Loose(all.Batches[0])));
        var back = Log(all, Last(all), null).Value;
        Assert.Equal((ServingState.Planned, 1m, 1m), (StateAt(back), back.Loose(back.Batches[0]), back.Placed(back.Batches[0])));
        Assert.Null(back.ShareEaten(back.At(Cell(1))!, Last(back)));
    }

    [Fact]
    public void What_was_said_is_not_taken_back_when_the_rest_of_its_box_is_gone_by_now()
    {
        var plan = Place(Week(Cook(2)), 1);
        var half = Log(plan, Last(plan), 0.5m).Value;
        var thrown = Tell(half, At(half, 1).Container!.Value, BoxEventKind.Discarded, 0.5m, 1).Value;
        Assert.Equal("nothing-loose", Log(thrown, Last(thrown), null).Refusal?.Code);
        Assert.Equal("box-has-less", Log(thrown, Last(thrown), 1).Refusal?.Code);
        Assert.False(Log(thrown, Last(thrown), 0.25m).IsRefused);
    }

    [Fact]
    public void What_is_left_out_is_loose_again_and_comes_back_while_it_is()
    {
        var plan = Portion(Place(Week(Cook(1)), 1));
        var skipped = Log(plan, Last(plan), 0).Value;
        var batch = skipped.Batches[0];
        Assert.Equal((ServingState.Skipped, 1m, 0m), (StateAt(skipped), skipped.Loose(batch), skipped.Placed(batch)));
        Assert.Equal((0m, null), (skipped.ShareEaten(skipped.At(Cell(1))!, Last(skipped)), At(skipped, 1).Container));
        var back = Log(skipped, Last(skipped), null).Value;
        Assert.Equal((ServingState.Planned, 0m, Last(plan).Id), (StateAt(back), back.Loose(back.Batches[0]), Last(back).Id));
        Assert.Equal(back.Containers[0].Id, At(back, 1).Container);
        Assert.Equal("nothing-loose", Log(Place(skipped, 2), Last(skipped), null).Refusal?.Code);
        Assert.Equal("nothing-loose", Log(Place(skipped, 2, 0.5m), Last(skipped), 1).Refusal?.Code);
    }

    [Fact]
    public void What_is_left_out_before_its_batch_is_cooked_fills_no_box_and_goes_with_its_lot()
    {
        var plan = Place(Place(Week(Cook(2)), 1), 2);
        var skipped = Log(plan, Last(plan), 0).Value;
        Assert.Equal(1, skipped.Loose(skipped.Batches[0]));
        var boxes = Portion(skipped);
        Assert.Equal([At(plan, 2).Id], boxes.Servings.SelectMany(serving => serving.Draws).Select(draw => draw.Container).OfType<Guid>());
        Assert.Empty(skipped.Remove(plan.Batches[0].Id).Value.At(Cell(1))!.Items);
    }

    [Fact]
    public void What_somebody_said_of_is_neither_moved_nor_sized_and_can_be_taken_off()
    {
        var plan = Place(Week(Cook(2)), 1);
        var skipped = Log(plan, Last(plan), 0).Value;
        var draw = At(skipped, 1);
        Assert.Equal("eaten-already", skipped.Move(draw.Id, Cell(1), Cell(2), Guid.NewGuid).Refusal?.Code);
        Assert.Equal("eaten-already", skipped.ChangeSize(draw.Id, draw.Size, new(0.5m)).Refusal?.Code);
        Assert.Empty(skipped.Move(draw.Id, Cell(1), null, Guid.NewGuid).Value.At(Cell(1))!.Items);
        var extra = Week().LogExtra(Cell(1), Bread(), Guid.NewGuid).Value;
        Assert.Equal("eaten-already", extra.Move(Last(extra).Id, Cell(1), Cell(2), Guid.NewGuid).Refusal?.Code);
    }

    [Fact]
    public void Something_bought_besides_is_eaten_at_once_settles_nothing_and_goes_when_it_was_not_so()
    {
        var plan = Place(Week(Cook(2)), 1).LogExtra(Cell(1), Bread(), Guid.NewGuid).Value;
        Assert.Equal((true, 1m, ServingState.Planned), (Last(plan).IsExtra, Last(plan).Eaten, StateAt(plan)));
        Assert.False(plan.At(Cell(1))!.IsSaid);
        Assert.Equal(ServingState.Eaten, StateAt(Log(plan, At(plan, 1), 1).Value));
        Assert.Equal(2, Log(plan, Last(plan), 2).Value.At(Cell(1))!.Items[^1].Eaten);
        Assert.Single(Log(plan, Last(plan), 0).Value.At(Cell(1))!.Items);
        Assert.Single(Log(plan, Last(plan), null).Value.At(Cell(1))!.Items);
        Assert.Equal("out-of-week", plan.LogExtra(Cell(7), Bread(), Guid.NewGuid).Refusal?.Code);
    }

    [Fact]
    public void A_box_besides_is_eaten_of_and_the_meal_that_waited_for_it_is_open_again()
    {
        var plan = Portion(Place(Place(Week(Cook(2)), 1), 3));
        var (batch, box) = (plan.Batches[0], At(plan, 3).Container!.Value);
        var eaten = plan.LogBox(Cell(1), (batch.Id, box), null, Kinds, Monday, Guid.NewGuid).Value;
        Assert.Equal((2, true), (eaten.At(Cell(1))!.Items.Count, Last(eaten).IsExtra));
        Assert.Empty(eaten.At(Cell(3))!.Items);
        Assert.Equal((0m, 2m, ServingState.Planned), (eaten.Loose(batch), eaten.Placed(batch), StateAt(eaten)));
        Assert.Equal(1, eaten.ShareEaten(eaten.At(Cell(1))!, Last(eaten)));
        // Not so after all: it is back in its box, and loose.
        var back = Log(eaten, Last(eaten), null).Value;
        Assert.Equal((1, 1m), (back.At(Cell(1))!.Items.Count, back.Loose(batch)));
    }

    [Fact]
    public void Of_a_box_besides_no_more_is_eaten_than_there_is_and_nothing_of_one_that_is_gone_or_not_cooked()
    {
        var plan = Week(Cook(1));
        var batch = plan.Batches[0];
        var planned = plan.BoxesOf(batch)[0].Id;
        Result<WeekPlan> Take(WeekPlan from, decimal? portions, Guid? box = null, int day = 1) =>
            from.LogBox(Cell(day), (batch.Id, box ?? planned), portions, Kinds, Monday, Guid.NewGuid);
        Assert.Equal("box-has-less", Take(plan, 1.01m).Refusal?.Code);
        Assert.Equal("size-out-of-range", Take(plan, 0).Refusal?.Code);
        Assert.Equal("box-gone", Take(plan, 1, Guid.NewGuid()).Refusal?.Code);
        Assert.Equal("batch-gone", plan.LogBox(Cell(1), (Guid.NewGuid(), planned), 1, Kinds, Monday, Guid.NewGuid).Refusal?.Code);
        Assert.Equal("out-of-week", Take(plan, 1, null, -2).Refusal?.Code);
        Assert.Equal(
            "time-out-of-range",
            plan.LogBox(Cell(1), (batch.Id, planned), 1, Kinds, Monday with { Now = Noon.AddDays(500) }, Guid.NewGuid).Refusal?.Code
        );
        var gone = Take(Take(plan, 0.25m).Value, 0.75m).Value;
        Assert.Equal("box-gone", Take(gone, null).Refusal?.Code);
        Assert.Equal([0.25m, 0.75m], gone.At(Cell(1))!.Draws.Select(draw => draw.Size.Amount));
    }

    [Fact]
    public void What_was_said_of_a_whole_meal_counts_for_its_things_until_something_is_said_of_them()
    {
        var plan = WithBread(Week());
        decimal? Share(ServingState state) =>
            plan.Say(Cell(1), state, false, "", Guid.NewGuid).Value is var said ? said.ShareEaten(said.At(Cell(1))!, Last(said)) : null;
        Assert.Equal(
            [null, 1, 0.5m, 0, null],
            new[] { ServingState.Planned, ServingState.Eaten, ServingState.Partly, ServingState.Skipped, ServingState.Out }.Select(Share)
        );
        var eaten = plan.Say(Cell(1), ServingState.Eaten, false, "", Guid.NewGuid).Value;
        Assert.Equal(ServingState.Partly, StateAt(Log(eaten, Last(eaten), 0.5m).Value));
    }

    [Fact]
    public void What_is_put_on_a_meal_that_was_eaten_is_not_eaten_by_that()
    {
        var plan = Place(Week(Cook(2)), 1);
        var eaten = WithBread(Log(plan, Last(plan), 1).Value);
        Assert.Equal(ServingState.Eaten, StateAt(eaten));
        Assert.Null(eaten.ShareEaten(eaten.At(Cell(1))!, Last(eaten)));
    }

    [Fact]
    public void What_was_eaten_besides_is_on_no_other_day_that_is_planned_like_this_one()
    {
        var plan = WithBread(Week()).LogExtra(Cell(1), Bread(), Guid.NewGuid).Value;
        var seating = new Seating((_, _) => null, (_, _) => []);
        Assert.Single(plan.RepeatDay(Sunday.AddDays(1), Sunday.AddDays(2), seating, Guid.NewGuid).Value.At(Cell(2))!.Items);
    }

    [Theory]
    [InlineData("small apple", "1 small apple")]
    [InlineData("cup of tea with milk", "1 cup of tea with milk")]
    [InlineData("banana", "1 banana")]
    [InlineData("2 bananas", "2 bananas")]
    [InlineData("half an avocado", "half an avocado")]
    [InlineData("0 g butter", null)]
    [InlineData("olives", null)]
    [InlineData("skyr", null)]
    [InlineData("something from the bakery", null)]
    [InlineData("", null)]
    public void One_of_what_somebody_has_eaten_need_not_be_counted_and_several_must(string typed, string? read)
    {
        var line = ReadyFood.ReadEaten(typed, Table.Foods, MeasureSystem.Metric);
        Assert.Equal(read, line.IsRefused ? null : line.Value.Read.Text);
        Assert.Equal(read is null, line.IsRefused);
    }
}

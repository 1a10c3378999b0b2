using CsCheck;
using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using static Merienda.Core.Tests.Planning.BoxWeek;

namespace Merienda.Core.Tests.Planning;

/// <summary>What becomes of boxes: eaten, halved, given, frozen, gone; what was cooked is conserved through all of it.</summary>
public class BoxLifeTests
{
    [Fact]
    public void An_eaten_box_settles_its_meal_and_is_not_sized_again()
    {
        var plan = Portion(Place(Week(Cook(2)), 1));
        var eaten = Tell(plan, At(plan, 1).Container!.Value, BoxEventKind.Eaten).Value;
        Assert.Equal((ServingState.Eaten, 1m), (eaten.At(Cell(1))!.State, eaten.Loose(eaten.Batches[0])));
        Assert.Equal("eaten-already", eaten.ChangeSize(At(eaten, 1).Id, new(1), new(0.5m)).Refusal?.Code);
        Assert.Equal("box-gone", Tell(eaten, At(plan, 1).Container!.Value, BoxEventKind.Eaten).Refusal?.Code);
        // Taken off the meal again it is still eaten.
        var off = eaten.Move(At(eaten, 1).Id, Cell(1), null, Guid.NewGuid).Value;
        Assert.Equal((1m, 1m), (off.Gone(off.Batches[0]), off.Loose(off.Batches[0])));
    }

    [Fact]
    public void What_is_left_of_a_half_eaten_box_is_loose_and_the_meal_counts_what_was_eaten()
    {
        var plan = Portion(Place(Week(Cook(2)), 1));
        var half = Tell(plan, At(plan, 1).Container!.Value, BoxEventKind.Eaten, 0.25m).Value;
        var batch = half.Batches[0];
        Assert.Equal(
            (ServingState.Partly, 0.25m, 1.75m),
            (half.At(Cell(1))!.State, half.PortionsOf(batch, At(half, 1)), half.Loose(batch))
        );
        Assert.Equal("box-has-less", Tell(half, At(plan, 1).Container!.Value, BoxEventKind.Eaten, 0.76m).Refusal?.Code);
        Assert.False(Tell(half, At(plan, 1).Container!.Value, BoxEventKind.Eaten, 0.75m).IsRefused);
        Assert.Equal("size-out-of-range", Tell(half, At(plan, 1).Container!.Value, BoxEventKind.Eaten, 0).Refusal?.Code);
    }

    [Fact]
    public void Who_eats_more_of_a_box_than_was_theirs_leaves_the_other_meal_open()
    {
        var plan = Portion(Week(Cook(2)));
        plan = Place(Place(plan, 1, 0.5m), 2, 0.5m);
        var box = At(plan, 1).Container!.Value;
        Assert.Equal(box, At(plan, 2).Container);
        Assert.Single(Tell(plan, box, BoxEventKind.Eaten, 0.5m).Value.At(Cell(2))!.Items);
        Assert.Empty(Tell(plan, box, BoxEventKind.Eaten, 0.75m).Value.At(Cell(2))!.Items);
    }

    [Fact]
    public void The_sauce_of_a_box_is_eaten_at_one_meal_and_the_rest_at_another()
    {
        var plan = Portion(Week(Cook(1, "", "Sauce")));
        plan = Place(Place(plan, 1, 1, "Sauce"), 2, 1, "");
        var box = At(plan, 1).Container!.Value;
        Assert.Equal(box, At(plan, 2).Container);
        var sauce = Tell(plan, box, BoxEventKind.Eaten).Value;
        Assert.Equal((ServingState.Eaten, ServingState.Planned), (sauce.At(Cell(1))!.State, sauce.At(Cell(2))!.State));
        var both = Tell(sauce, box, BoxEventKind.Eaten).Value;
        Assert.Equal((ServingState.Eaten, BoxPlace.Gone), (both.At(Cell(2))!.State, both.StateOf(both.Containers[0]).Place));
    }

    [Fact]
    public void A_meal_of_two_boxes_is_eaten_with_the_second()
    {
        var plan = Place(Place(Week(Cook(4)), 1), 1);
        plan = Portion(plan);
        var boxes = plan.At(Cell(1))!.Draws.Select(draw => draw.Container!.Value).ToList();
        plan = Tell(plan, boxes[0], BoxEventKind.Eaten).Value;
        Assert.Equal(ServingState.Planned, plan.At(Cell(1))!.State);
        Assert.Equal(ServingState.Eaten, Tell(plan, boxes[1], BoxEventKind.Eaten).Value.At(Cell(1))!.State);
        Assert.Equal(ServingState.Partly, Tell(plan, boxes[1], BoxEventKind.Eaten, 0.5m).Value.At(Cell(1))!.State);
    }

    [Theory]
    [InlineData(BoxEventKind.Given)]
    [InlineData(BoxEventKind.Discarded)]
    public void A_meal_whose_box_is_gone_is_open_again(BoxEventKind kind)
    {
        var plan = Portion(Place(Week(Cook(2)), 1));
        var box = At(plan, 1).Container!.Value;
        var gone = Tell(plan, box, kind).Value;
        Assert.Empty(gone.At(Cell(1))!.Items);
        Assert.Equal((1m, 1m), (gone.Gone(gone.Batches[0]), gone.Loose(gone.Batches[0])));
        Assert.Equal("box-gone", Tell(gone, box, BoxEventKind.Eaten).Refusal?.Code);
        // Half of a box that a half portion waits for may go.
        var half = plan.ChangeSize(At(plan, 1).Id, new(1), new(0.5m)).Value;
        Assert.Single(Tell(half, box, kind, 0.5m).Value.At(Cell(1))!.Items);
        Assert.Empty(Tell(half, box, kind, 0.51m).Value.At(Cell(1))!.Items);
    }

    [Fact]
    public void Freezing_and_thawing_are_refused_where_food_would_be_unsafe_or_nothing_would_change()
    {
        var plan = Portion(Week(Cook(2)));
        var box = plan.Containers[0].Id;
        Assert.Equal("already-there", Tell(plan, box, BoxEventKind.ToFridge).Refusal?.Code);
        // Cooked on Saturday it keeps until Wednesday.
        Assert.False(Tell(plan, box, BoxEventKind.Frozen, null, 3).IsRefused);
        Assert.Equal("past-its-time", Tell(plan, box, BoxEventKind.Frozen, null, 4).Refusal?.Code);
        var frozen = Tell(plan, box, BoxEventKind.Frozen).Value;
        Assert.Equal("already-there", Tell(frozen, box, BoxEventKind.Frozen).Refusal?.Code);
        var thawed = Tell(frozen, box, BoxEventKind.ToFridge, null, 1).Value;
        Assert.Equal("never-refrozen", Tell(thawed, box, BoxEventKind.Frozen, null, 1).Refusal?.Code);
        var salad = Portion(Week(Cook(1) with { Keeping = KeepingClass.WithKey("dressed-salad") }));
        Assert.Equal("does-not-freeze", Tell(salad, salad.Containers[0].Id, BoxEventKind.Frozen).Refusal?.Code);
    }

    [Fact]
    public void What_is_told_of_no_box_of_no_time_or_in_no_words_is_refused_and_what_is_told_twice_happened_once()
    {
        var plan = Portion(Week(Cook(2)));
        var box = plan.Containers[0].Id;
        var said = new BoxSaid(Guid.NewGuid(), BoxEventKind.Given, Noon, 0.5m, " to a neighbour ");
        var once = plan.Tell(box, said, Sunday, Noon).Value;
        Assert.Equal("to a neighbour", once.Containers[0].Life[^1].Reason);
        Assert.Equal(once, once.Tell(box, said, Sunday, Noon).Value);
        Assert.Equal("box-gone", plan.Tell(Guid.NewGuid(), said, Sunday, Noon).Refusal?.Code);
        Assert.Equal("unknown-event", Tell(plan, box, BoxEventKind.Made).Refusal?.Code);
        Assert.Equal("unknown-event", Tell(plan, box, BoxEventKind.Gone).Refusal?.Code);
        Assert.Equal("reason-length", plan.Tell(box, said with { Reason = new string('x', 121) }, Sunday, Noon).Refusal?.Code);
        Assert.False(plan.Tell(box, said with { Reason = new string('x', 120) }, Sunday, Noon).IsRefused);
        Assert.False(plan.Tell(box, said with { At = Noon.AddDays(1) }, Sunday, Noon).IsRefused);
        Assert.Equal("time-out-of-range", plan.Tell(box, said with { At = Noon.AddDays(1).AddTicks(1) }, Sunday, Noon).Refusal?.Code);
        Assert.Equal(Noon, (said with { At = Noon.AddDays(1) }).Heard(Noon).At);
        Assert.Equal(Noon.AddDays(1).AddTicks(1), (said with { At = Noon.AddDays(1).AddTicks(1) }).Heard(Noon).At);
        Assert.Equal(Noon.AddTicks(-1), (said with { At = Noon.AddTicks(-1) }).Heard(Noon).At);
        Assert.False(plan.Tell(box, said with { At = Noon.AddDays(-400) }, Sunday, Noon).IsRefused);
        Assert.Equal("time-out-of-range", plan.Tell(box, said with { At = Noon.AddDays(-400).AddTicks(-1) }, Sunday, Noon).Refusal?.Code);
    }

    [Theory]
    [InlineData(3, 0, KeptIn.Fridge)]
    [InlineData(4, 0, KeptIn.Freezer)] // can be frozen today
    [InlineData(4, 3, KeptIn.Freezer)]
    [InlineData(4, 4, KeptIn.PastItsTime)] // on Thursday it is too late to freeze it
    public void A_box_that_keeps_too_short_for_its_day_is_frozen_while_there_is_time(int eaten, int today, KeptIn kept)
    {
        var plan = Portion(Week(Cook(1)));
        var keeping = plan.Batches[0].Keeping!;
        Assert.Equal(kept, KeepingPlan.For(keeping, plan.StateOf(plan.Containers[0]), Sunday.AddDays(eaten), Sunday.AddDays(today)).KeptIn);
    }

    [Fact]
    public void Whatever_is_done_before_and_after_portioning_each_part_of_what_was_cooked_is_drawn_gone_or_loose() =>
        Gen.Select(Gen.Int[0, 14], Gen.Int[0, 6], Gen.Int[1, 16])
            .Array[1, 50]
            .Sample(steps =>
            {
                var plan = Week(Cook(5, "", "Sauce"));
                var id = plan.Batches[0].Id;
                foreach (var (kind, which, quarters) in steps)
                {
                    var drawn = plan.DrawsOf(id).ToList();
                    (Serving Serving, Draw Draw)? one = drawn.Count == 0 ? null : drawn[which % drawn.Count];
                    var box = plan.Containers.Count == 0 ? Guid.Empty : plan.Containers[quarters % plan.Containers.Count].Id;
                    var changed = kind switch
                    {
                        0 => plan.Place(id, Cell(which), quarters / 4m, Guid.NewGuid),
                        1 => plan.Place(id, Cell(which), 1, Guid.NewGuid, [which % 2 == 0 ? "" : "Sauce"]),
                        2 when one is var (serving, draw) => plan.Move(draw.Id, serving.Cell, null, Guid.NewGuid),
                        3 when one is var (serving, draw) => plan.Move(draw.Id, serving.Cell, Cell(which, "lunch"), Guid.NewGuid),
                        4 when one is var (_, draw) => plan.ChangeSize(draw.Id, draw.Size, new(quarters / 4m)),
                        5 when one is var (_, draw) => plan.ChangeSize(draw.Id, draw.Size, new(quarters * 20, true)),
                        6 when which == 0 => plan.Portion(id, Kinds, (Noon, Sunday), Guid.NewGuid),
                        7 => plan.Weigh(id, new(which % 2 == 0 ? "" : "Sauce", quarters * 100, which, "")),
                        8 => Tell(plan, box, BoxEventKind.Eaten, which < 3 ? null : quarters / 8m),
                        9 => Tell(
                            plan,
                            box,
                            which % 2 == 0 ? BoxEventKind.Given : BoxEventKind.Discarded,
                            which < 3 ? null : quarters / 8m
                        ),
                        10 => Tell(plan, box, which % 2 == 0 ? BoxEventKind.Frozen : BoxEventKind.ToFridge),
                        11 => plan.Resize(id, quarters / 2m),
                        12
                        or 13
                            when plan.Servings.SelectMany(serving => serving.Draws, (serving, draw) => (serving, draw)).ToList()
                                is { Count: > 0 } all => Log(
                            plan,
                            all[which % all.Count],
                            kind == 12 ? 0
                                : quarters <= 4 ? null
                                : quarters / 16m
                        ),
                        14 => plan.LogBox(Cell(which), (id, box), which < 3 ? null : quarters / 8m, Kinds, On(which), Guid.NewGuid),
                        _ => plan,
                    };
                    plan = changed.IsRefused ? plan : changed.Value;
                    var now = plan.Batches[0];
                    foreach (var part in now.Parts)
                    {
                        var loose = plan.Loose(now, now.Lots[0], part);
                        var boxes = plan.Containers.Where(box => box.Holds(part)).ToList();
                        var waiting = plan.DrawsOf(id)
                            .Where(item => item.Draw.Takes(part) && !boxes.Any(one => one.IsSettled(item.Draw.Id)))
                            .Sum(item => plan.PortionsOf(now, item.Draw));
                        var (filled, left) = now.PortionedOn is null
                            ? (now.Portions, now.Portions)
                            : (boxes.Sum(one => one.Portions), boxes.Sum(one => one.LeftOf(part)));
                        // Crumbs of a draw in grams are in no box.
                        if (loose < 0 || Math.Abs(waiting + loose - left) > 1e-9m || Math.Abs(filled - now.Portions) > 0.02m)
                        {
                            throw new InvalidOperationException(
                                $"{part}: {waiting} waited for, {loose} loose, {left} left, {filled} filled of {now.Portions}"
                            );
                        }
                    }
                }
            });

    private static Result<WeekPlan> Log(WeekPlan plan, (Serving Serving, Draw Draw) of, decimal? share) =>
        plan.Log(of.Serving.Cell, [new(of.Draw.Id, share)], Kinds, new(Noon, Sunday), Guid.NewGuid);

    private static Moment On(int day) => new(Noon.AddDays(day), Sunday.AddDays(day));
}

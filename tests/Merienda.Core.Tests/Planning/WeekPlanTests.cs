using CsCheck;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Planning;

public class WeekPlanTests
{
    private static readonly DateOnly Sunday = new(2026, 11, 22);
    private static readonly Guid Eater = Guid.NewGuid();

    private static Cell Cell(int day, string meal = "supper") => new(Sunday.AddDays(day), meal, Eater);

    private static Batch Cook(decimal portions, params string[] parts) =>
        Cooked.Batch("B", Sunday.AddDays(-1), portions) with
        {
            Parts = parts.Length == 0 ? [""] : parts,
        };

    private static WeekPlan Week(params Batch[] batches) => new(Sunday, batches, [], []);

    private static WeekPlan Place(WeekPlan plan, Batch batch, int day, decimal wanted = 1, params string[] parts) =>
        plan.Place(batch.Id, Cell(day), wanted, Guid.NewGuid, parts.Length == 0 ? null : parts).Value;

    private static Draw At(WeekPlan plan, int day) => plan.At(Cell(day))!.Draws.Last();

    private static ReadyFood Skyr(string text = "150 g skyr") =>
        new(Guid.NewGuid(), RecipeLine.From(text, new FoodMatcher([], FoodWords.None, []), MeasureSystem.Metric));

    [Fact]
    public void A_batch_of_four_and_a_half_fills_four_boxes_and_a_half_one()
    {
        var batch = Cook(4.5m);
        Assert.Equal([1, 1, 1, 1, 0.5m], Week(batch).BoxesOf(batch).Select(box => box.Portions));
    }

    [Fact]
    public void Placing_takes_what_is_wanted_as_far_as_it_goes_and_the_last_half_at_the_end()
    {
        var batch = Cook(2.75m);
        var plan = Place(Week(batch), batch, 1, 1.25m);
        Assert.Equal(1.25m, At(plan, 1).Size.Amount);
        // One and a quarter are left, and two are wanted: a whole portion comes, the quarter stays.
        plan = Place(plan, batch, 2, 2);
        Assert.Equal((1m, 0.5m), (At(plan, 2).Size.Amount, plan.Loose(batch)));
        plan = Place(plan, batch, 3, 1);
        Assert.Equal(0.5m, At(plan, 3).Size.Amount);
        Assert.Equal("nothing-loose", plan.Place(batch.Id, Cell(4), 1, Guid.NewGuid).Refusal?.Code);
    }

    [Theory]
    [InlineData(0.75, 0.75)]
    [InlineData(1.1, 1)]
    [InlineData(1.125, 1.25)]
    [InlineData(0.01, 0.25)]
    [InlineData(9, 4)]
    public void A_wanted_size_between_the_steps_is_taken_to_the_nearest_one(double wanted, double placed)
    {
        var batch = Cook(9);
        Assert.Equal((decimal)placed, At(Place(Week(batch), batch, 1, (decimal)wanted), 1).Size.Amount);
    }

    [Fact]
    public void A_larger_portion_takes_just_what_is_loose_and_a_smaller_one_gives_back()
    {
        var batch = Cook(2);
        var plan = Place(Week(batch), batch, 1);
        var draw = At(plan, 1);
        var larger = plan.ChangeSize(draw.Id, new(1), new(1.5m)).Value;
        Assert.Equal(0.5m, larger.Loose(batch));
        Assert.Equal(0m, larger.ChangeSize(draw.Id, new(1.5m), new(2)).Value.Loose(batch));
        Assert.Equal("nothing-loose", larger.ChangeSize(draw.Id, new(1.5m), new(2.25m)).Refusal?.Code);
        Assert.Equal(1.25m, larger.ChangeSize(draw.Id, new(1.5m), new(0.75m)).Value.Loose(batch));
        Assert.Equal("item-changed", larger.ChangeSize(draw.Id, new(1), new(0.75m)).Refusal?.Code);
    }

    [Theory]
    [InlineData(0, false, "size-out-of-range")]
    [InlineData(-1, false, "size-out-of-range")]
    [InlineData(0.1, false, "size-out-of-range")]
    [InlineData(4.25, false, "size-out-of-range")]
    [InlineData(4, false, null)]
    [InlineData(0.25, false, null)]
    [InlineData(0.9, true, "size-out-of-range")]
    [InlineData(1, true, null)]
    [InlineData(1200, true, null)]
    [InlineData(1201, true, "size-out-of-range")]
    public void A_size_out_of_range_or_step_is_refused(double size, bool isInGrams, string? code)
    {
        var batch = Cook(9).Weighing(300);
        var plan = Place(Week(batch), batch, 1);
        Assert.Equal(code, plan.ChangeSize(At(plan, 1).Id, new(1), new((decimal)size, isInGrams)).Refusal?.Code);
    }

    [Fact]
    public void Grams_count_by_what_a_portion_weighs_and_are_refused_where_nobody_knows()
    {
        var batch = Cook(3).Weighing(250);
        var plan = Place(Week(batch), batch, 1);
        var weighed = plan.ChangeSize(At(plan, 1).Id, new(1), new(400, true)).Value;
        Assert.Equal(3 - 1.6m, weighed.Loose(batch));
        Assert.Equal("nothing-loose", weighed.ChangeSize(At(plan, 1).Id, new(400, true), new(751, true)).Refusal?.Code);
        Assert.Equal(0m, weighed.ChangeSize(At(plan, 1).Id, new(400, true), new(750, true)).Value.Loose(batch));
        var untold = Cook(4);
        var other = Place(Week(untold), untold, 1);
        Assert.Equal("weight-unknown", other.ChangeSize(At(other, 1).Id, new(1), new(400, true)).Refusal?.Code);
    }

    [Fact]
    public void Only_the_sauce_of_one_leaves_the_rest_of_it()
    {
        var batch = Cook(2, "", "Sauce");
        var plan = Place(Week(batch), batch, 1, 1, "Sauce");
        Assert.Equal((1m, 2m), (plan.Loose(batch, batch.Lots[0], "Sauce"), plan.Loose(batch, batch.Lots[0], "")));
        // A whole portion needs its sauce.
        Assert.Equal(1m, plan.Loose(batch));
        plan = Place(plan, batch, 2);
        Assert.Equal("nothing-loose", plan.Place(batch.Id, Cell(3), 1, Guid.NewGuid).Refusal?.Code);
        plan = Place(plan, batch, 3, 1, "");
        Assert.Equal("nothing-loose", plan.Place(batch.Id, Cell(4), 1, Guid.NewGuid, [""]).Refusal?.Code);
        Assert.Equal("unknown-part", plan.Place(batch.Id, Cell(4), 1, Guid.NewGuid, ["Crumble"]).Refusal?.Code);
        Assert.Equal("unknown-part", plan.Place(batch.Id, Cell(4), 1, Guid.NewGuid, []).Refusal?.Code);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(-3)]
    [InlineData(61)]
    [InlineData(2.1)]
    public void A_number_of_portions_out_of_range_is_refused(double portions) =>
        Assert.Equal("portions-out-of-range", Batch.RefusePortions((decimal)portions)?.Code);

    [Fact]
    public void A_thing_that_went_elsewhere_meanwhile_is_not_moved_again_and_it_is_said_where_it_is()
    {
        var batch = Cook(2);
        var plan = Place(Week(batch), batch, 1);
        var draw = At(plan, 1).Id;
        var moved = plan.Move(draw, Cell(1), Cell(2), Guid.NewGuid).Value;
        var refused = moved.Move(draw, Cell(1), Cell(3), Guid.NewGuid).Refusal;
        Assert.Equal("item-moved", refused?.Code);
        Assert.Contains("Tuesday's supper", refused!.Reason, StringComparison.Ordinal);
        Assert.Equal(2m, moved.Move(draw, Cell(2), null, Guid.NewGuid).Value.Loose(batch));
        Assert.Equal("item-gone", moved.Move(Guid.NewGuid(), Cell(1), null, Guid.NewGuid).Refusal?.Code);
    }

    [Fact]
    public void Nothing_goes_to_a_day_before_it_is_cooked_or_outside_the_week()
    {
        var batch = Cook(2) with { Cooked = Sunday.AddDays(2) };
        Assert.Equal("not-cooked-yet", Week(batch).Place(batch.Id, Cell(1), 1, Guid.NewGuid).Refusal?.Code);
        Assert.False(Week(batch).Place(batch.Id, Cell(2), 1, Guid.NewGuid).IsRefused);
        Assert.False(Week(batch).Place(batch.Id, Cell(6), 1, Guid.NewGuid).IsRefused);
        Assert.Equal("out-of-week", Week(batch).Place(batch.Id, Cell(7), 1, Guid.NewGuid).Refusal?.Code);
        Assert.Equal("out-of-week", Week(batch).AddReady(Cell(-1), Skyr(), Guid.NewGuid).Refusal?.Code);
        Assert.Equal("batch-gone", Week().Place(batch.Id, Cell(1), 1, Guid.NewGuid).Refusal?.Code);
    }

    [Fact]
    public void Cooking_less_than_is_placed_is_refused_with_the_number_to_take_back()
    {
        var batch = Cook(4);
        var plan = Enumerable.Range(1, 3).Aggregate(Week(batch), (week, day) => Place(week, batch, day));
        Assert.Equal(3m, plan.Resize(batch.Id, 3).Value.Batches[0].Portions);
        Assert.Equal("batch-too-small", plan.Resize(batch.Id, 2).Refusal?.Code);
        Assert.Contains("Take back 1", plan.Resize(batch.Id, 2).Refusal!.Cure, StringComparison.Ordinal);
        Assert.Equal("portions-out-of-range", plan.Resize(batch.Id, 61).Refusal?.Code);
        Assert.Equal("batch-gone", plan.Resize(Guid.NewGuid(), 3).Refusal?.Code);
    }

    [Fact]
    public void A_meal_holds_several_things_in_an_order_that_can_be_changed()
    {
        var (soup, bread) = (Cook(2), Cook(2));
        var skyr = Skyr();
        var plan = Place(Place(Week(soup, bread), soup, 1), bread, 1).AddReady(Cell(1), skyr, Guid.NewGuid).Value;
        var meal = plan.At(Cell(1))!;
        Assert.Equal(3, meal.Items.Count);
        Assert.Equal((1m, 1m), (plan.Loose(soup), plan.Loose(bread)));
        var turned = meal.Items.Select(item => item.Id).Reverse().ToList();
        Assert.Equal(turned, plan.Order(Cell(1), turned).Value.At(Cell(1))!.Items.Select(item => item.Id));
        Assert.Equal("order-incomplete", plan.Order(Cell(1), turned[1..]).Refusal?.Code);
        Assert.Equal("order-incomplete", plan.Order(Cell(1), [turned[0], turned[0], turned[1]]).Refusal?.Code);
        Assert.Equal("order-incomplete", plan.Order(Cell(2), turned).Refusal?.Code);
        var off = plan.Move(skyr.Id, Cell(1), null, Guid.NewGuid).Value;
        Assert.Equal(2, off.At(Cell(1))!.Items.Count);
    }

    [Fact]
    public void Another_amount_of_a_ready_food_is_said_in_words_and_only_when_it_reads_as_it_was_seen()
    {
        var skyr = Skyr();
        var plan = Week().AddReady(Cell(1), skyr, Guid.NewGuid).Value;
        var more = plan.Reword(skyr.Id, "150 g skyr", Skyr("200 g skyr").Line).Value;
        var now = Assert.IsType<ReadyFood>(more.At(Cell(1))!.Items[0]);
        Assert.Equal((skyr.Id, "200 g skyr"), (now.Id, now.Line.Read.Text));
        Assert.Equal("item-changed", plan.Reword(skyr.Id, "100 g skyr", Skyr("200 g skyr").Line).Refusal?.Code);
        Assert.Equal("item-gone", plan.Reword(Guid.NewGuid(), "150 g skyr", Skyr().Line).Refusal?.Code);
    }

    [Fact]
    public void A_meal_is_eaten_out_locked_and_noted_whether_something_stands_there_or_not()
    {
        var said = Week().Say(Cell(1), ServingState.Out, true, " with friends ", Guid.NewGuid).Value.At(Cell(1))!;
        Assert.Equal((ServingState.Out, true, "with friends"), (said.State, said.IsLocked, said.Note));
        Assert.Equal("note-length", Week().Say(Cell(1), ServingState.Planned, false, new string('x', 201), Guid.NewGuid).Refusal?.Code);
        Assert.False(Week().Say(Cell(1), ServingState.Planned, false, new string('x', 200), Guid.NewGuid).IsRefused);
        Assert.Equal("out-of-week", Week().Say(Cell(9), ServingState.Out, false, "", Guid.NewGuid).Refusal?.Code);
    }

    [Fact]
    public void Boxes_are_numbered_in_the_order_they_are_eaten_and_loose_ones_come_last()
    {
        var batch = Cook(4);
        var plan = Place(Place(Week(batch), batch, 5), batch, 1);
        plan = plan.Place(batch.Id, Cell(1, "lunch"), 1, Guid.NewGuid).Value;
        Assert.Equal(
            [(1, Cell(1, "lunch")), (2, Cell(1)), (3, Cell(5)), (4, null)],
            plan.BoxesOf(batch).Select(box => (box.Number, box.Cell))
        );
    }

    [Fact]
    public void A_batch_that_leaves_the_bench_takes_everything_drawn_from_it_and_nothing_else()
    {
        var (soup, bread) = (Cook(2), Cook(2));
        var plan = Place(Place(Week(soup, bread), soup, 1), bread, 1).Remove(soup.Id).Value;
        Assert.Equal([bread.Id], plan.At(Cell(1))!.Draws.Select(draw => draw.Batch));
        Assert.Equal("batch-gone", plan.Remove(soup.Id).Refusal?.Code);
    }

    [Fact]
    public void Whatever_is_done_each_part_of_what_was_cooked_is_drawn_gone_or_loose() =>
        Gen.Select(Gen.Int[0, 6], Gen.Int[0, 6], Gen.Int[1, 24])
            .Array[1, 40]
            .Sample(steps =>
            {
                var batch = Cook(5, "", "Sauce").Weighing(200, 40);
                var plan = Week(batch);
                foreach (var (kind, which, quarters) in steps)
                {
                    var drawn = plan.DrawsOf(batch.Id).ToList();
                    (Serving Serving, Draw Draw)? one = drawn.Count == 0 ? null : drawn[which % drawn.Count];
                    var changed = kind switch
                    {
                        0 => plan.Place(batch.Id, Cell(which), quarters / 4m, Guid.NewGuid),
                        1 => plan.Place(batch.Id, Cell(which), 1, Guid.NewGuid, [which % 2 == 0 ? "" : "Sauce"]),
                        2 when one is var (serving, draw) => plan.Move(draw.Id, serving.Cell, null, Guid.NewGuid),
                        3 when one is var (serving, draw) => plan.Move(draw.Id, serving.Cell, Cell(which, "lunch"), Guid.NewGuid),
                        4 when one is var (_, draw) => plan.ChangeSize(draw.Id, draw.Size, new(quarters / 4m)),
                        5 when one is var (_, draw) => plan.ChangeSize(draw.Id, draw.Size, new(quarters * 20, true)),
                        6 => plan.Resize(batch.Id, quarters / 4m),
                        _ => plan,
                    };
                    plan = changed.IsRefused ? plan : changed.Value;
                    var now = plan.Batches[0];
                    foreach (var part in now.Parts)
                    {
                        var taken = plan.DrawsOf(now.Id).Where(item => item.Draw.Takes(part)).Sum(item => plan.PortionsOf(now, item.Draw));
                        if (plan.Loose(now, now.Lots[0], part) is var left && (left < 0 || Math.Abs(taken + left - now.Portions) > 1e-20m))
                        {
                            return false;
                        }
                    }

                    var boxes = plan.BoxesOf(now);
                    if (
                        boxes.Select(box => box.Id).Distinct().Count() != boxes.Count
                        || boxes.Any(box => box.Portions <= 0)
                        || Math.Abs(boxes.Where(box => box.Cell is null && box.Parts is null).Sum(box => box.Portions) - plan.Loose(now))
                            >= 0.01m
                    )
                    {
                        return false;
                    }
                }

                return true;
            });
}

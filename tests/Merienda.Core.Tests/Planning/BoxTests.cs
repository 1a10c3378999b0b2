using CsCheck;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using static Merienda.Core.Tests.Planning.BoxWeek;

namespace Merienda.Core.Tests.Planning;

public class BoxTests
{
    [Fact]
    public void Portioning_fills_a_box_for_each_draw_and_each_loose_portion_in_fridge_or_freezer_as_planned()
    {
        var plan = Portion(Place(Place(Week(Cook(3.5m)), 2), 6));
        Assert.Equal([1, 2, 3, 4], plan.Containers.Select(box => box.Number));
        Assert.Equal([1, 1, 1, 0.5m], plan.Containers.Select(box => box.Portions));
        Assert.Equal(
            [BoxPlace.Fridge, BoxPlace.Freezer, BoxPlace.Fridge, BoxPlace.Fridge],
            plan.Containers.Select(box => plan.StateOf(box).Place)
        );
        Assert.Equal(plan.Containers[1].Id, At(plan, 6).Container);
        Assert.Equal((1.5m, 2m), (plan.Loose(plan.Batches[0]), plan.Placed(plan.Batches[0])));
        Assert.Equal("already-portioned", plan.Portion(plan.Batches[0].Id, Kinds, (Noon, Sunday), Guid.NewGuid).Refusal?.Code);
        Assert.Equal("batch-gone", plan.Portion(Guid.NewGuid(), Kinds, (Noon, Sunday), Guid.NewGuid).Refusal?.Code);
    }

    [Fact]
    public void A_box_is_the_smallest_container_that_is_free_large_enough_and_may_freeze_where_it_must()
    {
        var plan = Portion(Place(Week(Cook(6)), 6));
        // The frozen one needs the large kind; then three small ones, one large, and none is left.
        Assert.Equal(["large", "small", "small", "small", "large", ""], plan.Containers.Select(box => box.Kind));
        Assert.Equal(350, plan.Containers[0].Grams.Single());
        var eaten = Tell(plan, plan.Containers[1].Id, BoxEventKind.Eaten).Value;
        var next = eaten.Add(Cook(1));
        Assert.Equal("small", next.Portion(next.Batches[1].Id, Kinds, (Noon, Sunday), Guid.NewGuid).Value.Containers[^1].Kind);
        var choice = new ContainerChoice(Kinds, []);
        Assert.Equal(
            ("small", "large", null, null),
            (choice.Take(400, false)?.Name, choice.Take(401, false)?.Name, choice.Take(901, false), choice.Take(null, false))
        );
    }

    [Theory]
    [InlineData(-2, -2)] // cooked a day early
    [InlineData(-1, -1)]
    [InlineData(1, -1)] // written down late: the clock is not turned back
    public void The_clock_starts_when_it_is_cooked(int today, int made)
    {
        var plan = Week(Cook(1));
        var portioned = plan.Portion(plan.Batches[0].Id, Kinds, (Noon.AddDays(today), Sunday.AddDays(today)), Guid.NewGuid).Value;
        Assert.Equal(Sunday.AddDays(made), portioned.StateOf(portioned.Containers[0]).Made);
    }

    [Fact]
    public void A_weighed_pot_is_shared_in_whole_grams_and_the_crumbs_are_over()
    {
        var plan = Portion(Week(Cook(5)));
        var weighed = plan.Weigh(plan.Batches[0].Id, new("", 2958, 1100, "the large pot")).Value;
        Assert.All(weighed.Containers, box => Assert.Equal(371, box.Grams.Single()));
        Assert.Equal(3, weighed.Over(weighed.Batches[0], weighed.Batches[0].Yields[0]));
        Assert.Equal(1858 / 5m, weighed.Batches[0].GramsPerPortion(weighed.Batches[0].Lots[0]));
        var other = weighed.Weigh(plan.Batches[0].Id, new("", 1098, 0, "")).Value;
        Assert.All(other.Containers, box => Assert.Equal(219, box.Grams.Single()));
        Assert.Equal(3, other.Over(other.Batches[0], other.Batches[0].Yields.Single()));
    }

    [Fact]
    public void Unequal_shares_keep_their_ratio_and_a_share_in_grams_is_what_its_box_got()
    {
        var plan = Place(Place(Week(Cook(4)), 1, 1.5m), 2);
        plan = plan.ChangeSize(At(plan, 2).Id, new(1), new(175, true)).Value;
        var weighed = Portion(plan).Weigh(plan.Batches[0].Id, new("", 2000, 0, "")).Value;
        Assert.Equal([750, 250, 500, 500], weighed.Containers.Select(box => box.Grams.Single()));
        Assert.Equal(new DrawSize(0.5m), At(weighed, 2).Size);
        // Taken in grams after it was weighed, and weighed once more: the ratio stays.
        var regrammed = weighed.ChangeSize(At(weighed, 1).Id, new(1.5m), new(500, true)).Value;
        var again = regrammed.Weigh(plan.Batches[0].Id, new("", 1000, 0, "")).Value;
        Assert.Equal(new DrawSize(1), At(again, 1).Size);
    }

    [Fact]
    public void Each_part_is_weighed_by_itself_and_the_rest_of_a_divided_portion_has_a_box_too()
    {
        var plan = Portion(Place(Week(Cook(2, "", "Sauce")), 1, 1, "Sauce"));
        Assert.Equal(
            [
                ["Sauce"],
                null,
                [""],
            ],
            plan.Containers.Select(box => box.Parts)
        );
        var weighed = plan.Weigh(plan.Batches[0].Id, new("Sauce", 120, 20, "")).Value;
        Assert.Equal(
            [
                [50],
                [300, 50],
                [300],
            ],
            weighed.Containers.Select(box => box.Grams)
        );
        Assert.Equal(350, weighed.Batches[0].GramsPerPortion(weighed.Batches[0].Lots[0]));
        Assert.Equal("unknown-part", plan.Weigh(plan.Batches[0].Id, new("Crumble", 120, 20, "")).Refusal?.Code);
    }

    [Theory]
    [InlineData(0, 0, "weight-out-of-range")]
    [InlineData(1, 0, null)]
    [InlineData(100_000, 0, null)]
    [InlineData(100_001, 0, "weight-out-of-range")]
    [InlineData(500, -1, "weight-out-of-range")]
    [InlineData(500, 499, null)]
    [InlineData(500, 500, "tare-too-large")]
    public void A_weight_that_no_scale_shows_is_refused(int gross, int tare, string? code)
    {
        var plan = Portion(Week(Cook(1)));
        Assert.Equal(code, plan.Weigh(plan.Batches[0].Id, new("", gross, tare, "")).Refusal?.Code);
        Assert.Equal(
            "not-portioned",
            Week(Cook(1)) is var planned ? planned.Weigh(planned.Batches[0].Id, new("", 500, 0, "")).Refusal?.Code : null
        );
        Assert.Equal("name-length", plan.Weigh(plan.Batches[0].Id, new("", 500, 0, new string('x', 61))).Refusal?.Code);
    }

    [Fact]
    public void A_portioned_batch_is_not_cooked_larger_and_leaves_the_bench_box_by_box()
    {
        var plan = Portion(Week(Cook(2)));
        Assert.Equal("batch-portioned", plan.Resize(plan.Batches[0].Id, 3).Refusal?.Code);
        Assert.Equal("batch-portioned", plan.Remove(plan.Batches[0].Id).Refusal?.Code);
    }

    [Fact]
    public void Placing_takes_the_box_that_must_go_first_and_leaves_the_freezer_for_last()
    {
        var plan = Portion(Week(Cook(3)));
        plan = Tell(plan, plan.Containers[0].Id, BoxEventKind.Frozen).Value;
        plan = Place(plan, 1);
        Assert.Equal(plan.Containers[1].Id, At(plan, 1).Container);
        // Saturday's food keeps until Wednesday in the fridge, that day too: Friday's comes out of the freezer.
        Assert.Equal(plan.Containers[2].Id, At(Place(plan, 3), 3).Container);
        plan = Place(plan, 5);
        Assert.Equal(plan.Containers[0].Id, At(plan, 5).Container);
        plan = Place(plan, 2, 0.5m);
        Assert.Equal((plan.Containers[2].Id, 0.5m), (At(plan, 2).Container, plan.Loose(plan.Batches[0])));
        // The other half of a box that was opened for half a portion.
        Assert.Equal(plan.Containers[2].Id, At(Place(plan, 3), 3).Container);
        Assert.Equal("nothing-loose", plan.ChangeSize(At(plan, 1).Id, new(1), new(1.25m)).Refusal?.Code);
    }
}

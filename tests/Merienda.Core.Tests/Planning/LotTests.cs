using Merienda.Core.Keeping;
using Merienda.Core.Planning;

namespace Merienda.Core.Tests.Planning;

/// <summary>A batch of two variants beside another batch: what is done to one lot, part or batch is done to no other.</summary>
public class LotTests
{
    private static readonly DateOnly Sunday = new(2026, 11, 22);
    private static readonly DateTimeOffset Noon = new(2026, 11, 22, 12, 0, 0, TimeSpan.Zero);
    private static readonly Guid Eater = Guid.NewGuid();
    private static readonly Lot Plain = new(Guid.NewGuid(), null, 4) { PlannedGrams = [200, 100] };
    private static readonly Lot Spicy = Plain with { Id = Guid.NewGuid(), Variant = "hot", Portions = 3 };
    private static readonly ContainerKind[] Kinds =
    [
        new(Guid.NewGuid(), "pot", 400, 9, "glass", true, true, true),
        new(Guid.NewGuid(), "pot", 400, 9, "glass", true, true, true),
    ];

    private static Cell Cell(int day, string meal = "supper") => new(Sunday.AddDays(day), meal, Eater);

    private static readonly Batch Stew = new(Guid.NewGuid(), "A", Sunday, [Plain, Spicy]) { Parts = ["stew", "rice"] };

    private static readonly Batch Soup = Cooked.Batch("B", Sunday, 5).Weighing(300);

    private static readonly WeekPlan Both = new(Sunday, [Stew, Soup], [], []);

    private static WeekPlan Place(WeekPlan plan, Batch batch, int day, decimal wanted = 1, params string[] parts) =>
        plan.Place(batch.Id, Cell(day), wanted, Guid.NewGuid, parts.Length == 0 ? null : parts).Value;

    private static WeekPlan Portion(WeekPlan plan, Batch batch) => plan.Portion(batch.Id, Kinds, (Noon, Sunday), Guid.NewGuid).Value;

    private static Draw At(WeekPlan plan, int day) => plan.At(Cell(day))!.Draws.Last();

    private static Batch Now(WeekPlan plan, Batch batch) => plan.BatchWithId(batch.Id)!;

    [Fact]
    public void Four_of_one_and_three_of_the_other_are_seven_and_the_fuller_lot_gives_first()
    {
        var plan = Place(Both, Stew, 1, 1.5m);
        Assert.Equal(Plain.Id, At(plan, 1).Lot);
        Assert.Equal((7m, 1.5m, 5.5m), (Stew.Portions, plan.Placed(Stew), plan.Loose(Stew)));
        plan = Place(plan, Stew, 2);
        Assert.Equal(Spicy.Id, At(plan, 2).Lot);
        Assert.Equal((2.5m, 2.5m, 2m, 4.5m), (plan.Placed(Stew), plan.Loose(Stew, Plain), plan.Loose(Stew, Spicy), plan.Loose(Stew)));
        Assert.Equal((0m, 5m), (plan.Placed(Soup), plan.Loose(Soup)));
    }

    [Fact]
    public void A_batch_counts_by_the_part_that_most_is_taken_of()
    {
        var plan = Place(Place(Both, Stew, 1, 1, "rice"), Stew, 2, 1, "rice");
        Assert.Equal((2m, 5m), (plan.Placed(Stew), plan.Loose(Stew)));
        Assert.Equal(4, plan.Loose(Stew, Plain, "stew"));
        Assert.Equal("unknown-part", plan.Place(Stew.Id, Cell(3), 1, Guid.NewGuid, ["sauce"]).Refusal?.Code);
        Assert.Contains("stew, rice", plan.Place(Stew.Id, Cell(3), 1, Guid.NewGuid, ["sauce"]).Refusal!.Cure, StringComparison.Ordinal);
        Assert.Contains("the main part", plan.Place(Soup.Id, Cell(3), 1, Guid.NewGuid, ["sauce"]).Refusal!.Cure, StringComparison.Ordinal);
    }

    [Fact]
    public void More_is_cooked_of_the_lot_with_most_to_give_and_of_no_other()
    {
        var plan = Place(Place(Both, Stew, 1, 2), Stew, 2, 0.25m);
        // Two of four are left of the plain one, 2.75 of three of the hot one.
        Assert.Equal([4m, 4m], Now(plan.Resize(Stew.Id, 8).Value, Stew).Lots.Select(lot => lot.Portions));
        Assert.Equal([4m, 0.25m], Now(plan.Resize(Stew.Id, 4.25m).Value, Stew).Lots.Select(lot => lot.Portions));
        Assert.Equal("batch-too-small", plan.Resize(Stew.Id, 4).Refusal?.Code);
        Assert.Equal(5, Now(plan.Resize(Stew.Id, 8).Value, Soup).Portions);
        Assert.Equal("portions-out-of-range", plan.Resize(Stew.Id, 60.25m).Refusal?.Code);
        Assert.Null(plan.Resize(Stew.Id, 60).Refusal);
    }

    [Fact]
    public void A_batch_that_is_taken_off_takes_its_own_portions_along_and_leaves_the_other_ones()
    {
        var plan = Portion(Place(Place(Both, Stew, 1), Soup, 1), Soup);
        var without = plan.Remove(Stew.Id).Value;
        Assert.Equal([Soup.Id], without.Batches.Select(batch => batch.Id));
        Assert.Equal([Soup.Id], without.At(Cell(1))!.Draws.Select(draw => draw.Batch));
        Assert.Equal(plan.Containers, without.Containers);
        Assert.Equal("batch-portioned", plan.Remove(Soup.Id).Refusal?.Code);
        Assert.Equal("batch-portioned", plan.Resize(Soup.Id, 0).Refusal?.Code);
        Assert.Equal("batch-gone", plan.Resize(Guid.NewGuid(), 3).Refusal?.Code);
    }

    [Fact]
    public void Boxes_are_filled_lot_by_lot_with_what_each_part_weighs()
    {
        var plan = Portion(Place(Place(Both, Stew, 2), Soup, 1), Stew);
        Assert.Equal([4m, 3m], Stew.Lots.Select(lot => plan.Containers.Where(box => box.Lot == lot.Id).Sum(box => box.Portions)));
        Assert.All(plan.Containers, box => Assert.Equal([200m, 100m], box.Grams));
        Assert.All(plan.Containers, box => Assert.Equal(("pot", "glass"), (box.Kind, box.Material)));
        Assert.Null(At(plan, 1).Container);
        Assert.NotNull(At(plan, 2).Container);
        Assert.Equal(6, plan.Loose(Now(plan, Stew)));
        Assert.Equal((3m, 3m), (plan.Loose(Now(plan, Stew), Plain), plan.Loose(Now(plan, Stew), Spicy)));
    }

    [Fact]
    public void Eighteen_pots_in_two_rows_are_eighteen()
    {
        var many = Cooked.Batch("C", Sunday, 19).Weighing(300);
        var plan = Portion(new(Sunday, [many], [], []), many);
        Assert.Equal(18, plan.Containers.Count(box => box.Kind == "pot"));
        Assert.Equal(["", "pot"], plan.Containers.Select(box => box.Kind).Distinct().Order(StringComparer.Ordinal));
    }

    [Fact]
    public void Weighing_one_part_leaves_the_other_part_and_the_other_batch_as_they_were()
    {
        var plan = Portion(Portion(Place(Both, Stew, 2), Stew), Soup);
        var weighed = plan.Weigh(Stew.Id, new("rice", 1_000, 300, "pot")).Value;
        Assert.All(weighed.ContainersOf(Stew.Id), box => Assert.Equal([200m, 100m], box.Grams));
        weighed = plan.Weigh(Stew.Id, new("rice", 1_006, 300, "pot")).Value;
        Assert.Equal(plan.ContainersOf(Soup.Id), weighed.ContainersOf(Soup.Id));
        Assert.Equal(6, weighed.Over(Now(weighed, Stew), Now(weighed, Stew).Yields[0]));
        weighed = plan.Weigh(Stew.Id, new("stew", 2_100, 0, "pot")).Value;
        Assert.All(weighed.ContainersOf(Stew.Id), box => Assert.Equal([300m, 100m], box.Grams));
        Assert.Equal(0, weighed.Over(Now(weighed, Stew), Now(weighed, Stew).Yields[0]));
        Assert.Contains("stew, rice", plan.Weigh(Stew.Id, new("sauce", 9, 0, "")).Refusal!.Cure, StringComparison.Ordinal);
        Assert.Contains("the main part", plan.Weigh(Soup.Id, new("sauce", 9, 0, "")).Refusal!.Cure, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(60, null)]
    [InlineData(61, "name-length")]
    public void A_vessel_has_a_name_of_at_most_60_characters(int length, string? code) =>
        Assert.Equal(code, Portion(Both, Soup).Weigh(Soup.Id, new("", 1_000, 0, new('x', length))).Refusal?.Code);

    [Fact]
    public void What_is_thrown_away_of_two_boxes_is_gone_of_their_batch_and_of_no_other()
    {
        var plan = Portion(Portion(Both, Stew), Soup);
        var boxes = plan.ContainersOf(Stew.Id).Take(2).ToList();
        foreach (var box in boxes)
        {
            plan = plan.Tell(box.Id, new(Guid.NewGuid(), BoxEventKind.Discarded, Noon, null, "burnt"), Sunday, Noon).Value;
        }

        Assert.Equal(
            (2m, 5m, 0m, 5m),
            (plan.Gone(Now(plan, Stew)), plan.Loose(Now(plan, Stew)), plan.Gone(Now(plan, Soup)), plan.Loose(Now(plan, Soup)))
        );
    }

    [Fact]
    public void A_meal_that_nobody_plans_any_more_is_shown_in_a_week_in_which_something_stands_in_it()
    {
        var former = Rhythm.Usual.Meals.Select(slot => slot.Key == "supper" ? slot with { IsFormer = true } : slot);
        var plan = Both with { Rhythm = Rhythm.Of(DayOfWeek.Sunday, [.. former], []) };
        Assert.DoesNotContain("supper", plan.Meals.Select(slot => slot.Key));
        Assert.Contains("lunch", plan.Meals.Select(slot => slot.Key));
        Assert.Contains("supper", Place(plan, Soup, 1).Meals.Select(slot => slot.Key));
        var noted = plan with { Servings = [new(Guid.NewGuid(), Cell(1), []) { Note = "out" }] };
        Assert.DoesNotContain("supper", noted.Meals.Select(slot => slot.Key));
        var lunch = plan.Place(Soup.Id, Cell(1, "lunch"), 1, Guid.NewGuid).Value;
        Assert.DoesNotContain("supper", lunch.Meals.Select(slot => slot.Key));
        var nextWeek = Place(plan, Soup, 1) with { Start = Sunday.AddDays(7) };
        Assert.DoesNotContain("supper", nextWeek.Meals.Select(slot => slot.Key));
    }

    [Fact]
    public void A_batch_is_cooked_for_the_week_in_which_its_session_is_first_eaten()
    {
        PrepSession On(DateOnly date, DateOnly eatenFrom) => new(Guid.NewGuid(), date, eatenFrom, new(12, 0), 1, "prep");
        Assert.True((Both with { Sessions = [On(Sunday, Sunday.AddDays(1))] }).IsCookedForIt(Soup));
        Assert.False((Both with { Sessions = [On(Sunday, Sunday.AddDays(7))] }).IsCookedForIt(Soup));
        Assert.False((Both with { Sessions = [On(Sunday.AddDays(1), Sunday.AddDays(2))] }).IsCookedForIt(Soup));
        Assert.Equal([Stew, Soup], (Both with { Sessions = [On(Sunday, Sunday)] }).CookedForIt);
    }
}

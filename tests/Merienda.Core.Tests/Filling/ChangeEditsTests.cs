using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Tests.Planning;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Filling;

/// <summary>A change of a week taken as one: all of it, or nothing and why.</summary>
public class ChangeEditsTests
{
    private static readonly DateOnly Saturday = Sunday.AddDays(-1);
    private static readonly Guid Eater = Guid.NewGuid();

    private static readonly RecipeVersion Stew = new()
    {
        Name = "Stew",
        Portions = 4,
        Lines = [Line("600 g beef shin")],
        Keeping = KeepingClass.WithKey("cooked")!,
        Variants = [new("Light")],
    };

    private static Cell Supper(int day) => new(Sunday.AddDays(day), "supper", Eater);

    private static WeekPlan Empty => new(Sunday, [], [], []);

    private static MealChange New(int day, decimal size, string? variant = null) =>
        new(Supper(day), null, new(1, variant, null, null, size, "Stew"));

    private static readonly NewBatch Cook = new(1, Guid.NewGuid(), Guid.NewGuid(), "Stew", Saturday);

    private static Result<(WeekPlan Plan, IReadOnlyDictionary<int, Batch> Made)> Take(
        WeekPlan plan,
        WeekChange change,
        Func<Guid, RecipeVersion, Refusal?>? stop = null
    ) =>
        plan.Take(
            change,
            _ => Stew,
            (_, _) => Stew,
            text => ReadyFood.Read(text, Data.Foods, MeasureSystem.Metric),
            stop ?? ((_, _) => null),
            Guid.NewGuid
        );

    private static WeekPlan With(Batch batch, params (int Day, decimal Size)[] placed) =>
        placed.Aggregate(
            new WeekPlan(Sunday, [batch], [], []) { Sessions = [Rhythm.Usual.SessionOn(Saturday, Sunday, Guid.NewGuid())] },
            (plan, one) => plan.Place(batch.Id, Supper(one.Day), one.Size, Guid.NewGuid).Value
        );

    private static Draw At(WeekPlan plan, int day) => plan.At(Supper(day))!.Draws.Single();

    [Fact]
    public void A_new_batch_has_as_many_whole_portions_as_its_meals_take_of_each_variant()
    {
        var taken = Take(Empty, new([Cook], [New(0, 1), New(1, 1.25m), New(2, 0.75m, "Light"), New(3, 0.75m, "Light")])).Value;
        var batch = Assert.Single(taken.Plan.Batches);

        Assert.Equal(("A", Saturday), (batch.Letter, batch.Cooked));
        Assert.Equal([(null, 3m), ("Light", 2m)], batch.Lots.Select(lot => (lot.Variant, lot.Portions)));
        Assert.Equal(1.25m, At(taken.Plan, 1).Size.Amount);
        Assert.Equal("Light", batch.LotOf(At(taken.Plan, 2)).Variant);
        Assert.Contains(taken.Plan.Sessions, session => session.Date == Saturday);
        Assert.Same(batch, taken.Made[1]);
    }

    [Fact]
    public void Something_bought_stands_on_its_meal_as_it_says_and_stops_at_what_somebody_must_not_have()
    {
        MealChange Bought(string line, ItemSeen? off = null) => new(Supper(0), off, new(null, null, null, null, 1, "Skyr", line));
        var taken = Take(Empty, new([], [Bought("150 g skyr")])).Value.Plan;
        Assert.Equal("Skyr", Assert.IsType<ReadyFood>(Assert.Single(taken.At(Supper(0))!.Items)).Line.Name);
        Assert.Empty(taken.Batches);

        var batch = Cooked.Batch("A", Saturday, 2);
        var plan = With(batch, (0, 1));
        var changed = Take(plan, new([], [Bought("150 g skyr", new(At(plan, 0).Id, 1))])).Value.Plan;
        Assert.IsType<ReadyFood>(Assert.Single(changed.At(Supper(0))!.Items));

        Assert.Equal("ready-amount-missing", Take(Empty, new([], [Bought("skyr")])).Refusal!.Code);
        Refusal? Milk(Guid eater, RecipeVersion dish) =>
            dish.Lines[0].Name == "Skyr" ? new("allergy", "dish", "Skyr", "milk", "none") : null;
        Assert.Equal("allergy", Take(Empty, new([], [Bought("150 g skyr")]), Milk).Refusal!.Code);
        Assert.Equal("meal-changed", Take(taken, new([], [Bought("150 g skyr")])).Refusal!.Code);
    }

    [Fact]
    public void Meals_that_are_left_alone_are_not_cooked_for()
    {
        var change = new WeekChange([Cook, Cook with { Number = 2 }], [New(0, 1), New(1, 1)]);
        var without = change.Without(new HashSet<Cell> { Supper(1) });

        Assert.Equal([1], without.Batches.Select(batch => batch.Number));
        Assert.Equal(1, Assert.Single(Take(Empty, without).Value.Plan.Batches).Portions);
        Assert.True(change.Without(new HashSet<Cell> { Supper(0), Supper(1) }).IsEmpty);
    }

    [Fact]
    public void What_is_planned_grows_by_whole_portions_when_more_of_it_is_taken()
    {
        var batch = Cooked.Batch("A", Saturday, 2);
        var plan = With(batch, (0, 1));
        var more = new MealChange(Supper(1), null, new(null, null, batch.Id, batch.Lots[0].Id, 1.5m, "A"));
        var taken = Take(plan, new([], [more])).Value.Plan;

        Assert.Equal(3, taken.Batches[0].Portions);
        Assert.Equal(0.5m, taken.Loose(taken.Batches[0]));
    }

    [Fact]
    public void A_meal_changes_its_dish_or_its_size_and_what_comes_off_is_loose()
    {
        var batch = Cooked.Batch("A", Saturday, 4);
        var plan = With(batch, (0, 1), (1, 1));
        ItemSeen Seen(int day) => new(At(plan, day).Id, 1);
        var smaller = new MealChange(Supper(0), Seen(0), new(null, null, batch.Id, batch.Lots[0].Id, 0.75m, "A"));
        var other = new MealChange(Supper(1), Seen(1), new(1, null, null, null, 1, "Stew"));
        var nothing = new MealChange(Supper(1), Seen(1), null);

        var taken = Take(plan, new([Cook], [smaller, other])).Value.Plan;
        Assert.Equal(0.75m, At(taken, 0).Size.Amount);
        Assert.Equal("B", taken.BatchWithId(At(taken, 1).Batch)!.Letter);
        Assert.Equal(3.25m, taken.Loose(taken.Batches[0]));
        Assert.Empty(Take(plan, new([], [nothing])).Value.Plan.At(Supper(1))!.Items);
    }

    [Fact]
    public void A_meal_that_is_another_one_by_now_is_named_and_nothing_is_changed()
    {
        var batch = Cooked.Batch("A", Saturday, 4);
        var plan = With(batch, (0, 1));
        var change = new WeekChange([Cook], [New(0, 1)]);
        string Why(WeekPlan week, WeekChange asked) =>
            Take(week, asked).Refusal is { Code: "meal-changed" } refusal ? $"{refusal.Value}: {refusal.Reason}" : "";

        Assert.Equal("Sunday, supper: something stands there by now", Why(plan, change));
        Assert.Equal(
            "Sunday, supper: it is locked by now",
            Why(Empty.Say(Supper(0), ServingState.Planned, true, "", Guid.NewGuid).Value, change)
        );
        Assert.Equal(
            "Sunday, supper: it is settled by now",
            Why(Empty.Say(Supper(0), ServingState.Out, false, "", Guid.NewGuid).Value, change)
        );
        var seen = new ItemSeen(At(plan, 0).Id, 1);
        Assert.Equal("", Why(plan, new([], [new(Supper(0), seen, null)])));
        Assert.Equal("Sunday, supper: it is another one by now", Why(plan, new([], [new(Supper(0), seen with { Portions = 2 }, null)])));
        Assert.Equal(
            "Sunday, supper: it is another one by now",
            Why(plan, new([], [new(Supper(0), seen with { Item = Guid.NewGuid() }, null)]))
        );
        Assert.Equal("Monday, supper: it is another one by now", Why(plan, new([], [new(Supper(1), seen, null)])));
    }

    [Fact]
    public void Nobody_gets_what_an_allergy_forbids_and_nothing_comes_of_a_batch_that_is_gone()
    {
        var stop = new Refusal("allergy", "eater", "Ilse", "Ilse is allergic", "Give another dish");
        Assert.Same(
            stop,
            Take(Empty, new([Cook], [New(0, 1)]), (eater, dish) => eater == Eater && dish.Name == "Stew" ? stop : null).Refusal
        );
        var there = Cooked.Batch("A", Saturday, 4);
        var placed = new MealChange(Supper(1), null, new(null, null, there.Id, there.Lots[0].Id, 1, "A"));
        Assert.Null(Take(With(there), new([], [placed])).Refusal);
        Assert.Same(stop, Take(With(there), new([], [placed]), (_, dish) => dish.Name == "Stew" ? stop : null).Refusal);
        foreach (var size in new[] { 0, -1, 0.3m, 4.25m })
        {
            Assert.Equal(
                "size-out-of-range",
                Take(With(there), new([], [placed with { On = placed.On! with { Size = size } }])).Refusal?.Code
            );
        }

        var gone = new MealChange(Supper(1), null, new(null, null, Guid.NewGuid(), Guid.NewGuid(), 1, "A"));
        Assert.Equal("batch-gone", Take(Empty, new([], [gone])).Refusal?.Code);
        var batch = Cooked.Batch("A", Saturday, 4);
        Assert.Equal("lot-gone", Take(With(batch), new([], [gone with { On = gone.On! with { Batch = batch.Id } }])).Refusal?.Code);
        var late = new WeekChange([Cook with { Cooked = Sunday.AddDays(20) }], [New(0, 1)]);
        Assert.Equal("session-out-of-week", Take(Empty, late).Refusal?.Code);
    }

    [Fact]
    public void A_batch_in_boxes_grows_no_more()
    {
        var batch = Cooked.Batch("A", Saturday, 1);
        var plan = With(batch);
        var boxed = (plan with { Batches = [batch with { PortionedOn = Saturday }] });
        var more = new MealChange(Supper(1), null, new(null, null, batch.Id, batch.Lots[0].Id, 1, "A"));
        Assert.Equal("nothing-loose", Take(boxed, new([], [more])).Refusal?.Code);
    }
}

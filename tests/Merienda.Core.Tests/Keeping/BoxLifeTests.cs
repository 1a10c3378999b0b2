using CsCheck;
using Merienda.Core.Keeping;

namespace Merienda.Core.Tests.Keeping;

public class BoxLifeTests
{
    private static readonly DateOnly Saturday = new(2026, 11, 21);
    private static readonly KeepingClass Cooked = KeepingClass.WithKey("cooked")!;

    private static BoxEvent Said(BoxEventKind kind, int day, decimal portions = 0) =>
        new(
            Guid.NewGuid(),
            kind,
            new(Saturday.AddDays(day).ToDateTime(new(12, 0)), TimeSpan.Zero),
            Saturday.AddDays(day),
            portions,
            null,
            ""
        );

    private static BoxState Fold(params BoxEvent[] life) => BoxState.Of(1, [""], Saturday, life);

    [Fact]
    public void A_box_that_nobody_spoke_of_stands_in_the_fridge_since_its_session()
    {
        var state = Fold();
        Assert.Equal((BoxPlace.Fridge, 1m, Saturday), (state.Place, state.Left, state.Made));
        Assert.Equal(Saturday.AddDays(4), state.EatBy(Cooked));
    }

    [Theory]
    [InlineData(0, 5, 7)] // frozen at once: all its time is left, two days of it count
    [InlineData(2, 5, 7)] // two of four days left
    [InlineData(3, 5, 6)] // one
    [InlineData(4, 5, 5)] // none: eaten on the day it is thawed
    [InlineData(9, 12, 12)] // frozen too late: the clock is not turned back
    public void What_was_thawed_has_what_was_left_of_its_time_at_most_two_days(int frozen, int thawed, int eatBy)
    {
        var state = Fold(Said(BoxEventKind.Frozen, frozen), Said(BoxEventKind.ToFridge, thawed));
        Assert.Equal(Saturday.AddDays(eatBy), state.EatBy(Cooked));
    }

    [Fact]
    public void In_the_freezer_no_day_of_the_fridge_runs()
    {
        var state = Fold(Said(BoxEventKind.Frozen, 1));
        Assert.Equal((BoxPlace.Freezer, Saturday.AddDays(1)), (state.Place, state.FrozenOn));
        Assert.Null(state.EatBy(Cooked));
    }

    [Fact]
    public void Freezing_again_what_was_thawed_does_not_begin_a_new_clock()
    {
        var state = Fold(
            Said(BoxEventKind.Frozen, 1),
            Said(BoxEventKind.ToFridge, 2),
            Said(BoxEventKind.Frozen, 3),
            Said(BoxEventKind.ToFridge, 9)
        );
        Assert.Equal((Saturday.AddDays(1), Saturday.AddDays(2)), (state.FrozenOn, state.ThawedOn));
        Assert.Equal(Saturday.AddDays(4), state.EatBy(Cooked));
    }

    [Fact]
    public void Of_two_things_said_at_once_the_fridge_comes_before_the_freezer()
    {
        var (cold, thawed) = (Said(BoxEventKind.Frozen, 2), Said(BoxEventKind.ToFridge, 2));
        var before = Said(BoxEventKind.Frozen, 1);
        Assert.Equal(BoxPlace.Freezer, Fold(before, cold, thawed).Place);
        Assert.Equal(Fold(before, cold, thawed), Fold(thawed, cold, before));
    }

    [Fact]
    public void What_moves_a_box_takes_nothing_out_of_it_whatever_number_is_said_with_it() =>
        Assert.Equal(0.5m, Fold(Said(BoxEventKind.Frozen, 1, 0.5m), Said(BoxEventKind.Eaten, 2, 0.5m)).Left);

    [Fact]
    public void A_box_is_gone_with_the_last_of_it_and_never_holds_less_than_nothing()
    {
        var half = Fold(Said(BoxEventKind.Eaten, 1, 0.5m));
        Assert.Equal((BoxPlace.Fridge, 0.5m, null), (half.Place, half.Left, half.GoneOn));
        var gone = Fold(Said(BoxEventKind.Eaten, 1, 0.5m), Said(BoxEventKind.Given, 2, 0.5m), Said(BoxEventKind.Eaten, 3, 0.5m));
        Assert.Equal((BoxPlace.Gone, 0m, Saturday.AddDays(2)), (gone.Place, gone.Left, gone.GoneOn));
    }

    [Fact]
    public void A_part_that_is_eaten_by_itself_leaves_the_others()
    {
        var sauce = Said(BoxEventKind.Eaten, 1, 1) with { Parts = ["Sauce"] };
        BoxEvent[] life = [sauce, Said(BoxEventKind.Eaten, 2, 0.5m)];
        Assert.Equal((0m, 0.5m), (BoxState.LeftOf("Sauce", 1, life), BoxState.LeftOf("", 1, life)));
        Assert.Equal(
            (BoxPlace.Fridge, 0.5m),
            BoxState.Of(1, ["", "Sauce"], Saturday, life) is var state ? (state.Place, state.Left) : default
        );
    }

    [Fact]
    public void Who_cooks_a_day_early_has_a_clock_that_runs_since_then()
    {
        var early = Said(BoxEventKind.Made, -1);
        Assert.Equal(Saturday.AddDays(3), Fold(early).EatBy(Cooked));
    }

    [Fact]
    public void What_was_said_before_the_portioning_was_written_down_happened_all_the_same()
    {
        var state = Fold(Said(BoxEventKind.Frozen, 1), Said(BoxEventKind.Made, 3) with { On = Saturday });
        Assert.Equal((BoxPlace.Freezer, Saturday, Saturday.AddDays(1)), (state.Place, state.Made, state.FrozenOn));
    }

    [Fact]
    public void In_whatever_order_events_become_known_and_however_often_the_box_is_the_same() =>
        Gen.Select(Gen.Int[1, 5], Gen.Int[0, 9], Gen.Int[0, 3])
            .Array[0, 12]
            .SelectMany(life =>
                Gen.Shuffle(
                        life.Select(one => Said((BoxEventKind)one.Item1, one.Item2, one.Item1 > 2 ? one.Item3 / 4m : 0)).ToArray(),
                        life.Length
                    )
                    .Select(shuffled =>
                        (life: shuffled.OrderBy(said => said.At).ThenBy(said => said.Kind).ThenBy(said => said.Id).ToArray(), shuffled)
                    )
            )
            .Sample((life, shuffled) => Fold(life) == Fold([.. shuffled, .. shuffled.Take(3)]));
}

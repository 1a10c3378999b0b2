using Merienda.Core.Planning;

namespace Merienda.Core.Tests.Planning;

public class SessionEditsTests
{
    private static readonly DateOnly Sunday = new(2026, 11, 22);
    private static readonly TimeOnly Noon = new(12, 0);
    private static readonly Guid Eater = Guid.NewGuid();

    /// <summary>Day −1 is the Saturday before.</summary>
    private static Batch Cook(string letter, int day) => Cooked.Batch(letter, Sunday.AddDays(day), 4);

    private static PrepSession On(int day, int eatenFrom) =>
        new(Guid.NewGuid(), Sunday.AddDays(day), Sunday.AddDays(eatenFrom), Noon, 1, "prep");

    private static WeekPlan Week(IReadOnlyList<PrepSession> sessions, params Batch[] batches) =>
        new(Sunday, batches, [], []) { Sessions = sessions };

    private static WeekPlan Eaten(WeekPlan plan, Batch batch, int day) =>
        plan.Place(batch.Id, new Cell(Sunday.AddDays(day), "supper", Eater), 1, Guid.NewGuid).Value;

    [Fact]
    public void A_session_on_another_date_takes_its_batches_along()
    {
        var (one, other) = (Cook("A", -1), Cook("B", 3));
        var plan = Eaten(Week([On(-1, 0), On(3, 4)], one, other), one, 1);
        var moved = plan.ChangeSession(Sunday.AddDays(-1), Sunday, new(9, 30, 20), 2, " early ").Value;
        Assert.Equal([Sunday, Sunday.AddDays(3)], moved.Batches.Select(batch => batch.Cooked));
        var session = moved.Sessions[0];
        Assert.Equal(
            (Sunday, Sunday.AddDays(1), new TimeOnly(9, 30), 2, "early"),
            (session.Date, session.EatenFrom, session.Start, session.Cooks, session.Name)
        );
        Assert.Equal(plan.Sessions[0].Id, session.Id);
        Assert.Equal(plan.Servings, moved.Servings);
    }

    [Fact]
    public void A_session_joins_the_one_that_is_on_that_date()
    {
        var (one, other) = (Cook("A", -1), Cook("B", 3));
        var plan = Week([On(-1, 0), On(3, 4)], one, other);
        var moved = plan.ChangeSession(Sunday.AddDays(-1), Sunday.AddDays(3), Noon, 1, "all at once").Value;
        Assert.All(moved.Batches, batch => Assert.Equal(Sunday.AddDays(3), batch.Cooked));
        Assert.Equal(["prep", "all at once"], moved.Sessions.Select(session => session.Name));
        Assert.Equal(2, moved.CookedForIt.Count());
    }

    [Fact]
    public void Its_first_day_stays_in_the_week_it_is_cooked_for()
    {
        var batch = Cook("A", -1);
        var plan = Week([On(-1, 0)], batch);
        foreach (var day in new[] { -6, -2, 0, 6 })
        {
            var moved = plan.ChangeSession(Sunday.AddDays(-1), Sunday.AddDays(day), Noon, 1, "prep").Value;
            Assert.True(moved.IsCookedForIt(moved.Batches[0]));
        }

        Assert.Equal("session-out-of-week", plan.ChangeSession(Sunday.AddDays(-1), Sunday.AddDays(-7), Noon, 1, "prep").Refusal?.Code);
        Assert.Equal("session-out-of-week", plan.ChangeSession(Sunday.AddDays(-1), Sunday.AddDays(7), Noon, 1, "prep").Refusal?.Code);
    }

    [Fact]
    public void What_is_eaten_before_is_not_cooked_later()
    {
        var batch = Cook("A", -1);
        var plan = Eaten(Week([On(-1, 0)], batch), batch, 2);
        Assert.False(plan.ChangeSession(Sunday.AddDays(-1), Sunday.AddDays(2), Noon, 1, "prep").IsRefused);
        Assert.Equal("eaten-before", plan.ChangeSession(Sunday.AddDays(-1), Sunday.AddDays(3), Noon, 1, "prep").Refusal?.Code);
        Assert.Equal("eaten-before", plan.CookOn(batch.Id, Sunday.AddDays(3), Guid.NewGuid()).Refusal?.Code);
        Assert.False(plan.CookOn(batch.Id, Sunday.AddDays(2), Guid.NewGuid()).IsRefused);
    }

    [Fact]
    public void What_is_in_boxes_is_cooked()
    {
        var batch = Cook("A", -1) with { PortionedOn = Sunday };
        var plan = Week([On(-1, 0)], batch);
        Assert.Equal("batch-portioned", plan.CookOn(batch.Id, Sunday, Guid.NewGuid()).Refusal?.Code);
        Assert.Equal("batch-portioned", plan.ChangeSession(Sunday.AddDays(-1), Sunday, Noon, 1, "prep").Refusal?.Code);
        // Its hour may be put right all the same.
        Assert.False(plan.ChangeSession(Sunday.AddDays(-1), Sunday.AddDays(-1), new(10, 0), 2, "prep").IsRefused);
    }

    [Fact]
    public void It_is_eaten_earliest_first_whatever_was_placed_first()
    {
        var batch = Cook("A", -1);
        var plan = Eaten(Eaten(Week([On(-1, 0)], batch), batch, 5), batch, 2);
        Assert.Equal("eaten-before", plan.CookOn(batch.Id, Sunday.AddDays(3), Guid.NewGuid()).Refusal?.Code);
    }

    [Fact]
    public void A_session_that_is_there_is_not_made_anew_and_one_like_another_has_its_hour()
    {
        var (ours, theirs) = (On(3, 4), On(6, 7));
        var plan = Week([ours, theirs]);
        Assert.Same(plan, plan.WithSession(ours.Date, Guid.NewGuid()));
        Assert.Same(plan, plan.WithSession(theirs.Date, Guid.NewGuid()));
        var like = ours with { Start = new(7, 15), Cooks = 3, Name = "early" };
        var made = plan.WithSession(Sunday, Guid.NewGuid(), like).Sessions[^1];
        Assert.Equal((Sunday, new TimeOnly(7, 15), 3, "early"), (made.Date, made.Start, made.Cooks, made.Name));
    }

    [Fact]
    public void A_batch_is_cooked_on_another_day_in_the_session_of_that_day_or_a_new_one()
    {
        var batch = Cook("A", -1);
        var plan = Week([On(-1, 0), On(3, 4)], batch);
        var there = plan.CookOn(batch.Id, Sunday.AddDays(3), Guid.NewGuid()).Value;
        Assert.Equal((Sunday.AddDays(3), 2), (there.Batches[0].Cooked, there.Sessions.Count));
        var fresh = plan.CookOn(batch.Id, Sunday.AddDays(5), Guid.NewGuid()).Value;
        Assert.Equal((Sunday.AddDays(5), 3), (fresh.Batches[0].Cooked, fresh.Sessions.Count));
        Assert.True(fresh.IsCookedForIt(fresh.Batches[0]));
        Assert.Equal("batch-gone", plan.CookOn(Guid.NewGuid(), Sunday, Guid.NewGuid()).Refusal?.Code);
    }

    [Fact]
    public void A_day_on_which_another_week_is_cooked_for_is_refused()
    {
        var batch = Cook("A", -1);
        var plan = Week([On(-1, 0), On(6, 7)], batch);
        Assert.Equal("session-of-other-week", plan.CookOn(batch.Id, Sunday.AddDays(6), Guid.NewGuid()).Refusal?.Code);
        Assert.Equal("no-session", plan.ChangeSession(Sunday.AddDays(6), Sunday, Noon, 1, "prep").Refusal?.Code);
        Assert.Equal("no-session", plan.ChangeSession(Sunday.AddDays(2), Sunday, Noon, 1, "prep").Refusal?.Code);
    }

    [Fact]
    public void A_day_that_another_week_has_left_free_is_taken_over_as_the_weekday_has_it()
    {
        var batch = Cook("A", -1);
        var left = On(6, 7) with { IsFree = true, Name = "theirs" };
        var plan = Week([On(-1, 0), left], batch);
        var taken = plan.CookOn(batch.Id, left.Date, Guid.NewGuid()).Value.Sessions.Single(session => session.Date == left.Date);
        Assert.Equal(plan.Rhythm.SessionOn(left.Date, Sunday, left.Id), taken);
        var moved = plan.ChangeSession(Sunday.AddDays(-1), left.Date, Noon, 2, "ours").Value;
        Assert.Equal((left.Id, "ours", 2), (moved.Sessions[1].Id, moved.Sessions[1].Name, moved.Sessions[1].Cooks));
        Assert.True(moved.IsCookedForIt(moved.Batches[0]));
    }

    [Theory]
    [InlineData("", 1, "name-length")]
    [InlineData("prep", 0, "cooks-out-of-range")]
    [InlineData("prep", 4, null)]
    [InlineData("prep", 5, "cooks-out-of-range")]
    [InlineData("forty letters are the longest name it has", 1, "name-length")]
    [InlineData("forty letters are the longest name it ha", 1, null)]
    public void A_session_has_a_name_and_one_to_four_cooks(string name, int cooks, string? code) =>
        Assert.Equal(
            code,
            Week([On(-1, 0)], Cook("A", -1)).ChangeSession(Sunday.AddDays(-1), Sunday.AddDays(-1), Noon, cooks, name).Refusal?.Code
        );

    [Fact]
    public void It_is_cooking_from_its_first_step_on_and_portioned_when_all_of_it_is_in_boxes()
    {
        var (one, other) = (Cook("A", -1), Cook("B", -1));
        var day = one.Cooked;
        SessionState Of(bool begun, params Batch[] batches) =>
            Week([On(-1, 0)], batches).StateOf(day, batch => begun && batch.Letter == "A");
        Assert.Equal(SessionState.Planned, Of(true));
        Assert.Equal(SessionState.Planned, Of(false, one, other));
        Assert.Equal(SessionState.Cooking, Of(true, one, other));
        Assert.Equal(SessionState.Cooking, Of(false, one, other with { PortionedOn = day }));
        Assert.Equal(SessionState.Portioned, Of(false, one with { PortionedOn = day }, other with { PortionedOn = day }));
    }
}

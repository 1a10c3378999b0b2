using CsCheck;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;
using HouseholdTable = Merienda.Core.Planning.Table;

namespace Merienda.Core.Tests.Planning;

public class RhythmTests
{
    private static readonly DateOnly Sunday = new(2026, 11, 22);
    private static readonly TimeOnly Noon = new(12, 0);

    private static PrepDay On(DayOfWeek day, int eatenAfter = 1, int cooks = 1, string name = "prep") =>
        new(day, Noon, cooks, name, eatenAfter);

    private static Rhythm Weeks(DayOfWeek first, params PrepDay[] days) => Rhythm.Of(first, Rhythm.Usual.Slots, days);

    private static HouseholdTable At(Rhythm rhythm, params EaterSettings[] eaters) =>
        new(
            new Household(Guid.NewGuid(), "Brandt", "Europe/Lisbon", "metric", "point", rhythm, false),
            eaters,
            [],
            [],
            new TableKnowledge(Data.Classes, Data.HouseScheme, _ => true),
            Sunday
        );

    private static List<SaidMeal> Same(Rhythm rhythm) =>
        [.. rhythm.Meals.Select(meal => new SaidMeal(meal.Key, meal.Name, meal.Role, meal.At))];

    private static (Rhythm Rhythm, IReadOnlyList<EaterSettings> Eaters) Change(HouseholdTable table, params SaidMeal[] meals) =>
        table.ChangeRhythm(DayOfWeek.Sunday, meals, [], new HashSet<string>()).Value;

    private static string? Refused(IReadOnlyList<SaidMeal>? meals = null, IReadOnlyList<PrepDay>? days = null, params string[] planned) =>
        At(Rhythm.Usual).ChangeRhythm(DayOfWeek.Monday, meals ?? Same(Rhythm.Usual), days ?? [], planned.ToHashSet()).Refusal?.Code;

    [Theory]
    // Sunday's week of two sessions, on the Saturday before it and on its Wednesday.
    [InlineData(22, 22)]
    [InlineData(25, 22)] // the last one is today
    [InlineData(26, 29)]
    [InlineData(28, 29)] // the next one is today
    [InlineData(29, 29)]
    public void The_week_at_hand_is_the_next_one_once_the_sessions_of_this_one_are_over(int today, int start) =>
        Assert.Equal(
            new DateOnly(2026, 11, start),
            Weeks(DayOfWeek.Sunday, On(DayOfWeek.Saturday), On(DayOfWeek.Wednesday)).WeekAtHand(new(2026, 11, today))
        );

    [Theory]
    // One session: what was cooked is eaten first, and planned from three days before the next one.
    [InlineData(22, 22)]
    [InlineData(24, 22)]
    [InlineData(25, 29)]
    public void The_week_that_is_eaten_is_at_hand_while_the_next_session_is_far(int today, int start)
    {
        Assert.Equal(new DateOnly(2026, 11, start), Weeks(DayOfWeek.Sunday, On(DayOfWeek.Saturday)).WeekAtHand(new(2026, 11, today)));
        Assert.Equal(Sunday, Weeks(DayOfWeek.Sunday).WeekAtHand(new(2026, 11, today)));
    }

    [Theory]
    [InlineData(DayOfWeek.Sunday, 22, 22)]
    [InlineData(DayOfWeek.Sunday, 28, 22)]
    [InlineData(DayOfWeek.Monday, 22, 16)]
    [InlineData(DayOfWeek.Monday, 23, 23)]
    [InlineData(DayOfWeek.Saturday, 27, 21)]
    [InlineData(DayOfWeek.Saturday, 28, 28)]
    public void A_week_begins_on_the_weekday_that_the_household_chose(DayOfWeek first, int day, int start) =>
        Assert.Equal(new DateOnly(2026, 11, start), Weeks(first).WeekOf(new(2026, 11, day)));

    [Fact]
    public void A_week_begins_on_its_first_day_and_holds_every_date_that_says_so() =>
        Gen.Select(Gen.Enum<DayOfWeek>(), Gen.Int[0, 4_000])
            .Sample(
                (first, days) =>
                {
                    var (date, rhythm) = (Sunday.AddDays(days), Weeks(first));
                    var start = rhythm.WeekOf(date);
                    return start.DayOfWeek == first && start <= date && date < start.AddDays(7) && rhythm.WeekOf(start) == start;
                }
            );

    [Theory]
    [InlineData(DayOfWeek.Sunday, DayOfWeek.Saturday, 1, -1)] // the evening before the week
    [InlineData(DayOfWeek.Sunday, DayOfWeek.Wednesday, 1, 3)]
    [InlineData(DayOfWeek.Sunday, DayOfWeek.Sunday, 1, 0)]
    [InlineData(DayOfWeek.Sunday, DayOfWeek.Sunday, 0, 0)]
    [InlineData(DayOfWeek.Sunday, DayOfWeek.Saturday, 0, 6)] // what is eaten the same evening is this week's
    [InlineData(DayOfWeek.Monday, DayOfWeek.Saturday, 2, -2)] // cooked on Saturday for Monday
    [InlineData(DayOfWeek.Monday, DayOfWeek.Sunday, 1, -1)]
    [InlineData(DayOfWeek.Saturday, DayOfWeek.Saturday, 0, 0)]
    [InlineData(DayOfWeek.Sunday, DayOfWeek.Monday, 6, -6)]
    public void A_session_is_cooked_for_the_week_in_which_the_first_of_it_is_eaten(DayOfWeek first, DayOfWeek day, int after, int offset)
    {
        var rhythm = Weeks(first, On(day, after));
        var start = rhythm.WeekOf(Sunday);
        Assert.Equal([start.AddDays(offset)], rhythm.SessionsOf(start));
        var session = rhythm.SessionOn(start.AddDays(offset), start, Guid.NewGuid());
        Assert.Equal(start.AddDays(offset + after), session.EatenFrom);
    }

    [Fact]
    public void Sessions_come_in_the_order_of_their_dates_and_there_may_be_seven_or_none()
    {
        Assert.Equal(
            [Sunday.AddDays(-1), Sunday.AddDays(3)],
            Weeks(DayOfWeek.Sunday, On(DayOfWeek.Wednesday), On(DayOfWeek.Saturday)).SessionsOf(Sunday)
        );
        Assert.Empty(Weeks(DayOfWeek.Sunday).SessionsOf(Sunday));
        var daily = Weeks(DayOfWeek.Sunday, [.. Enum.GetValues<DayOfWeek>().Select(day => On(day))]);
        Assert.Equal(Enumerable.Range(-1, 7).Select(Sunday.AddDays), daily.SessionsOf(Sunday));
    }

    [Fact]
    public void A_session_on_a_day_that_is_no_prep_day_is_an_evening_of_that_week()
    {
        var session = Weeks(DayOfWeek.Sunday, On(DayOfWeek.Saturday)).SessionOn(Sunday.AddDays(5), Sunday, Guid.NewGuid());
        Assert.Equal((new TimeOnly(18, 0), 1, Sunday.AddDays(6)), (session.Start, session.Cooks, session.EatenFrom));
    }

    [Theory]
    [InlineData(DayOfWeek.Sunday, DayOfWeek.Monday, 0, 1)] // fed from Sunday: the week goes on from Monday
    [InlineData(DayOfWeek.Sunday, DayOfWeek.Monday, 4, 4)]
    [InlineData(DayOfWeek.Sunday, DayOfWeek.Saturday, 6, 5)]
    [InlineData(DayOfWeek.Sunday, DayOfWeek.Wednesday, 0, 3)]
    [InlineData(DayOfWeek.Sunday, DayOfWeek.Thursday, 6, 3)] // most of Sunday's week lies before its Thursday
    public void A_session_stays_with_the_week_that_has_most_of_its_days(DayOfWeek was, DayOfWeek becomes, int eaten, int carried)
    {
        var session = new PrepSession(Guid.NewGuid(), Sunday.AddDays(-1), Sunday.AddDays(eaten), Noon, 1, "prep");
        Assert.Equal(Sunday.AddDays(carried), Weeks(becomes).Carry(session, Weeks(was)).EatenFrom);
        Assert.Equal(session, Weeks(was).Carry(session, Weeks(was)));
    }

    [Fact]
    public void Prep_days_stand_in_the_order_of_the_week_that_begins_where_the_household_says()
    {
        Assert.Equal(
            [DayOfWeek.Wednesday, DayOfWeek.Saturday, DayOfWeek.Monday],
            Weeks(DayOfWeek.Tuesday, On(DayOfWeek.Monday), On(DayOfWeek.Saturday), On(DayOfWeek.Wednesday)).PrepDays.Select(day => day.Day)
        );
        Assert.Equal(
            [Sunday, Sunday, Sunday.AddDays(3), Sunday.AddDays(6), Sunday.AddDays(6)],
            new[] { -1, 0, 3, 6, 7 }.Select(day => PrepSession.EatenFromIn(Sunday, Sunday.AddDays(day)))
        );
    }

    [Fact]
    public void A_meal_that_is_none_is_refused_by_its_key_and_named_by_it_in_old_weeks()
    {
        Assert.Null(Rhythm.UnknownMeal(Rhythm.Usual.Meals, "lunch"));
        var refusal = Rhythm.UnknownMeal(Rhythm.Usual.Meals, "brunch")!;
        Assert.Equal(("unknown-meal", "meal", "brunch"), (refusal.Code, refusal.Field, refusal.Value));
        Assert.Equal("", Rhythm.UnknownMeal(Rhythm.Usual.Meals, null)!.Value);
        var old = Rhythm.Usual.OccasionOf(Sunday, "brunch").Meal;
        Assert.Equal(("brunch", true, 4), (old.Name, old.IsFormer, old.Position));
        Assert.Equal("afternoon bite", Rhythm.Usual.OccasionOf(Sunday, "bite").Meal.Name);
    }

    [Fact]
    public void A_new_meal_comes_without_a_share_and_nothing_is_expected_of_it()
    {
        var table = At(Rhythm.Usual, EaterSettings.Named(Guid.NewGuid(), "Odalys", Rhythm.Usual));
        var (rhythm, eaters) = Change(table, [.. Same(Rhythm.Usual), new(null, " Late  bite ", MealRole.Bite, new(22, 30, 15))]);
        var added = rhythm.Meals.Last();
        Assert.Equal(("late-bite", "Late  bite", new TimeOnly(22, 30), 4), (added.Key, added.Name, added.At, added.Position));
        var meal = eaters.Single().Meals[^1];
        Assert.Equal(("late-bite", 0m), (meal.Meal, meal.DayShare));
        Assert.All(meal.Pattern, source => Assert.Equal(MealSource.Nothing, source));
        Assert.Equal([0.25m, 0.30m, 0.15m, 0.30m, 0m], eaters.Single().Meals.Select(one => one.DayShare));
    }

    [Fact]
    public void A_meal_is_renamed_and_moved_and_stays_what_it_was()
    {
        var table = At(Rhythm.Usual, EaterSettings.Named(Guid.NewGuid(), "Odalys", Rhythm.Usual));
        var meals = Same(Rhythm.Usual);
        var (rhythm, eaters) = Change(table, meals[3] with { Name = "dinner" }, meals[0], meals[1], meals[2]);
        Assert.Equal(["supper", "breakfast", "lunch", "bite"], rhythm.Meals.Select(meal => meal.Key));
        Assert.Equal("dinner", rhythm.NameOf("supper"));
        Assert.Equal(["supper", "breakfast", "lunch", "bite"], eaters.Single().Meals.Select(meal => meal.Meal));
    }

    [Fact]
    public void The_share_of_a_meal_that_is_taken_away_goes_to_the_others_and_its_name_is_kept_for_earlier_weeks()
    {
        var table = At(Rhythm.Usual, EaterSettings.Named(Guid.NewGuid(), "Odalys", Rhythm.Usual));
        var meals = Same(Rhythm.Usual);
        var (rhythm, eaters) = Change(table, meals[0], meals[1], meals[3]);
        // 25 : 30 : 30 of 85; what rounding leaves goes to the first of the largest.
        Assert.Equal([0.29m, 0.36m, 0.35m], eaters.Single().Meals.Select(meal => meal.DayShare));
        Assert.Equal(3, rhythm.Meals.Count());
        Assert.True(rhythm.Meal("bite")!.IsFormer);
        Assert.Equal("afternoon bite", rhythm.NameOf("bite"));

        // It comes back as the meal it was.
        var again = Change(At(rhythm, [.. eaters]), [.. Same(rhythm), new(null, "Bite", MealRole.Bite, Noon)]);
        Assert.Equal("bite", again.Rhythm.Meals.Last().Key);
        Assert.Equal(4, again.Rhythm.Slots.Count);
    }

    [Fact]
    public void Two_meals_that_would_have_one_key_have_two()
    {
        var (rhythm, _) = Change(
            At(Rhythm.Usual),
            new(null, "Ужин", MealRole.Supper, Noon),
            new(null, "?!", MealRole.Bite, Noon),
            new(null, "Lunch", MealRole.Lunch, Noon)
        );
        Assert.Equal(["ужин", "meal", "lunch-2"], rhythm.Meals.Select(meal => meal.Key));
    }

    [Fact]
    public void Where_the_whole_day_was_at_the_meal_that_goes_the_others_share_it_as_usual()
    {
        var eater = EaterSettings.Named(Guid.NewGuid(), "Odalys", Rhythm.Usual) with
        {
            Meals = [.. Rhythm.Usual.Meals.Select(meal => EaterMeal.Daily(meal.Key, meal.Key == "lunch" ? 1 : 0))],
        };
        var meals = Same(Rhythm.Usual);
        // 5 : 3 : 6 of 14.
        Assert.Equal(
            [0.35m, 0.21m, 0.44m],
            Change(At(Rhythm.Usual, eater), meals[0], meals[2], meals[3]).Eaters.Single().Meals.Select(meal => meal.DayShare)
        );
    }

    [Fact]
    public void Shares_always_make_one_day() =>
        Gen.Select(Gen.Enum<MealRole>().Array[1, 8], Gen.Int[0, 7])
            .Sample(
                (roles, removed) =>
                {
                    var meals = roles.Select((role, at) => new SaidMeal(null, $"meal {at}", role, Noon)).ToArray();
                    var (rhythm, _) = Change(At(Rhythm.Usual), meals);
                    var eater = EaterSettings.Named(Guid.NewGuid(), "Odalys", rhythm);
                    var left = Same(rhythm).Where((_, at) => at != removed || roles.Length == 1).ToArray();
                    var after = Change(At(rhythm, eater), left).Eaters.Single();
                    return eater.Meals.Sum(meal => meal.DayShare) == 1
                        && after.Meals.Sum(meal => meal.DayShare) == 1
                        && after.Meals.All(meal => meal.DayShare >= 0 && meal.DayShare * 100 % 1 == 0)
                        && after.Meals.Count == left.Length;
                }
            );

    [Fact]
    public void What_no_week_can_be_is_refused_with_its_field()
    {
        var meals = Same(Rhythm.Usual);
        SaidMeal New(string name) => new(null, name, MealRole.Bite, Noon);
        Assert.Null(Refused());
        Assert.Equal("meals-out-of-range", Refused([]));
        Assert.Null(Refused([.. meals, .. Enumerable.Range(0, 4).Select(at => New($"bite {at}"))]));
        Assert.Equal("meals-out-of-range", Refused([.. meals, .. Enumerable.Range(0, 5).Select(at => New($"bite {at}"))]));
        Assert.Equal("name-length", Refused([.. meals, New(" ")]));
        Assert.Null(Refused([.. meals, New(new string('x', 40))]));
        Assert.Equal("name-length", Refused([.. meals, New(new string('x', 41))]));
        Assert.Equal("name-taken", Refused([.. meals, New("LUNCH ")]));
        Assert.Equal("unknown-meal", Refused([.. meals, New("tea") with { Key = "tea" }]));
        Assert.Equal("unknown-meal", Refused([.. meals, meals[0] with { Name = "again" }]));
        Assert.Equal("meal-in-use", Refused([.. meals.Skip(1)], null, "breakfast"));
        Assert.Null(Refused([.. meals.Skip(1)], null, "lunch"));
        Assert.Equal("two-prep-days", Refused(null, [On(DayOfWeek.Sunday), On(DayOfWeek.Sunday, 2)]));
        Assert.Equal("unknown-day", Refused(null, [On((DayOfWeek)7)]));
        Assert.Equal("unknown-day", At(Rhythm.Usual).ChangeRhythm((DayOfWeek)9, meals, [], new HashSet<string>()).Refusal?.Code);
        Assert.Equal("cooks-out-of-range", Refused(null, [On(DayOfWeek.Sunday, cooks: 0)]));
        Assert.Null(Refused(null, [On(DayOfWeek.Sunday, cooks: 4)]));
        Assert.Equal("cooks-out-of-range", Refused(null, [On(DayOfWeek.Sunday, cooks: 5)]));
        Assert.Equal("eaten-out-of-range", Refused(null, [On(DayOfWeek.Sunday, -1)]));
        Assert.Null(Refused(null, [On(DayOfWeek.Sunday, 0), On(DayOfWeek.Monday, 6)]));
        Assert.Equal("eaten-out-of-range", Refused(null, [On(DayOfWeek.Sunday, 7)]));
        Assert.Equal("name-length", Refused(null, [On(DayOfWeek.Sunday, name: "")]));
    }
}

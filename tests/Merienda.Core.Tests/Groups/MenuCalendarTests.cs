using Merienda.Core.Groups;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Groups;

public class MenuCalendarTests
{
    private static readonly DateOnly First = new(2026, 11, 29);

    private static RecipeVersion Dish(string name, string keeping) =>
        new()
        {
            Name = name,
            Portions = 1,
            Lines = [Line("100 g rice")],
            Tasks = [new("stir", "Stir", 10, 0, Appliance.None, null, []), new("rest", "Rest", 0, 30, Appliance.None, null, ["stir"])],
            Keeping = KeepingClass.WithKey(keeping)!,
        };

    [Fact]
    public void A_dish_is_cooked_in_the_last_session_before_it_is_eaten_and_what_is_frozen_thaws_the_evening_before()
    {
        // Saturdays only: what keeps four days is frozen for the fifth and sixth.
        var rhythm = Rhythm.Of(DayOfWeek.Sunday, Rhythm.Usual.Slots, [new(DayOfWeek.Saturday, new(14, 0), 1, "long session", 1)]);
        var (stew, salad) = (Dish("Stew", "cooked"), Dish("Salad", "dressed-salad"));
        var (sessions, thaws) = MenuCalendar.Of(
            [(First, stew), (First.AddDays(4), stew), (First.AddDays(5), stew), (First.AddDays(1), salad), (First.AddDays(7), stew)],
            rhythm
        );
        Assert.Equal([First.AddDays(-1), First.AddDays(6)], sessions.Select(session => session.Date));
        Assert.Equal((new TimeOnly(14, 0), "long session", 20), (sessions[0].Start, sessions[0].Name, sessions[0].HandsOn));
        Assert.Equal(["Stew", "Salad"], sessions[0].Dishes);
        Assert.Equal([First.AddDays(3), First.AddDays(4)], thaws.Select(thaw => thaw.Evening));
        Assert.All(thaws, thaw => Assert.Equal(["Stew"], thaw.Dishes));
    }

    [Fact]
    public void A_dish_that_no_session_is_near_enough_for_is_not_cooked_and_nothing_of_nothing_is_nothing()
    {
        var rhythm = Rhythm.Of(DayOfWeek.Sunday, Rhythm.Usual.Slots, [new(DayOfWeek.Saturday, new(14, 0), 1, "long session", 1)]);
        var (sessions, thaws) = MenuCalendar.Of([(First.AddDays(6).AddDays(-1), Dish("Salad", "dressed-salad"))], rhythm);
        Assert.Empty(sessions);
        Assert.Empty(thaws);
        Assert.Empty(MenuCalendar.Of([], rhythm).Sessions);
        Assert.Empty(MenuCalendar.Of([(First, Dish("Stew", "cooked"))], rhythm with { PrepDays = [] }).Sessions);
    }
}

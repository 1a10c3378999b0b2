using Merienda.Core.Outcomes;

namespace Merienda.Core.Groups;

/// <summary>A dish of a menu: a recipe as it was when it was put there.</summary>
/// <param name="Day">Days after the menu begins.</param>
/// <param name="Slot">Key of a meal.</param>
public sealed record MenuDish(Guid Id, int Day, string Slot, Guid RecipeVersion);

/// <summary>What a group eats over some days; a draft, of which versions are published.</summary>
public sealed record Menu(Guid Id, string Name, DateOnly StartsOn, int Days, string Note, IReadOnlyList<MenuDish> Dishes)
{
    public const int MostDays = 28,
        MostDishesAMeal = 6;

    public static Result<Menu> Begun(Guid id, string name, DateOnly startsOn, int days, string note) =>
        new Menu(id, "", startsOn, 1, "", []).Saying(name, startsOn, days, note);

    /// <summary>Called so, from a date on, over so many days; a day that has dishes is not left out.</summary>
    public Result<Menu> Saying(string name, DateOnly startsOn, int days, string note)
    {
        var (called, noted) = (name.Trim(), note.Trim());
        return called.Length is 0 or > 80
                ? new Refusal("name-length", "name", name, "a menu's name has 1 to 80 characters", "Type a name that members know it by")
            : days is < 1 or > MostDays
                ? new Refusal("menu-days", "days", $"{days}", $"a menu has 1 to {MostDays} days", "Make a second menu for the days after")
            : Dishes.Any(dish => dish.Day >= days)
                ? new Refusal("menu-days", "days", $"{days}", "there are dishes on a day that would go", "Take them off first")
            : noted.Length > 2000
                ? new Refusal("menu-note", "note", $"{noted.Length} characters", "a note has at most 2,000 characters", "Say it shorter")
            : this with { Name = called, StartsOn = startsOn, Days = days, Note = noted };
    }

    /// <param name="slots">Keys of the meals that the desk's days have.</param>
    public Result<Menu> With(MenuDish dish, IReadOnlyCollection<string> slots) =>
        dish.Day < 0 || dish.Day >= Days
            ? new Refusal("menu-days", "day", $"{dish.Day + 1}", $"the menu has {Days} days", "Choose one of them")
        : !slots.Contains(dish.Slot) ? new Refusal("unknown-meal", "meal", dish.Slot, "there is no such meal", "Choose one from the list")
        : Dishes.Count(other => other.Day == dish.Day && other.Slot == dish.Slot) >= MostDishesAMeal
            ? new Refusal("menu-full", "meal", dish.Slot, $"a meal has at most {MostDishesAMeal} dishes", "Take one off first")
        : this with { Dishes = [.. Dishes, dish] };

    public Result<Menu> Without(Guid dish) =>
        Dishes.Any(one => one.Id == dish)
            ? this with
            {
                Dishes = [.. Dishes.Where(one => one.Id != dish)],
            }
            : new Refusal("dish-gone", "dish", $"{dish}", "it is not on the menu any more", "Load the page again");

    /// <summary>Why it can't be published; null when it can.</summary>
    public Refusal? Unready =>
        Dishes.Count == 0 ? new("menu-empty", "menu", Name, "there is nothing on it yet", "Put a dish on a day first") : null;
}

namespace Merienda.Core.Groups.Filling;

/// <param name="Dish">Its place among the candidates.</param>
/// <param name="Misses">Members for whom it does not fit there, or nobody can tell.</param>
public sealed record MenuChoice(int Dish, int Misses);

/// <summary>A meal of a menu that a search may fill or change.</summary>
/// <param name="Day">Days after the menu begins.</param>
/// <param name="Now">What stands there, of the candidates; null where it is open.</param>
public sealed record MenuPlace(int Day, string Slot, IReadOnlyList<MenuChoice> Choices, int? Now);

/// <summary>A sum over some days that members are to keep; whole numbers, in hundredths of the rule's unit.</summary>
/// <param name="Members">For how many it counts.</param>
/// <param name="Days">One, or those of a week from the menu's first day on.</param>
/// <param name="Brought">By candidate, what one portion brings.</param>
/// <param name="Placed">What those dishes bring that stay.</param>
public sealed record MenuLimit(int Members, IReadOnlyList<int> Days, IReadOnlyList<long> Brought, long Placed, long? AtLeast, long? AtMost);

/// <summary>A menu as numbers that a search can work with; what it finds is judged by <see cref="DishCheck"/> and <see cref="MenuCheck"/>.</summary>
/// <param name="Minutes">By candidate, what a batch of it takes by hand.</param>
/// <param name="Stays">The dishes that stay where they stand.</param>
public sealed record MenuQuestion(
    IReadOnlyList<MenuPlace> Places,
    IReadOnlyList<MenuLimit> Limits,
    IReadOnlyList<int> Minutes,
    IReadOnlyList<MenuStays> Stays
)
{
    /// <summary>Most dishes of a week that are changed, of those that stand there.</summary>
    public int MostChanges { get; init; } = int.MaxValue;

    /// <summary>A dish comes at most so often in seven days (domain.md section 6 [C]).</summary>
    public const int MostAWeek = 3;

    /// <summary>A dish that stands there is changed only where more members than that are better off.</summary>
    public const int GainAChange = 2;
}

/// <param name="Dish">Its place among the candidates.</param>
public sealed record MenuStays(int Day, int Dish);

/// <param name="Dishes">By place, which candidate; null where it stays open.</param>
/// <param name="IsProven">Whether no other menu of these dishes leaves fewer members out.</param>
public sealed record MenuAnswer(IReadOnlyList<int?> Dishes, bool IsProven);

namespace Merienda.Core.Protocols;

/// <summary>What a meal is for rules that name one: a household may have several of one role, or none.</summary>
public enum MealRole
{
    Breakfast,
    Lunch,

    /// <summary>Something small between the large meals.</summary>
    Bite,
    Supper,
}

/// <summary>One of a household's meals of a day.</summary>
/// <param name="Key">Stays when it is renamed.</param>
/// <param name="Position">Its place in the day, from 0.</param>
/// <param name="At">The local time it is usually eaten.</param>
/// <param name="IsFormer">It is planned no more; earlier weeks still show it.</param>
public sealed record MealSlot(string Key, string Name, MealRole Role, TimeOnly At, int Position, bool IsFormer = false)
{
    /// <summary>The two large meals of a day.</summary>
    public bool IsMain => Role is MealRole.Lunch or MealRole.Supper;
}

/// <summary>When something is eaten.</summary>
public sealed record Occasion(DateOnly Date, MealSlot Meal)
{
    private const int MostPositions = 1_000;

    /// <summary>Rises with time: a day's meals in order, then the next day's.</summary>
    public int Order => (Date.DayNumber * MostPositions) + Meal.Position;
}

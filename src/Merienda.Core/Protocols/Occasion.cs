namespace Merienda.Core.Protocols;

/// <summary>When something is eaten.</summary>
public sealed record Occasion(DateOnly Date, string Meal)
{
    /// <summary>The day's meals in order (product.md, demo data; every household has the same four).</summary>
    public static readonly IReadOnlyList<string> Meals = ["breakfast", "lunch", "merienda", "supper"];

    /// <summary>The two large meals of a day.</summary>
    public bool IsMain => Meal is "lunch" or "supper";

    /// <summary>Rises with time: a day's meals in order, then the next day's.</summary>
    public int Order => (Date.DayNumber * Meals.Count) + Position;

    private int Position => Enumerable.Range(0, Meals.Count).FirstOrDefault(at => Meals[at] == Meal);
}

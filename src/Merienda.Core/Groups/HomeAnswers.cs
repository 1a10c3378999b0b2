namespace Merienda.Core.Groups;

/// <summary>How somebody at a table eats of a menu.</summary>
/// <param name="Eats">Whether they eat of it at all.</param>
/// <param name="Tier">Name of the menu's tier that they eat by; null for a portion of each dish.</param>
public sealed record Helped(bool Eats, string? Tier)
{
    public static readonly Helped AsWritten = new(true, null);
}

public sealed record EaterAnswer(Guid Eater, bool Eats, string? Tier);

/// <param name="Meal">Key of the menu's meal.</param>
/// <param name="Slot">Key of the own meal at which its dishes are eaten; null for none.</param>
public sealed record MealAnswer(string Meal, string? Slot);

/// <summary>What a menu asks of the kitchen that takes it home, because nobody else knows it.</summary>
/// <param name="Eaters">Whoever is not named eats a portion of each dish.</param>
/// <param name="Meals">Of the menu's meals those that the own days do not have under their name or of their kind.</param>
public sealed record HomeAnswers(IReadOnlyList<EaterAnswer> Eaters, IReadOnlyList<MealAnswer> Meals)
{
    public static readonly HomeAnswers None = new([], []);

    public Helped Of(Guid eater) =>
        Eaters.FirstOrDefault(one => one.Eater == eater) is { } said ? new(said.Eats, said.Tier) : Helped.AsWritten;

    public string? SlotOf(string meal) => Meals.FirstOrDefault(one => one.Meal == meal)?.Slot;

    /// <summary>What of it means something: others may be at the table by now, a tier may be gone from the menu, a meal from the own days.</summary>
    public HomeAnswers Where(Func<Guid, bool> isAtTable, Func<string, bool> hasTier, Func<string, bool> hasSlot) =>
        new(
            [
                .. Eaters
                    .Where(one => isAtTable(one.Eater))
                    .DistinctBy(one => one.Eater)
                    .Select(one => one.Tier is { } tier && !hasTier(tier) ? one with { Tier = null } : one),
            ],
            [.. Meals.Where(one => one.Slot is { } slot && hasSlot(slot)).DistinctBy(one => one.Meal)]
        );

    /// <summary>Whether both say the same; who eats a portion of each dish need not be named.</summary>
    public bool IsLike(HomeAnswers other) =>
        Eaters.Concat(other.Eaters).All(one => Of(one.Eater) == other.Of(one.Eater))
        && Meals.Concat(other.Meals).All(one => SlotOf(one.Meal) == other.SlotOf(one.Meal));
}

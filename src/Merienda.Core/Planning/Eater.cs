using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

/// <summary>A person at the table: rules, how the day is split over the meals, and which meals come from the prep.</summary>
/// <param name="MealShares">Share of the day at each meal slot, 0 to 1; empty when nobody split it.</param>
/// <param name="PrepMeals">Meal slots that are to be covered by containers.</param>
public sealed record Eater(Guid Id, string Name, EaterRules Rules, IReadOnlyDictionary<string, decimal> MealShares, IReadOnlySet<string> PrepMeals)
{
    public decimal? ShareOf(string? meal) => meal is not null && MealShares.TryGetValue(meal, out var share) ? share : null;
}

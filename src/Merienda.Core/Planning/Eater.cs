using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

/// <summary>A person at the table: rules, how the day is split over the meals, and which meals come from the prep.</summary>
/// <param name="MealShares">Share of the day at each meal slot, 0 to 1; empty when nobody split it.</param>
/// <param name="PortionHabit">Portions the eater usually takes of a dish, 0.25 to 4.</param>
/// <param name="Meals">Where each meal comes from, by weekday.</param>
public sealed record Eater(
    Guid Id,
    string Name,
    EaterRules Rules,
    IReadOnlyDictionary<string, decimal> MealShares,
    IReadOnlyList<EaterMeal> Meals,
    decimal PortionHabit = 1
)
{
    /// <summary>Meals of a date that are to be covered by containers.</summary>
    public IEnumerable<string> PrepMealsOn(DateOnly date) =>
        Meals.Where(meal => meal.On(date) == MealSource.Prep).Select(meal => meal.Meal);

    /// <summary>What the rules say of one recipe's portion, of the size this eater usually takes.</summary>
    public IReadOnlyList<Finding> Judge(string name, Recipes.PortionProfile profile, string? meal) =>
        Rules.CheckPortion(Intake.Of(new Helping(name, profile, PortionHabit)), ShareOf(meal), meal);

    /// <summary>Why no portion of it may be placed for this eater, whatever else is planned (domain.md section 5); null when nothing stops it.</summary>
    public Refusal? Stop(string name, Recipes.PortionProfile profile) =>
        Rules.HardStop(Intake.Of(new Helping(name, profile, 1))) is { } stop
            ? new(
                "allergy",
                "eater",
                Name,
                // "Allergy to soy: …" is what the rule says; who is meant stands here.
                $"{Name} is allergic{stop.Because["Allergy".Length..].TrimEnd('.')}",
                stop.Verdict == Verdict.Breaks
                    ? "Give them another dish; at the Table an adult can accept a food by name"
                    : "Match the line to a food, or let an adult accept it by name: a food at the Table, a packet in the Larder"
            )
            : null;

    public decimal? ShareOf(string? meal) => meal is not null && MealShares.TryGetValue(meal, out var share) ? share : null;
}

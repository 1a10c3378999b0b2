using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

/// <summary>A person at the table: rules, how the day is split over the meals, and which meals come from the prep.</summary>
/// <param name="Meals">Each meal's share of the day and where it comes from; empty when nobody split the day.</param>
/// <param name="Rhythm">The household's: what its meals are.</param>
/// <param name="PortionHabit">Portions the eater usually takes of a dish, 0.25 to 4.</param>
public sealed record Eater(Guid Id, string Name, EaterRules Rules, IReadOnlyList<EaterMeal> Meals, Rhythm Rhythm, decimal PortionHabit = 1)
{
    /// <summary>Names of variants that are made for them, by recipe.</summary>
    public IReadOnlyDictionary<Guid, string> UsualVariants { get; init; } = new Dictionary<Guid, string>();

    public IReadOnlyList<DislikedDish> DislikedDishes { get; init; } = [];

    /// <summary>Whether they would rather not have a dish of a recipe, as it is made for them: the dish, or a part that is in it.</summary>
    public bool Dislikes(Guid recipe, Recipes.RecipeVersion dish) =>
        DislikedDishes.Any(one => one.Recipe == recipe && (one.Part.Length == 0 || dish.PartNames.Contains(one.Part)));

    /// <summary>The variant of a dish that is made for them; null for the dish as written, also where it has no such variant any more.</summary>
    /// <param name="recipe">Id of the recipe that the dish is a version of.</param>
    public string? UsualOf(Guid recipe, Recipes.RecipeVersion dish) =>
        UsualVariants.GetValueOrDefault(recipe) is { } usual && dish.As(usual) is not null ? usual : null;

    /// <summary>Meals of a date that are to be covered by containers.</summary>
    public IEnumerable<string> PrepMealsOn(DateOnly date) =>
        Meals.Where(meal => meal.On(date) == MealSource.Prep).Select(meal => meal.Meal);

    /// <summary>What the rules say of one recipe's portion, of the size this eater usually takes.</summary>
    public IReadOnlyList<Finding> Judge(string name, Recipes.PortionProfile profile, string? meal) =>
        Rules.CheckPortion(Intake.Of(new Helping(name, profile, PortionHabit)), ShareOf(meal), Rhythm.Meal(meal)?.Role);

    /// <summary>The heaviest of what the rules say of a dish's portion, without their sentences.</summary>
    public Verdict VerdictOf(Recipes.RecipeVersion dish)
    {
        var (portion, share) = (Intake.Of(new Helping(dish.Name, dish.Profile, PortionHabit)), ShareOf(dish.Meal));
        var context = Rules.Context with { Meal = Rhythm.Meal(dish.Meal)?.Role };
        return Rules.Rules.Select(rule => rule.JudgePortion(portion, share, context)).RollUp();
    }

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

    public decimal? ShareOf(string? meal) => Meals.FirstOrDefault(one => one.Meal == meal)?.DayShare;
}

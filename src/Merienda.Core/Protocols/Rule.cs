using System.Text.Json.Serialization;
using Merienda.Core.Foods;

namespace Merienda.Core.Protocols;

/// <summary>What an allowance is counted over.</summary>
public enum Period
{
    Portion,
    Meal,
    Day,
    Week,
}

/// <summary>What a rule needs to know besides the intake.</summary>
/// <param name="Scheme">The points scheme in force, or null when the protocol has none.</param>
/// <param name="Classes">The class tree, for the names in sentences.</param>
/// <param name="OpenMeals">Meals of the period that nothing covers yet: a floor that is not reached is then not broken but open.</param>
public sealed record RuleContext(PointsScheme? Scheme, FoodClasses Classes, int OpenMeals = 0);

/// <summary>
/// A rule is data; each kind is one class that turns an intake into a finding. A new kind is a new file and one line here.
/// </summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind", UnknownDerivedTypeHandling = JsonUnknownDerivedTypeHandling.FailSerialization)]
[JsonDerivedType(typeof(LimitRule), "limit")]
[JsonDerivedType(typeof(ExclusionRule), "exclusion")]
public abstract record Rule
{
    /// <summary>Unique within its protocol, kebab-case.</summary>
    public required string Id { get; init; }

    /// <summary>The period the rule is counted over.</summary>
    [JsonIgnore]
    public abstract Period Period { get; }

    [JsonIgnore]
    public abstract string Title { get; }

    /// <summary>The rule as a sentence: "Net carbs: at most 25 g a day".</summary>
    public abstract string Sentence(FoodClasses classes);

    /// <summary>Holds an intake of the rule's period against it.</summary>
    public abstract Finding Check(Intake intake, RuleContext context);

    /// <summary>Judges one portion of a recipe on its own, before it stands in any day (domain.md section 6).</summary>
    /// <param name="mealShare">The eater's share of the day at the recipe's meal, 0 to 1, or null when nobody split the day.</param>
    public abstract Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context);
}

using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Recipes;

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
/// <param name="Meal">The meal that a portion or a meal is meant for; null when nobody said.</param>
public sealed record RuleContext(PointsScheme? Scheme, FoodClasses Classes, int OpenMeals = 0, MealRole? Meal = null)
{
    /// <summary>What the eater decided about packets.</summary>
    public PacketOpinions Packets { get; init; } = PacketOpinions.None;
}

/// <summary>A rule that judges food by food, whatever goes in beside it and how much: each food of a library need be judged once.</summary>
internal interface IJudgesFoods
{
    /// <summary>The verdict of a food that is meant for certain.</summary>
    Verdict VerdictOf(Food food, RuleContext context);

    /// <summary>The verdict of a line: what is known of its food, and what its words leave open.</summary>
    Verdict VerdictOf(RecipeLine line, RuleContext context);
}

/// <summary>
/// A rule is data; each kind is one class that turns an intake into a finding and describes itself (docs/adding-a-rule.md).
/// </summary>
public abstract record Rule
{
    /// <summary>Unique within its protocol, kebab-case.</summary>
    public required string Id { get; init; }

    /// <summary>What the kind's editor, schema and documentation are made from.</summary>
    [JsonIgnore]
    public abstract RuleKind Kind { get; }

    /// <summary>The period the rule is counted over.</summary>
    [JsonIgnore]
    public abstract Period Period { get; }

    [JsonIgnore]
    public abstract string Title { get; }

    /// <summary>The measures that it counts; a sheet shows these first.</summary>
    [JsonIgnore]
    public virtual IReadOnlyList<Measure> Measures => [];

    /// <summary>The rule as a sentence: "Net carbs: at most 25 g a day".</summary>
    public abstract string Sentence(FoodClasses classes);

    /// <summary>Holds an intake of the rule's period against it.</summary>
    public abstract Finding Check(Intake intake, RuleContext context);

    /// <summary>Judges one portion of a recipe on its own, before it stands in any day (domain.md section 6).</summary>
    /// <param name="mealShare">The eater's share of the day at the recipe's meal, 0 to 1, or null when nobody split the day.</param>
    public abstract Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context);

    /// <summary>
    /// The verdict of <see cref="CheckPortion"/> without its sentences, for a sweep over a library; a kind whose sentences weigh much has a
    /// short way of its own.
    /// </summary>
    public virtual Verdict JudgePortion(Intake portion, decimal? mealShare, RuleContext context) =>
        CheckPortion(portion, mealShare, context).Verdict;

    /// <summary>What a rule that counts by the day has to say of a whole week; null when nothing.</summary>
    /// <param name="days">The week's days in order, empty ones too.</param>
    public virtual Finding? CheckWeek(IReadOnlyList<Intake> days, RuleContext context) => null;

    /// <summary>
    /// The sums over a day or a week that it asks for; none where it judges single helpings, where an allowance is not stated, or where no
    /// sum says it.
    /// </summary>
    public virtual IEnumerable<LinearForm> Linear(RuleContext context) => [];

    /// <summary>The rule while a challenge tries out some classes or sub-groups, or once they were found to be tolerated.</summary>
    public virtual Rule Allowing(IReadOnlySet<string> keys) => this;
}

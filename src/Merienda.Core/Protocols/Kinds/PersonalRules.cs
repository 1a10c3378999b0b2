using System.Text.Json.Serialization;
using Merienda.Core.Foods;

namespace Merienda.Core.Protocols;

/// <summary>A food or a line that an adult accepted by name for an allergic eater; the acceptance is kept (domain.md section 5).</summary>
/// <param name="What">Key of the food, or the words that name it where no food was found.</param>
public sealed record Acceptance(string What, string Reason);

/// <summary>
/// An allergy is a hard stop: no dose, dilution or tolerance applies, what nobody can read is refused like what is known to hold it, and nothing but an acceptance by name
/// lets it pass. It belongs to the eater, not to a protocol, so it is no kind that a file can hold.
/// </summary>
public sealed record AllergyRule : Rule
{
    /// <summary>Keys of the classes the eater is allergic to.</summary>
    public required IReadOnlyList<string> Classes { get; init; }

    public IReadOnlyList<Acceptance> Accepted { get; init; } = [];

    [JsonIgnore]
    public override RuleKind Kind => throw new NotSupportedException("An allergy is stated with the eater, not in a protocol.");

    [JsonIgnore]
    public override Period Period => Period.Portion;

    [JsonIgnore]
    public override string Title => "Allergy";

    public override string Sentence(FoodClasses classes) => $"Allergy: no {string.Join(", ", Classes.Select(classes.NameOf))}, not a trace";

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context) => Check(portion, context);

    public override Finding Check(Intake intake, RuleContext context)
    {
        var held = intake.Lines.Select(line => line.Food).OfType<Food>().Distinct().Where(food => !IsAccepted(food.Key) && Classes.Any(food.Is)).ToList();
        if (held.Count > 0)
        {
            return Found(Verdict.Breaks, [.. held.Select(food => food.Name)], $"Allergy: {string.Join(" and ", held.Select(food => $"{food.Name} ({string.Join(", ", Classes.Where(food.Is).Select(context.Classes.NameOf))})"))}.");
        }

        var unread = intake.Lines.Where(line => line.Food is null && !IsAccepted(line.Read.Food.Trim())).Select(line => line.Read.Food.Trim()).Distinct().ToList();
        return unread.Count > 0
            ? Found(Verdict.CannotTell, unread, $"Allergy: nobody knows whether \"{string.Join("\" or \"", unread)}\" holds {string.Join(", ", Classes.Select(context.Classes.NameOf))}; it is refused until an adult accepts it by name.")
            : Found(Verdict.Fits, [], $"Allergy: nothing in it is known to hold {string.Join(", ", Classes.Select(context.Classes.NameOf))}.");
    }

    private bool IsAccepted(string what) => Accepted.Any(item => item.What.Equals(what, StringComparison.OrdinalIgnoreCase));

    private Finding Found(Verdict verdict, IReadOnlyList<string> names, string because) => new(Id, Title, verdict, null, null, null, [.. names.Select(name => new Contributor(name, 0))], because) { IsHardStop = true };
}

/// <summary>What an eater would rather not have: said, never a verdict.</summary>
public sealed record DislikeRule : Rule
{
    /// <summary>Keys of classes or foods.</summary>
    public required IReadOnlyList<string> Of { get; init; }

    [JsonIgnore]
    public override RuleKind Kind => throw new NotSupportedException("A dislike is stated with the eater, not in a protocol.");

    [JsonIgnore]
    public override Period Period => Period.Portion;

    [JsonIgnore]
    public override string Title => "Dislikes";

    public override string Sentence(FoodClasses classes) => $"Dislikes: {string.Join(", ", Of.Select(key => classes.Knows(key) ? classes.NameOf(key) : key))}";

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context) => Check(portion, context);

    public override Finding Check(Intake intake, RuleContext context)
    {
        var disliked = intake.Lines.Select(line => line.Food).OfType<Food>().Distinct().Where(food => Of.Any(key => key == food.Key || food.Is(key))).Select(food => food.Name).ToList();
        return new(Id, Title, Verdict.Fits, null, null, null, [.. disliked.Select(name => new Contributor(name, 0))], disliked.Count == 0 ? "Dislikes: none of them is in it." : $"Dislikes: {string.Join(" and ", disliked)}.")
        {
            Notes = disliked.Count == 0 ? [] : [$"Disliked: {string.Join(" and ", disliked)}."],
        };
    }
}

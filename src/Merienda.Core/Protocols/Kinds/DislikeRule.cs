using System.Text.Json.Serialization;
using Merienda.Core.Foods;

namespace Merienda.Core.Protocols;

/// <summary>What an eater would rather not have: said, never a verdict.</summary>
public sealed record DislikeRule : PersonalRule
{
    /// <summary>Keys of classes or foods.</summary>
    public required IReadOnlyList<string> Of { get; init; }

    [JsonIgnore]
    public override string Title => "Dislikes";

    public override string Sentence(FoodClasses classes) =>
        $"Dislikes: {string.Join(", ", Of.Select(key => classes.Knows(key) ? classes.NameOf(key) : key))}";

    public override Verdict JudgePortion(Intake portion, decimal? mealShare, RuleContext context) => Verdict.Fits;

    public bool Dislikes(Food food) => Of.Any(key => key == food.Key || food.Is(key));

    public override Finding Check(Intake intake, RuleContext context)
    {
        var disliked = intake.Lines.Select(line => line.Food).OfType<Food>().Distinct().Where(Dislikes).Select(food => food.Name).ToList();
        return new(
            Id,
            Title,
            Verdict.Fits,
            null,
            null,
            null,
            [.. disliked.Select(name => new Contributor(name, 0))],
            disliked.Count == 0 ? "Dislikes: none of them is in it." : $"Dislikes: {string.Join(" and ", disliked)}."
        )
        {
            Notes = disliked.Count == 0 ? [] : [$"Disliked: {string.Join(" and ", disliked)}."],
        };
    }
}

using System.Text.Json.Serialization;
using Merienda.Core.Foods;

namespace Merienda.Core.Protocols;

/// <summary>Leaves out classes of food, with named exceptions. A line without a known food can't be told.</summary>
public sealed record ExclusionRule : Rule
{
    public static readonly RuleKind Described = new("exclusion", "Exclusion", "Leaves out classes of food, with exceptions that the household chooses.",
        "{name}: no {excludes}; allowed all the same: {except}",
        [RuleField.Name, RuleField.Classes("excludes", "no", "Classes that are left out, with every class below them."),
            new("except", "allowed all the same", RuleFieldType.ClassesOrFoods, "Classes or foods that are allowed; none is on by default.")],
        new ExclusionRule { Id = "nightshades", Name = "Nightshades", Excludes = ["nightshade"] });

    /// <summary>What the rule is called in a sentence: "Animal foods".</summary>
    public required string Name { get; init; }

    /// <summary>Keys of the classes left out; classes below them go too.</summary>
    public required IReadOnlyList<string> Excludes { get; init; }

    /// <summary>Keys of classes or foods allowed all the same; none by default.</summary>
    public IReadOnlyList<string> Except { get; init; } = [];

    [JsonIgnore]
    public override RuleKind Kind => Described;

    [JsonIgnore]
    public override Period Period => Period.Portion;

    [JsonIgnore]
    public override string Title => Name;

    public override string Sentence(FoodClasses classes)
    {
        var left = string.Join(", ", Excludes.Select(classes.NameOf));
        return Except.Count == 0 ? $"{Name}: no {left}" : $"{Name}: no {left}; {string.Join(", ", Except.Select(key => classes.Knows(key) ? classes.NameOf(key) : key))} allowed";
    }

    public override Rule Allowing(IReadOnlySet<string> keys) => keys.Count == 0 ? this : this with { Except = [.. Except.Union(keys)] };

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context) => Check(portion, context);

    public override Finding Check(Intake intake, RuleContext context)
    {
        var foods = intake.Lines.Select(line => line.Food).OfType<Food>().Distinct().ToList();
        var excluded = foods.Select(food => (Food: food, Reasons: Reasons(food, context))).Where(item => item.Reasons.Count > 0).ToList();
        if (excluded.Count > 0)
        {
            var reasons = excluded.Select(item => $"{item.Food.Name} ({string.Join(", ", item.Reasons)})");
            return Found(Verdict.Breaks, [.. excluded.Select(item => item.Food.Name)], $"{Name}: {string.Join(" and ", reasons)} {(excluded.Count == 1 ? "is" : "are")} left out.");
        }

        var unknown = intake.UnknownLines;
        if (unknown.Count > 0)
        {
            return Found(Verdict.CannotTell, unknown, $"{Name}: nobody knows what \"{string.Join("\" and \"", unknown)}\" is.");
        }

        var untold = foods.Where(food => IsUntold(food, context)).ToList();
        return untold.Count > 0
            ? Found(Verdict.CannotTell, [.. untold.Select(food => food.Name)], $"{Name}: nobody can tell from {string.Join(" and ", untold.Select(food => $"{food.Name} ({string.Join(", ", food.Untold.Take(4))})"))}.")
            : Found(Verdict.Fits, [], $"{Name}: nothing in it is left out.");
    }

    /// <summary>The verdict of one food alone, without a sentence.</summary>
    public Verdict VerdictOf(Food food, RuleContext context) => Reasons(food, context).Count > 0 ? Verdict.Breaks : IsUntold(food, context) ? Verdict.CannotTell : Verdict.Fits;

    /// <summary>Whether a class is left out, whatever food has it.</summary>
    public bool LeavesOut(string foodClass, FoodClasses classes) => LeftOutBy(foodClass, classes) is not null;

    /// <summary>Classes that leave the food out, by what it is; then those of a packet's statement with the words that say so.</summary>
    private List<string> Reasons(Food food, RuleContext context)
    {
        if (Except.Contains(food.Key))
        {
            return [];
        }

        var reasons = food.Tags.Select(tag => LeftOutBy(tag, context.Classes)).OfType<string>().Distinct().Select(context.Classes.NameOf).ToList();
        if (food.Packet is { } packet)
        {
            reasons.AddRange(packet.Reading.Holds
                .Where(held => (context.Packets.CountsTraces || !packet.Reading.Traces.Contains(held.Key)) && LeftOutBy(held.Key, context.Classes) is not null)
                .Select(held => $"\"{held.Value}\", {context.Classes.NameOf(held.Key)}"));
        }

        return reasons;
    }

    private static bool IsUntold(Food food, RuleContext context) => food.Untold.Count > 0 && context.Packets.ApprovalOf(food) is null;

    /// <summary>Walking up from a tag, whichever comes first decides: an exception frees, an excluded class leaves out.</summary>
    private string? LeftOutBy(string tag, FoodClasses classes) => classes.Upward(tag).FirstOrDefault(key => Except.Contains(key) || Excludes.Contains(key)) is { } first && !Except.Contains(first) ? first : null;

    private Finding Found(Verdict verdict, IReadOnlyList<string> names, string because) =>
        new(Id, Name, verdict, null, null, null, [.. names.Select(name => new Contributor(name, 0))], because);
}

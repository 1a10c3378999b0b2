using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Recipes;

namespace Merienda.Core.Protocols;

/// <summary>Leaves out classes of food, with named exceptions. A line without a known food can't be told.</summary>
public sealed record ExclusionRule : Rule, IJudgesFoods
{
    public static readonly RuleKind Described = new(
        "exclusion",
        "Exclusion",
        "Leaves out classes of food, with exceptions that the household chooses.",
        "{name}: no {excludes}; allowed all the same: {except}",
        [
            RuleField.Name,
            RuleField.Classes("excludes", "no", "Classes that are left out, with every class below them."),
            new(
                "except",
                "allowed all the same",
                RuleFieldType.ClassesOrFoods,
                "Classes or foods that are allowed; none is on by default."
            ),
        ],
        new ExclusionRule
        {
            Id = "nightshades",
            Name = "Nightshades",
            Excludes = ["nightshade"],
        }
    );

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
        return Except.Count == 0
            ? $"{Name}: no {left}"
            : $"{Name}: no {left}; {string.Join(", ", Except.Select(key => classes.Knows(key) ? classes.NameOf(key) : key))} allowed";
    }

    public override Rule Allowing(IReadOnlySet<string> keys) => keys.Count == 0 ? this : this with { Except = [.. Except.Union(keys)] };

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context) => Check(portion, context);

    public override Finding Check(Intake intake, RuleContext context)
    {
        var lines = intake.AllLines.Select(line => (Line: line, Found: JudgeLine(line, context))).ToList();
        var excluded = lines.Where(item => item.Found.Verdict == Verdict.Breaks).DistinctBy(item => item.Line.Name).ToList();
        if (excluded.Count > 0)
        {
            var reasons = excluded.Select(item => $"{item.Line.Name} ({item.Found.Reason})");
            return Found(
                Verdict.Breaks,
                [.. excluded.Select(item => item.Line.Name)],
                $"{Name}: {string.Join(" and ", reasons)} {(excluded.Count == 1 ? "is" : "are")} left out."
            );
        }

        var doubts = lines.Select(item => item.Found.Doubt).OfType<LineDoubt>().Distinct().ToList();
        return doubts.Count > 0
            ? Found(
                Verdict.CannotTell,
                [.. doubts.Select(doubt => doubt.Words)],
                $"{Name}: {string.Join("; ", doubts.Select(doubt => doubt.Said))}."
            ) with
            {
                Doubts = doubts,
            }
            : Found(Verdict.Fits, [], $"{Name}: nothing in it is left out.");
    }

    public Verdict VerdictOf(Food food, RuleContext context) => Judge(food, context).Verdict;

    public Verdict VerdictOf(RecipeLine line, RuleContext context) => JudgeLine(line, context).Verdict;

    private (Verdict Verdict, LineDoubt? Doubt, string Reason) JudgeLine(RecipeLine line, RuleContext context) =>
        LineDoubts.Of(line, food => Judge(food, context), _ => false);

    private LineDoubts.FoodFinding Judge(Food food, RuleContext context)
    {
        // A key that is a class too (oats) is meant as the class: its packets may still hold another.
        if (Except.Contains(food.Key) && !context.Classes.Knows(food.Key))
        {
            return default;
        }

        if (Reasons(food, context) is { Count: > 0 } reasons)
        {
            return new(Verdict.Breaks, string.Join(", ", reasons), default);
        }

        if (food.Packet is { } packet)
        {
            if (context.Packets.ApprovalOf(food) is not null)
            {
                return default;
            }

            var open = food
                .Untold.Concat(packet.Reading.MayHold.Where(held => IsLeftOut([held.Key], context)).Select(held => held.Value))
                .Distinct()
                .Take(4)
                .ToList();
            return open.Count == 0
                ? default
                : new(Verdict.CannotTell, $"nobody can tell from {food.Name} ({string.Join(", ", open)})", DoubtKind.Statement);
        }

        return IsLeftOut(food.MayHold.Kinds, context) ? new(Verdict.CannotTell, food.Name, DoubtKind.PacketsDiffer) : default;
    }

    private bool IsLeftOut(IEnumerable<string> classes, RuleContext context) =>
        classes.Any(key => LeftOutBy(key, context.Classes) is not null);

    /// <summary>Whether a class is left out, whatever food has it.</summary>
    public bool LeavesOut(string foodClass, FoodClasses classes) => LeftOutBy(foodClass, classes) is not null;

    /// <summary>Classes that leave the food out, by what it is; then those of a packet's statement with the words that say so.</summary>
    private List<string> Reasons(Food food, RuleContext context)
    {
        var reasons = food
            .Tags.Select(tag => LeftOutBy(tag, context.Classes))
            .OfType<string>()
            .Distinct()
            .Select(context.Classes.NameOf)
            .ToList();
        if (food.Packet is { } packet)
        {
            reasons.AddRange(
                packet
                    .Reading.Holds.Where(held =>
                        (context.Packets.CountsTraces || !packet.Reading.Traces.Contains(held.Key))
                        && LeftOutBy(held.Key, context.Classes) is not null
                    )
                    .Select(held => $"\"{held.Value}\", {context.Classes.NameOf(held.Key)}")
            );
        }

        return reasons;
    }

    /// <summary>Walking up from a tag, whichever comes first decides: an exception frees, an excluded class leaves out.</summary>
    private string? LeftOutBy(string tag, FoodClasses classes) =>
        classes.Upward(tag).FirstOrDefault(key => Except.Contains(key) || Excludes.Contains(key)) is { } first && !Except.Contains(first)
            ? first
            : null;

    private Finding Found(Verdict verdict, IReadOnlyList<string> names, string because) =>
        new(Id, Name, verdict, null, null, null, [.. names.Select(name => new Contributor(name, 0))], because);
}

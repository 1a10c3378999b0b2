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
        var excluded = intake.Lines.Where(line => line.Food is { } food && ExcludedClasses(food, context.Classes).Any()).Select(line => line.Food!).Distinct().ToList();
        if (excluded.Count > 0)
        {
            var reasons = excluded.Select(food => $"{food.Name} ({string.Join(", ", ExcludedClasses(food, context.Classes).Select(context.Classes.NameOf))})");
            return Found(Verdict.Breaks, [.. excluded.Select(food => food.Name)], $"{Name}: {string.Join(" and ", reasons)} {(excluded.Count == 1 ? "is" : "are")} left out.");
        }

        var unknown = intake.UnknownLines;
        return unknown.Count > 0
            ? Found(Verdict.CannotTell, unknown, $"{Name}: nobody knows what \"{string.Join("\" and \"", unknown)}\" is.")
            : Found(Verdict.Fits, [], $"{Name}: nothing in it is left out.");
    }

    /// <summary>The classes that leave the food out. Walking up from each of its tags, whichever comes first decides: an exception frees, an excluded class leaves out.</summary>
    public IEnumerable<string> ExcludedClasses(Food food, FoodClasses classes) => Except.Contains(food.Key)
        ? []
        : food.Tags.Select(tag => classes.Upward(tag).FirstOrDefault(key => Except.Contains(key) || Excludes.Contains(key)))
            .OfType<string>().Where(key => !Except.Contains(key)).Distinct();

    private Finding Found(Verdict verdict, IReadOnlyList<string> names, string because) =>
        new(Id, Name, verdict, null, null, null, [.. names.Select(name => new Contributor(name, 0))], because);
}

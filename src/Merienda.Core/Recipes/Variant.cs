using Merienda.Core.Outcomes;

namespace Merienda.Core.Recipes;

/// <summary>More or less of one line, or of a part with all its lines.</summary>
/// <param name="Times">Zero leaves it out, two doubles it.</param>
public sealed record LineChange(Guid Line, decimal Times);

/// <inheritdoc cref="LineChange"/>
public sealed record PartChange(string Part, decimal Times);

/// <summary>A line that only a variant has.</summary>
/// <param name="Instead">The line it stands for; null for one more.</param>
public sealed record VariantLine(Guid? Instead, RecipeLine Line);

/// <summary>
/// A recipe with some lines otherwise: another cheese, one and a half of one thing, without coriander, no sauce. It names what differs and
/// shares everything else.
/// </summary>
public sealed record Variant(string Name)
{
    public const int LongestName = 60,
        MostVariants = 12;

    /// <summary>Most of a line or part that a variant takes, as often as the recipe.</summary>
    public const decimal MostTimes = 10;

    public IReadOnlyList<LineChange> Lines { get; init; } = [];

    public IReadOnlyList<PartChange> Parts { get; init; } = [];

    public IReadOnlyList<VariantLine> Added { get; init; } = [];

    /// <summary>Whether it differs from the recipe in nothing.</summary>
    public bool IsEmpty => Added.Count == 0 && Lines.All(change => change.Times == 1) && Parts.All(change => change.Times == 1);

    /// <summary>A recipe's lines as this variant has them, each where the recipe has it.</summary>
    public IReadOnlyList<RecipeLine> Of(IReadOnlyList<RecipeLine> lines)
    {
        var instead = Added.Where(added => added.Instead is not null).ToLookup(added => added.Instead!.Value, added => added.Line);
        return
        [
            .. lines.SelectMany(line =>
                TimesOf(line.Part) == 0 ? []
                : instead.Contains(line.Typed.Id) ? instead[line.Typed.Id]
                : Changed(line)
            ),
            .. Added.Where(added => added.Instead is null).Select(added => added.Line),
        ];
    }

    /// <summary>This variant with one more change, which was found on the dish as this variant has it.</summary>
    public Variant Further(Variant change)
    {
        var times = Lines.ToDictionary(line => line.Line, line => line.Times);
        var added = Added.ToList();
        int OwnOf(Guid? line) => added.FindIndex(own => own.Line.Typed.Id == line);
        foreach (var (line, more) in change.Lines)
        {
            if (OwnOf(line) is var own && own < 0)
            {
                times[line] = times.GetValueOrDefault(line, 1) * more;
            }
            else if (more > 0)
            {
                added[own] = added[own] with { Line = added[own].Line.Taken(more) };
            }
            else
            {
                // What stood for a line of the recipe goes, and that line does not come back for it.
                if (added[own].Instead is { } left)
                {
                    times[left] = 0;
                }

                added.RemoveAt(own);
            }
        }

        foreach (var one in change.Added)
        {
            if (OwnOf(one.Instead) is var own && own >= 0)
            {
                added[own] = one with { Instead = added[own].Instead };
            }
            else
            {
                added.Add(one);
            }
        }

        return this with
        {
            Lines = [.. times.Select(line => new LineChange(line.Key, line.Value))],
            Added = added,
        };
    }

    private IEnumerable<RecipeLine> Changed(RecipeLine line)
    {
        var times = TimesOf(line.Part) * (Lines.FirstOrDefault(change => change.Line == line.Typed.Id)?.Times ?? 1);
        return times == 0 ? []
            : times == 1 ? [line]
            : [line.Taken(times)];
    }

    private decimal TimesOf(string part) => Parts.FirstOrDefault(change => change.Part == part)?.Times ?? 1;

    /// <summary>Why some variants cannot be a recipe's; null when they can.</summary>
    public static Refusal? Refuse(IReadOnlyList<Variant> variants, RecipeVersion recipe)
    {
        if (variants.Count > MostVariants)
        {
            return new(
                "too-many-variants",
                "variants",
                $"{variants.Count}",
                $"a recipe has at most {MostVariants} variants",
                "Make a recipe of its own of some"
            );
        }

        return variants.Select((variant, at) => variant.Refuse(at, variants, recipe)).FirstOrDefault(refusal => refusal is not null);
    }

    private Refusal? Refuse(int at, IReadOnlyList<Variant> variants, RecipeVersion recipe)
    {
        var ids = recipe.Lines.Select(line => line.Typed.Id).ToHashSet();
        var gone = Lines
            .Select(change => change.Line)
            .Concat(Added.Select(added => added.Instead).OfType<Guid>())
            .Where(id => !ids.Contains(id));
        return 0 switch
        {
            _ when Name.Length is 0 or > LongestName => new(
                "variant-name-length",
                $"variants[{at}].name",
                Name,
                $"a variant's name has 1 to {LongestName} characters",
                "Say what is otherwise: Without coriander"
            ),
            _ when variants.Take(at).Any(other => string.Equals(other.Name, Name, StringComparison.OrdinalIgnoreCase)) => new(
                "variant-name-twice",
                $"variants[{at}].name",
                Name,
                "two variants have one name",
                "Give one of them another name"
            ),
            _ when gone.Any() => new(
                "variant-line-gone",
                $"variants[{at}].lines",
                Name,
                "it changes a line that the recipe has no more",
                "Take the change out of the variant"
            ),
            _ when Parts.FirstOrDefault(change => !recipe.PartNames.Contains(change.Part)) is { } part => new(
                "variant-part-gone",
                $"variants[{at}].parts",
                part.Part,
                "it changes a part that the recipe has no more",
                "Take the change out of the variant"
            ),
            _ when Lines
                    .Select(change => change.Times)
                    .Concat(Parts.Select(change => change.Times))
                    .Any(times => times is < 0 or > MostTimes) => new(
                "times-out-of-range",
                $"variants[{at}].lines",
                Name,
                $"a variant takes a line or part from not at all to {MostTimes:0} times",
                "Type how often it goes in"
            ),
            _ when IsEmpty => new(
                "variant-empty",
                $"variants[{at}]",
                Name,
                "nothing is otherwise in it",
                "Leave a line out, or say what goes in instead"
            ),
            _ when Of(recipe.Lines).Count == 0 => new(
                "variant-without-lines",
                $"variants[{at}]",
                Name,
                "nothing is left of the dish",
                "Leave at least one line in"
            ),
            _ => null,
        };
    }
}

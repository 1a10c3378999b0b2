using System.Text.RegularExpressions;
using Merienda.Core.Foods;

namespace Merienda.Core.Recipes;

/// <summary>A word of a line's name.</summary>
/// <param name="IsName">False for one that says which kind: the "brown" of brown rice, which alone names nothing.</param>
internal readonly record struct NameWord(string Text, bool IsName);

/// <summary>
/// Draws from the words of the steps which lines each of them takes: "fry the onions in half the oil". What the first step that names a
/// line does not leave for later, it takes.
/// </summary>
internal static partial class StepLines
{
    /// <summary>Last words that make another thing of the food before them: the stock of a chicken is not the chicken.</summary>
    private static readonly HashSet<string> MadeOf =
    [
        "stock",
        "broth",
        "bouillon",
        "cube",
        "powder",
        "paste",
        "puree",
        "sauce",
        "oil",
        "juice",
        "zest",
        "vinegar",
        "milk",
        "flour",
        "butter",
        "cream",
        "syrup",
    ];

    /// <summary>Last words of names that steps also say of anything: alone they name no line.</summary>
    private static readonly HashSet<string> Shapes = ["cube", "leaf", "strip", "slice", "piece", "stick", "round", "half", "chunk", "mix"];

    /// <summary>Words for several foods together, by class.</summary>
    private static readonly Dictionary<string, string[]> Classes = new()
    {
        ["fish"] = ["fish"],
        ["seafood"] = ["fish", "crustacean", "mollusc"],
        ["meat"] = ["meat", "poultry"],
        ["vegetable"] = ["vegetable", "allium", "tuber"],
        ["veg"] = ["vegetable", "allium", "tuber"],
        ["herb"] = ["herb"],
        ["spice"] = ["spice"],
        ["seasoning"] = ["spice", "salt"],
        ["nut"] = ["tree-nut"],
        ["seed"] = ["seed", "sesame"],
        ["fruit"] = ["fruit"],
        ["berry"] = ["fruit"],
        ["cheese"] = ["cheese"],
    };

    /// <summary>Words in front of a name that leave some of it for later, and how much is taken then; all that is left when null.</summary>
    private static readonly Dictionary<string, decimal?> Shares = new()
    {
        ["half"] = 0.5m,
        ["third"] = 1m / 3,
        ["quarter"] = 0.25m,
        ["rest"] = null,
        ["remaining"] = null,
        ["other"] = null,
        ["remainder"] = null,
        ["reserved"] = null,
    };

    /// <summary>So many words before a name may say how much of it: "half of the chopped".</summary>
    private const int Reach = 4;

    private sealed record Mention(RecipeLine Line, int At);

    public static IReadOnlyDictionary<string, IReadOnlyList<StepUse>> Of(IReadOnlyList<PrepTask> tasks, IReadOnlyList<RecipeLine> lines)
    {
        var taken = lines.ToDictionary(line => line, _ => 0m);
        // Zucchini and courgette are one word, on either side.
        var words = lines.Count == 0 ? FoodWords.None : lines[0].Vocabulary;
        var parts = lines.Select(line => line.Part).Distinct().Where(part => part.Length > 0).ToList();
        return tasks.ToDictionary(task => task.Id, task => (IReadOnlyList<StepUse>)Uses(task).ToList());

        IEnumerable<StepUse> Uses(PrepTask task)
        {
            var tokens = words.Of(task.Text);
            var named = Mentions(tokens, lines).ToLookup(mention => IsExcepted(tokens, mention.At));
            var mentions = named[false].ToList();
            if (task.Lines is { } said)
            {
                mentions =
                [
                    .. lines
                        .Where(line => said.Contains(line.Typed.Id))
                        .Select(line => mentions.Find(mention => mention.Line == line) ?? new(line, 0)),
                ];
            }
            else
            {
                mentions.AddRange(Meant(task.Text, tokens, mentions, named[true]));
            }

            // "Half the stock, then the rest of it": one step may take of a line twice.
            foreach (var of in mentions.GroupBy(mention => mention.Line, mention => mention.At))
            {
                var before = taken[of.Key];
                foreach (var at in of)
                {
                    taken[of.Key] = Math.Min(1, taken[of.Key] + ShareBefore(tokens, at, taken[of.Key]));
                }

                yield return new(of.Key, taken[of.Key] - before);
            }
        }

        // "Whisk the sauce", "put everything in the pot", "add the remaining ingredients": lines that are meant without being named.
        IEnumerable<Mention> Meant(string text, List<string> tokens, List<Mention> named, IEnumerable<Mention> excepted)
        {
            var part = parts.Find(name => IsSaid(words.Of(name), tokens) && named.TrueForAll(mention => mention.Line.Part != name));
            // "Stir together": what else than all of it.
            var isAll = Everything().IsMatch(text) || (named.Count == 0 && Together().IsMatch(text));
            return part is null && !isAll
                ? []
                : lines
                    .Where(line => (part is null ? !line.Read.IsToServe : line.Part == part) && taken[line] < 1)
                    .Except(named.Concat(excepted).Select(mention => mention.Line))
                    .Select(line => new Mention(line, 0));
        }
    }

    /// <summary>What a variant's steps take: what stands for a line goes where the line went.</summary>
    public static IReadOnlyDictionary<string, IReadOnlyList<StepUse>> Varied(
        RecipeVersion written,
        Variant change,
        IReadOnlyList<RecipeLine> lines
    )
    {
        var there = lines.DistinctBy(line => line.Typed.Id).ToDictionary(line => line.Typed.Id);
        var instead = change.Added.ToLookup(added => added.Instead, added => added.Line);
        var added = Of(written.Tasks, [.. instead[null]]);
        return written.Tasks.ToDictionary(
            task => task.Id,
            task =>
                (IReadOnlyList<StepUse>)
                    [
                        .. written
                            .UsesOf(task)
                            .SelectMany(use =>
                                (instead.Contains(use.Line.Typed.Id) ? instead[use.Line.Typed.Id] : [use.Line])
                                    .Where(line => there.ContainsKey(line.Typed.Id))
                                    .Select(line => use with { Line = there[line.Typed.Id] })
                            ),
                        .. added[task.Id],
                    ]
        );
    }

    /// <summary>Lines that the words name, each once, where they do so first.</summary>
    private static List<Mention> Mentions(List<string> tokens, IReadOnlyList<RecipeLine> lines)
    {
        var found = new List<Mention>();
        for (var at = 0; at < tokens.Count; )
        {
            var end = at;
            while (end < tokens.Count && lines.Any(line => Has(line, tokens[end])))
            {
                end++;
            }

            // Words that stand together name one thing where they can: "olive oil" is not the sesame oil.
            var run = tokens[at..end];
            var named = run.SelectMany(token => NamedBy(token, run, lines));
            if (end == at && Classes.TryGetValue(tokens[at], out var classes))
            {
                named = lines.Where(line => line.Food is { } food && classes.Any(food.Is) && !MadeOf.Contains(line.NameWords[^1].Text));
            }

            found.AddRange(
                named
                    .Distinct()
                    .Where(line => IsLeftOver(tokens, at) || !found.Exists(mention => mention.Line == line))
                    .Select(line => new Mention(line, at))
                    .ToList()
            );
            at = Math.Max(end, at + 1);
        }

        return found;
    }

    private static bool Has(RecipeLine line, string token) => line.NameWords.Any(word => word.Text == token);

    private static IEnumerable<RecipeLine> NamedBy(string token, List<string> run, IReadOnlyList<RecipeLine> lines)
    {
        var fitting = lines.Where(line => Has(line, token) && IsNamed(line, run)).ToList();
        return fitting.Count < 2 ? fitting : fitting.GroupBy(Rank).MaxBy(group => group.Key)!;

        (int Said, bool IsLast, bool IsItself, bool IsSeasoning, int Unsaid) Rank(RecipeLine line)
        {
            var (said, last) = (SaidOf(line, run).Count(), line.NameWords[^1].Text);
            return (
                said,
                last == token,
                !MadeOf.Contains(last),
                // "Salt and pepper" is no vegetable.
                token == "pepper"
                    && line.Food?.Is("spice") == true,
                said - line.NameWords.Count
            );
        }
    }

    /// <summary>"Brown the mince" is not the brown rice, and "cut into cubes" no stock cube.</summary>
    private static bool IsNamed(RecipeLine line, List<string> run) =>
        line.NameWords.Count == 1
        || (SaidOf(line, run).ToList() is var said && said.Exists(word => word.IsName && (said.Count > 1 || !Shapes.Contains(word.Text))));

    private static IEnumerable<NameWord> SaidOf(RecipeLine line, List<string> run) =>
        line.NameWords.Distinct().Where(word => run.Contains(word.Text));

    /// <summary>"Everything but the cheese".</summary>
    private static bool IsExcepted(List<string> tokens, int at) =>
        tokens[Math.Max(0, at - 2)..at].Exists(word => word is "but" or "except");

    /// <summary>Whether the words before a name say that some of it was left.</summary>
    private static bool IsLeftOver(List<string> tokens, int at) =>
        tokens[Math.Max(0, at - Reach)..at].Exists(word => Shares.TryGetValue(word, out var share) && share is null);

    private static decimal ShareBefore(List<string> tokens, int at, decimal taken)
    {
        for (var before = at - 1; before >= Math.Max(0, at - Reach); before--)
        {
            if (Shares.TryGetValue(tokens[before], out var share))
            {
                return share ?? 1;
            }
        }

        return taken > 0 ? 0 : 1;
    }

    private static bool IsSaid(List<string> name, List<string> tokens) =>
        name.Count > 0
        && Enumerable.Range(0, Math.Max(0, tokens.Count - name.Count + 1)).Any(at => tokens.GetRange(at, name.Count).SequenceEqual(name));

    [GeneratedRegex(
        @"\beverything\b|\ball (of )?(the )?(other |remaining )?ingredients\b|\b(other|remaining|rest of the) ingredients\b|\b(add|stir in|with) the rest\b(?! of)|\ball together\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Everything();

    [GeneratedRegex(
        @"\b(stir|mix|toss|whisk|blitz|blend|combine|put|layer)\b[\w\s]{0,20}\btogether\b|\bcombine\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Together();
}

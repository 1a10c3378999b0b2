using System.Text.RegularExpressions;
using Merienda.Core.Outcomes;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>A recipe as somebody wrote it: lines and steps still words.</summary>
/// <param name="Portions">As written, or null when the text does not say.</param>
/// <param name="Lines">Ingredient lines as typed, bullets too, with the part of the dish they stand under; empty for a dish of one
/// part.</param>
public sealed record WrittenRecipe(
    string Name,
    decimal? Portions,
    IReadOnlyList<(string Part, string Text)> Lines,
    IReadOnlyList<string> Steps
);

/// <summary>
/// Takes pasted text apart: the title, what it makes, the ingredients with their parts and the method, with or without headings.
/// </summary>
public static partial class RecipeTextReader
{
    /// <summary>Most characters of a recipe; the longest of ours has under three thousand.</summary>
    public const int MostCharacters = 60_000,
        MostLines = 200;

    public static Result<WrittenRecipe> Read(string text)
    {
        if (text.Length > MostCharacters)
        {
            return new Refusal(
                "recipe-too-long",
                "text",
                $"{text.Length:#,0} characters",
                $"a recipe has at most {MostCharacters:#,0}",
                "Paste one recipe, not the whole page"
            );
        }

        var rows = text.ReplaceLineEndings("\n")
            .Split('\n')
            .Select(row => PastedRow.FromCells(row))
            .OfType<string>()
            .Select(row => PastedRow.FromChat(row.Trim()))
            .ToList();
        if (rows.All(row => row.Length == 0))
        {
            return new Refusal("recipe-empty", "text", "", "there is nothing to read", "Paste or type a recipe, one ingredient a line");
        }

        var reading = new Reading(rows);
        for (var at = 0; at < rows.Count; at++)
        {
            reading.Take(rows[at], at + 1 < rows.Count ? WithoutBullet(rows[at + 1]) : "");
        }

        reading.End();
        return reading.Lines.Count > MostLines
                ? new Refusal(
                    "too-many-lines",
                    "text",
                    $"{reading.Lines.Count} lines",
                    $"a recipe has at most {MostLines} ingredient lines",
                    "Paste one recipe at a time"
                )
            : OtherLanguage.Refuses(reading.Lines.Select(line => line.Text).ToList()) is { } refusal ? refusal
            : new WrittenRecipe(reading.Name ?? "Untitled", reading.Portions, reading.Lines, reading.Steps);
    }

    /// <summary>A row without what stands before the rows of a list, and the comma behind.</summary>
    public static string WithoutBullet(string row) => Bullet().Replace(row.Trim(), "").TrimEnd(',', ';');

    /// <summary>Ingredient lines that came as a list, with the headings among them taken for parts.</summary>
    public static IReadOnlyList<(string Part, string Text)> InParts(IEnumerable<string> lines)
    {
        var (part, found) = ("", new List<(string, string)>());
        foreach (var line in lines)
        {
            var bare = Bare(line);
            if (Reading.IsPart(line, bare, isShouted: true) && (bare.EndsWith(':') || PartStart().IsMatch(bare)))
            {
                part = PartName().Replace(bare, "", 1).TrimEnd(':').Trim();
            }
            else if (bare.Length > 0 && !Equipment().IsMatch(bare))
            {
                found.AddRange(Things(part, line));
            }
        }

        return found;
    }

    private static IEnumerable<(string Part, string Text)> Things(string part, string typed) =>
        PastedRow.Things(WithoutBullet(typed)) is { Count: > 1 } things ? things.Select(thing => (part, thing)) : [(part, typed)];

    private enum Section
    {
        Before,
        Ingredients,
        Method,
        Passed,
    }

    private sealed class Reading
    {
        private readonly bool _isShouted;
        private Section _in;
        private string _part = "";

        public Reading(IReadOnlyList<string> rows)
        {
            _in = rows.Any(row => IngredientsHeading().IsMatch(Bare(WithoutBullet(row)))) ? Section.Before : Section.Ingredients;
            _isShouted = rows.Count(IsCapitals) * 2 > rows.Count(row => row.Length > 0);
        }

        public string? Name { get; private set; }

        public decimal? Portions { get; private set; }

        public List<(string Part, string Text)> Lines { get; } = [];

        public List<string> Steps { get; } = [];

        public void Take(string typed, string next)
        {
            var row = WithoutBullet(typed);
            var bare = Bare(row);
            if (bare.Length == 0)
            {
                return;
            }

            if (IngredientsHeading().IsMatch(bare))
            {
                // "Ingredients (serves 4)".
                (_in, _part, Portions) = (Section.Ingredients, "", Portions ?? RecipeYield.InTitle(bare.TrimEnd(':')).Portions);
            }
            else if (MethodHeading().IsMatch(bare))
            {
                _in = Section.Method;
            }
            else if (PassedHeading().IsMatch(bare))
            {
                _in = Section.Passed;
            }
            else if (_in != Section.Method && RecipeYield.IsYield(bare))
            {
                Portions ??= RecipeYield.PortionsIn(bare);
            }
            else if (Name is null && Lines.Count == 0 && _in != Section.Method && IsTitle(bare, next))
            {
                var (name, portions) = RecipeYield.InTitle(bare.TrimEnd(':'));
                (Name, Portions) = (name, Portions ?? portions);
            }
            else if (_in == Section.Method)
            {
                // Some say whom it serves at the end.
                Portions ??= RecipeYield.ServedIn(bare);
                Steps.Add(row);
            }
            else if (_in == Section.Ingredients && !Remark().IsMatch(bare) && !Equipment().IsMatch(bare))
            {
                TakeIngredient(typed, row, bare);
            }
        }

        /// <summary>
        /// Lines that are all said of one jar make one portion, however many jars are made; where only some are, nobody can tell.
        /// </summary>
        public void End()
        {
            var ofOne = Lines.Count(line => OfOne().IsMatch(line.Part));
            Portions =
                ofOne == 0 ? Portions
                : ofOne == Lines.Count ? 1
                : null;
        }

        private void TakeIngredient(string typed, string row, string bare)
        {
            if (IsPart(row, bare, _isShouted))
            {
                _part = PartName().Replace(bare, "", 1).TrimEnd(':').Trim();
            }
            else if (InlinePart().Match(bare) is { Success: true } inline)
            {
                _part = inline.Groups["name"].Value.Trim();
                Lines.Add((_part, inline.Groups["line"].Value));
            }
            else if (Lines.Count > 0 && IsStep(bare))
            {
                // Steps without a heading: the first one ends the ingredients.
                _in = Section.Method;
                Steps.Add(row);
            }
            else if (row.Length > IngredientLineReader.LongestLine)
            {
                Steps.Add(row);
            }
            else
            {
                Lines.AddRange(Things(_part, typed));
            }
        }

        /// <summary>
        /// Before a heading everything is title first; without one a row is, if a blank or a yield follows, or if it states no amount.
        /// </summary>
        private bool IsTitle(string bare, string next) =>
            _in == Section.Before
            || (!IsMeasured(bare) && next.Length == 0)
            || RecipeYield.IsYield(Bare(next))
            || (!char.IsAsciiDigit(bare[0]) && AmountReader.Read(bare) is null);

        private static bool IsMeasured(string bare) =>
            MeasuredWords.Read(new(bare), 0) is { Unit: { Kind: not Quantities.UnitKind.Piece } };

        public static bool IsPart(string row, string bare, bool isShouted)
        {
            var words = bare.TrimEnd(':').Split(' ', StringSplitOptions.RemoveEmptyEntries).Length;
            if (words > 7 || bare.Length == 0 || char.IsAsciiDigit(bare[0]) || bare.Contains(',', StringComparison.Ordinal))
            {
                return false;
            }

            return bare.EndsWith(':')
                || PartStart().IsMatch(bare)
                || OfOne().IsMatch(bare)
                || (IsMarked(row) && AmountReader.Read(bare) is null)
                || (!isShouted && IsCapitals(bare));
        }

        private static bool IsMarked(string row) =>
            row.StartsWith('#')
            || (row.StartsWith("**", StringComparison.Ordinal) && row.EndsWith("**", StringComparison.Ordinal))
            || (row.StartsWith("__", StringComparison.Ordinal) && row.EndsWith("__", StringComparison.Ordinal));

        private static bool IsCapitals(string row) => row.Count(char.IsLetter) >= 4 && !row.Any(char.IsLower) && !row.Any(char.IsDigit);

        private static bool IsStep(string bare) =>
            NumberedStep().IsMatch(bare) || (SentenceStart().IsMatch(bare) && bare.Count(letter => letter == ' ') >= 2);
    }

    /// <summary>Without marks of emphasis and headings.</summary>
    private static string Bare(string row) => Marks().Replace(row, "").Trim();

    /// <summary>
    /// What stands before a row of a list; a minus stands before its number, and a number is the list's only where an amount follows.
    /// </summary>
    [GeneratedRegex(@"^([•▪▫◦‣●○■□☐☑✓✔·]\s*|[-–—*+]\s+|\[[ xX]?\]\s*|\d{1,2}[.)]\s+(?=[\d½⅓⅔¼¾⅛]))+(?=\S)")]
    private static partial Regex Bullet();

    [GeneratedRegex(@"^#+\s*|\*\*|__|^_|_$|[\u200b\ufeff]")]
    private static partial Regex Marks();

    [GeneratedRegex(
        @"^(the\s+)?(ingredients?|ingredient list|you need|you will need|you'll need|what you need|shopping list)\s*:?\s*(\([^)]*\))?\s*:?\s*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex IngredientsHeading();

    [GeneratedRegex(
        @"^(the\s+)?(method|instructions?|directions?|preparation|steps|how to( make( it)?| cook)?|cooking instructions|to make|what to do|procedure)\s*:?\s*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex MethodHeading();

    [GeneratedRegex(
        @"^((recipe |cook's )?notes?|tips?|nutrition( facts| information| per serving| per portion)?|equipment|special equipment|storage|video|tools|kitchen tools|macros)\s*(\([^)]*\))?\s*:?\s*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex PassedHeading();

    /// <summary>Times, counts of nutrients and ratings that stand among the ingredients of a pasted page.</summary>
    [GeneratedRegex(
        @"^((prep|preparation|cook|cooking|total|active|resting|chill(ing)?|marinating)( time)?\s*:?\s*(about\s+)?\d+|(calories|kcal|protein|carbs|carbohydrates?|net carbs|fat|fibre|fiber|sodium|sugar)\s*:\s*[\d.]+|per (serving|portion)\s*:|difficulty\s*:|cuisine\s*:|course\s*:|author\s*:|print( recipe)?$|jump to|advertisement$|rate this|save( recipe)?$|pin( recipe)?$|\d(\.\d)? (stars?|from \d+)|check(ed)? all|deselect all|(us|metric) customary|1x\s*2x)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Remark();

    /// <summary>What a dish is made in or with, but not of.</summary>
    [GeneratedRegex(
        @"^(an? |\d+ |\d+ x |one |two |some )?([\w-]+ ){0,4}((muffin|loaf|cake|roasting|baking|springform|tart|pie|bundt|brownie) (tins?|pans?|dish(es)?|trays?|moulds?|sheets?|cases?)|(wooden|metal|bamboo) skewers|skewers|(baking|parchment|greaseproof|wax) paper|(tin|aluminium|aluminum) foil|foil|cling film|plastic wrap|cheesecloth|muslin|piping bag|(mason|glass|jam|kilner) jars?|meal prep containers?|slow cooker|pressure cooker|food processor|blender|thermometer|cooling rack|cocktail sticks|toothpicks|paper (cases|liners)|muffin liners|kitchen (string|twine|paper|towel))( \([^)]*\))?(, (greased|lined|soaked).*)?$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Equipment();

    [GeneratedRegex(
        @"^(for (the |your )?\p{L}|to (serve|garnish|finish|assemble|decorate|top)$|(to|for) (serving|garnishing|topping|the table)$)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex PartStart();

    /// <summary>"Each jar", "per portion": what follows is for one.</summary>
    [GeneratedRegex(
        @"^(in )?(each|per|every|one|a single) (jar|pot|portion|serving|person|bowl|box|lunch ?box|container|glass|cup|mug|wrap|plate|eater)$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex OfOne();

    [GeneratedRegex(@"^for (the |your )?(?=\p{L})", RegexOptions.IgnoreCase)]
    private static partial Regex PartName();

    [GeneratedRegex(@"^(for (the |your )?)?(?<name>[\p{L}][\p{L} '’-]{1,30}):\s+(?<line>\d.*|[½⅓⅔¼¾].*)$", RegexOptions.IgnoreCase)]
    private static partial Regex InlinePart();

    [GeneratedRegex(@"^(step\s*\d+\b|\d{1,2}\s*[.)]\s+(?!\d)\p{L}.{18,})", RegexOptions.IgnoreCase)]
    private static partial Regex NumberedStep();

    [GeneratedRegex(
        @"^(preheat|heat|mix|combine|place|put|add|stir|whisk|cook|bake|roast|fry|saut[eé]|boil|simmer|bring|pour|cut|chop|slice|season|toss|blend|drain|rinse|spread|roll|shape|form|divide|chill|marinate|brown|grill|steam|melt|beat|fold|transfer|remove|serve|cover|wash|peel|sprinkle|layer|set|let|leave|in a|using|meanwhile|once|when|make|start|prepare|arrange|line|grease|soak)\b.*[.!]$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex SentenceStart();
}

using Merienda.Core.Outcomes;
using Merienda.Core.Quantities;
using static Merienda.Core.Recipes.RecipeMarks;

namespace Merienda.Core.Recipes;

/// <summary>
/// Takes pasted text apart: the title, what it makes, the ingredients with their parts and the method, with or without headings.
/// </summary>
public static class RecipeTextReader
{
    /// <summary>Most characters of a recipe; the longest of ours has under three thousand.</summary>
    public const int MostCharacters = 60_000,
        MostLines = 200;

    /// <summary>Every recipe of a text.</summary>
    public static IEnumerable<Result<WrittenRecipe>> ReadAll(string text) =>
        (text.Length > MostCharacters ? [text] : PastedRecipes.Split(text)).Select(Read);

    /// <summary>The recipe of a text that holds one.</summary>
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
            .SelectMany(PastedRow.Columns)
            .Select(PastedRow.FromCells)
            .OfType<string>()
            .Select(row => PastedRow.FromChat(row.Trim()))
            .ToList();
        if (rows.All(row => row.Length == 0))
        {
            return new Refusal("recipe-empty", "text", "", "there is nothing to read", "Paste or type a recipe, one ingredient a line");
        }

        rows = PastedRecipes.Spread(WithoutFrontMatter(rows));
        if (PastedRecipes.Starts(rows) is { Count: > 0 } others)
        {
            return new Refusal(
                "many-recipes",
                "text",
                string.Join(", ", others.Select(at => Bare(rows[at]))),
                $"“{string.Join("”, “", others.Take(4).Select(at => Bare(rows[at])))}” {(others.Count == 1 ? "is another recipe" : "are other recipes")} in it",
                "Paste one at a time, or save the text as a file and bring that in: all of them are read then"
            );
        }

        var reading = new Reading(rows);
        for (var at = 0; at < rows.Count; at++)
        {
            reading.Take(rows[at], at + 1 < rows.Count ? rows[at + 1] : "");
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
            : new WrittenRecipe(reading.Name ?? "Untitled", reading.Portions, reading.Lines, reading.Steps)
            {
                // How many it makes is no claim here: it is taken.
                Claims = [.. ClaimReader.Read(string.Join('\n', reading.Stated)).Where(claim => claim.What != ClaimedValue.Portions)],
            };
    }

    /// <summary>Most rows of what a notebook keeps about its page.</summary>
    private const int MostFrontMatter = 60;

    /// <summary>A page of a notebook without the rows between dashes that it begins with.</summary>
    private static List<string> WithoutFrontMatter(List<string> rows)
    {
        var first = rows.FindIndex(row => row.Length > 0);
        var end =
            rows[first] == "---" ? rows.FindIndex(first + 1, Math.Min(MostFrontMatter, rows.Count - first - 1), row => row == "---") : -1;
        return end < 0 || end + 1 == rows.Count ? rows : rows[(end + 1)..];
    }

    /// <summary>"For the slaw" is the part Slaw, and SAUCE the part Sauce.</summary>
    public static string Headed(string part) =>
        part.Length == 0 ? "" : $"{char.ToUpperInvariant(part[0])}{(part.Any(char.IsLower) ? part[1..] : part[1..].ToLowerInvariant())}";

    /// <summary>A row without what stands before the rows of a list, and the comma behind.</summary>
    public static string WithoutBullet(string row) => Bullet().Replace(row.Trim(), "").TrimEnd(',', ';');

    /// <summary>Ingredient lines that came as a list, with the headings among them taken for parts.</summary>
    public static IReadOnlyList<(string Part, string Text)> InParts(IEnumerable<string> lines)
    {
        var (part, found) = ("", new List<(string, string)>());
        foreach (var line in lines)
        {
            var bare = Bare(line);
            if (IsPart(line, bare, isShouted: true) && (bare.EndsWith(':') || PartStart().IsMatch(bare)))
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
        private readonly bool _hasMethod;
        private Section _in;
        private string _part = "";

        /// <summary>Whether the method was begun by a row that reads like a step, not by a heading.</summary>
        private bool _isGuessed;

        public Reading(IReadOnlyList<string> rows)
        {
            _in = rows.Any(row => IngredientsHeading().IsMatch(Bare(WithoutBullet(row)))) ? Section.Before : Section.Ingredients;
            _isShouted = rows.Count(IsCapitals) * 2 > rows.Count(row => row.Length > 0);
            _hasMethod = rows.Any(row => MethodHeading().IsMatch(Bare(WithoutBullet(row))));
        }

        public string? Name { get; private set; }

        public decimal? Portions { get; private set; }

        public List<(string Part, string Text)> Lines { get; } = [];

        public List<string> Steps { get; } = [];

        /// <summary>Rows that say what a portion has or how long it takes.</summary>
        public List<string> Stated { get; } = [];

        /// <param name="below">The row below it as typed.</param>
        public void Take(string typed, string below)
        {
            var (row, next) = (WithoutBullet(typed), WithoutBullet(below));
            var bare = Bare(row);
            // A rule across the page says nothing, and a note is of a line that has its star.
            if (Footnote().IsMatch(typed) && Lines.Exists(line => line.Text.TrimEnd().EndsWith(typed[0])))
            {
                return;
            }

            if (!bare.Any(letter => char.IsLetterOrDigit(letter) || char.IsNumber(letter)))
            {
                return;
            }

            if (_isGuessed && _in == Section.Method && IsMeasuredLine(bare))
            {
                // "STIR FRY" above a list is no step after all.
                _in = Section.Ingredients;
            }

            // "Cook 20 minutes." below the ingredients is what is done, "Cook 20 minutes" how long it takes; STIR FRY heads a list.
            var served = ServedWith().Match(bare);
            var isStep =
                _in == Section.Ingredients
                && Lines.Count > 0
                && !served.Success
                && IsStep(bare)
                && !(IsCapitals(bare) && (_hasMethod || !_isShouted));
            if (!isStep && (_in == Section.Passed || Remark().IsMatch(bare) || StatedRow().IsMatch(bare)))
            {
                Stated.Add(bare);
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
            else if (InlineMethod().Match(bare) is { Success: true } method)
            {
                _in = Section.Method;
                Steps.Add(method.Groups["step"].Value);
            }
            else if (PassedHeading().IsMatch(bare))
            {
                _in = Section.Passed;
            }
            else if (isStep)
            {
                // Steps without a heading: the first one ends the ingredients.
                (_in, _isGuessed) = (Section.Method, true);
                TakeStep(row, bare);
            }
            else if (_in != Section.Method && served.Success)
            {
                Lines.Add((_part, $"{served.Groups["line"].Value}, to serve"));
            }
            else if (_in != Section.Method && RecipeYield.AmongOthers(bare) is { } said)
            {
                // "Prep 10 min | Serves 3"; "Bean soup | serves 4 | 35 min" begins with its name.
                Portions ??= said;
                Stated.Add(bare);
                if (
                    Name is null
                    && Lines.Count == 0
                    && RecipeYield.InTitle(bare) is { Portions: not null } title
                    && !StatedRow().IsMatch(bare)
                    && !Remark().IsMatch(bare)
                )
                {
                    Name = title.Name;
                }
            }
            else if (_in != Section.Method && RecipeYield.IsYield(bare))
            {
                Portions ??= RecipeYield.PortionsIn(bare);
                // "Serves 6. Calories: 240."
                Stated.AddRange(bare.Split(". ").Skip(1));
            }
            else if (_in != Section.Method && InBrackets().IsMatch(bare))
            {
                // "(feeds the boys and me, lasts 3 days)".
                Portions ??= RecipeYield.ServedIn(bare);
                Stated.Add(bare.Trim('(', ')'));
            }
            else if (Name is null && Lines.Count == 0 && _in != Section.Method && IsTitle(bare, next))
            {
                var (name, portions) = RecipeYield.InTitle(bare.TrimEnd(':'));
                (Name, Portions) = (name, Portions ?? portions);
            }
            else if (StatedRow().IsMatch(bare))
            {
                // Neither an ingredient nor a step.
            }
            else if (_in == Section.Method)
            {
                TakeStep(row, bare);
            }
            else if (_in == Section.Ingredients && !Remark().IsMatch(bare) && !Equipment().IsMatch(bare))
            {
                TakeIngredient(typed, row, bare, HeadsList(typed, bare, below));
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

        /// <summary>Some say whom it serves at the end.</summary>
        private void TakeStep(string row, string bare)
        {
            Portions ??= RecipeYield.ServedIn(bare);
            Steps.Add(row);
        }

        /// <summary>Whether a row without the end of a sentence begins with how much of something, and says no time.</summary>
        private static bool IsMeasuredLine(string bare) =>
            bare[^1] is not ('.' or '!') && PastedRow.BeginsWithAmount(bare) && StepMinutes.In(bare).Count == 0;

        private void TakeIngredient(string typed, string row, string bare, bool isHead)
        {
            if (isHead || IsPart(row, bare, _isShouted))
            {
                _part = BehindPart().Replace(PartName().Replace(bare, "", 1), "").Trim();
            }
            else if (InlinePart().Match(bare) is { Success: true } inline)
            {
                var (name, line) = (inline.Groups["name"].Value.Trim(), inline.Groups["line"].Value);
                if (name.Equals("optional", StringComparison.OrdinalIgnoreCase))
                {
                    Lines.Add((_part, $"{line}, optional"));
                    return;
                }

                // "Rice: 1 cup" is a line of rice, "Garlic: 3 cloves" one of garlic, "Onion: 1 large" one of onion.
                if (
                    IngredientLineReader.Read(line).Food is var food
                    && (food.Length == 0 || Unit.Spelled(food.Split(',')[0]) is not null || UnitWords.IsSizeAlone(food))
                )
                {
                    Lines.Add((_part, $"{name}, {line}"));
                    return;
                }

                _part = name;
                Lines.AddRange(Things(_part, line));
            }
            else if (OnTop().Match(bare) is { Success: true } top)
            {
                // "Toppings: soured cream, grated cheddar".
                Lines.AddRange(top.Groups["food"].Captures.Select(food => (_part, $"{food.Value.Trim()}, to serve")));
            }
            else if (row.Length > IngredientLineReader.LongestLine)
            {
                Steps.Add(row);
            }
            else if (ServesBehind().Match(typed) is { Success: true } behind)
            {
                // "150 ml water. Serves 3."
                Portions ??= RecipeYield.ServedIn(behind.Value);
                Lines.AddRange(Things(_part, typed[..behind.Index]));
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
    }
}

using Merienda.Core.Quantities;
using static Merienda.Core.Recipes.RecipeMarks;

namespace Merienda.Core.Recipes;

/// <summary>The rows of one pasted recipe, taken one after the other: each is a title, an amount made, a line, a step or a remark.</summary>
internal sealed class PastedSections
{
    private enum Section
    {
        Before,
        Ingredients,
        Method,
        Passed,
    }

    private readonly bool _isShouted;
    private readonly bool _hasMethod;
    private Section _in;
    private string _part = "";

    /// <summary>Whether the method was begun by a row that reads like a step, not by a heading.</summary>
    private bool _isGuessed;

    public PastedSections(IReadOnlyList<string> rows)
    {
        _in = rows.Any(row => IngredientsHeading().IsMatch(Bare(RecipeTextReader.WithoutBullet(row))))
            ? Section.Before
            : Section.Ingredients;
        _isShouted = rows.Count(IsCapitals) * 2 > rows.Count(row => row.Length > 0);
        _hasMethod = rows.Any(row => MethodHeading().IsMatch(Bare(RecipeTextReader.WithoutBullet(row))));
    }

    public string? Name { get; private set; }

    public decimal? Portions { get; private set; }

    public List<(string Part, string Text)> Lines { get; } = [];

    public List<string> Steps { get; } = [];

    /// <summary>Rows that say what a portion has or how long it takes.</summary>
    public List<string> Stated { get; } = [];

    /// <summary>Which meal it says it is for.</summary>
    public string Course { get; private set; } = "";

    /// <param name="below">The row below it as typed.</param>
    public void Take(string typed, string below)
    {
        var (row, next) = (RecipeTextReader.WithoutBullet(typed), RecipeTextReader.WithoutBullet(below));
        var bare = Bare(row);
        if (_in != Section.Method && InBrackets().IsMatch(bare) && !BracketRemark().IsMatch(bare))
        {
            // "(per portion: 40 g oats, 1 egg)", "(walnuts, optional)": what stands in brackets may be eaten all the same.
            row = bare = bare[1..^1];
            typed = row;
        }

        // A rule across the page says nothing, and a note is of a line that has its star.
        if (Footnote().IsMatch(typed) && Lines.Exists(line => line.Text.TrimEnd().EndsWith(typed[0])))
        {
            return;
        }

        if (!bare.Any(letter => char.IsLetterOrDigit(letter) || char.IsNumber(letter)))
        {
            return;
        }

        if (CourseRow().Match(bare) is { Success: true } course)
        {
            Course = course.Groups["course"].Value.Trim();
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
        var isStated = IsStated(bare);
        if (!isStep && (_in == Section.Passed || Remark().IsMatch(bare) || isStated))
        {
            // "Prep 10 min, cook 1 hr, serves 4".
            Portions ??= RecipeYield.ServedIn(bare) ?? RecipeYield.AmongOthers(bare.Replace(", ", " | ", StringComparison.Ordinal));
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
                && !isStated
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
        else if (_in != Section.Method && BracketRemark().IsMatch(bare))
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
        else if (isStated)
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
        var ofOne = Lines.Count(line => OfOne().IsMatch(line.Part) || OfOneBehind().IsMatch(line.Text));
        Portions =
            ofOne == 0 ? Portions
            : ofOne == Lines.Count ? 1
            : null;
    }

    /// <summary>Some say whom it serves at the end.</summary>
    private void TakeStep(string row, string bare)
    {
        var served = RecipeYield.ServedIn(bare);
        Portions ??= served;
        if (served is null || !RecipeYield.IsYield(bare))
        {
            Steps.Add(row);
        }
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
            Lines.AddRange(RecipeTextReader.Things(_part, line));
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
            Lines.AddRange(RecipeTextReader.Things(_part, typed[..behind.Index]));
        }
        else
        {
            Lines.AddRange(RecipeTextReader.Things(_part, typed));
        }
    }

    /// <summary>
    /// Whether a row says what a portion has and nothing that goes in: "Per portion: 40 g oats, 1 egg" and "1 egg (70 kcal, 6 g protein)" are
    /// ingredients.
    /// </summary>
    private bool IsStated(string bare)
    {
        if (OfOneInline().Match(bare) is { Success: true } one && PastedRow.BeginsWithAmount(one.Groups["line"].Value))
        {
            return SaidOfAPortion().IsMatch(one.Groups["line"].Value);
        }

        return StatedRow().IsMatch(bare)
            || (
                _in != Section.Method
                && Calories().IsMatch(bare)
                && (SaidOfAPortion().IsMatch(bare) || RecipeYield.IsYield(bare.Split(',')[0].Trim()))
            );
    }

    /// <summary>
    /// Before a heading everything is title first; without one a row is, if a blank or a yield follows, or if it states no amount.
    /// </summary>
    private bool IsTitle(string bare, string next) =>
        _in == Section.Before
        // "Cauliflower rice: 1 medium cauliflower" above "Eggs: 2" is a line.
        || (!(InlinePart().IsMatch(bare) && InlinePart().IsMatch(Bare(next))) && IsTitleByItself(bare, next));

    private static bool IsTitleByItself(string bare, string next) =>
        (!IsMeasured(bare) && next.Length == 0)
        || RecipeYield.IsYield(Bare(next))
        || (!char.IsAsciiDigit(bare[0]) && AmountReader.Read(bare) is null);

    private static bool IsMeasured(string bare) => MeasuredWords.Read(new(bare), 0) is { Unit: { Kind: not UnitKind.Piece } };
}

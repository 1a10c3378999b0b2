using System.Text.RegularExpressions;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>
/// Reads one ingredient line of plain English text into amount, unit, food words and note. It never throws and never guesses a food:
/// words it cannot place stay in the food words, where the matcher finds them or leaves the line unmatched.
/// </summary>
public static partial class IngredientLineReader
{
    /// <summary>Longer lines are prose, not ingredients; they are kept as typed and left unread.</summary>
    public const int LongestLine = 300;

    public static ReadLine Read(string text)
    {
        var line = Tidy(text);
        if (line.Length > LongestLine)
        {
            return new(text, null, null, null, null, line, "", false, false, false);
        }

        var optional = OptionalWord().IsMatch(line);
        var toServe = ToServe().IsMatch(line);
        var (food, notes) = ParseNotes(OptionalWord().Replace(line, ""));
        var byEye = Approximately().IsMatch(food);
        food = Approximately().Replace(food, "", 1);

        string? partOf = null;
        if (PartOf().Match(food) is { Success: true } part)
        {
            partOf = part.Groups["part"].Value;
            food = food[part.Length..];
        }

        var measured = MeasuredWords(food) ?? AmountBehind(ref notes, food);
        var (amount, unit, size, rest) = measured ?? (null, null, null, food);
        rest = LeadingOf().Replace(rest, "", 1);
        if (unit is null && amount is not null && TrailingPiece(rest) is { } piece)
        {
            (unit, rest) = piece;
        }

        (rest, var trailing) = SplitTrailing(rest);
        notes = trailing.Length > 0 ? [trailing, .. notes] : notes;
        if (partOf is not null)
        {
            (rest, unit) = ApplyPart(partOf, rest, unit);
        }

        (size, var stated) = SizeInNotes(notes, unit, size);
        if (amount is not null && unit is null)
        {
            unit = Unit.Each;
        }

        byEye |= amount is { IsByEye: true } || unit is { IsByEye: true };
        return new(text, amount, unit, size, stated, rest.Trim(' ', '.', ':', ';'), string.Join(", ", notes), optional, toServe, byEye);
    }

    private static string Tidy(string text) => Spaces().Replace(Bullet().Replace(text.Trim(), "", 1), " ").Trim();

    /// <summary>Takes brackets out of the line and cuts at the first comma that is not a decimal mark.</summary>
    private static (string Food, List<string> Notes) ParseNotes(string line)
    {
        var notes = new List<string>();
        var bare = Spaces().Replace(Brackets().Replace(line, match =>
        {
            notes.Add(match.Groups["in"].Value.Trim());
            return " ";
        }), " ").Trim();
        var cut = CommaOrDash().Match(bare);
        if (cut.Success)
        {
            notes.Insert(0, bare[(cut.Index + cut.Length)..].Trim());
            bare = bare[..cut.Index].Trim();
        }

        notes.RemoveAll(note => note.Length == 0);
        return (bare, notes);
    }

    private static (WrittenAmount? Amount, Unit? Unit, (decimal, Unit)? Size, string Tail)? MeasuredWords(string food)
    {
        if (AmountReader.Read(food) is not { } read)
        {
            return null;
        }

        var (amount, rest) = read;
        if (Times().Match(rest) is { Success: true } times && AmountReader.Read(rest[times.Length..]) is { } each)
        {
            var (sizeUnit, afterSize) = LeadingUnit(each.Tail);
            if (sizeUnit is { Kind: not UnitKind.Piece })
            {
                var (package, afterPackage) = LeadingUnit(afterSize);
                return package is { IsPackage: true }
                    ? (amount, package, (each.Amount.Best, sizeUnit), afterPackage)
                    : (new WrittenAmount(amount.Low * each.Amount.Low, amount.High * each.Amount.High), sizeUnit, null, afterSize);
            }
        }

        var (unit, after) = LeadingUnit(rest);
        after = SkipOtherSystem(after);
        if (unit is { Kind: not UnitKind.Piece } && LeadingUnit(after) is { Unit: { IsPackage: true } tin } packed)
        {
            return (new WrittenAmount(1, 1), tin, (amount.Best, unit), packed.Tail);
        }

        if (unit is { IsPackage: true } or null && SizeBehind().Match(after) is { Success: true } && AmountReader.Read(after) is { } inner
            && LeadingUnit(inner.Tail) is { Unit: { Kind: not UnitKind.Piece } innerUnit } measured)
        {
            // "1 400 g tin …": the second number is the size of the package.
            return LeadingUnit(measured.Tail) is { Unit: { IsPackage: true } package } behind
                ? (amount, package, (inner.Amount.Best, innerUnit), behind.Tail)
                : (amount, unit, (inner.Amount.Best, innerUnit), measured.Tail);
        }

        return Plus(amount, unit, after) ?? (amount, unit, null, after);
    }

    /// <summary>"500 g/1 lb mince": the first system counts, the other is passed over.</summary>
    private static string SkipOtherSystem(string after) =>
        after.StartsWith('/') && AmountReader.Read(after[1..].TrimStart()) is { } other && LeadingUnit(other.Tail) is { Unit: not null } measured ? measured.Tail : after;

    /// <summary>"1 cup + 2 tbsp milk": the second amount is added in the first one's unit; only measures of one kind add.</summary>
    private static (WrittenAmount?, Unit?, (decimal, Unit)?, string)? Plus(WrittenAmount amount, Unit? unit, string after)
    {
        if (unit is not { Kind: UnitKind.Volume or UnitKind.Mass } || PlusSign().Match(after) is not { Success: true } plus
            || AmountReader.Read(after[plus.Length..]) is not { } more || LeadingUnit(more.Tail) is not { Unit: { } second } rest || second.Kind != unit.Kind)
        {
            return null;
        }

        var ratio = unit.Kind == UnitKind.Mass
            ? second.Mass / unit.Mass
            : Math.Round(second.VolumeIn(MeasureSystem.UnitedStates) / unit.VolumeIn(MeasureSystem.UnitedStates), 4);
        return (new WrittenAmount(amount.Low + (more.Amount.Low * ratio), amount.High + (more.Amount.High * ratio)), unit, null, rest.Tail);
    }

    /// <summary>"lamb shoulder, 1.2 kg": the amount stands behind the food.</summary>
    private static (WrittenAmount?, Unit?, (decimal, Unit)?, string)? AmountBehind(ref List<string> notes, string food)
    {
        for (var at = 0; at < notes.Count; at++)
        {
            if (MeasuredWords(Approximately().Replace(notes[at], "", 1)) is { } measured)
            {
                var note = measured.Tail.Trim(' ', ',');
                notes = [.. notes.Take(at), .. note.Length > 0 ? [note] : Array.Empty<string>(), .. notes.Skip(at + 1)];
                return (measured.Amount, measured.Unit, measured.Size, food);
            }
        }

        return null;
    }

    private static (Unit? Unit, string Tail) LeadingUnit(string text)
    {
        var bare = SizeWords().Replace(text, "", 1);
        if (FluidOunce().Match(bare) is { Success: true } fluid)
        {
            return (Unit.FluidOunce, bare[fluid.Length..].TrimStart());
        }

        var word = FirstWord().Match(bare);
        // A unit needs something behind it that it measures, or it is the food itself ("2 cloves" apart, "1 leaf" is no recipe line).
        return word.Success && Unit.Spelled(word.Value) is { } unit ? (unit, LeadingOf().Replace(bare[word.Length..].TrimStart(), "", 1)) : (null, text);
    }

    /// <summary>"4 garlic cloves": the piece word comes after the food.</summary>
    private static (Unit, string)? TrailingPiece(string rest)
    {
        var words = rest.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return words.Length > 1 && Unit.Spelled(words[^1]) is { Name: "clove" or "stick" or "sprig" or "head" or "slice" or "bulb" } piece
            ? (piece, string.Join(' ', words[..^1]))
            : null;
    }

    /// <summary>"hazelnuts roughly chopped", "olive oil for frying", "milk or cream": what follows the food is a note.</summary>
    private static (string Food, string Note) SplitTrailing(string rest)
    {
        var match = Trailing().Match(rest);
        return match.Success && match.Index > 0 ? (rest[..match.Index].Trim(), rest[match.Index..].Trim()) : (rest, "");
    }

    private static (string Food, Unit? Unit) ApplyPart(string part, string food, Unit? unit)
    {
        var hasJuice = part.Contains("juice", StringComparison.OrdinalIgnoreCase);
        var hasZest = part.Contains("zest", StringComparison.OrdinalIgnoreCase) || part.Contains("rind", StringComparison.OrdinalIgnoreCase);
        return (hasJuice, hasZest) switch
        {
            (true, false) => ($"{food} juice", unit),
            (false, true) => (food, Unit.Spelled("zest")),
            _ => (food, unit),
        };
    }

    private static ((decimal, Unit)? Size, Mass? Stated) SizeInNotes(List<string> notes, Unit? unit, (decimal, Unit)? size)
    {
        foreach (var note in notes)
        {
            var bare = Approximately().Replace(note, "", 1);
            if (AmountReader.Read(bare) is { } read && LeadingUnit(read.Tail) is { Unit: { Kind: not UnitKind.Piece } measured } found)
            {
                if (unit is { IsPackage: true } && size is null)
                {
                    return ((read.Amount.Best, measured), null);
                }

                if (measured.Kind == UnitKind.Mass && unit is null or { Kind: not UnitKind.Mass } && !Apiece().IsMatch(found.Tail))
                {
                    return (size, measured.Mass * read.Amount.Best);
                }
            }
        }

        return (size, null);
    }

    [GeneratedRegex(@"^([-*•–·▢☐]+|\d+[.)](?=\s+\d))\s*")]
    private static partial Regex Bullet();

    [GeneratedRegex(@"\s+")]
    private static partial Regex Spaces();

    [GeneratedRegex(@"[(\[](?<in>[^()\[\]]*)[)\]]")]
    private static partial Regex Brackets();

    [GeneratedRegex(@",(?!\d)|(?<!\d) [-–—] | [-–—] (?![\d½⅓⅔¼¾])")]
    private static partial Regex CommaOrDash();

    [GeneratedRegex(@"\boptional(ly)?\b", RegexOptions.IgnoreCase)]
    private static partial Regex OptionalWord();

    [GeneratedRegex(@"\b(to serve|for serving|to garnish|for garnish)\b", RegexOptions.IgnoreCase)]
    private static partial Regex ToServe();

    [GeneratedRegex(@"^(about|approx\.?|approximately|around|roughly|circa|ca\.|c\.|~|generous|a generous|scant|a scant|a good|good|up to)\s*(?=[\d½⅓⅔¼¾a-z])", RegexOptions.IgnoreCase)]
    private static partial Regex Approximately();

    [GeneratedRegex(@"^(the\s+)?(?<part>((finely |freshly )?(grated )?(juice|zest|rind)( (and|&|\+) (juice|zest|rind))?)) (of|from) ", RegexOptions.IgnoreCase)]
    private static partial Regex PartOf();

    [GeneratedRegex(@"^of\s+(the\s+)?", RegexOptions.IgnoreCase)]
    private static partial Regex LeadingOf();

    [GeneratedRegex(@"^[x×]\s*(?=\d)", RegexOptions.IgnoreCase)]
    private static partial Regex Times();

    [GeneratedRegex(@"^\d")]
    private static partial Regex SizeBehind();

    [GeneratedRegex(@"^(\+|plus|and)\s+(?=[\d½⅓⅔¼¾])", RegexOptions.IgnoreCase)]
    private static partial Regex PlusSign();

    [GeneratedRegex(@"^(fl\.?\s?oz\.?|fluid ounces?)(?=\s|$)", RegexOptions.IgnoreCase)]
    private static partial Regex FluidOunce();

    [GeneratedRegex(@"^(?:(?:small|medium|medium-sized|large|big|heaped|heaping|level|rounded|generous|scant|good|fat|thick|thin|whole)\s+)+(?=\w+\.?(\s|$))", RegexOptions.IgnoreCase)]
    private static partial Regex SizeWords();

    [GeneratedRegex(@"^[A-Za-z]+\.?(?=\s|$|/)")]
    private static partial Regex FirstWord();

    [GeneratedRegex(@"^(each|apiece)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Apiece();

    [GeneratedRegex(@"\s(to taste|to serve|for (?!\d)|or |plus (extra|more)|cut into|such as|at room|as needed|if needed|(?:(?:very|finely|roughly|coarsely|thinly|thickly|freshly|lightly|well|just)\s+)?(?:chopped|sliced|diced|grated|crushed|peeled|rinsed|drained|toasted|cubed|melted|softened|beaten|halved|quartered|trimmed|shredded|torn|deseeded|juiced|picked|washed|minced|cooked|defrosted|thawed|crumbled|divided)\b)", RegexOptions.IgnoreCase)]
    private static partial Regex Trailing();
}

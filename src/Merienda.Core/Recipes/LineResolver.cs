using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>
/// Finds the foods of a line where reading alone can't: a piece word that ends the name, and the foods of a choice that share a noun.
/// </summary>
internal static class LineResolver
{
    /// <summary>
    /// Words that end a name and are a part of the food: leaves, slices and sprigs of any, the others of what is measured in them. Crab
    /// sticks are no crab.
    /// </summary>
    private static readonly HashSet<string> Parts = ["clove", "leaf", "slice", "head", "bulb", "sprig", "stick"];

    /// <summary>What a counted word means, where a weighed one may mean something else.</summary>
    private static readonly Dictionary<string, string> WholeOf = new(StringComparer.OrdinalIgnoreCase)
    {
        ["pepper"] = "sweet pepper",
        ["peppers"] = "sweet pepper",
        ["chicken"] = "whole chicken",
        ["chickens"] = "whole chicken",
    };

    /// <summary>
    /// The line with its piece word taken for a unit where that is what it is ("4 garlic cloves"), and the food it means.
    /// </summary>
    public static (ReadLine Read, LineMeaning Meaning) Resolve(ReadLine read, FoodMatcher foods)
    {
        // "monk fruit/erythritol blend" may be one thing's name.
        if (
            read.Alternatives.Count > 0
            && read.Text.Contains('/', StringComparison.Ordinal)
            && foods.Match($"{read.Food} {string.Join(' ', read.Alternatives)}") is { IsSure: true } whole
        )
        {
            var named = $"{read.Food}/{string.Join('/', read.Alternatives)}";
            return (read with { Food = named, Alternatives = [] }, new(named, whole.Food, whole.Kind));
        }

        // Nobody counts the spice: "3 peppers" are the vegetable, and "1 chicken" is all of it.
        if (read is { Amount: not null, Unit.Name: "each" } && WholeOf.TryGetValue(read.Food, out var counted))
        {
            read = read with { Food = counted };
        }

        read = WithList(read, foods);
        var match = MatchOf(read.Food, read, foods);
        // "Oat drink, barista": a packet may be called so, comma and all.
        if (!match.IsSure && read.Note.Length > 0 && foods.Match($"{read.Food} {read.Note}", read.State) is { IsSure: true } called)
        {
            return (read, new($"{read.Food} {read.Note}", called.Food, called.Kind) { Kinds = called.Kinds });
        }

        if (read.Note.Length > 0 && FromNotes(read, match, foods) is { } noted)
        {
            return (read, noted);
        }

        if (
            read.Unit is null or { Name: "each" or "bunch" or "handful" or "pack" or "bag" }
            && read.Food.LastIndexOf(' ') is > 0 and var cut
            && Unit.Spelled(read.Food[(cut + 1)..]) is { } piece
            && Parts.Contains(piece.Name)
            && MatchOf(read.Food[..cut], read, foods) is { IsSure: true, Food: { } food }
            && (!match.IsSure || match.Food == food)
            && (piece.Name is "leaf" or "slice" or "sprig" || food.Measures.ContainsKey(piece.Name))
        )
        {
            var isCounted = read.Unit is { Name: "each" };
            return (
                read with
                {
                    Food = read.Food[..cut],
                    Unit = isCounted ? piece : read.Unit,
                },
                new(read.Food[..cut], food, MatchKind.Exact)
            );
        }

        // "small" may be part of the name or of the amount.
        return read.Unit == Unit.Each && read.PieceSize == PieceSize.Unsaid && SizeOf(read.Food) is { } size
            ? (read with { PieceSize = size }, match)
            : (read, match);
    }

    /// <summary>
    /// Remarks that say how a food is bought, not what is done with it at home: "tagliatelle, fresh" is another food than tagliatelle.
    /// </summary>
    private static readonly HashSet<string> Bought = new(StringComparer.OrdinalIgnoreCase)
    {
        "fresh",
        "dried",
        "ground",
        "powdered",
        "smoked",
        "frozen",
        "pickled",
        "candied",
        "sun-dried",
        "whites only",
        "white part only",
        "white parts only",
        "greens only",
        "green part only",
        "green parts only",
        "green tops only",
    };

    /// <summary>
    /// The food that the remarks make of the words: "turkey mince (7 % fat)", "milk, skimmed", "tagliatelle, fresh", "mince (beef, 5 %)".
    /// </summary>
    private static LineMeaning? FromNotes(ReadLine read, LineMeaning match, FoodMatcher foods)
    {
        var notes = read.Note.Split(", ");
        foreach (var note in notes)
        {
            // What comes from a tin is cooked at home.
            if (
                (read.State != "tinned" || Lightness.Contains(note))
                && foods.Words.Changes(note)
                && foods.Match($"{read.Food} {note}", read.State) is { IsSure: true, Kinds: null } changed
            )
            {
                return new($"{read.Food} {note}", changed.Food, changed.Kind);
            }

            // Only a name that holds the remark: what merely describes leaves the food what it is.
            if (
                Bought.Contains(note)
                && (foods.NamedWholly($"{note} {read.Food}") ?? foods.NamedWholly($"{read.Food} {PartOf(note)} part")) is { } bought
                && (bought.Food, bought.Kinds) != (match.Food, match.Kinds)
            )
            {
                return new($"{note} {read.Food}", bought.Food, MatchKind.Exact) { Kinds = bought.Kinds };
            }
        }

        return
            match is { Kinds: not null } or { IsSure: false }
            && notes.Length > 1
            && foods.Match($"{string.Join(' ', notes)} {read.Food}", read.State) is { IsSure: true, Kinds: null } together
            ? new($"{string.Join(' ', notes)} {read.Food}", together.Food, together.Kind)
            : null;
    }

    /// <summary>Remarks that say which tin it is.</summary>
    private static readonly HashSet<string> Lightness = new(StringComparer.OrdinalIgnoreCase)
    {
        "light",
        "lite",
        "low-fat",
        "low fat",
        "reduced-fat",
        "reduced fat",
        "full-fat",
        "full fat",
    };

    private static string PartOf(string note) =>
        note.StartsWith("white", StringComparison.OrdinalIgnoreCase) ? "white"
        : note.StartsWith("green", StringComparison.OrdinalIgnoreCase) ? "green"
        : "";

    /// <summary>
    /// "kale, spinach or chard": where a comma separates the foods of a choice, what looks like remarks are foods. Remarks that only
    /// describe ("smoked or sweet") stay.
    /// </summary>
    private static ReadLine WithList(ReadLine read, FoodMatcher foods)
    {
        if (read.Note.Length == 0 || (read.Alternatives.Count == 0 && !read.Note.Contains(" or ", StringComparison.OrdinalIgnoreCase)))
        {
            return read;
        }

        var notes = read.Note.Split(", ").ToList();
        var end = notes.FindIndex(note => note.Contains(" or ", StringComparison.OrdinalIgnoreCase));
        var listed =
            end < 0
                ? []
                : notes
                    .Take(end)
                    .Concat(notes[end].Split(Between, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
                    .ToList();
        if (end >= 0 && read.Alternatives.Count == 0)
        {
            var list = read with { Alternatives = listed };
            return listed.TrueForAll(words => IsFood(words, list, foods))
                ? list with
                {
                    Note = string.Join(", ", notes.Skip(end + 1)),
                }
                : read;
        }

        // "almonds, walnuts, or pecans": the "or" stands before the last alone.
        var found = end >= 0 ? [] : notes.Where(words => IsFood(words, read, foods)).ToList();
        return found.Count == 0
            ? read
            : read with
            {
                Alternatives = [.. found, .. read.Alternatives],
                Note = string.Join(", ", notes.Except(found)),
            };
    }

    private static readonly string[] Between = [" and/or ", " or "];

    private static bool IsFood(string words, ReadLine read, FoodMatcher foods) =>
        !foods.Words.OnlyDescribes(words) && MatchOf(words, read, foods).IsSure;

    /// <summary>What else the words may mean.</summary>
    /// <param name="first">What the first words mean: the same food by another name is no choice.</param>
    public static IEnumerable<LineMeaning> Others(ReadLine read, LineMeaning first, FoodMatcher foods)
    {
        foreach (var words in read.Alternatives.Where(words => words.Length > 0).Select(words => WithNoun(words, read, foods)))
        {
            if (
                !foods.Words.OnlyDescribes(words)
                && MatchOf(words, read, foods) is var other
                && !(other.IsSure && first.IsSure && other.Food == first.Food)
            )
            {
                yield return other;
            }
        }
    }

    /// <summary>"mayo (I use light)", "palm sugar (or brown)": the noun is the first one's.</summary>
    private static string WithNoun(string words, ReadLine read, FoodMatcher foods)
    {
        var named = $"{words} {read.Food[(read.Food.LastIndexOf(' ') + 1)..]}";
        return
            !words.Contains(' ', StringComparison.Ordinal)
            && !MatchOf(words, read, foods).IsSure
            && MatchOf(named, read, foods) is { IsSure: true }
            ? named
            : words;
    }

    private static LineMeaning MatchOf(string words, ReadLine read, FoodMatcher foods)
    {
        // "chicken or vegetable stock", "chicken, turkey or pork mince": the noun that ends the choice is meant with each.
        if (read.Alternatives is [.., var last] && words != last && last.LastIndexOf(' ') is > 0 and var space)
        {
            var shared = foods.Match($"{words}{last[space..]}", read.State);
            if (shared.IsSure)
            {
                return new($"{words}{last[space..]}", shared.Food, shared.Kind) { Kinds = shared.Kinds };
            }
        }

        var match = foods.Match(words, read.State);
        return new(words, match.Food, match.Kind) { Kinds = match.Kinds };
    }

    private static PieceSize? SizeOf(string food) =>
        food.StartsWith("small ", StringComparison.OrdinalIgnoreCase) ? PieceSize.Small
        : food.StartsWith("medium ", StringComparison.OrdinalIgnoreCase) ? PieceSize.Medium
        : food.StartsWith("large ", StringComparison.OrdinalIgnoreCase) ? PieceSize.Large
        : null;
}

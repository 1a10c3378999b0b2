using System.Text.RegularExpressions;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>Rows that are not one ingredient as a recipe writes it: cells of a spreadsheet, and a whole list said in one breath.</summary>
public static partial class PastedRow
{
    private static readonly HashSet<string> Headings = new(StringComparer.OrdinalIgnoreCase)
    {
        "ingredient",
        "ingredients",
        "item",
        "food",
        "qty",
        "quantity",
        "amount",
        "unit",
        "units",
        "measure",
        "grams",
        "g",
        "notes",
        "note",
    };

    /// <summary>
    /// The cells of a spreadsheet's or a table's row as a line: "Broccoli ⇥ 1 ⇥ head" is "1 head Broccoli". Null for the row of headings; other rows
    /// stay as they are.
    /// </summary>
    public static string? FromCells(string row)
    {
        // A table of Markdown has bars around its cells, a sheet that was saved as text often semicolons between them.
        var between =
            row.Contains('\t', StringComparison.Ordinal) ? '\t'
            : row.TrimStart().StartsWith('|') ? '|'
            : ';';
        if (!row.Contains(between, StringComparison.Ordinal))
        {
            return row;
        }

        var cells = row.Split(between, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).ToList();
        if (
            cells.Count > 1
            && cells.TrueForAll(cell => Headings.Contains(cell) || (between == '|' && cell.All(letter => letter is '-' or ':')))
        )
        {
            return null;
        }

        var amount = cells.FindIndex(cell =>
            AmountReader.Read($"{cell} x") is { } read && (read.Tail == "x" || Unit.Spelled(read.Tail[..^1].Trim()) is not null)
        );
        if (amount < 1)
        {
            return between == ';' ? row : string.Join(' ', cells);
        }

        var unit = amount + 1 < cells.Count && Unit.Spelled(cells[amount + 1]) is not null ? cells[amount + 1] : "";
        var rest = cells.Where((_, at) => at != 0 && at != amount && (unit.Length == 0 || at != amount + 1));
        return string.Join(", ", rest.Prepend($"{cells[amount]} {unit} {cells[0]}".Replace("  ", " ", StringComparison.Ordinal)));
    }

    /// <summary>The lines of a row whose every cell is one: two columns of a list that stood side by side.</summary>
    public static IEnumerable<string> Columns(string row) =>
        row.Contains('\t', StringComparison.Ordinal)
        && row.Split('\t', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries) is { Length: > 1 } cells
        && cells.All(BeginsWithAmount)
        && cells.All(cell => Unit.Spelled(cell.Split(' ')[^1]) is null)
            ? cells
            : [row];

    /// <summary>What was said, without when and by whom: "[10:32] Ilse: 500 g mince" is "500 g mince".</summary>
    public static string FromChat(string row) => Said().Replace(row, "");

    /// <summary>
    /// "two tbsp of oil, one onion and 500 g of mince" are three lines, "1 tsp each cumin and coriander" two. Fewer than three things, or
    /// one without its amount, are one line.
    /// </summary>
    public static IReadOnlyList<string> Things(string row)
    {
        if (OfEach().Match(row) is { Success: true } each)
        {
            return
            [
                .. each.Groups["food"]
                    .Captures.Select(food => $"{each.Groups["amount"].Value} {food.Value.Trim()}{each.Groups["note"].Value}"),
            ];
        }

        var things = Between().Split(row).Select(piece => piece.Trim()).Where(piece => piece.Length > 0).ToList();
        return things.Count > 2 && things.TrueForAll(BeginsWithAmount) ? things : [row];
    }

    /// <summary>Whether an amount and then a food stand there: "2 tins of …", "half a cabbage"; "200 g each" is a remark.</summary>
    internal static bool BeginsWithAmount(string piece) =>
        AmountReader.Read(piece.TrimStart('-', ' ', '−', '–')) is { } read
        && read.Tail.Length > 0
        && char.IsLetter(read.Tail[0])
        && !Remark().IsMatch(read.Tail);

    [GeneratedRegex(@",(?!\d)|(?<!\d),|\s+\+\s+(?=[\d½])|\s+and\s+(?=\d|an?\s|one\s|two\s|three\s|four\s|half\s)", RegexOptions.IgnoreCase)]
    internal static partial Regex Between();

    [GeneratedRegex(
        @"^(\[[^\]]{0,20}\d{1,2}:\d{2}[^\]]{0,6}\]|\d[\d/.-]{4,9},? \d{1,2}:\d{2}( ?[ap]m)?)[\s-]*\p{L}[\p{L} ]{0,30}:\s+",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Said();

    /// <summary>An amount said of each of some foods; a remark behind the last one is said of each too.</summary>
    [GeneratedRegex(
        @"^(?<amount>([\d½⅓⅔¼¾⅛]|an? (small |large |good |big )?(handful|bunch|pinch|tsp|tbsp|teaspoon|tablespoon|cup))[^,()]{0,14}?)\s+each(\s+of)?(\s*:?\s+(?<food>\p{L}[\p{L} '’-]*?)(,\s*(?<food>\p{L}[\p{L} '’-]*?))*,?\s+(and|&)\s+(?<food>\p{L}[\p{L} '’-]*)(?<note>(,|\s*\().*)?$|\s*:?\s+(?<food>\p{L}[\p{L} '’-]*?)(,\s*(?<food>\p{L}[\p{L} '’-]*?))+(?<note>\s*\(.*)?$)",
        RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture
    )]
    private static partial Regex OfEach();

    [GeneratedRegex(@"^(\w+\s+)?(each|apiece|total|in total|altogether|approx\w*|or so|or more|per)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Remark();
}

using System.Text;

namespace Merienda.Formats.HandOut;

/// <summary>A document as Markdown (CommonMark with pipe tables).</summary>
public static class MarkdownDocument
{
    public static string Of(Document document)
    {
        var text = new StringBuilder();
        foreach (var block in document.Blocks)
        {
            switch (block)
            {
                case Heading heading:
                    text.Append('#', heading.Level).Append(' ').Append(Inline(heading.Text)).Append("\n\n");
                    break;
                case Paragraph paragraph:
                    text.Append(Inline(paragraph.Text)).Append("\n\n");
                    break;
                case Items items:
                    for (var at = 0; at < items.Texts.Count; at++)
                    {
                        text.Append(items.IsNumbered ? $"{at + 1}. " : "- ").Append(Inline(items.Texts[at])).Append('\n');
                    }

                    text.Append('\n');
                    break;
                case Grid grid:
                    Row(text, grid.Head);
                    Row(text, [.. grid.Head.Select(_ => "---")]);
                    foreach (var row in grid.Rows)
                    {
                        Row(text, row);
                    }

                    text.Append('\n');
                    break;
            }
        }

        return text.ToString().TrimEnd('\n') + "\n";
    }

    private static void Row(StringBuilder text, IReadOnlyList<string> cells) =>
        text.Append("| ").AppendJoin(" | ", cells.Select(cell => cell == "---" ? cell : Cell(cell))).Append(" |\n");

    private static string Cell(string cell) =>
        string.Join("<br>", cell.Split('\n').Select(line => Inline(line).Replace("|", "\\|", StringComparison.Ordinal)));

    /// <summary>Words as they are: what Markdown would read as a sign of its own is told that it is none.</summary>
    private static string Inline(string words)
    {
        var text = new StringBuilder(words.Length);
        foreach (var letter in words.ReplaceLineEndings(" "))
        {
            text.Append(letter is '\\' or '`' or '*' or '_' or '[' or ']' or '<' or '>' or '#' ? "\\" : "").Append(letter);
        }

        return text.ToString();
    }
}

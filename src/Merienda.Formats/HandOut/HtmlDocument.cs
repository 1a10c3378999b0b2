using System.Net;
using System.Text;

namespace Merienda.Formats.HandOut;

/// <summary>A document as a page of HTML that stands by itself, is read on any screen and prints on A4 or Letter.</summary>
public static class HtmlDocument
{
    private const string Style = """
        body { font: 15px/1.45 system-ui, sans-serif; color: #16213a; max-width: 60rem; margin: 2rem auto; padding: 0 1rem; }
        h1, h2, h3 { line-height: 1.2; break-after: avoid; }
        h1 { border-top: 2px solid #16213a; padding-top: .5rem; }
        table { border-collapse: collapse; width: 100%; break-inside: avoid; margin: .5rem 0 1rem; }
        th, td { border: 1px solid #c9d2df; padding: .25rem .5rem; text-align: left; vertical-align: top; font-variant-numeric: tabular-nums; }
        thead th { background: #edf1f6; }
        .aside { color: #5b6880; font-size: 13px; }
        .page { break-before: page; }
        @media print { body { margin: 0; max-width: none; font-size: 11pt; } }
        """;

    public static string Of(Document document)
    {
        var html = new StringBuilder();
        html.Append(
            $"<!doctype html>\n<html lang=\"{document.Language}\">\n<head>\n<meta charset=\"utf-8\">\n<meta name=\"viewport\" content=\"width=device-width\">\n<title>{Said(document.Title)}</title>\n<style>\n{Style}\n</style>\n</head>\n<body>\n"
        );
        var isNewPage = false;
        foreach (var block in document.Blocks)
        {
            html.Append(Of(block, isNewPage ? " class=\"page\"" : ""));
            isNewPage = block is NewPage;
        }

        return html.Append("</body>\n</html>\n").ToString();
    }

    private static string Of(Block block, string attribute) =>
        block switch
        {
            Heading heading => $"<h{heading.Level}{attribute}>{Said(heading.Text)}</h{heading.Level}>\n",
            Paragraph { IsSmall: true } aside => $"<p class=\"aside\">{Said(aside.Text)}</p>\n",
            Paragraph paragraph => $"<p>{Said(paragraph.Text)}</p>\n",
            Items { IsNumbered: true } steps => $"<ol>\n{string.Concat(steps.Texts.Select(text => $"<li>{Said(text)}</li>\n"))}</ol>\n",
            Items items => $"<ul>\n{string.Concat(items.Texts.Select(text => $"<li>{Said(text)}</li>\n"))}</ul>\n",
            Grid grid =>
                $"<table>\n<thead><tr>{string.Concat(grid.Head.Select(cell => $"<th scope=\"col\">{Said(cell)}</th>"))}</tr></thead>\n<tbody>\n{string.Concat(grid.Rows.Select(Row))}</tbody>\n</table>\n",
            _ => "",
        };

    private static string Row(IReadOnlyList<string> cells) =>
        $"<tr><th scope=\"row\">{Said(cells[0])}</th>{string.Concat(cells.Skip(1).Select(cell => $"<td>{Said(cell)}</td>"))}</tr>\n";

    private static string Said(string words) =>
        WebUtility.HtmlEncode(words).Replace("\r\n", "\n", StringComparison.Ordinal).Replace("\n", "<br>", StringComparison.Ordinal);
}

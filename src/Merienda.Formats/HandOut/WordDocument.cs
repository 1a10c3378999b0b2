using DocumentFormat.OpenXml;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Wordprocessing;

namespace Merienda.Formats.HandOut;

/// <summary>A document as .docx (ECMA-376): its headings are the word processor's own, so that it can be restyled and has an outline.</summary>
public static class WordDocument
{
    /// <summary>Twentieths of a point of an A4 page, 210 by 297 mm, and of its margins, 18 mm.</summary>
    private const uint Width = 11906,
        Height = 16838;
    private const int Margin = 1020;

    /// <summary>How much wider a wide column is.</summary>
    private const int Wider = 3;

    private const int Bullets = 1,
        FirstNumbers = 2;

    public static byte[] Of(Document document)
    {
        using var file = new MemoryStream();
        using (var package = WordprocessingDocument.Create(file, WordprocessingDocumentType.Document))
        {
            package.PackageProperties.Title = document.Title;
            var main = package.AddMainDocumentPart();
            main.AddNewPart<StyleDefinitionsPart>().Styles = Styles(document.Language);
            var numbered = document.Blocks.Count(block => block is Items { IsNumbered: true });
            main.AddNewPart<NumberingDefinitionsPart>().Numbering = Numbering(numbered);
            var body = new Body();
            var (numbers, isNewPage) = (FirstNumbers, false);
            foreach (var block in document.Blocks)
            {
                foreach (var element in Of(block, block is Items { IsNumbered: true } ? numbers++ : Bullets))
                {
                    if (isNewPage && element is DocumentFormat.OpenXml.Wordprocessing.Paragraph { ParagraphProperties: { } properties })
                    {
                        properties.PageBreakBefore = new();
                    }

                    isNewPage = false;
                    body.Append(element);
                }

                isNewPage = block is NewPage;
            }

            body.Append(
                new SectionProperties(
                    new PageSize { Width = Width, Height = Height },
                    new PageMargin
                    {
                        Top = Margin,
                        Bottom = Margin,
                        Left = Margin,
                        Right = Margin,
                        Header = 500,
                        Footer = 500,
                        Gutter = 0,
                    }
                )
            );
            main.Document = new(body);
        }

        return file.ToArray();
    }

    private static IEnumerable<OpenXmlElement> Of(Block block, int list) =>
        block switch
        {
            Heading heading => [Text(heading.Text, new ParagraphStyleId { Val = $"Heading{heading.Level}" })],
            Paragraph { IsSmall: true } aside => [Text(aside.Text, new ParagraphStyleId { Val = "Aside" })],
            Paragraph paragraph => [Text(paragraph.Text, new ParagraphStyleId { Val = "Normal" })],
            Items items => items.Texts.Select(text =>
                Text(
                    text,
                    new ParagraphStyleId { Val = "ListParagraph" },
                    new NumberingProperties(new NumberingLevelReference { Val = 0 }, new NumberingId { Val = list })
                )
            ),
            // Two tables that touch would be one.
            Grid grid => [Table(grid), Text("", new ParagraphStyleId { Val = "Aside" })],
            _ => [],
        };

    private static DocumentFormat.OpenXml.Wordprocessing.Paragraph Text(string words, params OpenXmlElement[] properties)
    {
        var run = new Run();
        var lines = words.ReplaceLineEndings("\n").Split('\n');
        for (var at = 0; at < lines.Length; at++)
        {
            if (at > 0)
            {
                run.Append(new Break());
            }

            run.Append(new Text(lines[at]) { Space = SpaceProcessingModeValues.Preserve });
        }

        return new(new ParagraphProperties(properties), run);
    }

    private static Table Table(Grid grid)
    {
        var shares = grid.Head.Select((_, at) => grid.Wide?.Contains(at) == true ? Wider : 1).ToList();
        var unit = ((int)Width - (2 * Margin)) / shares.Sum();
        var table = new Table(
            new TableProperties(
                new TableStyle { Val = "Rimmed" },
                new TableWidth { Type = TableWidthUnitValues.Dxa, Width = $"{unit * shares.Sum()}" },
                new TableLayout { Type = TableLayoutValues.Fixed }
            ),
            new TableGrid(shares.Select(share => new GridColumn { Width = $"{unit * share}" }))
        );
        table.Append(Row(grid.Head, isHead: true));
        table.Append(grid.Rows.Select(row => Row(row, isHead: false)));
        return table;

        TableRow Row(IReadOnlyList<string> cells, bool isHead)
        {
            var row = new TableRow(new TableRowProperties(isHead ? [new CantSplit(), new TableHeader()] : [new CantSplit()]));
            row.Append(
                cells.Select(
                    (cell, at) =>
                        new TableCell(
                            new TableCellProperties(
                                new TableCellWidth { Type = TableWidthUnitValues.Dxa, Width = $"{unit * shares[at]}" },
                                new Shading
                                {
                                    Val = ShadingPatternValues.Clear,
                                    Color = "auto",
                                    Fill = isHead ? "EDF1F6" : "auto",
                                }
                            ),
                            Text(cell, new ParagraphStyleId { Val = isHead || at == 0 ? "RowHead" : "Cell" })
                        )
                )
            );
            return row;
        }
    }

    private static Numbering Numbering(int numbered)
    {
        AbstractNum Kind(int id, NumberFormatValues format, string text) =>
            new(
                new Level(
                    new StartNumberingValue { Val = 1 },
                    new NumberingFormat { Val = format },
                    new LevelText { Val = text },
                    new LevelJustification { Val = LevelJustificationValues.Left },
                    new PreviousParagraphProperties(new Indentation { Left = "360", Hanging = "360" })
                )
                {
                    LevelIndex = 0,
                }
            )
            {
                AbstractNumberId = id,
            };
        var numbering = new Numbering(Kind(1, NumberFormatValues.Bullet, "•"), Kind(2, NumberFormatValues.Decimal, "%1."));
        numbering.Append(new NumberingInstance(new AbstractNumId { Val = 1 }) { NumberID = Bullets });
        for (var at = 0; at < numbered; at++)
        {
            // Each list begins at one.
            numbering.Append(
                new NumberingInstance(
                    new AbstractNumId { Val = 2 },
                    new LevelOverride(new StartOverrideNumberingValue { Val = 1 }) { LevelIndex = 0 }
                )
                {
                    NumberID = FirstNumbers + at,
                }
            );
        }

        return numbering;
    }

    private static Styles Styles(string language)
    {
        Style Named(
            string id,
            string name,
            string size,
            bool isBold = false,
            string color = "16213A",
            int before = 0,
            int after = 80,
            int? outline = null
        )
        {
            var paragraph = new StyleParagraphProperties(new SpacingBetweenLines { Before = $"{before}", After = $"{after}" });
            if (outline is { } level)
            {
                paragraph.PrependChild(new KeepNext());
                paragraph.Append(new OutlineLevel { Val = level });
            }

            var run = new StyleRunProperties();
            if (isBold)
            {
                run.Append(new Bold());
            }

            run.Append(new Color { Val = color }, new FontSize { Val = size });
            return new(new StyleName { Val = name }, paragraph, run)
            {
                Type = StyleValues.Paragraph,
                StyleId = id,
                Default = id == "Normal",
            };
        }

        BorderType Line<T>()
            where T : BorderType, new() =>
            new T
            {
                Val = BorderValues.Single,
                Size = 4,
                Color = "C9D2DF",
            };
        return new(
            new DocDefaults(
                new RunPropertiesDefault(
                    new RunPropertiesBaseStyle(
                        new RunFonts
                        {
                            Ascii = "Calibri",
                            HighAnsi = "Calibri",
                            ComplexScript = "Calibri",
                        },
                        new FontSize { Val = "21" },
                        new Languages { Val = language }
                    )
                )
            ),
            Named("Normal", "Normal", "21"),
            Named("Heading1", "heading 1", "36", isBold: true, after: 120, outline: 0),
            Named("Heading2", "heading 2", "28", isBold: true, before: 240, outline: 1),
            Named("Heading3", "heading 3", "22", isBold: true, before: 160, outline: 2),
            Named("ListParagraph", "List Paragraph", "21", after: 40),
            Named("Aside", "Aside", "18", color: "5B6880"),
            Named("Cell", "Cell", "19", after: 0),
            Named("RowHead", "Row Head", "19", isBold: true, after: 0),
            new Style(
                new StyleName { Val = "Rimmed" },
                new StyleTableProperties(
                    new TableBorders(
                        Line<TopBorder>(),
                        Line<LeftBorder>(),
                        Line<BottomBorder>(),
                        Line<RightBorder>(),
                        Line<InsideHorizontalBorder>(),
                        Line<InsideVerticalBorder>()
                    )
                )
            )
            {
                Type = StyleValues.Table,
                StyleId = "Rimmed",
            }
        );
    }
}

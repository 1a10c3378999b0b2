using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using CsvHelper;
using CsvHelper.Configuration;
using Merienda.Core.Outcomes;

namespace Merienda.Formats;

/// <summary>What is wrong in a file: row (the header is row 1), column, value, reason and cure.</summary>
public sealed record FileProblem(int Row, string Column, string Value, string Reason, string Cure);

/// <summary>One row of a table: its number (the header is row 1) and its cells by column; one that is not there is empty.</summary>
public sealed record CsvLine(int Number, Func<string, string> Cell)
{
    public FileProblem Wrong(string column, string reason, string cure) => new(Number, column, Short(Cell(column)), reason, cure);

    public FileProblem Wrong(string column, Refusal refusal) => new(Number, column, Short(refusal.Value), refusal.Reason, refusal.Cure);

    private static string Short(string value) => value.Length > 60 ? value[..60] : value;
}

/// <summary>An opened file; its rows are read when they are asked for.</summary>
public sealed record OpenedFile<T>(IEnumerable<T> Rows);

/// <summary>A table as CSV with a row of column names: UTF-8; commas, semicolons or tabs part the cells; either decimal mark is taken.</summary>
public static partial class CsvTable
{
    /// <summary>Of several that come equally often the first.</summary>
    private static readonly string[] Delimiters = [",", ";", "\t"];

    [GeneratedRegex(@"^\s*\p{Sc}\s*|\s*\p{Sc}\s*$")]
    private static partial Regex Money();

    /// <summary>Most rows of one file.</summary>
    public const int MostRows = 20_000;

    public static string Write(IEnumerable<IEnumerable<string>> rows)
    {
        var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvWriter(text, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\n" }))
        {
            foreach (var row in rows)
            {
                foreach (var cell in row)
                {
                    csv.WriteField(cell);
                }

                csv.NextRecord();
            }
        }

        return text.ToString();
    }

    public static string Number(decimal? value) => value?.ToString(CultureInfo.InvariantCulture) ?? "";

    /// <summary>A number; a sign of money before or behind it is passed over.</summary>
    public static decimal? NumberIn(string cell) =>
        decimal.TryParse(
            Money().Replace(cell, "").Replace(',', '.'),
            NumberStyles.AllowDecimalPoint,
            CultureInfo.InvariantCulture,
            out var number
        )
            ? number
            : null;

    /// <summary>
    /// Opens a file: refused whole when it is not UTF-8 text, has no header or not the columns it needs. More rows
    /// than it may have come last, as a problem.
    /// </summary>
    /// <param name="read">What a row says, or what is wrong with it.</param>
    public static Result<OpenedFile<T>> Read<T>(
        ReadOnlyMemory<byte> file,
        IReadOnlyList<string> required,
        IReadOnlyList<string> all,
        Func<CsvLine, T> read,
        Func<FileProblem, T> wrong
    )
    {
        string text;
        try
        {
            text = new UTF8Encoding(false, true).GetString(file.Span).TrimStart('\uFEFF');
        }
        catch (DecoderFallbackException error)
        {
            return NotText(1 + file.Span[..Math.Min(file.Length, Math.Max(0, error.Index))].Count((byte)'\n'));
        }

        if (text.Contains('\0', StringComparison.Ordinal))
        {
            return NotText(1);
        }

        var header = text.Split('\n', 2)[0];
        var csv = new CsvReader(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = Delimiters.MaxBy(sign => header.Count(letter => letter == sign[0]))!,
                TrimOptions = TrimOptions.Trim,
                MissingFieldFound = null,
                BadDataFound = null,
            }
        );
        if (!csv.Read() || !csv.ReadHeader())
        {
            return new Refusal(
                "no-header",
                "file",
                "empty",
                "there is nothing in the file",
                $"Begin with a row of column names: {string.Join(", ", all)}"
            );
        }

        var names = csv.HeaderRecord!.Select(name => name.ToLowerInvariant()).ToArray();
        if (required.FirstOrDefault(column => !names.Contains(column)) is { } missing)
        {
            return new Refusal(
                "column-missing",
                "file",
                missing,
                $"row 1 has no column \"{missing}\"",
                $"Name the columns {string.Join(", ", required)}, and of the others those you have: {string.Join(", ", all.Except(required))}"
            );
        }

        if (names.FirstOrDefault(name => !all.Contains(name)) is { } unknown)
        {
            return new Refusal(
                "column-unknown",
                "file",
                unknown,
                $"row 1 has a column \"{unknown}\" that is not one of ours",
                $"Take it out, or name it one of {string.Join(", ", all)}"
            );
        }

        return new OpenedFile<T>(Rows(csv, names, read, wrong));
    }

    private static IEnumerable<T> Rows<T>(CsvReader csv, string[] names, Func<CsvLine, T> read, Func<FileProblem, T> wrong)
    {
        using var file = csv;
        for (var row = 2; csv.Read(); row++)
        {
            if (row > MostRows + 1)
            {
                yield return wrong(new(row, "", "", $"a file has at most {MostRows:#,0} rows", "Split it"));
                yield break;
            }

            yield return read(new(row, column => Array.IndexOf(names, column) is >= 0 and var at ? csv.GetField(at) ?? "" : ""));
        }
    }

    private static Refusal NotText(int row) =>
        new(
            "not-utf8",
            "file",
            $"row {row}",
            "the file is not UTF-8 text, so its letters would come in wrong",
            "Save it again as \"CSV UTF-8\" and bring that in"
        );
}

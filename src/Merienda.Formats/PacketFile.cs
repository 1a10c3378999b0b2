using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using Merienda.Core.Foods;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Outcomes;

namespace Merienda.Formats;

/// <summary>What is wrong in a file: row (the header is row 1), column, value, reason and cure.</summary>
public sealed record FileProblem(int Row, string Column, string Value, string Reason, string Cure);

/// <summary>A row as it was read: a packet, or what is wrong with it.</summary>
public sealed record FileRow(PrintedPacket? Packet, FileProblem? Problem);

/// <summary>An opened file; its rows are read when they are asked for.</summary>
public sealed record OpenedFile(IEnumerable<FileRow> Rows);

/// <summary>
/// Packets as CSV, one a row, everything as printed. UTF-8; commas or semicolons part the cells; either decimal mark is taken. An empty
/// cell is not printed, never zero.
/// </summary>
public static class PacketFile
{
    /// <summary>Most rows of one file.</summary>
    public const int MostRows = 20_000;

    public static string Write(IEnumerable<PrintedPacket> packets)
    {
        var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvWriter(text, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\n" }))
        {
            Row(csv, PacketColumns.All);
            foreach (var packet in packets)
            {
                Row(
                    csv,
                    [
                        packet.Name,
                        PacketColumns.Countries.Single(item => item.Country == packet.Country).Code,
                        packet.Basis is { } basis ? PacketColumns.Bases.Single(item => item.Basis == basis).Word : "",
                        packet.Serving,
                        .. PacketColumns.Values.Select(value => packet.Values.GetValueOrDefault(value.Nutrient, "")),
                        packet.Statement,
                        packet.MayContain,
                        packet.Pack,
                        Number(packet.Price),
                        Number(packet.Points),
                        $"{packet.OpenedDays}",
                        string.Join(' ', packet.Classes),
                        packet.Aisle,
                    ]
                );
            }
        }

        return text.ToString();
    }

    /// <summary>Opens a file: refused whole when it is not UTF-8 text, has no header or not the columns it needs.</summary>
    public static Result<OpenedFile> Read(ReadOnlyMemory<byte> file, FoodClasses classes)
    {
        string text;
        try
        {
            text = new UTF8Encoding(false, true).GetString(file.Span).TrimStart('\uFEFF');
        }
        catch (DecoderFallbackException wrong)
        {
            var row = 1 + file.Span[..Math.Min(file.Length, Math.Max(0, wrong.Index))].Count((byte)'\n');
            return new Refusal(
                "not-utf8",
                "file",
                $"row {row}",
                "the file is not UTF-8 text, so its letters would come in wrong",
                "Save it again as \"CSV UTF-8\" and bring that in"
            );
        }

        if (text.Contains('\0', StringComparison.Ordinal))
        {
            return new Refusal(
                "not-utf8",
                "file",
                "row 1",
                "the file is not UTF-8 text, so its letters would come in wrong",
                "Save it again as \"CSV UTF-8\" and bring that in"
            );
        }

        var header = text.Split('\n', 2)[0];
        var csv = new CsvReader(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = header.Count(letter => letter == ';') > header.Count(letter => letter == ',') ? ";" : ",",
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
                $"Begin with a row of column names: {string.Join(", ", PacketColumns.All)}"
            );
        }

        var names = csv.HeaderRecord!.Select(name => name.ToLowerInvariant()).ToArray();
        if (PacketColumns.Required.FirstOrDefault(column => !names.Contains(column)) is { } missing)
        {
            return new Refusal(
                "column-missing",
                "file",
                missing,
                $"row 1 has no column \"{missing}\"",
                $"Name the columns {string.Join(", ", PacketColumns.Required)}, and of the others those you have: {string.Join(", ", PacketColumns.All.Except(PacketColumns.Required))}"
            );
        }

        if (names.FirstOrDefault(name => !PacketColumns.All.Contains(name)) is { } unknown)
        {
            return new Refusal(
                "column-unknown",
                "file",
                unknown,
                $"row 1 has a column \"{unknown}\" that is not one of ours",
                $"Take it out, or name it one of {string.Join(", ", PacketColumns.All)}"
            );
        }

        return new OpenedFile(Rows(csv, names, classes));
    }

    private static IEnumerable<FileRow> Rows(CsvReader csv, string[] names, FoodClasses classes)
    {
        using var file = csv;
        var seen = new Dictionary<string, int>(StringComparer.OrdinalIgnoreCase);
        var row = 1;
        while (csv.Read())
        {
            row++;
            string Cell(string column) => Array.IndexOf(names, column) is >= 0 and var at ? csv.GetField(at) ?? "" : "";
            if (row > MostRows + 1)
            {
                yield return new(null, new(row, "", "", $"a file has at most {MostRows:#,0} rows", "Split it"));
                yield break;
            }

            var read = Packet(row, Cell, classes);
            yield return read.Packet is not { } packet || seen.TryAdd(packet.Name.Trim(), row)
                ? read
                : new(
                    null,
                    new(
                        row,
                        "name",
                        packet.Name,
                        $"row {seen[packet.Name.Trim()]} has a packet of this name already",
                        "Give each packet a name of its own, for example with its size"
                    )
                );
        }
    }

    private static FileRow Packet(int row, Func<string, string> cell, FoodClasses classes)
    {
        FileProblem Wrong(string column, string reason, string cure) => new(row, column, Short(cell(column)), reason, cure);
        if (PacketColumns.CountryOf(cell("country")) is not { } country)
        {
            return new(
                null,
                Wrong(
                    "country",
                    "this is no country of a label",
                    $"Use one of {string.Join(", ", PacketColumns.Countries.Select(item => item.Code))}"
                )
            );
        }

        var basis = PacketColumns
            .Bases.Where(item => item.Word.Equals(cell("basis"), StringComparison.OrdinalIgnoreCase))
            .Select(item => (LabelBasis?)item.Basis)
            .FirstOrDefault();
        if (cell("basis").Length > 0 && basis is null)
        {
            return new(
                null,
                Wrong(
                    "basis",
                    "this says nothing of what carbohydrate holds",
                    $"Leave it empty, or use one of {string.Join(", ", PacketColumns.Bases.Select(item => item.Word))}"
                )
            );
        }

        foreach (var column in (ReadOnlySpan<string>)["price", "points", "opened_days"])
        {
            if (
                cell(column).Length > 0
                && (NumberIn(cell(column)) is not { } number || (column == "opened_days" && number != Math.Floor(number)))
            )
            {
                return new(null, Wrong(column, "this is no number", column == "opened_days" ? "Type whole days" : "Type for example 2.49"));
            }
        }

        var packet = new PrintedPacket(
            cell("name"),
            country,
            basis,
            cell("serving"),
            PacketColumns
                .Values.Where(value => cell(value.Column).Length > 0)
                .ToDictionary(value => value.Nutrient, value => cell(value.Column)),
            cell("ingredients"),
            cell("may_contain"),
            cell("pack"),
            NumberIn(cell("price")),
            NumberIn(cell("points")),
            (int?)NumberIn(cell("opened_days")),
            cell("classes").Split([' ', ';'], StringSplitOptions.RemoveEmptyEntries),
            cell("aisle")
        );
        return packet.Read(classes).Refusal is { } refusal
            ? new(null, new(row, PacketColumns.ColumnOf(refusal.Field), Short(refusal.Value), refusal.Reason, refusal.Cure))
            : new(packet, null);
    }

    private static decimal? NumberIn(string cell) =>
        decimal.TryParse(cell.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number)
            ? number
            : null;

    private static string Number(decimal? value) => value?.ToString(CultureInfo.InvariantCulture) ?? "";

    private static string Short(string value) => value.Length > 60 ? value[..60] : value;

    private static void Row(CsvWriter csv, IEnumerable<string> cells)
    {
        foreach (var cell in cells)
        {
            csv.WriteField(cell);
        }

        csv.NextRecord();
    }
}

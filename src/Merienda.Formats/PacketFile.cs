using Merienda.Core.Foods;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Outcomes;

namespace Merienda.Formats;

/// <summary>A row as it was read: a packet, or what is wrong with it.</summary>
public sealed record FileRow(PrintedPacket? Packet, FileProblem? Problem);

/// <summary>Packets as CSV, one a row, everything as printed. An empty cell is not printed, never zero.</summary>
public static class PacketFile
{
    public static string Write(IEnumerable<PrintedPacket> packets) => CsvTable.Write([PacketColumns.All, .. packets.Select(Cells)]);

    public static Result<OpenedFile<FileRow>> Read(ReadOnlyMemory<byte> file, FoodClasses classes)
    {
        var seen = new Dictionary<string, int>(StringComparer.OrdinalIgnoreCase);
        return CsvTable.Read(
            file,
            PacketColumns.Required,
            PacketColumns.All,
            line =>
            {
                var read = Packet(line, classes);
                return read.Packet is not { } packet || seen.TryAdd(packet.Name.Trim(), line.Number)
                    ? read
                    : new(
                        null,
                        line.Wrong(
                            "name",
                            $"row {seen[packet.Name.Trim()]} has a packet of this name already",
                            "Give each packet a name of its own, for example with its size"
                        )
                    );
            },
            problem => new FileRow(null, problem)
        );
    }

    private static IEnumerable<string> Cells(PrintedPacket packet) =>
        [
            packet.Name,
            PacketColumns.Countries.Single(item => item.Country == packet.Country).Code,
            packet.Basis is { } basis ? PacketColumns.Bases.Single(item => item.Basis == basis).Word : "",
            packet.Serving,
            .. PacketColumns.Values.Select(value => packet.Values.GetValueOrDefault(value.Nutrient, "")),
            packet.Statement,
            packet.MayContain,
            packet.Pack,
            CsvTable.Number(packet.Price),
            CsvTable.Number(packet.Points),
            $"{packet.OpenedDays}",
            string.Join(' ', packet.Classes),
            packet.Aisle,
        ];

    private static FileRow Packet(CsvLine line, FoodClasses classes)
    {
        var cell = line.Cell;
        if (PacketColumns.CountryOf(cell("country")) is not { } country)
        {
            return new(
                null,
                line.Wrong(
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
                line.Wrong(
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
                && (CsvTable.NumberIn(cell(column)) is not { } number || (column == "opened_days" && number != Math.Floor(number)))
            )
            {
                return new(
                    null,
                    line.Wrong(column, "this is no number", column == "opened_days" ? "Type whole days" : "Type for example 2.49")
                );
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
            CsvTable.NumberIn(cell("price")),
            CsvTable.NumberIn(cell("points")),
            (int?)CsvTable.NumberIn(cell("opened_days")),
            cell("classes").Split([' ', ';'], StringSplitOptions.RemoveEmptyEntries),
            cell("aisle")
        );
        return packet.Read(classes).Refusal is { } refusal
            ? new(null, line.Wrong(PacketColumns.ColumnOf(refusal.Field), refusal))
            : new(packet, null);
    }
}

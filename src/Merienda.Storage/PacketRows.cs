using System.Text.Json;
using Dapper;
using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Packets;
using Npgsql;

namespace Merienda.Storage;

/// <summary>The statements on packets and their versions, and the rows they give.</summary>
internal static class PacketRows
{
    public const string SelectVersion = """
        select version.id, version.packet_id, version.number, version.name, version.country, version.label_basis, version.serving, version.declared::text as declared, version.statement, version.may_contain,
               version.pack, version.price, version.points, version.opened_days, version.classes, version.aisle, version.created_at
        from packet_version version
        """;

    public const string SelectLatest = "select name, id as packet_id, version_id, number from packet where archived_at is null";

    /// <summary>Adds versions, each with its packet where that is new, and returns their ids in the same order.</summary>
    public static async Task<IReadOnlyList<Guid>> Insert(
        NpgsqlConnection connection,
        Tenant tenant,
        IReadOnlyList<(Guid PacketId, PrintedPacket Printed, int Number)> rows,
        DateTimeOffset at
    )
    {
        var ids = rows.Select(_ => Guid.CreateVersion7()).ToArray();
        // One statement for all rows: a file brings thousands.
        var packets = JsonSerializer.Serialize(
            rows.Select(
                (row, position) =>
                    new
                    {
                        id = ids[position],
                        packet_id = row.PacketId,
                        number = row.Number,
                        name = row.Printed.Name.Trim(),
                        country = row.Printed.Country.ToString(),
                        label_basis = row.Printed.Basis?.ToString(),
                        serving = row.Printed.Serving.Trim(),
                        declared = row
                            .Printed.Values.Where(value => !string.IsNullOrWhiteSpace(value.Value))
                            .ToDictionary(value => value.Key.ToString(), value => value.Value.Trim()),
                        statement = row.Printed.Statement.Trim(),
                        may_contain = row.Printed.MayContain.Trim(),
                        pack = row.Printed.Pack.Trim(),
                        price = row.Printed.Price,
                        points = row.Printed.Points,
                        opened_days = row.Printed.OpenedDays,
                        classes = row.Printed.Classes,
                        aisle = row.Printed.Aisle.Trim(),
                    }
            )
        );
        await connection.ExecuteAsync(
            """
            insert into packet (household_id, id, name, version_id, number)
            select @Household, packet_id, name, id, number from jsonb_to_recordset(@packets::jsonb) as row (packet_id uuid, name text, id uuid, number integer)
            on conflict on constraint packet_key do update set name = excluded.name, version_id = excluded.version_id, number = excluded.number;
            insert into packet_version (household_id, id, packet_id, number, name, country, label_basis, serving, declared, statement, may_contain, pack, price, points, opened_days, classes, aisle, created_at, created_by)
            select @Household, id, packet_id, number, name, country, label_basis, serving, declared, statement, may_contain, pack, price, points, opened_days, classes, aisle, @at, @Account
            from jsonb_to_recordset(@packets::jsonb) as row (id uuid, packet_id uuid, number integer, name text, country text, label_basis text, serving text, declared jsonb, statement text, may_contain text,
                                                             pack text, price numeric, points numeric, opened_days integer, classes text[], aisle text)
            """,
            new
            {
                tenant.Household,
                tenant.Account,
                packets,
                at,
            }
        );
        return ids;
    }

    public sealed record LatestRow(string Name, Guid PacketId, Guid VersionId, int Number);

    public sealed record VersionRow
    {
        public Guid Id { get; init; }

        public Guid PacketId { get; init; }

        public int Number { get; init; }

        public string Name { get; init; } = "";

        public string Country { get; init; } = "";

        public string? LabelBasis { get; init; }

        public string Serving { get; init; } = "";

        public string Declared { get; init; } = "{}";

        public string Statement { get; init; } = "";

        public string MayContain { get; init; } = "";

        public string Pack { get; init; } = "";

        public decimal? Price { get; init; }

        public decimal? Points { get; init; }

        public int? OpenedDays { get; init; }

        public string[] Classes { get; init; } = [];

        public string Aisle { get; init; } = "";

        public DateTimeOffset CreatedAt { get; init; }

        public PrintedPacket ToPrinted() =>
            new(
                Name,
                Enum.Parse<LabelCountry>(Country),
                LabelBasis is null ? null : Enum.Parse<LabelBasis>(LabelBasis),
                Serving,
                JsonSerializer
                    .Deserialize<Dictionary<string, string>>(Declared)!
                    .ToDictionary(value => Enum.Parse<LabelNutrient>(value.Key), value => value.Value),
                Statement,
                MayContain,
                Pack,
                Price,
                Points,
                OpenedDays,
                Classes,
                Aisle
            );

        public StoredPacket ToPacket(bool countsTolerances, PacketKnowledge known)
        {
            // It was read before it was stored; only a class may be gone since.
            var printed = ToPrinted() with
            {
                Classes = [.. Classes.Where(known.Classes.Knows)],
            };
            var read = printed.Read(known.Classes);
            return new(
                PacketId,
                Id,
                Number,
                CreatedAt,
                Packet.ToFood(PacketId, Number, printed, read.Value, countsTolerances, known.Statements, known.Classes)
            );
        }
    }
}

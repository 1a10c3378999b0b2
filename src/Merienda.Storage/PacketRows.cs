using System.Text.Json;
using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Packets;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>Versions of packets as they are read and written.</summary>
internal static class PacketRows
{
    public const string SelectVersion = """
        select version.id, version.packet_id, version.number, version.name, version.country, version.label_basis,
               version.serving, version.declared::text as declared, version.statement, version.may_contain, version.pack, version.price, version.points, version.opened_days, version.classes, version.aisle, version.created_at
        from packet_version version
        """;

    /// <summary>Packets that recipes take, with what is printed on them now.</summary>
    /// <param name="current">Of the same packets the versions in use.</param>
    public static IReadOnlyList<VersionRow> ReadAnew(IEnumerable<VersionRow> taken, IEnumerable<VersionRow> current)
    {
        var now = current.ToDictionary(row => row.PacketId);
        return [.. taken.Select(row => now.TryGetValue(row.PacketId, out var newer) ? row.ReadAnew(newer.Id, newer.ToPrinted()) : row)];
    }

    /// <summary>A version as it is written.</summary>
    public static PacketVersionRow Of(Guid packetId, PrintedPacket printed, int number, EditStamp stamp, DateTimeOffset at) =>
        new(
            Guid.CreateVersion7(),
            packetId,
            number,
            printed.Name.Trim(),
            printed.Country.ToString(),
            printed.Basis?.ToString(),
            printed.Serving.Trim(),
            printed
                .Values.Where(value => !string.IsNullOrWhiteSpace(value.Value))
                .ToDictionary(value => value.Key.ToString(), value => value.Value.Trim()),
            printed.Statement.Trim(),
            printed.MayContain.Trim(),
            printed.Pack.Trim(),
            printed.Price,
            printed.Points,
            printed.OpenedDays,
            printed.Classes,
            printed.Aisle.Trim(),
            at,
            stamp.Tenant.Account
        );

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

        /// <summary>
        /// The packet where it is printed otherwise by now: what the newer statement names is in it as well, and one that is not read leaves
        /// it open. Values stay as they were.
        /// </summary>
        public VersionRow ReadAnew(Guid version, PrintedPacket newer) =>
            version == Id
                ? this
                : this with
                {
                    Statement = newer.Statement.Length == 0 ? "" : Both(Statement, newer.Statement),
                    MayContain = Both(MayContain, newer.MayContain),
                    Classes = [.. Classes.Union(newer.Classes)],
                };

        private static string Both(string then, string now) =>
            then.Length == 0 || then == now ? now
            : now.Length == 0 ? then
            : $"{then.TrimEnd('.', ' ')}, {now}";

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

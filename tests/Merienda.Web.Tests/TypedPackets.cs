namespace Merienda.Web.Tests;

/// <summary>Packets as the form sends them.</summary>
internal static class TypedPackets
{
    /// <summary>A packet as the form sends it.</summary>
    public static object Packet(
        string name = "Sea crackers",
        string statement = "Oats, salt",
        string country = "europeanUnion",
        string serving = "100 g",
        string mayContain = "",
        int? basedOn = null,
        string[]? classes = null,
        params (string Nutrient, string Printed)[] values
    ) =>
        new
        {
            name,
            country,
            basis = (string?)null,
            serving,
            values = values.Select(value => new { nutrient = value.Nutrient, printed = value.Printed }),
            statement,
            mayContain,
            pack = "250 g",
            price = (decimal?)1.5m,
            points = (decimal?)null,
            openedDays = (int?)3,
            classes = classes ?? [],
            aisle = "bakery",
            basedOn,
        };

    public static async Task<string> Keep(Visitor cook, object packet) =>
        (await cook.Must(HttpMethod.Post, "/api/larder/packets", packet)).GetValue<string>();

    public static Guid IdOf(string key) => Core.Foods.Packets.Packet.IdOf(key)!.Value;

    public static async Task<Guid> Eater(Visitor cook) => (await cook.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
}

using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Shopping;
using Merienda.Formats;
using Merienda.Storage;
using static Merienda.Web.Demo.DemoSeed;

namespace Merienda.Web.Demo;

/// <summary>The demo's packets with what they cost, as a household keeps them.</summary>
public sealed class DemoLarder(Database database, HouseholdStore households, PacketStore packets, PriceStore prices, TimeProvider clock)
{
    private const int PricesDaysAgo = 5;

    /// <param name="said">What some of the eaters think of packets.</param>
    internal async Task Fill(
        Tenant tenant,
        IReadOnlyList<DemoPacket> bought,
        IReadOnlyList<DemoOpinion> said,
        IReadOnlyList<EaterSettings> eaters,
        DateOnly today
    )
    {
        foreach (var packet in bought)
        {
            Must(await packets.Save(Stamp(tenant), Guid.CreateVersion7(), packet.ToPrinted(), null, clock.GetUtcNow()));
        }

        var foods = await database.Read(tenant, packets.Foods);
        foreach (var opinion in said)
        {
            var packet = foods.Packets.Values.Single(item => item.Printed.Name == opinion.Packet);
            Must(
                await packets.Decide(
                    Stamp(tenant),
                    packet.PacketId,
                    eaters.Single(eater => eater.Name == opinion.Eater).Id,
                    households.Table(),
                    (_, eater, food) =>
                        eater
                            .Decide(food.Food, opinion.IsApproved, opinion.Reason, true, today.AddDays(-opinion.DaysAgo))
                            .Select(one => (PacketOpinion?)one)
                )
            );
        }

        var paid = await File.ReadAllBytesAsync(Path.Combine(DataFiles.Find(), "demo", "prices.csv"));
        Must(
            await prices.Note(
                Stamp(tenant),
                stored =>
                    PriceFile
                        .Read(paid, stored.Foods.Matcher, MeasureSystem.Metric, today.AddDays(-PricesDaysAgo))
                        .Select<IReadOnlyList<Price>>(file =>
                            [
                                .. file.Rows.Select(row =>
                                    row.Price ?? throw new InvalidDataException($"The demo's prices are wrong: {row.Problem}")
                                ),
                            ]
                        )
            )
        );
    }
}

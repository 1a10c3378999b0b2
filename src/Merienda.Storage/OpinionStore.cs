using Dapper;
using Merienda.Core.Outcomes;
using Npgsql;

namespace Merienda.Storage;

/// <summary>A changed decision of one eater on one packet for the journal; null for none.</summary>
public sealed record OpinionChange(Guid PacketId, Guid EaterId, StoredOpinion? Before, StoredOpinion? After);

/// <summary>What eaters decided about packets, with reason and date.</summary>
public sealed class OpinionStore(Database database)
{
    /// <summary>Writes what an eater decided, or with null takes it back; false when packet or eater is not there.</summary>
    public Task<bool> Decide(Tenant tenant, Guid packetId, Guid eaterId, StoredOpinion? opinion) =>
        database.As(
            tenant,
            async connection =>
            {
                var there = await connection.QueryFirstOrDefaultAsync<(string? Packet, string? Eater)>(
                    "select packet.name, eater.name from packet, eater where packet.id = @packetId and eater.id = @eaterId for update of packet",
                    new { packetId, eaterId }
                );
                if (there.Packet is null)
                {
                    return false;
                }

                var before = await OpinionOf(connection, packetId, eaterId);
                await SetOpinion(connection, tenant, packetId, eaterId, opinion);
                var said =
                    opinion is null ? "took back what was decided on"
                    : opinion.IsApproved ? "approved"
                    : "rejected";
                await Journal.Write(
                    connection,
                    tenant,
                    Journal.Opinion,
                    $"{there.Eater} {said} {there.Packet}",
                    new OpinionChange(packetId, eaterId, before, opinion)
                );
                return true;
            }
        );

    internal static async Task<Refusal?> Undo(NpgsqlConnection connection, Tenant tenant, OpinionChange change)
    {
        if (await OpinionOf(connection, change.PacketId, change.EaterId) != change.After)
        {
            return new(
                "changed-meanwhile",
                "undo",
                "the decision",
                "somebody changed it since",
                "Look at the packet as it is now and decide by hand"
            );
        }

        await SetOpinion(connection, tenant, change.PacketId, change.EaterId, change.Before);
        return null;
    }

    internal static Task Write(NpgsqlConnection connection, Tenant tenant, Guid eaterId, StoredOpinion opinion) =>
        connection.ExecuteAsync(
            """
            insert into packet_opinion (household_id, packet_id, eater_id, is_approved, reason, statement, decided_on, decided_by)
            values (@Household, @PacketId, @eaterId, @IsApproved, @Reason, @Statement, @DecidedOn, @Account)
            """,
            new
            {
                tenant.Household,
                tenant.Account,
                eaterId,
                opinion.PacketId,
                opinion.IsApproved,
                opinion.Reason,
                opinion.Statement,
                opinion.DecidedOn,
            }
        );

    private static Task<StoredOpinion?> OpinionOf(NpgsqlConnection connection, Guid packetId, Guid eaterId) =>
        connection.QueryFirstOrDefaultAsync<StoredOpinion>(
            "select packet_id, is_approved, reason, decided_on, statement from packet_opinion where packet_id = @packetId and eater_id = @eaterId",
            new { packetId, eaterId }
        );

    private static async Task SetOpinion(NpgsqlConnection connection, Tenant tenant, Guid packetId, Guid eaterId, StoredOpinion? opinion)
    {
        await connection.ExecuteAsync(
            "delete from packet_opinion where packet_id = @packetId and eater_id = @eaterId",
            new { packetId, eaterId }
        );
        if (opinion is not null)
        {
            await Write(connection, tenant, eaterId, opinion);
        }
    }
}

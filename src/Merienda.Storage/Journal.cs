using System.Text.Json;
using Dapper;
using Merienda.Core.Planning;
using Npgsql;

namespace Merienda.Storage;

/// <summary>A container's row as the journal keeps it; null place is loose.</summary>
public sealed record ContainerImage(Guid Id, int Number, decimal Size, Cell? Place);

/// <summary>A batch's row as the journal keeps it.</summary>
public sealed record BatchImage(Guid Id, Guid RecipeVersionId, string Letter, DateOnly Cooked, decimal Portions);

/// <summary>The rows of one batch that an edit touched, before and after it; null where a row was not there.</summary>
public sealed record BatchChange(
    Guid BatchId,
    BatchImage? Before,
    BatchImage? After,
    IReadOnlyList<ContainerImage> ContainersBefore,
    IReadOnlyList<ContainerImage> ContainersAfter
);

/// <summary>A changed eater; without a before one who came to the table, without an after one who left it.</summary>
public sealed record EaterChange(EaterSettings? Before, EaterSettings? After);

/// <summary>A new version (before and after), a new recipe (no before) or one put away (no after).</summary>
/// <param name="Learnt">What was learnt from the foods that were chosen in it; null in entries from before words were learnt.</param>
public sealed record RecipeChange(Guid RecipeId, Guid? VersionBefore, Guid? VersionAfter, IReadOnlyList<WordChange>? Learnt = null);

/// <summary>A new version (before and after), a new protocol (no before) with the eaters moved to it, or one put away (no after).</summary>
public sealed record ProtocolChange(string ProtocolId, int? VersionBefore, int? VersionAfter, IReadOnlyList<EaterChange> Eaters);

public sealed record KitchenChange(Kitchen Before, Kitchen After);

/// <summary>The newest thing that a person can take back.</summary>
public sealed record Undoable(long Sequence, string Summary);

/// <summary>Who changed what, with the rows before and after; written in the transaction of the change itself.</summary>
public static class Journal
{
    public const string Batch = "batch",
        Eater = "eater",
        Recipe = "recipe",
        Protocol = "protocol",
        Kitchen = "kitchen",
        Packet = "packet",
        PacketFile = "packet-file",
        Opinion = "opinion",
        Stock = "stock",
        StockList = "stock-list",
        Word = "word";

    public static Task Write<T>(NpgsqlConnection connection, Tenant tenant, string kind, string summary, T change) =>
        connection.ExecuteAsync(
            "insert into journal (household_id, account_id, at, kind, summary, change) values (@Household, @Account, now(), @kind, @summary, @change::jsonb)",
            new
            {
                tenant.Household,
                tenant.Account,
                kind,
                summary,
                change = JsonSerializer.Serialize(change),
            }
        );

    public static Task<Undoable?> Newest(NpgsqlConnection connection, Tenant tenant) =>
        connection.QueryFirstOrDefaultAsync<Undoable>(
            "select sequence, summary from journal where account_id = @Account and not is_undone order by sequence desc limit 1",
            new { tenant.Account }
        );
}

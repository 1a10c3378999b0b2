using System.Text.Json;
using System.Text.Json.Nodes;
using Dapper;
using Merienda.Core.Outcomes;
using Npgsql;

namespace Merienda.Storage.Edits;

/// <summary>
/// Takes an own edit back: its rows are put as they were, when every one of them is still as the edit left it. What others did to other
/// rows stays. What comes back to a meal is held against the allergies of today: a rule that is no more cannot be put back over one.
/// </summary>
public sealed class UndoDoor(Database database, WeekReading weeks)
{
    private sealed record Found(long Sequence, string Kind, string Summary, int SchemaVersion, bool IsUndone, string Change);

    /// <param name="sequence">Of the edit; null for the newest that can be taken back.</param>
    public async Task<Result<Edited<Undoable>>> Undo(EditStamp stamp, long? sequence)
    {
        try
        {
            return await Attempt(stamp, sequence);
        }
        catch (ForbiddenException forbidden)
        {
            return forbidden.Refusal;
        }
        catch (PostgresException refused) when (refused.SqlState.StartsWith("23", StringComparison.Ordinal))
        {
            // Something that came since stands in its place, or rests on what would go.
            return new Refusal(
                "changed-meanwhile",
                "undo",
                $"{sequence}",
                "what was done since needs it as it is",
                "Look at it as it is now and change it by hand"
            );
        }
    }

    private Task<Result<Edited<Undoable>>> Attempt(EditStamp stamp, long? sequence) =>
        database.As<Result<Edited<Undoable>>>(
            stamp.Tenant,
            async scope =>
            {
                var (first, found) = await scope.Read(Journal.Lock(stamp).And(Find(sequence)));
                if (first is not null)
                {
                    return first.Kind == Journal.Undo
                        ? new Edited<Undoable>(first.Sequence, JsonSerializer.Deserialize<Undoable>(first.Answer)!)
                        : Journal.IdUsed(stamp);
                }

                if (Refuse(found, sequence) is { } refusal)
                {
                    return refusal;
                }

                var rows = JsonSerializer.Deserialize<Dictionary<string, RowChange>>(found!.Change)!;
                if (!await scope.Read(AreAsLeft(rows)))
                {
                    return Moved(found);
                }

                var undone = new Undoable(found.Sequence, found.Summary);
                var done = await scope.Read(PutBack(stamp, rows, undone));
                scope.HasWritten = true;
                await HoldAgainstAllergies(scope, rows);
                await HoldAgainstFollowers(scope, rows);
                return new Edited<Undoable>(done, undone);
            }
        );

    /// <summary>Rolls the undo back.</summary>
    private sealed class ForbiddenException(Refusal refusal) : Exception
    {
        public Refusal Refusal => refusal;
    }

    private async Task HoldAgainstAllergies(Scope scope, IReadOnlyDictionary<string, RowChange> rows)
    {
        var back = rows.TryGetValue(Tables.ServingItem.Name, out var items)
            ? items.Before.Select(row => row!["id"]!.GetValue<Guid>()).ToArray()
            : [];
        if (back.Length == 0)
        {
            return;
        }

        var days = await scope.Read(
            Reading.Of<IReadOnlyList<DateOnly>>(
                """
                select distinct eaten_on from serving
                join serving_item item on item.household_id = serving.household_id and item.serving_id = serving.id
                where item.id = any(@backItems);
                """,
                new { backItems = back },
                async grid => [.. await grid.ReadAsync<DateOnly>()]
            )
        );
        while (days.Count > 0)
        {
            var week = await scope.Read(weeks.Of(days[0]));
            var stop = week
                .Plan.Servings.SelectMany(serving => serving.Items.Select(item => (serving.Cell.Eater, Item: item)))
                .Where(one => back.Contains(one.Item.Id))
                .Select(one => week.Diner(one.Eater) is { } eater ? week.StopOf(one.Item, eater) : null)
                .FirstOrDefault(refusal => refusal is not null);
            if (stop is not null)
            {
                throw new ForbiddenException(stop);
            }

            days = [.. days.Where(day => !week.Plan.Holds(day))];
        }
    }

    /// <summary>A protocol that somebody has chosen since is not put away under them.</summary>
    private static async Task HoldAgainstFollowers(Scope scope, IReadOnlyDictionary<string, RowChange> rows)
    {
        var back = rows.TryGetValue(Tables.OwnProtocol.Name, out var protocols)
            ? protocols.Before.Select(row => row!["id"]!.GetValue<string>()).ToArray()
            : [];
        if (back.Length == 0)
        {
            return;
        }

        var follower = await scope.Read(
            Reading.Of(
                """
                select protocol.id, eater.name from household_protocol protocol
                join eater_protocol seat on seat.household_id = protocol.household_id and seat.protocol_id = protocol.id
                join eater on eater.household_id = seat.household_id and eater.id = seat.eater_id
                where protocol.id = any(@backProtocols) and archived_at is not null order by eater.position limit 1;
                """,
                new { backProtocols = back },
                grid => grid.ReadSingleOrDefaultAsync<(string Id, string Name)?>()
            )
        );
        if (follower is var (id, name))
        {
            throw new ForbiddenException(ProtocolStore.Followed(id, name));
        }
    }

    private static Reading<Found?> Find(long? sequence) =>
        Reading.Of(
            $"""
            select sequence, kind, summary, schema_version::int as schema_version, is_undone, change::text as change from journal
            where household_id = app_household() and account_id = app_account()
              and case when @undoSequence::bigint is null
                  then not is_undone and not is_quiet and schema_version = {Journal.Schema}
                  else sequence = @undoSequence end
            order by sequence desc limit 1;
            """,
            new { undoSequence = sequence },
            rows => rows.ReadSingleOrDefaultAsync<Found?>()
        );

    private static Refusal? Refuse(Found? found, long? sequence) =>
        found switch
        {
            null or { IsUndone: true } or { Kind: Journal.Undo or Journal.Published } => new(
                "nothing-to-undo",
                "undo",
                $"{sequence}",
                "there is nothing of yours left to take back",
                "Go on"
            ),
            { SchemaVersion: < Journal.Schema } => new(
                "undo-too-old",
                "undo",
                found.Summary,
                "it was done before the program was renewed and can't be undone any more",
                "Change it by hand"
            ),
            _ => null,
        };

    private static Refusal Moved(Found found) =>
        new("changed-meanwhile", "undo", found.Summary, "somebody changed it since", "Look at it as it is now and change it by hand");

    private static Reading<bool> AreAsLeft(IReadOnlyDictionary<string, RowChange> rows)
    {
        var (conditions, parameters) = (new List<string>(), new DynamicParameters());
        foreach (var table in Tables.InOrder.Where(table => rows.ContainsKey(table.Name)))
        {
            var (after, touched) = ($"after{conditions.Count}", $"touched{conditions.Count}");
            var (before, left) = (rows[table.Name].Before, rows[table.Name].After);
            var keys = left.Concat(before).DistinctBy(row => table.KeyOf(row!.AsObject()));
            parameters.Add(after, left.ToJsonString());
            parameters.Add(touched, JsonSerializer.Serialize(keys));
            conditions.Add(string.Format(System.Globalization.CultureInfo.InvariantCulture, table.IsAsLeft, after, touched));
        }

        return Reading.Of(
            $"select {string.Join("\nand ", conditions.DefaultIfEmpty("true"))};",
            parameters,
            grid => grid.ReadSingleAsync<bool>()
        );
    }

    private static Reading<long> PutBack(EditStamp stamp, IReadOnlyDictionary<string, RowChange> rows, Undoable undone)
    {
        var (sql, parameters) = RowWriter.Write(
            rows.ToDictionary(item => item.Key, item => new RowChange(item.Value.After, item.Value.Before)),
            Array.Empty<KeyValuePair<string, JsonArray>>().ToLookup(item => item.Key, item => item.Value)
        );
        parameters.Add("undone", undone.Sequence);
        return Reading
            .Of(
                $"{sql}\nupdate journal set is_undone = true where household_id = app_household() and sequence = @undone;",
                parameters,
                _ => Task.FromResult(true)
            )
            .And(Journal.Append(stamp, Journal.Undo, $"Took back: {undone.Summary}", "{}", JsonSerializer.Serialize(undone)))
            .Select(written => written.Second);
    }
}

using System.Text.Json;
using Merienda.Storage.Edits;
using static Dapper.SqlMapper;

namespace Merienda.Storage;

/// <summary>The rows of batches with everything drawn from them.</summary>
internal static class PlanReading
{
    /// <summary>The batches that a reading is about, worked out once for all of its statements.</summary>
    public const string Chosen = "current_setting('app.batches')::uuid[]";

    /// <param name="start">First day of the week whose servings are read whole; null for those of the batches only.</param>
    public static Reading<PlanRows> Rows(string batches, DateOnly? start, Guid? batch = null) =>
        Reading.Of(
            $"""
            select set_config('app.batches', (select coalesce(array_agg(id), array[]::uuid[])::text from ({batches}) chosen), true);
            select batch.id, batch.session_id, batch.recipe_version_id, batch.letter, batch.portioned_on, batch.frozen_rest from batch
            join prep_session session on session.household_id = batch.household_id and session.id = batch.session_id
            where batch.id = any({Chosen}) order by session.cooked_on, length(batch.letter), batch.letter, batch.id;
            select {PlanRows.SessionColumns} from prep_session
            where id in (select session_id from batch where id = any({Chosen})) or cooked_on between @weekStart::date - 6 and @weekStart::date + 6
            order by cooked_on, id;
            select distinct session_id from batch
            where session_id in (select id from prep_session where cooked_on between @weekStart::date - 6 and @weekStart::date + 6)
                or id = any({Chosen});
            select id, batch_id, position, variant, portions from lot where batch_id = any({Chosen}) order by batch_id, position, id;
            select id, eaten_on, meal, eater_id, state, is_locked, note from serving
            where eaten_on between @weekStart and @weekStart + 6 or id in (select serving_id from serving_item where batch_id = any({Chosen}))
            order by eaten_on, id;
            select id, serving_id, position, batch_id, lot_id, portions, grams, parts,
                text, food_version_id, packet_version_id, match_kind, is_chosen, container_id, is_frozen,
                eaten_share, is_extra from serving_item
            where batch_id = any({Chosen}) or serving_id in (select id from serving where eaten_on between @weekStart and @weekStart + 6)
            order by serving_id, position, id;
            select batch_id, part, gross_g, tare_g, vessel from part_yield where batch_id = any({Chosen}) order by batch_id, part;
            select id, batch_id, lot_id, number, portions, parts, to_json(grams)::text as grams, kind, material, gone_on from container
            where batch_id = any({Chosen}) order by number, id;
            select id, container_id, kind, at, happened_on, portions, draw_id, parts, reason from container_event
            where container_id in (select id from container where batch_id = any({Chosen})) order by at, id;
            {PacketRows.SelectVersion} where version.id in (
                select packet_version_id from serving_item where serving_id in (select id from serving where eaten_on between @weekStart and @weekStart + 6))
            order by version.id;
            select batch_id, line_id, was_key, food_key from batch_swap where batch_id = any({Chosen}) order by batch_id, line_id;
            """,
            new { weekStart = start, onlyBatch = batch },
            async rows =>
            {
                await rows.ReadAsync<string>();
                return await Take(rows);
            }
        );

    private static async Task<PlanRows> Take(GridReader rows) =>
        new(
            [.. await rows.ReadAsync<BatchRow>()],
            [.. await rows.ReadAsync<PrepSessionRow>()],
            (await rows.ReadAsync<Guid>()).ToHashSet(),
            [.. await rows.ReadAsync<LotRow>()],
            [.. await rows.ReadAsync<ServingRow>()],
            [.. (await rows.ReadAsync<ItemColumns>()).Select(row => row.ToRow())],
            [.. await rows.ReadAsync<PartYieldRow>()],
            [.. (await rows.ReadAsync<BoxColumns>()).Select(row => row.ToRow())],
            [.. (await rows.ReadAsync<EventColumns>()).Select(row => row.ToRow())],
            [.. await rows.ReadAsync<PacketRows.VersionRow>()],
            [.. await rows.ReadAsync<BatchSwapRow>()]
        );

    private sealed record ItemColumns
    {
        public Guid Id { get; init; }

        public Guid ServingId { get; init; }

        public int Position { get; init; }

        public Guid? BatchId { get; init; }

        public Guid? LotId { get; init; }

        public decimal? Portions { get; init; }

        public decimal? Grams { get; init; }

        public string[]? Parts { get; init; }

        public string? Text { get; init; }

        public Guid? FoodVersionId { get; init; }

        public Guid? PacketVersionId { get; init; }

        public string? MatchKind { get; init; }

        public bool IsChosen { get; init; }

        public Guid? ContainerId { get; init; }

        public bool IsFrozen { get; init; }

        public decimal? EatenShare { get; init; }

        public bool IsExtra { get; init; }

        public ServingItemRow ToRow() =>
            new(
                Id,
                ServingId,
                Position,
                BatchId,
                LotId,
                Portions,
                Grams,
                Parts,
                Text,
                FoodVersionId,
                PacketVersionId,
                MatchKind,
                IsChosen,
                ContainerId,
                IsFrozen,
                EatenShare,
                IsExtra
            );
    }

    private sealed record EventColumns
    {
        public Guid Id { get; init; }

        public Guid ContainerId { get; init; }

        public string Kind { get; init; } = "";

        public DateTimeOffset At { get; init; }

        public DateOnly HappenedOn { get; init; }

        public decimal Portions { get; init; }

        public Guid? DrawId { get; init; }

        public string[]? Parts { get; init; }

        public string Reason { get; init; } = "";

        public ContainerEventRow ToRow() => new(Id, ContainerId, Kind, At, HappenedOn, Portions, DrawId, Parts, Reason);
    }

    private sealed record BoxColumns
    {
        public Guid Id { get; init; }

        public Guid BatchId { get; init; }

        public Guid LotId { get; init; }

        public int Number { get; init; }

        public decimal Portions { get; init; }

        public string[]? Parts { get; init; }

        /// <summary>As JSON: the driver reads an array either with or without nulls, and never knows before.</summary>
        public string Grams { get; init; } = "[]";

        public string Kind { get; init; } = "";

        public string Material { get; init; } = "";

        public DateOnly? GoneOn { get; init; }

        public ContainerRow ToRow() =>
            new(Id, BatchId, LotId, Number, Portions, Parts, JsonSerializer.Deserialize<decimal?[]>(Grams)!, Kind, Material, GoneOn);
    }
}

using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>What is kept of an eater's body weight.</summary>
/// <param name="WeighIns">The newest first.</param>
public sealed record KeptWeight(bool IsPaceSeen, IReadOnlyList<WeighIn> WeighIns);

/// <summary>Body weights of who turned it on.</summary>
public sealed class WeightStore(EditDoor door, HouseholdStore households)
{
    private sealed record Rows(WeighingRow? Weighing, IReadOnlyList<BodyWeightRow> Weights);

    /// <summary>Null where it is not turned on.</summary>
    internal static Reading<KeptWeight?> Of(Guid? eater) =>
        Stored(eater)
            .Select(rows =>
                rows.Weighing is { } kept
                    ? new KeptWeight(kept.IsPaceSeen, [.. rows.Weights.Select(row => new WeighIn(row.WeighedOn, row.MassG / 1000m))])
                    : null
            );

    /// <summary>Turns it on, or off: then what was kept is forgotten.</summary>
    public Task<Result<Edited<bool>>> Turn(EditStamp stamp, Guid eater, bool isOn) =>
        Change(
            stamp,
            eater,
            isOn ? "Began to keep a body weight" : "Forgot body weights",
            (_, rows) => isOn ? new Rows(rows.Weighing ?? new(eater, false), rows.Weights) : new Rows(null, [])
        );

    /// <summary>Keeps the weight of a day; null forgets it.</summary>
    public Task<Result<Edited<bool>>> Weigh(EditStamp stamp, Guid eater, DateOnly on, decimal? kg) =>
        Change(
            stamp,
            eater,
            "Noted a body weight",
            (table, rows) =>
                kg is { } weight && BodyWeight.Wrong(new(on, weight), table.Today) is { } refusal ? refusal
                : rows.Weighing is null
                    ? new Refusal("weight-off", "eater", eater.ToString(), "no body weight is kept of this eater", "Turn it on first")
                : rows with
                {
                    Weights =
                    [
                        .. rows.Weights.Where(row => row.WeighedOn != on),
                        .. kg is { } known ? new[] { new BodyWeightRow(eater, on, (int)Math.Round(known * 1000)) } : [],
                    ],
                }
        );

    /// <summary>It is seen how fast the weight falls: it is not said again.</summary>
    public Task<Result<Edited<bool>>> SeePace(EditStamp stamp, Guid eater) =>
        Change(
            stamp,
            eater,
            "Saw how fast a weight falls",
            (_, rows) => rows with { Weighing = rows.Weighing is { } kept ? kept with { IsPaceSeen = true } : null }
        );

    private Task<Result<Edited<bool>>> Change(EditStamp stamp, Guid eater, string summary, Func<Table, Rows, Result<Rows>> decide) =>
        door.Edit<(Table Table, Rows Rows), bool>(
            stamp,
            Journal.Diary,
            households.Table().And(Stored(eater)),
            locked =>
            {
                if (locked.Table.WithId(eater) is null)
                {
                    return HouseholdStore.EaterGone(eater);
                }

                var decided = decide(locked.Table, locked.Rows);
                return decided.Refusal is { } refusal
                    ? refusal
                    : new Decided<bool>(
                        new Change(summary)
                            .Put(Tables.Weighing, locked.Rows.Weighing, decided.Value.Weighing)
                            .Put(Tables.BodyWeight, locked.Rows.Weights, decided.Value.Weights),
                        true
                    );
            }
        );

    private static Reading<Rows> Stored(Guid? eater) =>
        Reading.Of(
            $"""
            select eater_id, is_pace_seen from weighing where eater_id = coalesce(@weighed, {LogStore.FirstEater});
            select eater_id, weighed_on, mass_g from body_weight where eater_id = coalesce(@weighed, {LogStore.FirstEater})
            order by weighed_on desc;
            """,
            new { weighed = eater },
            async rows => new Rows(await rows.ReadSingleOrDefaultAsync<WeighingRow?>(), [.. await rows.ReadAsync<BodyWeightRow>()])
        );
}

using CsCheck;
using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;

namespace Merienda.Core.Tests.Planning;

/// <summary>A week whose batches are shared into boxes.</summary>
internal static class BoxWeek
{
    public static readonly DateOnly Sunday = new(2026, 11, 22);

    public static readonly DateTimeOffset Noon = new(2026, 11, 22, 12, 0, 0, TimeSpan.Zero);
    public static readonly Guid Eater = Guid.NewGuid();
    public static readonly ContainerKind[] Kinds =
    [
        new(Guid.NewGuid(), "small", 400, 3, "glass", true, false, true),
        new(Guid.NewGuid(), "large", 900, 2, "plastic", true, true, true),
    ];

    public static Cell Cell(int day, string meal = "supper") => new(Sunday.AddDays(day), meal, Eater);

    public static Batch Cook(decimal portions, params string[] parts) =>
        Cooked
            .Batch("B", Sunday.AddDays(-1), portions)
            .Weighing(parts.Length == 0 ? [350] : [.. parts.Select((_, at) => (decimal?)(at == 0 ? 300 : 50))]) with
        {
            Parts = parts.Length == 0 ? [""] : parts,
            Keeping = KeepingClass.WithKey("cooked"),
        };

    public static WeekPlan Week(params Batch[] batches) => new(Sunday, batches, [], []);

    public static WeekPlan Place(WeekPlan plan, int day, decimal wanted = 1, params string[] parts) =>
        plan.Place(plan.Batches[0].Id, Cell(day), wanted, Guid.NewGuid, parts.Length == 0 ? null : parts).Value;

    public static WeekPlan Portion(WeekPlan plan) => plan.Portion(plan.Batches[0].Id, Kinds, (Noon, Sunday), Guid.NewGuid).Value;

    public static Result<WeekPlan> Tell(WeekPlan plan, Guid box, BoxEventKind kind, decimal? portions = null, int day = 0) =>
        plan.Tell(box, new(Guid.NewGuid(), kind, Noon.AddDays(day), portions, ""), Sunday.AddDays(day), Noon.AddDays(day));

    public static Draw At(WeekPlan plan, int day) => plan.At(Cell(day))!.Draws.Last();
}

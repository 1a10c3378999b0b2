using Merienda.Core.Keeping;

namespace Merienda.Core.Planning;

/// <summary>What was thrown away of a batch, for one reason.</summary>
/// <param name="Lot">Whose portions they were: each variant costs its own.</param>
/// <param name="Reason">As it was said; empty where nobody did.</param>
public sealed record Waste(Batch Batch, Lot Lot, decimal Portions, string Reason)
{
    /// <summary>What was said to be thrown away on the week's days, whenever it was cooked.</summary>
    public static IReadOnlyList<Waste> Of(WeekPlan plan) =>
        [
            .. plan
                .Containers.SelectMany(box =>
                    box.Life.DistinctBy(said => said.Id)
                        .Where(said => said.Kind == BoxEventKind.Discarded && plan.Holds(said.On))
                        .Select(said => (box.Batch, box.Lot, said.Reason, said.Portions))
                )
                .GroupBy(one => (one.Batch, one.Lot, one.Reason))
                .Select(of => (Batch: plan.BatchWithId(of.Key.Batch), of.Key, Portions: of.Sum(one => one.Portions)))
                .Where(of => of.Batch is not null)
                .Select(of => new Waste(of.Batch!, of.Batch!.Lots.First(lot => lot.Id == of.Key.Lot), of.Portions, of.Key.Reason))
                .OrderBy(one => one.Batch.Cooked)
                .ThenBy(one => one.Batch.Letter, StringComparer.Ordinal)
                .ThenBy(one => one.Reason, StringComparer.Ordinal),
        ];
}

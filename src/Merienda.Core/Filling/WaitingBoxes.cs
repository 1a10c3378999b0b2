using System.Globalization;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;

namespace Merienda.Core.Filling;

/// <summary>A box that stands somewhere from the day it is filled until it is eaten.</summary>
/// <param name="Until">The last date it stands; far away for what nobody has planned yet.</param>
public sealed record WaitingBox(DateOnly Filled, DateOnly Until, bool IsFrozen);

/// <summary>How many boxes stand at once, against what the kitchen has.</summary>
public static class WaitingBoxes
{
    /// <param name="isPlaced">Whether a box that is still to be filled is one: loose ones are not while somebody seeks a meal for them.</param>
    public static IEnumerable<WaitingBox> Of(WeekPlan plan, Func<PlannedBox, bool> isPlaced)
    {
        foreach (var box in plan.Batches.Where(batch => batch.PortionedOn is null).SelectMany(plan.BoxesOf).Where(isPlaced))
        {
            yield return new(box.Batch.Cooked, box.Cell?.Date ?? DateOnly.MaxValue, box.KeptIn == KeptIn.Freezer);
        }

        var eaten = plan
            .Servings.SelectMany(serving => serving.Draws, (serving, draw) => (serving.Cell.Date, draw.Container))
            .ToLookup(one => one.Container, one => one.Date);
        foreach (var (box, state) in plan.Containers.Select(box => (box, plan.StateOf(box))).Where(one => one.Item2.Place != BoxPlace.Gone))
        {
            yield return new(DateOnly.MinValue, eaten[box.Id].DefaultIfEmpty(DateOnly.MaxValue).Max(), state.Place == BoxPlace.Freezer);
        }
    }

    /// <summary>What is too much after a session, of those that are still to come.</summary>
    public static IEnumerable<RoomLack> Lacks(this Kitchen kitchen, IReadOnlyList<WaitingBox> boxes, DateOnly today)
    {
        var (freezer, all) = kitchen.Room();
        foreach (var date in boxes.Select(box => box.Filled).Where(date => date >= today).Distinct().Order())
        {
            var there = boxes.Where(box => box.Filled <= date && box.Until >= date).ToList();
            var (frozen, name) = (there.Count(box => box.IsFrozen), date.ToString("dddd", CultureInfo.InvariantCulture));
            if (frozen > freezer)
            {
                yield return new(
                    date,
                    $"The freezer has room for {Many(freezer.Value, "box", "boxes")}, and {frozen} would be in it after {name}'s session."
                );
            }

            if (there.Count > all)
            {
                yield return new(
                    date,
                    $"There {(all == 1 ? "is" : "are")} {Many(all.Value, "container", "containers")}, and {there.Count} would be full after {name}'s session."
                );
            }
        }
    }

    private static string Many(int count, string one, string many) => count == 1 ? $"1 {one}" : $"{count} {many}";
}

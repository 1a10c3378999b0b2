using Merienda.Core.Recipes;
using Merienda.Core.Sessions;

namespace Merienda.Core.Planning;

/// <summary>Which steps of a dish are done in one pot, pan, tray, mould or bowl, and which of a kitchen's would do.</summary>
internal static class VesselStays
{
    private static readonly string[] Kinds = ["pot", "pan", "tray", "mould", "bowl"];

    /// <summary>Those of a known size: of others nobody knows what they hold, so nothing waits for them.</summary>
    public static IReadOnlyList<KitchenItem> VesselsOf(Kitchen kitchen) =>
        [.. kitchen.Items.Where(item => Kinds.Contains(item.Kind) && VesselFit.Holds(item, foams: false) is not null)];

    /// <summary>
    /// Stays in the order of the recipe. A step that goes on with what stands in a vessel stays in it; what goes into none that is there, or
    /// cannot be weighed, is passed over.
    /// </summary>
    public static IReadOnlyList<DishStay> Of(CookedDish dish, IReadOnlyList<KitchenItem> vessels)
    {
        var steps = dish.Steps.Where(step => step.Round == 1).ToList();
        var stays = new List<(List<string> Tasks, HashSet<Guid> Lines, IReadOnlyList<int> Vessels)>();
        foreach (var step in steps.Where(step => step.Rounds == 1))
        {
            var takes = VesselFit.InIt(step, steps);
            var holding = Holding(step.Task, takes, vessels);
            if (takes.Count == 0 || holding.Count == 0)
            {
                continue;
            }

            var (added, all) = (LinesOf(step.Takes.Where(take => take.Times > 0)), LinesOf(takes));
            var same = stays.FindLastIndex(stay =>
                stay.Lines.Any(line => all.Contains(line) && !added.Contains(line)) && stay.Vessels.Intersect(holding).Any()
            );
            if (same < 0)
            {
                stays.Add(([step.Task.Id], all, holding));
            }
            else
            {
                var stay = stays[same];
                stay.Tasks.Add(step.Task.Id);
                stay.Lines.UnionWith(all);
                stays[same] = stay with { Vessels = [.. holding.Intersect(stay.Vessels)] };
            }
        }

        return [.. stays.Select(stay => new DishStay(stay.Tasks, stay.Vessels))];
    }

    private static HashSet<Guid> LinesOf(IEnumerable<StepTake> takes) => [.. takes.Select(take => take.Line.Typed.Id)];

    private static List<int> Holding(PrepTask task, IReadOnlyList<StepTake> takes, IReadOnlyList<KitchenItem> vessels)
    {
        var (volume, kinds) = (VesselFit.VolumeOf(task, takes), VesselFit.KindsFor(task, takes));
        return volume.IsOpen || volume.Best == 0
            ? []
            :
            [
                .. Enumerable
                    .Range(0, vessels.Count)
                    .Where(at => kinds.Contains(vessels[at].Kind) && VesselFit.IsLikelyIn(vessels[at], volume, takes))
                    .OrderBy(at => Array.IndexOf(kinds, vessels[at].Kind))
                    .ThenBy(at => VesselFit.Holds(vessels[at], foams: false)),
            ];
    }
}

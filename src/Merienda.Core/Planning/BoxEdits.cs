using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Planning;

/// <summary>What a cook says became of a box.</summary>
/// <param name="Id">Given by the client.</param>
/// <param name="Portions">What was eaten, given or thrown away; null for what its meal takes, or all that is left.</param>
public sealed record BoxSaid(Guid Id, BoxEventKind Kind, DateTimeOffset At, decimal? Portions, string Reason)
{
    /// <summary>
    /// What a device says whose clock is up to a day ahead happened now: else what is said next of the box would stand before it.
    /// </summary>
    public BoxSaid Heard(DateTimeOffset now) => At > now && At <= now.AddDays(1) ? this with { At = now } : this;
}

/// <summary>The life of boxes.</summary>
public static class BoxEdits
{
    /// <summary>Characters.</summary>
    public const int LongestReason = 120;

    /// <summary>Days after which nobody tells any more what became of a box.</summary>
    public const int OldestDays = 400;

    /// <param name="on">Local date of what is said.</param>
    /// <param name="now">The moment it is decided.</param>
    /// <param name="at">The thing of a meal that is eaten of it; null for the next one that waits for it.</param>
    public static Result<WeekPlan> Tell(this WeekPlan plan, Guid boxId, BoxSaid said, DateOnly on, DateTimeOffset now, Draw? at = null)
    {
        if (plan.BoxWithId(boxId) is not { } box || plan.BatchWithId(box.Batch) is not { } batch)
        {
            return Gone(boxId, "there is no such box");
        }

        if (box.Life.Any(one => one.Id == said.Id))
        {
            return plan;
        }

        var state = box.State(batch);
        var draw = at ?? (said.Kind == BoxEventKind.Eaten ? plan.WaitingFor(batch, box).FirstOrDefault() : null);
        var left = draw is null ? state.Left : (draw.Parts ?? box.Parts ?? batch.Parts).Min(box.LeftOf);
        if ((Wrong(said, now) ?? Impossible(batch, box, state, left, said, on)) is { } refusal)
        {
            return refusal;
        }

        var portions = said.Kind is BoxEventKind.ToFridge or BoxEventKind.Frozen
            ? 0
            : said.Portions ?? (draw is null ? left : Math.Min(left, plan.PortionsOf(batch, draw)));
        var happened = new BoxEvent(said.Id, said.Kind, said.At, on, portions, draw?.Id, said.Reason.Trim()) { Parts = draw?.Parts };
        var told = plan with
        {
            Containers = [.. plan.Containers.Select(one => one == box ? one with { Life = [.. one.Life, happened] } : one)],
        };
        var open = told.WithoutWhatIsGone(batch, boxId);
        return draw is null ? open : open.Eaten(draw, portions < plan.PortionsOf(batch, draw));
    }

    /// <summary>Meals that wait for a box, the next one first.</summary>
    private static IEnumerable<Draw> WaitingFor(this WeekPlan plan, Batch batch, Container box) =>
        plan.DrawsOf(batch.Id)
            .Where(item => item.Draw.Container == box.Id && !box.IsSettled(item.Draw.Id))
            .OrderBy(item => item.Serving.Cell.Date)
            .ThenBy(item => item.Draw.Id)
            .Select(item => item.Draw);

    /// <summary>A meal whose boxes are all eaten is eaten.</summary>
    private static WeekPlan Eaten(this WeekPlan plan, Draw draw, bool isPart)
    {
        var serving = plan.Find(draw.Id)!.Value.Serving;
        return serving.Draws.Where(one => !one.IsLeftOut).All(one => plan.BoxWithId(one.Container)?.IsSettled(one.Id) == true)
                ? plan.Replace(
                    serving,
                    serving with
                    {
                        State = isPart || serving.State == ServingState.Partly ? ServingState.Partly : ServingState.Eaten,
                    }
                )
            : isPart ? plan.Replace(serving, serving with { State = ServingState.Partly })
            : plan;
    }

    /// <summary>Meals that waited for what is gone are open again, the latest first.</summary>
    private static WeekPlan WithoutWhatIsGone(this WeekPlan plan, Batch batch, Guid boxId)
    {
        var box = plan.BoxWithId(boxId)!;
        var waiting = plan.WaitingFor(batch, box).Reverse().ToList();
        foreach (var draw in waiting)
        {
            if ((box.Parts ?? batch.Parts).All(part => plan.Waiting(batch, box, part) <= box.LeftOf(part)))
            {
                break;
            }

            var serving = plan.Find(draw.Id)!.Value.Serving;
            plan = plan.Replace(serving, serving with { Items = [.. serving.Items.Where(item => item.Id != draw.Id)] });
        }

        return plan;
    }

    private static Refusal? Wrong(BoxSaid said, DateTimeOffset now) =>
        said switch
        {
            { Kind: BoxEventKind.Made or BoxEventKind.Gone } => new(
                "unknown-event",
                "kind",
                $"{said.Kind}",
                "that is not said of a box",
                "Say eaten, given, discarded, frozen or toFridge"
            ),
            _ when said.At > now.AddDays(1) || said.At < now.AddDays(-OldestDays) => new(
                "time-out-of-range",
                "at",
                $"{said.At:O}",
                $"it happened in the last {OldestDays} days",
                "Set the clock of this device"
            ),
            { Reason.Length: > LongestReason } => new(
                "reason-length",
                "reason",
                said.Reason,
                $"a reason has at most {LongestReason} characters",
                "Shorten it"
            ),
            { Portions: <= 0 } => new("size-out-of-range", "portions", $"{said.Portions}", "it is above nothing", "Type how many portions"),
            _ => null,
        };

    private static Refusal? Impossible(Batch batch, Container box, BoxState state, decimal left, BoxSaid said, DateOnly on) =>
        (said.Kind, state.Place) switch
        {
            (_, BoxPlace.Gone) => Gone(box.Id, $"it is gone since {state.GoneOn:yyyy-MM-dd}"),
            (BoxEventKind.Frozen, BoxPlace.Freezer) or (BoxEventKind.ToFridge, BoxPlace.Fridge) => new(
                "already-there",
                "kind",
                $"{said.Kind}",
                "it stands there already",
                "Go on"
            ),
            (BoxEventKind.Frozen, _) when state.ThawedOn is { } thawed => new(
                "never-refrozen",
                "kind",
                $"thawed {thawed:yyyy-MM-dd}",
                "what was thawed is never frozen again",
                "Eat it within its time"
            ),
            (BoxEventKind.Frozen, _) when batch.KeepingOf(box.Parts) is { Freezes: false } keeping => new(
                "does-not-freeze",
                "kind",
                batch.Letter,
                $"it does not freeze: {keeping.Name.ToLowerInvariant()}",
                "Eat it in its time, or give it away"
            ),
            (BoxEventKind.Frozen, _) when batch.KeepingOf(box.Parts) is { } keeping && state.EatBy(keeping) < on => new(
                "past-its-time",
                "kind",
                $"{state.EatBy(keeping):yyyy-MM-dd}",
                "its time in the fridge is over, and freezing does not turn the clock back",
                "Throw it away"
            ),
            _ when said.Portions > left => new(
                "box-has-less",
                "portions",
                $"{said.Portions:0.##}",
                $"{left:0.##} portions are left in it",
                "Say that much, or all of it"
            ),
            _ => null,
        };

    internal static Refusal Gone(Guid boxId, string reason) =>
        new("box-gone", "box", boxId.ToString(), reason, "Look at the Shelf as it is now");
}

using System.Globalization;
using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Planning;

/// <summary>What was eaten of one thing of a meal.</summary>
/// <param name="Share">Of what was planned, 0 (left out) to 3 of what was bought, to 1 of a share of a batch; null takes back what was said.</param>
public sealed record EatenOf(Guid Item, decimal? Share);

/// <summary>When something was eaten, with its local date.</summary>
public readonly record struct Moment(DateTimeOffset At, DateOnly On)
{
    /// <summary>When it is decided.</summary>
    public DateTimeOffset Now { get; init; } = At;
}

/// <summary>The day as it goes: what was eaten, what was left out, and what was eaten besides.</summary>
public static class LogEdits
{
    /// <summary>Most of a bought thing, in times of what was planned.</summary>
    public const decimal MostShare = 3;

    /// <summary>Portions by which a box may be short of what was to go in: its grams are whole.</summary>
    private const decimal Crumb = 0.001m;

    /// <summary>Says what was eaten of things of one meal; boxes are told of it, and those of a batch that has none yet are filled.</summary>
    /// <param name="kinds">The kitchen's containers.</param>
    public static Result<WeekPlan> Log(
        this WeekPlan plan,
        Cell cell,
        IReadOnlyList<EatenOf> eaten,
        IReadOnlyList<ContainerKind> kinds,
        Moment now,
        Func<Guid> newId
    )
    {
        if (plan.WrongCell(null, cell) is { } refusal)
        {
            return refusal;
        }

        var logged = (Result<WeekPlan>)plan;
        foreach (var one in eaten)
        {
            logged = logged.IsRefused ? logged : logged.Value.Log(cell, one, kinds, now, newId);
        }

        return logged.IsRefused || logged.Value.At(cell) is not { } serving ? logged : logged.Value.Settled(serving);
    }

    /// <summary>Something bought that was eaten besides. It is a fact, so that not even an allergy refuses it: the day says what it breaks.</summary>
    public static Result<WeekPlan> LogExtra(this WeekPlan plan, Cell cell, ReadyFood food, Func<Guid> newId) =>
        plan.WrongCell(null, cell) is { } refusal ? refusal : plan.Put(cell, food with { IsExtra = true, Eaten = 1 }, newId);

    /// <summary>Some of a box that was eaten besides. Meals that waited for more than is left of it are open again.</summary>
    /// <param name="portions">Null for all that is left in it.</param>
    public static Result<WeekPlan> LogBox(
        this WeekPlan plan,
        Cell cell,
        (Guid Batch, Guid Box) from,
        decimal? portions,
        IReadOnlyList<ContainerKind> kinds,
        Moment now,
        Func<Guid> newId
    )
    {
        if (plan.BatchWithId(from.Batch) is not { } batch)
        {
            return WeekEdits.BatchGone(from.Batch);
        }

        if (plan.WrongCell(batch, cell) is { } refusal)
        {
            return refusal;
        }

        var boxed = plan.BoxWithId(from.Box) is null ? plan.Boxed(batch, kinds, now, newId) : plan;
        if (boxed.IsRefused || boxed.Value.BoxWithId(from.Box) is not { } box)
        {
            return boxed.IsRefused ? boxed : BoxEdits.Gone(from.Box, "there is no such box");
        }

        plan = boxed.Value;
        var left = plan.StateOf(box).Left;

        // One that is gone is refused by the box itself, with when it went.
        var draw = new Draw(newId(), batch.Id, box.Lot, new(portions ?? Math.Max(left, Batch.SmallestSize)))
        {
            Parts = box.Parts,
            Container = box.Id,
            IsExtra = true,
        };
        return plan.Put(cell, draw, newId)
            .Tell(box.Id, new(newId(), BoxEventKind.Eaten, now.At, portions, ""), now.On, now.Now, draw)
            .Select(told => told.Settled(told.At(cell)!));
    }

    /// <summary>Loose portions of a batch that were eaten besides, out of the box that must go soonest.</summary>
    /// <param name="lots">Those it may come from, the one to take first in front.</param>
    public static Result<WeekPlan> LogLoose(
        this WeekPlan plan,
        Cell cell,
        Guid batchId,
        IReadOnlyList<Guid> lots,
        decimal portions,
        IReadOnlyList<ContainerKind> kinds,
        Moment now,
        Func<Guid> newId
    )
    {
        var placed = plan.Place(batchId, cell, portions, newId, null, lots);
        if (placed.IsRefused)
        {
            return placed;
        }

        var draw = placed.Value.At(cell)!.Items[^1];
        return placed.Value.With(cell, draw with { IsExtra = true }).Log(cell, [new(draw.Id, 1)], kinds, now, newId);
    }

    private static Result<WeekPlan> Log(
        this WeekPlan plan,
        Cell cell,
        EatenOf eaten,
        IReadOnlyList<ContainerKind> kinds,
        Moment now,
        Func<Guid> newId
    )
    {
        if (plan.At(cell)?.Items.FirstOrDefault(item => item.Id == eaten.Item) is not { } item)
        {
            return WeekEdits.ItemGone(eaten.Item);
        }

        var most = item is Draw ? 1 : MostShare;
        if (eaten.Share < 0 || eaten.Share > most)
        {
            return new Refusal(
                "log-share-out-of-range",
                "share",
                $"{eaten.Share:0.##}",
                $"of {plan.NameOf(item)}, 0 to {most:0} times what was planned can be said to be eaten",
                "Say another share; what was eaten besides is added to the meal"
            );
        }

        return item is Draw draw ? plan.LogDraw(cell, draw, eaten.Share, kinds, now, newId)
            // What nobody planned and nobody ate is not there.
            : item.IsExtra && eaten.Share is null or 0 ? plan.Without(cell, item)
            : plan.With(cell, item with { Eaten = eaten.Share });
    }

    private static Result<WeekPlan> LogDraw(
        this WeekPlan plan,
        Cell cell,
        Draw draw,
        decimal? share,
        IReadOnlyList<ContainerKind> kinds,
        Moment now,
        Func<Guid> newId
    )
    {
        var batch = plan.BatchWithId(draw.Batch)!;
        var back = plan.Uneaten(batch, cell, draw, newId);
        if (back.IsRefused)
        {
            return back;
        }

        if (draw.IsExtra && share is null or 0)
        {
            return back.Value.Without(cell, draw);
        }

        if (share is null)
        {
            return
                back.Value.BoxWithId(draw.Container) is { } box
                && (draw.Parts ?? batch.PartsOf(batch.LotOf(draw))).Any(part => back.Value.Waiting(batch, box, part) > box.LeftOf(part))
                ? WeekEdits.NothingLoose(batch, "share", batch.Letter, "what was left in its box is gone by now")
                : back;
        }

        if (share == 0)
        {
            return back.Value.With(cell, draw with { Eaten = 0, Container = null });
        }

        var boxed = draw.Container is null ? back.Value.Boxed(batch, kinds, now, newId) : back;
        if (boxed.IsRefused)
        {
            return boxed;
        }

        var eaten = (Draw)boxed.Value.Find(draw.Id)!.Value.Item;
        var portions = WeekPlan.PlannedPortionsOf(batch, eaten) * share.Value;
        // A share in grams fills its box a little short of what it would be.
        var most = (eaten.Parts ?? batch.PartsOf(batch.LotOf(eaten))).Min(boxed.Value.BoxWithId(eaten.Container)!.LeftOf);
        return boxed.Value.Tell(
            eaten.Container!.Value,
            new(newId(), BoxEventKind.Eaten, now.At, portions - most is > 0 and < Crumb ? most : portions, ""),
            now.On,
            now.Now,
            eaten
        );
    }

    /// <summary>A batch that has no boxes yet is in them now; one that is still to be cooked can't have been eaten.</summary>
    private static Result<WeekPlan> Boxed(
        this WeekPlan plan,
        Batch batch,
        IReadOnlyList<ContainerKind> kinds,
        Moment now,
        Func<Guid> newId
    ) =>
        batch.PortionedOn is not null ? plan
        : batch.Cooked > now.On
            ? new Refusal(
                "not-cooked-yet",
                "date",
                $"{now.On:yyyy-MM-dd}",
                $"{batch.Letter} is cooked on {batch.Cooked.ToString("dddd d MMMM", CultureInfo.InvariantCulture)}",
                "Fill its boxes first, if it is cooked already"
            )
        : plan.Portion(batch.Id, kinds, (now.At, now.On), newId);

    /// <summary>As if nobody had said anything of a draw: its box has again what was eaten of it, or it takes some of what is loose again.</summary>
    private static Result<WeekPlan> Uneaten(this WeekPlan plan, Batch batch, Cell cell, Draw draw, Func<Guid> newId)
    {
        if (!draw.IsLeftOut)
        {
            return draw.Container is not { } id
                ? plan
                : plan with
                {
                    Containers =
                    [
                        .. plan.Containers.Select(box =>
                            box.Id == id ? box with { Life = [.. box.Life.Where(said => said.Draw != draw.Id)] } : box
                        ),
                    ],
                };
        }

        var ids = new Queue<Guid>([draw.Id]);
        var size = WeekPlan.PlannedPortionsOf(batch, draw);
        var placed = plan.Without(cell, draw)
            .Place(batch.Id, cell, size, () => ids.TryDequeue(out var first) ? first : newId(), draw.Parts, [draw.Lot]);
        return
            placed.IsRefused
            || placed.Value.PortionsOf(batch, (Draw)placed.Value.Find(draw.Id)!.Value.Item) >= Math.Min(size, Batch.LargestSize)
            ? placed
            : WeekEdits.NothingLoose(batch, "share", batch.Letter, $"less than {size:0.##} portions of it are loose by now");
    }

    private static WeekPlan Without(this WeekPlan plan, Cell cell, ServingItem item) =>
        plan.At(cell) is { } serving
            ? plan.Replace(serving, serving with { Items = [.. serving.Items.Where(one => one.Id != item.Id)] })
            : plan;

    private static WeekPlan With(this WeekPlan plan, Cell cell, ServingItem changed) =>
        plan.At(cell) is { } serving
            ? plan.Replace(serving, serving with { Items = [.. serving.Items.Select(item => item.Id == changed.Id ? changed : item)] })
            : plan;
}

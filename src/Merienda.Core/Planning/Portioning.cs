using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Planning;

/// <summary>Planned boxes become real ones, and what the scale shows is shared among them.</summary>
public static class Portioning
{
    public const int MostGrams = 100_000;

    /// <summary>Fills a batch's boxes: one for each draw and each loose portion, into fridge or freezer as planned.</summary>
    /// <param name="kinds">The kitchen's containers.</param>
    /// <param name="now">The moment, with the household's local date.</param>
    public static Result<WeekPlan> Portion(
        this WeekPlan plan,
        Guid batchId,
        IReadOnlyList<ContainerKind> kinds,
        (DateTimeOffset At, DateOnly Today) now,
        Func<Guid> newId
    )
    {
        if (plan.BatchWithId(batchId) is not { } batch)
        {
            return WeekEdits.BatchGone(batchId);
        }

        if (batch.PortionedOn is { } day)
        {
            return new Refusal("already-portioned", "batch", batch.Letter, $"its boxes were filled on {day:yyyy-MM-dd}", "Go on");
        }

        // Who cooks a day early starts the clocks that day; who writes it down late does not turn them back.
        var made = now.Today < batch.Cooked ? now.Today : batch.Cooked;
        var choice = new ContainerChoice(kinds, plan.Containers.Where(box => plan.StateOf(box).Place != BoxPlace.Gone));
        var boxes = plan.BoxesOf(batch).Select(box => Fill(batch, box, made, choice, now, newId)).ToList();
        var filled = boxes.ToDictionary(box => box.Id);
        return (plan with { Containers = [.. plan.Containers, .. boxes] })
            .With(batch, batch with { PortionedOn = now.Today })
            .WithDraws(batchId, draw => draw.IsLeftOut ? draw : Boxed(draw, filled));
    }

    /// <summary>
    /// What a part weighs is shared among its boxes in the ratio of what is in them by portions and recipe, in whole grams; the crumbs are
    /// over.
    /// </summary>
    public static Result<WeekPlan> Weigh(this WeekPlan plan, Guid batchId, PartYield yield)
    {
        if (plan.BatchWithId(batchId) is not { } batch)
        {
            return WeekEdits.BatchGone(batchId);
        }

        if (Wrong(batch, yield) is { } refusal)
        {
            return refusal;
        }

        // A share that was said in grams is what went into its box by now: the ratio of the boxes stays.
        var shared = plan.WithDraws(batchId, draw => draw.Size.IsInGrams ? plan.InPortions(batch, draw) : draw);
        decimal ShareOf(Container box) => box.Portions * batch.ShareOf(batch.LotOf(box), yield.Part);
        var all = shared.ContainersOf(batchId).Where(box => box.Holds(yield.Part)).Sum(ShareOf);
        return shared.With(batch, batch with { Yields = [.. batch.Yields.Where(one => one.Part != yield.Part), yield] }) with
        {
            Containers =
            [
                .. shared.Containers.Select(box =>
                    box.Batch == batchId && box.Holds(yield.Part)
                        ? box with
                        {
                            Grams =
                            [
                                .. (box.Parts ?? batch.Parts).Select(
                                    (part, at) =>
                                        part == yield.Part && all > 0
                                            ? Math.Floor(yield.NetG * ShareOf(box) / all)
                                            : box.Grams.ElementAtOrDefault(at)
                                ),
                            ],
                        }
                        : box
                ),
            ],
        };
    }

    /// <summary>Grams of a weighed part that no box got.</summary>
    public static decimal Over(this WeekPlan plan, Batch batch, PartYield yield) =>
        yield.NetG
        - plan.ContainersOf(batch.Id)
            .Sum(box =>
                (box.Parts ?? batch.Parts).Select((part, at) => part == yield.Part ? box.Grams.ElementAtOrDefault(at) ?? 0 : 0).Sum()
            );

    private static Container Fill(
        Batch batch,
        PlannedBox box,
        DateOnly made,
        ContainerChoice choice,
        (DateTimeOffset At, DateOnly Today) now,
        Func<Guid> newId
    )
    {
        var isFrozen =
            batch.KeepingOf(box.Parts) is { } keeping
            && KeepingPlan.For(keeping, made, box.Cell?.Date, box.IsFrozen).KeptIn == KeptIn.Freezer;
        var portions = Math.Max(0.0001m, Math.Round(box.Portions, 4, MidpointRounding.ToZero));
        var grams = (box.Parts ?? batch.Parts)
            .Select(part => batch.GramsOf(box.Lot, part) is { } each ? (decimal?)Math.Floor(each * portions) : null)
            .ToList();
        var kind = choice.Take(grams.Aggregate((decimal?)0, (sum, one) => sum + one), isFrozen);
        return new(
            box.Id,
            batch.Id,
            box.Lot.Id,
            box.Number,
            portions,
            [
                new(newId(), BoxEventKind.Made, now.At, made, 0, null, ""),
                .. isFrozen ? [new BoxEvent(newId(), BoxEventKind.Frozen, now.At, made, 0, null, "")] : Array.Empty<BoxEvent>(),
            ]
        )
        {
            Parts = box.Parts,
            Grams = grams,
            Kind = kind?.Name ?? "",
            Material = kind?.Material ?? "",
        };
    }

    private static Draw Boxed(Draw draw, Dictionary<Guid, Container> filled) =>
        draw with
        {
            Container = draw.Id,
            Size = draw.Size.IsInGrams ? new(filled[draw.Id].Portions) : draw.Size,
        };

    private static Draw InPortions(this WeekPlan plan, Batch batch, Draw draw) =>
        draw with
        {
            Size = new(Math.Round(draw.Size.Amount / batch.GramsPerPortion(batch.LotOf(draw))!.Value, 4, MidpointRounding.ToZero)),
        };

    private static Refusal? Wrong(Batch batch, PartYield yield) =>
        yield switch
        {
            _ when !batch.Parts.Contains(yield.Part) => new(
                "unknown-part",
                "part",
                yield.Part,
                $"{batch.Letter} has no such part",
                $"Weigh one of {string.Join(", ", batch.Parts.Select(part => part.Length == 0 ? "the main part" : part))}"
            ),
            _ when batch.PortionedOn is null => new(
                "not-portioned",
                "batch",
                batch.Letter,
                "there are no boxes yet to share it among",
                "Portion it first"
            ),
            { GrossG: < 1 or > MostGrams } => new(
                "weight-out-of-range",
                "grossG",
                $"{yield.GrossG}",
                $"a scale shows 1 to {MostGrams} g",
                "Type what the scale shows, in grams"
            ),
            { TareG: < 0 } => new(
                "weight-out-of-range",
                "tareG",
                $"{yield.TareG}",
                "a vessel weighs nothing or more",
                "Type its weight in grams"
            ),
            { NetG: < 1 } => new(
                "tare-too-large",
                "tareG",
                $"{yield.TareG}",
                $"the vessel would weigh as much as everything, {yield.GrossG} g",
                "Weigh the vessel empty, or type 0 when the scale was set to zero before"
            ),
            { Vessel.Length: > 60 } => new("name-length", "vessel", yield.Vessel, "a name has at most 60 characters", "Shorten it"),
            _ => null,
        };
}

using System.Globalization;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Planning;

/// <summary>What is drawn from batches: the plan as it is then, or why not. What is drawn never exceeds what is cooked.</summary>
public static class WeekEdits
{
    /// <summary>Draws a portion for a cell, of the wanted size as far as loose portions go; a last smaller rest is taken whole.</summary>
    /// <param name="wanted">Portions; taken to the nearest step.</param>
    /// <param name="newId">Gives the draw its id first; then, when nothing stood there, the meal its own.</param>
    /// <param name="parts">Parts that are taken; null for the whole dish.</param>
    /// <param name="lots">Those of its lots that it may come from, the one to take first in front; null for all, the fullest first.</param>
    public static Result<WeekPlan> Place(
        this WeekPlan plan,
        Guid batchId,
        Cell cell,
        decimal wanted,
        Func<Guid> newId,
        IReadOnlyList<string>? parts = null,
        IReadOnlyList<Guid>? lots = null
    )
    {
        if (plan.BatchWithId(batchId) is not { } batch)
        {
            return BatchGone(batchId);
        }

        if ((plan.WrongCell(batch, cell) ?? UnknownPart(batch, parts)) is { } refusal)
        {
            return refusal;
        }

        var from =
            lots?.Select(id => batch.Lots.FirstOrDefault(lot => lot.Id == id)).OfType<Lot>().ToList()
            ?? [.. batch.Lots.OrderByDescending(lot => (parts ?? batch.PartsOf(lot)).Min(part => plan.Loose(batch, lot, part)))];
        if (plan.Source(batch, from, parts, cell.Date, wanted) is not var (lot, box, loose))
        {
            var few = from.Count < batch.Lots.Count;
            return NothingLoose(
                batch,
                "batch",
                batch.Letter,
                parts is not null ? $"all of its {string.Join(" and ", parts)} is placed or gone"
                    : few ? $"all {from.Sum(one => one.Portions):0.##} portions of it that can stand there are placed or gone"
                    : $"all {batch.Portions:0.##} portions are placed or gone"
            );
        }

        var size = Math.Clamp(
            Math.Round(wanted / Batch.SmallestSize, MidpointRounding.AwayFromZero) * Batch.SmallestSize,
            Batch.SmallestSize,
            Batch.LargestSize
        );
        var draw = new Draw(newId(), batchId, lot, new(size <= loose ? size : Math.Min(1, loose))) { Parts = parts, Container = box?.Id };
        return plan.Put(cell, draw, newId);
    }

    /// <summary>
    /// Where a portion comes from: the first lot with something to give, or a box. Of boxes one that is good on that day, of the first lot
    /// there is one of, and holds enough: what must go soonest first, the freezer last.
    /// </summary>
    private static (Guid Lot, Container? Box, decimal Loose)? Source(
        this WeekPlan plan,
        Batch batch,
        List<Lot> lots,
        IReadOnlyList<string>? parts,
        DateOnly date,
        decimal wanted
    )
    {
        // Of one from which a part is left out, that part is not to be had.
        var having = lots.Where(lot => (parts ?? []).All(batch.PartsOf(lot).Contains)).ToList();
        IReadOnlyList<string> Taken(Lot lot) => parts ?? batch.PartsOf(lot);
        if (batch.PortionedOn is null)
        {
            return having
                .Select(lot =>
                    ((Guid, Container?, decimal)?)
                        (lot.Id, null, Math.Round(Taken(lot).Min(part => plan.Loose(batch, lot, part)), 2, MidpointRounding.ToZero))
                )
                .FirstOrDefault(lot => lot!.Value.Item3 > 0);
        }

        return plan.ContainersOf(batch.Id)
            .Select(box => (Box: box, Lot: having.FindIndex(lot => lot.Id == box.Lot), EatBy: EatBy(batch, box)))
            .Where(one => one.Lot >= 0)
            .Select(one => (one.Box, one.Lot, one.EatBy, Loose: plan.Rest(batch, one.Box, Taken(having[one.Lot]))))
            .Where(one => one.Loose > 0)
            .OrderBy(one => one.EatBy < date)
            .ThenBy(one => one.Lot)
            .ThenBy(one => one.Loose < wanted)
            .ThenBy(one => one.EatBy)
            .ThenBy(one => one.Box.Parts is null == parts?.Count < batch.Parts.Count)
            .ThenBy(one => one.Box.Number)
            .Select(one => ((Guid, Container?, decimal)?)(one.Box.Lot, one.Box, one.Loose))
            .FirstOrDefault();
    }

    private static DateOnly EatBy(Batch batch, Container box) =>
        batch.KeepingOf(box.Parts) is { } keeping ? box.State(batch).EatBy(keeping) ?? DateOnly.MaxValue : DateOnly.MaxValue;

    /// <param name="from">Where the one who moves it saw it; refused when it has gone elsewhere since.</param>
    /// <param name="to">The new cell, or null to take it back to the bench.</param>
    public static Result<WeekPlan> Move(this WeekPlan plan, Guid itemId, Cell from, Cell? to, Func<Guid> newId)
    {
        if (plan.Find(itemId) is not var (serving, item))
        {
            return ItemGone(itemId);
        }

        if (serving.Cell != from)
        {
            return new Refusal(
                "item-moved",
                "item",
                plan.NameOf(item),
                $"somebody moved it meanwhile: it is at {serving.Cell.Date.ToString("dddd", CultureInfo.InvariantCulture)}'s {plan.Rhythm.NameOf(serving.Cell.Meal)} by now",
                "Look at the board as it is now and try again"
            );
        }

        if (to is not null && item is { Eaten: not null } or { IsExtra: true })
        {
            return new Refusal(
                "eaten-already",
                "item",
                plan.NameOf(item),
                "somebody said what became of it",
                "Take that back in the Log first"
            );
        }

        var batch = item is Draw draw ? plan.BatchWithId(draw.Batch) : null;
        var without = plan.Replace(serving, serving with { Items = [.. serving.Items.Where(one => one.Id != itemId)] });
        return to is null ? without
            : plan.WrongCell(batch, to) is { } refusal ? refusal
            : without.Put(to, item, newId);
    }

    /// <summary>Makes a drawn portion larger or smaller; the difference comes from or goes back to what is loose.</summary>
    public static Result<WeekPlan> ChangeSize(this WeekPlan plan, Guid itemId, DrawSize from, DrawSize to)
    {
        if (plan.Find(itemId) is not var (serving, item) || item is not Draw draw)
        {
            return ItemGone(itemId);
        }

        var batch = plan.BatchWithId(draw.Batch)!;
        if (draw.Size != from)
        {
            return new Refusal(
                "item-changed",
                "size",
                Say(from),
                $"it is {Say(draw.Size)} by now",
                "Look at the board as it is now and try again"
            );
        }

        if (WrongSize(batch, batch.LotOf(draw), to) is { } refusal)
        {
            return refusal;
        }

        var box = plan.BoxWithId(draw.Container);
        if (draw.IsLeftOut || box?.IsSettled(draw.Id) == true)
        {
            return new Refusal("eaten-already", "size", Say(to), "somebody said what became of it", "Take that back in the Log first");
        }

        var (lot, parts) = (batch.LotOf(draw), draw.Parts ?? batch.PartsOf(batch.LotOf(draw)));
        var loose = box is null ? parts.Min(part => plan.Loose(batch, lot, part)) : plan.Rest(batch, box, parts);
        var changed = draw with { Size = to };
        return plan.PortionsOf(batch, changed) - plan.PortionsOf(batch, draw) > loose
            ? NothingLoose(
                batch,
                "size",
                Say(to),
                $"only {loose:0.##} portions of {batch.Letter} are loose{(box is null ? "" : " in its box")}"
            )
            : plan.Replace(serving, serving with { Items = [.. serving.Items.Select(one => one.Id == itemId ? changed : one)] });
    }

    /// <summary>The thing with this id and where it is; null when it is nowhere.</summary>
    public static (Serving Serving, ServingItem Item)? Find(this WeekPlan plan, Guid itemId) =>
        plan
            .Servings.SelectMany(serving => serving.Items.Select(item => ((Serving, ServingItem)?)(serving, item)))
            .FirstOrDefault(found => found!.Value.Item2.Id == itemId);

    /// <summary>As a sentence names a thing of a meal: "B", "150 g skyr".</summary>
    public static string NameOf(this WeekPlan plan, ServingItem item) =>
        item switch
        {
            Draw draw => plan.BatchWithId(draw.Batch)?.Letter ?? "?",
            ReadyFood food => food.Line.Read.Text.Trim(),
            _ => throw new InvalidOperationException($"{item} has no name."),
        };

    internal static WeekPlan Replace(this WeekPlan plan, Serving old, Serving changed) =>
        plan with
        {
            Servings = [.. plan.Servings.Select(serving => serving.Id == old.Id ? changed : serving)],
        };

    /// <summary>Puts a thing last into a meal.</summary>
    internal static WeekPlan Put(this WeekPlan plan, Cell cell, ServingItem item, Func<Guid> newId) =>
        plan.At(cell) is { } there
            ? plan.Replace(there, there with { Items = [.. there.Items, item] })
            : plan with
            {
                Servings = [.. plan.Servings, new Serving(newId(), cell, [item])],
            };

    /// <summary>Why nothing can stand there: another week, or a batch that is cooked later.</summary>
    public static Refusal? WrongCell(this WeekPlan plan, Batch? batch, Cell cell) =>
        !plan.Holds(cell.Date)
            ? new(
                "out-of-week",
                "date",
                $"{cell.Date:yyyy-MM-dd}",
                $"this week runs from {plan.Start:yyyy-MM-dd} to {plan.Start.AddDays(WeekPlan.Days - 1):yyyy-MM-dd}",
                "Open the week it is meant for"
            )
        : cell.Date < batch?.Cooked
            ? new(
                "not-cooked-yet",
                "date",
                $"{cell.Date:yyyy-MM-dd}",
                $"{batch.Letter} is cooked on {batch.Cooked.ToString("dddd", CultureInfo.InvariantCulture)}",
                "Place it on that day or later"
            )
        : null;

    private static Refusal? UnknownPart(Batch batch, IReadOnlyList<string>? parts) =>
        parts?.FirstOrDefault(part => !batch.Parts.Contains(part)) is { } unknown
            ? new(
                "unknown-part",
                "parts",
                unknown,
                $"{batch.Letter} has no such part",
                $"Take one of {string.Join(", ", batch.Parts.Select(part => part.Length == 0 ? "the main part" : part))}"
            )
        : parts is { Count: 0 } ? new("unknown-part", "parts", "", "nothing would be taken", "Name at least one part")
        : null;

    internal static Refusal? WrongSize(Batch batch, Lot lot, DrawSize size) =>
        size switch
        {
            { IsInGrams: false, Amount: >= Batch.SmallestSize and <= Batch.LargestSize } when size.Amount % Batch.SmallestSize == 0 => null,
            { IsInGrams: false } => new(
                "size-out-of-range",
                "size",
                $"{size.Amount:0.##}",
                $"a portion is between {Batch.SmallestSize} and {Batch.LargestSize} in steps of {Batch.SmallestSize}",
                "Choose a size in that range"
            ),
            _ when batch.GramsPerPortion(lot) is not { } weight => new(
                "weight-unknown",
                "size",
                $"{size.Amount:0.##} g",
                $"nobody knows what a portion of {batch.Letter} weighs",
                "Say portions, or give every line of the recipe a weight"
            ),
            _ when size.Amount < 1 || size.Amount > batch.GramsPerPortion(lot) * Batch.LargestSize => new(
                "size-out-of-range",
                "size",
                $"{size.Amount:0.##} g",
                $"a portion is between 1 g and {batch.GramsPerPortion(lot) * Batch.LargestSize:0} g",
                "Choose a size in that range"
            ),
            _ => null,
        };

    private static string Say(DrawSize size) => size.IsInGrams ? $"{size.Amount:0.#} g" : $"{size.Amount:0.##} portions";

    internal static Refusal NothingLoose(Batch batch, string field, string value, string reason) =>
        new("nothing-loose", field, value, reason, $"Cook more of {batch.Letter}, or make another portion of it smaller");

    public static Refusal BatchGone(Guid batchId) =>
        new(
            "batch-gone",
            "batch",
            batchId.ToString(),
            "somebody took it off the bench",
            "Look at the board as it is now; undo brings it back for the one who removed it"
        );

    public static Refusal ItemGone(Guid itemId) =>
        new("item-gone", "item", itemId.ToString(), "it is not on the board any more", "Look at the board as it is now and try again");
}

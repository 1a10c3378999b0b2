using System.Globalization;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Planning;

/// <summary>
/// A lot cooked in one prep session and the containers it fills. What was cooked is conserved: the sizes of all containers always add up
/// to <see cref="Portions"/>. Every change is a new batch or a refusal that says what to do instead.
/// </summary>
/// <param name="Letter">The tape letter.</param>
/// <param name="Cooked">Local date of the session.</param>
public sealed record Batch(Guid Id, string Letter, DateOnly Cooked, decimal Portions, IReadOnlyList<Container> Containers)
{
    public const decimal MostPortions = 60,
        SmallestSize = 0.25m,
        LargestSize = 4;

    /// <summary>Days; a year in the freezer is more than any keeping class allows (domain.md section 7).</summary>
    public const int LongestKept = 366;

    public decimal Placed => Containers.Where(box => box.Place is not null).Sum(box => box.Size);

    /// <summary>Eaten or thrown away outside the plan.</summary>
    public decimal Gone => Containers.Where(box => box.GoneOn is not null).Sum(box => box.Size);

    public decimal Loose => Portions - Placed - Gone;

    public static Result<Batch> Make(Guid id, string letter, DateOnly cooked, decimal portions, Func<Guid> newId) =>
        RefusePortions(portions) is { } refusal ? refusal : new Batch(id, letter, cooked, portions, []).WithLooseRefilled(newId);

    public Result<Batch> Resize(decimal portions, Func<Guid> newId)
    {
        if (RefusePortions(portions) is { } refusal)
        {
            return refusal;
        }

        var bound = Placed + Gone;
        return portions < bound
            ? new Refusal(
                "batch-too-small",
                "portions",
                $"{portions:0.##}",
                $"{bound:0.##} portions of {Letter} are already placed or gone",
                $"Take back {bound - portions:0.##} first, or cook at least {bound:0.##}"
            )
            : (this with { Portions = portions }).WithLooseRefilled(newId);
    }

    /// <summary>Puts the first loose container into a cell, of the wanted size as far as loose portions go.</summary>
    /// <param name="wanted">Portions; taken to the nearest step.</param>
    public Result<Batch> Place(Cell cell, Func<Guid> newId, decimal wanted = 1)
    {
        if (RefuseDate(cell.Date) is { } refusal)
        {
            return refusal;
        }

        var size = Math.Clamp(Math.Round(wanted / SmallestSize, MidpointRounding.AwayFromZero) * SmallestSize, SmallestSize, LargestSize);
        // The fullest loose box first, so that a leftover half is used up last.
        var box = Containers.Where(item => item.IsLoose).OrderByDescending(item => item.Size).ThenBy(item => item.Number).FirstOrDefault();
        return box is null
            ? new Refusal(
                "nothing-loose",
                "batch",
                Letter,
                $"all {Portions:0.##} portions are placed",
                "Cook more of it, or take a portion back"
            )
            : Replace(box, box with { Place = cell, Size = size - box.Size <= Loose - box.Size ? size : box.Size })
                .WithLooseRefilled(newId);
    }

    /// <param name="from">Where the one who moves it saw it; refused when it has gone elsewhere since.</param>
    /// <param name="to">The new cell, or null to take it back to the bench.</param>
    public Result<Batch> Move(Guid container, Cell from, Cell? to, Func<Guid> newId) =>
        Find(container) switch
        {
            null => NotThere(),
            { } box when box.Place != from => new Refusal(
                "container-moved",
                "container",
                $"{Letter} {box.Number}",
                $"somebody moved it meanwhile: it is {Where(box.Place)} by now",
                "Look at the board as it is now and try again"
            ),
            { } when to is not null && RefuseDate(to.Date) is { } refusal => refusal,
            { } box => Replace(box, box with { Place = to }).WithLooseRefilled(newId),
        };

    /// <summary>Makes a placed portion larger or smaller; the difference comes from or goes back to what is loose.</summary>
    public Result<Batch> ChangeSize(Guid container, decimal from, decimal to, Func<Guid> newId)
    {
        if (Find(container) is not { Place: not null } box)
        {
            return NotThere();
        }

        if (box.Size != from)
        {
            return new Refusal(
                "container-changed",
                "size",
                $"{from:0.##}",
                $"it is {box.Size:0.##} portions by now",
                "Look at the board as it is now and try again"
            );
        }

        if (to is < SmallestSize or > LargestSize || to % SmallestSize != 0)
        {
            return new Refusal(
                "size-out-of-range",
                "size",
                $"{to:0.##}",
                $"a portion is between {SmallestSize} and {LargestSize} in steps of {SmallestSize}",
                "Choose a size in that range"
            );
        }

        return to - from > Loose
            ? new Refusal(
                "nothing-loose",
                "size",
                $"{to:0.##}",
                $"only {Loose:0.##} portions of {Letter} are loose",
                "Cook more of it, or make another portion smaller"
            )
            : Replace(box, box with { Size = to }).WithLooseRefilled(newId);
    }

    private Refusal NotThere() =>
        new("container-gone", "container", Letter, "it is not in this batch any more", "Look at the board as it is now and try again");

    private static string Where(Cell? place) =>
        place is null ? "on the bench" : $"at {place.Date.ToString("dddd", CultureInfo.InvariantCulture)}'s {place.Meal}";

    private Refusal? RefuseDate(DateOnly date) =>
        date < Cooked
            ? new(
                "not-cooked-yet",
                "date",
                $"{date:yyyy-MM-dd}",
                $"{Letter} is cooked on {Cooked.ToString("dddd", CultureInfo.InvariantCulture)}",
                "Place it on that day or later"
            )
        : date.DayNumber - Cooked.DayNumber > LongestKept
            ? new(
                "too-far-ahead",
                "date",
                $"{date:yyyy-MM-dd}",
                $"that is more than {LongestKept} days after {Letter} is cooked, and nothing keeps so long",
                "Place it on an earlier day"
            )
        : null;

    private static Refusal? RefusePortions(decimal portions) =>
        portions is >= 1 and <= MostPortions && portions % SmallestSize == 0
            ? null
            : new(
                "portions-out-of-range",
                "portions",
                $"{portions:0.##}",
                $"a batch makes 1 to {MostPortions} portions in steps of {SmallestSize}",
                "Choose a number in that range"
            );

    private Container? Find(Guid container) => Containers.FirstOrDefault(box => box.Id == container);

    private Batch Replace(Container old, Container changed) =>
        this with
        {
            Containers = [.. Containers.Select(box => box == old ? changed : box)],
        };

    /// <summary>
    /// Fills the loose portions into whole boxes and at most one smaller one, keeping ids and numbers of boxes that stay.
    /// </summary>
    private Batch WithLooseRefilled(Func<Guid> newId)
    {
        var boxes = Containers.Where(box => !box.IsLoose).ToList();
        var spare = new Queue<Container>(Containers.Where(box => box.IsLoose).OrderBy(box => box.Number));
        for (var left = Loose; left > 0; left -= 1)
        {
            var size = Math.Min(1, left);
            boxes.Add(
                spare.TryDequeue(out var box)
                    ? box with
                    {
                        Size = size,
                    }
                    : new Container(newId(), FreeNumber(boxes.Concat(spare)), size, null)
            );
        }

        return this with
        {
            Containers = [.. boxes.OrderBy(box => box.Number)],
        };
    }

    private static int FreeNumber(IEnumerable<Container> boxes)
    {
        var taken = boxes.Select(box => box.Number).ToHashSet();
        return Enumerable.Range(1, taken.Count + 1).First(number => !taken.Contains(number));
    }
}

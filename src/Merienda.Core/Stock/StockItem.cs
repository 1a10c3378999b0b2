using Merienda.Core.Outcomes;

namespace Merienda.Core.Stock;

public enum StockPlace
{
    Pantry,
    Fridge,
    Freezer,
}

/// <summary>One thing that stands in pantry, fridge or freezer.</summary>
/// <param name="Food">Key of a food or a packet; null for what the table does not know.</param>
/// <param name="Amount">As typed: "2 tins".</param>
/// <param name="Grams">What is left, above zero; null when nobody knows its weight.</param>
/// <param name="MadeOn">Local date it was bought or made.</param>
/// <param name="BestBefore">The date printed on it.</param>
/// <param name="GoneOn">Local date it was used up; null while it is there.</param>
public sealed record StockItem(
    Guid Id,
    string? Food,
    string Name,
    string Amount,
    decimal? Grams,
    StockPlace Place,
    DateOnly MadeOn,
    DateOnly? OpenedOn,
    DateOnly? FrozenOn,
    DateOnly? ThawedOn,
    DateOnly? BestBefore,
    DateOnly? GoneOn
)
{
    public const decimal MostGrams = 1_000_000;

    /// <summary>Refuses what cannot stand on a shelf.</summary>
    /// <param name="today">The household's local date: nothing was bought after it.</param>
    public static Result<StockItem> Of(StockItem item, DateOnly today) =>
        item switch
        {
            _ when item.Name.Trim().Length is 0 or > 120 => new Refusal(
                "stock-name-length",
                "name",
                item.Name.Length > 60 ? item.Name[..60] : item.Name,
                "a thing in stock has a name of 1 to 120 characters",
                "Type for example: 500 g red lentils"
            ),
            _ when item.Amount.Length > 60 => new Refusal(
                "stock-amount-length",
                "amount",
                item.Amount[..60],
                "an amount has at most 60 characters",
                "Type for example: 2 tins"
            ),
            _ when item.Grams is <= 0 or > MostGrams => new Refusal(
                "stock-amount-out-of-range",
                "amount",
                $"{item.Grams} g",
                $"an amount in stock is above 0 and at most {MostGrams / 1000:0} kg",
                "Type what is there; what is gone is marked as used up"
            ),
            _ when item.MadeOn > today => new Refusal(
                "stock-date-in-future",
                "madeOn",
                $"{item.MadeOn:yyyy-MM-dd}",
                "it cannot have been bought or made after today",
                "Type today or an earlier date"
            ),
            _ => item with
            {
                Name = item.Name.Trim(),
                Amount = item.Amount.Trim(),
                Grams = item.Grams is { } grams ? Math.Max(0.1m, Math.Round(grams, 1, MidpointRounding.AwayFromZero)) : null,
            },
        };

    public Result<StockItem> Open(DateOnly today) =>
        OpenedOn is { } day
            ? new Refusal(
                "already-opened",
                "openedOn",
                $"{day:yyyy-MM-dd}",
                "it is open already",
                "Its clock runs since then and is not turned back"
            )
            : this with
            {
                OpenedOn = today,
            };

    /// <summary>Freezing late does not turn the clock back, and what was thawed is never frozen again (domain.md section 8).</summary>
    public Result<StockItem> Freeze(DateOnly today) =>
        this switch
        {
            { Place: StockPlace.Freezer } => new Refusal(
                "already-frozen",
                "place",
                $"{FrozenOn:yyyy-MM-dd}",
                "it is in the freezer already",
                "Go on"
            ),
            { ThawedOn: { } thawed } => new Refusal(
                "never-refrozen",
                "place",
                $"thawed {thawed:yyyy-MM-dd}",
                "what was thawed is never frozen again",
                "Use it within its time, or cook it: what is cooked of it may be frozen"
            ),
            _ => this with { Place = StockPlace.Freezer, FrozenOn = today },
        };

    public Result<StockItem> Move(StockPlace place, DateOnly today) =>
        (Place, place) switch
        {
            _ when Place == place => new Refusal("already-there", "place", $"{place}", "it stands there already", "Go on"),
            (_, StockPlace.Freezer) => Freeze(today),
            (StockPlace.Freezer, _) => this with { Place = StockPlace.Fridge, ThawedOn = today },
            _ => this with { Place = place },
        };

    public StockItem UsedUp(DateOnly today) => this with { GoneOn = today };
}

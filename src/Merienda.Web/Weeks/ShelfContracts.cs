using Merienda.Web.Hosting;

namespace Merienda.Web.Weeks;

/// <param name="Grams">Of what is left; null when nobody knows.</param>
public sealed record ShelfPart(string Name, decimal? Grams);

/// <summary>A container, planned or there.</summary>
/// <param name="Dish">With the variant that is in it.</param>
/// <param name="IsThere">False while it is planned: its batch is not portioned yet.</param>
/// <param name="IsEarlier">Of an earlier week.</param>
/// <param name="Size">Portions that are left in it.</param>
/// <param name="Place">The meal it waits for; null while it is loose.</param>
/// <param name="Container">The kitchen's container it is: "750 ml, glass"; empty when nobody knows.</param>
/// <param name="EatBy">Last day to eat it; of a loose one in the freezer, until when it is at its best.</param>
/// <param name="IsQuality">True when only its quality goes.</param>
/// <param name="FreezeBy">It is for a later day than it keeps: the last day on which it may still be frozen.</param>
public sealed record ShelfBox(
    Guid Id,
    Guid BatchId,
    string Letter,
    string Tape,
    string Dish,
    int Number,
    int Of,
    bool IsThere,
    bool IsEarlier,
    decimal Size,
    IReadOnlyList<ShelfPart> Parts,
    string Container,
    string? Eater,
    DateOnly MadeOn,
    BoardPlace? Place,
    Core.Keeping.KeptIn KeptIn,
    DateOnly EatBy,
    bool IsQuality,
    DateOnly? Thaw,
    DateOnly? FreezeBy,
    bool Freezes,
    string Reheating,
    string AtEating,
    string KeepingNote,
    IReadOnlyList<string> Allergens,
    bool HasUnknown,
    IReadOnlyList<ShownMeasure> Numbers
);

/// <summary>What was thrown away of a dish this week, for one reason.</summary>
/// <param name="Reason">Empty where nobody said.</param>
/// <param name="Cost">What went into it, in the household's money; null where nothing has a price.</param>
public sealed record ShelfWaste(string Tape, string Dish, decimal Portions, string Reason, decimal? Cost);

/// <param name="PricesSay">How far the cost of what was thrown away is to be trusted; empty where everything has a price.</param>
/// <param name="FreezerRoom">Boxes that go into the freezer in all; null where nobody said how large it is.</param>
public sealed record ShelfPage(
    DateOnly Start,
    DateOnly Today,
    IReadOnlyList<ShelfBox> Boxes,
    IReadOnlyList<ShelfWaste> Wasted,
    string PricesSay,
    int? FreezerRoom
);

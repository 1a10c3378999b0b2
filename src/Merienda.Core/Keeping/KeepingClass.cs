namespace Merienda.Core.Keeping;

/// <summary>
/// How long a kind of dish keeps: whole days in the fridge at 4 °C or below, counted from the local date of cooking, inclusive.
/// Values: US FSIS cold storage chart and FDA Food Code, from memory [M], unless marked [C].
/// </summary>
/// <param name="FreezerMonths">Months at best quality, or null when it does not freeze.</param>
/// <param name="Note">What the label and the sheet add; empty when nothing.</param>
public sealed record KeepingClass(string Key, string Name, int FridgeDays, int? FreezerMonths, string Note, string Source)
{
    private const string Chart = "US FSIS cold storage chart, FDA Food Code [M]";

    public static readonly IReadOnlyList<KeepingClass> All =
    [
        new("cooked", "Cooked meat, poultry, stews, soups, grains and vegetables", 4, 2, "", Chart + ": 3–4 days"),
        new(
            "cooked-rice",
            "Dishes with cooked rice",
            4,
            2,
            "Some agencies give cooked rice one day: cool it fast, in shallow boxes",
            Chart + ": 3–4 days"
        ),
        new("cooked-fish", "Cooked fish and shellfish", 3, 2, "Best within 2 days", Chart + "; best within 2 days [C]"),
        new("baked-egg", "Baked egg dishes", 3, 2, "Best within 2 days", Chart + "; best within 2 days [C]"),
        new("dressed-salad", "Dressed salads; egg, chicken, tuna and pasta salads", 4, null, "", Chart),
        new("hard-cooked-eggs", "Hard-cooked eggs, unpeeled", 7, null, "", Chart),
        new("soaked-oats", "Overnight oats and chia pots", 4, null, "", "common practice [C]"),
        new("cut-vegetables", "Washed cut vegetables and fruit", 4, null, "", "common practice [C]"),
        new("vinaigrette", "Vinaigrette without fresh garlic", 14, null, "", "common practice [C]"),
        new(
            "raw-marinating",
            "Raw meat, poultry or fish in its marinade, cooked later",
            1,
            3,
            "Cook it through when it comes out",
            Chart + ": raw poultry, mince and fish 1–2 days, also marinating"
        ),
        new("raw-batter", "Batter or dough with raw egg", 1, null, "Cook it through", Chart + ": 1–2 days"),
        new("herb-oil", "Home-made garlic or herb oil", 4, 3, "Always cold", Chart),
    ];

    /// <summary>Foods as they are bought, before anybody cooks them.</summary>
    public static readonly IReadOnlyList<KeepingClass> Raw =
    [
        new("raw-poultry", "Raw poultry", 1, 9, "", Chart + ": 1–2 days"),
        new("raw-mince", "Raw mince", 1, 3, "", Chart + ": 1–2 days"),
        new("raw-fish", "Raw fish and shellfish", 1, 3, "", Chart + ": 1–2 days"),
        new("raw-cut", "Raw cuts of beef, pork and lamb", 3, 4, "", Chart + ": 3–5 days"),
    ];

    /// <summary>
    /// How things of several kinds keep in one box: as many days as the shortest of them, frozen only where all of them freeze.
    /// </summary>
    /// <param name="kinds">At least one.</param>
    public static KeepingClass Shortest(IEnumerable<KeepingClass> kinds)
    {
        var all = kinds.Distinct().ToList();
        var shortest = all.MinBy(kind => kind.FridgeDays)!;
        return all.Count == 1
            ? shortest
            : shortest with
            {
                FreezerMonths = all.Exists(kind => !kind.Freezes) ? null : all.Min(kind => kind.FreezerMonths),
                Note = string.Join(". ", all.Select(kind => kind.Note).Where(note => note.Length > 0)),
            };
    }

    public bool Freezes => FreezerMonths is not null;

    /// <summary>A class of dishes, which a recipe may be of.</summary>
    public static KeepingClass? WithKey(string key) => All.FirstOrDefault(item => item.Key == key);

    /// <summary>A class of dishes or of foods as bought.</summary>
    public static KeepingClass? OfFood(string key) => WithKey(key) ?? Raw.FirstOrDefault(item => item.Key == key);

    /// <summary>The last local date on which a portion cooked on <paramref name="cooked"/> is eaten from the fridge.</summary>
    public DateOnly EatBy(DateOnly cooked) => FridgeClock.EatBy(FridgeDays, cooked);
}

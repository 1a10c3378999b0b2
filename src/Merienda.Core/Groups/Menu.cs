using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;

namespace Merienda.Core.Groups;

/// <summary>How much some of the members eat a day: their menu has a bite more or less, or larger dishes.</summary>
/// <param name="EnergyKcal">What a day is to come to, kcal.</param>
public sealed record MenuTier(string Name, int EnergyKcal)
{
    public const int Most = 6,
        LeastKcal = 800,
        MostKcal = 5000;

    /// <summary>Below it a day needs advice (domain.md section 10).</summary>
    public const int CautionKcal = 1200;
}

/// <param name="Tier">Name of the tier.</param>
/// <param name="Portions">Of the dish; 0 where it has none.</param>
public sealed record TierPortions(string Tier, decimal Portions);

/// <param name="Protocol">Id of what is followed.</param>
/// <param name="Variant">Name of the recipe's variant that is made for them.</param>
public sealed record StrandVariant(string Protocol, string Variant);

/// <summary>A dish of a menu: a recipe as it was when it was put there.</summary>
/// <param name="Day">Days after the menu begins.</param>
/// <param name="Slot">Key of a meal.</param>
public sealed record MenuDish(Guid Id, int Day, string Slot, Guid RecipeVersion)
{
    /// <summary>Most portions that a tier has of a dish.</summary>
    public const decimal MostPortions = 4;

    /// <summary>Of the tiers that have another amount than one portion.</summary>
    public IReadOnlyList<TierPortions> Portions { get; init; } = [];

    /// <summary>For those who follow something that the dish as written does not suit.</summary>
    public IReadOnlyList<StrandVariant> Variants { get; init; } = [];

    /// <summary>Portions that a tier has of it; one where nothing else is said.</summary>
    public decimal PortionsFor(string? tier) => Portions.FirstOrDefault(one => one.Tier == tier)?.Portions ?? 1;

    /// <summary>The dish as it is made for somebody who follows this; as written where no variant is made for it.</summary>
    public RecipeVersion For(IEnumerable<string> protocols, RecipeVersion written) => written.As(VariantFor(protocols, written)) ?? written;

    /// <summary>The variant that is made for somebody who follows this; null for the dish as written.</summary>
    public string? VariantFor(IEnumerable<string> protocols, RecipeVersion written) =>
        Variants.FirstOrDefault(one => protocols.Contains(one.Protocol) && written.As(one.Variant) is not null)?.Variant;
}

/// <summary>What a group eats over some days; a draft, of which versions are published.</summary>
public sealed record Menu(Guid Id, string Name, DateOnly StartsOn, int Days, string Note, IReadOnlyList<MenuDish> Dishes)
{
    public const int MostDays = 28,
        MostDishesAMeal = 6,
        LongestNote = 2000;

    /// <summary>The smallest first; none where everybody eats the same.</summary>
    public IReadOnlyList<MenuTier> Tiers { get; init; } = [];

    /// <summary>What those who work at the desk note for themselves; members never read it.</summary>
    public string DeskNote { get; init; } = "";

    public static Result<Menu> Begun(Guid id, string name, DateOnly startsOn, int days, string note, IReadOnlyList<MenuTier> tiers) =>
        new Menu(id, "", startsOn, 1, "", []).Saying(name, startsOn, days, note, tiers);

    /// <summary>With a note for the desk alone.</summary>
    public Result<Menu> Noting(string deskNote) =>
        deskNote.Trim().Length > LongestNote ? TooLong("deskNote", deskNote.Trim()) : this with { DeskNote = deskNote.Trim() };

    private static Refusal TooLong(string field, string note) =>
        new("menu-note", field, $"{note.Length} characters", $"a note has at most {LongestNote:#,0} characters", "Say it shorter");

    /// <summary>Called so, from a date on, over so many days, for these tiers; a day that has dishes is not left out.</summary>
    public Result<Menu> Saying(string name, DateOnly startsOn, int days, string note, IReadOnlyList<MenuTier> tiers)
    {
        var (called, noted) = (name.Trim(), note.Trim());
        var named = tiers.Select(tier => tier with { Name = tier.Name.Trim() }).OrderBy(tier => tier.EnergyKcal).ToList();
        // A tier of the same energy under another name is the same one.
        string? NameNow(string was) =>
            named.Exists(tier => tier.Name == was)
                ? was
                : named
                    .Find(tier =>
                        Tiers.All(old => old.Name != tier.Name) && Tiers.Any(old => old.Name == was && old.EnergyKcal == tier.EnergyKcal)
                    )
                    ?.Name;
        return called.Length is 0 or > 80
                ? new Refusal("name-length", "name", name, "a menu's name has 1 to 80 characters", "Type a name that members know it by")
            : days is < 1 or > MostDays
                ? new Refusal("menu-days", "days", $"{days}", $"a menu has 1 to {MostDays} days", "Make a second menu for the days after")
            : Dishes.Any(dish => dish.Day >= days)
                ? new Refusal("menu-days", "days", $"{days}", "there are dishes on a day that would go", "Take them off first")
            : noted.Length > LongestNote ? TooLong("note", noted)
            : WrongTier(named)
                ?? (Result<Menu>)(
                    this with
                    {
                        Name = called,
                        StartsOn = startsOn,
                        Days = days,
                        Note = noted,
                        Tiers = named,
                        // What was said of a tier that is gone goes with it.
                        Dishes =
                        [
                            .. Dishes.Select(dish =>
                                dish with
                                {
                                    Portions =
                                    [
                                        .. dish
                                            .Portions.Select(one => (Now: NameNow(one.Tier), one.Portions))
                                            .Where(one => one.Now is not null)
                                            .Select(one => new TierPortions(one.Now!, one.Portions)),
                                    ],
                                }
                            ),
                        ],
                    }
                );
    }

    /// <param name="slots">Keys of the meals that the desk's days have.</param>
    public Result<Menu> With(MenuDish dish, IReadOnlyCollection<string> slots) =>
        dish.Day < 0 || dish.Day >= Days
            ? new Refusal("menu-days", "day", $"{dish.Day + 1}", $"the menu has {Days} days", "Choose one of them")
        : !slots.Contains(dish.Slot) ? new Refusal("unknown-meal", "meal", dish.Slot, "there is no such meal", "Choose one from the list")
        : Dishes.Count(other => other.Id != dish.Id && other.Day == dish.Day && other.Slot == dish.Slot) >= MostDishesAMeal
            ? new Refusal("menu-full", "meal", dish.Slot, $"a meal has at most {MostDishesAMeal} dishes", "Take one off first")
        : this with { Dishes = [.. Dishes.Where(other => other.Id != dish.Id), dish] };

    /// <summary>A dish for tiers and for what is followed.</summary>
    /// <param name="recipe">The dish's.</param>
    /// <param name="portions">Only those that are not one portion are kept.</param>
    public Result<Menu> Serving(
        Guid dish,
        RecipeVersion recipe,
        IReadOnlyList<TierPortions> portions,
        IReadOnlyList<StrandVariant> variants,
        Guid version
    ) =>
        Dishes.FirstOrDefault(one => one.Id == dish) is not { } before ? DishGone(dish)
        : portions.FirstOrDefault(one => Tiers.All(tier => tier.Name != one.Tier)) is { } gone
            ? new Refusal("menu-tier", "tier", gone.Tier, "the menu has no such tier", "Choose one of its tiers")
        : portions.FirstOrDefault(one => one.Portions is < 0 or > MenuDish.MostPortions || one.Portions * 4 % 1 != 0) is { } odd
            ? new Refusal(
                "dish-portions",
                "portions",
                $"{odd.Portions:0.##}",
                $"a tier has 0 to {MenuDish.MostPortions:0} portions of a dish, in quarters",
                "Choose one of them"
            )
        : variants.FirstOrDefault(one => recipe.As(one.Variant) is null) is { } unknown
            ? new Refusal(
                "unknown-variant",
                "variant",
                unknown.Variant,
                $"{recipe.Name} has no such variant",
                "Choose one from the list, or make it on the recipe's sheet first"
            )
        : this with
        {
            Dishes =
            [
                .. Dishes.Select(one =>
                    one.Id == dish
                        ? before with
                        {
                            RecipeVersion = version,
                            Portions = [.. portions.Where(of => of.Portions != 1).DistinctBy(of => of.Tier)],
                            Variants = [.. variants.DistinctBy(of => of.Protocol)],
                        }
                        : one
                ),
            ],
        };

    public Result<Menu> Without(Guid dish) =>
        Dishes.Any(one => one.Id == dish) ? this with { Dishes = [.. Dishes.Where(one => one.Id != dish)] } : DishGone(dish);

    /// <summary>The same days once more, from another date on.</summary>
    public Menu Again(Guid id, string name, DateOnly startsOn) =>
        this with
        {
            Id = id,
            Name = name,
            StartsOn = startsOn,
            Dishes = [.. Dishes.Select(dish => dish with { Id = Guid.CreateVersion7() })],
        };

    /// <summary>Why it can't be published; null when it can.</summary>
    public Refusal? Unready =>
        Dishes.Count == 0 ? new("menu-empty", "menu", Name, "there is nothing on it yet", "Put a dish on a day first") : null;

    public static Refusal DishGone(Guid dish) =>
        new("dish-gone", "dish", $"{dish}", "it is not on the menu any more", "Load the page again");

    private static Refusal? WrongTier(List<MenuTier> tiers) =>
        tiers.Count > MenuTier.Most
            ? new("menu-tier", "tiers", $"{tiers.Count}", $"a menu has at most {MenuTier.Most} tiers", "Leave one out")
        : tiers.Find(tier => tier.Name.Length is 0 or > 40) is { } unnamed
            ? new("menu-tier", "tiers", unnamed.Name, "a tier's name has 1 to 40 characters", "Name it by its energy, or by a word")
        : tiers.GroupBy(tier => tier.Name).FirstOrDefault(same => same.Count() > 1) is { } twice
            ? new("menu-tier", "tiers", twice.Key, "two tiers have this name", "Give one of them another name")
        : tiers.Find(tier => tier.EnergyKcal is < MenuTier.LeastKcal or > MenuTier.MostKcal) is { } beyond
            ? new(
                "menu-tier",
                "tiers",
                $"{beyond.EnergyKcal} kcal",
                $"a tier has {MenuTier.LeastKcal} to {MenuTier.MostKcal:N0} kcal a day",
                "Less is for somebody's own clinical team to set, not for a group's menu"
            )
        : null;
}

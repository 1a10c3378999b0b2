using Merienda.Core.Groups;
using Merienda.Core.Protocols;
using Merienda.Formats.HandOut;
using Merienda.Web.Recipes;

namespace Merienda.Web.Groups;

/// <param name="Shared">What the person shares with it; null when it is nothing.</param>
public sealed record GroupSheet(Guid Id, string Name, ShareSheet? Shared);

/// <summary>What the desk may know, as the member reads it.</summary>
/// <param name="Portions">That the eater usually takes of a dish; 1 where that is not shared.</param>
/// <param name="Ticked">What was ticked, of whom.</param>
/// <param name="IsOutdated">Whether the table has changed since, so that the desk does not know how it is now.</param>
public sealed record ShareSheet(
    IReadOnlyList<string> Protocols,
    IReadOnlyList<string> Allergies,
    decimal Portions,
    ShareRequest Ticked,
    bool IsOutdated
);

/// <param name="Eater">Of the own table, whose it is.</param>
/// <param name="Protocols">Whether what they follow is shared, with its choices.</param>
/// <param name="Portion">Whether the size of their usual portion is.</param>
public sealed record ShareRequest(Guid Eater, bool Protocols, bool Allergies, bool Portion);

/// <summary>Whom a menu suits, of those members who share what they follow.</summary>
/// <param name="Members">All of the group's.</param>
/// <param name="Sharing">How many share something; null for a few.</param>
/// <param name="Over">What counts by meal, day or week and is not kept.</param>
/// <param name="PricesSay">How far costs are to be trusted; empty where everything has a price.</param>
public sealed record MenuCheckSheet(
    int Members,
    int? Sharing,
    IReadOnlyList<DishCheckSheet> Dishes,
    IReadOnlyList<MenuFindingSheet> Over,
    IReadOnlyList<TierDaySheet> Tiers,
    string PricesSay
);

/// <param name="Dish">Id of the dish on the menu.</param>
/// <param name="HandsOn">Minutes that its whole batch takes a cook.</param>
/// <param name="Cost">Of one portion, in the desk's money; null where no price is known.</param>
public sealed record DishCheckSheet(
    Guid Dish,
    IReadOnlyList<SaidCount> Counts,
    IReadOnlyList<CheckReasonSheet> Reasons,
    int HandsOn,
    decimal? Cost
);

/// <param name="Days">Days after the menu begins.</param>
/// <param name="Members">Null for a few.</param>
public sealed record MenuFindingSheet(Verdict Verdict, string Because, IReadOnlyList<int> Days, int? Members);

/// <summary>What a day comes to for a tier.</summary>
/// <param name="Follows">For whom a dish has a variant; empty as written.</param>
/// <param name="Energy">Best value, kcal.</param>
/// <param name="IsPart">Whether some of it is not known.</param>
/// <param name="Open">Meals of the day that the menu leaves open.</param>
public sealed record TierDaySheet(string Tier, int Day, string Follows, decimal Energy, bool IsPart, Verdict Verdict, int Open);

/// <param name="Members">Null for a few.</param>
public sealed record CheckReasonSheet(Verdict Verdict, string Because, int? Members);

/// <param name="Groups">Those that the person is a member of.</param>
/// <param name="Desk">Of the household that they work in; null when it is a kitchen.</param>
public sealed record GroupsPage(IReadOnlyList<GroupSheet> Groups, DeskSheet? Desk);

/// <param name="Members">How many; never who.</param>
/// <param name="Invited">How many were asked by their address and have not come.</param>
/// <param name="IsHelper">Whether the person only helps here: they publish nothing and let nobody in.</param>
/// <param name="Follows">What a dish may have a variant for.</param>
public sealed record DeskSheet(
    Guid Id,
    string Name,
    int Members,
    int Invited,
    IReadOnlyList<LinkSheet> Links,
    bool IsHelper,
    IReadOnlyList<MenuSheet> Menus,
    IReadOnlyList<FollowedSheet> Follows
);

public sealed record FollowedSheet(string Id, string Name);

public sealed record LinkSheet(Guid Id, string MadeBy, DateTimeOffset ExpiresAt, int UsesLeft);

public sealed record FoundRequest(string Name, string TimeZone);

/// <param name="Uses">How many may come by the link.</param>
public sealed record LinkRequest(int Uses);

/// <param name="Path">Of the page that the link leads to; it is shown this once.</param>
public sealed record MadeLink(string Path, DateTimeOffset ExpiresAt);

public sealed record JoinGroupSheet(string Group);

/// <param name="Days">1 to 28.</param>
/// <param name="Tiers">How much some of the members eat a day; at most six, none where everybody eats the same.</param>
/// <param name="DeskNote">For those who work at the desk; never published.</param>
public sealed record MenuRequest(
    string Name,
    DateOnly StartsOn,
    int Days,
    string Note = "",
    IReadOnlyList<MenuTier>? Tiers = null,
    string DeskNote = ""
);

/// <summary>A menu once more, from another date on.</summary>
public sealed record MenuAgainRequest(string Name, DateOnly StartsOn);

/// <param name="Portions">Of the tiers that have another amount than one portion, in quarters; 0 where it has none.</param>
/// <param name="Variants">For those who follow something.</param>
/// <param name="IsNewest">Whether the recipe is taken as it is now.</param>
public sealed record DishServingRequest(
    IReadOnlyList<TierPortions>? Portions = null,
    IReadOnlyList<StrandVariant>? Variants = null,
    bool IsNewest = false
);

/// <summary>A change of a dish that makes it fit for more members.</summary>
/// <param name="Counts">Whom it suits then, of those who have it as it is written.</param>
/// <param name="FitsMore">For how many more it fits; null where that would say how many a few are.</param>
public sealed record DishMendSheet(SwapOffer Offer, IReadOnlyList<SaidCount> Counts, int? FitsMore);

/// <param name="Day">Days after the menu begins.</param>
public sealed record DishRequest(int Day, string Meal, Guid Recipe);

/// <param name="Changed">What a correction changes; empty for the first.</param>
/// <param name="Encloses">Which kinds of the desk's things go with it; null for all of them.</param>
public sealed record PublishRequest(string Changed = "", IReadOnlyList<EnclosedKind>? Encloses = null);

/// <param name="Role">What kind of meal it is, by which it is found in another household's days.</param>
public sealed record MenuMeal(string Key, string Name, MealRole Role);

/// <param name="HasNewer">Whether the recipe was changed since it was put there.</param>
/// <param name="IsPutAway">Whether it is in the library no more.</param>
/// <param name="Can">Names of the variants that the recipe has.</param>
public sealed record DraftDish(
    Guid Id,
    int Day,
    string Meal,
    Guid Recipe,
    string Name,
    bool HasNewer,
    bool IsPutAway,
    IReadOnlyList<TierPortions> Portions,
    IReadOnlyList<StrandVariant> Variants,
    IReadOnlyList<string> Can
);

public sealed record IssueSheet(int Number, DateTimeOffset PublishedAt, string By, string Changed);

/// <summary>A menu at the desk.</summary>
/// <param name="Issues">What was published of it, the last first.</param>
public sealed record MenuSheet(
    Guid Id,
    string Name,
    DateOnly StartsOn,
    int Days,
    string Note,
    string DeskNote,
    IReadOnlyList<MenuTier> Tiers,
    IReadOnlyList<MenuMeal> Meals,
    IReadOnlyList<DraftDish> Dishes,
    IReadOnlyList<IssueSheet> Issues
);

/// <summary>Everything that is published of a menu: a snapshot, so that nothing of the desk need be read.</summary>
/// <param name="Dishes">Each names its place among the recipes.</param>
/// <param name="Recipes">Those of the dishes, and those that they use.</param>
/// <param name="Uses">For each of them the places of those that it takes some of.</param>
/// <param name="Follows">Names of what its dishes have variants for.</param>
/// <param name="Cautions">Of what many of those follow who share it, and of what has variants.</param>
/// <param name="Enclosed">What goes with it besides its recipes; null in one that was published before anything did.</param>
public sealed record PublishedMenu(
    string Group,
    string Name,
    DateOnly StartsOn,
    int Days,
    string Note,
    IReadOnlyList<MenuTier> Tiers,
    IReadOnlyList<FollowedSheet> Follows,
    IReadOnlyList<HandedCaution> Cautions,
    IReadOnlyList<MenuMeal> Meals,
    IReadOnlyList<PublishedDish> Dishes,
    IReadOnlyList<RecipeToBring> Recipes,
    IReadOnlyList<IReadOnlyList<int>> Uses,
    PublishedEnclosures? Enclosed = null
)
{
    /// <summary>Places of the recipes that some days need, with those that they use; all days when there are none.</summary>
    public HashSet<int> Reached(IReadOnlyList<int> days) =>
        Uses.Reached(Dishes.Where(dish => days.Count == 0 || days.Contains(dish.Day)).Select(dish => dish.Recipe));

    /// <summary>Which meal of other days one of these is: of the same key, else of the same kind; null where they have none like it.</summary>
    public string? SlotIn(Core.Planning.Rhythm rhythm, string key) =>
        rhythm.Meals.Any(slot => slot.Key == key) ? key
        : Meals.FirstOrDefault(one => one.Key == key) is { } meal ? rhythm.Meals.FirstOrDefault(slot => slot.Role == meal.Role)?.Key
        : null;
}

/// <param name="File">A menu as it was handed out for another Merienda.</param>
/// <param name="StartsOn">Its first day here.</param>
public sealed record MenuFileRequest(string File, DateOnly StartsOn);

public sealed record PublishedDish(
    int Day,
    string Meal,
    int Recipe,
    IReadOnlyList<TierPortions> Portions,
    IReadOnlyList<StrandVariant> Variants
)
{
    /// <summary>As the desk has it.</summary>
    public MenuDish ToDish() => new(Guid.Empty, Day, Meal, Guid.Empty) { Portions = Portions, Variants = Variants };
}

/// <summary>A menu as a member reads it, each dish judged by the rules of their own table.</summary>
public sealed record MemberMenu(
    Guid Group,
    Guid Menu,
    int Number,
    DateTimeOffset PublishedAt,
    string Changed,
    string GroupName,
    string Name,
    DateOnly StartsOn,
    int Days,
    string Note,
    IReadOnlyList<MenuTier> Tiers,
    IReadOnlyList<FollowedSheet> Follows,
    IReadOnlyList<MenuMeal> Meals,
    IReadOnlyList<MemberDish> Dishes,
    IReadOnlyList<MemberRecipe> Recipes,
    IReadOnlyList<TakenWeek> Taken
);

/// <summary>A week that the menu was put on.</summary>
/// <param name="Number">Of the version that it was.</param>
/// <param name="Since">What corrections said since.</param>
public sealed record TakenWeek(DateOnly Week, int Number, IReadOnlyList<string> Since);

/// <summary>A dish of a day, judged for each eater as it is made for them.</summary>
/// <param name="Recipe">Its place among the recipes.</param>
public sealed record MemberDish(
    int Day,
    string Meal,
    int Recipe,
    IReadOnlyList<TierPortions> Portions,
    IReadOnlyList<StrandVariant> Variants,
    IReadOnlyList<MemberVerdict> Verdicts
);

/// <param name="Problem">Why it can't be read here; null when it can.</param>
/// <param name="State">How it stands to the own library's recipe of its name.</param>
/// <param name="IsOnMenu">Whether it is a dish, not only a part of one.</param>
public sealed record MemberRecipe(string Name, string? Problem, EnclosedState State, bool IsOnMenu);

/// <param name="Variant">That is made for the eater; null for the dish as written.</param>
/// <param name="Because">The reason of the heaviest finding; empty when everything fits.</param>
public sealed record MemberVerdict(Guid Eater, string Name, string? Variant, Verdict Verdict, string Because);

/// <param name="Days">Those that are taken; all of them when there are none.</param>
public sealed record TakeHomeRequest(IReadOnlyList<int> Days);

/// <param name="Brought">Names of the recipes that came into the library.</param>
/// <param name="Renewed">Names of those that were there as they were taken, and have the group's newer version now.</param>
/// <param name="There">Names of those that were there, and stay.</param>
public sealed record TakenHome(IReadOnlyList<string> Brought, IReadOnlyList<string> Renewed, IReadOnlyList<string> There);

/// <param name="Week">A date in the week that it comes into; its days keep their weekdays.</param>
/// <param name="Days">Those that are taken; all of them when there are none.</param>
/// <param name="Tier">Which of its tiers is eaten by here; null for the dishes as they are.</param>
public sealed record IntoWeekRequest(DateOnly Week, IReadOnlyList<int>? Days = null, string? Tier = null);

/// <summary>What a menu would be, or is, in a week.</summary>
/// <param name="Week">Its first day.</param>
/// <param name="ToBring">Names of recipes that are not at home yet.</param>
/// <param name="ToRenew">Names of those that are there as they were taken, of which the group has a newer version.</param>
/// <param name="Own">Names of those that are cooked by the own recipe, which is another than the group's.</param>
/// <param name="Off">What an earlier version of the menu put there and comes off: "Cod: Farah Mon supper".</param>
public sealed record IntoWeekSheet(
    DateOnly Week,
    IReadOnlyList<string> ToBring,
    IReadOnlyList<string> ToRenew,
    IReadOnlyList<string> Own,
    IReadOnlyList<string> Off,
    IReadOnlyList<BatchIntoWeek> Batches,
    IReadOnlyList<LeftOutSheet> Left
);

/// <param name="Portions">Whole ones, as many as are eaten or one more.</param>
/// <param name="IsMore">Whether the week cooks it anyway, and so many portions more.</param>
/// <param name="For">Who eats how much of it on which days: "Farah: Mon, Tue supper".</param>
public sealed record BatchIntoWeek(string Name, DateOnly Cooked, decimal Portions, bool IsMore, IReadOnlyList<string> For);

/// <param name="Who">Name of the eater.</param>
/// <param name="Dishes">Names of those that they don't get for this reason.</param>
public sealed record LeftOutSheet(string Who, string Because, IReadOnlyList<string> Dishes);

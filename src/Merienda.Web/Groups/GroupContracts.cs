using Merienda.Core.Groups;
using Merienda.Core.Protocols;
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

/// <param name="File">A menu as it was handed out for another Merienda.</param>
/// <param name="StartsOn">Its first day here.</param>
public sealed record MenuFileRequest(string File, DateOnly StartsOn);

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

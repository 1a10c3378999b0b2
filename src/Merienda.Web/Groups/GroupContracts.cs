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
public sealed record MenuCheckSheet(int Members, int? Sharing, IReadOnlyList<DishCheckSheet> Dishes);

/// <param name="Dish">Id of the dish on the menu.</param>
public sealed record DishCheckSheet(Guid Dish, IReadOnlyList<SaidCount> Counts, IReadOnlyList<CheckReasonSheet> Reasons);

/// <param name="Members">Null for a few.</param>
public sealed record CheckReasonSheet(Verdict Verdict, string Because, int? Members);

/// <param name="Groups">Those that the person is a member of.</param>
/// <param name="Desk">Of the household that they work in; null when it is a kitchen.</param>
public sealed record GroupsPage(IReadOnlyList<GroupSheet> Groups, DeskSheet? Desk);

/// <param name="Members">How many; never who.</param>
public sealed record DeskSheet(string Name, int Members, IReadOnlyList<LinkSheet> Links, IReadOnlyList<MenuSheet> Menus);

public sealed record LinkSheet(Guid Id, string MadeBy, DateTimeOffset ExpiresAt, int UsesLeft);

public sealed record FoundRequest(string Name, string TimeZone);

/// <param name="Uses">How many may come by the link.</param>
public sealed record LinkRequest(int Uses);

/// <param name="Path">Of the page that the link leads to; it is shown this once.</param>
public sealed record MadeLink(string Path, DateTimeOffset ExpiresAt);

public sealed record JoinGroupSheet(string Group);

/// <param name="Days">1 to 28.</param>
public sealed record MenuRequest(string Name, DateOnly StartsOn, int Days, string Note = "");

/// <param name="Day">Days after the menu begins.</param>
public sealed record DishRequest(int Day, string Meal, Guid Recipe);

/// <param name="Changed">What a correction changes; empty for the first.</param>
public sealed record PublishRequest(string Changed = "");

public sealed record MenuMeal(string Key, string Name);

/// <param name="HasNewer">Whether the recipe was changed since it was put there.</param>
public sealed record DraftDish(Guid Id, int Day, string Meal, Guid Recipe, string Name, bool HasNewer);

public sealed record IssueSheet(int Number, DateTimeOffset PublishedAt, string By, string Changed);

/// <summary>A menu at the desk.</summary>
/// <param name="Issues">What was published of it, the last first.</param>
public sealed record MenuSheet(
    Guid Id,
    string Name,
    DateOnly StartsOn,
    int Days,
    string Note,
    IReadOnlyList<MenuMeal> Meals,
    IReadOnlyList<DraftDish> Dishes,
    IReadOnlyList<IssueSheet> Issues
);

/// <summary>Everything that is published of a menu: a snapshot, so that nothing of the desk need be read.</summary>
/// <param name="Dishes">Each names its place among the recipes.</param>
/// <param name="Recipes">Those of the dishes, and those that they use.</param>
/// <param name="Uses">For each of them the places of those that it takes some of.</param>
public sealed record PublishedMenu(
    string Group,
    string Name,
    DateOnly StartsOn,
    int Days,
    string Note,
    IReadOnlyList<MenuMeal> Meals,
    IReadOnlyList<PublishedDish> Dishes,
    IReadOnlyList<RecipeToBring> Recipes,
    IReadOnlyList<IReadOnlyList<int>> Uses
);

public sealed record PublishedDish(int Day, string Meal, int Recipe);

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
    IReadOnlyList<MenuMeal> Meals,
    IReadOnlyList<PublishedDish> Dishes,
    IReadOnlyList<MemberRecipe> Recipes
);

/// <param name="Problem">Why it can't be read here; null when it can.</param>
/// <param name="IsThere">Whether a recipe of its name is in the own library.</param>
/// <param name="IsOnMenu">Whether it is a dish, not only a part of one.</param>
public sealed record MemberRecipe(string Name, string? Problem, bool IsThere, bool IsOnMenu, IReadOnlyList<MemberVerdict> Verdicts);

/// <param name="Because">The reason of the heaviest finding; empty when everything fits.</param>
public sealed record MemberVerdict(Guid Eater, string Name, Verdict Verdict, string Because);

/// <param name="Days">Those that are taken; all of them when there are none.</param>
public sealed record TakeHomeRequest(IReadOnlyList<int> Days);

/// <param name="Brought">Names of the recipes that came into the library.</param>
/// <param name="There">Names of those that were there.</param>
public sealed record TakenHome(IReadOnlyList<string> Brought, IReadOnlyList<string> There);

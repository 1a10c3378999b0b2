using Merienda.Core.Groups;

namespace Merienda.Web.Groups;

/// <param name="Week">A date in the week that it comes into; its days keep their weekdays.</param>
/// <param name="Days">Those that are taken; all of them when there are none.</param>
/// <param name="Answers">To what the menu asks; null for what was answered last.</param>
public sealed record IntoWeekRequest(DateOnly Week, IReadOnlyList<int>? Days = null, HomeAnswers? Answers = null);

public sealed record MealAsked(string Key, string Name);

/// <summary>What a menu can't know of the kitchen.</summary>
/// <param name="Eaters">Who eats of it, and by which tier.</param>
/// <param name="Meals">Its meals that the own days have neither under their name nor of their kind.</param>
/// <param name="Slots">Those of the own days.</param>
/// <param name="Unread">Lines that nobody can tell anything of: "Beef shin: 1 stock cube".</param>
/// <param name="Answers">By which it is shown.</param>
public sealed record IntoWeekAsks(
    IReadOnlyList<EaterAsked> Eaters,
    IReadOnlyList<MealAsked> Meals,
    IReadOnlyList<MealAsked> Slots,
    IReadOnlyList<string> Unread,
    HomeAnswers Answers
);

public sealed record EaterAsked(Guid Id, string Name);

/// <summary>What a menu would be, or is, in a week.</summary>
/// <param name="Week">Its first day.</param>
/// <param name="Asks">What it can't know.</param>
/// <param name="ToBring">Names of recipes that are not at home yet.</param>
/// <param name="ToRenew">Names of those that are there as they were taken, of which the group has a newer version.</param>
/// <param name="Own">Names of those that are cooked by the own recipe, which is another than the group's.</param>
/// <param name="Off">What an earlier version of the menu put there and comes off: "Cod: Farah Mon supper".</param>
public sealed record IntoWeekSheet(
    DateOnly Week,
    IntoWeekAsks Asks,
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

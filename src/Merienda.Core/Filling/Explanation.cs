using System.Globalization;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Core.Filling;

/// <summary>A number that would be stated for one week instead of the eater's own.</summary>
/// <param name="Says">"84 g".</param>
public sealed record Loosening(Guid Eater, string Protocol, string Rule, decimal? AtLeast, decimal? AtMost, string Says);

/// <summary>One of the things that contradict each other.</summary>
/// <param name="Says">"Protein: at least 90 g a day; 84 g can be reached, 6 g short".</param>
/// <param name="Loosen">What would let the others hold, for this week; null where no number does.</param>
public sealed record FillReason(string Says, Loosening? Loosen = null);

/// <summary>Why some meals of one eater cannot be covered.</summary>
/// <param name="Title">"Ilse, Thursday".</param>
/// <param name="Reasons">
/// They contradict each other, and without any one of them there is a way: both are proven. Empty where nothing that can be loosened is in
/// the way.
/// </param>
/// <param name="Otherwise">Said instead of reasons.</param>
public sealed record Explanation(string Title, IReadOnlyList<FillReason> Reasons, string Otherwise = "");

/// <summary>Something that could be left out of a question to see whether it is in the way.</summary>
/// <param name="Rule">Id of the rule that it is; null for a wish or what stands there.</param>
public sealed record Obstacle(string Says, string? Rule, Func<FillQuestion, FillQuestion> Without);

/// <summary>What may be in the way of one eater's meals: rules, wishes and what stands there. Allergies are never left out.</summary>
public static class Obstacles
{
    public static IReadOnlyList<Obstacle> Of(FillQuestion question, Eater eater, DateOnly date) =>
        [
            .. eater
                .Rules.On(date)
                .Where(rule => rule is not AllergyRule)
                .DistinctBy(rule => rule.Id)
                .Select(rule => new Obstacle(
                    rule.Sentence(eater.Rules.Context.Classes),
                    rule.Id,
                    asked => WithoutRule(asked, eater.Id, rule.Id)
                )),
            .. Standing(question, eater),
            .. eater.DislikedDishes.Count == 0
                ? Array.Empty<Obstacle>()
                :
                [
                    new Obstacle(
                        $"Dishes that {eater.Name} does not like",
                        null,
                        asked => Change(asked, eater.Id, one => one with { DislikedDishes = [] })
                    ),
                ],
            .. Wishes(question),
        ];

    /// <summary>What is missing for a meal, whatever the rules say; null where something could be put on it.</summary>
    public static string? Missing(FillQuestion question, Cell cell)
    {
        var (eater, slot) = (question.Eaters.First(one => one.Id == cell.Eater), question.Rhythm.Meal(cell.Meal)!);
        var meant = question.Dishes.Where(dish => dish.IsFor(slot, question.Rhythm)).ToList();
        return meant.Count == 0 ? $"No recipe is meant for {slot.Name}."
            : meant.All(dish => eater.Stop(dish.Name, dish.Version.Profile) is not null)
                ? $"Every recipe for {slot.Name} has something in it that {eater.Name} is allergic to, or may have."
            : Unread(question, eater, cell.Date, slot) is { Count: > 0 } unread
                ? $"Every recipe for {slot.Name} has a line that nobody read: {string.Join(", ", unread.Take(5))}. Open it in Recipes and settle the line."
            : question.Rests.Count == 0 && question.Sessions.All(session => session.EatenFrom > cell.Date)
                ? $"Nothing is cooked before {cell.Date.ToString("dddd", CultureInfo.InvariantCulture)}, and nothing is there."
            : null;
    }

    /// <summary>Dishes for a meal that nobody can tell of for a line that is not read; none where one of the others is only too much.</summary>
    private static List<string> Unread(FillQuestion question, Eater eater, DateOnly date, MealSlot slot)
    {
        var table = new FillTable(question);
        var all = Enumerable
            .Range(0, question.Dishes.Count)
            .Where(at => question.Dishes[at].IsFor(slot, question.Rhythm))
            .Where(at => eater.Stop(question.Dishes[at].Name, question.Dishes[at].Version.Profile) is null)
            .ToList();
        return all.TrueForAll(at => HasUnread(question.Dishes[at]) && !table.SizesOf(eater, date, slot, at).IsAny)
            ? [.. all.Select(at => question.Dishes[at].Version.Name).Distinct()]
            : [];
    }

    private static bool HasUnread(FillDish dish) => dish.Version.Lines.Any(line => line is { Food: null, Use: null });

    /// <summary>Why the large meals of a day have too few dishes between them, whatever the rules say; null where that is not it.</summary>
    public static string? TooFew(FillQuestion question, Eater eater, DateOnly date)
    {
        var large = question
            .Open.Where(cell => cell.Eater == eater.Id && cell.Date == date)
            .Select(cell => question.Rhythm.Meal(cell.Meal)!)
            .Where(slot => slot.IsMain)
            .ToList();
        var dishes = question
            .Dishes.Where(dish =>
                large.Exists(slot => dish.IsFor(slot, question.Rhythm)) && eater.Stop(dish.Name, dish.Version.Profile) is null
            )
            .Select(dish => dish.Recipe)
            .Distinct()
            .Count();
        return dishes < large.Count
            ? $"A dish comes once a day, and there {(dishes == 1 ? "is only 1" : $"are only {dishes}")} for {string.Join(" and ", large.Select(slot => slot.Name))}."
            : null;
    }

    /// <summary>Recipes that no meal gets because nobody knows all of what is in them; empty where there are none.</summary>
    public static string Unread(FillQuestion question)
    {
        var names = question.Dishes.Where(HasUnread).Select(dish => dish.Version.Name).Distinct().ToList();
        return names.Count == 0
            ? ""
            : $"Where a limit is counted, {(names.Count == 1 ? "1 recipe is" : $"{names.Count} recipes are")} left out for a line that is not read: {string.Join(", ", names.Take(5))}{(names.Count > 5 ? " …" : "")}.";
    }

    private static FillQuestion WithoutRule(FillQuestion asked, Guid eater, string rule) =>
        Change(asked, eater, one => one with { Rules = one.Rules.Without(rule) });

    private static FillQuestion Change(FillQuestion asked, Guid eater, Func<Eater, Eater> change) =>
        asked with
        {
            Eaters = [.. asked.Eaters.Select(one => one.Id == eater ? change(one) : one)],
        };

    private static IEnumerable<Obstacle> Standing(FillQuestion question, Eater eater) =>
        question
            .Placed.Where(item => item.Cell.Eater == eater.Id)
            .Select(item => item.Cell)
            .Distinct()
            .Select(cell => new Obstacle(
                $"What stands at {question.Rhythm.NameOf(cell.Meal)} on {cell.Date.ToString("dddd", CultureInfo.InvariantCulture)}: {string.Join(", ", question.Placed.Where(item => item.Cell == cell).Select(item => item.Helping.Name))}",
                null,
                asked =>
                    asked with
                    {
                        Placed = [.. asked.Placed.Where(item => item.Cell != cell)],
                        Settled = asked.Settled.Append(cell).ToHashSet(),
                    }
            ));

    /// <summary>What the cook and the kitchen set for everybody.</summary>
    public static IEnumerable<Obstacle> Wishes(FillQuestion question)
    {
        var wishes = question.Wishes;
        Obstacle Wish(string says, Func<FillWishes, FillWishes> without) =>
            new(says, null, asked => asked with { Wishes = without(asked.Wishes) });
        yield return Wish(
            $"The same dish at lunch and supper at most {wishes.MostTimes} times",
            asked => asked with { MostTimes = WeekPlan.Days * 2 }
        );
        yield return Wish($"Room for {wishes.FreezerBoxes} boxes in the freezer", asked => asked with { FreezerBoxes = int.MaxValue / 2 });
        if (wishes.IsCertainOnly)
        {
            yield return Wish("Only what surely fits, nothing too close to call", asked => asked with { IsCertainOnly = false });
        }

        if (wishes.Boxes is { } boxes)
        {
            yield return Wish($"{boxes} containers that are free", asked => asked with { Boxes = null });
        }

        if (wishes.MinutesASession is { } minutes)
        {
            yield return Wish($"{minutes} minutes by hand in a session", asked => asked with { MinutesASession = null });
        }
    }
}

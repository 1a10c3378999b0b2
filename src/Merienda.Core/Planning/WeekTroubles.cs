using System.Globalization;
using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

public enum TroubleKind
{
    Breaks,
    PastItsTime,
    NoRoom,
    Open,
    TooClose,
    CannotTell,
    Unstated,
}

/// <summary>Something of a week that a cook can act on, said once for all the days it is true of.</summary>
/// <param name="Eater">Null for what concerns everybody.</param>
/// <param name="Days">In order; empty for what no day of the week has more to do with than another.</param>
/// <param name="Meal">Key of the meal, when it is one.</param>
/// <param name="Count">How many there are of what is counted: open meals; 1 for all else.</param>
public sealed record WeekTrouble(
    TroubleKind Kind,
    string Text,
    Guid? Eater,
    IReadOnlyList<DateOnly> Days,
    string? Meal = null,
    int Count = 1
);

/// <summary>A thing that would be eaten past its time.</summary>
/// <param name="Name">With its tape: "B·21 Beef shin".</param>
public sealed record PastItsTime(Cell Cell, string Name, DateOnly EatBy);

/// <summary>What a kitchen can't hold, on the day it is too much.</summary>
public sealed record RoomLack(DateOnly Date, string Text);

/// <summary>What breaks, what is past its time, what nothing covers: each thing once, in falling order of weight.</summary>
public sealed class WeekTroubles(
    WeekLedger ledger,
    IReadOnlyList<Eater> eaters,
    Rhythm rhythm,
    DateOnly today,
    IReadOnlyList<PastItsTime> past,
    IReadOnlyList<RoomLack> lacks
)
{
    public IReadOnlyList<WeekTrouble> All =>
        [
            .. Daily()
                .Concat(Open())
                .Concat(Weekly())
                .Concat(Past())
                .Concat(lacks.Select(lack => new WeekTrouble(TroubleKind.NoRoom, lack.Text, null, [lack.Date])))
                .Concat(Unstated())
                // What is over nobody can act on any more.
                .OrderBy(trouble => trouble.Days.Count > 0 && trouble.Days[^1] < today)
                .ThenBy(trouble => trouble.Kind)
                .ThenBy(trouble => trouble.Days.Count == 0 ? DateOnly.MaxValue : trouble.Days[0]),
        ];

    /// <summary>"Mon", "Mon and Tue", "Mon, Tue and Wed", "every day".</summary>
    private static string Named(IEnumerable<DateOnly> dates) =>
        dates.Distinct().Order().ToList() is var days && days.Count == WeekPlan.Days ? "every day" : Listed(days.Select(Name));

    /// <summary>As it goes on in a sentence: "on Mon and Tue", "every day".</summary>
    private static string On(IEnumerable<DateOnly> dates) => Named(dates) is var days && days == "every day" ? days : $"on {days}";

    private IEnumerable<WeekTrouble> Daily() =>
        ledger
            .Days.SelectMany(
                day => day.Findings.Where(finding => IsTrouble(finding, day.OpenMeals.Count)),
                (day, finding) => (day, finding)
            )
            .GroupBy(found =>
                (
                    found.day.Eater,
                    found.finding.Rule,
                    found.finding.Verdict,
                    found.finding.About,
                    // Too much on one day and too little on another are two troubles.
                    IsOver: IsOver(found.finding)
                )
            )
            .Select(group => new WeekTrouble(
                KindOf(group.Key.Verdict),
                $"{group.Key.Eater.Name}, {Named(group.Select(found => found.day.Date))}: {Said([.. group.Select(found => found.finding)])}",
                group.Key.Eater.Id,
                [.. group.Select(found => found.day.Date).Distinct().Order()]
            ));

    private IEnumerable<WeekTrouble> Weekly() =>
        from eater in eaters
        let open = ledger.Days.Where(day => day.Eater.Id == eater.Id).Sum(day => day.OpenMeals.Count)
        from finding in ledger.Weeks[eater.Id]
        where IsTrouble(finding, open)
        select new WeekTrouble(KindOf(finding.Verdict), $"{eater.Name}, the week: {finding.Because}", eater.Id, []);

    /// <summary>What nobody planned for a day that is over is no work any more.</summary>
    private IEnumerable<WeekTrouble> Open() =>
        ledger
            .Days.Where(day => day.Date >= today)
            .SelectMany(day => day.OpenMeals, (day, meal) => (day.Eater, day.Date, Meal: meal))
            .GroupBy(open => open.Eater)
            .Select(group => new WeekTrouble(
                TroubleKind.Open,
                $"{group.Key.Name} has nothing yet for {Listed(Meals(group.Select(open => (open.Meal, open.Date))), "; ")}.",
                group.Key.Id,
                [.. group.Select(open => open.Date).Distinct().Order()],
                group.First().Meal,
                group.Count()
            ));

    /// <summary>Meals that are open on the same days are said together.</summary>
    private IEnumerable<string> Meals(IEnumerable<(string Meal, DateOnly Date)> open) =>
        open.GroupBy(one => one.Meal, one => one.Date)
            .GroupBy(meal => On(meal), meal => rhythm.NameOf(meal.Key))
            .Select(meals => $"{Listed(meals)} {meals.Key}");

    private IEnumerable<WeekTrouble> Past() =>
        past.GroupBy(thing => (thing.Name, thing.EatBy))
            .Select(group => new WeekTrouble(
                TroubleKind.PastItsTime,
                $"{group.Key.Name} keeps until {Name(group.Key.EatBy)} and does not freeze; it is planned for {Named(group.Select(thing => thing.Cell.Date))}.",
                group.Select(thing => thing.Cell.Eater).Distinct().ToList() is [var only] ? only : null,
                [.. group.Select(thing => thing.Cell.Date).Distinct().Order()],
                group.First().Cell.Meal
            ));

    /// <summary>An allowance that nobody stated is said once, not on every day.</summary>
    private IEnumerable<WeekTrouble> Unstated() =>
        from eater in eaters
        from rule in eater.Rules.Rules.OfType<BoundedRule>()
        where rule.NeedsAllowance
        select new WeekTrouble(
            TroubleKind.Unstated,
            $"{eater.Name}: state the allowance for {rule.Title.ToLowerInvariant()} at the Table.",
            eater.Id,
            []
        );

    /// <summary>A floor that open meals can still reach is no trouble yet.</summary>
    private static bool IsTrouble(Finding finding, int openMeals) =>
        finding is { Verdict: not Verdict.Fits, NeedsAllowance: false }
        && !(finding is { Verdict: Verdict.CannotTell, Value.IsOpen: false } && openMeals > 0);

    private static bool IsOver(Finding finding) => finding is { Value.Best: var best, Limit.AtMost: { } most } && best > most;

    /// <summary>What one rule says of several days: how far it goes at most, and what brings most of it.</summary>
    private static string Said(IReadOnlyList<Finding> found)
    {
        var worst = IsOver(found[0])
            ? found.MaxBy(finding => finding.Value!.Value.Best)!
            : found.MinBy(finding => finding.Value?.Best ?? 0)!;
        // A sentence without numbers names the dish itself.
        var isSaid = worst is { About: { } of } && worst.Title.Contains(of, StringComparison.OrdinalIgnoreCase);
        var about = worst is { About: { } name, Value: not null } && !isSaid ? $"{name}: " : "";
        if (found.Count == 1 || found.Select(finding => finding.Because).Distinct().Count() == 1)
        {
            return about + worst.Because;
        }

        return about
            + worst switch
            {
                { Verdict: Verdict.Breaks, Scale: { } scale, Value: { } value, Limit: { Per: { } per } limit }
                    when limit.AtMost < value.Best =>
                    $"{worst.Title} over {scale.ShowWithUnit(limit.AtMost!.Value)} {InWords(per)}, up to {scale.ShowWithUnit(value.Best)}{(about.Length == 0 ? MostOf(found) : "")}.",
                { Verdict: Verdict.Breaks, Scale: { } scale, Value: { } value, Limit: { Per: { } per, AtLeast: { } least } } =>
                    $"{worst.Title} below {scale.ShowWithUnit(least)} {InWords(per)}, down to {scale.ShowWithUnit(value.Best)}.",
                _ => worst.Because,
            };
    }

    private static string MostOf(IReadOnlyList<Finding> found) =>
        found
            .SelectMany(finding => finding.Contributors)
            .GroupBy(item => item.Name)
            .OrderByDescending(group => group.Sum(item => item.Amount))
            .FirstOrDefault()
            is { } most
            ? $"; {most.Key} brings most"
            : "";

    private static string InWords(Period per) => $"a {per.ToString().ToLowerInvariant()}";

    private static string Name(DateOnly date) => date.ToString("ddd", CultureInfo.InvariantCulture);

    private static string Listed(IEnumerable<string> names, string between = ", ") =>
        names.ToList() switch
        {
            [var only] => only,
            [.. var first, var last] => $"{string.Join(between, first)} and {last}",
            _ => "",
        };

    private static TroubleKind KindOf(Verdict verdict) =>
        verdict switch
        {
            Verdict.Breaks => TroubleKind.Breaks,
            Verdict.TooClose => TroubleKind.TooClose,
            _ => TroubleKind.CannotTell,
        };
}

using System.Globalization;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Core.Filling;

/// <summary>What Core says of a plan, whoever made it: every rule of every eater, keeping, and what is conserved.</summary>
public sealed class FillJudge
{
    private readonly FillQuestion _question;
    private readonly FillPlan _plan;

    public FillJudge(FillQuestion question, FillPlan plan)
    {
        (_question, _plan) = (question, plan);
        Ledger = new(
            [.. question.Dates],
            [.. question.Rhythm.Meals],
            question.Eaters,
            [.. question.Placed, .. plan.Servings.Select(serving => (serving.Cell, serving.Helping))],
            question.Settled
        );
        var filled = plan.Servings.Select(serving => serving.Cell).ToHashSet();
        Uncovered = [.. question.Open.Where(cell => !filled.Contains(cell))];
        Broken = [.. Findings().Where(found => found.Finding.Verdict is Verdict.Breaks or Verdict.CannotTell)];
        Impossible = [.. Against()];
    }

    public WeekLedger Ledger { get; }

    /// <summary>Open meals that got nothing.</summary>
    public IReadOnlyList<Cell> Uncovered { get; }

    /// <summary>Rules that do not hold, or of which nobody can tell, with the eater and the day; no day for a rule of the week.</summary>
    public IReadOnlyList<(Eater Eater, DateOnly? Date, Finding Finding)> Broken { get; }

    /// <summary>What no kitchen could do, in sentences: more eaten than cooked, eaten past its time, two things on one meal.</summary>
    public IReadOnlyList<string> Impossible { get; }

    /// <summary>Days of eaters on which something does not hold or cannot be; all of an eater's days for a rule of the week.</summary>
    public IReadOnlySet<(Guid Eater, DateOnly Date)> Troubled =>
        Broken
            .Where(found => !found.Finding.NeedsAllowance)
            .SelectMany(found => found.Date is { } day ? [day] : _question.Dates, (found, day) => (found.Eater.Id, day))
            .Concat(
                _plan
                    .Servings.Where(serving =>
                        (serving.Rest?.KeptUntil(serving.Dish, serving.Cell.Date) ?? KeptIn.Fridge) == KeptIn.PastItsTime
                        || _question
                            .Eaters.First(eater => eater.Id == serving.Cell.Eater)
                            .Stop(serving.Dish.Name, serving.Dish.Version.Profile)
                            is not null
                    )
                    .Select(serving => (serving.Cell.Eater, serving.Cell.Date))
            )
            .ToHashSet();

    public bool Fits => Uncovered.Count == 0 && Broken.Count == 0 && Impossible.Count == 0;

    /// <summary>Each thing that is unmet as a sentence.</summary>
    public IReadOnlyList<string> Unmet =>
        [
            .. Uncovered
                .GroupBy(cell => (cell.Eater, cell.Meal))
                .Select(group =>
                    $"{NameOf(group.Key.Eater)}: no {_question.Rhythm.NameOf(group.Key.Meal)} on {string.Join(", ", group.Select(cell => $"{cell.Date:ddd}"))}."
                ),
            // What is said of several days is said once.
            .. Broken
                .GroupBy(found => (found.Eater, Said: found.Finding.NeedsAllowance ? found.Finding.Title : found.Finding.Because))
                .Select(group =>
                    group.First().Finding.NeedsAllowance
                        ? $"{group.Key.Eater.Name}: nobody stated the allowance for {group.Key.Said.ToLowerInvariant()}, so it can't be kept."
                        : $"{group.Key.Eater.Name}, {DaysOf(group.Select(found => found.Date))}: {group.Key.Said}"
                ),
            .. Impossible,
        ];

    private static string DaysOf(IEnumerable<DateOnly?> dates) =>
        string.Join(", ", dates.Select(date => date is { } day ? day.ToString("ddd", CultureInfo.InvariantCulture) : "the week"));

    private string NameOf(Guid eater) => _question.Eaters.First(one => one.Id == eater).Name;

    private IEnumerable<(Eater Eater, DateOnly? Date, Finding Finding)> Findings() =>
        Ledger
            .Days.SelectMany(day => day.Findings.Select(finding => (day.Eater, (DateOnly?)day.Date, finding)))
            .Concat(_question.Eaters.SelectMany(eater => Ledger.Weeks[eater.Id].Select(finding => (eater, (DateOnly?)null, finding))))
            // What is over nobody changes any more.
            .Where(found => found.Item2 is not { } day || _question.From is not { } from || day >= from)
            .Where(found => found.Item2 is not { } date || !IsElsewhere(found.Item1, date, found.finding))
            // What hangs on meals that are still open is said of the meals.
            .Where(found => !(found.finding.Verdict == Verdict.CannotTell && IsOpen(found.Item1, found.Item2)));

    /// <summary>What a day lacks whose other meals are eaten elsewhere, nobody can say.</summary>
    private bool IsElsewhere(Eater eater, DateOnly date, Finding finding) =>
        !_question.IsWholeDay(eater, date) && finding.Limit?.AtLeast > finding.Value?.Low;

    private bool IsOpen(Eater eater, DateOnly? date) =>
        Ledger.Days.Any(day => day.Eater.Id == eater.Id && (date is null || day.Date == date) && day.OpenMeals.Count > 0);

    private IEnumerable<string> Against()
    {
        foreach (
            var cell in _plan.Servings.Where(serving => !serving.IsBeside).GroupBy(serving => serving.Cell).Where(cell => cell.Count() > 1)
        )
        {
            yield return $"{NameOf(cell.Key.Eater)} has two dishes at {_question.Rhythm.NameOf(cell.Key.Meal)} on {cell.Key.Date:ddd}.";
        }

        foreach (var serving in _plan.Servings)
        {
            if (
                _question.Eaters.First(eater => eater.Id == serving.Cell.Eater).Stop(serving.Dish.Name, serving.Dish.Version.Profile) is
                { } stop
            )
            {
                yield return stop.Reason;
            }

            if (serving.Dish.Ready is not null)
            {
                continue;
            }

            var kept =
                serving.Rest?.KeptUntil(serving.Dish, serving.Cell.Date) ?? serving.Dish.KeptUntil(serving.Cooked, serving.Cell.Date);
            if (kept == KeptIn.PastItsTime)
            {
                yield return $"{serving.Dish.Name} of {serving.Cooked:ddd} does not keep until {serving.Cell.Date:ddd}.";
            }

            if (serving.Rest is not null)
            {
                if (serving.Cell.Date < serving.Cooked)
                {
                    yield return $"{serving.Dish.Name} is eaten on {serving.Cell.Date:ddd} before it is cooked.";
                }
            }
            else if (
                _question.Sessions.FirstOrDefault(session => session.Date == serving.Cooked) is not { } session
                || serving.Cell.Date < session.EatenFrom
            )
            {
                yield return $"{serving.Dish.Name} is eaten on {serving.Cell.Date:ddd} before it is cooked.";
            }
        }

        foreach (
            var bought in _plan
                .Servings.Where(serving => serving.Dish.Ready is not null)
                .GroupBy(serving => serving.Dish)
                .Where(bought => bought.Count() > bought.Key.MostAWeek)
        )
        {
            yield return $"{bought.Key.Name} is eaten {bought.Count()} times and may be {bought.Key.MostAWeek} times a week.";
        }

        foreach (var rest in _plan.Servings.Where(serving => serving.Rest is not null).GroupBy(serving => serving.Rest!))
        {
            if (rest.Key.Box is { } box && (rest.Any(serving => serving.Size > box) || rest.Count() > rest.Key.Portions / box))
            {
                yield return $"{rest.First().Dish.Name}: a meal takes more than one of its boxes.";
            }

            if (rest.Sum(serving => serving.Size) is var eaten && eaten > rest.Key.Portions + rest.Key.More)
            {
                yield return $"{eaten:0.##} portions of {rest.First().Dish.Name} are eaten and {rest.Key.Portions:0.##} are there.";
            }
        }

        var drawn = _plan
            .Servings.Where(serving => serving.Rest is null && serving.Dish.Ready is null)
            .GroupBy(serving => (serving.Cooked, serving.Dish))
            .ToDictionary(group => group.Key, group => group.Sum(serving => serving.Size));
        var cooked = _plan.Batches.SelectMany(batch => batch.Lots.Select(lot => (Key: (batch.Cooked, lot.Dish), lot.Portions)));
        var made = cooked.GroupBy(lot => lot.Key).ToDictionary(group => group.Key, group => group.Sum(lot => (decimal)lot.Portions));
        foreach (var (key, portions) in drawn.Where(item => item.Value > made.GetValueOrDefault(item.Key)))
        {
            yield return $"{portions:0.##} portions of {key.Dish.Name} are eaten and {made.GetValueOrDefault(key):0.##} cooked.";
        }
    }
}

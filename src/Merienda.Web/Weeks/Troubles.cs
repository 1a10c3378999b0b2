using System.Globalization;
using Merienda.Core.Keeping;
using Merienda.Core.Protocols;

namespace Merienda.Web.Weeks;

/// <summary>The line on top of the board: what breaks, what is past its time, what nothing covers.</summary>
public static class Troubles
{
    public static IEnumerable<Trouble> Of(WeekView week)
    {
        var found = new List<Trouble>();
        foreach (var day in week.Ledger.Days)
        {
            // An allowance that nobody stated is said once, at the Table, not on every day; a floor that open meals can still reach is no
            // trouble yet.
            found.AddRange(
                day.Findings.Where(finding =>
                        finding.Verdict != Verdict.Fits
                        && !finding.NeedsAllowance
                        && !(finding is { Verdict: Verdict.CannotTell, Value.IsOpen: false } && day.OpenMeals.Count > 0)
                    )
                    .Select(finding => new Trouble(
                        KindOf(finding.Verdict),
                        $"{Name(day.Date)}, {day.Eater.Name}: {finding.Because}",
                        day.Date,
                        null,
                        day.Eater.Id
                    ))
            );
            // What nobody planned for a day that is over is no work any more.
            if (day.Date >= week.Table.Today)
            {
                found.AddRange(
                    day.OpenMeals.Select(meal => new Trouble(
                        TroubleKind.Open,
                        $"{Name(day.Date)}: {day.Eater.Name}'s {week.Table.Household.Rhythm.NameOf(meal)} is still open.",
                        day.Date,
                        meal,
                        day.Eater.Id
                    ))
                );
            }
        }

        found.AddRange(
            week.Eaters.SelectMany(eater =>
                week.Ledger.Weeks[eater.Id]
                    .Where(finding =>
                        finding.Verdict != Verdict.Fits
                        && !finding.NeedsAllowance
                        && !(finding is { Verdict: Verdict.CannotTell, Value.IsOpen: false })
                    )
                    .Select(finding => new Trouble(
                        KindOf(finding.Verdict),
                        $"{eater.Name}, the week: {finding.Because}",
                        null,
                        null,
                        eater.Id
                    ))
            )
        );
        found.AddRange(
            week.Plated.Where(plated => plated.Drawn?.Keeping.KeptIn == KeptIn.PastItsTime && week.Plan.Holds(plated.Serving.Cell.Date))
                .Select(plated =>
                {
                    var (cell, drawn) = (plated.Serving.Cell, plated.Drawn!);
                    return new Trouble(
                        TroubleKind.PastItsTime,
                        $"{Name(cell.Date)}: {WeekView.Tape(drawn.Batch)} {drawn.Recipe.Name} keeps until {Name(drawn.Keeping.EatBy)} and does not freeze.",
                        cell.Date,
                        cell.Meal,
                        cell.Eater
                    );
                })
        );
        found.AddRange(
            week.Eaters.SelectMany(eater =>
                eater
                    .Rules.Rules.OfType<BoundedRule>()
                    .Where(rule => rule.NeedsAllowance)
                    .Select(rule => new Trouble(
                        TroubleKind.CannotTell,
                        $"{eater.Name}: state the allowance for {rule.Title.ToLowerInvariant()} at the Table.",
                        null,
                        null,
                        eater.Id
                    ))
            )
        );
        return found.OrderBy(trouble => trouble.Kind).ThenBy(trouble => trouble.Date);
    }

    private static string Name(DateOnly date) => date.ToString("ddd", CultureInfo.InvariantCulture);

    private static TroubleKind KindOf(Verdict verdict) =>
        verdict switch
        {
            Verdict.Breaks => TroubleKind.Breaks,
            Verdict.TooClose => TroubleKind.TooClose,
            _ => TroubleKind.CannotTell,
        };
}

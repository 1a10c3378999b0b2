using System.Globalization;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Planning;

/// <summary>How far a session is.</summary>
public enum SessionState
{
    Planned,

    /// <summary>A step of it is ticked.</summary>
    Cooking,

    /// <summary>All of its batches are in boxes.</summary>
    Portioned,
}

/// <summary>When it is cooked, by how many: a session changed, or a batch cooked in another one.</summary>
public static class SessionEdits
{
    /// <summary>Those of the week that are still to come; when none is, one today.</summary>
    public static IReadOnlyList<PrepSession> SessionsToCome(this WeekPlan plan, DateOnly today)
    {
        var planned = plan
            .Rhythm.SessionsOf(plan.Start)
            .Concat(plan.Sessions.Where(session => plan.Holds(session.EatenFrom)).Select(session => session.Date))
            .Distinct()
            .Where(date => date >= today && plan.WrongSession("date", date) is null)
            .Order()
            .ToList();
        var dates = planned.Count > 0 || !plan.Holds(today) ? planned : [today];
        return
        [
            .. dates.Select(date =>
                plan.Sessions.FirstOrDefault(session => session.Date == date && plan.Holds(session.EatenFrom))
                ?? plan.Rhythm.SessionOn(date, plan.Start, Guid.Empty)
            ),
        ];
    }

    /// <summary>Changes a session of the week. On another date it takes its batches along; where one is on that date already, they join it.</summary>
    /// <param name="from">The date it is on.</param>
    public static Result<WeekPlan> ChangeSession(this WeekPlan plan, DateOnly from, DateOnly date, TimeOnly start, int cooks, string name)
    {
        if (plan.Sessions.FirstOrDefault(session => session.Date == from && plan.Holds(session.EatenFrom)) is not { } old)
        {
            return NoSession(from);
        }

        var batches = plan.Batches.Where(batch => batch.Cooked == from).ToList();
        var refusal =
            name.Trim().Length is 0 or > RhythmEdits.LongestName ? RhythmEdits.NameRefused("name", name, "a session")
            : cooks is < 1 or > RhythmEdits.MostCooks ? RhythmEdits.CooksRefused("cooks", cooks)
            : date == from ? null
            : plan.WrongSession("date", date)
                ?? batches.Select(batch => plan.CannotCookOn(batch, date)).FirstOrDefault(wrong => wrong is not null);
        if (refusal is not null)
        {
            return refusal;
        }

        var there = plan.Sessions.FirstOrDefault(session => session.Date == date);
        var changed = (there ?? old) with
        {
            Date = date,
            EatenFrom = date == from ? old.EatenFrom : plan.EatenFrom(old, date),
            Start = RhythmEdits.Minute(start),
            Cooks = cooks,
            Name = name.Trim(),
        };
        return plan with
        {
            // A session that nobody cooks in any more stays where it is: its row is there for what is taken back.
            Sessions = [.. plan.Sessions.Select(session => session == (there ?? old) ? changed : session)],
            Batches = [.. plan.Batches.Select(batch => batches.Contains(batch) ? batch with { Cooked = date } : batch)],
        };
    }

    /// <param name="isBegun">Whether a step of a batch is ticked.</param>
    public static SessionState StateOf(this WeekPlan plan, DateOnly date, Func<Batch, bool> isBegun)
    {
        var batches = plan.Batches.Where(batch => batch.Cooked == date).ToList();
        return batches.Count > 0 && batches.All(batch => batch.PortionedOn is not null) ? SessionState.Portioned
            : batches.Any(batch => batch.PortionedOn is not null || isBegun(batch)) ? SessionState.Cooking
            : SessionState.Planned;
    }

    /// <summary>Cooks a batch on another date of the week.</summary>
    public static Result<WeekPlan> CookOn(this WeekPlan plan, Guid batchId, DateOnly date, Guid newSession) =>
        plan.BatchWithId(batchId) is not { } batch ? WeekEdits.BatchGone(batchId)
        : (plan.WrongSession("date", date) ?? plan.CannotCookOn(batch, date)) is { } refusal ? refusal
        : plan.WithSession(date, newSession).With(batch, batch with { Cooked = date });

    /// <summary>
    /// The plan with a session of the week on a date: where there is none, one as the weekday has it, or as another was. One that another
    /// week has left empty is taken over.
    /// </summary>
    public static WeekPlan WithSession(this WeekPlan plan, DateOnly date, Guid newSession, PrepSession? like = null)
    {
        var there = plan.Sessions.FirstOrDefault(session => session.Date == date);
        if (there is not null && (plan.Holds(there.EatenFrom) || !there.IsFree))
        {
            return plan;
        }

        var usual = plan.Rhythm.SessionOn(date, plan.Start, there?.Id ?? newSession);
        return plan with
        {
            Sessions =
            [
                .. plan.Sessions.Where(session => session != there),
                like is null ? usual : usual with { Start = like.Start, Cooks = like.Cooks, Name = like.Name },
            ],
        };
    }

    /// <summary>Why nothing is cooked on a date for this week; null when it can be.</summary>
    public static Refusal? WrongSession(this WeekPlan plan, string field, DateOnly date)
    {
        var (first, last) = (plan.Start.AddDays(-PrepSession.FarthestDays), plan.Start.AddDays(PrepSession.FarthestDays));
        return date < first || date > last
                ? new(
                    "session-out-of-week",
                    field,
                    $"{date:yyyy-MM-dd}",
                    $"this week is cooked for between {first:yyyy-MM-dd} and {last:yyyy-MM-dd}",
                    "Choose a day in that time"
                )
            : plan.Sessions.FirstOrDefault(session => session.Date == date && !session.IsFree && !plan.Holds(session.EatenFrom))
                is { } other
                ? new(
                    "session-of-other-week",
                    field,
                    $"{date:yyyy-MM-dd}",
                    $"that day's session is cooked for the week of {plan.Rhythm.WeekOf(other.EatenFrom):yyyy-MM-dd}",
                    "Add it there, or choose another day"
                )
            : null;
    }

    private static Refusal? CannotCookOn(this WeekPlan plan, Batch batch, DateOnly date) =>
        BatchEdits.IsPortioned(batch) is { } portioned ? portioned
        : plan.DrawsOf(batch.Id).Select(item => item.Serving.Cell.Date).Order().FirstOrDefault() is var eaten
        && eaten != default
        && eaten < date
            ? new(
                "eaten-before",
                "date",
                $"{date:yyyy-MM-dd}",
                $"{batch.Letter} is eaten on {eaten.ToString("dddd", CultureInfo.InvariantCulture)} already",
                "Move its portions to later days first, or choose an earlier day"
            )
        : null;

    private static DateOnly EatenFrom(this WeekPlan plan, PrepSession session, DateOnly date) =>
        PrepSession.EatenFromIn(plan.Start, date.AddDays(session.EatenFrom.DayNumber - session.Date.DayNumber));

    private static Refusal NoSession(DateOnly date) =>
        new("no-session", "day", $"{date:yyyy-MM-dd}", "nothing is cooked for this week on that day", "Choose a session of this week");
}

using System.Globalization;

namespace Merienda.Core.Protocols;

/// <summary>A restriction of limited length, then challenges one at a time, each followed by days back to base.</summary>
/// <param name="ShortestDays">Fewest days of restriction.</param>
/// <param name="LongestDays">Most days of restriction: it is meant for weeks.</param>
public sealed record PhaseSchedule(int ShortestDays, int LongestDays, IReadOnlyList<Challenge> Challenges);

/// <summary>One thing that is tried: a class of food or a FODMAP sub-group.</summary>
/// <param name="Allows">Keys of the classes or sub-groups that the challenge sets free.</param>
/// <param name="Days">Days of eating it.</param>
/// <param name="WashoutDays">Days back to base afterwards.</param>
/// <param name="Doses">What is eaten on each day, in order; empty when nobody says.</param>
public sealed record Challenge(
    string Id,
    string Name,
    IReadOnlyList<string> Allows,
    int Days,
    int WashoutDays,
    IReadOnlyList<string> Doses
);

public enum ChallengeOutcome
{
    Open,
    Tolerated,
    NotTolerated,
}

/// <summary>An eater's way through a protocol's phases, in local dates.</summary>
/// <param name="Start">First day of restriction.</param>
/// <param name="RestrictionEnds">Last day of restriction.</param>
/// <param name="Order">Ids of the challenges in the order they are tried.</param>
/// <param name="Outcomes">What the diary decided, by challenge id.</param>
public sealed record PhasePlan(
    string Protocol,
    DateOnly Start,
    DateOnly RestrictionEnds,
    IReadOnlyList<string> Order,
    IReadOnlyDictionary<string, ChallengeOutcome> Outcomes
);

public enum PhaseKind
{
    Before,
    Restriction,
    Challenge,
    Washout,
    Personal,
}

/// <summary>One stretch of the calendar.</summary>
public sealed record PhaseStretch(PhaseKind Kind, Challenge? Challenge, DateOnly First, DateOnly Last);

/// <summary>What holds on one day.</summary>
/// <param name="DayNumber">From 1, within the stretch.</param>
/// <param name="Allowed">Keys of classes or sub-groups that are free today: under trial, or found to be tolerated.</param>
/// <param name="Says">"Today: try lactose, 3rd day".</param>
public sealed record PhaseDay(PhaseKind Kind, Challenge? Challenge, int DayNumber, IReadOnlySet<string> Allowed, string Says);

/// <summary>Lays a plan out over the calendar.</summary>
public static class PhaseCalendar
{
    /// <summary>Restriction, then each challenge with its washout; the personal list has no end.</summary>
    public static IReadOnlyList<PhaseStretch> Stretches(PhasePlan plan, PhaseSchedule schedule)
    {
        var stretches = new List<PhaseStretch> { new(PhaseKind.Restriction, null, plan.Start, plan.RestrictionEnds) };
        var next = plan.RestrictionEnds.AddDays(1);
        foreach (var challenge in plan.Order.Select(id => schedule.Challenges.FirstOrDefault(item => item.Id == id)).OfType<Challenge>())
        {
            stretches.Add(new(PhaseKind.Challenge, challenge, next, next.AddDays(challenge.Days - 1)));
            next = next.AddDays(challenge.Days);
            if (challenge.WashoutDays > 0)
            {
                stretches.Add(new(PhaseKind.Washout, challenge, next, next.AddDays(challenge.WashoutDays - 1)));
                next = next.AddDays(challenge.WashoutDays);
            }
        }

        stretches.Add(new(PhaseKind.Personal, null, next, DateOnly.MaxValue));
        return stretches;
    }

    public static PhaseDay On(PhasePlan plan, PhaseSchedule schedule, DateOnly date)
    {
        if (date < plan.Start)
        {
            return new(
                PhaseKind.Before,
                null,
                0,
                new HashSet<string>(),
                $"Starts on {plan.Start.ToString("d MMMM", CultureInfo.InvariantCulture)}"
            );
        }

        var stretches = Stretches(plan, schedule);
        var now = stretches.First(stretch => date <= stretch.Last);
        var day = date.DayNumber - now.First.DayNumber + 1;
        var allowed = now switch
        {
            { Kind: PhaseKind.Challenge, Challenge: { } tried } => tried.Allows,
            // What challenges found is nobody's until all of them are over: one thing is tried at a time.
            { Kind: PhaseKind.Personal } => stretches
                .Where(stretch =>
                    stretch is { Kind: PhaseKind.Challenge, Challenge: { } over }
                    && plan.Outcomes.GetValueOrDefault(over.Id) == ChallengeOutcome.Tolerated
                )
                .SelectMany(stretch => stretch.Challenge!.Allows),
            _ => [],
        };
        return new(now.Kind, now.Challenge, day, allowed.ToHashSet(), Says(now, day));
    }

    private static string Says(PhaseStretch now, int day) =>
        now.Kind switch
        {
            PhaseKind.Restriction => $"Restriction, day {day} of {now.Last.DayNumber - now.First.DayNumber + 1}",
            PhaseKind.Challenge =>
                $"Today: try {InSentence(now.Challenge!.Name)}, {Ordinal(day)} day{(now.Challenge.Doses.ElementAtOrDefault(day - 1) is { } dose ? $": {dose}" : "")}",
            PhaseKind.Washout =>
                $"Back to base after {InSentence(now.Challenge!.Name)}, day {day} of {now.Last.DayNumber - now.First.DayNumber + 1}",
            _ => "Personal list: what was tolerated is back",
        };

    // A name like "GOS" keeps its capitals.
    private static string InSentence(string name) =>
        name.Length > 1 && char.IsUpper(name[1]) ? name : char.ToLowerInvariant(name[0]) + name[1..];

    private static string Ordinal(int number) =>
        (number % 100, number % 10) switch
        {
            (>= 11 and <= 13, _) => $"{number}th",
            (_, 1) => $"{number}st",
            (_, 2) => $"{number}nd",
            (_, 3) => $"{number}rd",
            _ => $"{number}th",
        };
}

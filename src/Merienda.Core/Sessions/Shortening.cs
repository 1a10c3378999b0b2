using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>One thing done otherwise, so that a session may be over earlier.</summary>
/// <param name="Dish">Place of the dish of which a step is done elsewhere; null for one more cook or vessel.</param>
/// <param name="Elsewhere">Where the step is done then.</param>
public sealed record Shortening(int? Dish, PrepTask? Task, OtherPlace? Elsewhere, SessionQuestion Question)
{
    /// <summary>Steps that are shorter than so many minutes are not worth another place.</summary>
    private const int Worth = 10;

    /// <summary>Vessels of which one more is tried.</summary>
    private const int MostVessels = 2;

    /// <summary>Of the session's vessels the one of which there is one more; null for another thing.</summary>
    public int? Vessel { get; init; }

    /// <summary>
    /// What might be tried, one thing at a time: one more cook, one more of the vessels that most dishes wait for, and each longer step of the
    /// oven in the air fryer, if there is one.
    /// </summary>
    public static IReadOnlyList<Shortening> Of(
        IReadOnlyList<CookedDish> dishes,
        CookedSession session,
        SessionKitchen kitchen,
        int mostCooks
    )
    {
        var tries = new List<Shortening>();
        if (kitchen.Cooks < mostCooks)
        {
            tries.Add(new(null, null, null, session.Question with { Cooks = kitchen.Cooks + 1 }));
        }

        var question = session.Question;
        foreach (
            var vessel in Enumerable
                .Range(0, question.Vessels.Count)
                .Select(vessel => (Vessel: vessel, Stays: question.Stays.Count(stay => stay.Vessels[0] == vessel)))
                .Where(one => one.Stays > question.Vessels[one.Vessel])
                .OrderByDescending(one => one.Stays)
                .Take(MostVessels)
                .Select(one => one.Vessel)
        )
        {
            var more = question with { Vessels = [.. question.Vessels.Select((count, one) => one == vessel ? count + 1 : count)] };
            tries.Add(new(null, null, null, more) { Vessel = vessel });
        }

        for (var at = 0; at < session.Steps.Count; at++)
        {
            var (dish, step) = session.Steps[at];
            if (
                step.Task is { Instead: null, Appliance: Appliance.Oven, Unattended: >= Worth }
                && ElsewhereOf.Task(step.Task) is { } other
                && !kitchen.Unlisted.Contains(other.Appliance)
                && PlaceOf(session.Question, other.Appliance) is { } place
            )
            {
                tries.Add(new(dish, step.Task, other, session.Question with { Works = With(session.Question.Works, at, place, other) }));
            }
        }

        return tries;
    }

    private static int? PlaceOf(SessionQuestion question, Appliance appliance) =>
        Enumerable
            .Range(0, question.Places.Count)
            .Where(at => question.Places[at].Appliance == appliance)
            .Select(at => (int?)at)
            .FirstOrDefault();

    private static IReadOnlyList<SessionWork> With(IReadOnlyList<SessionWork> works, int at, int place, OtherPlace other) =>
        [.. works.Select((work, one) => one == at ? work with { Ways = [new(place, null, other.Unattended, false)] } : work)];
}

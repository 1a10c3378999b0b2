using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>What keeps a session from being shorter, in whatever order it is cooked.</summary>
/// <param name="Minutes">No order takes less.</param>
/// <param name="Dish">Place of the dish whose own steps take so long; null where hands or an appliance do.</param>
/// <param name="Appliance">That is needed so long; null where a dish or hands are.</param>
public sealed record SessionBound(int Minutes, int? Dish, Appliance? Appliance)
{
    /// <summary>Of the session's vessels the one that is needed so long; null where something else is.</summary>
    public int? Vessel { get; init; }

    /// <summary>The largest of four: the longest chain of steps, the work by hand shared among the cooks, the busiest appliance and vessel.</summary>
    public static SessionBound Of(CookedSession session)
    {
        var question = session.Question;
        var chains = new int?[question.Works.Count];
        var all = Enumerable.Range(0, chains.Length).ToList();
        var longest = all.Select(at => (session.Steps[at].Dish, Minutes: ChainTo(at))).OrderByDescending(one => one.Minutes).ToList();
        var hands = Shared(question.Works.Sum(work => work.HandsOn), question.Cooks);
        // What may be done in two kinds of appliance limits neither of them.
        var busiest = question
            .Works.Where(work => work.Ways.All(way => way.Place is not null))
            .Select(work => (Work: work, Kinds: work.Ways.Select(way => question.Places[way.Place!.Value].Appliance).Distinct().ToList()))
            .Where(one => one.Kinds.Count == 1)
            .GroupBy(one => one.Kinds[0], one => one.Work)
            .Select(of =>
                (
                    Appliance: of.Key,
                    Minutes: Shared(
                        of.Sum(work => work.Ways.Min(way => Held(way, work.HandsOn))),
                        question.Places.Where(place => place.Appliance == of.Key).Sum(place => place.Count)
                    )
                )
            )
            .OrderByDescending(one => one.Minutes)
            .ToList();
        var bound = longest.Count == 0 ? new(0, null, null) : new SessionBound(longest[0].Minutes, longest[0].Dish, null);
        if (hands > bound.Minutes)
        {
            bound = new(hands, null, null);
        }

        bound = busiest.Count > 0 && busiest[0].Minutes > bound.Minutes ? new(busiest[0].Minutes, null, busiest[0].Appliance) : bound;
        foreach (var stays in question.Stays.Where(stay => stay.Vessels.Count == 1).GroupBy(stay => stay.Vessels[0]))
        {
            var minutes = Shared(stays.Sum(stay => stay.Works.Max(Least)), question.Vessels[stays.Key]);
            bound = minutes > bound.Minutes ? new(minutes, null, null) { Vessel = stays.Key } : bound;
        }

        return bound;

        int Least(int at) => question.Works[at].HandsOn + question.Works[at].Ways.Min(way => way.Alone);

        // Minutes from the start of the session to the end of a work if nothing else is in the way.
        int ChainTo(int at) => chains[at] ??= question.Works[at].Before.Select(ChainTo).DefaultIfEmpty(0).Max() + Least(at);
    }

    private static int Shared(int minutes, int places) => (minutes + places - 1) / places;

    private static int Held(SessionWay way, int handsOn) => way.Alone + (way.HoldsFromStart ? handsOn : 0);
}

namespace Merienda.Core.Sessions;

/// <summary>
/// An order at once: whatever leads to the longest unattended time starts first, a step waits for those before it, and nothing is booked
/// twice. A list rule: good, not proven best; the search begins with it, and it stands in where nothing is searched.
/// </summary>
public static class SessionPlan
{
    /// <summary>The order of a session in a kitchen.</summary>
    public static IReadOnlyList<ScheduledTask> Order(IReadOnlyList<CookedDish> dishes, SessionKitchen kitchen)
    {
        var session = CookedSession.Of(dishes, kitchen);
        return session.Order(Of(session.Question));
    }

    /// <summary>
    /// Keeps hands, places, what comes before and what stands at a minute; how long things may wait, and whose vessel is free, only as well as
    /// it can.
    /// </summary>
    public static SessionAnswer Of(SessionQuestion question)
    {
        var (works, bookings, vessels) = (question.Works, new Bookings(question), new VesselsTaken(question));
        var (starts, ways, tails) = (new int?[works.Count], new int[works.Count], Tails(question));
        var waiting = Enumerable.Range(0, works.Count).OrderByDescending(at => tails[at]).ToList();
        var now = 0;
        foreach (var at in waiting.Where(at => works[at].At is not null).ToList())
        {
            Begin(at, works[at].At!.Value, bookings.Find(works[at], works[at].At!.Value) ?? 0);
        }

        while (waiting.Count > 0)
        {
            var next = waiting
                .Where(at => works[at].Earliest <= now && works[at].Before.All(before => starts[before] is not null && End(before) <= now))
                .Where(at => vessels.MayBegin(at, IsOver))
                .Select(at => (At: at, Way: bookings.Find(works[at], now)))
                .Where(one => one.Way is not null)
                // What must not stand goes on first.
                .OrderBy(one => StandsUntil(one.At) ?? int.MaxValue)
                .Select(one => ((int At, int Way)?)(one.At, one.Way!.Value))
                .FirstOrDefault();
            if (next is { } begins)
            {
                Begin(begins.At, now, begins.Way);
            }
            else if (NextAfter(now) is { } later)
            {
                now = later;
            }
            else
            {
                vessels.IsAsked = false;
            }
        }

        return new([.. starts.Select(start => start!.Value)], ways, null) { Vessels = vessels.Of };

        int End(int at) => starts[at]!.Value + works[at].HandsOn + works[at].Ways[ways[at]].Alone;
        bool IsOver(int at) => starts[at] is not null && End(at) <= now;
        int? StandsUntil(int at) =>
            works[at].Before.Where(before => starts[before] is not null).Min(before => End(before) + works[before].WaitsAtMost);

        void Begin(int at, int start, int way)
        {
            (starts[at], ways[at]) = (start, way);
            waiting.Remove(at);
            bookings.Take(works[at], way, start);
            vessels.Begin(at, IsOver);
        }

        // Something waits for what has begun, for hands or for a place: one of them ends. Only vessels may be waited for in a ring.
        int? NextAfter(int minute) =>
            Enumerable
                .Range(0, works.Count)
                .Where(at => starts[at] is not null)
                .Select(End)
                .Concat(waiting.SelectMany(at => bookings.BeginsFor(works[at])))
                .Concat(waiting.Select(at => works[at].Earliest))
                .Where(later => later > minute)
                .Min(later => (int?)later);
    }

    /// <summary>Minutes from the end of each work's hands-on part until all that hangs on it is over.</summary>
    private static int[] Tails(SessionQuestion question)
    {
        var tails = new int[question.Works.Count];
        var after = question.Works.Select(_ => new List<int>()).ToList();
        foreach (var at in Enumerable.Range(0, question.Works.Count))
        {
            question.Works[at].Before.ToList().ForEach(before => after[before].Add(at));
        }

        var known = new bool[tails.Length];
        int Tail(int at)
        {
            if (!known[at])
            {
                known[at] = true;
                tails[at] =
                    question.Works[at].Ways.Min(way => way.Alone)
                    + after[at].Select(next => question.Works[next].HandsOn + Tail(next)).DefaultIfEmpty(0).Max();
            }

            return tails[at];
        }

        Enumerable.Range(0, tails.Length).ToList().ForEach(at => Tail(at));
        return tails;
    }
}

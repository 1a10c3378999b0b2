namespace Merienda.Core.Sessions;

/// <summary>Looks at every minute of an order, without knowing how it was made.</summary>
public static class SessionJudge
{
    /// <summary>What an order breaks, as sentences; none for one that can be cooked.</summary>
    public static IEnumerable<string> Wrong(SessionQuestion question, SessionAnswer answer)
    {
        var works = question.Works;
        if (answer.Starts.Count != works.Count || answer.Ways.Count != works.Count || answer.Vessels.Count != question.Stays.Count)
        {
            yield return "not every step has its minute and its vessel";
            yield break;
        }

        for (var stay = 0; stay < question.Stays.Count; stay++)
        {
            if (!question.Stays[stay].Vessels.Contains(answer.Vessels[stay]))
            {
                yield return $"vessel {answer.Vessels[stay]} does not hold what is in {stay}";
            }
        }

        for (var at = 0; at < works.Count; at++)
        {
            if (answer.Starts[at] < works[at].Earliest || answer.Starts[at] < 0)
            {
                yield return $"step {at} begins too early";
            }

            if (works[at].At is { } put && put != answer.Starts[at])
            {
                yield return $"step {at} does not begin where it was put";
            }

            if (IsToCome(at) && works[at].Before.Any(before => answer.EndOf(question, before) > answer.Starts[at]))
            {
                yield return $"step {at} begins before what it waits for is over";
            }
        }

        for (var minute = 0; minute < answer.End(question); minute++)
        {
            var busy = Enumerable
                .Range(0, works.Count)
                .Where(at => answer.Starts[at] <= minute && minute < answer.Starts[at] + works[at].HandsOn)
                .ToList();
            if (busy.Count > question.Cooks && busy.Exists(IsToCome))
            {
                yield return $"{busy.Count} things are done by hand at {minute}";
            }

            for (var place = 0; place < question.Places.Count; place++)
            {
                var held = Enumerable.Range(0, works.Count).Where(at => Holds(at, place, minute)).ToList();
                if (held.Count > question.Places[place].Count && held.Exists(IsToCome))
                {
                    yield return $"{question.Places[place].Appliance} holds {held.Count} at {minute}";
                }

                if (held.Select(at => answer.WayOf(question, at).Heat).OfType<int>().Distinct().Count() > 1 && held.Exists(IsToCome))
                {
                    yield return $"{question.Places[place].Appliance} has two temperatures at {minute}";
                }
            }

            foreach (var (vessel, count) in question.Vessels.Select((count, vessel) => (vessel, count)))
            {
                if (Enumerable.Range(0, question.Stays.Count).Count(stay => answer.Vessels[stay] == vessel && IsIn(stay, minute)) > count)
                {
                    yield return $"vessel {vessel} is taken twice at {minute}";
                }
            }
        }

        bool IsIn(int stay, int minute)
        {
            var (from, to) = answer.Stays(question, stay);
            return from <= minute && minute < to;
        }

        bool IsToCome(int at) => !works[at].IsUnderway;

        bool Holds(int at, int place, int minute)
        {
            var way = answer.WayOf(question, at);
            var (from, to) = way.Holds(answer.Starts[at], works[at].HandsOn);
            return way.Place == place && from <= minute && minute < to;
        }
    }
}

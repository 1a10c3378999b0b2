namespace Merienda.Core.Sessions;

/// <summary>A place, or hands, held from one minute to another.</summary>
internal readonly record struct Booking(int From, int To, int? Heat)
{
    public bool Meets(int from, int to) => From < to && from < To;
}

/// <summary>What is held of a session's places and hands so far.</summary>
internal sealed class Bookings(SessionQuestion question)
{
    private readonly List<Booking>[] _held = [.. question.Places.Select(_ => new List<Booking>())];
    private readonly List<Booking> _hands = [];

    /// <summary>The first of the ways in which a work may begin at a minute; null where there is none.</summary>
    public int? Find(SessionWork work, int start)
    {
        if (work.HandsOn > 0 && MostAtOnce(_hands, start, start + work.HandsOn) >= question.Cooks)
        {
            return null;
        }

        return Enumerable
            .Range(0, work.Ways.Count)
            .Where(way => HasRoom(work, work.Ways[way], start))
            .Select(way => (int?)way)
            .FirstOrDefault();
    }

    public void Take(SessionWork work, int way, int start)
    {
        _hands.Add(new(start, start + work.HandsOn, null));
        if (work.Ways[way] is { Place: { } place } taken)
        {
            var (from, to) = taken.Holds(start, work.HandsOn);
            _held[place].Add(new(from, to, taken.Heat));
        }
    }

    /// <summary>When a work would begin just as hands or one of its places are given back.</summary>
    public IEnumerable<int> BeginsFor(SessionWork work) =>
        _hands
            .Select(held => held.To)
            .Concat(
                work.Ways.Where(way => way.Place is not null)
                    .SelectMany(way => _held[way.Place!.Value].Select(held => held.To - way.Holds(0, work.HandsOn).From))
            );

    private bool HasRoom(SessionWork work, SessionWay way, int start)
    {
        if (way.Place is not { } place)
        {
            return true;
        }

        var (from, to) = way.Holds(start, work.HandsOn);
        return from >= to
            || MostAtOnce(_held[place], from, to) < question.Places[place].Count
                && _held[place].TrueForAll(held => !held.Meets(from, to) || held.Heat is null || way.Heat is null || held.Heat == way.Heat);
    }

    /// <summary>How many others hold it at once in that time.</summary>
    private static int MostAtOnce(List<Booking> held, int from, int to)
    {
        var others = held.Where(other => other.Meets(from, to)).ToList();
        return others
            .Select(other => Math.Max(other.From, from))
            .Select(minute => others.Count(other => other.From <= minute && minute < other.To))
            .DefaultIfEmpty(0)
            .Max();
    }
}

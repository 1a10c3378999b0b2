using Merienda.Core.Sessions;

namespace Merienda.Solving.Tests;

/// <summary>The earliest end of a tiny session, by trying every minute and every way of every step.</summary>
internal sealed class EveryOrder
{
    private readonly SessionQuestion _question;
    private readonly int[] _hands;
    private readonly int[,] _held,
        _heated;
    private readonly int?[,] _heat;
    private readonly int[] _starts,
        _ends,
        _ways;
    private int _best;

    private EveryOrder(SessionQuestion question, int atMost)
    {
        (_question, _best) = (question, atMost + 1);
        var minutes = atMost + 1;
        (_hands, _held) = (new int[minutes], new int[question.Places.Count, minutes]);
        (_heated, _heat) = (new int[question.Places.Count, minutes], new int?[question.Places.Count, minutes]);
        (_starts, _ends, _ways) = (new int[question.Works.Count], new int[question.Works.Count], new int[question.Works.Count]);
    }

    /// <param name="atMost">Minutes of an order that is known.</param>
    public static int End(SessionQuestion question, int atMost)
    {
        var search = new EveryOrder(question, atMost);
        search.Place(0, 0);
        return search._best;
    }

    private void Place(int at, int end)
    {
        if (at == _question.Works.Count)
        {
            _best = IsHeatTaken() && HasVessels([]) ? end : _best;
            return;
        }

        var work = _question.Works[at];
        var earliest = work.Before.Select(before => _ends[before]).Append(work.Earliest).Max();
        for (var way = 0; way < work.Ways.Count; way++)
        {
            for (var start = work.At ?? earliest; start + work.HandsOn + work.Ways[way].Alone < _best; start++)
            {
                if (start >= earliest && Take(work, way, start))
                {
                    (_starts[at], _ends[at], _ways[at]) = (start, start + work.HandsOn + work.Ways[way].Alone, way);
                    Place(at + 1, Math.Max(end, _ends[at]));
                    Give(work, way, start, int.MaxValue);
                }

                if (work.At is not null)
                {
                    break;
                }
            }
        }
    }

    private bool Take(SessionWork work, int way, int start)
    {
        var taken = 0;
        foreach (var (minute, isHands) in Minutes(work, way, start))
        {
            if (isHands ? _hands[minute] == _question.Cooks : !HasRoom(work.Ways[way], minute))
            {
                Give(work, way, start, taken);
                return false;
            }

            taken++;
            if (isHands)
            {
                _hands[minute]++;
            }
            else
            {
                Hold(work.Ways[way], minute, 1);
            }
        }

        return true;
    }

    private void Give(SessionWork work, int way, int start, int taken)
    {
        foreach (var (minute, isHands) in Minutes(work, way, start).Take(taken))
        {
            if (isHands)
            {
                _hands[minute]--;
            }
            else
            {
                Hold(work.Ways[way], minute, -1);
            }
        }
    }

    private void Hold(SessionWay way, int minute, int more)
    {
        var place = way.Place!.Value;
        _held[place, minute] += more;
        if (way.Heat is not null)
        {
            _heated[place, minute] += more;
            _heat[place, minute] = _heated[place, minute] == 0 ? null : way.Heat;
        }
    }

    /// <summary>What says no heat goes in beside any.</summary>
    private bool HasRoom(SessionWay way, int minute) =>
        _held[way.Place!.Value, minute] < _question.Places[way.Place.Value].Count
        && (way.Heat is null || _heat[way.Place.Value, minute] is not { } heat || way.Heat == heat);

    private static IEnumerable<(int Minute, bool IsHands)> Minutes(SessionWork work, int way, int start)
    {
        for (var minute = start; minute < start + work.HandsOn; minute++)
        {
            yield return (minute, true);
        }

        if (work.Ways[way].Place is not null)
        {
            var (from, to) = work.Ways[way].Holds(start, work.HandsOn);
            for (var minute = from; minute < to; minute++)
            {
                yield return (minute, false);
            }
        }
    }

    /// <summary>Another temperature than a step's own comes from something that bakes at it in that oven.</summary>
    private bool IsHeatTaken() =>
        Enumerable
            .Range(0, _ways.Length)
            .All(at =>
                Taken(at) is not { Heat: { } heat } way
                || Own(at) == heat
                || way.Alone == 0
                || Enumerable
                    .Range(0, _ways.Length)
                    .Any(other =>
                        other != at
                        && Taken(other).Alone > 0
                        && Taken(other).Heat == heat
                        && Taken(other).Place == way.Place
                        && Own(other) == heat
                    )
            );

    /// <summary>Whether every stay finds a vessel, by trying all of them.</summary>
    private bool HasVessels(IReadOnlyList<int> vessels) =>
        vessels.Count == _question.Stays.Count
        || _question.Stays[vessels.Count].Vessels.Any(vessel => IsFree(vessels, vessel) && HasVessels([.. vessels, vessel]));

    private bool IsFree(IReadOnlyList<int> vessels, int vessel)
    {
        var (from, to) = StayOf(vessels.Count);
        return Enumerable
            .Range(from, Math.Max(0, to - from))
            .All(minute =>
                Enumerable
                    .Range(0, vessels.Count)
                    .Count(other => vessels[other] == vessel && StayOf(other) is var (begins, ends) && begins <= minute && minute < ends)
                < _question.Vessels[vessel]
            );
    }

    private (int From, int To) StayOf(int stay) =>
        (_question.Stays[stay].Works.Min(at => _starts[at]), _question.Stays[stay].Works.Max(at => _ends[at]));

    private SessionWay Taken(int at) => _question.Works[at].Ways[_ways[at]];

    private int? Own(int at) => _question.Works[at].Ways.Select(way => way.Heat).FirstOrDefault(heat => heat is not null);
}

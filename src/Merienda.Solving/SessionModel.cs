using Google.OrTools.Sat;
using Merienda.Core.Sessions;

namespace Merienda.Solving;

/// <summary>Every step's minute and place, with what may not be at once.</summary>
internal sealed class SessionModel
{
    // What is pleasant within one end, one unit each: steps that need not move, an allergen on the board before other things, cutting in
    // one go, minutes of hands, a board to wash.
    private const int Moves = 100_000,
        Soils = 20_000,
        Apart = 10_000,
        Hands = 10,
        Washes = 5;

    private readonly SessionQuestion _question;
    private readonly int _horizon;
    private readonly IntVar[] _starts;
    private readonly BoolVar[][] _ways;
    private readonly LinearExpr[] _ends;
    private readonly SessionVessels _vessels;

    /// <param name="horizon">No step ends after this minute.</param>
    public SessionModel(SessionQuestion question, int horizon)
    {
        (_question, _horizon) = (question, horizon);
        _starts = [.. question.Works.Select((work, at) => Model.NewIntVar(work.At ?? work.Earliest, work.At ?? horizon, $"start {at}"))];
        _ways = [.. question.Works.Select((work, at) => work.Ways.Select((_, way) => Model.NewBoolVar($"{at} as {way}")).ToArray())];
        _ends =
        [
            .. question.Works.Select(
                (work, at) => HandsOff(at) + LinearExpr.Sum(work.Ways.Select((way, one) => _ways[at][one] * way.Alone))
            ),
        ];
        End = Model.NewIntVar(0, horizon, "end");
        for (var at = 0; at < _starts.Length; at++)
        {
            Model.AddExactlyOne(_ways[at]);
            Model.Add(End >= _ends[at]);
        }

        TooLong = Wait();
        AtOnce([.. Works.Select(at => new Span(at, 0, question.Works[at].HandsOn, Model.TrueLiteral()))], question.Cooks);
        for (var place = 0; place < question.Places.Count; place++)
        {
            Share(place);
        }

        _vessels = new(Model, question, horizon, _starts, _ends);
        foreach (var alike in SessionTwins.Of(question))
        {
            foreach (var (one, next) in alike.Zip(alike.Skip(1)))
            {
                Model.Add(_starts[one[0]] <= _starts[next[0]]);
            }
        }
    }

    public CpModel Model { get; } = new();

    public IntVar End { get; }

    /// <summary>Minutes that things stand longer than they may, all together.</summary>
    public LinearExpr TooLong { get; }

    private IEnumerable<int> Works => Enumerable.Range(0, _starts.Length);

    /// <summary>What is better within one end, the smaller the better.</summary>
    public LinearExpr Pleasant()
    {
        var hands = Model.NewIntVar(0, _horizon, "hands end");
        foreach (var at in Works)
        {
            Model.Add(hands >= HandsOff(at));
        }

        return LinearExpr.Sum([
            LinearExpr.Sum(Works.Where(at => _question.Works[at].Was is not null).Select(Moved)) * Moves,
            LinearExpr.Sum(from at in Works from other in Cut(_question.Works[at].SoilsBoardFor) select IsBefore(at, [other])) * Soils,
            LinearExpr.Sum(_question.Together.Select(IsApart)) * Apart,
            hands * Hands,
            LinearExpr.Sum(Cut(work => work.Board == OnBoard.Raw).Select(at => IsBefore(at, Cut(work => work.Board == OnBoard.Plants))))
                * Washes,
            // As written where nothing is won by another way.
            LinearExpr.Sum(_ways.SelectMany(ways => ways.Skip(1))),
            _vessels.Unlikely,
        ]);
    }

    public void Hint(SessionAnswer answer)
    {
        answer = SessionTwins.InTurn(_question, answer);
        Model.ClearHints();
        foreach (var at in Works)
        {
            Model.AddHint(_starts[at], answer.Starts[at]);
            for (var way = 0; way < _ways[at].Length; way++)
            {
                Model.AddHint(_ways[at][way], answer.Ways[at] == way);
            }
        }

        _vessels.Hint(answer.Vessels);
        Model.AddHint(End, answer.End(_question));
    }

    public SessionAnswer Read(CpSolver solver) =>
        new(
            [.. _starts.Select(start => (int)solver.Value(start))],
            [.. _ways.Select(ways => Array.FindIndex(ways, way => solver.BooleanValue(way)))],
            null
        )
        {
            Vessels = _vessels.Read(solver),
        };

    private LinearExpr HandsOff(int at) => _starts[at] + _question.Works[at].HandsOn;

    private LinearExpr Wait()
    {
        var tooLong = new List<IntVar>();
        foreach (var at in Works)
        {
            foreach (var before in _question.Works[at].Before.Where(_ => !IsUnderway(at)))
            {
                Model.Add(_starts[at] >= _ends[before]);
                if (_question.Works[before].WaitsAtMost is { } most)
                {
                    var over = Model.NewIntVar(0, _horizon, "too long");
                    Model.Add(over >= _starts[at] - _ends[before] - most);
                    tooLong.Add(over);
                }
            }
        }

        return LinearExpr.Sum(tooLong);
    }

    /// <summary>What takes one place: no more than it holds, and whatever is in it at once has one temperature.</summary>
    private void Share(int place)
    {
        var held = (
            from at in Works
            from way in Enumerable.Range(0, _ways[at].Length)
            // What goes on for no time takes no place and no heat.
            where _question.Works[at].Ways[way].Place == place && IsHeld(at, way)
            select (At: at, Way: _question.Works[at].Ways[way], Is: _ways[at][way])
        ).ToList();
        AtOnce(
            [
                .. held.Select(run =>
                {
                    var (from, to) = run.Way.Holds(0, _question.Works[run.At].HandsOn);
                    return new Span(run.At, from, to, run.Is);
                }),
            ],
            _question.Places[place].Count
        );
        foreach (var (one, other) in from a in Works from b in Works where a < b && !(IsUnderway(a) && IsUnderway(b)) select (a, b))
        {
            var unlike = (
                from a in held.Where(run => run.At == one)
                from b in held.Where(run => run.At == other)
                where a.Way.Heat is not null && b.Way.Heat is not null && a.Way.Heat != b.Way.Heat
                select (One: a.Is, Other: b.Is)
            ).ToList();
            if (unlike.Count > 0)
            {
                var (first, second) = (Model.NewBoolVar($"{one} before {other}"), Model.NewBoolVar($"{other} before {one}"));
                Model.Add(_ends[one] <= HandsOff(other)).OnlyEnforceIf(first);
                Model.Add(_ends[other] <= HandsOff(one)).OnlyEnforceIf(second);
                unlike.ForEach(both => Model.AddBoolOr([both.One.Not(), both.Other.Not(), first, second]));
            }
        }

        // Another temperature than its own is taken only from something that bakes at it.
        foreach (
            var (at, way, isTaken) in held.Where(run => run.Way.Heat is not null && run.Way.Heat != OwnHeat(run.At) && !IsUnderway(run.At))
        )
        {
            var whose = held.Where(other => other.At != at && other.Way.Heat == way.Heat && OwnHeat(other.At) == way.Heat)
                .Select(other => (ILiteral)other.Is);
            Model.AddBoolOr(whose.Append(isTaken.Not()));
        }
    }

    private bool IsHeld(int at, int way) =>
        _question.Works[at].Ways[way].Holds(0, _question.Works[at].HandsOn) is var (from, to) && from < to;

    /// <summary>What an oven is set to for a step alone.</summary>
    private int? OwnHeat(int at) => _question.Works[at].Ways.Select(way => way.Heat).FirstOrDefault(heat => heat is not null);

    /// <summary>Minutes of a work in which it holds something, from its start.</summary>
    private sealed record Span(int At, int From, int To, ILiteral Is);

    private void AtOnce(IReadOnlyList<Span> spans, int places)
    {
        var (underway, free) = (
            spans.Where(span => IsUnderway(span.At)).ToList(),
            spans.Where(span => !IsUnderway(span.At) && span.From < span.To).ToList()
        );
        var held = free.Select(span =>
                (
                    Interval: Model.NewOptionalFixedSizeIntervalVar(
                        _starts[span.At] + span.From,
                        span.To - span.From,
                        span.Is,
                        $"{span.At} holds"
                    ),
                    Demand: 1
                )
            )
            .Concat(Taken(underway, places))
            .ToList();
        if (places == 1)
        {
            Model.AddNoOverlap(held.Select(one => one.Interval));
        }
        else if (held.Sum(one => one.Demand) > places)
        {
            var all = Model.AddCumulative(places);
            held.ForEach(one => all.AddDemand(one.Interval, one.Demand));
        }
    }

    /// <summary>What is underway holds what it holds, be it more than there is: that can't be put right any more.</summary>
    private IEnumerable<(IntervalVar Interval, int Demand)> Taken(IReadOnlyList<Span> underway, int places)
    {
        var held = underway
            .Select(span => (From: _question.Works[span.At].At!.Value + span.From, To: _question.Works[span.At].At!.Value + span.To))
            .ToList();
        var minutes = held.SelectMany(one => new[] { one.From, one.To }).Distinct().Order().ToList();
        foreach (var (from, to) in minutes.Zip(minutes.Skip(1)))
        {
            if (held.Count(one => one.From <= from && to <= one.To) is > 0 and var many)
            {
                yield return (Model.NewFixedSizeIntervalVar(from, to - from, "underway"), Math.Min(many, places));
            }
        }
    }

    private bool IsUnderway(int at) => _question.Works[at].IsUnderway;

    private LinearExpr Moved(int at)
    {
        var isMoved = Model.NewBoolVar($"{at} moves");
        Model.Add(_starts[at] == _question.Works[at].Was!.Value).OnlyEnforceIf(isMoved.Not());
        return isMoved;
    }

    private LinearExpr IsApart(IReadOnlyList<int> together)
    {
        var (isApart, first) = (Model.NewBoolVar("apart"), Model.NewIntVar(0, _horizon, "first cut"));
        foreach (var at in together)
        {
            Model.Add(first <= _starts[at]);
            Model.Add(HandsOff(at) - first <= together.Sum(one => _question.Works[one].HandsOn)).OnlyEnforceIf(isApart.Not());
        }

        return isApart;
    }

    private List<int> Cut(Func<SessionWork, bool> which) =>
        [.. Works.Where(at => _question.Works[at] is { Board: not OnBoard.Nothing } work && which(work))];

    /// <summary>Whether a work at the board begins before one of those there that should come first.</summary>
    private BoolVar IsBefore(int at, List<int> others)
    {
        var isBefore = Model.NewBoolVar($"{at} too early on the board");
        others.ForEach(other => Model.Add(_starts[other] <= _starts[at]).OnlyEnforceIf(isBefore.Not()));
        return isBefore;
    }
}

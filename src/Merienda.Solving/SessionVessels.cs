using Google.OrTools.Sat;
using Merienda.Core.Sessions;

namespace Merienda.Solving;

/// <summary>Which stay takes which vessel: from the first work in it that begins to the last that ends, and no more stays than there are of it.</summary>
internal sealed class SessionVessels
{
    private readonly CpModel _model;
    private readonly SessionQuestion _question;

    /// <summary>For each stay its vessels, in its own order.</summary>
    private readonly BoolVar[][] _takes;

    public SessionVessels(
        CpModel model,
        SessionQuestion question,
        int horizon,
        IReadOnlyList<IntVar> starts,
        IReadOnlyList<LinearExpr> ends
    )
    {
        (_model, _question) = (model, question);
        _takes =
        [
            .. question.Stays.Select((stay, at) => stay.Vessels.Select(vessel => model.NewBoolVar($"stay {at} in {vessel}")).ToArray()),
        ];
        var taken = question.Vessels.Select(_ => new List<(IntervalVar Stay, int Least)>()).ToList();
        for (var at = 0; at < _takes.Length; at++)
        {
            var works = question.Stays[at].Works;
            var least = works.Max(work => ChainWithin(works, work));
            var (from, to, length) = (
                model.NewIntVar(0, horizon, $"stay {at} begins"),
                model.NewIntVar(0, horizon, $"stay {at} ends"),
                model.NewIntVar(least, horizon, $"stay {at} lasts")
            );
            model.AddMinEquality(from, works.Select(work => (LinearExpr)starts[work]));
            model.AddMaxEquality(to, works.Select(work => ends[work]));
            model.AddExactlyOne(_takes[at]);
            for (var one = 0; one < _takes[at].Length; one++)
            {
                taken[question.Stays[at].Vessels[one]]
                    .Add((model.NewOptionalIntervalVar(from, length, to, _takes[at][one], $"stay {at} as {one}"), least));
            }
        }

        foreach (var (stays, count) in taken.Zip(question.Vessels))
        {
            AtMost(stays, count);
        }
    }

    /// <summary>How many stays take another vessel than their likeliest.</summary>
    public LinearExpr Unlikely => LinearExpr.Sum(_takes.SelectMany(takes => takes.Skip(1)));

    /// <param name="vessels">Which of the session's vessels each stay takes.</param>
    public void Hint(IReadOnlyList<int> vessels)
    {
        for (var stay = 0; stay < _takes.Length; stay++)
        {
            for (var at = 0; at < _takes[stay].Length; at++)
            {
                _model.AddHint(_takes[stay][at], vessels[stay] == _question.Stays[stay].Vessels[at]);
            }
        }
    }

    public IReadOnlyList<int> Read(CpSolver solver) =>
        [.. _takes.Select((takes, stay) => _question.Stays[stay].Vessels[Array.FindIndex(takes, vessel => solver.BooleanValue(vessel))])];

    private void AtMost(List<(IntervalVar Stay, int Least)> stays, int count)
    {
        // What takes no time takes no vessel, and no overlap would keep it out of the middle of another stay.
        if (count == 1 && stays.TrueForAll(stay => stay.Least > 0))
        {
            _model.AddNoOverlap(stays.Select(stay => stay.Stay));
        }
        else if (stays.Count > count)
        {
            var all = _model.AddCumulative(count);
            stays.ForEach(stay => all.AddDemand(stay.Stay, 1));
        }
    }

    /// <summary>Minutes, at least, from the first of some works to the end of one of them.</summary>
    private int ChainWithin(IReadOnlyList<int> works, int to)
    {
        var work = _question.Works[to];
        var before = work.IsUnderway ? [] : work.Before.Where(works.Contains);
        return work.HandsOn + work.Ways.Min(way => way.Alone) + before.Select(one => ChainWithin(works, one)).DefaultIfEmpty(0).Max();
    }
}

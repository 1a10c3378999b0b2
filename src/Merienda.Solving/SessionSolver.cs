using System.Globalization;
using Google.OrTools.Sat;
using Merienda.Core.Sessions;

namespace Merienda.Solving;

/// <summary>
/// Orders a session on the kitchen that is there: nothing stands longer than it may, then the earliest end, then, within that, the same
/// cutting in one go, the cooks free early, and raw meat after the vegetables on the board. Of an order that is mended as few steps move
/// as the earliest end allows.
/// </summary>
public static class SessionSolver
{
    /// <summary>Deterministic seconds of the two searches: the same question has the same answer.</summary>
    private const double Effort = 3,
        PleasantEffort = 0.3;

    /// <summary>A minute that something stands too long is worse than so many at the end.</summary>
    private const int StandsWorse = 100;

    /// <summary>The best order that was found, and what was proven of its end; null where none keeps every rule.</summary>
    public static SessionAnswer? Solve(SessionQuestion question, CancellationToken stop = default)
    {
        if (question.Works.Count == 0)
        {
            return new([], [], 0);
        }

        var known = SessionPlan.Of(question);
        // The list rule knows no later end than one that keeps nothing waiting, and nobody's place and vessel.
        var isFree = question.Works.All(work => work is { At: null, WaitsAtMost: null }) && !SessionJudge.Wrong(question, known).Any();
        var model = new SessionModel(question, isFree ? known.End(question) : known.End(question) + question.Works.Sum(Longest));
        if (isFree)
        {
            model.Hint(known);
        }

        model.Model.Minimize((model.TooLong * StandsWorse) + model.End);
        if (Search(model, Effort, stop) is not { } first)
        {
            return null;
        }

        var answer = first.Answer;
        model.Model.Add((model.TooLong * StandsWorse) + model.End <= first.Value);
        model.Hint(answer);
        model.Model.Minimize(model.Pleasant());
        answer = Search(model, PleasantEffort, stop)?.Answer ?? answer;
        // Where something stands too long the bound is one of both together, and says nothing of the end alone.
        return answer with { Bound = first.Value == answer.End(question) ? first.Bound : null };
    }

    private static int Longest(SessionWork work) => work.HandsOn + work.Ways.Max(way => way.Alone);

    private static (SessionAnswer Answer, int Value, int Bound)? Search(SessionModel model, double effort, CancellationToken stop)
    {
        using var solver = new CpSolver();
        solver.StringParameters =
            $"use_overload_checker_in_cumulative:true use_timetable_edge_finding_in_cumulative:true num_workers:1 random_seed:1 linearization_level:0 max_deterministic_time:{effort.ToString(CultureInfo.InvariantCulture)}";
        using var cancel = stop.Register(solver.StopSearch);
        return solver.Solve(model.Model) is CpSolverStatus.Optimal or CpSolverStatus.Feasible
            ? (model.Read(solver), (int)Math.Round(solver.ObjectiveValue), (int)Math.Ceiling(solver.BestObjectiveBound - 1e-6))
            : null;
    }
}

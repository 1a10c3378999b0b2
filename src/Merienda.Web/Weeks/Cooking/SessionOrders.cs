using System.Collections.Concurrent;
using System.Text.Json;
using Merienda.Core.Sessions;
using Merienda.Solving;
using Merienda.Web.Weeks.Solving;

namespace Merienda.Web.Weeks.Cooking;

/// <summary>
/// Orders of sessions, each sought once: one question has one answer. Whoever asks waits a moment and takes the list rule's order if the
/// search goes on longer; the next one who asks has what it found.
/// </summary>
public sealed class SessionOrders(IConfiguration configuration, ILogger<SessionOrders> logger) : IDisposable
{
    /// <summary>The first argument of a process that orders.</summary>
    public const string Role = "order";

    /// <summary>Answers that are kept; one takes a few kilobytes.</summary>
    private const int Kept = 500;

    private static readonly TimeSpan Moment = TimeSpan.FromSeconds(1.5);

    private readonly ConcurrentDictionary<string, Task<SessionAnswer?>> _known = new();
    private readonly AnswerProcess<SessionAnswer>? _process = configuration.GetValue("Solving:Apart", true) ? new(Role, logger) : null;

    /// <summary>The best order that is known by now; null where steps were put so that there is none.</summary>
    /// <returns>The order, and whether a better one is still sought.</returns>
    public async Task<(SessionAnswer? Answer, bool IsSought)> Of(SessionQuestion question)
    {
        var asked = JsonSerializer.Serialize(question, AnswerRole.Json);
        if (_known.Count > Kept)
        {
            _known.Clear();
        }

        var search = _known.GetOrAdd(asked, _ => Task.Run(() => Seek(question, asked)));
        try
        {
            return (await search.WaitAsync(Moment), false);
        }
        catch (TimeoutException)
        {
            return (Plain(question), true);
        }
    }

    /// <summary>A session's order as nobody has touched it; without asking about vessels where its dishes wait for each other's.</summary>
    public async Task<(CookedSession Session, SessionAnswer Planned, bool IsSought)> Planned(CookedSession session)
    {
        var (planned, isSought) = await Of(session.Question);
        if (planned is not null)
        {
            return (session, planned, isSought);
        }

        var free = session.WithoutVessels();
        var (other, isOtherSought) = await Of(free.Question);
        return (free, other!, isSought || isOtherSought);
    }

    public void Dispose() => _process?.Dispose();

    private async Task<SessionAnswer?> Seek(SessionQuestion question, string asked)
    {
        var sought = _process is null ? new Answered<SessionAnswer>(SessionSolver.Solve(question)) : await _process.Ask(asked);
        if (sought is null)
        {
            // The list rule's order is taken meanwhile: the process died over it or had no time: that is no answer to keep.
            _known.TryRemove(asked, out _);
        }

        return sought?.Answer is { } answer && !SessionJudge.Wrong(question, answer).Any() ? answer : Plain(question);
    }

    private static SessionAnswer? Plain(SessionQuestion question) =>
        SessionPlan.Of(question) is var plain && SessionJudge.Wrong(question, plain).Any() ? null : plain;
}

using System.Text.Json;
using System.Text.Json.Serialization;
using System.Threading.Channels;
using Merienda.Core.Filling;
using Merienda.Solving;
using Merienda.Storage;
using Merienda.Web.Hosting;

namespace Merienda.Web.Weeks.Solving;

/// <summary>
/// Takes one job after the other from the queue and searches, apart from every request. What it holds is lent for seconds only: when it
/// dies, another one (or itself, started again) begins the same search anew, which finds the same.
/// </summary>
public sealed partial class SolveWorker(
    SolveJobs jobs,
    WeekStore weeks,
    KnowledgeBase knowledge,
    SolveBell bell,
    ILogger<SolveWorker> logger
) : BackgroundService
{
    /// <summary>A search that took so many workers down with it is given up.</summary>
    private const int MostTries = 3;

    private static readonly TimeSpan Look = TimeSpan.FromSeconds(1),
        Beat = TimeSpan.FromSeconds(1);

    internal static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter() },
    };

    private readonly Channel<bool> _asked = Channel.CreateBounded<bool>(
        new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropWrite }
    );

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        bell.Rung += () => _asked.Writer.TryWrite(true);
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                if (await jobs.Claim() is { } job)
                {
                    await Work(job, stoppingToken);
                }
                else
                {
                    await Next(stoppingToken);
                }
            }
            catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
            {
                return;
            }
            catch (Exception error)
            {
                LogFailed(logger, error);
                await Task.Delay(Look, stoppingToken);
            }
        }
    }

    private async Task Next(CancellationToken stop)
    {
        using var look = CancellationTokenSource.CreateLinkedTokenSource(stop);
        look.CancelAfter(Look);
        try
        {
            await _asked.Reader.ReadAsync(look.Token);
        }
        catch (OperationCanceledException) when (!stop.IsCancellationRequested)
        {
            // Another instance may have been asked.
        }
    }

    private async Task Work(ClaimedJob claimed, CancellationToken stoppingToken)
    {
        if (await jobs.Begin(claimed) is not { } job)
        {
            return;
        }

        if (claimed.Tries > MostTries)
        {
            await jobs.Finish(claimed, SolveState.Failed, job.Found, "The search was begun three times and never came to an end.");
            return;
        }

        using var stop = CancellationTokenSource.CreateLinkedTokenSource(stoppingToken);
        var living = Live(claimed, stop);
        try
        {
            var found = await Search(claimed, job, stop.Token);
            if (!stoppingToken.IsCancellationRequested)
            {
                await jobs.Finish(claimed, SolveState.Done, found.Found, found.Problem);
            }
        }
        catch (NoMemberException)
        {
            await jobs.Release(claimed);
        }
        catch (Exception error) when (error is not OperationCanceledException)
        {
            LogFailed(logger, error);
            await jobs.Finish(claimed, SolveState.Failed, job.Found, "The search failed. The log of the server says why.");
        }
        finally
        {
            await stop.CancelAsync();
            await living;
            if (stoppingToken.IsCancellationRequested)
            {
                await jobs.Release(claimed);
            }
        }
    }

    /// <summary>Says again and again that it is at work, and stops the search when nobody waits for it any more.</summary>
    private async Task Live(ClaimedJob claimed, CancellationTokenSource stop)
    {
        while (!stop.IsCancellationRequested)
        {
            try
            {
                var (isMine, isStopping) = await jobs.Live(claimed);
                if (!isMine || isStopping)
                {
                    await stop.CancelAsync();
                }

                await Task.Delay(Beat, stop.Token);
            }
            catch (OperationCanceledException)
            {
                return;
            }
            catch (Exception error)
            {
                LogFailed(logger, error);
            }
        }
    }

    private async Task<(SolveFound Found, string Problem)> Search(ClaimedJob claimed, SolveJob job, CancellationToken stop)
    {
        var asked = JsonSerializer.Deserialize<SolveRequest>(job.Asked, Json)!;
        var ((stored, library), supplies) = await weeks.ReadToSolve(claimed.Tenant, job.WeekStart);
        var week = SolveQuestions.Of(new WeekView(stored, knowledge), library, supplies, asked);
        if (week.For(asked) is not { } question)
        {
            return (Less(week, asked), "");
        }

        var versions = library.ToDictionary(recipe => recipe.RecipeId, recipe => recipe.VersionId);
        SolveFound Found(FillPlan plan, IReadOnlyList<FillLevel> levels) =>
            new(levels, WeekChange.Of(question, plan, recipe => versions[recipe]), new FillJudge(question, plan).Unmet, []);
        var answer = await Apart(() =>
            WeekSolver.Solve(
                question,
                FillEffort.Usual with
                {
                    Seed = SeedOf(claimed),
                },
                (plan, levels) => jobs.Report(claimed, Found(plan, levels)).GetAwaiter().GetResult(),
                stop
            )
        );
        if (asked.Kind == SolveKind.More && answer.Levels.Count > 0)
        {
            var more = Found(answer.Plan, answer.Levels);
            if (more.Change.IsEmpty)
            {
                return (more with { Levels = [] }, "Nothing that is there or can be cooked is a bite that this eater may have.");
            }

            return (more with { Levels = [BiteSteps.Level(week, answer.Plan, more.Change), .. more.Levels] }, "");
        }

        if (answer.Levels.Count == 0)
        {
            return (SolveFound.Nothing, "It was stopped before anything was found.");
        }

        var (found, open, unread) = (Found(answer.Plan, answer.Levels), answer.Open, Obstacles.Unread(question));
        if (open.Count > 0 && unread.Length > 0)
        {
            found = found with { Unmet = [.. found.Unmet, unread] };
        }

        if (open.Count == 0 || stop.IsCancellationRequested)
        {
            return (found, "");
        }

        await jobs.Report(claimed, found);
        return (found with { Explained = await Apart(() => WeekExplainer.Explain(question, open, stop)) }, "");
    }

    /// <summary>
    /// One question has one answer, also when a worker is stopped in the middle. Only what has taken two of them down is sought another way.
    /// </summary>
    private static int SeedOf(ClaimedJob claimed) => Math.Max(1, claimed.Tries - 1);

    private static SolveFound Less(WeekQuestion week, SolveRequest asked)
    {
        var scope = SolveQuestions.ScopeOf(asked);
        var change = week.OneLess(asked.Eaters![0], scope);
        return new([BiteSteps.Level(week, FillPlan.Empty, change)], change, BiteSteps.WithoutBite(week, change, scope), []);
    }

    /// <summary>The solver has threads of its own and calls back on the one it was called on: that is none of those that serve requests.</summary>
    private static Task<T> Apart<T>(Func<T> work) =>
        Task.Factory.StartNew(work, CancellationToken.None, TaskCreationOptions.LongRunning, TaskScheduler.Default);

    [LoggerMessage(Level = LogLevel.Error, Message = "A week could not be solved.")]
    private static partial void LogFailed(ILogger logger, Exception error);
}

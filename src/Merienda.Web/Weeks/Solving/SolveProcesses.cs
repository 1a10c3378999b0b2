using System.Diagnostics;

namespace Merienda.Web.Weeks.Solving;

/// <summary>
/// Keeps as many processes at work as <c>Solving:Workers</c> says, one by default; none where other instances do the work. The solver is
/// native code: where it aborts, it takes its own process with it and none that serves people, and what it held of memory goes with it.
/// </summary>
public sealed partial class SolveProcesses(SolveBell bell, IConfiguration configuration, ILogger<SolveProcesses> logger) : BackgroundService
{
    /// <summary>The first argument of a process that solves.</summary>
    public const string Role = "solve";

    private static readonly TimeSpan Again = TimeSpan.FromSeconds(1),
        Patience = TimeSpan.FromSeconds(5);

    protected override Task ExecuteAsync(CancellationToken stoppingToken) =>
        Task.WhenAll(Enumerable.Range(0, configuration.GetValue("Solving:Workers", 1)).Select(_ => Keep(stoppingToken)));

    private async Task Keep(CancellationToken stop)
    {
        while (!stop.IsCancellationRequested)
        {
            try
            {
                using var process = Start(Role);
                void Wake() => Tell(process);
                bell.Rung += Wake;
                try
                {
                    await process.WaitForExitAsync(stop);
                    LogEnded(logger, process.ExitCode);
                }
                finally
                {
                    bell.Rung -= Wake;
                    await End(process);
                }
            }
            catch (Exception error) when (error is not OperationCanceledException)
            {
                LogFailed(logger, error);
            }

            await Task.Delay(Again, stop).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }
    }

    /// <summary>The same program with the same settings, in another role.</summary>
    public static Process Start(string role)
    {
        var program = Environment.ProcessPath!;
        var start = new ProcessStartInfo(program)
        {
            RedirectStandardInput = true,
            // One that searches weeks writes where this one writes; the others answer there.
            RedirectStandardOutput = role != Role,
        };
        if (Path.GetFileNameWithoutExtension(program) == "dotnet")
        {
            start.ArgumentList.Add(typeof(SolveProcesses).Assembly.Location);
        }

        start.ArgumentList.Add(role);
        foreach (var argument in Environment.GetCommandLineArgs().Skip(1))
        {
            start.ArgumentList.Add(argument);
        }

        // With a heap for each thread the solver keeps 20 MB more that nobody uses.
        start.Environment["MALLOC_ARENA_MAX"] = "2";
        var process = Process.Start(start)!;
        // People who press something come before those who wait for a search.
        process.PriorityClass = ProcessPriorityClass.BelowNormal;
        return process;
    }

    private static void Tell(Process process)
    {
        try
        {
            process.StandardInput.WriteLine();
            process.StandardInput.Flush();
        }
        catch (Exception error) when (error is IOException or InvalidOperationException)
        {
            // It has just ended: the next one looks by itself.
        }
    }

    /// <summary>A process whose input ends gives back what it has and goes.</summary>
    private static async Task End(Process process)
    {
        if (process.HasExited)
        {
            return;
        }

        process.StandardInput.Close();
        using var patience = new CancellationTokenSource(Patience);
        await process.WaitForExitAsync(patience.Token).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        if (!process.HasExited)
        {
            process.Kill();
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "A process that solves ended with code {Code}; another one is started.")]
    private static partial void LogEnded(ILogger logger, int code);

    [LoggerMessage(Level = LogLevel.Error, Message = "A process that solves could not be started.")]
    private static partial void LogFailed(ILogger logger, Exception error);
}

using System.Diagnostics;
using System.Text.Json;
using System.Text.Json.Serialization;
using Merienda.Core.Sessions;
using Merienda.Solving;
using Merienda.Web.Weeks.Solving;

namespace Merienda.Web.Weeks.Cooking;

/// <param name="Answer">Null where there is no order.</param>
public sealed record Answered(SessionAnswer? Answer);

/// <summary>
/// The program as one that orders sessions: a question a line comes in, an answer a line goes out. It is started when somebody asks and ends
/// when nobody has for a while; where the solver's native code aborts, it takes only this process with it.
/// </summary>
public sealed partial class OrderProcess(ILogger logger) : IDisposable
{
    /// <summary>The first argument of a process that orders.</summary>
    public const string Role = "order";

    public static readonly JsonSerializerOptions Json = new() { Converters = { new JsonStringEnumConverter() } };

    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60),
        Idle = TimeSpan.FromSeconds(60);

    private readonly SemaphoreSlim _one = new(1);
    private Process? _process;
    private Timer? _end;

    public static void Run()
    {
        while (Console.In.ReadLine() is { } asked)
        {
            Console.Out.WriteLine(
                JsonSerializer.Serialize(new Answered(SessionSolver.Solve(JsonSerializer.Deserialize<SessionQuestion>(asked, Json)!)), Json)
            );
        }
    }

    /// <summary>The answer; null where the process died over it.</summary>
    public async Task<Answered?> Ask(string asked)
    {
        await _one.WaitAsync();
        try
        {
            _end?.Dispose();
            _process = _process is { HasExited: false } there ? there : SolveProcesses.Start(Role);
            await _process.StandardInput.WriteLineAsync(asked);
            await _process.StandardInput.FlushAsync();
            return await _process.StandardOutput.ReadLineAsync().WaitAsync(Patience) is { } answer
                ? JsonSerializer.Deserialize<Answered>(answer, Json)
                : null;
        }
        catch (Exception error) when (error is IOException or TimeoutException or InvalidOperationException or JsonException)
        {
            LogFailed(logger, error);
            Stop();
            return null;
        }
        finally
        {
            _end = new(_ => EndIdle(), null, Idle, Timeout.InfiniteTimeSpan);
            _one.Release();
        }
    }

    public void Dispose()
    {
        _end?.Dispose();
        Stop();
        _one.Dispose();
    }

    private void EndIdle()
    {
        if (_one.Wait(0))
        {
            Stop();
            _one.Release();
        }
    }

    private void Stop()
    {
        if (_process is { HasExited: false } running)
        {
            running.Kill();
        }

        _process?.Dispose();
        _process = null;
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "A session could not be ordered; the list rule's order is taken.")]
    private static partial void LogFailed(ILogger logger, Exception error);
}

using System.Diagnostics;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Merienda.Web.Weeks.Solving;

/// <param name="Answer">Null where there is none.</param>
public sealed record Answered<TAnswer>(TAnswer? Answer)
    where TAnswer : class;

/// <summary>How the program answers the questions of one that asks it: a question a line comes in, an answer a line goes out.</summary>
public static class AnswerRole
{
    public static readonly JsonSerializerOptions Json = new() { Converters = { new JsonStringEnumConverter() } };

    public static void Run<TQuestion, TAnswer>(Func<TQuestion, TAnswer?> solve)
        where TAnswer : class
    {
        while (Console.In.ReadLine() is { } asked)
        {
            var answer = solve(JsonSerializer.Deserialize<TQuestion>(asked, Json)!);
            Console.Out.WriteLine(JsonSerializer.Serialize(new Answered<TAnswer>(answer), Json));
        }
    }
}

/// <summary>
/// The program as one that answers questions. It is started when somebody asks and ends when nobody has for a while; where the solver's
/// native code aborts, it takes only this process with it.
/// </summary>
/// <param name="role">The first argument of such a process: what it answers.</param>
public sealed partial class AnswerProcess<TAnswer>(string role, ILogger logger) : IDisposable
    where TAnswer : class
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60),
        Idle = TimeSpan.FromSeconds(60);

    private readonly SemaphoreSlim _one = new(1);
    private Process? _process;
    private Timer? _end;

    /// <summary>The answer; null where the process died over it.</summary>
    public async Task<Answered<TAnswer>?> Ask(string asked)
    {
        await _one.WaitAsync();
        try
        {
            _end?.Dispose();
            _process = _process is { HasExited: false } there ? there : SolveProcesses.Start(role);
            await _process.StandardInput.WriteLineAsync(asked);
            await _process.StandardInput.FlushAsync();
            return await _process.StandardOutput.ReadLineAsync().WaitAsync(Patience) is { } answer
                ? JsonSerializer.Deserialize<Answered<TAnswer>>(answer, AnswerRole.Json)
                : null;
        }
        catch (Exception error) when (error is IOException or TimeoutException or InvalidOperationException or JsonException)
        {
            LogFailed(logger, error, role);
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

    [LoggerMessage(Level = LogLevel.Warning, Message = "The process that answers to {Role} gave no answer.")]
    private static partial void LogFailed(ILogger logger, Exception error, string role);
}

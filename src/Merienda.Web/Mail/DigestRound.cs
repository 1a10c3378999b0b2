using Merienda.Storage;

namespace Merienda.Web.Mail;

/// <summary>Looks now and then for whom something is new, and writes it to them. Instances that look at once write one mail.</summary>
public sealed partial class DigestRound(MailStore mails, MailSeal seal, TimeProvider clock, ILogger<DigestRound> logger) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromMinutes(30);

    /// <returns>How many mails were written.</returns>
    public async Task<int> Go(DateTimeOffset now, CancellationToken stop = default)
    {
        var written = 0;
        foreach (var account in await mails.Due(now))
        {
            stop.ThrowIfCancellationRequested();
            written += await mails.Tell(account, $"/no-mail/{seal.TokenOf(account)}", now) ? 1 : 0;
        }

        return written;
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every, clock);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                await Go(clock.GetUtcNow(), stoppingToken);
            }
            catch (Exception error) when (error is not OperationCanceledException)
            {
                LogFailed(logger, error);
            }
        }
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "What is new in groups could not be written to everybody; it is tried again.")]
    private static partial void LogFailed(ILogger logger, Exception error);
}

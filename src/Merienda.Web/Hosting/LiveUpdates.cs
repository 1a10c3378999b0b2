using System.Collections.Concurrent;
using System.Globalization;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using System.Threading.Channels;
using Merienda.Storage;
using Merienda.Storage.Edits;
using Microsoft.AspNetCore.Http.HttpResults;
using Npgsql;

namespace Merienda.Web.Hosting;

/// <summary>
/// Wakes the pages that follow a household when the database tells of an edit, on whichever instance it was done. Being woken is a hint
/// only: what a page hears is always read from the journal, so nothing is missed when a hint is.
/// </summary>
public sealed partial class LiveUpdates(NpgsqlDataSource source, ILogger<LiveUpdates> logger) : BackgroundService
{
    private static readonly TimeSpan Again = TimeSpan.FromSeconds(2);
    private readonly ConcurrentDictionary<Guid, ConcurrentDictionary<Channel<bool>, bool>> _followers = new();

    /// <summary>A channel that holds something whenever the household was edited; give it back to <see cref="Leave"/>.</summary>
    public Channel<bool> Follow(Guid household)
    {
        // One hint is as good as ten.
        var channel = Channel.CreateBounded<bool>(new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropWrite });
        _followers.GetOrAdd(household, _ => new())[channel] = true;
        return channel;
    }

    public void Leave(Guid household, Channel<bool> channel)
    {
        if (_followers.TryGetValue(household, out var own))
        {
            own.TryRemove(channel, out _);
        }
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await Listen(stoppingToken);
            }
            catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
            {
                return;
            }
            catch (Exception lost) when (lost is NpgsqlException or IOException or TimeoutException)
            {
                LogLost(lost);
                await Task.Delay(Again, stoppingToken);
            }
        }
    }

    private async Task Listen(CancellationToken stop)
    {
        await using var connection = await source.OpenConnectionAsync(stop);
        connection.Notification += (_, told) =>
        {
            if (Guid.TryParse(told.Payload.Split(' ')[0], out var household) && _followers.TryGetValue(household, out var own))
            {
                foreach (var channel in own.Keys)
                {
                    channel.Writer.TryWrite(true);
                }
            }
        };
        await using (var listen = new NpgsqlCommand($"listen {Journal.Channel}", connection))
        {
            await listen.ExecuteNonQueryAsync(stop);
        }

        // What was told while nobody listened is found in the journal.
        foreach (var channel in _followers.Values.SelectMany(own => own.Keys))
        {
            channel.Writer.TryWrite(true);
        }

        while (true)
        {
            await connection.WaitAsync(stop);
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "The database's notices are lost; listening again soon")]
    private partial void LogLost(Exception exception);
}

/// <summary>The stream that a page follows its household's edits on.</summary>
public static class LiveEndpoints
{
    /// <summary>How long a stream is silent at most: it looks into the journal then, and keeps the connection open on its way.</summary>
    private static readonly TimeSpan Beat = TimeSpan.FromSeconds(20);

    public static void MapLive(this IEndpointRouteBuilder api) =>
        api.MapGet("/live", Follow).WithTags("Live").RequireAuthorization().ExcludeFromDescription();

    /// <param name="since">The last edit that the page knows; null begins with the next one. A browser that reconnects says it itself.</param>
    private static ServerSentEventsResult<EditNews> Follow(
        long? since,
        HttpContext context,
        CurrentTenant tenant,
        Database database,
        LiveUpdates live,
        IHostApplicationLifetime lifetime
    )
    {
        var last = long.TryParse(context.Request.Headers["Last-Event-ID"], CultureInfo.InvariantCulture, out var known) ? known : since;
        // A stream must not hold up the end of the program.
        var stop = CancellationTokenSource.CreateLinkedTokenSource(context.RequestAborted, lifetime.ApplicationStopping);
        context.Response.RegisterForDispose(stop);
        return TypedResults.ServerSentEvents(Edits(last, tenant, database, live, stop.Token));
    }

    private static async IAsyncEnumerable<SseItem<EditNews>> Edits(
        long? since,
        Tenant tenant,
        Database database,
        LiveUpdates live,
        [EnumeratorCancellation] CancellationToken stop
    )
    {
        var woken = live.Follow(tenant.Household);
        try
        {
            var last = since ?? await database.Read(tenant, Journal.Last);
            // Said at once, so that the page knows it is followed and from where.
            yield return Item(new EditNews(last, "here"));
            while (!stop.IsCancellationRequested)
            {
                foreach (var news in await database.Read(tenant, Journal.Since(last)))
                {
                    last = news.Sequence;
                    yield return Item(news);
                }

                if (!await Woken(woken.Reader, stop))
                {
                    yield return Item(new EditNews(last, "here"));
                }
            }
        }
        finally
        {
            live.Leave(tenant.Household, woken);
        }
    }

    private static SseItem<EditNews> Item(EditNews news) =>
        new(news, "edit") { EventId = news.Sequence.ToString(CultureInfo.InvariantCulture) };

    /// <summary>False when nothing happened for a while.</summary>
    private static async Task<bool> Woken(ChannelReader<bool> reader, CancellationToken stop)
    {
        using var beat = CancellationTokenSource.CreateLinkedTokenSource(stop);
        beat.CancelAfter(Beat);
        try
        {
            return await reader.ReadAsync(beat.Token);
        }
        catch (OperationCanceledException)
        {
            return false;
        }
    }
}

using Merienda.Core.Planning;
using Microsoft.Extensions.Caching.Memory;

namespace Merienda.Storage;

/// <summary>
/// Weeks as they were read, each with the household's newest journal entry of then. Every write of a household appends one in its own
/// transaction, so a week is still as it was read when that entry is the newest; when the day has changed it is read anew too.
/// </summary>
/// <param name="todayIn">The household's local date.</param>
public sealed class KeptWeeks(Func<Household, DateOnly> todayIn) : IDisposable
{
    /// <summary>Weeks that an instance keeps at most, a few dozen kB each; a table with thousands of packets counts for more.</summary>
    private const int MostWeeks = 1_000;

    private readonly MemoryCache _weeks = new(new MemoryCacheOptions { SizeLimit = MostWeeks });

    private sealed record Kept(long Sequence, StoredWeek Week);

    public void Dispose() => _weeks.Dispose();

    /// <param name="sequence">Of the household's newest journal entry.</param>
    internal StoredWeek? Find(Guid household, DateOnly start, long sequence) =>
        _weeks.Get<Kept>((household, start)) is { } kept
        && kept.Sequence == sequence
        && kept.Week.Table.Today == todayIn(kept.Week.Table.Household)
            ? kept.Week
            : null;

    internal StoredWeek Keep(Guid household, DateOnly start, long sequence, StoredWeek week)
    {
        _weeks.Set(
            (household, start),
            new Kept(sequence, week),
            new MemoryCacheEntryOptions { Size = 1 + (week.Foods.Packets.Count / 100), SlidingExpiration = TimeSpan.FromMinutes(15) }
        );
        return week;
    }
}

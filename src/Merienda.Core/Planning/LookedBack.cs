using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

/// <summary>One thing of a meal when it is looked back on.</summary>
/// <param name="Planned">As it was planned, whatever was eaten of it.</param>
/// <param name="IsExtra">Whether nobody had planned it.</param>
/// <param name="Share">Which share of it was eaten; null while nobody said.</param>
public sealed record WasServed(Cell Cell, Helping Planned, bool IsExtra, decimal? Share);

/// <summary>What a limit of the day came to on one day.</summary>
/// <param name="Planned">Best value of what was planned.</param>
/// <param name="Eaten">Best value of what was said to be eaten.</param>
/// <param name="IsSaid">Whether something was said of all that was planned.</param>
public sealed record DayBack(DateOnly Date, decimal Planned, decimal Eaten, bool IsSaid);

/// <summary>A limit of the day over the days of a week.</summary>
/// <param name="Last">The finding of the newest day, as it was planned: its title, unit and bounds.</param>
public sealed record RulerBack(Finding Last, IReadOnlyList<DayBack> Days);

/// <summary>One eater's week, planned against eaten.</summary>
/// <param name="Eaten">How many of the things that were planned were eaten whole.</param>
/// <param name="Besides">How many things were eaten that nobody had planned.</param>
public sealed record LookedBack(
    Eater Eater,
    int Planned,
    int Eaten,
    int InPart,
    int LeftOut,
    int Unsaid,
    int Besides,
    IReadOnlyList<RulerBack> Rulers
)
{
    /// <param name="days">Those that are looked back on, in order.</param>
    /// <param name="served">What stood on the eater's meals of those days.</param>
    public static LookedBack Of(Eater eater, IReadOnlyList<DateOnly> days, IReadOnlyList<MealSlot> meals, IReadOnlyList<WasServed> served)
    {
        var own = served.Where(one => one.Cell.Eater == eater.Id && days.Contains(one.Cell.Date)).ToList();
        var planned = own.Where(one => !one.IsExtra).ToList();
        int Count(Func<decimal?, bool> isSo) => planned.Count(one => isSo(one.Share));
        return new(
            eater,
            planned.Count,
            Count(share => share >= 1),
            Count(share => share is > 0 and < 1),
            Count(share => share == 0),
            Count(share => share is null),
            own.Count - planned.Count,
            RulersOf(eater, days, meals, own)
        );
    }

    private static IReadOnlyList<RulerBack> RulersOf(
        Eater eater,
        IReadOnlyList<DateOnly> days,
        IReadOnlyList<MealSlot> meals,
        IReadOnlyList<WasServed> served
    )
    {
        var found = days.Select(date =>
            {
                var there = served.Where(one => one.Cell.Date == date).ToList();
                var planned = DayOf(date, there.Where(one => !one.IsExtra).Select(one => (one.Cell.Meal, one.Planned)));
                var eaten = DayOf(
                    date,
                    there
                        .Where(one => one.Share > 0)
                        .Select(one => (one.Cell.Meal, one.Planned with { Size = one.Planned.Size * one.Share!.Value }))
                );
                return (Date: date, Planned: planned, Eaten: eaten, IsSaid: there.TrueForAll(one => one.Share is not null));
            })
            .ToList();
        return
        [
            .. found
                .SelectMany(day => DayLimits(day.Planned).Select(finding => (day, finding)))
                .GroupBy(one => one.finding.Rule)
                .Select(rule => new RulerBack(
                    rule.Last().finding,
                    [
                        .. rule.Select(one => new DayBack(
                            one.day.Date,
                            one.finding.Value!.Value.Best,
                            DayLimits(one.day.Eaten).FirstOrDefault(finding => finding.Rule == rule.Key)?.Value?.Best ?? 0,
                            one.day.IsSaid
                        )),
                    ]
                )),
        ];

        EaterDay DayOf(DateOnly date, IEnumerable<(string Meal, Helping Helping)> helpings) =>
            EaterDay.Of(date, eater, meals, helpings.ToLookup(one => one.Meal, one => one.Helping));
    }

    private static IEnumerable<Finding> DayLimits(EaterDay day) =>
        day.Findings.Where(finding =>
            finding is { Limit.Per: Period.Day, Value: not null, NeedsAllowance: false, Scale.IsQuotient: false, About: null }
        );
}

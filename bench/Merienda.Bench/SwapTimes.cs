using System.Diagnostics;
using Merienda.Core.Quantities;
using Merienda.Core.Swaps;
using Merienda.Core.Tests.Swaps;
using Merienda.Formats;

namespace Merienda.Bench;

/// <summary>
/// How long the best changes of a break take to find, and for how many of the demo's dishes times every shipped protocol there is one.
/// Targets: 200 ms, 80 %.
/// </summary>
internal static class SwapTimes
{
    public static void Run()
    {
        var foods = DataFiles.Load(DataFiles.Find()).Foods;
        // The first round warms up.
        _ = DemoSwaps.All().Count();
        var times = new List<double>();
        var all = DemoSwaps
            .All(one =>
            {
                var watch = Stopwatch.StartNew();
                var found = SwapSearch.For(one.Dish, one.Eater, one.Rule, foods, MeasureSystem.Metric);
                times.Add(watch.Elapsed.TotalMilliseconds);
                return found;
            })
            .ToList();
        times.Sort();
        Console.WriteLine(
            $"{all.Count} findings: {times[times.Count / 2]:0} ms in the middle, {times[times.Count * 95 / 100]:0} ms at the 95th percentile, {times[^1]:0} ms at most"
        );
        foreach (var group in all.GroupBy(one => one.Protocol).OrderBy(group => group.Key, StringComparer.Ordinal))
        {
            Console.WriteLine($"{group.Key}: {group.Count(one => one.Swaps.Count > 0)} of {group.Count()}");
        }

        Console.WriteLine($"all: {all.Count(one => one.Swaps.Count > 0)} of {all.Count}");
    }
}

using System.Globalization;
using System.Text.RegularExpressions;

namespace Merienda.Core.Sessions;

/// <summary>
/// Reads the steps of a method into tasks, one after the other. Minutes named beside a verb that needs no hands count as unattended;
/// a step without minutes takes <see cref="UsualHandsOn"/> by hand [C]. The cook can change every number.
/// </summary>
public static partial class TaskReader
{
    public const int UsualHandsOn = 5,
        MostMinutes = 24 * 60;

    public static IReadOnlyList<PrepTask> Read(IEnumerable<string> steps)
    {
        var tasks = new List<PrepTask>();
        foreach (var step in steps.Select(step => Numbering().Replace(step.Trim(), "")).Where(step => step.Length > 0))
        {
            var minutes = Minutes(step);
            var unattended = Unattended().IsMatch(step);
            tasks.Add(
                new(
                    $"{tasks.Count + 1}",
                    step,
                    minutes is null || unattended ? UsualHandsOn : minutes.Value,
                    unattended ? minutes ?? 0 : 0,
                    ApplianceIn(step),
                    Temperature(step),
                    tasks.Count > 0 ? [tasks[^1].Id] : []
                )
            );
        }

        return tasks;
    }

    private static int? Minutes(string step)
    {
        var found = Duration()
            .Matches(step)
            .Select(match =>
                decimal.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture) * (match.Groups["unit"].Value.StartsWith('h') ? 60 : 1)
            )
            .ToList();
        return found.Count == 0 ? null : (int)Math.Min(MostMinutes, found.Sum());
    }

    private static int? Temperature(string step) =>
        Degrees().Match(step) is { Success: true } match
            ? match.Groups["unit"].Value == "F"
                ? (int)Math.Round((int.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture) - 32) / 1.8)
                : int.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture)
            : null;

    private static Appliance ApplianceIn(string step) =>
        step.ToLowerInvariant() switch
        {
            var text when text.Contains("air fryer") => Appliance.AirFryer,
            var text when text.Contains("pressure") => Appliance.PressureCooker,
            var text when text.Contains("slow cooker") => Appliance.SlowCooker,
            var text when text.Contains("microwave") => Appliance.Microwave,
            var text when text.Contains("blend") || text.Contains("purée") => Appliance.Blender,
            var text when text.Contains("oven") || text.Contains("bake") || text.Contains("roast") => Appliance.Oven,
            var text when text.Contains("fridge") || text.Contains("chill") => Appliance.Fridge,
            var text when OnTheStove().IsMatch(text) => Appliance.Burner,
            _ => Appliance.None,
        };

    [GeneratedRegex(@"^(\d{1,2}[.)]|step \d+:?|[-*•])\s+", RegexOptions.IgnoreCase)]
    private static partial Regex Numbering();

    // Of "30–40 minutes" the last number counts: a plan holds the longer time free.
    [GeneratedRegex(@"(?<n>\d{1,3}(\.\d)?)\s*(?<unit>h|hours?|hrs?|min|mins|minutes?)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Duration();

    [GeneratedRegex(@"\b(?<n>\d{2,3})\s*(°|degrees)\s*(?<unit>[CF])\b")]
    private static partial Regex Degrees();

    [GeneratedRegex(
        @"\b(simmer|bake|roast|braise|rest|chill|soak|marinate|cool|boil|steam|prove|stand|leave|poach|slow cook|pressure)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Unattended();

    [GeneratedRegex(@"\b(fry|simmer|boil|heat|saut|sear|brown|sweat|steam|poach|toast|pan|pot|stir)")]
    private static partial Regex OnTheStove();
}

using System.Text.RegularExpressions;

namespace Merienda.Core.Recipes;

/// <summary>"…, or 25 minutes in the air fryer at 180 °C": another place for a step, in its own words.</summary>
internal static partial class OtherWay
{
    /// <summary>What a sentence says without it, and the other place; none where it names no appliance or no minutes.</summary>
    public static (string Main, OtherPlace? Other) In(string sentence)
    {
        var match = Said().Match(sentence);
        if (!match.Success)
        {
            return (sentence, null);
        }

        var clause = match.Groups["clause"].Value;
        var minutes = StepMinutes.In(clause).Select(one => one.Minutes).LastOrDefault();
        var place =
            StepWords.PlaceIn(clause) ?? StepWords.In(clause).Select(doing => doing.Appliance).FirstOrDefault(one => one is not null);
        return
            minutes == 0 || place is null or Appliance.None or Appliance.Burner or Appliance.Fridge or Appliance.Sink or Appliance.Cooling
            ? (sentence, null)
            : (
                sentence.Remove(match.Index, match.Length).Trim(),
                new(place.Value, minutes, place is Appliance.Oven or Appliance.AirFryer ? OvenTemperature.In(clause) : null)
            );
    }

    [GeneratedRegex(
        @"(^|[,;]?\s+|\s*\()(or|alternatively,?|you can also)\s+(?<clause>[^.;()]{0,60}?\b(air[ -]?fry(er)?|oven|bake|roast|microwave|slow[ -]cook(er)?|pressure[ -]cook(er)?)\b([^.;()]|\.(?=\d))*)\)?",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Said();
}

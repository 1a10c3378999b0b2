using System.Text.Json.Serialization;
using Merienda.Core.Foods;

namespace Merienda.Core.Protocols;

/// <summary>
/// Packets that the eater rejected: remembered with reason and date, and met again wherever they come up. What was approved is said beside
/// it.
/// </summary>
public sealed record PacketRule : PersonalRule
{
    /// <summary>The id that the rule has for every eater.</summary>
    public const string Key = "packets";

    public required PacketOpinions Opinions { get; init; }

    [JsonIgnore]
    public override string Title => "Packets";

    public override string Sentence(FoodClasses classes) =>
        $"Packets: {Opinions.All.Count(item => !item.IsApproved)} rejected, {Opinions.All.Count(item => item.IsApproved)} approved";

    public override Verdict JudgePortion(Intake portion, decimal? mealShare, RuleContext context) =>
        portion.Lines.Any(line => line.Food is { Packet: not null } food && Opinions.RejectionOf(food) is not null)
            ? Verdict.Breaks
            : Verdict.Fits;

    public override Finding Check(Intake intake, RuleContext context)
    {
        var packets = intake.Lines.Select(line => line.Food).OfType<Food>().Where(food => food.Packet is not null).Distinct().ToList();
        var rejected = packets
            .Select(food => (Food: food, Opinion: Opinions.RejectionOf(food)))
            .Where(item => item.Opinion is not null)
            .ToList();
        var notes = packets
            .Select(food => (Food: food, Opinion: Opinions.ApprovalOf(food)))
            .Where(item => item.Opinion is not null)
            .Select(item => $"{item.Food.Name} was approved on {Day(item.Opinion!.On)}: {item.Opinion.Reason}.")
            .ToList();
        return new(
            Id,
            Title,
            rejected.Count > 0 ? Verdict.Breaks : Verdict.Fits,
            null,
            null,
            null,
            [.. rejected.Select(item => new Contributor(item.Food.Name, 0))],
            rejected.Count > 0
                ? $"Packets: {string.Join(" and ", rejected.Select(item => $"{item.Food.Name}, rejected on {Day(item.Opinion!.On)} ({item.Opinion.Reason})"))}."
                : "Packets: none in it was rejected."
        )
        {
            Notes = notes,
        };
    }

    private static string Day(DateOnly date) => date.ToString("d MMM yyyy", System.Globalization.CultureInfo.InvariantCulture);
}

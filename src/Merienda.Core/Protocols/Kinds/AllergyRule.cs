using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Recipes;

namespace Merienda.Core.Protocols;

/// <summary>A food or a line that an adult accepted by name for an allergic eater; the acceptance is kept (domain.md section 5).</summary>
/// <param name="What">Key of the food, or the words that name it where no food was found.</param>
public sealed record Acceptance(string What, string Reason);

/// <summary>
/// An allergy is a hard stop: no dose, dilution or tolerance applies, what nobody can read is refused like what is known to hold it, and
/// nothing but an acceptance by name
/// lets it pass. It belongs to the eater, not to a protocol, so it is no kind that a file can hold.
/// </summary>
public sealed record AllergyRule : PersonalRule, IJudgesFoods
{
    /// <summary>Keys of the classes the eater is allergic to.</summary>
    public required IReadOnlyList<string> Classes { get; init; }

    public IReadOnlyList<Acceptance> Accepted { get; init; } = [];

    [JsonIgnore]
    public override string Title => "Allergy";

    public override string Sentence(FoodClasses classes) => $"Allergy: no {string.Join(", ", Classes.Select(classes.NameOf))}, not a trace";

    public override Finding Check(Intake intake, RuleContext context)
    {
        var lines = intake.AllLines.Select(line => (Line: line, Found: JudgeLine(line, context))).ToList();
        var held = lines.Where(item => item.Found.Verdict == Verdict.Breaks).DistinctBy(item => item.Line.Name).ToList();
        if (held.Count > 0)
        {
            return Found(
                Verdict.Breaks,
                [.. held.Select(item => item.Line.Name)],
                $"Allergy: {string.Join(" and ", held.Select(item => $"{item.Line.Name} ({item.Found.Reason})"))}."
            );
        }

        var doubts = lines.Select(item => item.Found.Doubt).OfType<LineDoubt>().Distinct().ToList();
        var names = string.Join(", ", Classes.Select(context.Classes.NameOf));
        return doubts.Count > 0
            ? Found(
                Verdict.CannotTell,
                [.. doubts.Select(doubt => doubt.Words)],
                $"Allergy to {names}: {string.Join("; ", doubts.Select(doubt => doubt.Said))}. Refused until that is settled or an adult accepts it by name."
            ) with
            {
                Doubts = doubts,
            }
            : Found(Verdict.Fits, [], $"Allergy: everything in it is known to be without {names}.");
    }

    public override Verdict JudgePortion(Intake portion, decimal? mealShare, RuleContext context) =>
        portion.AllLines.Select(line => VerdictOf(line, context)).RollUp();

    public Verdict VerdictOf(Food food, RuleContext context) => Judge(food, context).Verdict;

    public Verdict VerdictOf(RecipeLine line, RuleContext context) => JudgeLine(line, context).Verdict;

    private (Verdict Verdict, LineDoubt? Doubt, string Reason) JudgeLine(RecipeLine line, RuleContext context) =>
        LineDoubts.Of(line, food => Judge(food, context), words => IsAccepted(words.Trim()));

    private LineDoubts.FoodFinding Judge(Food food, RuleContext context)
    {
        // A food of the table may be accepted by name; a packet that names the allergen itself is refused whatever anybody accepted.
        if (food.Packet is null && IsAccepted(food.Key))
        {
            return default;
        }

        if (Classes.Where(key => Holds(food, key, context)).ToList() is { Count: > 0 } held)
        {
            return new(Verdict.Breaks, string.Join(", ", held.Select(context.Classes.NameOf)), default);
        }

        return food.Packet is null
            ? Classes.Any(food.MayContain)
                ? new(Verdict.CannotTell, food.Name, DoubtKind.PacketsDiffer)
                : default
            : context.Packets.ApprovalOf(food) is null && Doubt(food) is { } doubt
                ? new(Verdict.CannotTell, doubt, DoubtKind.Statement)
                : default;
    }

    /// <summary>
    /// Whether the food is, or its packet names, an allergen; soybean oil that the label's law exempts only counts for whoever does not
    /// trust that.
    /// </summary>
    private static bool Holds(Food food, string allergen, RuleContext context)
    {
        if (!context.Packets.TrustsRefinedSoybeanOil || food.Packet is not { } packet || food.Is(allergen))
        {
            return food.Contains(allergen);
        }

        var exempt = LabelCountries.ExemptSoybeanOils(packet.Printed.Country);
        return packet.Reading.Holds.Keys.Any(key => !exempt.Contains(key) && context.Classes.Upward(key).Contains(allergen));
    }

    /// <summary>
    /// Why a packet may hold what nobody sees; null when its statement was read through, leaves nothing open and warns of nothing.
    /// </summary>
    private string? Doubt(Food food)
    {
        if (Classes.Any(food.Packet!.MayContain))
        {
            return $"{food.Name}: its packet warns of it";
        }

        var open = food.Untold.Concat(Classes.Any(food.MayContain) ? food.Packet.Reading.MayHold.Values : []).Distinct().Take(3).ToList();
        return open.Count == 0 ? null : $"nobody can tell from {food.Name} ({string.Join(", ", open)})";
    }

    private bool IsAccepted(string what) => Accepted.Any(item => item.What.Equals(what, StringComparison.OrdinalIgnoreCase));

    private Finding Found(Verdict verdict, IReadOnlyList<string> names, string because) =>
        new(Id, Title, verdict, null, null, null, [.. names.Select(name => new Contributor(name, 0))], because) { IsHardStop = true };
}

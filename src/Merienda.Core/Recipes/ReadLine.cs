using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>What the words of an ingredient line say, before any food is looked up.</summary>
/// <param name="Text">The line as typed.</param>
/// <param name="Amount">How many units, or null when the line gives none ("salt, to taste").</param>
/// <param name="Unit">Null when there is no amount; <see cref="Unit.Each"/> for plain pieces.</param>
/// <param name="Size">Mass or volume of one package: the 400 g of a "400 g tin".</param>
/// <param name="StatedMass">What all of it weighs by the cook's own word: "1 aubergine (about 300 g)".</param>
/// <param name="Food">The words that name the food.</param>
/// <param name="Note">Preparation, state and remarks, as typed.</param>
public sealed record ReadLine(
    string Text,
    WrittenAmount? Amount,
    Unit? Unit,
    (decimal Amount, Unit Unit)? Size,
    Mass? StatedMass,
    string Food,
    string Note,
    bool IsOptional,
    bool IsToServe,
    bool IsByEye)
{
    /// <summary>The amount as it was read: "2–3 tbsp"; empty when the line gives none.</summary>
    public string AmountInWords => Amount is not { } read ? ""
        : $"{(read.Low == read.High ? $"{read.Low:0.##}" : $"{read.Low:0.##}–{read.High:0.##}")} {(Unit is { Name: "each" } or null ? "" : read.High > 1 ? Unit.Plural : Unit.Name)}".Trim();

    /// <summary>Whether the words ask for a drained weight.</summary>
    public bool IsDrained => Note.Contains("drained", StringComparison.OrdinalIgnoreCase);

    public bool IsCooked => Note.Contains("cooked", StringComparison.OrdinalIgnoreCase) && !Note.Contains("uncooked", StringComparison.OrdinalIgnoreCase);

    public bool IsDry => DryWords.Any(word => Note.Contains(word, StringComparison.OrdinalIgnoreCase));

    private static readonly string[] DryWords = ["dry", "dried", "uncooked"];
}

using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>The size that a piece is said to have.</summary>
public enum PieceSize
{
    Unsaid,
    Small,
    Medium,
    Large,
}

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
    bool IsByEye
)
{
    /// <summary>Words of the foods that may be meant instead: the "peanut butter" of "tahini or peanut butter".</summary>
    public IReadOnlyList<string> Alternatives { get; init; } = [];

    /// <summary>How it is asked for: "cooked", "dry", "soaked", "tinned"; empty when the line does not say.</summary>
    public string State { get; init; } = "";

    public PieceSize PieceSize { get; init; }

    /// <summary>A second ingredient on the same line ("2 eggs plus 4 egg whites"); empty when there is none.</summary>
    public string Second { get; init; } = "";

    /// <summary>The amount as it was read: "2–3 tbsp"; empty when the line gives none.</summary>
    public string AmountInWords =>
        Amount is not { } read
            ? ""
            : $"{(read.Low == read.High ? $"{read.Low:0.##}" : $"{read.Low:0.##}–{read.High:0.##}")} {(Unit is { Name: "each" } or null ? "" : read.High > 1 ? Unit.Plural : Unit.Name)}".Trim();

    /// <summary>How the words say it was cut; empty when they do not.</summary>
    public IReadOnlyList<string> Forms { get; init; } = [];

    /// <summary>
    /// What is eaten only by who wants it and has no amount stays out of the numbers; allergies and exclusions look at it all the same.
    /// </summary>
    public bool IsOutOfNumbers => IsOptional || (IsToServe && Amount is null);
}

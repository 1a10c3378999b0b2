using Merienda.Core.Quantities;

namespace Merienda.Core.Protocols;

/// <summary>
/// A dish or an ingredient and what it brings; <see cref="Amount"/> in the finding's unit, 0 where only its presence matters.
/// </summary>
public sealed record Contributor(string Name, decimal Amount);

/// <summary>Bounds that a value is held against, in the finding's unit.</summary>
public sealed record Bounds(decimal? AtLeast, decimal? AtMost, Period Per);

/// <summary>What one rule says of one intake.</summary>
/// <param name="Scale">Unit and decimals of value, bounds and contributors; null for rules that do not measure.</param>
/// <param name="Value">What was found; null for rules that do not measure.</param>
/// <param name="Contributors">In falling order of weight.</param>
/// <param name="Because">One plain sentence.</param>
public sealed record Finding(
    string Rule,
    string Title,
    Verdict Verdict,
    Scale? Scale,
    Estimate? Value,
    Bounds? Limit,
    IReadOnlyList<Contributor> Contributors,
    string Because
)
{
    /// <summary>True when the eater never stated the allowance; the one action that helps is to state it.</summary>
    public bool NeedsAllowance { get; init; }

    /// <summary>True for an allergy: no solver, swap or placing relaxes it (domain.md section 5).</summary>
    public bool IsHardStop { get; init; }

    /// <summary>The dish or the meal it was found of, where a rule judges those one by one; null for a day or a week.</summary>
    public string? About { get; init; }

    /// <summary>What can't be told and why, each with what settles it; empty for every other verdict.</summary>
    public IReadOnlyList<LineDoubt> Doubts { get; init; } = [];

    /// <summary>The change that would make it fit: "9 g less rice a portion"; null when there is none or none is needed.</summary>
    public string? Cure { get; init; }

    /// <summary>What is worth knowing and never a verdict: how FODMAPs stack, how a dose comes out for the batch.</summary>
    public IReadOnlyList<string> Notes { get; init; } = [];

    /// <summary>How much of the limit is used: 1 at a ceiling, above 1 past it; of a floor, how far it is from being reached.</summary>
    public decimal? Used =>
        (Value, Limit) switch
        {
            ({ } value, { AtMost: > 0 and { } most }) => value.Best / most,
            ({ } value, { AtLeast: > 0 and { } least }) => value.Best >= least ? 0 : 1 - (value.Best / least),
            _ => null,
        };
}

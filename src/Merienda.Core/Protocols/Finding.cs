using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Protocols;

/// <summary>A dish or an ingredient and what it brings; <see cref="Amount"/> in the measure's unit, 0 where only its presence matters.</summary>
public sealed record Contributor(string Name, decimal Amount);

/// <summary>Bounds that a value is held against, in the measure's unit.</summary>
public sealed record Bounds(decimal? AtLeast, decimal? AtMost, Period Per);

/// <summary>What one rule says of one intake.</summary>
/// <param name="Value">What was found; null for rules that do not measure.</param>
/// <param name="Contributors">In falling order of weight.</param>
/// <param name="Because">One plain sentence.</param>
public sealed record Finding(
    string Rule,
    string Title,
    Verdict Verdict,
    Measure? Measure,
    Estimate? Value,
    Bounds? Limit,
    IReadOnlyList<Contributor> Contributors,
    string Because)
{
    /// <summary>True when the eater never stated the allowance; the one action that helps is to state it.</summary>
    public bool NeedsAllowance { get; init; }

    /// <summary>How much of the limit is used: 1 at a ceiling, above 1 past it; of a floor, how far it is from being reached.</summary>
    public decimal? Used => (Value, Limit) switch
    {
        ({ } value, { AtMost: > 0 and { } most }) => value.Best / most,
        ({ } value, { AtLeast: > 0 and { } least }) => value.Best >= least ? 0 : 1 - (value.Best / least),
        _ => null,
    };
}

using Merienda.Core.Quantities;

namespace Merienda.Core.Protocols;

/// <summary>What one helping brings to a sum; below zero where a rule sets two sums against each other.</summary>
/// <param name="Above">Width above the best value, in the same unit.</param>
/// <param name="IsOpen">Whether a part of it is unknown.</param>
public readonly record struct Brought(decimal Best, decimal Above, bool IsOpen)
{
    public static implicit operator Brought(Estimate value) => new(value.Best, value.Above, value.IsOpen);
}

/// <summary>
/// What a rule asks of a day or a week as a sum over its helpings, for whoever searches for a plan: <see cref="Rule.Check"/> judges what is
/// found. A form may be wider than its rule, never narrower where the rule keeps.
/// </summary>
/// <param name="Title">As a sentence names it: "Net carbs".</param>
/// <param name="Of">What a helping brings; its size counts.</param>
/// <param name="AtLeast">What the best values reach, with what still counts as kept; null for no floor.</param>
/// <param name="AtMost">What they stay within, likewise.</param>
public sealed record LinearForm(
    string Rule,
    string Title,
    Period Period,
    Scale Scale,
    Func<Helping, Brought> Of,
    decimal? AtLeast,
    decimal? AtMost
)
{
    /// <summary>Where the sum should rather lie, within the bounds; null where anything inside is as good.</summary>
    public (decimal Low, decimal High)? Aim { get; init; }

    /// <summary>
    /// An account of the week: what a day brings beyond its budget is drawn, first from what the days before left of theirs, and what is drawn
    /// otherwise is the sum; null for a plain sum.
    /// </summary>
    public DayAccount? Account { get; init; }
}

/// <param name="Budget">Of each day.</param>
/// <param name="CarryOver">Most that goes on from one day to the next.</param>
public sealed record DayAccount(decimal Budget, decimal CarryOver)
{
    /// <summary>What days draw beyond their budgets and what was carried to them.</summary>
    public decimal Drawn(IEnumerable<decimal> days)
    {
        decimal drawn = 0,
            carried = 0;
        foreach (var day in days)
        {
            drawn += Math.Max(0, day - Budget - carried);
            carried = Math.Clamp(Budget + carried - day, 0, CarryOver);
        }

        return drawn;
    }
}

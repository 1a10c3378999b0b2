using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Claims;

/// <summary>How a stated value stands to what we count.</summary>
public enum ClaimVerdict
{
    Agrees,
    Differs,

    /// <summary>No dish can have it beside what else is stated.</summary>
    CannotBe,

    /// <summary>Too little is known of the dish.</summary>
    CantTell,

    /// <summary>It was said of another dish: something was changed since.</summary>
    SaidBefore,
}

/// <param name="Ours">What we count; null where we count nothing like it.</param>
/// <param name="Because">One sentence; empty where the two agree.</param>
public sealed record ClaimFinding(Claim Claim, ClaimVerdict Verdict, Estimate? Ours, string Because);

using Merienda.Core.Groups;

namespace Merienda.Core.Tests.Groups;

internal static class AtHome
{
    /// <summary>Everybody eats by one tier, and did before.</summary>
    public static WeekAtHome By(this WeekAtHome home, string tier) =>
        home with
        {
            Eaters = [.. home.Eaters.Select(eater => eater with { Now = new(true, tier), Before = new(true, tier) })],
        };
}

using Merienda.Core.Planning;

namespace Merienda.Core.Tests.Planning;

/// <summary>Batches and seatings as tests of plans need them.</summary>
internal static class Cooked
{
    /// <summary>A batch of one lot, of one part.</summary>
    public static Batch Batch(string letter, DateOnly cooked, decimal portions) =>
        new(Guid.NewGuid(), letter, cooked, [new(Guid.NewGuid(), null, portions)]);

    /// <summary>What a portion's share of each part weighs in every lot, g.</summary>
    public static Batch Weighing(this Batch batch, params decimal?[] grams) =>
        batch with
        {
            Lots = [.. batch.Lots.Select(lot => lot with { PlannedGrams = grams })],
        };

    /// <summary>Everybody may have everything, from any lot.</summary>
    public static readonly Seating ForAll = new((_, _) => null, (batch, _) => [.. batch.Lots.Select(lot => lot.Id)]);

    /// <summary>Nobody may have anything.</summary>
    public static readonly Seating ForNobody = new((_, _) => new("allergy", "eater", "E", "no", "none"), (_, _) => []);
}

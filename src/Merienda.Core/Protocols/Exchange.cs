using Merienda.Core.Foods;

namespace Merienda.Core.Protocols;

/// <summary>
/// One food for another at an equal amount of one measure, with the true difference in the others: a cup of black beans is not two eggs.
/// </summary>
/// <param name="Grams">Grams of the other food.</param>
/// <param name="Differences">How much more (or less, negative) of each measure the exchange brings.</param>
public sealed record Exchange(Food To, decimal Grams, IReadOnlyList<(MeasureInfo Measure, decimal Difference)> Differences)
{
    private static readonly Measure[] Compared =
    [
        Measure.Energy,
        Measure.Protein,
        Measure.Fat,
        Measure.AvailableCarbohydrate,
        Measure.Fibre,
    ];

    /// <param name="equal">What stays the same.</param>
    /// <returns>Null when either food holds none of it, or nobody knows how much.</returns>
    public static Exchange? Of(Food from, decimal grams, Food to, Measure equal)
    {
        var (have, each) = (from.Nutrition[equal], to.Nutrition[equal]);
        if (have.IsOpen || each.IsOpen || have.Best <= 0 || each.Best <= 0)
        {
            return null;
        }

        var other = grams * have.Best / each.Best;
        return new(
            to,
            other,
            [
                .. Compared.Select(measure =>
                    (MeasureInfo.Of(measure), ((to.Nutrition[measure].Best * other) - (from.Nutrition[measure].Best * grams)) / 100)
                ),
            ]
        );
    }
}

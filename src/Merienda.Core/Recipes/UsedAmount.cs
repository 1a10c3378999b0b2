using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>
/// How much of another recipe a line takes: a share of what it makes, portions, grams or millilitres. "½ of the Pulled pork", "a third of
/// a batch of Tomato base", "2 portions Lentil soup", "300 g Pesto".
/// </summary>
/// <param name="Name">The words that name the recipe.</param>
/// <param name="Counted">What the number counts; null when the line only says a number and a unit.</param>
/// <param name="IsBareFraction">Whether only a fraction says so: "½ Naan" may be half of one piece.</param>
internal readonly record struct UsedAmount(string Name, UsedAmount.What? Counted, bool IsBareFraction)
{
    public enum What
    {
        Batches,
        Halves,
        Thirds,
        Quarters,
        Fifths,
        Percent,
        Portions,
    }

    private static readonly Dictionary<string, What?> Leading = new(StringComparer.OrdinalIgnoreCase)
    {
        ["of"] = null,
        ["from"] = null,
        ["the"] = null,
        ["a"] = null,
        ["my"] = null,
        ["our"] = null,
        ["own"] = null,
        ["leftover"] = null,
        ["homemade"] = null,
        ["home-made"] = null,
        ["batch"] = What.Batches,
        ["batches"] = What.Batches,
        ["recipe"] = What.Batches,
        ["recipes"] = What.Batches,
        ["quantity"] = What.Batches,
        ["all"] = What.Batches,
        ["whole"] = What.Batches,
        ["half"] = What.Halves,
        ["halves"] = What.Halves,
        ["third"] = What.Thirds,
        ["thirds"] = What.Thirds,
        ["quarter"] = What.Quarters,
        ["quarters"] = What.Quarters,
        ["fourth"] = What.Quarters,
        ["fourths"] = What.Quarters,
        ["fifth"] = What.Fifths,
        ["fifths"] = What.Fifths,
        ["%"] = What.Percent,
        ["percent"] = What.Percent,
        ["portion"] = What.Portions,
        ["portions"] = What.Portions,
        ["serving"] = What.Portions,
        ["servings"] = What.Portions,
    };

    /// <summary>Takes the words in front of a recipe's name apart; the first that counts something wins.</summary>
    public static UsedAmount In(ReadLine read)
    {
        var words = read.Food.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var at = 0;
        What? counted = null;
        for (; at < words.Length - 1 && Leading.TryGetValue(words[at], out var what); at++)
        {
            counted ??= what;
        }

        // "½ of it": a fraction without a unit is one of the batch.
        var isFraction = counted is null && read is { Amount: { High: < 1 }, Unit.Name: "each" };
        return new(string.Join(' ', words.Skip(at)), isFraction ? What.Batches : counted, isFraction && at == 0);
    }

    /// <summary>Batches of the recipe that the line takes, and what a person should look at.</summary>
    public (Estimate Batches, string? Doubt) Of(ReadLine read, RecipeVersion used, MeasureSystem system)
    {
        if (Counted is { } what)
        {
            var amount = read.Amount ?? new WrittenAmount(1);
            var batches = what == What.Portions ? 1 / used.Portions : ShareOf(what);
            return Estimate.Between(amount.Low * batches, amount.Best * batches, amount.High * batches) is { Best: > 0 } share
                ? (share, null)
                : (Estimate.Unknown, $"An amount of 0 says nothing; type how much of {used.Name} goes in, or delete the line");
        }

        return (read.Amount, read.Unit) switch
        {
            ({ Low: > 0 } amount, { Kind: UnitKind.Mass } unit) => Measured(amount, unit.Mass.Grams, YieldUnit.Grams, used),
            ({ Low: > 0 } amount, { Kind: UnitKind.Volume } unit) => Measured(
                amount,
                unit.VolumeIn(system).Millilitres,
                YieldUnit.Millilitres,
                used
            ),
            ({ Low: > 0 } amount, { Name: "each" }) when used.MadeIn(YieldUnit.Pieces) is { } pieces => (
                Estimate.Between(amount.Low / pieces, amount.Best / pieces, amount.High / pieces),
                null
            ),
            ({ Low: > 0 } amount, { Name: "each" }) => (
                Estimate.Between(
                    Math.Min(amount.Low, amount.Low / used.Portions),
                    amount.Best,
                    Math.Max(amount.High, amount.High / used.Portions)
                ),
                $"{read.AmountInWords} batches of {used.Name} or {read.AmountInWords} portions? Type the word; until then the numbers span both"
            ),
            _ => (Estimate.Unknown, $"How much of {used.Name}? Type a share, portions or grams"),
        };
    }

    private static decimal ShareOf(What what) =>
        what switch
        {
            What.Halves => 1m / 2,
            What.Thirds => 1m / 3,
            What.Quarters => 1m / 4,
            What.Fifths => 1m / 5,
            What.Percent => 1m / 100,
            _ => 1m,
        };

    /// <summary>Grams or millilitres of what the recipe was measured to make, or else of what its lines make when served.</summary>
    /// <param name="each">Grams or millilitres of one of what is counted.</param>
    private static (Estimate, string?) Measured(WrittenAmount amount, decimal each, YieldUnit unit, RecipeVersion used)
    {
        var measured = used.MadeIn(unit);
        var (served, sign, verb) =
            unit == YieldUnit.Grams ? (used.Profile.ServedWeight, "g", "weighed") : (used.Profile.ServedVolume, "ml", "measured");
        var made = measured is { } known ? Estimate.Exactly(known) : served * used.Portions;
        return made is not { High: { } most, Low: > 0 }
            ? (Estimate.Unknown, $"Nobody {verb} what {used.Name} makes; type a share or portions of it")
            : (
                Estimate.Between(amount.Low * each / most, amount.Best * each / made.Best, amount.High * each / made.Low),
                made.Low == most ? null : $"Nobody {verb} what {used.Name} makes: {made.Low:0} to {most:0} {sign} by its lines"
            );
    }
}

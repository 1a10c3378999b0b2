using System.Globalization;
using CsvHelper;
using Merienda.Core.Foods;
using Merienda.Core.Shopping;

namespace Merienda.Formats;

/// <summary>Reads data/sold-as.csv: what is bought for a food that recipes name and nobody sells so.</summary>
public static class SoldAsFile
{
    /// <exception cref="InvalidDataException">A food is not known, or nobody says how much of it is bought; the row's food is named.</exception>
    public static SoldAs Load(string path, Func<string, Food?> withKey)
    {
        using var csv = new CsvReader(new StreamReader(path), CultureInfo.InvariantCulture);
        csv.Read();
        csv.ReadHeader();
        var rows = new List<KeyValuePair<string, BoughtInstead>>();
        while (csv.Read())
        {
            var (food, bought) = (csv["food"]!, csv["bought_as"]!);
            if (withKey(food) is null || withKey(bought) is not { } other)
            {
                throw new InvalidDataException($"{path}: {food} or {bought} is no food.");
            }

            // Without a number of its own it is what comes out of the pot.
            var times = decimal.TryParse(csv["times"], CultureInfo.InvariantCulture, out var stated)
                ? stated
                : 1 / other.Yields.FirstOrDefault(one => one.Method == "boiled")?.Factor;
            rows.Add(
                new(
                    food,
                    new(
                        bought,
                        times is > 0 and { } grams
                            ? grams
                            : throw new InvalidDataException($"{path}: nobody says how much {bought} is bought for {food}.")
                    )
                )
            );
        }

        return new(rows);
    }
}

using System.Globalization;
using CsvHelper;
using Merienda.Core.Foods;

namespace Merienda.Formats;

/// <summary>Reads data/line-words.csv: words beside the names of foods, and what they do.</summary>
public static class LineWords
{
    /// <exception cref="InvalidDataException">An effect is not known, or a word that is the same as another names none; row and value are
    /// named.</exception>
    public static FoodWords Load(string path)
    {
        using var csv = new CsvReader(new StreamReader(path), CultureInfo.InvariantCulture);
        csv.Read();
        csv.ReadHeader();
        var words = new List<(string, WordEffect, string)>();
        while (csv.Read())
        {
            var (effect, to) = (csv["effect"]!, csv["to"]!);
            if (!Enum.TryParse<WordEffect>(effect, ignoreCase: true, out var known) || known == WordEffect.Same != to.Length > 0)
            {
                throw new InvalidDataException(
                    $"{Path.GetFileName(path)}, row {csv.Parser.Row}, effect \"{effect}\": use describes, changes, or same with what it is written as."
                );
            }

            words.Add((csv["words"]!, known, to));
        }

        return new(words);
    }

    /// <summary>Reads data/kinds.csv: words that leave the kind of a food open, and the foods they may mean, the usual one first.</summary>
    /// <exception cref="InvalidDataException">A row names fewer than two foods.</exception>
    public static IReadOnlyList<(string Words, IReadOnlyList<string> Keys)> LoadKinds(string path)
    {
        using var csv = new CsvReader(new StreamReader(path), CultureInfo.InvariantCulture);
        csv.Read();
        csv.ReadHeader();
        var kinds = new List<(string, IReadOnlyList<string>)>();
        while (csv.Read())
        {
            var keys = csv["foods"]!.Split(' ', StringSplitOptions.RemoveEmptyEntries);
            if (keys.Length < 2)
            {
                throw new InvalidDataException(
                    $"{Path.GetFileName(path)}, row {csv.Parser.Row}, foods \"{csv["foods"]}\": name at least two."
                );
            }

            kinds.AddRange(csv["words"]!.Split(';', StringSplitOptions.TrimEntries).Select(words => (words, (IReadOnlyList<string>)keys)));
        }

        return kinds;
    }
}

using System.Globalization;
using CsvHelper;
using Merienda.Core.Foods;
using Merienda.Core.Foods.Statements;

namespace Merienda.Formats;

/// <summary>Reads data/statement-words.csv: phrases with one meaning in a row, the classes they hold, and how they are read.</summary>
public static class StatementWords
{
    /// <exception cref="InvalidDataException">A class is not known or a reading is not; row and value are named.</exception>
    public static StatementLexicon Load(string path, FoodClasses classes)
    {
        using var csv = new CsvReader(new StreamReader(path), CultureInfo.InvariantCulture);
        csv.Read();
        csv.ReadHeader();
        var meanings = new List<KeyValuePair<string, StatedMeaning>>();
        while (csv.Read())
        {
            var held = csv["classes"]!.Split(' ', StringSplitOptions.RemoveEmptyEntries);
            var reading = csv["reading"]!;
            if (held.FirstOrDefault(key => !classes.Knows(key)) is { } unknown)
            {
                throw new InvalidDataException($"{Path.GetFileName(path)}, row {csv.Parser.Row}, classes \"{unknown}\": no such food class.");
            }

            string? cannotTell = reading switch { "" or "ignore" => null, "cannot-tell" => csv["words"], _ when reading.StartsWith("cannot-tell:", StringComparison.Ordinal) => reading["cannot-tell:".Length..], _ => throw new InvalidDataException($"{Path.GetFileName(path)}, row {csv.Parser.Row}, reading \"{reading}\": use nothing, ignore or cannot-tell.") };
            meanings.AddRange(csv["words"]!.Split(';', StringSplitOptions.TrimEntries).Select(words => KeyValuePair.Create(words, new StatedMeaning(held, cannotTell))));
        }

        return new(meanings);
    }
}

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
            var (held, may) = (Classes("classes"), Classes("may_hold"));
            var reading = csv["reading"]!;
            var (cannotTell, kind, without) = reading switch
            {
                "" or "ignore" => (null, StatedKind.Thing, held),
                "source" => (null, StatedKind.Source, held),
                "describes" => (null, StatedKind.Describes, held),
                "cannot-tell" => (csv["words"], StatedKind.Thing, held),
                _ when After("cannot-tell:") is { } what => (what, StatedKind.Thing, held),
                _ when After("without:") is { } absent => (null, StatedKind.Without, Known("reading", absent)),
                _ => throw Wrong("reading", reading, "use nothing, ignore, source, describes, without:classes or cannot-tell"),
            };
            meanings.AddRange(
                csv["words"]!
                    .Split(';', StringSplitOptions.TrimEntries)
                    .Select(words => KeyValuePair.Create(words, new StatedMeaning(without, cannotTell, may, kind)))
            );

            string? After(string start) => reading.StartsWith(start, StringComparison.Ordinal) ? reading[start.Length..] : null;
            string[] Classes(string column) => Known(column, csv[column]!);
            string[] Known(string column, string cell) =>
                cell.Split(' ', StringSplitOptions.RemoveEmptyEntries) is var keys
                && keys.FirstOrDefault(key => !classes.Knows(key)) is { } unknown
                    ? throw Wrong(column, unknown, "no such food class")
                    : keys;
            InvalidDataException Wrong(string column, string value, string reason) =>
                new($"{Path.GetFileName(path)}, row {csv.Parser.Row}, {column} \"{value}\": {reason}.");
        }

        return new(meanings, classes);
    }
}

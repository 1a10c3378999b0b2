using System.Globalization;
using System.Text;

namespace Merienda.Formats;

/// <summary>A thing on a list as it is handed on.</summary>
/// <param name="Amount">As it is bought.</param>
/// <param name="IsLookedFor">Whether one looks at home first.</param>
/// <param name="Batches">Letters of the batches that need it.</param>
public sealed record ListedThing(
    string Aisle,
    string Name,
    string Amount,
    string Needed,
    bool IsLookedFor,
    bool IsTicked,
    decimal? Cost,
    string Shop,
    string Batches,
    string Note
);

/// <summary>A list as text to send, as CSV, and as a reminder for a calendar (iCalendar, RFC 5545).</summary>
public static class ShopFile
{
    private static readonly string[] Columns =
    [
        "aisle",
        "name",
        "amount",
        "needed",
        "look_first",
        "in_basket",
        "cost",
        "shop",
        "batches",
        "note",
    ];

    /// <summary>What is still to buy, by aisle, one a line; what is in the basket is left out.</summary>
    public static string Text(IReadOnlyList<ListedThing> things)
    {
        var text = new StringBuilder();
        foreach (var aisle in things.Where(thing => !thing.IsTicked && !thing.IsLookedFor).GroupBy(thing => thing.Aisle))
        {
            text.Append(Capital(aisle.Key)).Append('\n');
            foreach (var thing in aisle)
            {
                text.Append("- ").Append(Said(thing)).Append('\n');
            }

            text.Append('\n');
        }

        var looked = things.Where(thing => !thing.IsTicked && thing.IsLookedFor).ToList();
        if (looked.Count > 0)
        {
            text.Append("Look first\n");
            foreach (var thing in looked)
            {
                text.Append("- ").Append(thing.Name).Append('\n');
            }
        }

        return text.ToString().TrimEnd('\n') + "\n";
    }

    public static string Csv(IReadOnlyList<ListedThing> things) =>
        CsvTable.Write([
            Columns,
            .. things.Select(thing =>
                (string[])
                    [
                        thing.Aisle,
                        thing.Name,
                        thing.Amount,
                        thing.Needed,
                        thing.IsLookedFor ? "yes" : "",
                        thing.IsTicked ? "yes" : "",
                        CsvTable.Number(thing.Cost),
                        thing.Shop,
                        thing.Batches,
                        thing.Note,
                    ]
            ),
        ]);

    /// <summary>An hour of shopping with the list in it and an alarm half an hour before.</summary>
    /// <param name="at">As the clock of the zone shows it.</param>
    /// <param name="timeZone">IANA name.</param>
    /// <param name="key">Stays the same for the same list, so that a calendar takes a newer one for the same event.</param>
    public static string Reminder(IReadOnlyList<ListedThing> things, DateTime at, string timeZone, string key, DateTimeOffset now)
    {
        var starts = Calendar.Utc(at, timeZone);
        return Calendar.Of(
            [
                new(
                    $"shopping-{key}@merienda",
                    starts,
                    starts.AddHours(1),
                    $"Shopping: {things.Count(thing => !thing.IsTicked && !thing.IsLookedFor)} things",
                    Text(things),
                    TimeSpan.FromMinutes(30)
                ),
            ],
            now
        );
    }

    private static string Said(ListedThing thing) =>
        thing.Amount.Length == 0 ? (thing.Note.Length > 0 ? $"{thing.Name} ({thing.Note})" : thing.Name) : $"{thing.Name}: {thing.Amount}";

    private static string Capital(string word) => $"{char.ToUpper(word[0], CultureInfo.InvariantCulture)}{word[1..]}";
}

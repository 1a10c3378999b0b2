using System.Text.Encodings.Web;
using System.Text.Json;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Formats;

namespace Merienda.Cli;

/// <summary>merienda read: what one ingredient line, or a packet's ingredient statement, is read as.</summary>
public static class ReadCommand
{
    public const string Usage = "merienda read LINE [--json] | merienda read --statement 'TEXT' [--country US|UK|EU|CA|AU|NZ] [--json]";

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    public static int Run(IEnumerable<string> words, TextWriter output, TextWriter errors)
    {
        var (json, statement, country) = (false, (string?)null, (string?)null);
        var line = new List<string>();
        var rest = new Queue<string>(words);
        while (rest.TryDequeue(out var word))
        {
            if (word is "--statement" or "--country" && rest.Count == 0)
            {
                return Refused.Say("read", new("missing-value", word, "", "nothing follows it", Usage), errors);
            }

            switch (word)
            {
                case "--json":
                    json = true;
                    break;
                case "--statement":
                    statement = rest.Dequeue();
                    break;
                case "--country":
                    country = rest.Dequeue();
                    break;
                case ['-', '-', ..]:
                    return Refused.Say("read", new("unknown-option", "option", word, "there is no such option", Usage), errors);
                default:
                    line.Add(word);
                    break;
            }
        }

        if (country is not null && LabelCountries.WithCode(country) is null)
        {
            return Refused.Say(
                "read",
                new("unknown-country", "--country", country, "no label rules are known for it", "Use US, CA, EU, UK, AU or NZ"),
                errors
            );
        }

        if (statement is null && line.Count == 0)
        {
            return Refused.Say("read", new("nothing-to-read", "line", "", "there is nothing to read", Usage), errors);
        }

        var folder = DataFiles.Find();
        var data = DataFiles.Load(folder);
        if (statement is null)
        {
            Line(string.Join(' ', line), data, json, output);
        }
        else
        {
            Statement(statement, folder, data, json, output);
        }

        return CheckCommand.Fits;
    }

    private static void Line(string text, DataFiles data, bool json, TextWriter output)
    {
        var line = RecipeLine.From(text, data.Foods, MeasureSystem.UnitedStates);
        var nearest = line.Meanings[0].IsSure ? [] : data.Foods.Nearest(line.Read.Food, 5).Select(food => food.Name).ToList();
        var kinds = line.Meanings[0].Kinds?.Foods.Select(kind => kind.Name).ToList() ?? [];
        if (json)
        {
            output.WriteLine(
                JsonSerializer.Serialize(
                    new
                    {
                        line.Read.Text,
                        Amount = line.Read.AmountInWords,
                        Food = line.Food?.Key,
                        Match = line.Match.ToString().ToLowerInvariant(),
                        Grams = line.Grams.IsOpen ? (decimal?)null : Math.Round(line.Grams.Best, 1),
                        line.Read.State,
                        line.Read.Note,
                        Alternatives = line.Meanings.Skip(1).Select(meaning => new { meaning.Words, Food = meaning.Food?.Key }),
                        line.Read.IsOptional,
                        line.Read.IsToServe,
                        line.Doubt,
                        Kinds = kinds,
                        Nearest = nearest,
                    },
                    Json
                )
            );
            return;
        }

        output.WriteLine($"  amount  {(line.Read.AmountInWords.Length == 0 ? "none" : line.Read.AmountInWords)}");
        output.WriteLine(
            $"  food    {(line.Food is { } food ? $"{food.Name} ({line.Match.ToString().ToLowerInvariant()})" : "not known")}"
        );
        output.WriteLine(
            $"  weighs  {(line.Grams.High is { } high ? $"{line.Grams.Best:0.#} g ({line.Grams.Low:0.#} to {high:0.#})" : "not known")}"
        );
        foreach (
            var (name, said) in new[]
            {
                ("note", line.Read.Note),
                ("look", line.Doubt ?? ""),
                ("kinds", string.Join(" · ", kinds)),
                ("nearest", string.Join(" · ", nearest)),
            }.Where(row => row.Item2.Length > 0)
        )
        {
            output.WriteLine($"  {name, -7} {said}");
        }
    }

    private static void Statement(string text, string folder, DataFiles data, bool json, TextWriter output)
    {
        var reading = StatementWords.Load(Path.Combine(folder, "statement-words.csv"), data.Classes).Read(text);
        // What makers differ by is as open as a warning: it stands with what may be in it.
        var allergens = data.Classes.AllergensOf(reading.Holds.Keys);
        var may = data.Classes.AllergensOf(reading.MayContain.Keys.Concat(reading.MayHold.Keys)).Except(allergens).ToList();
        if (json)
        {
            output.WriteLine(
                JsonSerializer.Serialize(
                    new
                    {
                        Holds = reading.Holds.Keys,
                        Allergens = allergens,
                        MayContain = may,
                        reading.CannotTell,
                        Phrases = reading.Phrases.Select(phrase => new
                        {
                            phrase.Words,
                            phrase.Classes,
                            phrase.MayHold,
                            phrase.IsUntold,
                        }),
                    },
                    Json
                )
            );
            return;
        }

        output.WriteLine(
            $"  holds       {string.Join(", ", reading.Holds.Select(held => $"{data.Classes.NameOf(held.Key)} (\"{held.Value}\")"))}"
        );
        output.WriteLine($"  allergens   {string.Join(", ", allergens)}");
        output.WriteLine($"  may contain {string.Join(", ", may)}");
        output.WriteLine($"  can't tell  {string.Join(", ", reading.CannotTell)}");
    }
}

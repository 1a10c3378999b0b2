using System.Text;
using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Shopping;
using Merienda.Formats;
using Merienda.Solving;

namespace Merienda.Cli;

/// <summary>merienda plan: recipes in; a week, what to shop for and what is unmet out. Without a database.</summary>
public static class PlanCommand
{
    public const int Fits = 0,
        Unmet = 1,
        BadInput = Refused.Exit;

    private const string Usage =
        "merienda plan FOLDER|FILE --eaters eaters.json [--kitchen kitchen.json] [--prices prices.csv] [--start YYYY-MM-DD] [--rounds N] [--seed N] [--json]";

    private sealed record Asked(
        string? Path = null,
        string? Eaters = null,
        string? Kitchen = null,
        string? Prices = null,
        string? Start = null,
        string? Rounds = null,
        string? Seed = null,
        bool Json = false
    );

    public static int Run(IEnumerable<string> words, DateOnly today, TextWriter output, TextWriter errors)
    {
        var asked = Read(words);
        if (asked.Refusal is { } wrongWords)
        {
            return Refused.Say("plan", wrongWords, errors);
        }

        var data = DataFiles.Load(DataFiles.Find());
        var leftOut = new List<string>();
        var question = QuestionOf(asked.Value, today, data, leftOut);
        if (question.Refusal is { } refusal)
        {
            return Refused.Say("plan", refusal, errors);
        }

        var effort = FillEffort.Usual with { Rounds = int.Parse(asked.Value.Rounds ?? "1"), Seed = int.Parse(asked.Value.Seed ?? "1") };
        var answer = WeekSolver.Solve(question.Value, effort);
        var judge = new FillJudge(question.Value, answer.Plan);
        var list = ShoppingList.FromNothing(
            SoldAsFile.Load(Path.Combine(DataFiles.Find(), "sold-as.csv"), data.Foods.WithKey),
            data.Foods.WithKey
        );
        PlanReport.Write(new(question.Value, answer, judge, list, leftOut), asked.Value.Json, output);
        return judge.Fits ? Fits : Unmet;
    }

    private static Result<Asked> Read(IEnumerable<string> words)
    {
        var asked = new Asked();
        var rest = new Queue<string>(words);
        while (rest.TryDequeue(out var word))
        {
            if (word is ['-', '-', ..] and not "--json" && rest.Count == 0)
            {
                return new Refusal("missing-value", word, "", "nothing follows it", Usage);
            }

            Asked? next = word switch
            {
                "--json" => asked with { Json = true },
                "--eaters" => asked with { Eaters = rest.Dequeue() },
                "--kitchen" => asked with { Kitchen = rest.Dequeue() },
                "--prices" => asked with { Prices = rest.Dequeue() },
                "--start" => asked with { Start = rest.Dequeue() },
                "--rounds" => asked with { Rounds = rest.Dequeue() },
                "--seed" => asked with { Seed = rest.Dequeue() },
                ['-', '-', ..] => null,
                _ when asked.Path is null => asked with { Path = word },
                _ => null,
            };
            if (next is null)
            {
                return new Refusal("unknown-option", "option", word, "there is no such option, or it stands there twice", Usage);
            }

            asked = next;
        }

        return asked switch
        {
            { Path: null } => new Refusal("missing-value", "FOLDER|FILE", "", "no recipes are named", Usage),
            { Eaters: null } => new Refusal("missing-value", "--eaters", "", "nobody eats", Usage),
            { Start: { } start } when !DateOnly.TryParseExact(start, "yyyy-MM-dd", out _) => new Refusal(
                "bad-date",
                "--start",
                start,
                "it is no date",
                "Write it as 2026-11-29"
            ),
            _ => (WrongNumber("--rounds", asked.Rounds) ?? WrongNumber("--seed", asked.Seed)) is { } wrong ? wrong : asked,
        };
    }

    private static Refusal? WrongNumber(string option, string? text) =>
        text is null || (int.TryParse(text, out var number) && number is > 0 and < 1000)
            ? null
            : new("bad-number", option, text, "it is no whole number from 1 to 999", Usage);

    private static Result<FillQuestion> QuestionOf(Asked asked, DateOnly today, DataFiles data, List<string> leftOut)
    {
        var kitchen = asked.Kitchen is null ? new KitchenFile() : Text(asked.Kitchen, "--kitchen", KitchenFile.Read);
        if (kitchen.Refusal is { } noKitchen)
        {
            return noKitchen;
        }

        var rhythm = kitchen.Value.Rhythm;
        var eaters = Text(asked.Eaters!, "--eaters", text => EaterFile.ReadAll(text, data));
        if (eaters.Refusal is { } noEaters)
        {
            return noEaters;
        }

        var dishes = DishesIn(asked.Path!, rhythm, data, leftOut);
        if (dishes.Refusal is { } noDishes)
        {
            return noDishes;
        }

        var bought = BoughtIn(kitchen.Value, data);
        if (bought.Refusal is { } notBought)
        {
            return notBought;
        }

        var foods = dishes.Value.Concat(bought.Value).SelectMany(dish => dish.Version.Ingredients).Select(line => line.Food).OfType<Food>();
        var prices = PricesIn(asked.Prices, today, data);
        if (prices.Refusal is { } noPrices)
        {
            return noPrices;
        }

        var start = rhythm.WeekOf(asked.Start is null ? today.AddDays(WeekPlan.Days) : DateOnly.ParseExact(asked.Start, "yyyy-MM-dd"));
        return new FillQuestion(
            start,
            rhythm,
            [.. rhythm.SessionsOf(start).Select(date => rhythm.SessionOn(date, start, Guid.NewGuid()))],
            [.. eaters.Value.Select(eater => eater.At(rhythm, data))],
            [.. dishes.Value, .. bought.Value],
            kitchen.Value.Wishes
        )
        {
            Prices = PriceBook.Of(prices.Value, [.. foods]),
        };
    }

    private static Result<IReadOnlyList<Price>> PricesIn(string? path, DateOnly today, DataFiles data) =>
        path is null
            ? Array.Empty<Price>()
            : Text(
                path,
                "--prices",
                text =>
                {
                    var file = PriceFile.Read(Encoding.UTF8.GetBytes(text), data.Foods, MeasureSystem.UnitedStates, today);
                    if (file.Refusal is { } refusal)
                    {
                        return refusal;
                    }

                    var rows = file.Value.Rows.ToList();
                    return rows.Select(row => row.Problem).OfType<FileProblem>().FirstOrDefault() is { } wrong
                        ? new Refusal("price-row-wrong", wrong.Column, wrong.Value, $"row {wrong.Row}: {wrong.Reason}", wrong.Cure)
                        : (Result<IReadOnlyList<Price>>)rows.Select(row => row.Price!).ToList();
                }
            );

    private static Result<IReadOnlyList<FillDish>> BoughtIn(KitchenFile kitchen, DataFiles data)
    {
        var found = new List<FillDish>();
        foreach (var thing in kitchen.Ready ?? [])
        {
            var read = ReadyFood.Read(thing.Line, data.Foods, MeasureSystem.UnitedStates);
            if (read.Refusal is { } refusal)
            {
                return refusal;
            }

            found.Add(FillDish.Of(new(Guid.NewGuid(), thing.Line, thing.Meal, thing.MostAWeek), read.Value));
        }

        return found;
    }

    /// <param name="leftOut">Is told of each recipe that cannot be planned with, and why.</param>
    private static Result<IReadOnlyList<FillDish>> DishesIn(string path, Rhythm rhythm, DataFiles data, List<string> leftOut)
    {
        var files = Directory.Exists(path) ? [.. Directory.EnumerateFiles(path).Order(StringComparer.Ordinal)] : new List<string> { path };
        var found = new List<FillDish>();
        foreach (var file in files)
        {
            var text = Text(file, "file", words => (Result<string>)words);
            if (text.Refusal is { } unreadable)
            {
                return unreadable;
            }

            foreach (var (recipe, _) in RecipeFile.ReadAll(text.Value))
            {
                var dish = recipe.Refusal is { } refusal ? refusal : DishOf(recipe.Value, rhythm, data);
                if (dish.Refusal is { } wrong)
                {
                    leftOut.Add($"{Path.GetFileName(file)}: {wrong.Value}: {wrong.Reason}. {wrong.Cure}.");
                }
                else
                {
                    found.Add(dish.Value);
                }
            }
        }

        return found.Count == 0
            ? new Refusal(
                "empty-folder",
                "file",
                path,
                leftOut.FirstOrDefault() ?? "there is no recipe in it",
                "Name a folder or a file that holds recipes"
            )
            : found;
    }

    private static Result<FillDish> DishOf(WrittenRecipe written, Rhythm rhythm, DataFiles data)
    {
        if (written.Portions is not ({ } portions and >= 0.25m and <= 1000))
        {
            return new Refusal(
                "no-portions",
                "portions",
                written.Name,
                "the recipe does not say how many portions it makes",
                "Add a row like: Serves 4"
            );
        }

        IReadOnlyList<RecipeLine> lines =
        [
            .. LineThings.Of(written, data.Foods).Select(line => RecipeLine.From(line, data.Foods, MeasureSystem.UnitedStates)),
        ];
        var steps = TaskReader.Read(written.Steps);
        return lines.Count == 0
                ? new Refusal(
                    "no-ingredients",
                    "file",
                    written.Name,
                    "no ingredient line was found",
                    "Write one ingredient a line, or give a schema.org Recipe"
                )
            : KeepingOf.Of(written.Name, lines, [.. steps.Select(step => step.Text)])?.Class is not { } keeping
                ? new Refusal(
                    "keeping-missing",
                    "keeping",
                    written.Name,
                    "neither lines nor steps say how it keeps",
                    "Say in a step how it is made: baked, simmered, chilled"
                )
            : new FillDish(
                Guid.NewGuid(),
                null,
                new RecipeVersion
                {
                    Name = written.Name,
                    Portions = portions,
                    Meal = rhythm.OfCourse(written.Course, written.Name)?.Key,
                    Lines = lines,
                    Tasks = steps,
                    Keeping = keeping,
                }
            );
    }

    private static Result<T> Text<T>(string path, string field, Func<string, Result<T>> read)
    {
        try
        {
            var found = read(File.ReadAllText(path));
            return found.Refusal is { } refusal && field != "file" ? refusal with { Field = $"{field} {refusal.Field}" } : found;
        }
        catch (Exception error) when (error is IOException or UnauthorizedAccessException)
        {
            return new Refusal("no-file", field, path, "it cannot be read", "Name a file that exists");
        }
    }
}

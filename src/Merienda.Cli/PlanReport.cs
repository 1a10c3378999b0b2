using System.Text.Encodings.Web;
using System.Text.Json;
using Merienda.Core.Filling;
using Merienda.Core.Shopping;
using Merienda.Solving;

namespace Merienda.Cli;

/// <summary>A filled week as a table for people or as JSON.</summary>
internal static class PlanReport
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <param name="List">How its list is made.</param>
    /// <param name="LeftOut">Recipes that could not be planned with, each with its reason.</param>
    public sealed record Week(FillQuestion Question, FillAnswer Answer, FillJudge Judge, ShoppingList List, IReadOnlyList<string> LeftOut);

    public static void Write(Week week, bool isJson, TextWriter output)
    {
        var (question, answer, judge, _, leftOut) = week;
        if (isJson)
        {
            output.WriteLine(JsonSerializer.Serialize(Whole(week), Options));
            return;
        }

        foreach (var eater in question.Eaters)
        {
            output.WriteLine(eater.Name);
            foreach (var date in question.Dates)
            {
                var meals = Placed(question, answer).Where(one => one.Cell.Eater == eater.Id && one.Cell.Date == date);
                output.WriteLine(
                    $"  {date:ddd d MMM}: {string.Join("; ", meals.Select(one => $"{question.Rhythm.NameOf(one.Cell.Meal)} {Portions(one.Size)}{one.Dish.Name}"))}"
                );
            }
        }

        output.WriteLine("To cook");
        foreach (var batch in Batches(answer))
        {
            output.WriteLine(
                $"  {batch.Cooked:ddd d MMM}: {string.Join(", ", batch.Lots.Select(lot => $"{lot.Portions} {lot.Dish.Name}"))}"
            );
        }

        output.WriteLine("To shop");
        foreach (var item in Shopping(week))
        {
            output.WriteLine($"  {item.Name}: {Amount(item)}");
        }

        foreach (var level in answer.Levels)
        {
            output.WriteLine($"{level.Name}: {level.Value}, {Proof(level)}");
        }

        foreach (var sentence in judge.Unmet)
        {
            output.WriteLine($"Unmet: {sentence}");
        }

        foreach (var recipe in leftOut)
        {
            output.WriteLine($"Left out: {recipe}");
        }

        output.WriteLine($"{answer.Seconds:0.0} s");
    }

    private static object Whole(Week week) =>
        new
        {
            Plan = Placed(week.Question, week.Answer)
                .Select(one => new
                {
                    Day = $"{one.Cell.Date:yyyy-MM-dd}",
                    Slot = one.Cell.Meal,
                    Eater = week.Question.Eaters.First(eater => eater.Id == one.Cell.Eater).Name,
                    Dish = one.Dish.Name,
                    one.Size,
                    Cooked = $"{one.Cooked:yyyy-MM-dd}",
                }),
            Batches = Batches(week.Answer)
                .SelectMany(batch =>
                    batch.Lots.Select(lot => new
                    {
                        Cooked = $"{batch.Cooked:yyyy-MM-dd}",
                        Dish = lot.Dish.Name,
                        lot.Portions,
                    })
                ),
            Shopping = Shopping(week)
                .Select(item => new
                {
                    Food = item.Name,
                    Buy = Amount(item),
                    Grams = item.Grams.IsOpen ? (decimal?)null : Math.Round(item.Grams.Best),
                    item.AsTyped,
                }),
            Levels = week.Answer.Levels.Select(level => new
            {
                level.Name,
                level.Value,
                level.Bound,
                Proven = level.IsProven,
            }),
            week.Judge.Unmet,
            week.LeftOut,
            Seconds = Math.Round(week.Answer.Seconds, 2),
        };

    private static IEnumerable<FillServing> Placed(FillQuestion question, FillAnswer answer) =>
        answer
            .Plan.Servings.OrderBy(one => one.Cell.Date)
            .ThenBy(one => question.Rhythm.Meal(one.Cell.Meal)!.Position)
            .ThenBy(one => question.Eaters.TakeWhile(eater => eater.Id != one.Cell.Eater).Count());

    private static IEnumerable<FillBatch> Batches(FillAnswer answer) =>
        answer.Plan.Batches.OrderBy(batch => batch.Cooked).ThenBy(batch => batch.Lots[0].Dish.Name, StringComparer.Ordinal);

    private static IReadOnlyList<ShoppingItem> Shopping(Week week) =>
        (week.List with { Prices = week.Question.Prices }).Of([
            .. week.Answer.Plan.Batches.SelectMany(batch =>
                batch.Lots.Select(lot => new BatchToShop("", batch.Cooked, lot.Dish.Version, lot.Portions))
            ),
            .. week
                .Answer.Plan.Servings.Where(serving => serving.Dish.Ready is not null)
                .Select(serving => new BatchToShop("", serving.Cell.Date, serving.Dish.Version, 1)),
        ]);

    private static string Amount(ShoppingItem item) =>
        item.Buy is not { } buy ? string.Join(", ", item.AsTyped)
        : buy.Packs.Count == 0 ? $"{buy.Grams:0} g"
        : $"{item.Grams.Best:0} g, {string.Join(" + ", buy.Packs.Select(pack => $"{pack.Count} × {pack.Size}"))}";

    private static string Proof(FillLevel level) =>
        level.IsProven ? "proven" : $"best found, not proven best{(level.Bound is { } bound ? $"; not less than {bound}" : "")}";

    private static string Portions(decimal size) => size == 1 ? "" : $"{size:0.##} × ";
}

using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Storage;
using Merienda.Web.Hosting;

namespace Merienda.Web.Larder;

/// <summary>Draws foods and packets: the row of a list, the sheet, the comparison, the answer to a packet that is being typed.</summary>
public static class FoodSheets
{
    private static readonly Measure[] Short = [Measure.Energy, Measure.Protein, Measure.Fat, Measure.NetCarbohydrate];

    /// <summary>What a sheet lists; what no food of the table declares is left to recipes.</summary>
    internal static readonly Measure[] Long =
    [
        Measure.Energy,
        Measure.Protein,
        Measure.Fat,
        Measure.SaturatedFat,
        Measure.Carbohydrate,
        Measure.AvailableCarbohydrate,
        Measure.NetCarbohydrate,
        Measure.Fibre,
        Measure.Sugars,
        Measure.AddedSugars,
        Measure.Polyols,
        Measure.Erythritol,
        Measure.Alcohol,
        Measure.Sodium,
        Measure.Points,
    ];

    private static readonly string[] Servings = ["each", "slice", "tbsp", "cup"];

    public static LarderFood ToRow(Food food, IReadOnlyList<Eater> eaters, KnowledgeBase knowledge)
    {
        var hundred = Weighing(food, 100);
        return new(
            food.Key,
            food.Name,
            food.Packet is not null,
            food.Aisle,
            [.. food.Tags.Select(knowledge.Classes.NameOf)],
            food.Source,
            food.Mark.ToString(),
            [.. Short.Select(measure => Shown.Of(MeasureInfo.Of(measure), hundred.Helpings[0].Profile.Total(measure)))],
            [.. eaters.Select(eater => ToVerdict(eater, hundred))]
        );
    }

    public static FoodVerdict ToVerdict(Eater eater, Intake portion)
    {
        var findings = eater.Rules.CheckPortion(portion, null);
        return new(
            eater.Id,
            eater.Name,
            findings.Select(finding => finding.Verdict).RollUp(),
            findings.MaxBy(finding => finding.Verdict)?.Because ?? "No protocol is chosen.",
            findings.Count > 0
        );
    }

    /// <summary>Some grams of one food as something to be eaten.</summary>
    public static Intake Weighing(Food food, decimal grams) =>
        Intake.Of(
            new Helping(
                food.Name,
                PortionProfile.Of(
                    [
                        RecipeLine.From(
                            string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{grams:0.##} g"),
                            NoFoods,
                            MeasureSystem.Metric,
                            chosenFood: food
                        ),
                    ],
                    1
                ),
                1
            )
        );

    public static FoodSheet ToSheet(
        Food food,
        Core.Planning.Table table,
        IEnumerable<StoredRecipe> recipes,
        PacketSheet? packet,
        KnowledgeBase knowledge
    )
    {
        var (words, grams) = ServingOf(food);
        var (serving, hundred) = (Weighing(food, grams), Weighing(food, 100));
        return new(
            food.Key,
            food.Name,
            food.Aisle,
            [.. food.Tags.Select(knowledge.Classes.NameOf)],
            food.Synonyms,
            food.Source,
            food.Mark.ToString(),
            words,
            grams,
            [
                .. Long.Where(measure => IsWorthSaying(hundred, measure))
                    .Select(MeasureInfo.Of)
                    .Select(info => new ShownAmount(
                        info.Key,
                        info.Name,
                        info.Unit,
                        info.Decimals,
                        Shown.Of(serving.Value(info.Measure, knowledge.HouseScheme)),
                        Shown.Of(hundred.Value(info.Measure, knowledge.HouseScheme))
                    )),
            ],
            [
                .. food
                    .Measures.Where(measure =>
                        measure.Key != "drained" && (food.Packet is null || Unit.Spelled(measure.Key)?.IsPackage != true)
                    )
                    .OrderByDescending(measure => measure.Value)
                    .Select(measure => new FoodMeasure(measure.Key, Shown.Round(measure.Value))),
            ],
            food.Density,
            [.. food.Yields.Select(item => new ShownYield(item.Method, item.Factor, $"{item.Source} [{item.Mark}]"))],
            food.Keeping is { } keeping
                ? $"{keeping.FridgeDays} {(keeping.FridgeDays == 1 ? "day" : "days")} in the fridge as {keeping.Name.ToLowerInvariant()}{(keeping.FreezerMonths is { } months ? $", at its best {months} months in the freezer" : "")} ({keeping.Source})"
                : null,
            food.Packs,
            [.. FodmapsOf(food)],
            food.Fodmaps?.Source,
            knowledge.Classes.AllergensOf([food]),
            [.. table.Diners.Select(eater => VerdictOf(eater, serving))],
            [
                .. recipes
                    .Select(recipe => (recipe, Line: recipe.Version.Ingredients.FirstOrDefault(line => line.Food?.Key == food.Key)))
                    .Where(item => item.Line is not null)
                    .Select(item => new UsedIn(
                        item.recipe.RecipeId,
                        item.recipe.Version.Name,
                        item.Line!.Food!.Packet?.Version < food.Packet?.Version
                    )),
            ],
            packet
        );
    }

    public static ShownVerdict VerdictOf(Eater eater, Intake portion)
    {
        var findings = eater.Rules.CheckPortion(portion, null);
        return new(eater.Id, eater.Name, findings.Select(finding => finding.Verdict).RollUp(), [.. findings.Select(Shown.Of)]);
    }

    /// <summary>"2 pieces or 93 g" for a packet; a piece, a spoon or 100 g for a food of the table.</summary>
    public static (string Words, decimal Grams) ServingOf(Food food)
    {
        if (food.Packet is { } packet)
        {
            if (packet.Serving.Helping is { } helping)
            {
                return (packet.Printed.Serving.Split(';', 2)[1].Trim(), helping.Grams);
            }

            return (
                packet.Printed.Serving.All(letter => char.IsDigit(letter) || letter is '.' or ',')
                    ? $"{packet.Printed.Serving} g"
                    : packet.Printed.Serving,
                packet.Serving.Grams
            );
        }

        var unit = Servings.FirstOrDefault(food.Measures.ContainsKey);
        return unit is null
            ? ("100 g", 100)
            : ($"{(unit == "each" ? "one" : $"1 {unit}")}, {food.Measures[unit]:0.#} g", food.Measures[unit]);
    }

    private static IEnumerable<FoodFodmap> FodmapsOf(Food food) =>
        Fodmaps.Groups.Select(group =>
        {
            var (content, cutOff) = (Fodmaps.ContentOf(food, group), Fodmaps.CutOff(food, group));
            // Where the upper bound still is under the cut-off, nobody needs to be told of a largest portion in kilograms.
            var most =
                content.IsKnown && content.PerHundredGrams.High is > 0 and { } high ? Math.Floor(cutOff / high * 100) : (decimal?)null;
            return new FoodFodmap(
                Fodmaps.NameOf(group),
                Shown.Of(content.PerHundredGrams),
                content.IsKnown,
                cutOff,
                most is <= 1_000 ? most : null
            );
        });

    internal static bool IsWorthSaying(Intake hundred, Measure measure) =>
        measure is not (Measure.Polyols or Measure.Erythritol or Measure.Alcohol) || hundred.Sum(measure).High is null or > 0;

    private static readonly FoodMatcher NoFoods = new([], FoodWords.None, []);
}

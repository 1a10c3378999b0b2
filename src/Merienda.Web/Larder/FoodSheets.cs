using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Foods.Statements;
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
    private static readonly Measure[] Long =
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
                    .Select(recipe => (recipe, Line: recipe.Version.Lines.FirstOrDefault(line => line.Food?.Key == food.Key)))
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

    public static Comparison Compare(Food left, Food right, Eater? eater, KnowledgeBase knowledge)
    {
        var ((leftWords, leftGrams), (rightWords, rightGrams)) = (ServingOf(left), ServingOf(right));
        // What prints 100 g only has no serving of its own: it is held against as much as the other's serving weighs.
        (leftWords, leftGrams) = leftGrams == 100 && rightGrams != 100 ? ($"{rightGrams:0.#} g", rightGrams) : (leftWords, leftGrams);
        (rightWords, rightGrams) = rightGrams == 100 && leftGrams != 100 ? ($"{leftGrams:0.#} g", leftGrams) : (rightWords, rightGrams);
        var (leftServing, rightServing, leftHundred, rightHundred) = (
            Weighing(left, leftGrams),
            Weighing(right, rightGrams),
            Weighing(left, 100),
            Weighing(right, 100)
        );
        ComparedFood Side(Food food, string words, Intake serving) =>
            new(
                food.Key,
                food.Name,
                words,
                eater is null ? null : VerdictOf(eater, serving),
                knowledge.Classes.AllergensOf([food]),
                PriceOf(food)
            );
        return new(
            Side(left, leftWords, leftServing),
            Side(right, rightWords, rightServing),
            [
                .. Long.Where(measure => IsWorthSaying(leftHundred, measure) || IsWorthSaying(rightHundred, measure))
                    .Select(MeasureInfo.Of)
                    .Select(info =>
                    {
                        Estimate Of(Intake intake) => intake.Value(info.Measure, eater?.Rules.Context.Scheme ?? knowledge.HouseScheme);
                        var (ls, rs, l, r) = (Of(leftServing), Of(rightServing), Of(leftHundred), Of(rightHundred));
                        return new ComparedMeasure(
                            info.Key,
                            info.Name,
                            info.Unit,
                            info.Decimals,
                            Shown.Of(ls),
                            Shown.Of(rs),
                            Shown.Of(l),
                            Shown.Of(r),
                            MoreOf(ls, rs),
                            MoreOf(l, r)
                        );
                    }),
            ]
        );
    }

    public static PacketAnswer ToAnswer(Food food, decimal servings, Core.Planning.Table table, KnowledgeBase knowledge)
    {
        var label = food.Packet!.Label;
        var hasCarbohydrate = label.Declares(LabelNutrient.Carbohydrate);
        return new(
            food.Packet.Serving.Grams,
            MeasureInWords(food.Packet.Serving.Helping ?? food.Packet.Serving),
            [
                .. Enum.GetValues<LabelNutrient>()
                    .Where(label.Declares)
                    .Select(nutrient => new ReadValue(
                        nutrient,
                        DeclaredValue.UnitOf(nutrient),
                        Shown.Of(label.Of(nutrient)!.Value),
                        Shown.Of(label.PerHundredGrams(nutrient)),
                        Shown.Of(label.Of(nutrient)!.Value * servings)
                    )),
            ],
            hasCarbohydrate ? Shown.Of(food.Nutrition[Measure.NetCarbohydrate]) : null,
            hasCarbohydrate ? Shown.Of(food.Nutrition[Measure.Carbohydrate]) : null,
            EnergyQuery(label),
            ToStatement(food, table.Diners, knowledge),
            [
                .. table
                    .Diners.Where(eater => eater.Rules.Rules.Count > 0)
                    .Select(eater => VerdictOf(eater, Weighing(food, ServingOf(food).Grams))),
            ]
        );
    }

    public static ReadStatement ToStatement(Food food, IReadOnlyList<Eater> eaters, KnowledgeBase knowledge)
    {
        var packet = food.Packet!;
        var reading = packet.Reading;
        HeldClass Held(KeyValuePair<string, string> item) =>
            new(
                knowledge.Classes.NameOf(item.Key),
                item.Value,
                knowledge.Classes.AllergensOf([item.Key]) is [var allergen, ..] ? allergen : null
            );
        return new(
            packet.Printed.Statement,
            packet.Printed.MayContain,
            [
                .. StatementMarks
                    .Of(
                        packet.Printed.Statement,
                        reading
                            .Phrases.Where(phrase => phrase.IsUntold || phrase.Classes.Count > 0)
                            .Select(phrase => phrase.Words)
                            .Distinct()
                    )
                    .Select(mark => ToMark(mark, reading.Phrases, eaters, knowledge)),
            ],
            [.. reading.Holds.Select(Held)],
            [.. reading.MayContain.Select(Held)],
            packet.Printed.Statement.Trim().Length == 0 ? [] : reading.CannotTell
        );
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

    /// <summary>The other basis as a measure: "1 each is 46.5 g".</summary>
    private static string? MeasureInWords(PrintedServing serving) =>
        serving is { Count: > 0 and { } count, Unit: { } unit }
            ? $"1 {(unit == Unit.Each ? "piece" : unit.Name)} is {serving.Grams / count:0.##} g"
            : null;

    private static string? PriceOf(Food food) =>
        food.Packet is { Printed.Price: > 0 and { } price, PackGrams: > 0 and { } grams } ? $"{price / grams * 100:0.00} a 100 g" : null;

    private static MarkedWords ToMark(
        StatementMark mark,
        IReadOnlyList<StatedPhrase> phrases,
        IReadOnlyList<Eater> eaters,
        KnowledgeBase knowledge
    )
    {
        var meant = phrases.First(phrase => phrase.Words == mark.Words);
        var isOut = meant.Classes.Any(key =>
            eaters.Any(eater =>
                eater.Rules.Rules.Any(rule =>
                    rule switch
                    {
                        ExclusionRule exclusion => exclusion.LeavesOut(key, knowledge.Classes),
                        AllergyRule allergy => knowledge.Classes.Upward(key).Any(allergy.Classes.Contains),
                        _ => false,
                    }
                )
            )
        );
        return new(
            mark.Start,
            mark.Length,
            isOut ? MarkKind.LeftOut
                : meant.IsUntold ? MarkKind.Untold
                : MarkKind.Known,
            meant.IsUntold ? "nobody can tell" : string.Join(", ", meant.Classes.Select(knowledge.Classes.NameOf))
        );
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

    private static string? EnergyQuery(PacketLabel label)
    {
        if (label.EnergyByFactors is not { } computed || !label.Declares(LabelNutrient.Energy))
        {
            return null;
        }

        var printed = label.PerHundredGrams(LabelNutrient.Energy).Best;
        return printed > 0 && EnergyClaim.IsQueried(printed, computed)
            ? $"{printed:0} kcal in 100 g are declared, the macros make {computed:0}: {EnergyClaim.Difference(printed, computed):0 %} apart. Check the values."
            : null;
    }

    private static Side? MoreOf(Estimate left, Estimate right) =>
        left.Low > right.High ? Side.Left
        : right.Low > left.High ? Side.Right
        : null;

    private static bool IsWorthSaying(Intake hundred, Measure measure) =>
        measure is not (Measure.Polyols or Measure.Erythritol or Measure.Alcohol) || hundred.Sum(measure).High is null or > 0;

    private static readonly FoodMatcher NoFoods = new([], FoodWords.None, []);
}

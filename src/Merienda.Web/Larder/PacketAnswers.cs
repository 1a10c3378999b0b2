using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Foods.Statements;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Web.Hosting;

namespace Merienda.Web.Larder;

/// <summary>What is answered of a packet while it is typed, and its statement with what is known of each word.</summary>
public static class PacketAnswers
{
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
                    .Select(eater => FoodSheets.VerdictOf(eater, FoodSheets.Weighing(food, FoodSheets.ServingOf(food).Grams))),
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

    /// <summary>The other basis as a measure: "1 each is 46.5 g".</summary>
    private static string? MeasureInWords(PrintedServing serving) =>
        serving is { Count: > 0 and { } count, Unit: { } unit }
            ? $"1 {(unit == Unit.Each ? "piece" : unit.Name)} is {serving.Grams / count:0.##} g"
            : null;

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
}

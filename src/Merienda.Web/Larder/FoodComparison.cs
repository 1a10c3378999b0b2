using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Web.Hosting;

namespace Merienda.Web.Larder;

/// <summary>Two foods beside each other, by serving and by 100 g.</summary>
public static class FoodComparison
{
    public static Comparison Of(Food left, Food right, Eater? eater, KnowledgeBase knowledge)
    {
        var ((leftWords, leftGrams), (rightWords, rightGrams)) = (FoodSheets.ServingOf(left), FoodSheets.ServingOf(right));
        // What prints 100 g only has no serving of its own: it is held against as much as the other's serving weighs.
        (leftWords, leftGrams) = leftGrams == 100 && rightGrams != 100 ? ($"{rightGrams:0.#} g", rightGrams) : (leftWords, leftGrams);
        (rightWords, rightGrams) = rightGrams == 100 && leftGrams != 100 ? ($"{leftGrams:0.#} g", leftGrams) : (rightWords, rightGrams);
        var (leftServing, rightServing, leftHundred, rightHundred) = (
            FoodSheets.Weighing(left, leftGrams),
            FoodSheets.Weighing(right, rightGrams),
            FoodSheets.Weighing(left, 100),
            FoodSheets.Weighing(right, 100)
        );
        ComparedFood Side(Food food, string words, Intake serving) =>
            new(
                food.Key,
                food.Name,
                words,
                eater is null ? null : FoodSheets.VerdictOf(eater, serving),
                knowledge.Classes.AllergensOf([food]),
                PriceOf(food)
            );
        return new(
            Side(left, leftWords, leftServing),
            Side(right, rightWords, rightServing),
            [
                .. FoodSheets
                    .Long.Where(measure =>
                        FoodSheets.IsWorthSaying(leftHundred, measure) || FoodSheets.IsWorthSaying(rightHundred, measure)
                    )
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

    private static string? PriceOf(Food food) =>
        food.Packet is { Printed.Price: > 0 and { } price, PackGrams: > 0 and { } grams } ? $"{price / grams * 100:0.00} a 100 g" : null;

    private static Side? MoreOf(Estimate left, Estimate right) =>
        left.Low > right.High ? Side.Left
        : right.Low > left.High ? Side.Right
        : null;
}

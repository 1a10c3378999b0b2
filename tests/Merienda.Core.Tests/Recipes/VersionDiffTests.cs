using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Recipes;

public class VersionDiffTests
{
    private static readonly RecipeLine Rice = Line("200 g rice"),
        Cod = Line("400 g cod");

    private static RecipeLine Again(RecipeLine line, string text) =>
        RecipeLine.From(line.Typed with { Text = text }, Table.Foods, Core.Quantities.MeasureSystem.Metric);

    private static string[] Said(RecipeVersion before, RecipeVersion after) =>
        [.. VersionDiff.Of(before, after).Select(change => $"{change.What}: {change.Was} → {change.Now}")];

    [Fact]
    public void The_same_version_differs_in_nothing() =>
        Assert.Empty(VersionDiff.Of(Recipe("Dish", 4, [Rice, Cod]), Recipe("Dish", 4, [Rice, Cod])));

    [Fact]
    public void A_line_is_the_same_while_it_keeps_its_id() =>
        Assert.Equal(
            ["Portions: 4 → 6", "Ingredient: 200 g rice → 150 g rice", "Ingredient: 400 g cod → ", "Ingredient:  → 1 lemon"],
            Said(Recipe("Dish", 4, [Rice, Cod]), Recipe("Dish", 6, [Again(Rice, "150 g rice"), Line("1 lemon")]))
        );

    [Fact]
    public void What_is_said_beside_the_words_is_a_change_too()
    {
        var drained = RecipeLine.From(
            Cod.Typed with
            {
                KeptFat = 0.5m,
                EatenShare = 0.9m,
                IsOptional = true,
                Precision = Precision.Weighed,
            },
            Table.Foods,
            Core.Quantities.MeasureSystem.Metric
        );
        Assert.Equal(
            ["Ingredient: 400 g cod → 400 g cod (weighed, 90% eaten, 50% of its fat, only for who wants it)"],
            Said(Recipe("Dish", 4, [Cod]), Recipe("Dish", 4, [drained]))
        );
    }

    [Fact]
    public void Steps_parts_variants_and_stated_values_are_told_apart()
    {
        RecipeVersion With(int minutes, decimal made, decimal times, decimal stated, string note) =>
            new()
            {
                Name = "Dish",
                Portions = 4,
                Lines = [Rice, Cod],
                Tasks = [new("1", "Bake", 5, minutes, Appliance.Oven, 180, []) { RoundPieces = 8, WaitsAtMost = 5 }],
                Parts = [new("") { Made = new(made, YieldUnit.Grams) }],
                Variants = [new("Light") { Lines = [new(Rice.Typed.Id, times)] }],
                Claims = [new(ClaimedValue.Energy, stated)],
                Note = note,
                Keeping = Core.Keeping.KeepingClass.All[0],
            };
        Assert.Equal(
            [
                "Step: Bake (5 min by hand, 20 min alone, 180 °C, 8 at once, waits 5 min at most) → Bake (5 min by hand, 25 min alone, 180 °C, 8 at once, waits 5 min at most)",
                "Part: main part: 900 g in all → main part: 850 g in all",
                "Variant: Light: 1 changes (0.5 times) → Light: 1 changes (0 times)",
                "Stated: Energy 400 kcal → Energy 420 kcal",
                "Note:  → too salty",
            ],
            Said(With(20, 900, 0.5m, 400, ""), With(25, 850, 0, 420, "too salty"))
        );
    }
}

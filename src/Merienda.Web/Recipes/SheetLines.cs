using Merienda.Core.Foods;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Web.Hosting;

namespace Merienda.Web.Recipes;

/// <summary>Draws one line of a recipe: how it was read, what it leaves open, what it brings to a portion.</summary>
internal static class SheetLines
{
    /// <summary>Foods that are offered for words that name none.</summary>
    private const int NearestFoods = 5;

    /// <summary>The kinds that a word leaves open, or the foods nearest to words that name none for certain.</summary>
    private static IEnumerable<Food> Offered(RecipeLine line, FoodMatcher foods) =>
        line.Typed.IsChosen || line.HasChoice || line.Use is not null
            ? []
            : line.Meanings[0].Kinds?.Foods.Take(NearestFoods)
                // What the words were read as stands first: one press confirms it.
                ?? (
                    line.Meanings[0].IsSure
                        ? []
                        : foods.Nearest(line.Read.Food, NearestFoods).Prepend(line.Food).OfType<Food>().Distinct().Take(NearestFoods)
                );

    private static string About(Food food)
    {
        Measure[] apart = [Measure.Energy, Measure.Protein, Measure.Fat, Measure.NetCarbohydrate];
        return $"{string.Join(", ", apart.Select(measure => MeasureInfo.Of(measure)).Select(info => $"{info.Show(food.Nutrition[info.Measure].Best)} {info.Unit} {(info.Measure == Measure.Energy ? "" : info.Name.ToLowerInvariant())}".TrimEnd()))}";
    }

    public static SheetLine Of(
        RecipeLine line,
        PortionProfile profile,
        FoodMatcher foods,
        IReadOnlyDictionary<Guid, Guid> current,
        FoodClasses classes
    )
    {
        var newer = line.Food?.Packet is { } packet && foods.WithKey(line.Food.Key)?.Packet?.Version > packet.Version;
        return new(
            line.Part,
            line.Read.Text,
            line.Use?.Of.Key ?? line.Food?.Key,
            line.Use?.Of.Of.Name ?? line.Food?.Name,
            line.Typed.IsChosen,
            line.Match,
            line.Read.AmountInWords,
            line.GramsIn.IsOpen ? null : Shown.Of(line.GramsIn),
            UnusualAmount.Of(line, profile.Portions) ?? line.Doubt,
            Contributions(line, profile),
            line.Food?.Packet?.Id,
            newer,
            line.HasChoice ? [.. ChoicesOf(line)] : [],
            [.. Offered(line, foods).Select(food => new NearFood(food.Key, food.Name, About(food)))],
            line.Food is { Packet: null } differs
                ? [.. classes.AllergensOf(differs.MayHold.Kinds).Except(classes.AllergensOf(differs.Tags))]
                : [],
            line.Use is { } use
                ? new(
                    use.Of.Id,
                    use.Batches.IsOpen ? null : Shown.Of(use.Batches),
                    current.TryGetValue(use.Of.Id, out var now) && now != use.Of.Version
                )
                : null,
            line.Typed.Id,
            line.Typed.Precision,
            line.Typed.EatenShare,
            line.Typed.KeptFat,
            line.Typed.IsOptional,
            line.Times
        );
    }

    private static IEnumerable<LineChoice> ChoicesOf(RecipeLine line)
    {
        var isOfOneName = line.Meanings.Any(meaning => meaning.Recipe is not null);
        return line.Meanings.Select(meaning => new LineChoice(
            meaning.Words,
            meaning.Food?.Name,
            line.With(meaning),
            meaning.Recipe?.Key ?? (isOfOneName ? meaning.Food?.Key : null)
        ));
    }

    /// <summary>What a line brings to a portion; of a used recipe all its ingredients together.</summary>
    private static IReadOnlyList<ShownMeasure> Contributions(RecipeLine line, PortionProfile profile)
    {
        Measure[] measures = [Measure.Energy, Measure.Protein, Measure.Fat, Measure.NetCarbohydrate];
        var ingredients = line.Ingredients.ToHashSet();
        var at = Enumerable.Range(0, profile.Lines.Count).Where(one => ingredients.Contains(profile.Lines[one])).ToList();
        return at.Count == 0
            ? []
            :
            [
                .. measures.Select(measure =>
                {
                    var tally = new Tally();
                    foreach (var one in at)
                    {
                        tally.Add(profile.Lines[one].Source, profile[one, measure].Estimate);
                    }

                    return Shown.Of(MeasureInfo.Of(measure), tally.Plausible);
                }),
            ];
    }
}

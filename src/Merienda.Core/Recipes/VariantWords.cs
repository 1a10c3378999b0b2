namespace Merienda.Core.Recipes;

/// <summary>What is otherwise in a variant, as one cook says it to another.</summary>
public static class VariantWords
{
    /// <summary>"without coriander", "120 g tofu instead of 100 g feta", "75 g rice instead of 150 g".</summary>
    /// <param name="scale">How often the recipe is cooked.</param>
    /// <param name="mass">Writes grams as the household reads them.</param>
    public static IEnumerable<string> Of(Variant variant, RecipeVersion recipe, decimal scale, Func<decimal, string> mass)
    {
        string Amount(RecipeLine line, decimal times) =>
            line.GramsIn.IsOpen
                ? $"{(times == 1 ? "" : $"{times:0.##} times ")}{line.Read.Text.Trim()}"
                : $"{mass(line.GramsIn.Best * times)} {line.Read.Food}";
        foreach (var part in variant.Parts.Where(part => part.Times != 1))
        {
            var name = part.Part.Length == 0 ? "main part" : part.Part;
            yield return part.Times == 0 ? $"without the {name}" : $"{part.Times:0.##} times the {name}";
        }

        var replaced = variant.Added.Where(added => added.Instead is not null).ToLookup(added => added.Instead!.Value, added => added.Line);
        foreach (var line in recipe.Lines)
        {
            var instead = replaced[line.Typed.Id].ToList();
            var change = variant.Lines.FirstOrDefault(one => one.Line == line.Typed.Id);
            if (instead.Count > 0)
            {
                yield return $"{string.Join(" and ", instead.Select(one => Amount(one, scale)))} instead of {Amount(line, scale)}";
            }
            else if (change is { Times: 0 })
            {
                yield return $"without {line.Read.Food}";
            }
            else if (change is { Times: not 1 })
            {
                yield return line.GramsIn.IsOpen
                    ? Amount(line, scale * change.Times)
                    : $"{Amount(line, scale * change.Times)} instead of {mass(line.GramsIn.Best * scale)}";
            }
        }

        foreach (var added in variant.Added.Where(added => added.Instead is null))
        {
            yield return $"with {Amount(added.Line, scale)}";
        }
    }

    /// <summary>
    /// What a variant may be called that nobody named: "Tofu instead of feta", "Tofu, less rice, without parsley"; as much of it as a name
    /// holds, and none of the recipe's has it.
    /// </summary>
    public static string NameOf(Variant variant, RecipeVersion recipe)
    {
        var words = recipe.Lines.ToDictionary(line => line.Typed.Id, line => line.Read.Food);
        var isOne = variant.Added.Count + variant.Lines.Count == 1;
        var parts = variant
            .Added.Select(added =>
                added.Instead is not { } line ? $"with {added.Line.Read.Food}"
                : isOne ? $"{added.Line.Read.Food} instead of {words[line]}"
                : added.Line.Read.Food
            )
            .Concat(
                variant.Lines.Select(change =>
                    $"{(change.Times == 0 ? "without" : change.Times < 1 ? "less" : "more")} {words[change.Line]}"
                )
            );
        var name = "";
        foreach (var part in parts)
        {
            var longer = name.Length == 0 ? part : $"{name}, {part}";
            if (longer.Length > Variant.LongestName - " 13".Length)
            {
                break;
            }

            name = longer;
        }

        name = name.Length == 0 ? "Another way" : $"{char.ToUpperInvariant(name[0])}{name[1..]}";
        return Enumerable
            .Range(1, Variant.MostVariants + 1)
            .Select(number => number == 1 ? name : $"{name} {number}")
            .First(free => recipe.Variants.All(one => !string.Equals(one.Name, free, StringComparison.OrdinalIgnoreCase)));
    }
}

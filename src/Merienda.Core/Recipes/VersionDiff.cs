namespace Merienda.Core.Recipes;

/// <summary>What one version of a recipe has otherwise than another.</summary>
/// <param name="What">"Ingredient", "Step 2", "Portions".</param>
/// <param name="Was">Empty for something that came in.</param>
/// <param name="Now">Empty for something that went out.</param>
public sealed record VersionChange(string What, string Was, string Now);

/// <summary>The difference between two versions, line by line: a line and a step are the same ones while they keep their ids.</summary>
public static class VersionDiff
{
    public static IReadOnlyList<VersionChange> Of(RecipeVersion before, RecipeVersion after) =>
        [
            .. Said("Name", before.Name, after.Name),
            .. Said("Portions", $"{before.Portions:0.##}", $"{after.Portions:0.##}"),
            .. Said("Meal", before.Meal ?? "any", after.Meal ?? "any"),
            .. Paired("Ingredient", before.Lines, after.Lines, line => line.Typed.Id, Line),
            .. Paired("Step", before.Tasks, after.Tasks, task => task.Id, Step),
            .. Paired("Part", before.Parts, after.Parts, part => part.Name, Part),
            .. Paired("Variant", before.Variants, after.Variants, variant => variant.Name, variant => Variant(variant)),
            .. Paired(
                "Stated",
                before.Claims,
                after.Claims,
                claim => (claim.What, claim.Variant, claim.Part),
                claim => $"{ClaimInfo.Of(claim.What).Name} {ClaimInfo.Of(claim.What).Show(claim.Value)}"
            ),
            .. Said("Keeps as", before.Keeping.Name, after.Keeping.Name),
            .. Said("Reheat", before.Reheating, after.Reheating),
            .. Said("At eating", before.AtEating, after.AtEating),
            .. Said("Source", before.Source, after.Source),
            .. Said("Note", before.Note, after.Note),
        ];

    private static IEnumerable<VersionChange> Said(string what, string was, string now) => was == now ? [] : [new(what, was, now)];

    private static IEnumerable<VersionChange> Paired<T, TKey>(
        string what,
        IReadOnlyList<T> before,
        IReadOnlyList<T> after,
        Func<T, TKey> key,
        Func<T, string> words
    )
        where TKey : notnull
    {
        var was = before.ToLookup(key, words);
        var now = after.ToLookup(key, words);
        return before
            .Select(key)
            .Concat(after.Select(key))
            .Distinct()
            .Select(one => new VersionChange(what, string.Join(" ", was[one]), string.Join(" ", now[one])))
            .Where(change => change.Was != change.Now);
    }

    /// <summary>A line with all that is said of it beside its words, and the food that it means now.</summary>
    private static string Line(RecipeLine line)
    {
        var typed = line.Typed;
        string[] more =
        [
            typed.Part.Length > 0 ? $"in {typed.Part}" : "",
            typed.IsChosen ? $"chosen: {line.Name}" : "",
            typed.Precision is { } precision ? $"{precision}".ToLowerInvariant() : "",
            typed.EatenShare < 1 ? $"{typed.EatenShare:0.##%} eaten" : "",
            typed.KeptFat < 1 ? $"{typed.KeptFat:0.##%} of its fat" : "",
            typed.IsOptional switch
            {
                true => "only for who wants it",
                false => "always in it",
                null => "",
            },
        ];
        var said = string.Join(", ", more.Where(one => one.Length > 0));
        return said.Length == 0 ? line.Read.Text.Trim() : $"{line.Read.Text.Trim()} ({said})";
    }

    private static string Step(PrepTask task)
    {
        string[] more =
        [
            task.HandsOn > 0 ? $"{task.HandsOn} min by hand" : "",
            task.Unattended > 0 ? $"{task.Unattended} min alone" : "",
            task.TemperatureC is { } heat ? $"{heat} °C" : "",
            task.Instead is { } other
                ? $"or {other.Unattended} min in the {other.Appliance.InWords()}{(other.TemperatureC is { } there ? $" at {there} °C" : "")}"
                : "",
            task.RoundPieces is { } pieces ? $"{pieces:0.##} at once" : "",
            task.WaitsAtMost is { } wait ? $"waits {wait} min at most" : "",
        ];
        return $"{task.Text} ({string.Join(", ", more.Where(one => one.Length > 0))})".Replace(" ()", "", StringComparison.Ordinal);
    }

    private static string Part(RecipePart part)
    {
        string[] more =
        [
            part.Apart == Apart.No ? "" : $"{part.Apart}".ToLowerInvariant(),
            part.Keeping?.Name.ToLowerInvariant() ?? "",
            part.TakesOff ? "off before reheating" : "",
            part.GoesOn ? "on when eating" : "",
            part.Made is { } made ? $"{made.Amount:0.##} {UnitWord(made.Unit)} in all" : "",
        ];
        return $"{(part.Name.Length == 0 ? "main part" : part.Name)}: {string.Join(", ", more.Where(one => one.Length > 0))}".TrimEnd(
            ' ',
            ':'
        );
    }

    private static string UnitWord(YieldUnit unit) =>
        unit switch
        {
            YieldUnit.Grams => "g",
            YieldUnit.Millilitres => "ml",
            _ => "pieces",
        };

    private static string Variant(Variant variant) =>
        $"{variant.Name}: {variant.Lines.Count + variant.Parts.Count + variant.Added.Count} changes ({string.Join(", ", variant.Added.Select(added => added.Line.Read.Text.Trim()).Concat(variant.Lines.Select(change => $"{change.Times:0.##} times")).Concat(variant.Parts.Select(change => $"{change.Times:0.##} times {change.Part}")))})";
}

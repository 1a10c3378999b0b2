using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <content>How a line is read: its words, the food or recipe that they mean, and what they leave in doubt.</content>
public sealed partial class RecipeLine
{
    /// <summary>Reads a line and looks its food up, or the recipe that it takes some of.</summary>
    /// <param name="chosenFood">The food a person chose for the line; it wins over the words and settles a choice.</param>
    /// <param name="recipes">The recipes that the line may use.</param>
    public static RecipeLine From(
        TypedLine typed,
        FoodMatcher foods,
        MeasureSystem system,
        Food? chosenFood = null,
        Cookbook? recipes = null
    )
    {
        var read = ReadAs(typed, foods);
        if (chosenFood is not null)
        {
            return Of(typed, read, [new(read.Food, chosenFood, MatchKind.Exact)], foods, system);
        }

        var used = UsedAmount.In(read);
        var named = recipes?.Meant(used);
        (var resolved, var match) = LineResolver.Resolve(read, foods);
        // Half a naan is half of one, or half of what the own recipe makes.
        var mayBePieces = used.IsBareFraction && match is { IsSure: true, Food: { } piece } && piece.Measures.ContainsKey("each");
        if (named is not null && used.Counted is not null && !mayBePieces)
        {
            return Using(typed, read, named, foods.Words, system);
        }

        read = resolved;
        return named is null ? Of(typed, read, [match, .. LineResolver.Others(read, match, foods)], foods, system)
            : match.IsSure ? Of(typed, read, [match, LineMeaning.Of(named)], foods, system)
            : Using(typed, read, named, foods.Words, system);
    }

    /// <summary>A line that takes some of another recipe.</summary>
    public static RecipeLine Using(TypedLine typed, KnownRecipe recipe, FoodMatcher foods, MeasureSystem system) =>
        Using(typed, ReadAs(typed, foods), recipe, foods.Words, system);

    /// <summary>
    /// A stored line with the food version it was computed from; null for a line that no food was found for. What else its words may mean,
    /// and what they mention, is
    /// read with what is known today: a doubt that was overlooked when it was saved is one now.
    /// </summary>
    /// <param name="recipe">The recipe it takes some of; beside a food, nobody said yet which of the two is meant.</param>
    public static RecipeLine Pinned(
        TypedLine typed,
        Food? food,
        MatchKind match,
        FoodMatcher foods,
        MeasureSystem system,
        KnownRecipe? recipe = null
    )
    {
        var read = ReadAs(typed, foods);
        if (recipe is not null && food is null)
        {
            return Using(typed, read, recipe, foods.Words, system);
        }

        // What a person chose settles a choice.
        if (typed.IsChosen)
        {
            return Of(typed, read, [new(read.Food, food, match)], foods, system);
        }

        (read, var today) = LineResolver.Resolve(read, foods);
        var kind =
            match == MatchKind.Exact && food?.Packet is null && (today.Food?.Key != food?.Key || !today.IsSure) ? MatchKind.Likely : match;
        return Of(
            typed,
            read,
            [
                new(today.Words, food, food is null ? MatchKind.None : kind) { Kinds = today.Food?.Key == food?.Key ? today.Kinds : null },
                .. LineResolver.Others(read, today, foods),
                .. recipe is null ? [] : new[] { LineMeaning.Of(recipe) },
            ],
            foods,
            system
        );
    }

    private static ReadLine ReadAs(TypedLine typed, FoodMatcher foods)
    {
        // Of "2 tomatoes, 50 g feta" the first is read; that the other is not counted is said.
        var read = LineThings.Parted(typed.Text, foods) is var (first, others)
            ? IngredientLineReader.Read(first, foods.Words.OnlyDescribes) with
            {
                Text = typed.Text,
                Second = others,
            }
            : IngredientLineReader.Read(typed.Text, foods.Words.OnlyDescribes);
        return typed.IsOptional is { } isOptional ? read with { IsOptional = isOptional } : read;
    }

    /// <summary>"large onions" is called the onions later on.</summary>
    private static IReadOnlyList<NameWord> NamesIn(string text, FoodWords words)
    {
        var tokens = words.Of(text);
        var effects = words.EffectsOf(tokens);
        var last = Array.FindLastIndex(effects, effect => effect != WordEffect.Describes);
        return last < 0
            ? [.. tokens.Select(token => new NameWord(token, true))]
            :
            [
                .. Enumerable
                    .Range(0, last + 1)
                    .Where(at => effects[at] != WordEffect.Describes)
                    .Select(at => new NameWord(tokens[at], at == last || effects[at] is null)),
            ];
    }

    private static RecipeLine Using(TypedLine typed, ReadLine read, KnownRecipe recipe, FoodWords words, MeasureSystem system)
    {
        var used = UsedAmount.In(read);
        var (batches, doubt) = used.Of(read, recipe.Of, system);
        var grams = recipe.Of.Ingredients.Aggregate(Estimate.Zero, (sum, line) => sum + (line.GramsIn * batches));
        var line = new RecipeLine(typed, read, [new(used.Name, null, MatchKind.Exact)], [], [grams], doubt)
        {
            NameWords = NamesIn(recipe.Of.Name, words),
            Vocabulary = words,
        };
        line.Use = new(recipe, batches, [.. recipe.Of.Ingredients.Select(ingredient => ingredient.TakenBy(line, batches))]);
        return line;
    }

    private static RecipeLine Of(
        TypedLine typed,
        ReadLine read,
        IReadOnlyList<LineMeaning> meanings,
        FoodMatcher foods,
        MeasureSystem system
    )
    {
        var (own, names) = (meanings[0], NamesIn(string.Join(' ', [read.Food, .. read.Alternatives]), foods.Words));
        IReadOnlyList<Food> mentioned =
            read.Note.Length == 0 && read.Second.Length == 0
                ? []
                : [.. foods.Mentioned($"{read.Note} {read.Second}").Where(food => food.Key != own.Food?.Key).Distinct()];
        if (own.Food is not { } food)
        {
            return new(
                typed,
                read,
                meanings,
                mentioned,
                [.. meanings.Select(_ => Estimate.Unknown)],
                read.Food.Length == 0
                    ? "No food is named; type what goes in"
                    : "No food matches these words; choose one, or the line counts as unknown"
            )
            {
                NameWords = names,
                Vocabulary = foods.Words,
            };
        }

        var (grams, doubt) = LineWeight.Of(read, food, system, typed.Precision);
        var with = ComesWith(read, food, foods);
        IReadOnlyList<Estimate> all =
        [
            grams,
            .. meanings
                .Skip(1)
                .Select(meaning =>
                    meaning.Food is { } other ? LineWeight.Of(read, other, system, typed.Precision).Grams : Estimate.Unknown
                ),
        ];
        return new(
            typed,
            read,
            meanings,
            mentioned,
            all,
            read.IsOutOfNumbers
                ? DoubtOf(read, meanings) ?? "Not counted in the numbers"
                : doubt ?? DoubtOf(read, meanings) ?? Missing(with)
        )
        {
            NameWords = names,
            Vocabulary = foods.Words,
            Uncounted =
                read.Second.Length > 0 ? [.. foods.Mentioned(read.Second)]
                : with.Count > 0 ? with
                : null,
        };
    }

    /// <summary>"1 slice rye bread with butter": the bread has an amount, the butter has none.</summary>
    private static IReadOnlyList<Food> ComesWith(ReadLine read, Food own, FoodMatcher foods) =>
        read.Note.Split(", ").FirstOrDefault(note => note.StartsWith("with ", StringComparison.OrdinalIgnoreCase)) is { } with
            ? [.. foods.Mentioned(with).Where(food => food.Key != own.Key).Distinct()]
            : [];

    private static string? Missing(IReadOnlyList<Food> foods) =>
        foods.Count > 0
            ? $"How much {string.Join(" and ", foods.Select(food => food.Name.ToLowerInvariant()))} nobody says; give it a line of its own"
            : null;

    private static string? DoubtOf(ReadLine read, IReadOnlyList<LineMeaning> meanings) =>
        read.Second.Length > 0 ? $"A second ingredient, \"{read.Second}\", is not counted; give it a line of its own"
        : meanings.Count > 1
            ? $"Which one is meant: {string.Join(" or ", meanings.Select(item => item.Food?.Name ?? item.Words))}? Until you choose, the numbers span them all"
        : meanings[0].Kinds is { } kinds && meanings[0].Match != MatchKind.Likely
            ? $"Which kind of {meanings[0].Words.ToLowerInvariant()}? Until you choose, the numbers span all {kinds.Foods.Count}"
        : meanings[0].Match == MatchKind.Likely ? $"Read as {meanings[0].Food!.Name}; confirm or choose another"
        : null;
}

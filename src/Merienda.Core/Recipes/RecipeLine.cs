using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>A food that a line's words may mean.</summary>
/// <param name="Words">The words that name it.</param>
public sealed record LineMeaning(string Words, Food? Food, MatchKind Match)
{
    /// <summary>Every food that the words may mean where they leave the kind open ("milk").</summary>
    public FoodKinds? Kinds { get; init; }

    /// <summary>The household's own recipe that may be meant; its foods are looked at once it is chosen.</summary>
    public KnownRecipe? Recipe { get; init; }

    /// <summary>A recipe that may be meant instead of a food of its name.</summary>
    public static LineMeaning Of(KnownRecipe recipe) => new($"your recipe {recipe.Of.Name}", null, MatchKind.None) { Recipe = recipe };

    /// <summary>The foods that may be meant: one, or every kind.</summary>
    public IReadOnlyList<Food> Foods => Kinds?.Foods ?? (Food is null ? [] : [Food]);

    public bool IsSure => Match is MatchKind.Exact or MatchKind.Learnt;

    /// <summary>What 100 g of it hold, as wide as its kinds are apart; null without a food.</summary>
    public FoodNutrition? Nutrition => Kinds?.Nutrition ?? Food?.Nutrition;
}

/// <summary>
/// One line of a recipe version: the words, the food they mean and the grams they weigh. Each instance is a source of its own widths:
/// what was measured by spoon is off the same way in every portion of the batch.
/// </summary>
public sealed partial class RecipeLine
{
    private readonly IReadOnlyList<Estimate> _inByMeaning;
    private readonly IReadOnlyList<Estimate> _gramsByMeaning;

    private RecipeLine(
        TypedLine typed,
        ReadLine read,
        IReadOnlyList<LineMeaning> meanings,
        IReadOnlyList<Food> mentioned,
        IReadOnlyList<Estimate> gramsIn,
        string? doubt
    )
    {
        (Typed, Read, Meanings, Mentioned, Doubt) = (typed, read, meanings, mentioned, doubt);
        _inByMeaning = gramsIn;
        _gramsByMeaning = typed.EatenShare == 1 ? gramsIn : [.. gramsIn.Select(grams => grams * typed.EatenShare)];
        GramsIn = gramsIn.Aggregate((held, other) => held.Or(other));
        Grams = typed.EatenShare == 1 ? GramsIn : GramsIn * typed.EatenShare;
        Source = this;
        IsPlain = meanings is [{ IsSure: true, Kinds: null, Food: not null }] && mentioned.Count == 0;
    }

    /// <summary>The line as a person typed it, and what is said of it beside its words.</summary>
    public TypedLine Typed { get; }

    public ReadLine Read { get; }

    /// <summary>The part of the dish the line belongs to; empty for a dish of one part.</summary>
    public string Part => Typed.Part;

    /// <summary>
    /// Every food that may be meant: one, or several where the words leave a choice ("tahini or peanut butter"). The first is taken for the
    /// usual one; numbers span them all.
    /// </summary>
    public IReadOnlyList<LineMeaning> Meanings { get; }

    /// <summary>Foods that the line names in passing, which may come with it: "brushed with butter".</summary>
    public IReadOnlyList<Food> Mentioned { get; }

    public Food? Food => Meanings[0].Food;

    public MatchKind Match => Meanings[0].Match;

    /// <summary>
    /// Grams of the batch that are eaten, as wide as all that may be meant is apart; open when the words do not say.
    /// </summary>
    public Estimate Grams { get; }

    /// <summary>Grams that go in, with what is left behind: what is bought.</summary>
    public Estimate GramsIn { get; }

    /// <summary>What a person should look at, with its cure; null when nothing is in doubt.</summary>
    public string? Doubt { get; }

    /// <summary>Foods that go in and of which nobody says how much; empty when their words are not known, null when there are none.</summary>
    private IReadOnlyList<Food>? Uncounted { get; init; }

    /// <summary>Whether something of the line is not in its numbers that may hold some of a measure: they are a least then.</summary>
    public bool Lacks(Measure measure) =>
        Uncounted is { } foods && (foods.Count == 0 || foods.Any(food => food.Nutrition[measure].High != 0));

    public bool HasChoice => Meanings.Count > 1;

    /// <summary>What the line takes of another recipe; null for a line that names a food.</summary>
    public RecipeUse? Use { get; private set; }

    /// <summary>
    /// The lines that really go in: this one, or those of the recipe that it uses, as large as its share of them.
    /// </summary>
    public IReadOnlyList<RecipeLine> Ingredients => Use?.Lines ?? [this];

    /// <summary>
    /// What errs together with it: a line alone, or every line of a recipe of which nobody knows how much was taken.
    /// </summary>
    public object Source { get; private init; }

    /// <summary>Whether the words plainly mean one food and nothing else.</summary>
    public bool IsPlain { get; }

    /// <summary>What 100 g of the food that is meant first hold, as wide as its kinds are apart; null for a line without a food.</summary>
    public FoodNutrition? Nutrition => NutritionOf(Meanings[0]);

    private FoodNutrition? NutritionOf(LineMeaning meaning) => meaning.Nutrition?.WithFatKept(Typed.KeptFat);

    /// <summary>
    /// What the line brings to the batch: that of the food that is meant first, as wide as all that may be meant is apart.
    /// </summary>
    public Estimate Brings(Measure measure) =>
        Meanings
            .Select((meaning, at) => NutritionOf(meaning) is { } nutrition ? nutrition[measure].In(_gramsByMeaning[at]) : Estimate.Unknown)
            .Aggregate((held, other) => held.Or(other));

    public string Name => Food?.Name ?? Use?.Of.Of.Name ?? Read.Text.Trim();

    /// <summary>What is said to be unknown of it: its food, or all that was typed where something beside the food has no amount.</summary>
    public string NameOfUnknown => Uncounted is null ? Name : Read.Text.Trim();

    /// <summary>What it is called beside its numbers, which span whatever else may be meant.</summary>
    public string NameInSums =>
        Food is not { } food ? Name
        : HasChoice ? $"{food.Name} (or {string.Join(" or ", Meanings.Skip(1).Select(meaning => meaning.Food?.Name ?? meaning.Words))})"
        : Meanings[0].Kinds is null ? food.Name
        : $"{food.Name} (or another kind)";

    /// <summary>What a step may call it by: the words of its name that do not only describe, the last of them what it is.</summary>
    internal IReadOnlyList<NameWord> NameWords { get; private init; } = [];

    /// <summary>The words that it was read with: a step's are put into the same form.</summary>
    internal FoodWords Vocabulary { get; private init; } = FoodWords.None;

    /// <summary>How often what was typed it is: a variant may take half of a line.</summary>
    public decimal Times { get; private init; } = 1;

    /// <summary>The line, so many times as large. It errs as the line does.</summary>
    /// <param name="times">Above zero.</param>
    public RecipeLine Taken(decimal times)
    {
        var line = Scaled(Estimate.Exactly(times), Typed, Read, Source, Times * times);
        line.Use = Use is null ? null : new(Use.Of, Use.Batches * times, [.. Use.Lines.Select(ingredient => ingredient.Taken(times))]);
        return line;
    }

    /// <summary>The line as far as another one takes the recipe that it stands in.</summary>
    private RecipeLine TakenBy(RecipeLine outer, Estimate batches) =>
        Scaled(
            batches,
            Typed with
            {
                Part = outer.Part,
                EatenShare = Typed.EatenShare * outer.Typed.EatenShare,
                KeptFat = Typed.KeptFat * outer.Typed.KeptFat,
            },
            Read with
            {
                IsOptional = Read.IsOptional || outer.Read.IsOutOfNumbers,
            },
            batches is { Below: 0, Above: 0, IsOpen: false } ? Source : outer,
            Times
        );

    private RecipeLine Scaled(Estimate by, TypedLine typed, ReadLine read, object source, decimal times) =>
        new(typed, read, Meanings, Mentioned, [.. _inByMeaning.Select(grams => grams * by)], Doubt)
        {
            Uncounted = Uncounted,
            Source = source,
            Times = times,
            NameWords = NameWords,
            Vocabulary = Vocabulary,
        };

    /// <summary>The line with only one of its choices left: "2 tbsp tahini or peanut butter" becomes "2 tbsp tahini".</summary>
    public string With(LineMeaning choice)
    {
        var text = Read.Text.Trim();
        var start = text.IndexOf(Read.Food, StringComparison.OrdinalIgnoreCase);
        var last =
            Read.Alternatives.Count == 0
                ? -1
                : Read.Alternatives.Max(words =>
                    text.LastIndexOf(words, StringComparison.OrdinalIgnoreCase) is >= 0 and var at ? at + words.Length : -1
                );
        if (start < 0 || last < start)
        {
            return $"{Read.AmountInWords} {choice.Words}".Trim();
        }

        // "soy sauce (or tamari)": the bracket goes with the choice.
        var end = last < text.Length && text[last] == ')' && text[start..last].Contains('(', StringComparison.Ordinal) ? last + 1 : last;
        return $"{text[..start]}{choice.Words}{text[end..]}";
    }
}

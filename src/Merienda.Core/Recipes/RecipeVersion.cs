using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>One immutable version of a recipe, with its lines looked up against fixed food versions.</summary>
public sealed class RecipeVersion
{
    /// <summary>Most ingredients of a dish, with those of the recipes that it uses.</summary>
    public const int MostIngredients = 1_000;

    private string? _meal;
    private PortionProfile? _profile;
    private Dictionary<string, RecipeVersion>? _as;
    private IReadOnlyList<RecipeLine>? _ingredients;
    private IReadOnlyList<string>? _parts;
    private IReadOnlyList<decimal?>? _grams;
    private IReadOnlyDictionary<string, IReadOnlyList<StepUse>>? _steps;

    /// <summary>The recipe as written and what is otherwise here; null for the recipe as written.</summary>
    private (RecipeVersion Written, Variant Change)? _varies;

    public required string Name { get; init; }

    /// <summary>Portions that the lines make; above zero.</summary>
    public required decimal Portions { get; init; }

    /// <summary>The meal slot it is usually eaten at, or null for any.</summary>
    public string? Meal
    {
        get => _meal;
        init => _meal = value;
    }

    public required IReadOnlyList<RecipeLine> Lines { get; init; }

    public IReadOnlyList<Variant> Variants { get; init; } = [];

    /// <summary>Most characters of a source and of a note.</summary>
    public const int LongestSource = 300,
        LongestNote = 4_000;

    /// <summary>Where it comes from, as the cook says it; empty when nobody did.</summary>
    public string Source { get; init; } = "";

    /// <summary>What the cook keeps in mind for the next time.</summary>
    public string Note { get; init; } = "";

    /// <summary>What its source says a portion has.</summary>
    public IReadOnlyList<Claim> Claims { get; init; } = [];

    /// <summary>The dish as a variant has it; null when there is none of that name.</summary>
    /// <param name="variant">Null for the recipe as it is.</param>
    public RecipeVersion? As(string? variant) =>
        variant is null ? this : (_as ??= Variants.ToDictionary(one => one.Name, one => Having(one, Portions))).GetValueOrDefault(variant);

    /// <summary>The dish with a change that is none of its variants.</summary>
    /// <param name="portions">How many it makes then.</param>
    public RecipeVersion Having(Variant change, decimal portions) =>
        new()
        {
            _varies = (this, change),
            Name = Name,
            Portions = portions,
            Meal = Meal,
            Parts = Parts,
            Lines = change.Of(Lines),
            Tasks = Tasks,
            Keeping = Keeping,
            Reheating = Reheating,
            AtEating = AtEating,
        };

    /// <summary>The dish with other foods in some of its lines, as much of each as the line says.</summary>
    /// <param name="instead">The food to take, by the id of a line.</param>
    public RecipeVersion Taking(IReadOnlyDictionary<Guid, Food> instead, FoodMatcher foods, MeasureSystem system) =>
        new()
        {
            Name = Name,
            Portions = Portions,
            Meal = Meal,
            Parts = Parts,
            Lines =
            [
                .. Lines.Select(line =>
                    instead.TryGetValue(line.Typed.Id, out var food)
                        ? RecipeLine.From(line.Typed with { IsChosen = true }, foods, system, food)
                        : line
                ),
            ],
            Variants = Variants,
            Tasks = Tasks,
            Keeping = Keeping,
            Reheating = Reheating,
            AtEating = AtEating,
            Source = Source,
            Note = Note,
        };

    /// <summary>Everything that goes in: its lines, and those of the recipes that they use.</summary>
    public IReadOnlyList<RecipeLine> Ingredients => _ingredients ??= [.. Lines.SelectMany(line => line.Ingredients)];

    /// <summary>What it takes of other recipes.</summary>
    public IEnumerable<RecipeUse> Uses => Lines.Select(line => line.Use).OfType<RecipeUse>();

    public IReadOnlyList<PrepTask> Tasks { get; init; } = [];

    /// <summary>What a step takes of which lines, as a person said or as its words have it.</summary>
    public IReadOnlyList<StepUse> UsesOf(PrepTask task) =>
        (
            _steps ??= _varies is var (written, change) ? StepLines.Varied(written, change, Lines) : StepLines.Of(Tasks, Lines)
        ).GetValueOrDefault(task.Id, []);

    /// <summary>What is done, step by step, to the recipes that it uses and then to itself.</summary>
    public IEnumerable<string> Method => Uses.SelectMany(use => use.Of.Of.Method).Concat(Tasks.Select(task => task.Text));

    public required KeepingClass Keeping { get; init; }

    /// <summary>How to reheat a portion; empty when it is eaten cold.</summary>
    public string Reheating { get; init; } = "";

    /// <summary>What comes off before reheating or goes on when eating; empty when nothing does.</summary>
    public string AtEating { get; init; } = "";

    /// <summary>What is said of its parts, in order; of one that stands in no row here its lines are all that is known.</summary>
    public IReadOnlyList<RecipePart> Parts { get; init; } = [];

    /// <summary>Names of the parts that have lines, in order; an unnamed one is empty.</summary>
    public IReadOnlyList<string> PartNames =>
        _parts ??= [
            .. Parts
                .Select(part => part.Name)
                .Where(name => Lines.Any(line => line.Part == name))
                .Union(Lines.Select(line => line.Part))
                .DefaultIfEmpty(""),
        ];

    private RecipePart? PartWith(string name) => Parts.FirstOrDefault(part => part.Name == name);

    /// <summary>How some parts keep together: as long as the shortest of them; all of them when null.</summary>
    public KeepingClass KeepingOf(IReadOnlyList<string>? parts) =>
        Parts.All(part => part.Keeping is null)
            ? Keeping
            : KeepingClass.Shortest((parts ?? PartNames).Select(name => PartWith(name)?.Keeping ?? Keeping));

    /// <summary>How a part keeps where that is otherwise than the dish; null where it keeps as the dish.</summary>
    public KeepingClass? OwnKeepingOf(string part) => PartWith(part)?.Keeping;

    /// <summary>What all of it was measured to make; null while a part was not, or was otherwise.</summary>
    public decimal? MadeIn(YieldUnit unit) =>
        PartNames
            .Select(name => PartWith(name)?.Made)
            .Aggregate((decimal?)0, (sum, made) => made is { } one && one.Unit == unit ? sum + one.Amount : null);

    /// <summary>What is done to some parts when they are eaten, one sentence each; of all of them when null.</summary>
    public IEnumerable<string> SaidAtEating(IReadOnlyList<string>? parts)
    {
        var held = Parts.Where(part => parts is null || parts.Contains(part.Name)).ToList();
        var (off, on) = (NamesOf(held.Where(part => part.TakesOff)), NamesOf(held.Where(part => part.GoesOn)));
        if (off.Length > 0)
        {
            yield return $"Take off before reheating: {off}";
        }

        if (on.Length > 0)
        {
            yield return $"Goes on when eating: {on}";
        }

        if (AtEating.Length > 0)
        {
            yield return AtEating;
        }
    }

    private static string NamesOf(IEnumerable<RecipePart> parts) =>
        string.Join(", ", parts.Select(part => part.Name.Length == 0 ? "main part" : part.Name));

    /// <summary>
    /// What a portion's share of each part weighs, g, as it was measured or as its lines weigh raw; null where a line's weight is not known. Water that boils off
    /// or is soaked up is seen only by weighing.
    /// </summary>
    public IReadOnlyList<decimal?> GramsByPart =>
        _grams ??= [
            .. PartNames.Select(part =>
            {
                if (PartWith(part)?.Made is { Unit: YieldUnit.Grams } made)
                {
                    return made.Amount / Portions;
                }

                var lines = Ingredients.Where(line => line.Part == part && !line.Read.IsOutOfNumbers).ToList();
                return lines.Any(line => line.Grams.IsOpen) ? (decimal?)null : lines.Sum(line => line.Grams.Best) / Portions;
            }),
        ];

    /// <summary>The profile of some parts, for one portion of the dish.</summary>
    public PortionProfile ProfileOf(IReadOnlyList<string>? parts) =>
        parts is null ? Profile : PortionProfile.Of(Lines.Where(line => parts.Contains(line.Part)), Portions);

    /// <summary>
    /// The recipes through which one uses a certain recipe, by name: "Filling, Pulled pork"; null when it does not use it.
    /// </summary>
    public string? PathTo(Guid recipe)
    {
        foreach (var use in Uses.Concat(Variants.SelectMany(variant => variant.Added).Select(added => added.Line.Use).OfType<RecipeUse>()))
        {
            if (use.Of.Id == recipe)
            {
                return use.Of.Of.Name;
            }

            if (use.Of.Of.PathTo(recipe) is { } further)
            {
                return $"{use.Of.Of.Name}, {further}";
            }
        }

        return null;
    }

    /// <summary>A recipe of elsewhere at a table with these meals: what that calls otherwise is the meal of the same kind, or none.</summary>
    public RecipeVersion At(Planning.Rhythm rhythm)
    {
        var there = rhythm.Meal(_meal);
        if (_meal is null || there is { IsFormer: false })
        {
            return this;
        }

        // Nothing else that is worked out once asks for the meal.
        var here = (RecipeVersion)MemberwiseClone();
        here._meal = (there is null ? rhythm.OfCourse(_meal, Name) : rhythm.Meals.FirstOrDefault(slot => slot.Role == there.Role))?.Key;
        here._as = null;
        return here;
    }

    public PortionProfile Profile => _profile ??= PortionProfile.Of(Lines, Portions);
}

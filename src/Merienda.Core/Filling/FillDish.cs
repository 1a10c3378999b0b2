using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;

namespace Merienda.Core.Filling;

/// <summary>What may be put on a meal: a recipe as written, or in one of its variants.</summary>
/// <param name="Recipe">Id of the recipe: its variants are cooked in one batch.</param>
/// <param name="Variant">Null for the recipe as written.</param>
/// <param name="Version">The dish as the variant has it.</param>
public sealed record FillDish(Guid Recipe, string? Variant, RecipeVersion Version)
{
    /// <summary>Most portions of a batch that the kitchen's vessels take; null where nothing is known of them.</summary>
    public int? Most { get; init; }

    /// <summary>Something bought that is eaten as it is: its line, as typed; null for a dish that is cooked.</summary>
    public string? Ready { get; init; }

    /// <summary>How often something bought may be used in the week; of no meaning for what is cooked.</summary>
    public int MostAWeek { get; init; }

    /// <summary>Something bought as a dish.</summary>
    public static FillDish Of(ReadyChoice choice, RecipeLine line) =>
        new(choice.Id, null, ReadyFood.AsDish(line, choice.Meal)) { Ready = choice.Text.Trim(), MostAWeek = choice.MostAWeek };

    public string Name => Variant is null ? Version.Name : $"{Version.Name}, {Variant}";

    /// <summary>How all of it keeps together: as its shortest part.</summary>
    public KeepingClass Keeping { get; } = Version.KeepingOf(null);

    /// <summary>Minutes that a batch keeps somebody busy, however large it is.</summary>
    public int HandsOn { get; } = Version.Tasks.Sum(task => task.HandsOn);

    /// <summary>
    /// Whether it is meant for a meal: its usual one, a large one where it says nothing; lunch and supper change places.
    /// </summary>
    public bool IsFor(MealSlot slot, Planning.Rhythm rhythm) =>
        Ready is not null ? Version.Meal is null || Version.Meal == slot.Key
        : rhythm.Meal(Version.Meal) is not { } usual ? slot.IsMain
        : slot.IsMain ? usual.IsMain
        : slot.Role == usual.Role;

    /// <summary>Where a portion waits that is cooked on one date and eaten on another.</summary>
    public KeptIn KeptUntil(DateOnly cooked, DateOnly eaten) => KeepingPlan.For(Keeping, cooked, eaten, false).KeptIn;
}

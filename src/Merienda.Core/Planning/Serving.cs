using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Planning;

/// <summary>A place on the board: a date, a meal slot and an eater.</summary>
public sealed record Cell(DateOnly Date, string Meal, Guid Eater);

public enum ServingState
{
    Planned,
    Eaten,
    Partly,
    Skipped,

    /// <summary>The eater eats out: nothing is missing here.</summary>
    Out,
}

/// <summary>How much of a batch is taken: portions, or grams.</summary>
public readonly record struct DrawSize(decimal Amount, bool IsInGrams = false);

/// <summary>One thing of a meal.</summary>
public abstract record ServingItem(Guid Id)
{
    /// <summary>Whether it was eaten without having been planned.</summary>
    public bool IsExtra { get; init; }

    /// <summary>
    /// Which share of it was eaten, at least 0; null while nobody said. What came out of a box is told by the box: of a draw only 0 is said
    /// here.
    /// </summary>
    public decimal? Eaten { get; init; }

    /// <summary>Planned and not eaten: it takes nothing of what was cooked.</summary>
    public bool IsLeftOut => Eaten == 0;
}

/// <summary>A share of a batch.</summary>
public sealed record Draw(Guid Id, Guid Batch, Guid Lot, DrawSize Size) : ServingItem(Id)
{
    /// <summary>Names of the parts that are taken; null for the whole dish.</summary>
    public IReadOnlyList<string>? Parts { get; init; }

    /// <summary>Whether somebody wants it frozen on the day it is cooked, though it would keep; of no meaning once it is in its box.</summary>
    public bool IsFrozen { get; init; }

    /// <summary>The box it is taken from, once its batch is portioned.</summary>
    public Guid? Container { get; init; }

    public bool Takes(string part) => Parts is null || Parts.Contains(part);
}

/// <summary>Something that is eaten as it is bought, or made fresh beside: "150 g skyr", "1 banana", "50 g pasta".</summary>
public sealed record ReadyFood(Guid Id, RecipeLine Line) : ServingItem(Id)
{
    private const int LongestLine = 300;

    /// <summary>It is read like an ingredient line; without an amount nobody could count it.</summary>
    /// <param name="chosen">The food that a person chose; null lets the words decide.</param>
    public static Result<RecipeLine> Read(string text, FoodMatcher foods, MeasureSystem system, Food? chosen = null)
    {
        if (text.Trim().Length is 0 or > LongestLine)
        {
            return new Refusal("ready-length", "line", text, $"a line has 1 to {LongestLine} characters", "Type for example: 150 g skyr");
        }

        var line = RecipeLine.From(text.Trim(), foods, system, chosenFood: chosen);
        return line.Read.Amount is null || line.Read.Amount.Value.Best <= 0 ? NoAmount("line", text) : line;
    }

    /// <summary>
    /// What somebody says they have eaten: "small apple" and "cup of tea" are one, where one of it has a weight. Several of which nobody says
    /// how many ("olives") are not.
    /// </summary>
    /// <param name="chosen">The food that a person chose; null lets the words decide.</param>
    public static Result<RecipeLine> ReadEaten(string text, FoodMatcher foods, MeasureSystem system, Food? chosen = null)
    {
        var read = Read(text, foods, system, chosen);
        return
            read.Refusal?.Code == "ready-amount-missing"
            && !text.Any(char.IsDigit)
            && Read($"1 {text.Trim()}", foods, system, chosen) is { IsRefused: false } one
            && one.Value is { Food: not null, Grams.IsOpen: false } line
            && !(line.Read.Unit == Unit.Each && text.TrimEnd().EndsWith('s'))
            ? one
            : read;
    }

    public static Refusal NoAmount(string field, string text) =>
        new("ready-amount-missing", field, text.Trim(), "it does not say how much", "Begin with the amount: 150 g skyr, 1 banana");

    /// <summary>A food as it is eaten, as a dish of one portion: rules, sums and lists see no difference.</summary>
    /// <param name="meal">Key of the meal it is for; null for any.</param>
    public static RecipeVersion AsDish(RecipeLine line, string? meal) =>
        new()
        {
            Name = line.Name,
            Portions = 1,
            Meal = meal,
            Lines = [line],
            // It is eaten on the day that it is planned for: the shortest clock is long enough.
            Keeping = KeepingClass.All.MinBy(one => one.FridgeDays)!,
        };
}

/// <summary>What one eater eats at one meal of one date: everything together.</summary>
/// <param name="Items">In the order they are eaten.</param>
public sealed record Serving(Guid Id, Cell Cell, IReadOnlyList<ServingItem> Items)
{
    public ServingState State { get; init; }

    /// <summary>Left alone by everything that plans.</summary>
    public bool IsLocked { get; init; }

    public string Note { get; init; } = "";

    public IEnumerable<Draw> Draws => Items.OfType<Draw>();

    /// <summary>Whether somebody said how it went, or how something of it did: nothing plans it otherwise any more.</summary>
    public bool IsSaid => State != ServingState.Planned || Items.Any(item => item is { IsExtra: false, Eaten: not null });
}

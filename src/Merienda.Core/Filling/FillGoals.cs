namespace Merienda.Core.Filling;

/// <summary>What a filled week is sought to be.</summary>
public enum FillGoal
{
    Covered,

    /// <summary>Of a week that is mended: meals for which nothing fits.</summary>
    Mended,
    Changes,
    Swaps,
    Targets,
    There,

    /// <summary>What is in stock, goes off within the week and is in no dish.</summary>
    Due,
    Batches,
    Minutes,

    /// <summary>Hundredths of the household's money for what goes into what is cooked and bought.</summary>
    Cost,

    /// <summary>Grams that are left of packs that are opened for the week.</summary>
    Packs,
    Sizes,
    Leftovers,
    Sameness,

    /// <summary>Of a bite more or less: what it changes a day, kcal.</summary>
    Step,
}

/// <summary>One thing that was sought after another: how far it came.</summary>
/// <param name="Bound">The best that it can be; null where nobody proved one.</param>
/// <param name="Seconds">That it was sought.</param>
public sealed record FillLevel(FillGoal Goal, long Value, long? Bound, double Seconds = 0)
{
    /// <summary>Whether nothing better is possible, with what the levels before it found.</summary>
    public bool IsProven => Bound == Value;

    /// <summary>As a line begins: "Meals not covered".</summary>
    public string Name => FillGoals.NameOf(Goal);

    /// <summary>In the cook's words: "All meals are covered", "8 batches".</summary>
    public string Says =>
        (Goal, Value) switch
        {
            (FillGoal.Covered, 0) => "Every meal is covered",
            (FillGoal.Covered, var many) => $"{Many(many, "meal")} not covered",
            (FillGoal.Mended, 0) => "Every meal that is to come fits",
            (FillGoal.Mended, 1) => "1 meal for which nothing fits",
            (FillGoal.Mended, var many) => $"{many} meals for which nothing fits",
            (FillGoal.Changes, 0) => "Nothing has to change",
            (FillGoal.Changes, var many) => $"{Many(many, "meal")} changed",
            (FillGoal.Swaps, 0) => "No dish exchanged",
            (FillGoal.Swaps, 1) => "1 dish exchanged",
            (FillGoal.Swaps, var many) => $"{many} dishes exchanged",
            (FillGoal.Targets, 0) => "Every day is where it should lie",
            (FillGoal.Targets, var many) => $"{many} % off target, all days together",
            (FillGoal.There, 0) => "Nothing that is there is left",
            (FillGoal.There, var many) => $"{Portions(many)} of what is there not eaten",
            (FillGoal.Due, 0) => "What goes off soon is used",
            (FillGoal.Due, 1) => "1 thing that goes off soon is not used",
            (FillGoal.Due, var many) => $"{many} things that go off soon are not used",
            (FillGoal.Batches, 0) => "Nothing more to cook",
            (FillGoal.Batches, var many) => many == 1 ? "1 batch to cook" : $"{many} batches to cook",
            (FillGoal.Minutes, var many) => $"{Many(many, "minute")} by hand",
            (FillGoal.Cost, var hundredths) => $"What goes in costs about {hundredths / 100m:0.00}",
            (FillGoal.Packs, 0) => "No opened pack is left over",
            (FillGoal.Packs, var grams) => $"About {grams} g of opened packs left over",
            (FillGoal.Sizes, 0) => "Every portion in its usual size",
            (FillGoal.Sizes, var many) => $"Portions off their usual size by {many / (decimal)FillTable.Quarters:0.##} in all",
            (FillGoal.Leftovers, 0) => "Nothing is left over",
            (FillGoal.Leftovers, var many) => $"{Portions(many)} left over",
            (FillGoal.Step, < 0) => $"About {-Value} kcal less a day",
            (FillGoal.Step, _) => $"About {Value} kcal more a day",
            (FillGoal.Sameness, 0) => "No dish comes more than twice to one person",
            (FillGoal.Sameness, var many) => $"{Many(many, "time")} a dish comes again",
            _ => throw new InvalidOperationException($"{Goal} has no words."),
        };

    /// <summary>How sure it is: "proven", or what is known.</summary>
    public string Sure =>
        Goal == FillGoal.Step ? "by the best values"
        : IsProven ? "proven"
        : Bound is { } bound && bound > 0
            ? $"best found in {Seconds:0.#} s, not proven best; it can't be below {(Goal == FillGoal.Cost ? $"{bound / 100m:0.00}" : $"{bound}")}"
        : $"best found in {Seconds:0.#} s, not proven best";

    private static string Portions(long quarters) =>
        quarters == FillTable.Quarters ? "1 portion" : $"{quarters / (decimal)FillTable.Quarters:0.##} portions";

    private static string Many(long many, string one) => many == 1 ? $"1 {one}" : $"{many} {one}s";
}

/// <summary>What can be sought, and in what order a cook usually wants it.</summary>
public static class FillGoals
{
    /// <summary>A sensible start: days that fit, what is there eaten, then as little work as that takes.</summary>
    public static readonly IReadOnlyList<FillGoal> Usual =
    [
        FillGoal.Targets,
        FillGoal.There,
        FillGoal.Due,
        FillGoal.Batches,
        FillGoal.Minutes,
        FillGoal.Cost,
        FillGoal.Packs,
        FillGoal.Sizes,
        FillGoal.Leftovers,
        FillGoal.Sameness,
    ];

    public static string NameOf(FillGoal goal) =>
        goal switch
        {
            FillGoal.Covered => "Meals not covered",
            FillGoal.Mended => "Meals for which nothing fits",
            FillGoal.Changes => "Meals changed",
            FillGoal.Swaps => "Dishes exchanged",
            FillGoal.Targets => "Percent off target, all days together",
            FillGoal.There => "Quarters of a portion that are there and stay uneaten",
            FillGoal.Due => "Things in stock that go off and are not used",
            FillGoal.Batches => "Batches to cook",
            FillGoal.Minutes => "Minutes by hand",
            FillGoal.Cost => "Cost of what goes in, in hundredths",
            FillGoal.Packs => "Grams of opened packs that are left over",
            FillGoal.Sizes => "Quarters of a portion off the usual size",
            FillGoal.Leftovers => "Quarters of a portion that are left over",
            FillGoal.Sameness => "Times a dish comes again",
            FillGoal.Step => "Kcal a day, more or less",
            _ => throw new ArgumentOutOfRangeException(nameof(goal), goal, "No such goal."),
        };

    /// <summary>What a cook wants by it, as the panel says it.</summary>
    public static string WantOf(FillGoal goal) =>
        goal switch
        {
            FillGoal.Targets => "Each day near its targets",
            FillGoal.There => "Eat what is there first",
            FillGoal.Due => "Use what goes off soon",
            FillGoal.Batches => "Few batches",
            FillGoal.Minutes => "Little work by hand",
            FillGoal.Cost => "Little money",
            FillGoal.Packs => "Little left of opened packs",
            FillGoal.Sizes => "Portions of the usual size",
            FillGoal.Leftovers => "Nothing left over",
            FillGoal.Sameness => "Not the same dish too often",
            _ => throw new ArgumentOutOfRangeException(nameof(goal), goal, "Nobody chooses it."),
        };
}

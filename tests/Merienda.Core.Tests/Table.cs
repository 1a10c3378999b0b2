using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Foods.Statements;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Formats;

namespace Merienda.Core.Tests;

/// <summary>The shipped data and tiny constructors, so that tests read like the trade.</summary>
public static class Table
{
    public static readonly DataFiles Data = DataFiles.Load(DataFiles.Find());

    public static FoodMatcher Foods => Data.Foods;

    /// <summary>A meal of the usual day.</summary>
    public static MealSlot Slot(string key) => Rhythm.Usual.Meal(key) ?? throw new ArgumentException($"No meal {key}.");

    public static Mass Grams(this int grams) => new(grams);

    public static Food Food(string key) => Foods.WithKey(key) ?? throw new ArgumentException($"No food {key}.");

    public static readonly StatementLexicon Lexicon = StatementWords.Load(
        Path.Combine(DataFiles.Find(), "statement-words.csv"),
        Data.Classes
    );

    /// <summary>A packet with next to nothing printed on it; tests say with "with" what theirs has.</summary>
    public static PrintedPacket Printed(string statement = "", params (LabelNutrient Nutrient, string Value)[] values) =>
        new(
            "Sea crackers",
            LabelCountry.EuropeanUnion,
            null,
            "100 g",
            values.ToDictionary(value => value.Nutrient, value => value.Value),
            statement,
            "",
            "",
            null,
            null,
            null,
            [],
            "bakery"
        );

    public static Food Bought(PrintedPacket printed, bool countsTolerances = false, int version = 1) =>
        Packet.ToFood(
            new Guid("00000000-0000-0000-0000-0000000000aa"),
            version,
            printed,
            printed.Read(Data.Classes).Value,
            countsTolerances,
            Lexicon,
            Data.Classes
        );

    /// <summary>One portion of some grams of one food.</summary>
    public static Intake Eat(Food food, decimal grams = 100, decimal portions = 1) =>
        Intake.Of(
            new Helping(
                "dish",
                PortionProfile.Of([RecipeLine.From($"{grams} g", Foods, MeasureSystem.Metric, chosenFood: food)], portions),
                1
            )
        );

    public static RecipeLine Line(string text, MeasureSystem system = MeasureSystem.UnitedStates) =>
        RecipeLine.From(new TypedLine(text) { Id = Guid.NewGuid() }, Foods, system);

    /// <summary>A cooked dish.</summary>
    public static RecipeVersion Recipe(
        string name,
        decimal portions,
        IReadOnlyList<RecipeLine> lines,
        IReadOnlyList<PrepTask>? tasks = null
    ) =>
        new()
        {
            Name = name,
            Portions = portions,
            Lines = lines,
            Tasks = tasks ?? [],
            Keeping = KeepingClass.WithKey("cooked")!,
        };

    public static PortionProfile Portion(decimal portions, params string[] lines) =>
        PortionProfile.Of(lines.Select(text => Line(text)), portions);

    public static Intake Eat(decimal portions, params string[] lines) => Intake.Of(new Helping("dish", Portion(portions, lines), 1));

    /// <summary>The first day of the week that tests eat in.</summary>
    public static readonly DateOnly Sunday = new(2026, 11, 22);

    /// <summary>One portion of a dish at a meal of that week.</summary>
    public static Helping At(int day, string meal, string dish, params string[] lines) =>
        new($"A {dish}", Portion(1, lines), 1) { At = new(Sunday.AddDays(day), Slot(meal)), Dish = dish };

    public static Helping Cod(int day, string meal = "supper") => At(day, meal, "Cod", "120 g cod");

    public static RuleContext Context(int openMeals = 0) => new(Data.HouseScheme, Data.Classes, openMeals);

    public static LimitRule AtMost(Measure measure, decimal most, Period per = Period.Day) =>
        new()
        {
            Id = "limit",
            Measure = measure,
            Per = per,
            AtMost = most,
        };

    public static LimitRule AtLeast(Measure measure, decimal least, Period per = Period.Day) =>
        new()
        {
            Id = "limit",
            Measure = measure,
            Per = per,
            AtLeast = least,
        };
}

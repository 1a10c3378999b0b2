using Merienda.Core.Foods;
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

    public static Mass Grams(this int grams) => new(grams);

    public static Food Food(string key) => Foods.WithKey(key) ?? throw new ArgumentException($"No food {key}.");

    public static RecipeLine Line(string text, MeasureSystem system = MeasureSystem.UnitedStates) => RecipeLine.From(text, Foods, system);

    public static PortionProfile Portion(decimal portions, params string[] lines) => PortionProfile.Of(lines.Select(text => Line(text)), portions);

    public static Intake Eat(decimal portions, params string[] lines) => Intake.Of(new Helping("dish", Portion(portions, lines), 1));

    public static RuleContext Context(int openMeals = 0) => new(Data.HouseScheme, Data.Classes, openMeals);

    public static LimitRule AtMost(Measure measure, decimal most, Period per = Period.Day) => new() { Id = "limit", Measure = measure, Per = per, AtMost = most };

    public static LimitRule AtLeast(Measure measure, decimal least, Period per = Period.Day) => new() { Id = "limit", Measure = measure, Per = per, AtLeast = least };
}

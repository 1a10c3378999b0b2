using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Formats;

namespace Merienda.Solving.Tests;

/// <summary>Weeks to fill from the demo's recipes and the shipped protocols.</summary>
internal static class DemoWeek
{
    public static readonly DateOnly Start = new(2026, 11, 22);

    public static readonly DataFiles Data = DataFiles.Load(DataFiles.Find());

    /// <summary>The demo's recipes that use no other, as written and in their plain variants.</summary>
    public static readonly IReadOnlyList<FillDish> Dishes = [.. Load()];

    private static IEnumerable<FillDish> Load() =>
        DemoRecipes
            .Load(DataFiles.Find())
            .Select(recipe => new RecipeVersion
            {
                Name = recipe.Name,
                Portions = recipe.Portions,
                Meal = recipe.Meal == "merienda" ? "bite" : recipe.Meal,
                Lines = [.. recipe.Lines.Select(line => RecipeLine.From(line, Data.Foods, MeasureSystem.Metric))],
                Tasks = recipe.Tasks,
                Keeping = KeepingClass.WithKey(recipe.Keeping)!,
            })
            .Where(recipe => recipe.Lines.All(line => line.Food is not null))
            .Select(recipe => new FillDish(Guid.NewGuid(), null, recipe));

    /// <summary>Somebody who follows a protocol, with what is stated of it.</summary>
    public static Eater Eater(string name, string protocol, params (string Rule, decimal? AtLeast, decimal? AtMost)[] stated) =>
        new(
            Guid.NewGuid(),
            name,
            new EaterRules(
                [new FollowedProtocol(Data.Protocol(protocol)!, new Dictionary<string, string>())],
                stated.Select(one => new Allowance(protocol, one.Rule, one.AtLeast, one.AtMost)),
                PersonalLimits.None,
                Data.HouseScheme,
                Data.Classes,
                Start
            ),
            [.. Rhythm.Usual.Meals.Zip(RhythmEdits.UsualShares(Rhythm.Usual.Meals), (meal, share) => EaterMeal.Daily(meal.Key, share))],
            Rhythm.Usual
        );

    public static FillQuestion For(params Eater[] eaters) =>
        new(
            Start,
            Rhythm.Usual,
            [.. Rhythm.Usual.SessionsOf(Start).Select(date => Rhythm.Usual.SessionOn(date, Start, Guid.NewGuid()))],
            eaters,
            Dishes,
            FillWishes.Usual
        );
}

using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Filling;

/// <summary>Dishes, eaters and weeks to fill, as small as a test wants them.</summary>
internal static class Filled
{
    /// <summary>A dish of one portion.</summary>
    public static FillDish Dish(string name, string keeping, string? meal, params string[] lines) =>
        new(
            Guid.NewGuid(),
            null,
            new RecipeVersion
            {
                Name = name,
                Portions = 1,
                Meal = meal,
                Lines = [.. lines.Select(text => Line(text))],
                Keeping = KeepingClass.WithKey(keeping)!,
            }
        );

    /// <summary>Somebody without a protocol.</summary>
    public static Eater Eats(string name, string[] allergies, params string[] meals) =>
        new(
            Guid.NewGuid(),
            name,
            new EaterRules([], [], PersonalLimits.None with { Allergies = allergies }, Data.HouseScheme, Data.Classes, Sunday),
            [.. meals.Select(meal => EaterMeal.Daily(meal, 1m / meals.Length))],
            Rhythm.Usual
        );

    public static FillQuestion Week(IReadOnlyList<Eater> eaters, params FillDish[] dishes) =>
        new(
            Sunday,
            Rhythm.Usual,
            [.. Rhythm.Usual.SessionsOf(Sunday).Select(date => Rhythm.Usual.SessionOn(date, Sunday, Guid.NewGuid()))],
            eaters,
            dishes,
            FillWishes.Usual
        );
}

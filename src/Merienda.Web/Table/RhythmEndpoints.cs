using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Table;

/// <summary>How a household's weeks go.</summary>
/// <param name="FirstDay">The weekday that a week begins on.</param>
/// <param name="Meals">Of a day, in order.</param>
/// <param name="Roles">What a meal can be for rules that name one.</param>
public sealed record RhythmSheet(
    DayOfWeek FirstDay,
    IReadOnlyList<SaidMeal> Meals,
    IReadOnlyList<PrepDay> PrepDays,
    IReadOnlyList<MealRole> Roles
);

public sealed record RhythmRequest(DayOfWeek FirstDay, IReadOnlyList<SaidMeal> Meals, IReadOnlyList<PrepDay> PrepDays);

/// <summary>The day a week begins on, the meals of a day, and the days of cooking.</summary>
public static class RhythmEndpoints
{
    public static void MapRhythm(this RouteGroupBuilder table)
    {
        table
            .MapGet(
                "/rhythm",
                async (CurrentTenant tenant, HouseholdStore households) =>
                    TypedResults.Ok(ToSheet((await households.Household(tenant)).Rhythm))
            )
            .WithName("GetRhythm");
        table.MapPut("/rhythm", Change).WithName("ChangeRhythm");
    }

    private static async Task<Results<Ok<RhythmSheet>, ProblemHttpResult>> Change(
        RhythmRequest request,
        Editing editing,
        RhythmStore rhythms
    ) =>
        editing.Answer(
            await rhythms.Change(
                editing,
                (table, planned) => table.ChangeRhythm(request.FirstDay, request.Meals, request.PrepDays, planned),
                household => ToSheet(household.Rhythm)
            )
        );

    private static RhythmSheet ToSheet(Rhythm rhythm) =>
        new(
            rhythm.FirstDay,
            [.. rhythm.Meals.Select(meal => new SaidMeal(meal.Key, meal.Name, meal.Role, meal.At))],
            rhythm.PrepDays,
            Enum.GetValues<MealRole>()
        );
}

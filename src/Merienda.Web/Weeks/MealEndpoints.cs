using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;
using Merienda.Storage;
using Microsoft.AspNetCore.Http.HttpResults;
using static Merienda.Web.Weeks.WeekEdit;

namespace Merienda.Web.Weeks;

/// <summary>Whole meals: what is eaten as it is bought, the order of things, and what is said of a meal.</summary>
public static class MealEndpoints
{
    public static void MapMeals(this RouteGroupBuilder weeks)
    {
        weeks.MapPost("/ready", AddReady).WithName("AddReadyFood");
        weeks.MapPut("/items/{item:guid}/text", Reword).WithName("ChangeReadyFood");
        weeks.MapPut("/order", Order).WithName("OrderMeal");
        weeks.MapPut("/serving", Say).WithName("SayOfMeal");
    }

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> AddReady(ReadyRequest request, [AsParameters] WeekEdit edit) =>
        edit.Decide(week =>
        {
            var (diner, read) = (week.DinerAt(request.To.ToCell()), Read(week, request.Line, request.Food));
            if ((diner.Refusal ?? read.Refusal ?? Stop(diner.Value, read.Value)) is { } refusal)
            {
                return refusal;
            }

            return Said(
                week.Plan.AddReady(request.To.ToCell(), new ReadyFood(edit.Editing.Stamp.EditId, read.Value), Guid.CreateVersion7),
                $"Added {read.Value.Read.Text.Trim()}"
            );
        });

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Reword(
        Guid item,
        ReadyTextRequest request,
        [AsParameters] WeekEdit edit
    ) =>
        edit.Decide(week =>
        {
            var read = Read(week, request.To, request.Food);
            if (read.Refusal is { } refusal)
            {
                return refusal;
            }

            var eater = week.Plan.Find(item)?.Serving.Cell.Eater;
            return week.Table.Diners.FirstOrDefault(one => one.Id == eater) is { } diner && Stop(diner, read.Value) is { } stop
                ? stop
                : Said(week.Plan.Reword(item, request.From, read.Value), $"Changed {request.From.Trim()}");
        });

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Order(OrderRequest request, [AsParameters] WeekEdit edit) =>
        edit.Decide(week => Said(week.Plan.Order(request.Place.ToCell(), request.Items), "Changed the order of a meal"));

    private static Task<Results<Ok<WeekBoard>, ProblemHttpResult>> Say(ServingRequest request, [AsParameters] WeekEdit edit) =>
        edit.Decide(week =>
            week.DinerAt(request.Place.ToCell()) is var diner && diner.Refusal is { } nobody
                ? nobody
                : Said(
                    week.Plan.Say(request.Place.ToCell(), request.State, request.IsLocked, request.Note, Guid.CreateVersion7),
                    $"Said something of {diner.Value.Name}'s {week.Plan.Rhythm.NameOf(request.Place.Meal)}"
                )
        );

    private static Refusal? Stop(Eater eater, RecipeLine line) => eater.Stop(line.Name, PortionProfile.Of([line], 1));

    /// <param name="isEaten">Whether it was eaten already: "small apple" is one then.</param>
    internal static Result<RecipeLine> Read(StoredWeek week, string text, string? food, bool isEaten = false)
    {
        var chosen = food is null ? null : week.Foods.Matcher.WithKey(food);
        if (food is not null && chosen is null)
        {
            return new Refusal("unknown-food", "food", food, "there is no such food", "Choose one from the list");
        }

        return isEaten
            ? ReadyFood.ReadEaten(text, week.Foods.Matcher, week.System, chosen)
            : ReadyFood.Read(text, week.Foods.Matcher, week.System, chosen);
    }
}

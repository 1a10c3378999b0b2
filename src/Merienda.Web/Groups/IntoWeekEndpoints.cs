using Merienda.Core.Groups;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Merienda.Web.Recipes;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Groups;

/// <summary>A published menu in the own week: what it would be there, and putting it there.</summary>
public static class IntoWeekEndpoints
{
    /// <summary>What the endpoints work with.</summary>
    public sealed record Home(
        Database Database,
        RecipeStore Recipes,
        HouseholdStore Households,
        PacketStore Packets,
        KnowledgeBase Knowledge,
        WeekStore Weeks,
        TimeProvider Clock,
        PublishedMenus Published,
        MenuReadings Readings
    )
    {
        public RecipeEndpoints.Desk Desk => new(Database, Recipes, Households, Packets, Knowledge);
    }

    public static void MapIntoWeek(this RouteGroupBuilder groups)
    {
        groups.MapPost("/{group:guid}/menus/{menu:guid}/into-week/look", Look).WithName("LookAtMenuInWeek");
        groups.MapPost("/{group:guid}/menus/{menu:guid}/into-week", Put).WithName("PutMenuIntoWeek");
    }

    private static async Task<Results<Ok<IntoWeekSheet>, ProblemHttpResult>> Look(
        Guid group,
        Guid menu,
        IntoWeekRequest request,
        CurrentTenant tenant,
        [AsParameters] Home home
    )
    {
        var read = await Read(group, menu, request, tenant, home);
        if (read.Refusal is { } wrong)
        {
            return wrong.ToProblem();
        }

        var asked = read.Value;
        var (week, library) = await home.Weeks.ReadWithLibrary(tenant, asked.Start);
        // What comes home with it is judged as this kitchen reads it.
        var coming = asked
            .Here.Recipes.Where((recipe, at) => !recipe.IsRefused && asked.Here.Comes(at))
            .Select(recipe => recipe.Value)
            .ToList();
        return TypedResults.Ok(
            IntoWeekSheets.Of(
                asked,
                week,
                Into(asked, week, [.. library.Where(there => coming.All(one => one.RecipeId != there.RecipeId)), .. coming])
            )
        );
    }

    private static async Task<Results<Ok<IntoWeekSheet>, ProblemHttpResult>> Put(
        Guid group,
        Guid menu,
        IntoWeekRequest request,
        Editing editing,
        [AsParameters] Home home
    )
    {
        var read = await Read(group, menu, request, editing.Tenant, home);
        if (read.Refusal is { } wrong)
        {
            return wrong.ToProblem();
        }

        var asked = read.Value;
        // An edit of its own: the recipes stay when the week is taken back.
        var brought = await MemberMenuEndpoints.BringHome(
            editing.Stamp with
            {
                EditId = Guid.CreateVersion7(),
            },
            group,
            asked.Here,
            asked.Days,
            home.Desk,
            home.Clock
        );
        if (brought.Refusal is { } unread)
        {
            return unread.ToProblem();
        }

        IntoWeekSheet? sheet = null;
        return editing.Answer(
            await home.Weeks.TakeIn(
                editing,
                asked.Start,
                $"Put {asked.Here.Menu.Name} on the week",
                new(asked.Start, group, menu, asked.Number, home.Clock.GetUtcNow(), asked.Answers),
                (week, library, was) =>
                {
                    // Another device has put this very version there meanwhile: what it put is not taken off as an earlier one's.
                    var isThere = was?.Number == asked.Number;
                    var into = Into(
                        isThere ? asked with { Before = asked.Here, Earlier = was!.Answers ?? HomeAnswers.None } : asked,
                        week,
                        library
                    );
                    sheet = IntoWeekSheets.Of(asked, week, into);
                    return into.Change.IsEmpty
                        ? new Refusal(
                            "menu-nothing",
                            "menu",
                            asked.Here.Menu.Name,
                            "nothing of it comes onto this week",
                            "Choose another week, or empty the meals that it should come to"
                        )
                        : into.Change;
                },
                // Sent twice it is answered with what stands there by then.
                week => sheet ?? IntoWeekSheets.Of(asked, week, new(Core.Filling.WeekChange.Nothing, []))
            )
        );
    }

    /// <summary>A correction may have given a tier another name: what is chosen is not passed over.</summary>
    private static Refusal? Wrong(HomeAnswers answers, PublishedMenu menu, Rhythm rhythm)
    {
        var (at, said) = answers.Eaters.Index().FirstOrDefault(one => one.Item.Tier is { } tier && !HasTier(menu, tier));
        return said?.Tier is { } gone
            ? new("menu-tier", $"answers.eaters[{at}].tier", gone, "the menu has no such tier", "Choose one of its tiers")
            : answers
                .Meals.Where(one => one.Slot is not null)
                .Select(one => Rhythm.UnknownMeal(rhythm.Meals, one.Slot))
                .FirstOrDefault(refusal => refusal is not null);
    }

    private static bool HasTier(PublishedMenu menu, string tier) => menu.Tiers.Any(one => one.Name == tier);

    /// <summary>The menu as it is read here, as it is asked for.</summary>
    private static async Task<Result<AskedIntoWeek>> Read(Guid group, Guid menu, IntoWeekRequest request, Tenant tenant, Home home)
    {
        var ((newest, table), taken) = await home.Database.Read(
            tenant,
            home.Published.Newest(group, menu).And(home.Households.Table()).And(MenuStore.Taken)
        );
        if (newest is null)
        {
            return MemberMenuEndpoints.Unread(menu);
        }

        var start = table.Household.Rhythm.WeekOf(request.Week);
        var was = taken.FirstOrDefault(one => (one.WeekStart, one.GroupId, one.MenuId) == (start, group, menu));
        var before =
            was is null || was.Number == newest.Number
                ? null
                : await home.Database.Read(tenant, home.Published.Numbered(group, menu, was.Number));
        // What was answered for this week, else what was answered last to this group.
        var last = (was ?? taken.FirstOrDefault(one => one.GroupId == group && one.Answers is not null))?.Answers ?? HomeAnswers.None;
        var read = await home.Readings.Of(before is null ? [newest] : [newest, before], tenant, home.Desk);
        var here = read[0];
        var days = request.Days is { Count: > 0 } some ? some : [.. Enumerable.Range(0, here.Menu.Days)];
        var rhythm = table.Household.Rhythm;
        if (request.Answers is { } said && Wrong(said, here.Menu, rhythm) is { } wrong)
        {
            return wrong;
        }

        var answers = (request.Answers ?? last).Where(
            eater => table.WithId(eater) is not null,
            tier => HasTier(here.Menu, tier),
            slot => rhythm.Meals.Any(meal => meal.Key == slot)
        );
        var earlier = was?.Answers ?? HomeAnswers.None;
        return new AskedIntoWeek(
            here,
            newest.Number,
            before is not null ? read[1]
                : was is not null && !answers.IsLike(earlier) ? here
                : null,
            start,
            [.. days.Where(day => day >= 0 && day < here.Menu.Days).Order().DistinctBy(day => day % WeekPlan.Days)],
            answers,
            earlier
        );
    }

    private static IntoWeek Into(AskedIntoWeek asked, StoredWeek week, IReadOnlyList<StoredRecipe> library) =>
        MenuIntoWeek.Of(
            new(
                week.Plan,
                week.Table.Today,
                [
                    .. week.Table.Eaters.Zip(
                        week.Table.Diners,
                        (settings, eater) =>
                            new EaterAtHome(eater, [.. settings.Protocols.Select(week.Table.ShippedAs).OfType<string>()])
                            {
                                Now = asked.Answers.Of(eater.Id),
                                Before = asked.Earlier.Of(eater.Id),
                            }
                    ),
                ],
                batch => (week.RecipeOf(batch).RecipeId, week.RecipeOf(batch).VersionId)
            ),
            Dishes(asked.Here, asked.Days, week, library, asked.Answers),
            asked.Before is { } before ? Dishes(before, asked.Days, week, library, asked.Earlier) : []
        );

    /// <summary>A menu's dishes of some days on the week's dates, by the recipes of the own library.</summary>
    private static IReadOnlyList<DishForWeek> Dishes(
        MenuHere here,
        IReadOnlyList<int> days,
        StoredWeek week,
        IReadOnlyList<StoredRecipe> library,
        HomeAnswers answers
    )
    {
        var menu = here.Menu;
        DateOnly DateOf(int day) =>
            Enumerable
                .Range(0, WeekPlan.Days)
                .Select(week.Plan.Start.AddDays)
                .First(date => date.DayOfWeek == menu.StartsOn.AddDays(day).DayOfWeek);
        var dishes =
            from dish in menu.Dishes
            where days.Contains(dish.Day)
            let recipe = library.FirstOrDefault(one => Cookbook.SameName.Equals(one.Version.Name, menu.Recipes[dish.Recipe].Draft.Name))
            where recipe is not null
            select new DishForWeek(
                DateOf(dish.Day),
                menu.SlotIn(week.Table.Household.Rhythm, dish.Meal, answers),
                recipe.RecipeId,
                recipe.VersionId,
                here.Prints[dish.Recipe],
                recipe.Version,
                dish.ToDish()
            );
        return [.. dishes];
    }
}

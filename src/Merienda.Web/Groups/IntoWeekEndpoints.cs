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
        if (await Read(group, menu, tenant, home) is not ({ } read, _))
        {
            return MemberMenuEndpoints.Unread(menu).ToProblem();
        }

        if (WrongTier(read.Menu, request.Tier) is { } wrong)
        {
            return wrong.ToProblem();
        }

        var (start, days) = Asked(read.Menu, request, (await home.Database.Read(tenant, home.Households.Table())).Household.Rhythm);
        var (week, library) = await home.Weeks.ReadWithLibrary(tenant, start);
        // What is not at home yet is judged as this kitchen reads it.
        var coming = read.Recipes.Where(recipe => !recipe.IsRefused).Select(recipe => recipe.Value);
        return TypedResults.Ok(ToSheet(read, days, week, Into(read.Menu, request, days, week, [.. library, .. coming])));
    }

    private static async Task<Results<Ok<IntoWeekSheet>, ProblemHttpResult>> Put(
        Guid group,
        Guid menu,
        IntoWeekRequest request,
        Editing editing,
        [AsParameters] Home home
    )
    {
        if (await Read(group, menu, editing.Tenant, home) is not ({ } read, var number))
        {
            return MemberMenuEndpoints.Unread(menu).ToProblem();
        }

        if (WrongTier(read.Menu, request.Tier) is { } wrong)
        {
            return wrong.ToProblem();
        }

        var (start, days) = Asked(read.Menu, request, (await home.Database.Read(editing.Tenant, home.Households.Table())).Household.Rhythm);
        // An edit of its own: the recipes stay when the week is taken back.
        var brought = await MemberMenuEndpoints.BringHome(
            editing.Stamp with
            {
                EditId = Guid.CreateVersion7(),
            },
            read,
            days,
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
                start,
                $"Put {read.Menu.Name} on the week",
                new(start, group, menu, number, home.Clock.GetUtcNow()),
                (week, library) =>
                {
                    var into = Into(read.Menu, request, days, week, library);
                    sheet = ToSheet(read, days, week, into);
                    return into.Change.IsEmpty
                        ? new Refusal(
                            "menu-nothing",
                            "menu",
                            read.Menu.Name,
                            "nothing of it comes onto this week",
                            "Choose another week, or empty the meals that it should come to"
                        )
                        : into.Change;
                },
                // Sent twice it is answered with what stands there by then.
                week => sheet ?? ToSheet(read, days, week, new(Core.Filling.WeekChange.Nothing, []))
            )
        );
    }

    /// <summary>A correction may have given a tier another name: what was chosen then is not passed over.</summary>
    private static Refusal? WrongTier(PublishedMenu menu, string? tier) =>
        tier is null || menu.Tiers.Any(one => one.Name == tier)
            ? null
            : new("menu-tier", "tier", tier, "the menu has no such tier", "Choose one of its tiers");

    /// <summary>The menu as it is read here, and the number of its version; null when whoever asks may not read it.</summary>
    private static async Task<(MenuHere Here, int Number)?> Read(Guid group, Guid menu, Tenant tenant, Home home) =>
        await home.Database.Read(tenant, home.Published.Newest(group, menu)) is { } stored
            ? ((await home.Readings.Of([stored], tenant, home.Desk))[0], stored.Number)
            : null;

    /// <summary>The week's first day, and those days of the menu that it takes: at most seven, each on its own weekday.</summary>
    private static (DateOnly Start, IReadOnlyList<int> Days) Asked(PublishedMenu menu, IntoWeekRequest request, Rhythm rhythm)
    {
        var days = request.Days is { Count: > 0 } some ? some : [.. Enumerable.Range(0, menu.Days)];
        return (
            rhythm.WeekOf(request.Week),
            [.. days.Where(day => day >= 0 && day < menu.Days).Order().DistinctBy(day => day % WeekPlan.Days)]
        );
    }

    private static IntoWeek Into(
        PublishedMenu menu,
        IntoWeekRequest request,
        IReadOnlyList<int> days,
        StoredWeek week,
        IReadOnlyList<StoredRecipe> library
    )
    {
        var (rhythm, table) = (week.Table.Household.Rhythm, week.Table);
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
                menu.SlotIn(rhythm, dish.Meal),
                recipe.RecipeId,
                recipe.VersionId,
                recipe.Version,
                dish.ToDish()
            );
        return MenuIntoWeek.Of(
            week.Plan,
            table.Today,
            [
                .. table.Eaters.Zip(
                    table.Diners,
                    (settings, eater) => new EaterAtHome(eater, [.. settings.Protocols.Select(table.ShippedAs).OfType<string>()])
                ),
            ],
            [.. dishes],
            request.Tier
        );
    }

    private static IntoWeekSheet ToSheet(MenuHere read, IReadOnlyList<int> days, StoredWeek week, IntoWeek into)
    {
        string NameOf(Guid eater) => week.Table.WithId(eater)?.Name ?? "";
        var used = read.Menu.Dishes.Where(dish => days.Contains(dish.Day)).Select(dish => dish.Recipe).ToHashSet();
        return new(
            week.Plan.Start,
            [
                .. read
                    .Menu.Recipes.Where((recipe, at) => used.Contains(at))
                    .Select(recipe => recipe.Draft.Name)
                    .Where(name => !read.There.Contains(name)),
            ],
            [
                .. into.Change.Batches.Select(batch =>
                {
                    var meals = into.Change.Meals.Where(meal => meal.On!.NewBatch == batch.Number).ToList();
                    return new BatchIntoWeek(
                        batch.Name,
                        batch.Cooked,
                        meals.GroupBy(meal => meal.On!.Variant).Sum(lot => Math.Ceiling(lot.Sum(meal => meal.On!.Size))),
                        [
                            .. meals
                                .GroupBy(meal => (meal.Cell.Eater, meal.Cell.Meal, meal.On!.Size, meal.On.Variant))
                                .Select(same =>
                                    $"{NameOf(same.Key.Eater)}: {string.Join(", ", same.Select(meal => $"{meal.Cell.Date:ddd}"))} {week.Table.Household.Rhythm.NameOf(same.Key.Meal)}{(same.Key.Size == 1 ? "" : $", {same.Key.Size:0.##} portions")}{(same.Key.Variant is { } variant ? $", {variant}" : "")}"
                                ),
                        ]
                    );
                }),
            ],
            [
                .. into
                    .Left.GroupBy(left => (left.Eater, left.Because))
                    .Select(same => new LeftOutSheet(
                        NameOf(same.Key.Eater),
                        same.Key.Because,
                        [.. same.Select(left => left.Dish).Distinct()]
                    )),
            ]
        );
    }
}

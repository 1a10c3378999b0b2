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

    /// <summary>What is asked for.</summary>
    /// <param name="Before">The version that was put on this week before; null for the first time.</param>
    /// <param name="Start">The week's first day.</param>
    /// <param name="Days">Of the menu that come into it: at most seven, each on its own weekday.</param>
    private sealed record Asked(MenuHere Here, int Number, MenuHere? Before, DateOnly Start, IReadOnlyList<int> Days, string? Tier);

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
            ToSheet(
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
                new(asked.Start, group, menu, asked.Number, home.Clock.GetUtcNow()),
                (week, library, was) =>
                {
                    // Another device has put this very version there meanwhile: what it put is not taken off as an earlier one's.
                    var into = Into(was == asked.Number ? asked with { Before = asked.Here } : asked, week, library);
                    sheet = ToSheet(asked, week, into);
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
                week => sheet ?? ToSheet(asked, week, new(Core.Filling.WeekChange.Nothing, []))
            )
        );
    }

    /// <summary>A correction may have given a tier another name: what was chosen then is not passed over.</summary>
    private static Refusal? WrongTier(PublishedMenu menu, string? tier) =>
        tier is null || menu.Tiers.Any(one => one.Name == tier)
            ? null
            : new("menu-tier", "tier", tier, "the menu has no such tier", "Choose one of its tiers");

    /// <summary>The menu as it is read here, as it is asked for.</summary>
    private static async Task<Result<Asked>> Read(Guid group, Guid menu, IntoWeekRequest request, Tenant tenant, Home home)
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
        var read = await home.Readings.Of(before is null ? [newest] : [newest, before], tenant, home.Desk);
        var here = read[0];
        var days = request.Days is { Count: > 0 } some ? some : [.. Enumerable.Range(0, here.Menu.Days)];
        return WrongTier(here.Menu, request.Tier) is { } wrong
            ? wrong
            : new Asked(
                here,
                newest.Number,
                before is null ? null : read[1],
                start,
                [.. days.Where(day => day >= 0 && day < here.Menu.Days).Order().DistinctBy(day => day % WeekPlan.Days)],
                request.Tier
            );
    }

    private static IntoWeek Into(Asked asked, StoredWeek week, IReadOnlyList<StoredRecipe> library) =>
        MenuIntoWeek.Of(
            new(
                week.Plan,
                week.Table.Today,
                [
                    .. week.Table.Eaters.Zip(
                        week.Table.Diners,
                        (settings, eater) => new EaterAtHome(eater, [.. settings.Protocols.Select(week.Table.ShippedAs).OfType<string>()])
                    ),
                ],
                batch => (week.RecipeOf(batch).RecipeId, week.RecipeOf(batch).VersionId)
            ),
            Dishes(asked.Here, asked.Days, week, library),
            asked.Before is { } before ? Dishes(before, asked.Days, week, library) : [],
            asked.Tier
        );

    /// <summary>A menu's dishes of some days on the week's dates, by the recipes of the own library.</summary>
    private static IReadOnlyList<DishForWeek> Dishes(
        MenuHere here,
        IReadOnlyList<int> days,
        StoredWeek week,
        IReadOnlyList<StoredRecipe> library
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
                menu.SlotIn(week.Table.Household.Rhythm, dish.Meal),
                recipe.RecipeId,
                recipe.VersionId,
                here.Prints[dish.Recipe],
                recipe.Version,
                dish.ToDish()
            );
        return [.. dishes];
    }

    private static IntoWeekSheet ToSheet(Asked asked, StoredWeek week, IntoWeek into)
    {
        var (read, rhythm) = (asked.Here, week.Table.Household.Rhythm);
        string NameOf(Guid eater) => week.Table.WithId(eater)?.Name ?? "";
        string DishOf(Draw draw)
        {
            var batch = week.Plan.BatchWithId(draw.Batch)!;
            return $"{batch.Letter} {batch.LotOf(draw).Named(week.RecipeOf(batch).Version.Name)}";
        }

        var used = read.Menu.Reached(asked.Days);
        IReadOnlyList<string> Named(params EnclosedState[] states) =>
            [.. used.Order().Where(at => states.Contains(read.States[at])).Select(at => read.Menu.Recipes[at].Draft.Name)];
        return new(
            week.Plan.Start,
            Named(EnclosedState.New),
            Named(EnclosedState.Newer),
            Named(EnclosedState.Own, EnclosedState.OwnAndNewer),
            [
                .. into
                    .Change.Meals.Where(meal => meal.Off is not null)
                    .Select(meal => (meal.Cell, Name: DishOf((Draw)week.Plan.Find(meal.Off!.Item)!.Value.Item)))
                    .GroupBy(off => (off.Name, off.Cell.Eater, off.Cell.Meal))
                    .Select(same =>
                        $"{same.Key.Name}: {NameOf(same.Key.Eater)} {string.Join(", ", same.Select(off => $"{off.Cell.Date:ddd}"))} {rhythm.NameOf(same.Key.Meal)}"
                    ),
            ],
            BatchesOf(week, into.Change),
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

    /// <summary>What is cooked for it: new batches, and more of those that are cooked anyway.</summary>
    private static IReadOnlyList<BatchIntoWeek> BatchesOf(StoredWeek week, Core.Filling.WeekChange change)
    {
        string NameOf(Guid eater) => week.Table.WithId(eater)?.Name ?? "";
        return
        [
            .. change
                .Meals.Where(meal => meal.On is not null)
                .GroupBy(meal => (meal.On!.NewBatch, meal.On.Batch))
                .Select(batch =>
                {
                    var (name, cooked) = batch.Key.NewBatch is { } number
                        ? change.Batches.Where(one => one.Number == number).Select(one => (one.Name, one.Cooked)).First()
                        : (
                            week.RecipeOf(week.Plan.BatchWithId(batch.Key.Batch!.Value)!).Version.Name,
                            week.Plan.BatchWithId(batch.Key.Batch!.Value)!.Cooked
                        );
                    return new BatchIntoWeek(
                        name,
                        cooked,
                        batch.GroupBy(meal => meal.On!.Variant).Sum(lot => Math.Ceiling(lot.Sum(meal => meal.On!.Size))),
                        batch.Key.NewBatch is null,
                        [
                            .. batch
                                .GroupBy(meal => (meal.Cell.Eater, meal.Cell.Meal, meal.On!.Size, meal.On.Variant))
                                .Select(same =>
                                    $"{NameOf(same.Key.Eater)}: {string.Join(", ", same.Select(meal => $"{meal.Cell.Date:ddd}"))} {week.Table.Household.Rhythm.NameOf(same.Key.Meal)}{(same.Key.Size == 1 ? "" : $", {same.Key.Size:0.##} portions")}{(same.Key.Variant is { } variant ? $", {variant}" : "")}"
                                ),
                        ]
                    );
                }),
        ];
    }
}

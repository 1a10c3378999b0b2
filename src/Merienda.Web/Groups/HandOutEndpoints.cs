using System.Text;
using Merienda.Core.Groups;
using Merienda.Core.Outcomes;
using Merienda.Core.Shopping;
using Merienda.Formats;
using Merienda.Formats.HandOut;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Merienda.Web.Recipes;
using Merienda.Web.Weeks;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Groups;

/// <summary>A published menu as files: to print, to send, to put into a calendar, to keep.</summary>
public static class HandOutEndpoints
{
    private const int MostEaters = 500;

    public static void MapHandOut(this RouteGroupBuilder groups) =>
        groups.MapGet("/{group:guid}/menus/{menu:guid}/hand-out.{form}", HandOut).WithName("HandOutMenu").Produces<byte[]>();

    /// <param name="form">docx, html, md, csv (what to buy), ics (its meals) or json (ours).</param>
    /// <param name="eaters">For how many amounts stand beside those for one.</param>
    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> HandOut(
        Guid group,
        Guid menu,
        string form,
        CurrentTenant tenant,
        [AsParameters] RecipeEndpoints.Desk desk,
        TimeProvider clock,
        PublishedMenus published,
        MenuReadings readings,
        int eaters = 4
    )
    {
        if (eaters is < 1 or > MostEaters)
        {
            return new Refusal(
                "menu-eaters",
                "eaters",
                $"{eaters}",
                $"amounts are written for 1 to {MostEaters}",
                "Say a number in that range"
            ).ToProblem();
        }

        var (stored, table) = await desk.Database.Read(tenant, published.Newest(group, menu).And(desk.Households.Table()));
        if (stored is null)
        {
            return MemberMenuEndpoints.Unread(menu).ToProblem();
        }

        var read = (await readings.Of([stored], tenant, desk))[0];
        if (read.Recipes.FirstOrDefault(recipe => recipe.IsRefused).Refusal is { } unread)
        {
            return unread.ToProblem();
        }

        Document Document() =>
            MenuHandOut.Of(Handed(read, stored, desk, table, eaters), read.Foods.Matcher, desk.Knowledge.Classes, Schemes(read.Menu, desk));
        (byte[] Content, string Type)? file = form switch
        {
            "docx" => (WordDocument.Of(Document()), "application/vnd.openxmlformats-officedocument.wordprocessingml.document"),
            "html" => (Encoding.UTF8.GetBytes(HtmlDocument.Of(Document())), "text/html; charset=utf-8"),
            "md" => (Encoding.UTF8.GetBytes(MarkdownDocument.Of(Document())), "text/markdown; charset=utf-8"),
            "csv" => (Encoding.UTF8.GetBytes(Csv(List(read, desk, table, eaters), eaters)), "text/csv; charset=utf-8"),
            "ics" => (
                Encoding.UTF8.GetBytes(Calendar.Of(Entries(read, stored.Menu, table), clock.GetUtcNow())),
                "text/calendar; charset=utf-8"
            ),
            "json" => (Encoding.UTF8.GetBytes(stored.Content), "application/json"),
            _ => null,
        };
        return file is { } written
            ? TypedResults.File(written.Content, written.Type, $"{ExportEndpoints.FileName(read.Menu.Name)}.{form}")
            : new Refusal(
                "menu-form",
                "form",
                form,
                "a menu is handed out as docx, html, md, csv, ics or json",
                "Choose one of them"
            ).ToProblem();
    }

    private static HandedMenu Handed(MenuHere read, ReadMenu stored, RecipeEndpoints.Desk desk, Core.Planning.Table table, int eaters)
    {
        var menu = read.Menu;
        var meals = menu.Meals.ToDictionary(meal => meal.Key, meal => meal.Name);
        return new(
            menu.Group,
            menu.Name,
            $"Version {stored.Number}, published on {stored.PublishedAt:d MMMM yyyy}.",
            stored.Changed,
            menu.Note,
            menu.StartsOn,
            menu.Days,
            [.. menu.Meals.Where(meal => menu.Dishes.Any(dish => dish.Meal == meal.Key)).Select(meal => meal.Name)],
            menu.Tiers,
            [.. menu.Dishes.Select(dish => new HandedDish(dish.Day, meals[dish.Meal], dish.Recipe, dish.Portions, dish.Variants))],
            [
                .. read.Recipes.Select(
                    (recipe, at) => new HandedRecipe(recipe.Value.Version, recipe.Value.System, menu.Dishes.Any(dish => dish.Recipe == at))
                ),
            ],
            List(read, desk, table, eaters),
            menu.Cautions,
            protocol => menu.Follows.FirstOrDefault(one => one.Id == protocol)?.Name ?? MenuSheets.NameOf(protocol, table),
            eaters
        );
    }

    /// <summary>Those that the group's own protocols bring with the menu; without one the house's.</summary>
    private static IReadOnlyList<HandedScheme> Schemes(PublishedMenu menu, RecipeEndpoints.Desk desk)
    {
        var enclosed = menu.Enclosed?.Read(desk.Knowledge) is { IsRefused: false } things ? things.Value.Protocols : [];
        var own = enclosed
            .Select(one => one.Protocol)
            .Where(protocol => protocol.Scheme is not null)
            .Select(protocol => new HandedScheme(protocol.Name, protocol.Scheme!))
            .ToList();
        return own.Count > 0 ? own : [new("Points", desk.Knowledge.HouseScheme)];
    }

    /// <summary>What one portion of each dish on each of its days takes, and what that many eaters buy.</summary>
    private static IReadOnlyList<HandedThing> List(MenuHere read, RecipeEndpoints.Desk desk, Core.Planning.Table table, int eaters)
    {
        var inOunces = table.Household.CountsInOunces;
        var list = ShoppingList.FromNothing(desk.Knowledge.SoldAs, read.Foods.Matcher.WithKey);
        IReadOnlyList<ShoppingItem> For(int many) =>
            list.Of(
                read.Menu.Dishes.Select(dish => new BatchToShop(
                    "",
                    read.Menu.StartsOn.AddDays(dish.Day),
                    read.Recipes[dish.Recipe].Value.Version,
                    many
                ))
            );
        return
        [
            .. For(1)
                .Zip(
                    For(eaters),
                    (one, all) =>
                        new HandedThing(
                            one.Food?.Aisle ?? "other",
                            one.Name,
                            one.Grams is { IsOpen: false } grams ? HouseholdMass.Show(grams.Best, inOunces) : "",
                            all.Buy is { } buy ? ShopPages.AmountOf(buy, inOunces) : string.Join(", ", all.AsTyped)
                        )
                ),
        ];
    }

    private static string Csv(IReadOnlyList<HandedThing> list, int eaters) =>
        CsvTable.Write([
            ["aisle", "name", "for_1", $"for_{eaters}"],
            .. list.Select(thing => (string[])[thing.Aisle, thing.Name, thing.ForOne, thing.ForAll]),
        ]);

    /// <summary>What is cooked on the own prep days, thawed the evening before, and eaten at the own meals of the same kind.</summary>
    private static IEnumerable<CalendarEntry> Entries(MenuHere read, Guid menu, Core.Planning.Table table)
    {
        var rhythm = table.Household.Rhythm;
        DateOnly On(PublishedDish dish) => read.Menu.StartsOn.AddDays(dish.Day);
        CalendarEntry Entry(string what, DateOnly day, TimeOnly at, int minutes, string says)
        {
            var starts = Calendar.Utc(day.ToDateTime(at), table.Household.TimeZone);
            return new(
                $"menu-{menu:N}-{what}@merienda",
                starts,
                starts.AddMinutes(minutes),
                says,
                $"{read.Menu.Name}, {read.Menu.Group}",
                null
            );
        }

        var (sessions, thaws) = MenuCalendar.Of(
            [.. read.Menu.Dishes.Select(dish => (On(dish), read.Recipes[dish.Recipe].Value.Version))],
            rhythm
        );
        var meals =
            from dish in read.Menu.Dishes
            group dish by (dish.Day, dish.Meal) into meal
            let kind = read.Menu.Meals.FirstOrDefault(one => one.Key == meal.Key.Meal)?.Role
            let slot = rhythm.Meal(meal.Key.Meal) ?? rhythm.Meals.FirstOrDefault(one => one.Role == kind)
            select Entry(
                $"{meal.Key.Day}-{meal.Key.Meal}",
                On(meal.First()),
                slot?.At ?? Noon,
                MealMinutes,
                string.Join(", ", meal.Select(dish => read.Menu.Recipes[dish.Recipe].Draft.Name))
            );
        return
        [
            .. sessions.Select(session =>
                Entry(
                    $"session-{session.Date:yyyyMMdd}",
                    session.Date,
                    session.Start,
                    Math.Max(MealMinutes, session.HandsOn),
                    $"Cook: {string.Join(", ", session.Dishes)}"
                )
            ),
            .. thaws.Select(thaw =>
                Entry(
                    $"thaw-{thaw.Evening:yyyyMMdd}",
                    thaw.Evening,
                    Evening,
                    ThawMinutes,
                    $"From the freezer to the fridge for tomorrow: {string.Join(", ", thaw.Dishes)}"
                )
            ),
            .. meals,
        ];
    }

    private const int MealMinutes = 30,
        ThawMinutes = 5;

    private static readonly TimeOnly Evening = new(20, 0);

    private static readonly TimeOnly Noon = new(12, 0);
}

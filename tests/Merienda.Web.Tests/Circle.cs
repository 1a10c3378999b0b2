using System.Text.Json.Nodes;
using static Merienda.Web.Tests.ThisWeek;

namespace Merienda.Web.Tests;

/// <summary>A group with a menu that is published once: beans on the first day's supper.</summary>
internal sealed class Circle
{
    private readonly TestDatabase _database;

    private Circle(TestDatabase database, Visitor desk) => (_database, Desk) = (database, desk);

    /// <summary>Whoever founded it, at its desk.</summary>
    public Visitor Desk { get; }

    public Guid Group { get; private set; }

    public Guid Recipe { get; private set; }

    public Guid Menu { get; private set; }

    public static async Task<Circle> Founded(TestDatabase database)
    {
        var circle = new Circle(database, await database.SignUp("Odalys"));
        await circle.Desk.Must(HttpMethod.Post, "/api/groups", new { name = "Supper Circle", timeZone = "Europe/Lisbon" });
        await circle.Desk.Refresh();
        circle.Group = (await circle.Desk.Get("/api/groups"))["groups"]![0]!["id"]!.GetValue<Guid>();
        circle.Recipe = await circle.Desk.AddRecipe("Harbour beans");
        circle.Menu = (await circle.Desk.Must(HttpMethod.Post, "/api/groups/menus", Drafted()))["id"]!.GetValue<Guid>();
        await circle.Put(0, circle.Recipe);
        await circle.Desk.Must(HttpMethod.Post, $"/api/groups/menus/{circle.Menu}/publish", new { changed = "" });
        // The link stays open.
        await circle.Link(100);
        return circle;
    }

    public static object Drafted(string name = "Harbour week", int days = 7) =>
        new
        {
            name,
            startsOn = Day(0),
            days,
            note = "Cook on Saturday",
        };

    public static object Dish(int day, Guid recipe, string meal = "supper") =>
        new
        {
            day,
            meal,
            recipe,
        };

    public Task<JsonNode> Put(int day, Guid recipe) => Desk.Must(HttpMethod.Post, $"/api/groups/menus/{Menu}/dishes", Dish(day, recipe));

    /// <returns>The address that lets people in.</returns>
    public async Task<string> Link(int uses) =>
        (await Desk.Must(HttpMethod.Post, "/api/groups/links", new { uses }))["path"]!.GetValue<string>();

    /// <summary>Shares what the first eater of the own table follows, and is allergic to.</summary>
    public static async Task<JsonNode> Share(Visitor member, Guid group, bool protocols = true, bool allergies = true)
    {
        var eater = (await member.Get("/api/table"))["eaters"]![0]!["id"]!.GetValue<Guid>();
        return await member.Must(
            HttpMethod.Put,
            $"/api/groups/{group}/share",
            new
            {
                eater,
                protocols,
                allergies,
                portion = true,
            }
        );
    }

    /// <summary>Brings a recipe, asks something, asks it too and reports it.</summary>
    public async Task Bring(Visitor member)
    {
        await member.Must(
            HttpMethod.Post,
            $"/api/groups/{Group}/submissions",
            new
            {
                recipe = await member.AddRecipe("Quay pan"),
                isNamed = true,
                words = "",
            }
        );
        var questions = $"/api/groups/{Group}/questions";
        await member.Must(
            HttpMethod.Post,
            questions,
            new
            {
                words = "Is it done?",
                menu = Menu,
                day = 0,
                dish = "Harbour beans",
                isNamed = true,
                picture = "",
            }
        );
        var question = (await member.Get(questions))["questions"]![0]!["id"];
        var (other, _) = await Member("Rune");
        await other.Must(HttpMethod.Put, $"{questions}/{question}/too", new { isAsked = true });
        await member.Must(HttpMethod.Post, $"{questions}/{question}/report", new { why = "It is done" });
    }

    public async Task<(Visitor Visitor, string Email)> Member(string name)
    {
        var (visitor, email) = (_database.Visit(), $"{Guid.NewGuid():N}@port-ansel.example");
        await visitor.Must(
            HttpMethod.Post,
            "/api/account/sign-up",
            new
            {
                name,
                email,
                password = "a long enough one",
                householdName = "Quillon",
                timeZone = "Europe/Lisbon",
            }
        );
        await visitor.Refresh();
        await visitor.Must(HttpMethod.Post, $"/api{await Link(1)}");
        return (visitor, email);
    }
}

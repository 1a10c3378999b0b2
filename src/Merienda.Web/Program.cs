using Merienda.Core.Groups.Filling;
using Merienda.Core.Sessions;
using Merienda.Solving;
using Merienda.Web.Accounts;
using Merienda.Web.Groups;
using Merienda.Web.Hosting;
using Merienda.Web.Larder;
using Merienda.Web.Mail;
using Merienda.Web.Recipes;
using Merienda.Web.Table;
using Merienda.Web.Weeks;
using Merienda.Web.Weeks.Cooking;
using Merienda.Web.Weeks.Solving;

if (args is [SolveProcesses.Role, .. var rest])
{
    await SolveRole.Run(rest);
    return;
}

if (args is [SessionOrders.Role, ..])
{
    AnswerRole.Run<SessionQuestion, SessionAnswer>(question => SessionSolver.Solve(question));
    return;
}

if (args is [MenuOrders.Role, ..])
{
    AnswerRole.Run<MenuQuestion, MenuAnswer>(MenuSolver.Solve);
    return;
}

var builder = WebApplication.CreateBuilder(args);
builder.AddMerienda();
var app = builder.Build();
app.UseMeriendaPipeline();

var api = app.MapGroup("/api").AddEndpointFilter<AntiforgeryFilter>();
api.MapAccounts();
api.MapMembers();
api.MapRecipes();
api.MapWeeks();
api.MapTable();
api.MapLarder();
api.MapGroups();
api.MapMail();
api.MapLive();
api.MapFallback(() => TypedResults.Problem(statusCode: 404, title: "There is no such address.")).ExcludeFromDescription();

app.MapHealth();
app.MapStaticAssets();
app.MapFallbackToFile("index.html");
await app.PrepareDatabase();
await app.RunAsync();

/// <summary>The entry point, public for the test host.</summary>
public partial class Program;

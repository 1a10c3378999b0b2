using System.Text;
using Merienda.Core.Outcomes;
using Merienda.Core.Shopping;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Merienda.Web.Larder;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Weeks;

/// <summary>The list of a week: looked at, ticked, handed on.</summary>
public static class ShopEndpoints
{
    public static void MapShop(this RouteGroupBuilder weeks)
    {
        var shop = weeks.MapGroup("/shop");
        shop.MapGet("", Page).WithName("GetShop");
        shop.MapPut("/tick", Tick).WithName("TickShop");
        shop.MapPost("/instead", TakeInstead).WithName("TakeInstead");
        shop.MapGet("/list.txt", AsText).WithName("GetShopText").Produces<string>(contentType: "text/plain");
        shop.MapGet("/list.csv", AsCsv).WithName("GetShopCsv").Produces<string>(contentType: "text/csv");
        shop.MapGet("/list.ics", AsReminder).WithName("GetShopReminder").Produces<string>(contentType: "text/calendar");
    }

    public static void MapStaples(this RouteGroupBuilder larder) => larder.MapPut("/staples", KeepAlways).WithName("KeepAlways");

    /// <summary>What every look at the list needs.</summary>
    public sealed record Desk(ShopStore Shop, KnowledgeBase Knowledge)
    {
        public async Task<ShopPage> Page(CurrentTenant tenant, DateOnly date, DateOnly? session)
        {
            var stored = await Shop.Read(tenant, date);
            return new WeekView(stored.Week, Knowledge).ToShop(stored, session);
        }
    }

    private static async Task<Ok<ShopPage>> Page(DateOnly date, DateOnly? session, CurrentTenant tenant, [AsParameters] Desk desk) =>
        TypedResults.Ok(await desk.Page(tenant, date, session));

    private static async Task<Results<NoContent, ProblemHttpResult>> Tick(
        DateOnly date,
        ShopTickRequest request,
        Editing editing,
        ShopStore shop
    ) =>
        request.Key.Length is 0 or > 300
            ? new Refusal("unknown-item", "key", request.Key, "no item has such a name", "Load the list again").ToProblem()
            : editing.Done(
                await shop.Tick(
                    editing,
                    date,
                    request.Key,
                    request.IsTicked,
                    request.Buy is { } buy ? new Bought(buy.Food, buy.Amount, buy.Grams, buy.Cost, request.Shop ?? "") : null,
                    request.IsMore == true
                )
            );

    private static async Task<Results<Ok<string>, ProblemHttpResult>> TakeInstead(
        DateOnly date,
        TakeInsteadRequest request,
        Editing editing,
        ShopStore shop
    ) => editing.Answer(await shop.TakeInstead(editing, date, request.Food, request.Instead));

    private static async Task<Results<NoContent, ProblemHttpResult>> KeepAlways(StapleRequest request, Editing editing, ShopStore shop) =>
        editing.Done(await shop.KeepAlways(editing, request.Food, request.IsStaple));

    private static async Task<ContentHttpResult> AsText(DateOnly date, DateOnly? session, CurrentTenant tenant, [AsParameters] Desk desk) =>
        TypedResults.Text(ShopFile.Text(ListOf(await desk.Page(tenant, date, session))), "text/plain", Encoding.UTF8);

    private static async Task<FileContentHttpResult> AsCsv(
        DateOnly date,
        DateOnly? session,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    ) => CsvAnswer.Of(ShopFile.Csv(ListOf(await desk.Page(tenant, date, session))), $"merienda-list-{date:yyyy-MM-dd}.csv");

    /// <param name="at">When to be reminded, as the household's clock shows it.</param>
    private static async Task<FileContentHttpResult> AsReminder(
        DateOnly date,
        DateOnly? session,
        DateTime at,
        CurrentTenant tenant,
        [AsParameters] Desk desk,
        TimeProvider clock
    )
    {
        var stored = await desk.Shop.Read(tenant, date);
        var week = new WeekView(stored.Week, desk.Knowledge);
        return TypedResults.File(
            Encoding.UTF8.GetBytes(
                ShopFile.Reminder(
                    ListOf(week.ToShop(stored, session)),
                    at,
                    week.Table.Household.TimeZone,
                    $"{stored.Week.Plan.Start:yyyy-MM-dd}-{session:yyyy-MM-dd}",
                    clock.GetUtcNow()
                )
            ),
            "text/calendar; charset=utf-8",
            $"merienda-shopping-{date:yyyy-MM-dd}.ics"
        );
    }

    private static IReadOnlyList<ListedThing> ListOf(ShopPage page) =>
        [
            .. from aisle in page.Aisles
            from item in aisle.Items
            where item.Part != ShopPart.There
            select new ListedThing(
                aisle.Name,
                item.Name,
                item.Buy?.Amount ?? item.Needed,
                item.Needed,
                item.Part == ShopPart.Look,
                item.IsTicked,
                item.Buy?.Cost,
                item.Shop,
                string.Join(' ', item.Batches.Select(need => need.Letter)),
                string.Join("; ", item.AsTyped.Concat(item.Notes))
            ),
        ];
}

using Merienda.Core.Shopping;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace Merienda.Web.Larder;

/// <summary>A price as it is noted.</summary>
/// <param name="FoodName">Null when the food is no more.</param>
/// <param name="PerKilogram">In the household's money.</param>
public sealed record PriceLine(
    string Food,
    string? FoodName,
    decimal Amount,
    string Pack,
    string Shop,
    DateOnly SeenOn,
    decimal PerKilogram
);

/// <param name="Shops">As they are called here, for the next price.</param>
public sealed record PricePage(IReadOnlyList<PriceLine> Prices, IReadOnlyList<string> Shops);

/// <param name="Food">Its key, or what the Larder calls it.</param>
/// <param name="Pack">What is bought for it: "500 g", "12".</param>
public sealed record NotePriceRequest(string Food, string Pack, decimal Price, string Shop);

/// <summary>What things cost: one by one, and as CSV out and in.</summary>
public static class PriceEndpoints
{
    private const int MostBytes = 4_000_000,
        MostProblems = 100;

    public static void MapPrices(this RouteGroupBuilder larder)
    {
        larder.MapGet("/prices", All).WithName("GetPrices");
        larder.MapPut("/prices", Note).WithName("NotePrice");
        larder.MapDelete("/prices", Forget).WithName("ForgetPrice");
        larder.MapGet("/prices.csv", Export).WithName("ExportPrices").Produces<string>(contentType: "text/csv");
        larder
            .MapPost("/prices/import", Import)
            .WithName("ImportPrices")
            .Accepts<string>("text/csv")
            .WithMetadata(new RequestSizeLimitAttribute(MostBytes));
    }

    private static async Task<Ok<PricePage>> All(CurrentTenant tenant, PriceStore prices)
    {
        var stored = await prices.Read(tenant);
        var foods = stored.Foods.Matcher;
        return TypedResults.Ok(
            new PricePage(
                [
                    .. stored
                        .Prices.Select(price => new PriceLine(
                            price.Food,
                            foods.WithKey(price.Food)?.Name,
                            price.Amount,
                            price.Pack,
                            price.Shop,
                            price.SeenOn,
                            Math.Round(price.PerGram * 1000, 2)
                        ))
                        .OrderBy(price => price.FoodName ?? price.Food, StringComparer.OrdinalIgnoreCase)
                        .ThenBy(price => price.Shop, StringComparer.OrdinalIgnoreCase),
                ],
                [
                    .. stored
                        .Prices.Select(price => price.Shop)
                        .Where(shop => shop.Length > 0)
                        .Distinct()
                        .Order(StringComparer.OrdinalIgnoreCase),
                ]
            )
        );
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Note(NotePriceRequest request, Editing editing, PriceStore prices) =>
        editing.Done(
            await prices.Note(
                editing,
                stored =>
                    Price
                        .Read(
                            new(request.Food, request.Pack, request.Price, request.Shop),
                            stored.Foods.Matcher,
                            stored.Table.Household.System,
                            stored.Table.Today
                        )
                        .Select<IReadOnlyList<Price>>(price => [price])
            )
        );

    private static async Task<Results<NoContent, ProblemHttpResult>> Forget(string food, string shop, Editing editing, PriceStore prices) =>
        editing.Done(await prices.Forget(editing, food, shop));

    private static async Task<FileContentHttpResult> Export(CurrentTenant tenant, PriceStore prices)
    {
        var stored = await prices.Read(tenant);
        return CsvAnswer.Of(
            PriceFile.Write(stored.Prices, price => stored.Foods.Matcher.WithKey(price.Food)?.Name ?? price.Food),
            "merienda-prices.csv"
        );
    }

    /// <summary>Comes in whole or not at all.</summary>
    /// <param name="apply">False for a dry run.</param>
    private static async Task<Results<Ok<ImportReport>, ProblemHttpResult>> Import(
        HttpRequest request,
        bool apply,
        Editing editing,
        PriceStore prices
    )
    {
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, request.HttpContext.RequestAborted);
        var stored = await prices.Read(editing.Tenant);
        var file = PriceFile.Read(
            body.GetBuffer().AsMemory(0, (int)body.Length),
            stored.Foods.Matcher,
            stored.Table.Household.System,
            stored.Table.Today
        );
        if (file.Refusal is { } refusal)
        {
            return refusal.ToProblem();
        }

        var rows = file.Value.Rows.ToList();
        var read = rows.Select(row => row.Price).OfType<Price>().Select(stored.AsCalled).ToList();
        var wrong = rows.Select(row => row.Problem).OfType<FileProblem>().ToList();
        var known = stored.Prices.ToDictionary(price => (price.Food, price.Shop));
        var added = read.Count(price => !known.ContainsKey((price.Food, price.Shop)));
        var changed = read.Count(price => known.TryGetValue((price.Food, price.Shop), out var old) && old != price);
        long? sequence = null;
        if (apply && wrong.Count == 0 && added + changed > 0)
        {
            var noted = await prices.Note(editing, _ => read);
            if (noted.Refusal is { } late)
            {
                return late.ToProblem();
            }

            sequence = noted.Value.Sequence;
        }

        return TypedResults.Ok(
            new ImportReport(
                apply && wrong.Count == 0,
                rows.Count,
                added,
                changed,
                wrong.Count,
                [.. wrong.Take(MostProblems).Select(one => new ImportProblem(one.Row, one.Column, one.Value, one.Reason, one.Cure))],
                sequence
            )
        );
    }
}

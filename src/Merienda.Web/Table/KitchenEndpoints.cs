using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Table;

/// <summary>The kitchen that is really there, and two small calculators of the Table.</summary>
public static class KitchenEndpoints
{
    public static void MapKitchen(this RouteGroupBuilder table)
    {
        table
            .MapGet(
                "/kitchen",
                async (CurrentTenant tenant, KitchenStore kitchens) => TypedResults.Ok(ToSheet(await kitchens.Read(tenant)))
            )
            .WithName("GetKitchen");
        table.MapPut("/kitchen", Change).WithName("ChangeKitchen");
        table.MapPost("/energy-need", Need).WithName("GetEnergyNeed");
        table.MapGet("/exchange", ExchangeOf).WithName("GetExchange");
    }

    private static async Task<Results<Ok<KitchenSheet>, ProblemHttpResult>> Change(
        Kitchen kitchen,
        Editing editing,
        KitchenStore kitchens
    ) => editing.Answer(await kitchens.Change(editing, kitchen, ToSheet));

    private static Results<Ok<EnergyNeedAnswer>, ProblemHttpResult> Need(EnergyNeedRequest request) =>
        EnergyNeed.Of(request.Sex, request.Kilograms, request.Centimetres, request.Years, request.Activity, request.DeficitPercent / 100)
            is var found
        && found.Refusal is { } refusal
            ? refusal.ToProblem()
            : TypedResults.Ok(
                new EnergyNeedAnswer(
                    found.Value.Resting,
                    Shown.Round(found.Value.Need),
                    found.Value.Target,
                    Shown.Round(found.Value.PaceKilograms),
                    found.Value.Cautions
                )
            );

    /// <param name="equal">Key of the measure that stays the same.</param>
    private static async Task<Results<Ok<ExchangeAnswer>, ProblemHttpResult>> ExchangeOf(
        string from,
        decimal grams,
        string to,
        string equal,
        CurrentTenant tenant,
        Database database,
        HouseholdStore households,
        PacketStore packets
    )
    {
        var (known, table) = await database.Read(tenant, packets.Foods.And(households.Table()));
        var foods = known.Matcher;
        if (
            foods.WithKey(from) is not { } old
            || foods.WithKey(to) is not { } other
            || MeasureInfo.WithKey(equal) is not { Measure: not Measure.Points } measure
            || grams is <= 0 or > 100_000
        )
        {
            return new Refusal(
                "exchange-unreadable",
                "exchange",
                $"{grams} g {from} for {to} by {equal}",
                "an exchange names two foods, grams above zero and a measure",
                "Choose again"
            ).ToProblem();
        }

        if (Exchange.Of(old, grams, other, measure.Measure) is not { } exchange)
        {
            return new Refusal(
                "no-exchange",
                "equal",
                measure.Name,
                $"one of the two holds no {measure.Name.ToLowerInvariant()} that is known",
                "Keep something else equal"
            ).ToProblem();
        }

        var portion = Intake.Of(
            new Helping(
                other.Name,
                PortionProfile.Of([RecipeLine.From($"{exchange.Grams:0.#} g", foods, MeasureSystem.Metric, chosenFood: other)], 1),
                1
            )
        );
        var eaters = table.Diners;
        return TypedResults.Ok(
            new ExchangeAnswer(
                old.Name,
                other.Name,
                Math.Round(exchange.Grams),
                measure.Name,
                [
                    .. exchange.Differences.Select(item => new ExchangeDifference(
                        item.Measure.Name,
                        item.Measure.Unit,
                        item.Measure.Decimals,
                        Shown.Round(item.Difference)
                    )),
                ],
                [.. eaters.Where(eater => eater.Rules.HardStop(portion) is not null).Select(eater => eater.Name)],
                [
                    .. eaters
                        .Select(eater => (eater.Name, Opinion: eater.Rules.Context.Packets.RejectionOf(other)))
                        .Where(item => item.Opinion is not null)
                        .Select(item => $"{item.Name} rejected {other.Name} on {item.Opinion!.On:d MMM yyyy}: {item.Opinion.Reason}."),
                ]
            )
        );
    }

    private static KitchenSheet ToSheet(Kitchen kitchen) => new(kitchen, KitchenItem.Kinds, ContainerKind.Materials);
}

using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;
using Merienda.Storage;
using Merienda.Web.Accounts;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Table;

/// <summary>
/// Who eats, under which protocols, with which allowances, split how over the day. An edit answers with the verdicts that it turns.
/// </summary>
public static class EaterEndpoints
{
    public const int MostEaters = 6;

    public static void MapEaters(this RouteGroupBuilder table)
    {
        table.MapGet("", Page).WithName("GetTable");
        table.MapPost("/eaters", AddEater).WithName("AddEater");
        table.MapDelete("/eaters/{eater:guid}", Remove).WithName("RemoveEater");
        table.MapPut("/eaters/{eater:guid}/name", Rename).WithName("RenameEater");
        table.MapPut("/eaters/{eater:guid}/protocols", ChooseProtocols).WithName("ChooseProtocols");
        table.MapPut("/eaters/{eater:guid}/choice", Choose).WithName("ChooseOption");
        table.MapPut("/eaters/{eater:guid}/allowance", StateAllowance).WithName("StateAllowance");
        table.MapPut("/eaters/{eater:guid}/meals", SplitMeals).WithName("SplitMeals");
        table.MapPut("/eaters/{eater:guid}/personal", StatePersonal).WithName("StatePersonal");
        table.MapPost("/eaters/{eater:guid}/accepted", Accept).WithName("AcceptFood");
        table.MapPost("/eaters/{eater:guid}/accepted/withdraw", Withdraw).WithName("WithdrawFood");
    }

    /// <summary>What every edit of an eater needs.</summary>
    public sealed record Desk(
        HouseholdStore Households,
        DinersReader Diners,
        KnowledgeBase Knowledge,
        EffectReader Effects,
        TimeProvider Clock
    );

    private static async Task<Ok<TablePage>> Page(CurrentTenant tenant, [AsParameters] Desk desk)
    {
        var diners = await desk.Diners.Read(tenant);
        var household = diners.Table.Household;
        return TypedResults.Ok(
            new TablePage(
                household.Name,
                household.TimeZone,
                diners.Today,
                [.. diners.Table.Eaters.Select(eater => EaterSheets.ToEater(eater, diners, desk.Knowledge))],
                [
                    .. diners
                        .Protocols.Where(edition => edition.Own?.IsArchived != true)
                        .Select(edition => ProtocolSheets.ToRow(edition, diners)),
                ],
                [
                    .. desk.Knowledge.Classes.All.Select(item => new TableClass(
                        item.Key,
                        item.Parent,
                        item.Name,
                        item.Allergen,
                        item.AllergyTo
                    )),
                ]
            )
        );
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> AddEater(
        AddEaterRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    )
    {
        var present = (await desk.Households.Table(tenant)).Eaters;
        if (WrongName(request.Name, present, null) is { } refusal)
        {
            return refusal.ToProblem();
        }

        if (present.Count >= MostEaters)
        {
            return new Refusal(
                "too-many-eaters",
                "name",
                request.Name,
                $"a table has at most {MostEaters} eaters",
                "Open a second household for the others"
            ).ToProblem();
        }

        await desk.Households.AddEater(tenant, EaterDefaults.Named(request.Name.Trim()));
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound, ProblemHttpResult>> Remove(
        Guid eater,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    )
    {
        var name = (await desk.Households.Table(tenant)).Eaters.FirstOrDefault(one => one.Id == eater)?.Name;
        return name is null ? TypedResults.NotFound()
            : await desk.Households.RemoveEater(tenant, eater) ? TypedResults.NoContent()
            : new Refusal(
                "portions-in-their-days",
                "eater",
                name,
                $"portions stand in {name}'s days",
                "Take them back to the bench first"
            ).ToProblem();
    }

    private static async Task<Results<Ok<Effects>, NotFound, ProblemHttpResult>> Rename(
        Guid eater,
        NameRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    ) =>
        WrongName(request.Name, (await desk.Households.Table(tenant)).Eaters, eater) is { } refusal
            ? refusal.ToProblem()
            : await Change(eater, tenant, desk, "Renamed an eater", current => current with { Name = request.Name.Trim() });

    private static async Task<Results<Ok<Effects>, NotFound, ProblemHttpResult>> ChooseProtocols(
        Guid eater,
        ProtocolsRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    )
    {
        var diners = await desk.Diners.Read(tenant);
        return request.Protocols.FirstOrDefault(id => diners.Latest(id) is null) is { } unknown
            ? new Refusal("unknown-protocol", "protocols", unknown, "there is no such protocol", "Choose from the list").ToProblem()
            : await Change(
                eater,
                tenant,
                desk,
                "Chose a protocol",
                current => current with { Protocols = [.. request.Protocols.Distinct()] }
            );
    }

    private static async Task<Results<Ok<Effects>, NotFound, ProblemHttpResult>> Choose(
        Guid eater,
        ChoiceRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    )
    {
        var choice = (await desk.Diners.Read(tenant))
            .Latest(request.Protocol)
            ?.Protocol.Choices.FirstOrDefault(item => item.Id == request.Choice);
        return choice?.Options.Any(option => option.Id == request.Option) != true
            ? new Refusal(
                "unknown-option",
                "option",
                request.Option,
                "the protocol offers no such option",
                "Load the page again"
            ).ToProblem()
            : await Change(
                eater,
                tenant,
                desk,
                "Made a choice",
                current =>
                    current with
                    {
                        Choices =
                        [
                            .. current.Choices.Where(item => (item.ProtocolId, item.ChoiceId) != (request.Protocol, request.Choice)),
                            new(request.Protocol, request.Choice, request.Option),
                        ],
                    }
            );
    }

    private static async Task<Results<Ok<Effects>, NotFound, ProblemHttpResult>> StateAllowance(
        Guid eater,
        AllowanceRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    )
    {
        var rule = (await desk.Diners.Read(tenant))
            .Latest(request.Protocol)
            ?.Protocol.AllRules.OfType<BoundedRule>()
            .FirstOrDefault(limit => limit.Id == request.Rule);
        if (WrongAllowance(rule, request) is { } refusal)
        {
            return refusal.ToProblem();
        }

        var from = request.From ?? default;
        return await Change(
            eater,
            tenant,
            desk,
            $"Stated {rule!.Title.ToLowerInvariant()}",
            current =>
                current with
                {
                    Allowances =
                    [
                        .. current.Allowances.Where(item =>
                            (item.ProtocolId, item.RuleId, item.From) != (request.Protocol, request.Rule, from)
                        ),
                        .. request.AtLeast is null && request.AtMost is null
                            ? Array.Empty<StatedAllowance>()
                            : [new(request.Protocol, request.Rule, request.AtLeast, request.AtMost, from)],
                    ],
                }
        );
    }

    private static async Task<Results<Ok<Effects>, NotFound, ProblemHttpResult>> SplitMeals(
        Guid eater,
        MealsRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    ) =>
        WrongMeals(request) is { } refusal
            ? refusal.ToProblem()
            : await Change(eater, tenant, desk, "Split the day", current => current with { Meals = request.Meals });

    private static async Task<Results<Ok<Effects>, NotFound, ProblemHttpResult>> StatePersonal(
        Guid eater,
        PersonalRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    ) =>
        WrongPersonal(request, desk.Knowledge) is { } refusal
            ? refusal.ToProblem()
            : await Change(
                eater,
                tenant,
                desk,
                "Stated what an eater cannot or will not have",
                current =>
                    current with
                    {
                        Allergies = [.. request.Allergies.Select(desk.Knowledge.Classes.AllergyTo).Distinct()],
                        Dislikes = [.. request.Dislikes.Distinct()],
                        PortionHabit = request.PortionHabit,
                        CountsTraces = request.CountsTraces,
                        TrustsRefinedSoybeanOil = request.TrustsRefinedSoybeanOil,
                    }
            );

    private static async Task<Results<Ok<Effects>, NotFound, ProblemHttpResult>> Accept(
        Guid eater,
        AcceptanceRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    )
    {
        var what = request.What.Trim();
        if (!request.IsAdult || what.Length is 0 or > 300 || request.Reason.Trim().Length is 0 or > 200)
        {
            return (
                request.IsAdult
                    ? new Refusal(
                        "acceptance-incomplete",
                        what.Length is 0 or > 300 ? "what" : "reason",
                        request.Reason,
                        "an acceptance names the food and the reason",
                        "Say in a few words why it is safe, for example what the packet says"
                    )
                    : new Refusal(
                        "adult-only",
                        "isAdult",
                        "no",
                        "only an adult accepts a food for somebody with an allergy",
                        "Let an adult read the packet and tick the box"
                    )
            ).ToProblem();
        }

        return await Change(
            eater,
            tenant,
            desk,
            $"Accepted {what}",
            current =>
                current with
                {
                    Accepted =
                    [
                        .. current.Accepted.Where(item => item.What != what),
                        new(what, request.Reason.Trim(), tenant.Tenant.Account, desk.Clock.GetUtcNow()),
                    ],
                }
        );
    }

    private static Task<Results<Ok<Effects>, NotFound, ProblemHttpResult>> Withdraw(
        Guid eater,
        WithdrawRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    ) =>
        Change(
            eater,
            tenant,
            desk,
            "Withdrew an acceptance",
            current => current with { Accepted = [.. current.Accepted.Where(item => item.What != request.What)] }
        );

    internal static async Task<Results<Ok<Effects>, NotFound, ProblemHttpResult>> Change(
        Guid eater,
        CurrentTenant tenant,
        Desk desk,
        string summary,
        Func<EaterSettings, EaterSettings> change
    )
    {
        var before = await desk.Diners.Read(tenant);
        if (await desk.Households.ChangeEater(tenant, eater, summary, change) is not { } after)
        {
            return TypedResults.NotFound();
        }

        // Judged by the latest versions on both sides: only this change is to be seen.
        return TypedResults.Ok(
            new Effects(
                await desk.Effects.Compare(tenant, before.Today, [.. before.Eaters.Where(one => one.Id == eater)], [before.ToEater(after)])
            )
        );
    }

    private static Refusal? WrongName(string name, IReadOnlyList<EaterSettings> present, Guid? self) =>
        name.Trim() switch
        {
            { Length: 0 or > 40 } => new("name-length", "name", name, "a name has 1 to 40 characters", "Type a short name"),
            var trimmed when present.Any(eater => eater.Id != self && eater.Name == trimmed) => new(
                "name-taken",
                "name",
                name,
                "somebody at the table is called so",
                "Add an initial"
            ),
            _ => null,
        };

    private static Refusal? WrongAllowance(BoundedRule? rule, AllowanceRequest request) =>
        request switch
        {
            _ when rule is null => new("unknown-rule", "rule", request.Rule, "the protocol has no such limit", "Load the page again"),
            { AtLeast: < 0 or > RuleField.LargestBound } or { AtMost: < 0 or > RuleField.LargestBound } => new(
                "allowance-out-of-range",
                "allowance",
                $"{request.AtMost ?? request.AtLeast}",
                "an allowance lies between 0 and 99,999",
                "Type the number again"
            ),
            { AtLeast: { } least, AtMost: { } most } when least > most => new(
                "floor-above-ceiling",
                "atLeast",
                $"{least:0.##}",
                $"the floor is above the ceiling of {most:0.##}",
                "Lower the floor or raise the ceiling"
            ),
            { AtMost: < EnergyNeed.ClinicalOnly, ClinicalTeam: false }
                when rule is LimitRule { Measure: Measure.Energy, Per: Period.Day } => new(
                "clinical-team",
                "atMost",
                $"{request.AtMost:0} kcal",
                $"below {EnergyNeed.ClinicalOnly} kcal a day only a clinical team sets the number",
                "Tick \"my clinical team set this\" when that is so, or state a higher number"
            ),
            _ => null,
        };

    private static Refusal? WrongMeals(MealsRequest request) =>
        request.Meals switch
        {
            var meals when !meals.Select(meal => meal.Meal).ToHashSet().SetEquals(Occasion.Meals) || meals.Count != Occasion.Meals.Count =>
                new("meals-incomplete", "meals", $"{meals.Count}", "each meal stands once", $"Give {string.Join(", ", Occasion.Meals)}"),
            var meals when meals.Any(meal => meal.DayShare is < 0 or > 1) || meals.Sum(meal => meal.DayShare) != 1 => new(
                "shares-not-whole",
                "meals",
                $"{meals.Sum(meal => meal.DayShare):0 %}",
                "the meals' shares do not make the whole day",
                "Change them until they add up to 100 %"
            ),
            _ => null,
        };

    private static Refusal? WrongPersonal(PersonalRequest request, KnowledgeBase knowledge) =>
        request switch
        {
            _ when request.Allergies.FirstOrDefault(key => !knowledge.Classes.Knows(key)) is { } unknown => new(
                "unknown-class",
                "allergies",
                unknown,
                "there is no such food class",
                "Choose from the list"
            ),
            _ when request.Dislikes.FirstOrDefault(key => !knowledge.Classes.Knows(key) && !knowledge.Knows(key)) is { } unknown => new(
                "unknown-food",
                "dislikes",
                unknown,
                "there is no such food or class",
                "Choose from the list"
            ),
            { Dislikes.Count: > 100 } => new(
                "too-many-dislikes",
                "dislikes",
                $"{request.Dislikes.Count}",
                "at most 100 dislikes are kept",
                "Name a class instead of its foods"
            ),
            { PortionHabit: < 0.25m or > 4 } => new(
                "portion-out-of-range",
                "portionHabit",
                $"{request.PortionHabit}",
                "a usual portion is 0.25 to 4 portions",
                "Type for example 1 or 1.5"
            ),
            _ => null,
        };
}

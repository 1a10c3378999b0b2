using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;
using Merienda.Storage;
using Merienda.Web.Accounts;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Table;

/// <param name="Sentence">The rule with this eater's allowance, as one sentence.</param>
/// <param name="Caution">What to heed about the stated number, or null.</param>
public sealed record TableRule(string Protocol, string Rule, string Sentence, string? Unit, bool AsksAtLeast, bool AsksAtMost, decimal? AtLeast, decimal? AtMost, bool NeedsAllowance, string? Caution);

public sealed record TableEater(Guid Id, string Name, IReadOnlyList<string> Protocols, IReadOnlyList<TableRule> Rules, IReadOnlyList<EaterMeal> Meals);

public sealed record TableProtocol(string Id, string Name, string Summary, string Source, IReadOnlyList<string> Cautions);

public sealed record TablePage(string Household, string TimeZone, IReadOnlyList<TableEater> Eaters, IReadOnlyList<TableProtocol> Protocols);

public sealed record AddEaterRequest(string Name);

public sealed record NameRequest(string Name);

public sealed record ProtocolsRequest(IReadOnlyList<string> Protocols);

/// <param name="ClinicalTeam">True when the eater's own clinical team set the number; needed below 800 kcal a day.</param>
public sealed record AllowanceRequest(string Protocol, string Rule, decimal? AtLeast, decimal? AtMost, bool ClinicalTeam);

public sealed record MealsRequest(IReadOnlyList<EaterMeal> Meals);

/// <summary>Who eats, under which protocols, with which allowances, split how over the day.</summary>
public static class TableEndpoints
{
    public const int MostEaters = 6;

    /// <summary>Energy floors, kcal a day: domain.md section 10.</summary>
    private const decimal CautionMen = 1500, CautionWomen = 1200, ClinicalOnly = 800;

    public static void MapTable(this IEndpointRouteBuilder api)
    {
        var table = api.MapGroup("/table").WithTags("Table").RequireAuthorization();
        table.MapGet("", Page).WithName("GetTable");
        table.MapPost("/eaters", AddEater).WithName("AddEater");
        table.MapPut("/eaters/{eater:guid}/name", Rename).WithName("RenameEater");
        table.MapPut("/eaters/{eater:guid}/protocols", ChooseProtocols).WithName("ChooseProtocols");
        table.MapPut("/eaters/{eater:guid}/allowance", StateAllowance).WithName("StateAllowance");
        table.MapPut("/eaters/{eater:guid}/meals", SplitMeals).WithName("SplitMeals");
    }

    private static async Task<Ok<TablePage>> Page(CurrentTenant tenant, HouseholdStore households, KnowledgeBase knowledge)
    {
        var household = await households.Household(tenant);
        return TypedResults.Ok(new TablePage(household.Name, household.TimeZone, [.. (await households.Eaters(tenant)).Select(eater => ToEater(eater, knowledge))],
            [.. knowledge.Protocols.Select(protocol => new TableProtocol(protocol.Id, protocol.Name, protocol.Summary, protocol.Source, protocol.Cautions))]));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> AddEater(AddEaterRequest request, CurrentTenant tenant, HouseholdStore households)
    {
        var present = await households.Eaters(tenant);
        if (WrongName(request.Name, present, null) is { } refusal)
        {
            return refusal.ToProblem();
        }

        if (present.Count >= MostEaters)
        {
            return new Refusal("too-many-eaters", "name", request.Name, $"a table has at most {MostEaters} eaters", "Open a second household for the others").ToProblem();
        }

        await households.AddEater(tenant, EaterDefaults.Named(request.Name.Trim()));
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound, ProblemHttpResult>> Rename(Guid eater, NameRequest request, CurrentTenant tenant, HouseholdStore households) =>
        WrongName(request.Name, await households.Eaters(tenant), eater) is { } refusal
            ? refusal.ToProblem()
            : await Change(eater, tenant, households, "Renamed an eater", current => current with { Name = request.Name.Trim() });

    private static async Task<Results<NoContent, NotFound, ProblemHttpResult>> ChooseProtocols(Guid eater, ProtocolsRequest request, CurrentTenant tenant, HouseholdStore households, KnowledgeBase knowledge) =>
        request.Protocols.FirstOrDefault(id => knowledge.Protocols.All(protocol => protocol.Id != id)) is { } unknown
            ? new Refusal("unknown-protocol", "protocols", unknown, "there is no such protocol", "Choose from the list").ToProblem()
            : await Change(eater, tenant, households, "Chose a protocol", current => current with { Protocols = [.. request.Protocols.Distinct()] });

    private static async Task<Results<NoContent, NotFound, ProblemHttpResult>> StateAllowance(Guid eater, AllowanceRequest request, CurrentTenant tenant, HouseholdStore households, KnowledgeBase knowledge)
    {
        var rule = knowledge.Protocols.FirstOrDefault(protocol => protocol.Id == request.Protocol)?.Rules.OfType<LimitRule>().FirstOrDefault(limit => limit.Id == request.Rule);
        if (WrongAllowance(rule, request) is { } refusal)
        {
            return refusal.ToProblem();
        }

        return await Change(eater, tenant, households, $"Stated {rule!.Title.ToLowerInvariant()}", current => current with
        {
            Allowances = [.. current.Allowances.Where(item => (item.ProtocolId, item.RuleId) != (request.Protocol, request.Rule)),
                .. request.AtLeast is null && request.AtMost is null ? Array.Empty<StatedAllowance>() : [new(request.Protocol, request.Rule, request.AtLeast, request.AtMost)]],
        });
    }

    private static async Task<Results<NoContent, NotFound, ProblemHttpResult>> SplitMeals(Guid eater, MealsRequest request, CurrentTenant tenant, HouseholdStore households) =>
        WrongMeals(request) is { } refusal ? refusal.ToProblem() : await Change(eater, tenant, households, "Split the day", current => current with { Meals = request.Meals });

    private static async Task<Results<NoContent, NotFound, ProblemHttpResult>> Change(Guid eater, CurrentTenant tenant, HouseholdStore households, string summary, Func<EaterSettings, EaterSettings> change) =>
        await households.ChangeEater(tenant, eater, summary, change) is null ? TypedResults.NotFound() : TypedResults.NoContent();

    private static TableEater ToEater(EaterSettings settings, KnowledgeBase knowledge)
    {
        var protocols = settings.Protocols.Select(id => knowledge.Protocols.FirstOrDefault(protocol => protocol.Id == id)).OfType<Protocol>();
        var stated = settings.Allowances.ToDictionary(item => (item.ProtocolId, item.RuleId));
        var rules = protocols.SelectMany(protocol => protocol.Rules.Select(rule =>
        {
            var own = stated.GetValueOrDefault((protocol.Id, rule.Id));
            var limit = (rule as LimitRule)?.With(own is null ? null : new Allowance(protocol.Id, rule.Id, own.AtLeast, own.AtMost));
            return new TableRule(protocol.Id, rule.Id, (limit ?? rule).Sentence(knowledge.Classes), limit is null ? null : MeasureInfo.Of(limit.Measure).Unit, limit?.AsksAtLeast ?? false, limit?.AsksAtMost ?? false, limit?.AtLeast, limit?.AtMost, limit?.NeedsAllowance ?? false, Caution(limit));
        }));
        return new(settings.Id, settings.Name, settings.Protocols, [.. rules], settings.Meals);
    }

    private static string? Caution(LimitRule? limit) => limit is { Measure: Measure.Energy, Per: Period.Day, AtMost: { } most } && most < CautionMen
        ? most < CautionWomen
            ? $"Below {CautionWomen:#,0} kcal (women) and {CautionMen:#,0} kcal (men) a day: professional advice comes first."
            : $"Below {CautionMen:#,0} kcal a day: for a man, professional advice comes first."
        : null;

    private static Refusal? WrongName(string name, IReadOnlyList<EaterSettings> present, Guid? self) => name.Trim() switch
    {
        { Length: 0 or > 40 } => new("name-length", "name", name, "a name has 1 to 40 characters", "Type a short name"),
        var trimmed when present.Any(eater => eater.Id != self && eater.Name == trimmed) => new("name-taken", "name", name, "somebody at the table is called so", "Add an initial"),
        _ => null,
    };

    private static Refusal? WrongAllowance(LimitRule? rule, AllowanceRequest request) => request switch
    {
        _ when rule is null => new("unknown-rule", "rule", request.Rule, "the protocol has no such limit", "Load the page again"),
        { AtLeast: < 0 or > 99_999 } or { AtMost: < 0 or > 99_999 } => new("allowance-out-of-range", "allowance", $"{request.AtMost ?? request.AtLeast}", "an allowance lies between 0 and 99,999", "Type the number again"),
        { AtLeast: { } least, AtMost: { } most } when least > most => new("floor-above-ceiling", "atLeast", $"{least:0.##}", $"the floor is above the ceiling of {most:0.##}", "Lower the floor or raise the ceiling"),
        { AtMost: < ClinicalOnly, ClinicalTeam: false } when rule!.Measure == Measure.Energy && rule.Per == Period.Day =>
            new("clinical-team", "atMost", $"{request.AtMost:0} kcal", $"below {ClinicalOnly} kcal a day only a clinical team sets the number", "Tick \"my clinical team set this\" when that is so, or state a higher number"),
        _ => null,
    };

    private static Refusal? WrongMeals(MealsRequest request) => request.Meals switch
    {
        var meals when !meals.Select(meal => meal.Meal).ToHashSet().SetEquals(HouseholdStore.Meals) || meals.Count != HouseholdStore.Meals.Count => new("meals-incomplete", "meals", $"{meals.Count}", "each meal stands once", $"Give {string.Join(", ", HouseholdStore.Meals)}"),
        var meals when meals.Any(meal => meal.DayShare is < 0 or > 1) || meals.Sum(meal => meal.DayShare) != 1 => new("shares-not-whole", "meals", $"{meals.Sum(meal => meal.DayShare):0 %}", "the meals' shares do not make the whole day", "Change them until they add up to 100 %"),
        _ => null,
    };
}

using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Statements;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Larder;

/// <param name="Because">The heaviest finding of 100 g.</param>
public sealed record FoodVerdict(string Eater, Verdict Verdict, string Because, bool HasRules);

public sealed record LarderFood(string Key, string Name, string Aisle, IReadOnlyList<string> Classes, string Source, string Mark, IReadOnlyList<ShownMeasure> PerHundredGrams, IReadOnlyList<FoodVerdict> Verdicts);

public sealed record LarderPage(int Total, IReadOnlyList<LarderFood> Foods);

public sealed record PrintedValue(LabelNutrient Nutrient, string Printed);

/// <param name="ServingGrams">What the values are printed for: a serving, or 100 g.</param>
/// <param name="Servings">How many of them a batch takes, for what rounding can hide.</param>
public sealed record PacketRequest(LabelCountry Country, LabelBasis? Basis, decimal ServingGrams, decimal Servings, IReadOnlyList<PrintedValue> Values, string Statement);

/// <param name="Served">What the printed value stands for, per serving as printed.</param>
/// <param name="Batch">The same for as many servings as the batch takes: within one packet the widths add.</param>
public sealed record ReadValue(LabelNutrient Nutrient, string Unit, ShownEstimate Served, ShownEstimate PerHundredGrams, ShownEstimate Batch);

public sealed record HeldClass(string Class, string Words, string? Allergen);

public sealed record PacketVerdict(string Eater, Verdict Verdict, IReadOnlyList<string> Because);

/// <param name="EnergyQuery">How the declared energy differs from the factors' sum, or null when it does not.</param>
public sealed record PacketAnswer(IReadOnlyList<ReadValue> Values, ShownEstimate? NetCarbs, ShownEstimate? TotalCarbs, string? EnergyQuery, IReadOnlyList<HeldClass> Holds, IReadOnlyList<HeldClass> MayContain, IReadOnlyList<string> CannotTell, IReadOnlyList<PacketVerdict> Verdicts);

/// <summary>The place Larder: the food table for every eater, and a packet read as it is printed.</summary>
public static class LarderEndpoints
{
    private const int MostShown = 60;

    public static void MapLarder(this IEndpointRouteBuilder api)
    {
        var larder = api.MapGroup("/larder").WithTags("Larder").RequireAuthorization();
        larder.MapGet("/foods", Foods).WithName("GetLarderFoods");
        larder.MapPost("/packet", Packet).WithName("ReadPacket");
    }

    private static async Task<Ok<LarderPage>> Foods(string query, string foodClass, CurrentTenant tenant, DinersReader diners, KnowledgeBase knowledge)
    {
        var eaters = (await diners.Read(tenant)).Eaters;
        var all = query.Trim().Length > 0 ? knowledge.Foods.Latest.Search(query.Trim(), knowledge.Foods.Latest.Foods.Count) : knowledge.Foods.Latest.Foods.OrderBy(food => food.Name, StringComparer.OrdinalIgnoreCase);
        var found = all.Where(food => foodClass.Length == 0 || food.Is(foodClass)).ToList();
        return TypedResults.Ok(new LarderPage(found.Count, [.. found.Take(MostShown).Select(food => ToFood(food, eaters, knowledge))]));
    }

    private static async Task<Results<Ok<PacketAnswer>, ProblemHttpResult>> Packet(PacketRequest request, CurrentTenant tenant, DinersReader diners, KnowledgeBase knowledge)
    {
        var declared = new Dictionary<LabelNutrient, DeclaredValue>();
        foreach (var value in request.Values.Where(value => value.Printed.Trim().Length > 0))
        {
            var read = DeclaredValue.Read(value.Nutrient.ToString(), value.Printed);
            if (read.Refusal is { } unreadable)
            {
                return unreadable.ToProblem();
            }

            declared[value.Nutrient] = read.Value;
        }

        var label = PacketLabel.Of(request.Country, request.Basis, request.ServingGrams, declared);
        if (label.Refusal is { } refusal)
        {
            return refusal.ToProblem();
        }

        if (request.Statement.Length > StatementReader.Longest || request.Servings is < 0 or > 1_000)
        {
            return (request.Statement.Length > StatementReader.Longest
                ? new Refusal("statement-too-long", "statement", $"{request.Statement.Length:#,0} characters", $"a statement has at most {StatementReader.Longest:#,0} characters", "Paste the ingredients only")
                : new Refusal("servings-out-of-range", "servings", $"{request.Servings}", "a batch takes 0 to 1,000 servings", "Type the number again")).ToProblem();
        }

        return TypedResults.Ok(ToAnswer(label.Value, declared, request, await diners.Read(tenant), knowledge));
    }

    private static PacketAnswer ToAnswer(PacketLabel label, Dictionary<LabelNutrient, DeclaredValue> declared, PacketRequest request, Diners diners, KnowledgeBase knowledge)
    {
        var carbohydrates = declared.ContainsKey(LabelNutrient.Carbohydrate) ? label.CarbohydratesPerHundredGrams(PolyolCredit.Default) : null;
        var reading = knowledge.Statements.Read(request.Statement);
        IReadOnlyList<HeldClass> Held(IReadOnlyDictionary<string, string> classes) => [.. classes.Select(item => new HeldClass(knowledge.Classes.NameOf(item.Key), item.Value, knowledge.Classes.AllergensOf([item.Key]) is [var allergen, ..] ? allergen : null))];
        var verdicts = request.Statement.Trim().Length == 0 ? [] : diners.Eaters.Select(eater => (eater.Name, Findings: StatementVerdict.Of(reading, eater.Rules.Rules, knowledge.Classes)))
            .Where(eater => eater.Findings.Count > 0)
            .Select(eater => new PacketVerdict(eater.Name, eater.Findings.Select(finding => finding.Verdict).RollUp(), [.. eater.Findings.Select(finding => finding.Because)]));
        return new(
            [.. declared.Keys.Order().Select(nutrient => new ReadValue(nutrient, UnitOf(nutrient), Shown.Of(label.Of(nutrient)!.Value), Shown.Of(label.PerHundredGrams(nutrient)), Shown.Of(label.Of(nutrient)!.Value * request.Servings)))],
            carbohydrates is null ? null : Shown.Of(carbohydrates.Net), carbohydrates is null ? null : Shown.Of(carbohydrates.Total), EnergyQuery(label, declared), Held(reading.Holds), Held(reading.MayContain), reading.CannotTell, [.. verdicts]);
    }

    private static string? EnergyQuery(PacketLabel label, Dictionary<LabelNutrient, DeclaredValue> declared)
    {
        if (label.EnergyByFactors is not { } computed || !declared.ContainsKey(LabelNutrient.Energy))
        {
            return null;
        }

        var printed = label.PerHundredGrams(LabelNutrient.Energy).Best;
        return printed > 0 && EnergyClaim.IsQueried(printed, computed) ? $"{printed:0} kcal in 100 g are declared, the macros make {computed:0}: {EnergyClaim.Difference(printed, computed):0 %} apart. Check the values." : null;
    }

    private static string UnitOf(LabelNutrient nutrient) => nutrient switch { LabelNutrient.Energy => "kcal", LabelNutrient.Sodium => "mg", _ => "g" };

    private static LarderFood ToFood(Food food, IReadOnlyList<Eater> eaters, KnowledgeBase knowledge)
    {
        var profile = PortionProfile.Of([RecipeLine.From("100 g", knowledge.Foods.Latest, MeasureSystem.Metric, chosenFood: food)], 1);
        Measure[] shown = [Measure.Energy, Measure.Protein, Measure.Fat, Measure.NetCarbohydrate];
        return new(food.Key, food.Name, food.Aisle, [.. food.Tags.Select(knowledge.Classes.NameOf)], food.Source, food.Mark.ToString(),
            [.. shown.Select(measure => Shown.Of(MeasureInfo.Of(measure), profile.Total(measure)))],
            [.. eaters.Select(eater =>
            {
                var findings = eater.Rules.CheckPortion(Intake.Of(new Helping(food.Name, profile, 1)), null);
                return new FoodVerdict(eater.Name, findings.Select(finding => finding.Verdict).RollUp(), findings.MaxBy(finding => finding.Verdict)?.Because ?? "No protocol is chosen.", findings.Count > 0);
            })]);
    }
}

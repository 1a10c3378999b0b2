using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Stock;
using Merienda.Web.Recipes;

namespace Merienda.Web.Demo;

internal sealed record DemoPersonRow(string Name, string Email);

internal sealed record DemoAllowance(string Protocol, string Rule, decimal? AtLeast = null, decimal? AtMost = null);

internal sealed record DemoPhase(string Protocol, int StartedDaysAgo, int RestrictionDays, IReadOnlyList<string> Order);

internal sealed record DemoChoice(string Protocol, string Choice, string Option);

internal sealed record DemoEater(
    string Name,
    IReadOnlyList<string> Protocols,
    IReadOnlyList<DemoAllowance> Allowances,
    decimal? PortionHabit = null,
    IReadOnlyList<DemoChoice>? Choices = null,
    IReadOnlyList<string>? Allergies = null,
    IReadOnlyList<string>? Dislikes = null,
    IReadOnlyList<DemoPhase>? Phases = null
)
{
    /// <summary>Phases are told from today, so that the demo always stands in the middle of one.</summary>
    public EaterSettings ToSettings(DateOnly today, Rhythm rhythm) =>
        EaterSettings.Named(Guid.CreateVersion7(), Name, rhythm) with
        {
            Protocols = Protocols,
            Allowances = [.. Allowances.Select(item => new StatedAllowance(item.Protocol, item.Rule, item.AtLeast, item.AtMost))],
            PortionHabit = PortionHabit ?? 1,
            Choices = [.. (Choices ?? []).Select(item => new EaterChoice(item.Protocol, item.Choice, item.Option))],
            Allergies = Allergies ?? [],
            Dislikes = Dislikes ?? [],
            Phases =
            [
                .. (Phases ?? []).Select(phase => new StatedPhase(
                    phase.Protocol,
                    today.AddDays(-phase.StartedDaysAgo),
                    today.AddDays(phase.RestrictionDays - phase.StartedDaysAgo - 1),
                    [.. phase.Order.Select(id => new StatedChallenge(id, ChallengeOutcome.Open))]
                )),
            ],
        };
}

internal sealed record DemoPlace(int Day, string Meal, string Eater, decimal? Size = null);

internal sealed record DemoBatch(string Recipe, int CookedOnDay, decimal Portions, IReadOnlyList<DemoPlace> Places);

/// <summary>Something of an earlier week of which boxes are left.</summary>
/// <param name="CookedOnDay">Before this week's first day: -8 is the Saturday before last week.</param>
/// <param name="Frozen">Boxes that stand in the freezer; the others were eaten.</param>
internal sealed record DemoLeft(string Recipe, int CookedOnDay, decimal Portions, int Frozen);

internal sealed record DemoHousehold(
    string Name,
    string TimeZone,
    IReadOnlyList<DemoPersonRow> People,
    IReadOnlyList<DemoEater> Eaters,
    IReadOnlyList<DemoBatch> Batches,
    IReadOnlyList<DemoStock> Stock,
    IReadOnlyList<DemoOpinion> Opinions,
    Kitchen? Kitchen = null,
    IReadOnlyList<DemoLeft>? Earlier = null
);

internal sealed record DemoStock(string Line, StockPlace Place, int BoughtDaysAgo, int? OpenedDaysAgo = null, int? BestBeforeInDays = null);

internal sealed record DemoOpinion(string Packet, string Eater, bool IsApproved, string Reason, int DaysAgo);

internal sealed record DemoPacket(
    string Name,
    LabelCountry Country,
    string Serving,
    IReadOnlyDictionary<LabelNutrient, string> Values,
    string Statement,
    string MayContain,
    string Pack,
    IReadOnlyList<string> Classes,
    string Aisle,
    decimal? Price = null,
    decimal? Points = null,
    int? OpenedDays = null
)
{
    public PrintedPacket ToPrinted() =>
        new(Name, Country, null, Serving, Values, Statement, MayContain, Pack, Price, Points, OpenedDays, Classes, Aisle);
}

internal sealed record DemoTask(
    string Id,
    string Text,
    int HandsOn,
    int Unattended = 0,
    Appliance Appliance = Appliance.None,
    int? TemperatureC = null,
    IReadOnlyList<string>? After = null
);

internal sealed record DemoRecipe(
    string Key,
    string Name,
    decimal Portions,
    string? Meal,
    string Keeping,
    string Reheating,
    string AtEating,
    MeasureSystem System,
    IReadOnlyList<string> Lines,
    IReadOnlyList<DemoTask> Tasks
)
{
    public RecipeDraft ToDraft() =>
        new(
            Name,
            Portions,
            Meal,
            Keeping,
            Reheating,
            AtEating,
            System,
            [.. Lines.Select(line => new DraftLine("", line, null))],
            [
                .. Tasks.Select(task => new DraftTask(
                    task.Id,
                    task.Text,
                    task.HandsOn,
                    task.Unattended,
                    task.Appliance,
                    task.TemperatureC,
                    task.After ?? []
                )),
            ],
            null
        );
}

using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Groups;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using Merienda.Core.Stock;
using Merienda.Formats;
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

/// <summary>The same portion at one meal of several days.</summary>
internal sealed record DemoRow(IReadOnlyList<int> Days, string Meal, string Eater, decimal? Size = null);

/// <param name="Variants">Portions of it in variants of the recipe.</param>
internal sealed record DemoBatch(
    string Recipe,
    int CookedOnDay,
    decimal Portions,
    IReadOnlyList<DemoPlace>? Places = null,
    IReadOnlyList<DemoRow>? Rows = null,
    IReadOnlyList<VariantPortions>? Variants = null
)
{
    public IEnumerable<DemoPlace> AllPlaces =>
        (Places ?? []).Concat((Rows ?? []).SelectMany(row => row.Days.Select(day => new DemoPlace(day, row.Meal, row.Eater, row.Size))));
}

/// <summary>The variant of a recipe that is made for an eater.</summary>
internal sealed record DemoUsual(string Eater, string Recipe, string Variant);

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
    IReadOnlyList<DemoLeft>? Earlier = null,
    IReadOnlyList<DemoUsual>? Usual = null
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

/// <summary>Members of the circle who share the same.</summary>
internal sealed record DemoStrand(
    IReadOnlyList<string> Protocols,
    int Members,
    IReadOnlyList<DemoChoice>? Choices = null,
    IReadOnlyList<string>? Allergies = null
);

/// <summary>The same dish at one meal of several days.</summary>
internal sealed record DemoMenuRow(
    string Recipe,
    string Meal,
    IReadOnlyList<int> Days,
    IReadOnlyList<TierPortions>? Portions = null,
    IReadOnlyList<StrandVariant>? Variants = null
);

/// <param name="Weeks">From this week on.</param>
/// <param name="Changed">What each of its published versions says; none for a draft.</param>
internal sealed record DemoMenu(
    string Name,
    int Weeks,
    string Note,
    IReadOnlyList<MenuTier> Tiers,
    IReadOnlyList<DemoMenuRow> Dishes,
    IReadOnlyList<string> Changed,
    string DeskNote = ""
);

/// <param name="Free">What counts nothing in the circle's points.</param>
internal sealed record DemoPoints(string Name, string Summary, IReadOnlyList<FreeFood> Free);

/// <param name="Moderator">Address of the one who founded it.</param>
/// <param name="Names">Of members who have no kitchen in the demo.</param>
internal sealed record DemoCircleFile(
    string Name,
    string TimeZone,
    string Moderator,
    DemoPoints Points,
    IReadOnlyList<string> Names,
    IReadOnlyList<DemoStrand> Strands,
    IReadOnlyList<DemoMenu> Menus,
    IReadOnlyList<DemoBrought> Brought,
    IReadOnlyList<DemoAsked> Asked,
    IReadOnlyList<string> Invited,
    string Help
);

/// <summary>A recipe that a member brings, as they would paste it.</summary>
/// <param name="By">Name of the member.</param>
/// <param name="Hours">How long ago.</param>
/// <param name="AskedBack">What the desk asked back; null while it said nothing.</param>
internal sealed record DemoBrought(string By, bool IsNamed, int Hours, string Words, string Text, string? AskedBack = null);

/// <param name="Too">How many others ask the same.</param>
internal sealed record DemoAsked(string By, bool IsNamed, int Hours, string Words, string Dish, string Answer, bool IsPinned, int Too);

internal static class DemoDrafts
{
    /// <summary>A demo recipe as a person saves it.</summary>
    public static RecipeDraft ToDraft(this DemoRecipe recipe) =>
        new(
            recipe.Name,
            recipe.Portions,
            recipe.Meal,
            recipe.Keeping,
            recipe.Reheating,
            recipe.AtEating,
            recipe.System,
            [.. recipe.Lines.Select(ToDraft)],
            [.. recipe.Tasks.Select(RecipeSheets.ToTask)],
            null,
            [.. recipe.Parts.Select(RecipeSheets.ToPart)],
            [
                .. recipe.Variants.Select(variant => new DraftVariant(
                    variant.Name,
                    [.. variant.Lines.Select(change => new DraftLineChange(change.Line, change.Times))],
                    [.. variant.Parts.Select(change => new DraftPartChange(change.Part, change.Times))],
                    [.. variant.Added.Select(added => new DraftVariantLine(added.Instead, ToDraft(added.Line)))]
                )),
            ],
            [.. recipe.Claims.Select(claim => RecipeSheets.ToDraft(claim) with { Of = null })],
            recipe.Source,
            recipe.Note
        );

    private static DraftLine ToDraft(TypedLine line) => new(line.Part, line.Text, null, line.Id);
}

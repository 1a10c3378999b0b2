using Merienda.Core.Claims;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Storage;
using Merienda.Web.Hosting;

namespace Merienda.Web.Recipes;

/// <summary>A recipe as a person edits it.</summary>
/// <param name="Portions">Null while nobody said how many the lines make: then it is asked for, never guessed.</param>
/// <param name="Keeping">Key of a keeping class; empty to take what follows from lines and steps.</param>
/// <param name="BasedOn">The version number it was opened at; null for a new recipe.</param>
public sealed record RecipeDraft(
    string Name,
    decimal? Portions,
    string? Meal,
    string Keeping,
    string Reheating,
    string AtEating,
    MeasureSystem System,
    IReadOnlyList<DraftLine> Lines,
    IReadOnlyList<DraftTask> Tasks,
    int? BasedOn,
    IReadOnlyList<DraftPart>? Parts = null,
    IReadOnlyList<DraftVariant>? Variants = null,
    IReadOnlyList<DraftClaim>? Claims = null,
    string Source = "",
    string Note = ""
)
{
    /// <summary>Its lines, and those that only a variant has.</summary>
    internal IEnumerable<DraftLine> AllLines =>
        Lines.Concat((Variants ?? []).SelectMany(variant => variant.Added).Select(added => added.Line));

    /// <summary>What its lines say of other recipes.</summary>
    internal RecipeUses Uses =>
        new(
            string.Join('\n', AllLines.Select(line => line.Text)),
            [.. AllLines.Select(line => line.Food is { } key ? Cookbook.IdIn(key) : null).OfType<Guid>()]
        );
}

/// <param name="Food">Key of the food or recipe that a person chose, or null to let the words decide.</param>
/// <param name="Id">What it was in the version before; null for a new line.</param>
/// <param name="Precision">How it was measured; null to let the words decide.</param>
/// <param name="EatenShare">Of what goes in, 0 to 1.</param>
/// <param name="KeptFat">Of its fat, 0 to 1; the rest was drained or trimmed.</param>
/// <param name="IsOptional">Null to let the words decide.</param>
public sealed record DraftLine(
    string Part,
    string Text,
    string? Food,
    Guid? Id = null,
    Precision? Precision = null,
    decimal EatenShare = 1,
    decimal KeptFat = 1,
    bool? IsOptional = null
);

/// <summary>What is said of a part of the dish.</summary>
/// <param name="Keeping">Key of a keeping class; empty for as the dish.</param>
/// <param name="MadeAmount">What all of it was measured to make; null while nobody did.</param>
public sealed record DraftPart(
    string Name,
    Apart Apart,
    string Keeping,
    string KeepingReason,
    bool TakesOff,
    bool GoesOn,
    decimal? MadeAmount,
    YieldUnit MadeUnit
);

/// <summary>The dish with some lines otherwise.</summary>
/// <param name="Added">Lines that only it has.</param>
public sealed record DraftVariant(
    string Name,
    IReadOnlyList<DraftLineChange> Lines,
    IReadOnlyList<DraftPartChange> Parts,
    IReadOnlyList<DraftVariantLine> Added
)
{
    /// <summary>The variant without what it says of lines that are there no more.</summary>
    internal DraftVariant Without(IReadOnlySet<Guid> gone) =>
        this with
        {
            Lines = [.. Lines.Where(change => !gone.Contains(change.Line))],
            Added = [.. Added.Where(added => added.Instead is not { } line || !gone.Contains(line))],
        };

    /// <summary>Whether it has a name and something is otherwise in it.</summary>
    internal bool IsBegun =>
        Name.Trim().Length > 0
        && (
            Lines.Any(change => change.Times != 1)
            || Parts.Any(change => change.Times != 1)
            || Added.Any(added => added.Line.Text.Trim().Length > 0)
        );
}

/// <param name="Times">How often the line goes in: 0 leaves it out.</param>
public sealed record DraftLineChange(Guid Line, decimal Times);

/// <param name="Times">How often the part goes in: 0 leaves it out.</param>
public sealed record DraftPartChange(string Part, decimal Times);

/// <param name="Instead">The line it stands for; null for one more.</param>
public sealed record DraftVariantLine(Guid? Instead, DraftLine Line);

/// <param name="After">Steps that must be over before it.</param>
/// <param name="Lines">Lines that it takes; null to let its words decide.</param>
/// <param name="WaitsAtMost">Minutes that what it makes may stand before the next step; null for as long as it takes.</param>
/// <param name="RoundPieces">Pieces that fit in at once; null when all do.</param>
/// <param name="Instead">Where it may be done as well; null for nowhere else.</param>
public sealed record DraftTask(
    string Id,
    string Text,
    int HandsOn,
    int Unattended,
    Appliance Appliance,
    int? TemperatureC,
    IReadOnlyList<string> After,
    IReadOnlyList<Guid>? Lines = null,
    int? WaitsAtMost = null,
    decimal? RoundPieces = null,
    OtherPlace? Instead = null
);

/// <summary>What a step takes, as it is drawn from its words or was said.</summary>
/// <param name="Task">Its id.</param>
/// <param name="Rounds">How often an appliance is filled for it.</param>
/// <param name="Says">What its words say it takes; null where that is how it stands, where they say no time, or more than one step.</param>
/// <param name="Unlisted">"3 tbsp tahini": measured out in its words, and in no line.</param>
public sealed record SheetStep(string Task, IReadOnlyList<SheetTake> Takes, int Rounds, StepSays? Says, IReadOnlyList<string> Unlisted);

/// <param name="HandsOn">Minutes.</param>
/// <param name="Unattended">Minutes.</param>
public sealed record StepSays(int HandsOn, int Unattended, Appliance Appliance, int? TemperatureC);

/// <param name="Said">"450 g rice"; the name alone where an earlier step took it.</param>
/// <param name="IsFresh">Whether no earlier step took it.</param>
public sealed record SheetTake(Guid Line, string Said, bool IsFresh);

/// <summary>A value that the source states; nutrients, points and grams of one portion.</summary>
/// <param name="Variant">Of which it was said; null for the recipe as written.</param>
/// <param name="Part">Of which it was said; null for the whole dish.</param>
/// <param name="Of">Print of the dish that it was said of; null for what is typed now.</param>
public sealed record DraftClaim(ClaimedValue What, decimal Value, string? Variant = null, string? Part = null, string? Of = null);

/// <summary>A stated value beside ours.</summary>
/// <param name="Name">"Net carbs".</param>
/// <param name="Theirs">"3 g".</param>
/// <param name="Ours">"6.5 g (6.1 to 6.9 g)"; null where we count nothing like it.</param>
/// <param name="Because">One sentence; empty where the two agree.</param>
public sealed record SheetClaim(DraftClaim Claim, string Name, string Theirs, string? Ours, ClaimVerdict Verdict, string Because);

/// <summary>How a step goes into the household's vessels.</summary>
/// <param name="Task">Its id.</param>
/// <param name="Said">"Braising pan"; where it is too large "two pans: Braising pan takes 2.8 l, this is about 4.6 l".</param>
public sealed record SheetVessel(string Task, string Text, VesselVerdict Verdict, string Said);

public sealed record ReadTextRequest(string Text);

/// <param name="Amount">As read: "2–3 tbsp"; empty when the line gives none.</param>
/// <param name="Grams">That go in, with what is left behind; null when nobody knows.</param>
/// <param name="HasNewerPacket">True when the packet was typed anew since; saving takes the new one.</param>
/// <param name="Choices">Foods that the words leave open; empty when they name one.</param>
/// <param name="Nearest">For a line whose food is not certain, the kinds it may be or the foods that come nearest, best first.</param>
/// <param name="Times">How often what was typed goes in: a variant may take half of a line.</param>
/// <param name="PacketsDiffer">Names of allergens and classes that packets of the food differ by.</param>
/// <param name="Food">Key of the food, or of the recipe that it takes some of.</param>
public sealed record SheetLine(
    string Part,
    string Text,
    string? Food,
    string? FoodName,
    bool IsChosen,
    MatchKind Match,
    string Amount,
    ShownEstimate? Grams,
    string? Doubt,
    IReadOnlyList<ShownMeasure> PerPortion,
    Guid? PacketId,
    bool HasNewerPacket,
    IReadOnlyList<LineChoice> Choices,
    IReadOnlyList<NearFood> Nearest,
    IReadOnlyList<string> PacketsDiffer,
    UsedRecipe? Uses,
    Guid Id,
    Precision? Precision,
    decimal EatenShare,
    decimal KeptFat,
    bool? IsOptional,
    decimal Times
);

/// <summary>The recipe that a line takes some of.</summary>
/// <param name="Batches">How often what it makes; null when nobody knows.</param>
/// <param name="HasNewer">True when it was saved anew since; saving takes the new one.</param>
public sealed record UsedRecipe(Guid Id, ShownEstimate? Batches, bool HasNewer);

/// <summary>One of the foods that a line leaves open, and the line with only that one left.</summary>
/// <param name="Key">What to choose instead, where a food and a recipe of one name are meant; null where the words settle it.</param>
public sealed record LineChoice(string Words, string? FoodName, string Line, string? Key);

/// <summary>A food that comes near to words that name none.</summary>
/// <param name="About">What tells it apart from the others: energy, protein, fat and net carbs per 100 g.</param>
public sealed record NearFood(string Key, string Name, string About);

public sealed record SheetKeeping(string Key, string Name, int FridgeDays, int? FreezerMonths, string Note, string Source);

/// <summary>House points under the three ways of rounding, shown where they differ.</summary>
public sealed record PointsSideBySide(decimal PerPortion, decimal PerIngredient, decimal Unrounded);

/// <summary>How a dish keeps by what it holds and what is done to it.</summary>
/// <param name="Because">"3 days: it holds Cod fillet".</param>
public sealed record KeepingSuggestion(string Key, string Because);

/// <param name="SaidAtEating">What comes off before reheating and what goes on when eating, one sentence each.</param>
/// <param name="Counted">Keys of the measures that somebody at the table counts.</param>
/// <param name="PortionGrams">As measured, or as wide as its lines may weigh when served; null when nobody knows.</param>
/// <param name="PerHundred">Of 100 g as served; empty when nobody knows what it weighs.</param>
/// <param name="Pieces">Pieces of the whole batch, as the parts were said to make; null where nobody said.</param>
/// <param name="PerPiece">Of one piece; empty where nobody said how many there are.</param>
/// <param name="Variant">The variant that lines, numbers and verdicts are of; null for the recipe as it is.</param>
/// <param name="Picture">Id of what it looks like; null without one.</param>
/// <param name="SuggestedKeeping">What follows from lines and steps; null when they do not say.</param>
public sealed record RecipeSheet(
    Guid? Id,
    int Number,
    string Name,
    decimal Portions,
    string? Meal,
    SheetKeeping Keeping,
    string Reheating,
    string AtEating,
    MeasureSystem System,
    IReadOnlyList<DraftPart> Parts,
    IReadOnlyList<SheetLine> Lines,
    IReadOnlyList<DraftTask> Tasks,
    IReadOnlyList<SheetStep> Steps,
    IReadOnlyList<string> SaidAtEating,
    IReadOnlyList<ShownMeasure> PerPortion,
    PointsSideBySide Points,
    IReadOnlyList<string> Allergens,
    IReadOnlyList<ShownVerdict> Verdicts,
    KeepingSuggestion? SuggestedKeeping,
    IReadOnlyList<DraftVariant> Variants,
    string? Variant,
    IReadOnlyList<SheetUsual> Usual,
    IReadOnlyList<string> Counted,
    ShownEstimate? PortionGrams,
    IReadOnlyList<ShownMeasure> PerHundred,
    IReadOnlyList<ShownMeasure> Batch,
    decimal? Pieces,
    IReadOnlyList<ShownMeasure> PerPiece,
    IReadOnlyList<SheetClaim> Claims,
    string Source,
    string Note,
    IReadOnlyList<string> Collections,
    Guid? Picture
);

/// <summary>The variant that is made for an eater.</summary>
/// <param name="Variant">Null for the recipe as written.</param>
/// <param name="IsGone">Whether the recipe has no such variant any more: it is cooked as written then.</param>
/// <param name="Dislikes">Parts that they do not like; an empty name stands for the whole dish.</param>
public sealed record SheetUsual(Guid EaterId, string Eater, string? Variant, bool IsGone, IReadOnlyList<string> Dislikes);

/// <param name="Part">Empty for the whole dish.</param>
public sealed record DislikeRequest(Guid EaterId, string Part, bool IsDisliked);

public sealed record CollectionsRequest(IReadOnlyList<string> Names);

/// <param name="Query">As it stands in the address of the library; null to let the filter go.</param>
public sealed record FilterRequest(string Name, string? Query);

/// <param name="Variant">Null for the recipe as written.</param>
public sealed record UsualVariantRequest(Guid EaterId, string? Variant);

public sealed record FoodFound(string Key, string Name, string Aisle, string Source, string Mark);

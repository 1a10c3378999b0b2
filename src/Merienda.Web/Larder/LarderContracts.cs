using Merienda.Core.Foods;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Protocols;
using Merienda.Core.Stock;
using Merienda.Web.Hosting;

namespace Merienda.Web.Larder;

/// <param name="Because">The heaviest finding of 100 g.</param>
public sealed record FoodVerdict(Guid EaterId, string Eater, Verdict Verdict, string Because, bool HasRules);

public sealed record LarderFood(
    string Key,
    string Name,
    bool IsPacket,
    string Aisle,
    IReadOnlyList<string> Classes,
    string Source,
    string Mark,
    IReadOnlyList<ShownMeasure> PerHundredGrams,
    IReadOnlyList<FoodVerdict> Verdicts
);

/// <param name="Total">How many there are; null when only a page of them was judged.</param>
/// <param name="HasMore">Whether there are more than are shown.</param>
public sealed record LarderPage(int? Total, bool HasMore, IReadOnlyList<LarderFood> Foods);

public sealed record PrintedValue(LabelNutrient Nutrient, string Printed);

/// <summary>A packet as a person types it.</summary>
/// <param name="Serving">What the values are printed for: "30 g", "2 pieces or 93 g".</param>
/// <param name="BasedOn">The version it was opened at; null for a new packet.</param>
public sealed record PacketDraft(
    string Name,
    LabelCountry Country,
    LabelBasis? Basis,
    string Serving,
    IReadOnlyList<PrintedValue> Values,
    string Statement,
    string MayContain,
    string Pack,
    decimal? Price,
    decimal? Points,
    int? OpenedDays,
    IReadOnlyList<string> Classes,
    string Aisle,
    int? BasedOn
);

/// <param name="Servings">How many servings a batch takes, for what rounding can hide.</param>
public sealed record ReadPacketRequest(PacketDraft Packet, decimal Servings);

/// <param name="Served">What the printed value stands for, per serving as printed.</param>
/// <param name="Batch">The same for as many servings as the batch takes: within one packet the widths add.</param>
public sealed record ReadValue(
    LabelNutrient Nutrient,
    string Unit,
    ShownEstimate Served,
    ShownEstimate PerHundredGrams,
    ShownEstimate Batch
);

public enum MarkKind
{
    /// <summary>Somebody at the table leaves it out.</summary>
    LeftOut,

    /// <summary>Nobody can tell from it.</summary>
    Untold,

    /// <summary>Known, and nobody leaves it out.</summary>
    Known,
}

/// <summary>A stretch of the statement as printed.</summary>
/// <param name="Says">What the words are: "milk", or why nobody can tell.</param>
public sealed record MarkedWords(int Start, int Length, MarkKind Kind, string Says);

public sealed record HeldClass(string Class, string Words, string? Allergen);

/// <summary>What a statement says.</summary>
public sealed record ReadStatement(
    string Text,
    string MayContainText,
    IReadOnlyList<MarkedWords> Marks,
    IReadOnlyList<HeldClass> Holds,
    IReadOnlyList<HeldClass> MayContain,
    IReadOnlyList<string> CannotTell
);

/// <param name="ServingGrams">What the serving weighs as it was read.</param>
/// <param name="Measure">The other basis as a measure: "1 each is 46.5 g"; null when only a weight is printed.</param>
/// <param name="EnergyQuery">How the declared energy differs from the factors' sum, or null when it does not.</param>
/// <param name="Verdicts">Of one serving, by every rule.</param>
public sealed record PacketAnswer(
    decimal ServingGrams,
    string? Measure,
    IReadOnlyList<ReadValue> Values,
    ShownEstimate? NetCarbs,
    ShownEstimate? TotalCarbs,
    string? EnergyQuery,
    ReadStatement Statement,
    IReadOnlyList<ShownVerdict> Verdicts
);

public sealed record ShownAmount(
    string Key,
    string Name,
    string Unit,
    int Decimals,
    ShownEstimate PerServing,
    ShownEstimate PerHundredGrams
);

/// <param name="Factor">Grams cooked for a gram raw.</param>
public sealed record ShownYield(string Method, decimal Factor, string Source);

public sealed record FoodMeasure(string Name, decimal Grams);

/// <param name="Most">Grams of the largest portion that stays under the cut-off; null when nobody knows or it never comes near.</param>
public sealed record FoodFodmap(string Name, ShownEstimate PerHundredGrams, bool IsKnown, decimal CutOff, decimal? Most);

/// <param name="Holds">False when the packet's ingredients changed since it was approved.</param>
public sealed record ShownOpinion(Guid EaterId, string Eater, bool IsApproved, string Reason, DateOnly On, bool Holds);

public sealed record PacketVersionRow(int Number, DateTimeOffset At);

public sealed record UsedIn(Guid RecipeId, string Name, bool IsOlderVersion);

/// <summary>What only a packet has.</summary>
public sealed record PacketSheet(
    Guid Id,
    int Version,
    PacketDraft Printed,
    ReadStatement Statement,
    IReadOnlyList<PacketVersionRow> Versions,
    IReadOnlyList<ShownOpinion> Opinions
);

/// <summary>One calm page for a food or a packet.</summary>
/// <param name="Serving">What "a serving" is here, in words: "2 pieces or 93 g".</param>
public sealed record FoodSheet(
    string Key,
    string Name,
    string Aisle,
    IReadOnlyList<string> Classes,
    IReadOnlyList<string> Synonyms,
    string Source,
    string Mark,
    string Serving,
    decimal ServingGrams,
    IReadOnlyList<ShownAmount> Amounts,
    IReadOnlyList<FoodMeasure> Measures,
    decimal? Density,
    IReadOnlyList<ShownYield> Yields,
    string? Keeping,
    IReadOnlyList<decimal> Packs,
    IReadOnlyList<FoodFodmap> Fodmaps,
    string? FodmapSource,
    IReadOnlyList<string> Allergens,
    IReadOnlyList<ShownVerdict> Verdicts,
    IReadOnlyList<UsedIn> UsedIn,
    PacketSheet? Packet
);

public enum Side
{
    Left,
    Right,
}

/// <param name="MorePerHundredGrams">Which side holds more of it; null when nobody can say so, because the ranges meet.</param>
public sealed record ComparedMeasure(
    string Key,
    string Name,
    string Unit,
    int Decimals,
    ShownEstimate LeftServing,
    ShownEstimate RightServing,
    ShownEstimate Left,
    ShownEstimate Right,
    Side? MorePerServing,
    Side? MorePerHundredGrams
);

public sealed record ComparedFood(
    string Key,
    string Name,
    string Serving,
    ShownVerdict? Verdict,
    IReadOnlyList<string> Allergens,
    string? Price
);

public sealed record Comparison(ComparedFood Left, ComparedFood Right, IReadOnlyList<ComparedMeasure> Measures);

public sealed record OpinionRequest(bool IsApproved, string Reason, bool IsAdult);

/// <param name="Line">As ingredient lines: "500 g red lentils, 6 eggs". With a chosen food it is one thing.</param>
/// <param name="Food">Key of the food that a person chose, or null to let the words decide.</param>
public sealed record TakeInRequest(
    string Line,
    StockPlace Place,
    string? Food = null,
    DateOnly? MadeOn = null,
    DateOnly? BestBefore = null
);

/// <summary>What a line brought in, and what of it was not taken with the reason.</summary>
public sealed record TakenIn(IReadOnlyList<string> Taken, IReadOnlyList<NotTaken> NotTaken);

public sealed record NotTaken(string Text, string Because);

public enum StockAction
{
    Opened,
    Frozen,
    UsedUp,
    ToPantry,
    ToFridge,
}

public sealed record StockActionRequest(StockAction Action);

/// <param name="Grams">What is left of it.</param>
public sealed record StockAmountRequest(decimal Grams);

public sealed record StockRow(
    Guid Id,
    string? Food,
    string Name,
    string Amount,
    StockPlace Place,
    DateOnly MadeOn,
    DateOnly? OpenedOn,
    DateOnly? FrozenOn,
    DateOnly? ThawedOn,
    DateOnly? BestBefore,
    decimal? Grams,
    DateOnly? GoBy,
    string? Because,
    bool IsDue,
    bool IsPast
);

/// <param name="PlannedFor">"Sun 22 Nov, lunch, Teun"; null while it is loose.</param>
/// <param name="MayGo">True for a loose box of an earlier session, which can be marked as eaten or thrown away here.</param>
public sealed record StockBox(
    Guid Id,
    Guid BatchId,
    string Tape,
    string Dish,
    string Size,
    StockPlace Place,
    DateOnly MadeOn,
    DateOnly EatBy,
    string? PlannedFor,
    bool IsDue,
    bool IsPast,
    bool MayGo
);

/// <param name="Due">How many of all must go within a week.</param>
public sealed record StockPage(DateOnly Today, IReadOnlyList<StockRow> Items, IReadOnlyList<StockBox> Boxes, int Due);

/// <summary>A line of the answer while a file is read or brought in.</summary>
/// <param name="Done">Rows done so far.</param>
/// <param name="Report">Only in the last line.</param>
public sealed record ImportProgress(int Done, int Total, ImportReport? Report);

public sealed record ImportProblem(int Row, string Column, string Value, string Reason, string Cure);

/// <param name="IsApplied">False for a dry run, and when a row was refused: then nothing is kept.</param>
/// <param name="Problems">The first hundred.</param>
/// <param name="Sequence">What takes the whole file back; null when nothing was kept.</param>
public sealed record ImportReport(
    bool IsApplied,
    int Rows,
    int Added,
    int Changed,
    int Refused,
    IReadOnlyList<ImportProblem> Problems,
    long? Sequence
);

using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Web.Table;

/// <param name="From">First date it holds on; null when it always did.</param>
public sealed record RuleStage(DateOnly? From, decimal? AtLeast, decimal? AtMost);

/// <param name="Sentence">The rule with this eater's allowance of today, as one sentence.</param>
/// <param name="Unit">Unit of the bounds; null for a rule that asks nothing.</param>
/// <param name="Stages">Everything that was stated, the numbers of each stage with its start.</param>
/// <param name="Caution">What to heed about the stated number, or null.</param>
public sealed record TableRule(
    string Protocol,
    string Rule,
    string Title,
    string Sentence,
    string? Unit,
    bool AsksAtLeast,
    bool AsksAtMost,
    decimal? AtLeast,
    decimal? AtMost,
    bool NeedsAllowance,
    bool IsEnergy,
    IReadOnlyList<RuleStage> Stages,
    string? Caution
);

public sealed record TableOption(string Id, string Name);

public sealed record TableChoice(string Protocol, string Id, string Name, IReadOnlyList<TableOption> Options, string Chosen);

public sealed record TableStretch(PhaseKind Kind, string? Challenge, DateOnly First, DateOnly? Last);

public sealed record TableChallenge(string Id, string Name, int Days, int WashoutDays, ChallengeOutcome Outcome);

/// <summary>An eater's way through a protocol's phases.</summary>
/// <param name="Start">Null when nobody started.</param>
/// <param name="Today">Where the eater stands: "Today: try lactose, 3rd day"; null before a start is set.</param>
/// <param name="Challenges">In the order they are tried.</param>
public sealed record TablePhases(
    string Protocol,
    int ShortestDays,
    int LongestDays,
    DateOnly? Start,
    DateOnly? RestrictionEnds,
    string? Today,
    IReadOnlyList<TableChallenge> Challenges,
    IReadOnlyList<TableStretch> Stretches
);

public sealed record TableAcceptance(string What, string Name, string Reason, DateTimeOffset AcceptedAt);

public sealed record TableEater(
    Guid Id,
    string Name,
    bool IsGuest,
    decimal PortionHabit,
    IReadOnlyList<string> Protocols,
    IReadOnlyList<TableChoice> Choices,
    IReadOnlyList<TableRule> Rules,
    IReadOnlyList<TablePhases> Phases,
    IReadOnlyList<EaterMeal> Meals,
    IReadOnlyList<string> Allergies,
    IReadOnlyList<TableAcceptance> Accepted,
    IReadOnlyList<NamedKey> Dislikes,
    bool CountsTraces,
    bool TrustsRefinedSoybeanOil,
    IReadOnlyList<string> Conflicts
);

public sealed record NamedKey(string Key, string Name);

/// <param name="IsOwn">The household's own copy, which can be changed.</param>
/// <param name="Origin">Name of the protocol it was copied from, or null.</param>
public sealed record TableProtocol(
    string Id,
    string Name,
    string Summary,
    string Source,
    int Version,
    bool IsOwn,
    string? Origin,
    IReadOnlyList<string> Cautions,
    IReadOnlyList<string> Followers
);

/// <param name="Allergen">Which of the EU's 14 allergens it is, or null.</param>
/// <param name="AllergyTo">The family that an allergy to it means; null when it is its own.</param>
public sealed record TableClass(string Key, string? Parent, string Name, string? Allergen, string? AllergyTo);

public sealed record TablePage(
    string Household,
    string TimeZone,
    DateOnly Today,
    IReadOnlyList<TableEater> Eaters,
    IReadOnlyList<TableProtocol> Protocols,
    IReadOnlyList<TableClass> Classes
);

/// <param name="IsGuest">Gets portions and has no rules.</param>
public sealed record AddEaterRequest(string Name, bool IsGuest = false);

public sealed record NameRequest(string Name);

public sealed record ProtocolsRequest(IReadOnlyList<string> Protocols);

/// <param name="Measures">Keys, in their order; none for the tightest limit.</param>
public sealed record PinRequest(IReadOnlyList<string> Measures);

public sealed record ChoiceRequest(string Protocol, string Choice, string Option);

/// <param name="From">First date it holds on, or null for always.</param>
/// <param name="ClinicalTeam">True when the eater's own clinical team set the number; needed below 800 kcal a day.</param>
/// <param name="Until">Last date it holds on; from the next one on holds what held before. Null for no end.</param>
public sealed record AllowanceRequest(
    string Protocol,
    string Rule,
    bool ClinicalTeam,
    decimal? AtLeast = null,
    decimal? AtMost = null,
    DateOnly? From = null,
    DateOnly? Until = null
);

/// <param name="From">Id of the eater whose numbers hold here too.</param>
public sealed record SameAllowancesRequest(Guid From);

public sealed record MealsRequest(IReadOnlyList<EaterMeal> Meals);

/// <param name="CountsTraces">Whether a trace low in a packet's statement counts for what protocols leave out.</param>
/// <param name="TrustsRefinedSoybeanOil">Whether soybean oil that the law of the label's country exempts is no soy for an allergy; the
/// careful answer is no.</param>
public sealed record PersonalRequest(
    IReadOnlyList<string> Allergies,
    IReadOnlyList<string> Dislikes,
    decimal PortionHabit,
    bool CountsTraces = true,
    bool TrustsRefinedSoybeanOil = false
);

/// <param name="What">Key of a food, or the words of a line that no food was found for.</param>
/// <param name="IsAdult">The person who accepts says that they are an adult and read what is printed.</param>
public sealed record AcceptanceRequest(string What, string Reason, bool IsAdult);

public sealed record WithdrawRequest(string What);

public sealed record PhaseRequest(string Protocol, DateOnly Start, DateOnly RestrictionEnds, IReadOnlyList<string> Order);

public sealed record OutcomeRequest(string Protocol, string Challenge, ChallengeOutcome Outcome);

public sealed record DiaryRequest(string Protocol, DateOnly NotedOn, string Text);

/// <summary>A verdict that a change turns.</summary>
/// <param name="What">The recipe, or the day or meal of this week: "Mon 23 Nov, supper".</param>
public sealed record Effect(bool IsDay, string Eater, string What, Verdict From, Verdict To, string Because);

public sealed record Effects(IReadOnlyList<Effect> Changes);

public sealed record EditedRule(string Kind, string Sentence);

/// <summary>A protocol to read, or to edit as the document it is.</summary>
/// <param name="Document">The protocol as JSON.</param>
/// <param name="Versions">Numbers, newest first.</param>
public sealed record ProtocolSheet(
    TableProtocol Protocol,
    string Document,
    IReadOnlyList<ProtocolSection> Sections,
    IReadOnlyList<int> Versions
);

/// <summary>The rules that hold always (no choice), or under one option.</summary>
public sealed record ProtocolSection(string? Choice, string? Option, IReadOnlyList<EditedRule> Rules);

/// <param name="Followers">Eaters who follow the copy from now on, with what they stated.</param>
public sealed record CopyRequest(string Name, IReadOnlyList<Guid> Followers);

public sealed record DocumentRequest(string Document);

/// <param name="IncludesThisWeek">The week that is running takes the new version over; earlier weeks never do.</param>
public sealed record ChangeProtocolRequest(string Document, int BasedOn, bool IncludesThisWeek);

public sealed record ProtocolSaved(string Id, int Version);

/// <summary>What a draft says and turns, before anything is saved.</summary>
/// <param name="Points">Recipes whose points a portion change; empty when the draft counts as before.</param>
public sealed record DraftEffect(
    IReadOnlyList<ProtocolSection> Sections,
    IReadOnlyList<Effect> Changes,
    IReadOnlyList<PointsEffect> Points
);

public sealed record PointsEffect(string Recipe, decimal From, decimal To);

public sealed record KindField(
    string Key,
    string Label,
    RuleFieldType Type,
    string Help,
    bool IsRequired,
    string? Unit,
    decimal? Min,
    decimal? Max,
    IReadOnlyList<FieldOption>? Options
);

/// <param name="Example">A rule of this kind as JSON, to start a new one from.</param>
public sealed record KindSheet(string Key, string Name, string Summary, string Pattern, IReadOnlyList<KindField> Fields, string Example);

public sealed record MeasureSheet(string Key, string Name, string Unit);

public sealed record KindList(IReadOnlyList<KindSheet> Kinds, IReadOnlyList<MeasureSheet> Measures);

/// <param name="DeficitPercent">0 to 25.</param>
public sealed record EnergyNeedRequest(
    Sex Sex,
    decimal Kilograms,
    decimal Centimetres,
    decimal Years,
    decimal Activity,
    decimal DeficitPercent
);

public sealed record EnergyNeedAnswer(decimal Resting, decimal Need, decimal Target, decimal PaceKilograms, IReadOnlyList<string> Cautions);

public sealed record KitchenSheet(Kitchen Kitchen, IReadOnlyList<string> Kinds, IReadOnlyList<string> Materials);

public sealed record ExchangeDifference(string Name, string Unit, int Decimals, decimal Difference);

/// <param name="Stops">Eaters who are allergic to the other food: no exchange relaxes that.</param>
/// <param name="Rejected">Who rejected it, when and why.</param>
public sealed record ExchangeAnswer(
    string From,
    string To,
    decimal Grams,
    string Equal,
    IReadOnlyList<ExchangeDifference> Differences,
    IReadOnlyList<string> Stops,
    IReadOnlyList<string> Rejected
);

using System.Text.Json.Serialization;
using Merienda.Core.Foods;
using Merienda.Core.Quantities;

namespace Merienda.Core.Protocols;

/// <summary>
/// Each food's dose of each sub-group stays below its cut-off at a sitting (Varney et al. 2017, from memory [M]); how doses stack over a
/// meal is a note, never a verdict
/// (domain.md section 5). A food without published data can't be told, unless all its carbohydrate stays below.
/// </summary>
public sealed record FodmapRule : Rule
{
    public static readonly RuleKind Described = new(
        "fodmap",
        "FODMAP dose",
        "Keeps each food's dose of each FODMAP sub-group below its cut-off at a sitting.",
        "{name}: every food below the cut-off for {groups} at a meal",
        [
            RuleField.Name,
            new(
                "groups",
                "sub-groups",
                RuleFieldType.Choices,
                "Sub-groups that are held to their cut-offs; those found to be tolerated are left out.",
                IsRequired: true,
                Options: [.. Fodmaps.Groups.Select(group => new FieldOption(KeyOf(group), Fodmaps.NameOf(group)))]
            ),
        ],
        new FodmapRule
        {
            Id = "fodmaps",
            Name = "FODMAPs",
            Groups = [.. Fodmaps.Groups.Select(KeyOf)],
        }
    );

    public static readonly IReadOnlyList<string> GroupKeys = [.. Fodmaps.Groups.Select(KeyOf)];

    public required string Name { get; init; }

    /// <summary>Keys of the sub-groups that are restricted.</summary>
    public required IReadOnlyList<string> Groups { get; init; }

    [JsonIgnore]
    public override RuleKind Kind => Described;

    [JsonIgnore]
    public override Period Period => Period.Meal;

    [JsonIgnore]
    public override string Title => Name;

    public override string Sentence(FoodClasses classes) =>
        Groups.Count == 0
            ? $"{Name}: no sub-group is restricted any more"
            : $"{Name}: every food below the cut-off for {string.Join(", ", Restricted.Select(Fodmaps.NameOf))} at a meal";

    public override Rule Allowing(IReadOnlySet<string> keys) => this with { Groups = [.. Groups.Where(key => !keys.Contains(key))] };

    public override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context) => Check(portion, context);

    public override Finding Check(Intake intake, RuleContext context)
    {
        var restricted = Restricted.ToList();
        var sitting = FodmapSitting.Of(intake, restricted);
        var doses = sitting.Foods.SelectMany(food => restricted.Select(group => FodmapDose.Of(food.Food, group, food.Grams))).ToList();
        var verdict = doses.Select(dose => dose.Verdict).Append(sitting.Doubts.Count > 0 ? Verdict.CannotTell : Verdict.Fits).RollUp();
        var worst = doses.Where(dose => dose.Verdict == verdict).OrderByDescending(dose => dose.OfCutOff).ToList();
        var names = doses
            .Where(dose => dose.Verdict != Verdict.Fits)
            .OrderByDescending(dose => dose.Verdict)
            .ThenByDescending(dose => dose.OfCutOff)
            .Select(dose => dose.Food)
            .Concat(sitting.Doubts.Select(doubt => doubt.Words))
            .Distinct();
        return new(
            Id,
            Name,
            verdict,
            null,
            null,
            null,
            [.. names.Select(name => new Contributor(name, 0))],
            Because(verdict, worst, sitting.Doubts)
        )
        {
            Cure = sitting.Doubts.Count > 0 ? null : Cure(verdict, doses),
            Doubts = verdict == Verdict.CannotTell ? sitting.Doubts : [],
            Notes = [.. sitting.Doubts.Count > 0 ? [] : LargestPortion(intake, doses), .. Stacking(doses)],
        };
    }

    public override Verdict JudgePortion(Intake portion, decimal? mealShare, RuleContext context)
    {
        var restricted = Restricted.ToList();
        var sitting = FodmapSitting.Of(portion, restricted);
        var worst = sitting.Doubts.Count > 0 ? Verdict.CannotTell : Verdict.Fits;
        foreach (var (food, grams) in sitting.Foods)
        {
            var verdict = FodmapSitting.Judge(food, grams, restricted);
            if (verdict == Verdict.Breaks)
            {
                return verdict;
            }

            worst = verdict > worst ? verdict : worst;
        }

        return worst;
    }

    private static string KeyOf(FodmapGroup group) =>
        group == FodmapGroup.ExcessFructose ? "excessFructose" : group.ToString().ToLowerInvariant();

    private static readonly IReadOnlyDictionary<string, FodmapGroup> ByKey = Fodmaps.Groups.ToDictionary(KeyOf);

    private IEnumerable<FodmapGroup> Restricted => Groups.Where(ByKey.ContainsKey).Select(key => ByKey[key]).Order();

    private string Because(Verdict verdict, List<FodmapDose> worst, IReadOnlyList<LineDoubt> doubts)
    {
        if (verdict == Verdict.Fits)
        {
            return Groups.Count == 0 ? $"{Name}: no sub-group is restricted any more." : $"{Name}: every food stays below its cut-offs.";
        }

        if (verdict == Verdict.CannotTell && doubts.Count > 0)
        {
            return $"{Name}: {string.Join("; ", doubts.Take(3).Select(doubt => doubt.Said))}.";
        }

        var named = worst.DistinctBy(dose => dose.Food).Take(2).ToList();
        return verdict switch
        {
            Verdict.Breaks =>
                $"{Name}: {string.Join(" and ", named.Select(dose => $"{dose.Food} {Show(dose.Dose.Best)} g of {dose.Substance}, not less than {dose.CutOff:0.00} g"))} at a sitting.",
            Verdict.CannotTell when worst.FirstOrDefault(dose => dose.Names is not null) is { } packet =>
                $"{Name}: {packet.Food} names {packet.Names}, and its packet does not say how much.",
            Verdict.CannotTell =>
                $"{Name}: no published value for {string.Join(" and ", named.Select(dose => $"{dose.Substance} in {dose.Food}"))}.",
            _ =>
                $"{Name}: {string.Join(" and ", named.Select(dose => $"{dose.Food} {Show(dose.Dose.Best)} g of {dose.Substance} (between {Show(dose.Dose.Low)} and {Show(dose.Dose.High ?? 0)})"))} is too close to less than {named[0].CutOff:0.00} g at a sitting.",
        };
    }

    private static string? NamedBy(Food food) =>
        food.Packet is { IsRead: true } packet
        && Fodmaps
            .Classes.Where(packet.Holds)
            .SelectMany(above => packet.Reading.Holds.Where(held => held.Key == above).Select(held => $"\"{held.Value}\""))
            .Distinct()
            .Take(3)
            .ToList()
            is { Count: > 0 } words
            ? string.Join(", ", words)
            : null;

    /// <summary>How much of each food that is over stays below; null while another one can't be told.</summary>
    private static string? Cure(Verdict verdict, List<FodmapDose> doses)
    {
        if (verdict is not (Verdict.Breaks or Verdict.TooClose) || doses.Any(dose => dose.Verdict == Verdict.CannotTell))
        {
            return null;
        }

        var most = doses
            .Where(dose => dose.Verdict != Verdict.Fits)
            .GroupBy(dose => dose.Food)
            .Select(food => (Food: food.Key, Grams: food.Min(dose => Math.Floor(dose.Grams * dose.BelowCutOff))))
            .ToLookup(food => food.Grams > 0);
        var less = string.Join(" and ", most[true].Select(food => $"{food.Grams:0} g {food.Food}"));
        var none = string.Join(" and ", most[false].Select(food => $"no {food.Food}"));
        return string.Join("; ", new[] { less.Length > 0 ? $"at most {less} at a sitting" : "", none }.Where(part => part.Length > 0));
    }

    /// <summary>How much of one dish may be eaten at a sitting.</summary>
    private static IEnumerable<string> LargestPortion(Intake intake, List<FodmapDose> doses)
    {
        var limiting = doses.Where(dose => dose.IsKnown && dose.Dose.High > 0).MinBy(dose => dose.BelowCutOff);
        if (intake.Helpings is [var helping] && limiting is not null && doses.All(dose => dose.IsKnown))
        {
            var portions = Math.Floor(helping.Size * limiting.BelowCutOff * 20) / 20;
            yield return portions == 0
                ? $"Not even a twentieth of a portion stays below, because of {limiting.Food}."
                : $"The largest portion that stays below is {portions:0.##}; {limiting.Food} limits it.";
        }
    }

    private static IEnumerable<string> Stacking(List<FodmapDose> doses) =>
        doses
            .Where(dose => dose.IsKnown)
            .GroupBy(dose => dose.Group)
            .Select(group =>
                (
                    Group: group.Key,
                    Sum: group.Sum(dose => dose.OfCutOff),
                    Of: group.Where(dose => dose.OfCutOff > 0).OrderByDescending(dose => dose.OfCutOff).Take(3)
                )
            )
            .Where(stack => stack.Sum > 1 && stack.Of.Count() > 1)
            .Select(stack =>
                $"{char.ToUpperInvariant(Fodmaps.NameOf(stack.Group)[0])}{Fodmaps.NameOf(stack.Group)[1..]} stack to {stack.Sum:0.0} of a cut-off over the meal: {string.Join(", ", stack.Of.Select(dose => $"{dose.Food} {dose.OfCutOff:0.0}"))}."
            );

    private static string Show(decimal grams) => grams.ToString("0.00");

    /// <summary>What one food brings of one sub-group at a sitting, g.</summary>
    private sealed record FodmapDose(string Food, FodmapGroup Group, string Substance, Estimate Dose, decimal CutOff, bool IsKnown)
    {
        /// <summary>Grams of the food at the sitting.</summary>
        public decimal Grams { get; init; }

        public decimal OfCutOff => Dose.Best / CutOff;

        /// <summary>
        /// How many times the helping would stay below for certain; a dose must be less than its cut-off, so a thousandth is kept back.
        /// </summary>
        public decimal BelowCutOff => Dose.High is > 0 and { } high ? CutOff / high * 0.999m : 0;

        public Verdict Verdict => FodmapSitting.Judge(Dose, CutOff, IsKnown);

        /// <summary>Words of a packet's statement that bring much in little, in its order; null for what has none.</summary>
        public string? Names { get; init; }

        public static FodmapDose Of(Food food, FodmapGroup group, Estimate grams)
        {
            var content = Fodmaps.ContentOf(food, group);
            return new(
                food.Name,
                group,
                Fodmaps.NameOf(group),
                content.PerHundredGrams.In(grams),
                Fodmaps.CutOff(food, group),
                content.IsKnown
            )
            {
                Grams = grams.Best,
                Names = NamedBy(food),
            };
        }
    }
}

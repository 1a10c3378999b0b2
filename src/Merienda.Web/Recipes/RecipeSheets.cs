using Merienda.Core.Claims;
using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using Merienda.Storage;
using Merienda.Web.Hosting;

namespace Merienda.Web.Recipes;

/// <summary>Translates between drafts, recipe versions and the sheet that is drawn.</summary>
public static class RecipeSheets
{
    /// <param name="foods">What the household cooks with now: a line may hold an older version of a packet.</param>
    /// <param name="current">The version of each used recipe that counts now.</param>
    public static RecipeSheet ToSheet(
        StoredRecipe recipe,
        Guid? id,
        Core.Planning.Table table,
        FoodMatcher foods,
        KnowledgeBase knowledge,
        IReadOnlyDictionary<Guid, Guid> current,
        string? variant = null
    )
    {
        var eaters = table.Diners;
        // Asked for a variant that is there no more, the recipe as it is is shown.
        var version = recipe.Version.As(variant) ?? recipe.Version;
        var helping = new Helping(version.Name, version.Profile, 1);
        var portion = Intake.Of(helping);
        // Where the ways of rounding are shown side by side, it is in the scheme of the first who counts points.
        var scheme = eaters.FirstOrDefault(eater => eater.Rules.CountsPoints)?.Rules.Context.Scheme ?? knowledge.HouseScheme;
        var served = version.MadeIn(YieldUnit.Grams) is { } made ? Estimate.Exactly(made / version.Portions) : version.Profile.ServedWeight;
        var isWeighed = served is { Low: > 0, High: not null };
        IReadOnlyList<ShownMeasure> All(Func<Estimate, Estimate> of) =>
            [
                .. MeasureInfo
                    .All.Where(info => info.Measure != Measure.Points)
                    .Select(info => Shown.Of(info, of(portion.Value(info.Measure, scheme)))),
            ];
        var points = new PointsSideBySide(
            Shown.Round(scheme.PointsOf(helping, PointsRounding.Portion).Best),
            Shown.Round(scheme.PointsOf(helping, PointsRounding.Ingredient).Best),
            Shown.Round(scheme.PointsOf(helping, PointsRounding.Nothing).Best)
        );
        return new(
            id,
            recipe.Number,
            version.Name,
            version.Portions,
            version.Meal,
            ToKeeping(version.Keeping),
            version.Reheating,
            version.AtEating,
            recipe.System,
            [.. version.Parts.Select(ToPart)],
            [.. version.Lines.Select(line => SheetLines.Of(line, version.Profile, foods, current, knowledge.Classes))],
            [.. version.Tasks.Select(ToTask)],
            [.. StepsOf(version, foods, table.Household.CountsInOunces)],
            [.. version.SaidAtEating(null)],
            [.. All(value => value), .. Shown.Points(helping, eaters, knowledge.HouseScheme)],
            points,
            knowledge.Classes.AllergensOf(version.Ingredients.SelectMany(line => line.Meanings).SelectMany(meaning => meaning.Foods)),
            [.. eaters.Select(eater => ToVerdict(eater, version))],
            KeepingOf.Of(version.Name, version.Lines, [.. version.Tasks.Select(task => task.Text)]) is { } keeping
                ? new(
                    keeping.Class.Key,
                    $"{keeping.Class.FridgeDays} {(keeping.Class.FridgeDays == 1 ? "day" : "days")}: {keeping.Because}"
                )
                : null,
            [.. recipe.Version.Variants.Select(ToVariant)],
            version == recipe.Version ? null : variant,
            [.. eaters.Select(eater => ToUsual(eater, recipe))],
            [.. eaters.SelectMany(eater => eater.Rules.Measures).Distinct().Select(measure => MeasureInfo.Of(measure).Key)],
            isWeighed ? Shown.Of(served) : null,
            isWeighed ? All(value => value.Per(100, served)) : [],
            All(value => value * version.Portions),
            version.MadeIn(YieldUnit.Pieces),
            version.MadeIn(YieldUnit.Pieces) is { } pieces ? All(value => value * (version.Portions / pieces)) : [],
            [.. ClaimCheck.Of(recipe.Version, scheme).Select(ToClaim)],
            recipe.Version.Source,
            recipe.Version.Note,
            [],
            null
        );
    }

    private static IEnumerable<SheetStep> StepsOf(RecipeVersion version, FoodMatcher foods, bool inOunces) =>
        CookedDish
            .Alone(version, version.Portions)[^1]
            .Steps.Where(step => step.Round == 1)
            .Select(step => new SheetStep(
                step.Task.Id,
                [
                    .. step.Takes.Select(take => new SheetTake(
                        take.Line.Typed.Id,
                        TakenWords.Of(take.Line, take.Times, grams => HouseholdMass.Show(grams, inOunces)),
                        take.Times > 0
                    )),
                ],
                step.Needed,
                SaidBy(step.Task),
                StepFoods.Unlisted(step.Task, version.Lines, foods)
            ));

    private static StepSays? SaidBy(PrepTask task) =>
        TaskReader.SaysHowLong(task.Text)
        && TaskReader.Read([task.Text]) is [var read]
        && (read.HandsOn, read.Unattended, read.Appliance, read.TemperatureC)
            != (task.HandsOn, task.Unattended, task.Appliance, task.TemperatureC)
            ? new(read.HandsOn, read.Unattended, read.Appliance, read.TemperatureC)
            : null;

    private static SheetClaim ToClaim(ClaimFinding finding)
    {
        var info = ClaimInfo.Of(finding.Claim.What);
        return new(
            ToDraft(finding.Claim),
            info.Name,
            info.Show(finding.Claim.Value),
            finding.Ours is { } ours ? info.Show(ours) : null,
            finding.Verdict,
            finding.Because
        );
    }

    internal static DraftClaim ToDraft(Claim claim) => new(claim.What, claim.Value, claim.Variant, claim.Part, claim.Of);

    private static SheetUsual ToUsual(Eater eater, StoredRecipe recipe)
    {
        var usual = eater.UsualVariants.GetValueOrDefault(recipe.RecipeId);
        return new(
            eater.Id,
            eater.Name,
            usual,
            recipe.Version.As(usual) is null,
            [.. eater.DislikedDishes.Where(one => one.Recipe == recipe.RecipeId).Select(one => one.Part)]
        );
    }

    /// <summary>A recipe as a person would edit it.</summary>
    public static RecipeDraft ToDraft(StoredRecipe recipe) =>
        new(
            recipe.Version.Name,
            recipe.Version.Portions,
            recipe.Version.Meal,
            recipe.Version.Keeping.Key,
            recipe.Version.Reheating,
            recipe.Version.AtEating,
            recipe.System,
            [.. recipe.Version.Lines.Select(ToDraft)],
            [.. recipe.Version.Tasks.Select(ToTask)],
            recipe.Number,
            [.. recipe.Version.Parts.Select(ToPart)],
            [.. recipe.Version.Variants.Select(ToVariant)],
            [.. recipe.Version.Claims.Select(ToDraft)],
            recipe.Version.Source,
            recipe.Version.Note
        );

    internal static DraftVariant ToVariant(Variant variant) =>
        new(
            variant.Name,
            [.. variant.Lines.Select(change => new DraftLineChange(change.Line, change.Times))],
            [.. variant.Parts.Select(change => new DraftPartChange(change.Part, change.Times))],
            [.. variant.Added.Select(added => new DraftVariantLine(added.Instead, ToDraft(added.Line)))]
        );

    internal static DraftLine ToDraft(RecipeLine line) =>
        new(
            line.Part,
            line.Read.Text,
            line.Typed.IsChosen ? line.Use?.Of.Key ?? line.Food?.Key : null,
            line.Typed.Id,
            line.Typed.Precision,
            line.Typed.EatenShare,
            line.Typed.KeptFat,
            line.Typed.IsOptional
        );

    internal static DraftPart ToPart(RecipePart part) =>
        new(
            part.Name,
            part.Apart,
            part.Keeping?.Key ?? "",
            part.KeepingReason,
            part.TakesOff,
            part.GoesOn,
            part.Made?.Amount,
            part.Made?.Unit ?? YieldUnit.Grams
        );

    public static SheetKeeping ToKeeping(KeepingClass keeping) =>
        new(keeping.Key, keeping.Name, keeping.FridgeDays, keeping.FreezerMonths, keeping.Note, keeping.Source);

    public static DraftTask ToTask(PrepTask task) =>
        new(
            task.Id,
            task.Text,
            task.HandsOn,
            task.Unattended,
            task.Appliance,
            task.TemperatureC,
            task.After,
            task.Lines,
            task.WaitsAtMost,
            task.RoundPieces,
            task.Instead
        );

    public static RecipeRow ToRow(StoredRecipe recipe, IReadOnlyList<Eater> eaters, KnowledgeBase knowledge)
    {
        var helping = new Helping(recipe.Version.Name, recipe.Version.Profile, 1);
        var verdicts = eaters
            .Select(eater => (Eater: eater, Variant: eater.UsualOf(recipe.RecipeId, recipe.Version)))
            .Select(of =>
                (
                    of.Eater,
                    of.Variant,
                    Findings: of.Eater.Judge(recipe.Version.Name, recipe.Version.As(of.Variant)!.Profile, recipe.Version.Meal)
                )
            )
            .Select(found => new RowVerdict(
                found.Eater.Id,
                found.Eater.Name,
                found.Findings.Select(finding => finding.Verdict).RollUp(),
                found.Findings.MaxBy(finding => finding.Verdict)?.Because ?? "No protocol is chosen.",
                found.Findings.Count > 0,
                found.Variant,
                found.Eater.Dislikes(recipe.RecipeId, recipe.Version.As(found.Variant)!)
            ));
        return new(
            recipe.RecipeId,
            recipe.Version.Name,
            recipe.Version.Portions,
            recipe.Version.Meal,
            Shown.Short(helping, eaters, knowledge.HouseScheme),
            [.. verdicts],
            [.. recipe.Version.Variants.Select(variant => variant.Name)]
        );
    }

    private static ShownVerdict ToVerdict(Eater eater, RecipeVersion version)
    {
        var findings = eater.Judge(version.Name, version.Profile, version.Meal);
        return new(eater.Id, eater.Name, findings.Select(finding => finding.Verdict).RollUp(), [.. findings.Select(Shown.Of)]);
    }
}

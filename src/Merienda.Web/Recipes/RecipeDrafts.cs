using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Storage;

namespace Merienda.Web.Recipes;

/// <summary>Makes a recipe's version of what was typed, or says why it cannot be one.</summary>
public static class RecipeDrafts
{
    public const int MostTasks = 60;

    /// <summary>A draft of what somebody wrote; what it does not say is left for the cook.</summary>
    /// <param name="foods">By which the steps know the lines of a part.</param>
    /// <param name="rhythm">The household's: which of its meals a course is.</param>
    public static RecipeDraft Of(WrittenRecipe written, FoodMatcher foods, Rhythm rhythm)
    {
        IReadOnlyList<TypedLine> lines = [.. LineThings.Of(written, foods).Select(line => line with { Id = Guid.CreateVersion7() })];
        return new(
            written.Name[..Math.Min(120, written.Name.Length)],
            written.Portions,
            rhythm.OfCourse(written.Course, written.Name)?.Key,
            "",
            "",
            "",
            MeasureSystem.Metric,
            [.. lines.Select(line => new DraftLine(line.Part, line.Text, null, line.Id))],
            [
                .. StepOrder
                    .ByParts(
                        [.. TaskReader.Read(written.Steps).Take(MostTasks)],
                        [.. lines.Select(line => RecipeLine.From(line, foods, MeasureSystem.Metric))]
                    )
                    .Select(RecipeSheets.ToTask),
            ],
            null,
            Claims: [.. written.Claims.Select(claim => RecipeSheets.ToDraft(claim) with { Of = null })],
            Source: written.Source
        );
    }

    /// <summary>
    /// Reads a draft's lines and refuses what cannot be a recipe. Lines that nobody can read are kept: they count as unknown.
    /// </summary>
    public static Result<StoredRecipe> ToRecipe(RecipeDraft draft, Guid recipeId, FoodMatcher foods, Cookbook recipes)
    {
        if (DraftRefusals.Wrong(draft, foods, recipes) is { } refusal)
        {
            return refusal;
        }

        var written = draft.Lines.Where(line => line.Text.Trim().Length > 0).ToList();
        RecipeLine Read(DraftLine line) =>
            line.Food is { } key && recipes.WithKey(key) is { } used
                ? RecipeLine.Using(Typed(line), used, foods, draft.System)
                : RecipeLine.From(Typed(line), foods, draft.System, line.Food is { } food ? foods.WithKey(food) : null, recipes);
        var lines = written.Select(Read).ToList();
        var keeping =
            KeepingClass.WithKey(draft.Keeping) ?? KeepingOf.Of(draft.Name, lines, [.. draft.Tasks.Select(task => task.Text)])?.Class;
        if (keeping is null)
        {
            return new Refusal(
                "keeping-missing",
                "keeping",
                "",
                "neither lines nor steps say how it keeps",
                "Choose what kind of dish it is; that says how many days it keeps"
            );
        }

        IReadOnlyList<Variant> variants = [.. (draft.Variants ?? []).Select(variant => ToVariant(variant, Read))];
        var version = new RecipeVersion
        {
            Name = draft.Name.Trim(),
            Portions = draft.Portions!.Value,
            Meal = draft.Meal,
            Parts = [.. (draft.Parts ?? []).Select(ToPart)],
            Lines = lines,
            Variants = variants,
            Tasks =
            [
                .. draft.Tasks.Select(task => new PrepTask(
                    task.Id,
                    task.Text.Trim(),
                    task.HandsOn,
                    task.Unattended,
                    task.Appliance,
                    task.TemperatureC,
                    task.After
                )
                {
                    // What is said of a line that is gone goes with it.
                    Lines = task.Lines is { } said ? [.. said.Where(id => lines.Exists(line => line.Typed.Id == id))] : null,
                    WaitsAtMost = task.WaitsAtMost,
                    RoundPieces = task.RoundPieces,
                    Instead = task.Instead,
                }),
            ],
            Keeping = keeping,
            Reheating = draft.Reheating.Trim(),
            AtEating = draft.AtEating.Trim(),
            Source = draft.Source.Trim(),
            Note = draft.Note.Trim(),
            Claims = [.. (draft.Claims ?? []).Select(claim => ToClaim(claim, lines, variants, draft.Portions.Value))],
        };
        if ((Variant.Refuse(version.Variants, version) ?? DraftRefusals.WrongUse(version, recipeId)) is { } misused)
        {
            return misused;
        }

        return new StoredRecipe(recipeId, Guid.CreateVersion7(), 0, draft.System, version);
    }

    private static TypedLine Typed(DraftLine line) =>
        new(line.Text.Trim(), line.Part.Trim())
        {
            Id = line.Id ?? Guid.CreateVersion7(),
            IsChosen = line.Food is not null,
            Precision = line.Precision,
            EatenShare = line.EatenShare,
            KeptFat = line.KeptFat,
            IsOptional = line.IsOptional,
        };

    private static Variant ToVariant(DraftVariant variant, Func<DraftLine, RecipeLine> read) =>
        new(variant.Name.Trim())
        {
            Lines = [.. variant.Lines.Select(change => new LineChange(change.Line, change.Times))],
            Parts = [.. variant.Parts.Select(change => new PartChange(change.Part.Trim(), change.Times))],
            Added =
            [
                .. variant
                    .Added.Where(added => added.Line.Text.Trim().Length > 0)
                    .Select(added => new VariantLine(added.Instead, read(added.Line))),
            ],
        };

    /// <summary>What is typed now is said of the dish as it is now; what was said before stays said of what it was.</summary>
    private static Claim ToClaim(DraftClaim claim, IReadOnlyList<RecipeLine> lines, IReadOnlyList<Variant> variants, decimal portions) =>
        new(claim.What, claim.Value)
        {
            Variant = claim.Variant?.Trim(),
            Part = claim.Part?.Trim(),
            Of =
                claim.Of
                ?? DishPrint.Of(
                    variants.FirstOrDefault(variant => variant.Name == claim.Variant?.Trim()) is { } variant ? variant.Of(lines) : lines,
                    portions
                ),
        };

    private static RecipePart ToPart(DraftPart part) =>
        new(part.Name.Trim())
        {
            Apart = part.Apart,
            Keeping = KeepingClass.WithKey(part.Keeping),
            KeepingReason = part.KeepingReason.Trim(),
            TakesOff = part.TakesOff,
            GoesOn = part.GoesOn,
            Made = part.MadeAmount is { } amount ? new(amount, part.MadeUnit) : null,
        };

    /// <summary>Foods that a person chose for words which the matcher would not have understood so: what the household remembers.</summary>
    public static IReadOnlyList<(string Words, string FoodKey)> LearntFrom(StoredRecipe recipe, FoodMatcher foods) =>
        [
            .. recipe
                .Version.Lines.Concat(recipe.Version.Variants.SelectMany(variant => variant.Added).Select(added => added.Line))
                .Where(line => line.Typed.IsChosen && line.Food is not null && line.Read.Food.Length > 0)
                .Where(line =>
                    foods.Match(line.Read.Food, line.Read.State) is var match && !(match.IsSure && match.Food?.Key == line.Food!.Key)
                )
                .Select(line => (foods.KeyOf(line.Read.Food), line.Food!.Key)),
        ];
}

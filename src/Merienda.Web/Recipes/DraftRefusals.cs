using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;
using Merienda.Core.Recipes;

namespace Merienda.Web.Recipes;

/// <summary>Why what was typed cannot be a recipe.</summary>
internal static class DraftRefusals
{
    private const int MostParts = 12;

    public static Refusal? Wrong(RecipeDraft draft, FoodMatcher foods, Cookbook recipes) =>
        draft switch
        {
            _ when draft.Name.Trim().Length is 0 or > 120 => new(
                "name-length",
                "name",
                draft.Name,
                "a recipe's name has 1 to 120 characters",
                "Type a short name"
            ),
            _ when draft.Portions is null => new(
                "portions-missing",
                "portions",
                "",
                "nobody said how many portions it makes",
                "Type how many portions the lines make"
            ),
            _ when draft.Portions is < 0.25m or > 1000 => new(
                "portions-out-of-range",
                "portions",
                $"{draft.Portions}",
                "a recipe makes between 0.25 and 1000 portions",
                "Type how many portions the lines make"
            ),
            _ when draft.Keeping.Length > 0 && KeepingClass.WithKey(draft.Keeping) is null => new(
                "unknown-keeping",
                "keeping",
                draft.Keeping,
                "there is no such keeping class",
                "Choose one from the list"
            ),
            _ when draft.Lines.Count(line => line.Text.Trim().Length > 0) is 0 or > RecipeTextReader.MostLines => new(
                "no-ingredients",
                "lines",
                $"{draft.Lines.Count(line => line.Text.Trim().Length > 0)} lines",
                $"a recipe has 1 to {RecipeTextReader.MostLines} ingredient lines",
                "Type one ingredient a line"
            ),
            _ when draft.AllLines.FirstOrDefault(line => line.Text.Trim().Length > IngredientLineReader.LongestLine) is { } line => new(
                "line-too-long",
                "lines",
                line.Text[..40],
                $"a line has at most {IngredientLineReader.LongestLine} characters",
                "Split it, one ingredient a line"
            ),
            _ when draft.AllLines.FirstOrDefault(line => line.Food is { } key && foods.WithKey(key) is null && recipes.WithKey(key) is null)
                    is { } odd => new("unknown-food", "lines", odd.Food!, "there is no such food or recipe", "Choose one from the list"),
            _ when WrongLine([.. draft.AllLines]) is { } wrong => wrong,
            _ when WrongParts(draft.Parts ?? []) is { } wrong => wrong,
            _ when WrongClaims(draft.Claims ?? []) is { } wrong => wrong,
            _ when draft.Source.Trim().Length > RecipeVersion.LongestSource => new(
                "source-length",
                "source",
                draft.Source[..40],
                $"a source has at most {RecipeVersion.LongestSource} characters",
                "Shorten it; what is longer goes into the note"
            ),
            _ when draft.Note.Trim().Length > RecipeVersion.LongestNote => new(
                "note-length",
                "note",
                draft.Note[..40],
                $"a note has at most {RecipeVersion.LongestNote:#,0} characters",
                "Shorten it"
            ),
            _ when draft.Tasks.Count > RecipeDrafts.MostTasks => new(
                "too-many-tasks",
                "tasks",
                $"{draft.Tasks.Count}",
                $"a recipe has at most {RecipeDrafts.MostTasks} tasks",
                "Merge some steps"
            ),
            _ when draft.Tasks.FirstOrDefault(task =>
                    task.HandsOn is < 0 or > TaskReader.MostMinutes
                    || task.Unattended is < 0 or > TaskReader.MostMinutes
                    || task.Instead?.Unattended is < 0 or > TaskReader.MostMinutes
                )
                    is { } tooLong => new(
                "minutes-out-of-range",
                "tasks",
                tooLong.Text,
                $"minutes lie between 0 and {TaskReader.MostMinutes}",
                "Type the minutes again"
            ),
            _ when draft.Tasks.FirstOrDefault(task => task.TemperatureC is < 0 or > 350 || task.Instead?.TemperatureC is < 0 or > 350)
                    is { } hot => new(
                "temperature-out-of-range",
                "tasks",
                $"{hot.Instead?.TemperatureC ?? hot.TemperatureC}",
                "an oven has 0 to 350 °C",
                "Type the temperature again"
            ),
            _ when draft.Tasks.FirstOrDefault(task => task.WaitsAtMost is < 0 or > TaskReader.MostMinutes) is { } standing => new(
                "wait-out-of-range",
                "tasks",
                $"{standing.WaitsAtMost}",
                $"what a step makes may stand 0 to {TaskReader.MostMinutes} minutes",
                "Type the minutes again, or leave them empty where it does not matter"
            ),
            _ when draft.Tasks.FirstOrDefault(task => task.RoundPieces is <= 0 or > PrepTask.MostRoundPieces) is { } round => new(
                "round-out-of-range",
                "tasks",
                $"{round.RoundPieces}",
                $"more than nothing and at most {PrepTask.MostRoundPieces} pieces fit in at once",
                "Type how many fit in, or leave it empty where all do"
            ),
            _ when draft.Tasks.Select(task => task.Id).Distinct().Count() != draft.Tasks.Count => new(
                "task-id-twice",
                "tasks",
                "",
                "two tasks have one id",
                "Give each task its own"
            ),
            _ => null,
        };

    /// <summary>A recipe that is part of itself is never cooked, and one that is made of too much is never listed.</summary>
    public static Refusal? WrongUse(RecipeVersion version, Guid recipeId) =>
        version.PathTo(recipeId) is { } path
            ? new(
                "recipe-ring",
                "lines",
                path,
                path.Contains(',', StringComparison.Ordinal)
                    ? $"{version.Name} would be part of itself through {path}"
                    : $"{version.Name} would be part of itself",
                "Take that line out, or choose a food for it"
            )
        : MostOf(version) > RecipeVersion.MostIngredients
            ? new(
                "too-many-ingredients",
                "lines",
                $"{MostOf(version)}",
                $"a dish has at most {RecipeVersion.MostIngredients} ingredients, with those of the recipes that it uses",
                "Use fewer recipes, or buy one of them"
            )
        : null;

    private static int MostOf(RecipeVersion version) =>
        version.Variants.Select(variant => version.As(variant.Name)!).Append(version).Max(one => one.Ingredients.Count);

    private static Refusal? WrongLine(IReadOnlyList<DraftLine> lines)
    {
        var ids = new HashSet<Guid>();
        for (var at = 0; at < lines.Count; at++)
        {
            var line = lines[at];
            if (
                (WrongShare($"lines[{at}].eatenShare", line.EatenShare, line) ?? WrongShare($"lines[{at}].keptFat", line.KeptFat, line)) is
                { } odd
            )
            {
                return odd;
            }

            if (line.Id is { } id && !ids.Add(id))
            {
                return new("line-id-twice", $"lines[{at}].id", $"{id}", "two lines have one id", "Leave the id of a new line out");
            }

            if (line.Part.Trim().Length > RecipePart.LongestName)
            {
                return TooLong($"lines[{at}].part", line.Part);
            }
        }

        return null;
    }

    private static Refusal? WrongShare(string field, decimal share, DraftLine line) =>
        share is >= 0 and <= 1
            ? null
            : new(
                "share-out-of-range",
                field,
                $"{share}",
                $"of {line.Text.Trim()} at least nothing and at most all is eaten",
                "Type a share between 0 and 100 %"
            );

    private static Refusal? WrongClaims(IReadOnlyList<DraftClaim> claims) =>
        claims.Count > Claim.MostClaims
            ? new("too-many-claims", "claims", $"{claims.Count}", $"a source says at most {Claim.MostClaims} values", "Leave some out")
            : claims.Select((claim, at) => WrongClaim(claim, at, claims)).FirstOrDefault(refusal => refusal is not null);

    private static Refusal? WrongClaim(DraftClaim claim, int at, IReadOnlyList<DraftClaim> claims) =>
        claim switch
        {
            { Value: < 0 or > Claim.Most } => new(
                "claim-out-of-range",
                $"claims[{at}].value",
                $"{claim.Value}",
                $"a stated value lies between 0 and {Claim.Most:#,0}",
                "Type what the source says"
            ),
            { Variant.Length: 0 or > Variant.LongestName } or { Part.Length: 0 or > RecipePart.LongestName } or { Of.Length: > 64 } => new(
                "claim-of-nothing",
                $"claims[{at}]",
                claim.Variant ?? claim.Part ?? "",
                "a stated value is of the recipe, of one of its variants or of one of its parts",
                "Leave variant and part out, or name one"
            ),
            _ when claims.Take(at).Any(other => (other.What, other.Variant, other.Part) == (claim.What, claim.Variant, claim.Part)) => new(
                "claim-twice",
                $"claims[{at}].what",
                ClaimInfo.Of(claim.What).Name,
                "it is stated twice of one dish",
                "Keep one of the two"
            ),
            _ => null,
        };

    private static Refusal? WrongParts(IReadOnlyList<DraftPart> parts) =>
        parts.Count > MostParts
            ? new("too-many-parts", "parts", $"{parts.Count}", $"a dish has at most {MostParts} parts", "Put some of them together")
            : parts.Select((part, at) => WrongPart(part, at, parts)).FirstOrDefault(refusal => refusal is not null);

    private static Refusal? WrongPart(DraftPart part, int at, IReadOnlyList<DraftPart> parts) =>
        part switch
        {
            _ when part.Name.Trim().Length > RecipePart.LongestName => TooLong($"parts[{at}].name", part.Name),
            _ when parts.Take(at).Any(other => other.Name.Trim() == part.Name.Trim()) => new(
                "part-name-twice",
                $"parts[{at}].name",
                part.Name.Trim(),
                "two parts have one name",
                "Give one of them another name"
            ),
            { Keeping: { Length: > 0 } keeping } when KeepingClass.WithKey(keeping) is null => new(
                "unknown-keeping",
                $"parts[{at}].keeping",
                keeping,
                "there is no such keeping class",
                "Choose one from the list"
            ),
            _ when part.KeepingReason.Trim().Length > RecipePart.LongestReason => new(
                "reason-length",
                $"parts[{at}].keepingReason",
                part.KeepingReason,
                $"a reason has at most {RecipePart.LongestReason} characters",
                "Shorten it"
            ),
            { MadeAmount: <= 0 or > 100_000 } => new(
                "made-out-of-range",
                $"parts[{at}].madeAmount",
                $"{part.MadeAmount}",
                "a part makes more than nothing and at most 100,000 g, ml or pieces",
                "Type what it was measured to make, or leave it empty"
            ),
            _ => null,
        };

    private static Refusal TooLong(string field, string name) =>
        new("part-name-length", field, name.Trim(), $"a part's name has at most {RecipePart.LongestName} characters", "Type a short name");
}

using Merienda.Core.Recipes;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>The rows of a recipe's version; they are appended and never change.</summary>
internal static class RecipeAppending
{
    public static void Append(
        Change change,
        StoredRecipe recipe,
        HouseholdFoods foods,
        RecipeVersions versions,
        EditStamp stamp,
        DateTimeOffset at
    )
    {
        var version = recipe.Version;
        var id = recipe.VersionId;
        change
            .Append(
                Tables.RecipeVersion,
                [
                    new RecipeVersionRow(
                        id,
                        recipe.RecipeId,
                        recipe.Number,
                        version.Name,
                        version.Portions,
                        version.Meal,
                        version.Keeping.Key,
                        version.Reheating,
                        version.AtEating,
                        recipe.System.ToString(),
                        version.Source,
                        version.Note,
                        at,
                        stamp.Tenant.Account
                    ),
                ]
            )
            .Append(Tables.RecipePart, version.Parts.Select((part, position) => Row(id, position, part)))
            .Append(Tables.RecipeVariant, version.Variants.Select((variant, position) => new RecipeVariantRow(id, position, variant.Name)))
            .Append(
                Tables.RecipeLine,
                version
                    .Lines.Select(line => (Line: line, Variant: (int?)null, Instead: (Guid?)null))
                    .Concat(
                        version.Variants.SelectMany(
                            (variant, at) => variant.Added.Select(added => (added.Line, Variant: (int?)at, added.Instead))
                        )
                    )
                    .Select(
                        (row, position) =>
                            new RecipeLineRow(
                                id,
                                position,
                                row.Line.Part,
                                row.Line.Read.Text,
                                row.Line.Food is { Packet: null } food ? versions.IdOf(food) : null,
                                row.Line.Food?.Packet is { } packet ? foods.Packets[packet.Id].VersionId : null,
                                RecipeOf(row.Line)?.Version,
                                row.Line.Match.ToString(),
                                row.Line.Typed.IsChosen,
                                row.Line.Typed.Id,
                                row.Line.Typed.Precision?.ToString(),
                                row.Line.Typed.EatenShare,
                                row.Line.Typed.KeptFat,
                                row.Line.Typed.IsOptional,
                                row.Variant,
                                row.Instead
                            )
                    )
            )
            .Append(Tables.RecipeVariantChange, version.Variants.SelectMany((variant, at) => Rows(id, at, variant)))
            .Append(
                Tables.RecipeClaim,
                version.Claims.Select(
                    (claim, position) =>
                        new RecipeClaimRow(id, position, claim.What.ToString(), claim.Value, claim.Variant, claim.Part, claim.Of)
                )
            )
            .Append(
                Tables.RecipeTask,
                version.Tasks.Select(
                    (task, position) =>
                        new RecipeTaskRow(
                            id,
                            position,
                            task.Id,
                            task.Text,
                            task.HandsOn,
                            task.Unattended,
                            task.Appliance.ToString(),
                            task.TemperatureC,
                            task.After,
                            task.Lines,
                            task.WaitsAtMost,
                            task.RoundPieces,
                            task.Instead?.Appliance.ToString(),
                            task.Instead?.Unattended,
                            task.Instead?.TemperatureC
                        )
                )
            );
    }

    /// <summary>The recipe that a line takes some of, or may mean instead of its food.</summary>
    private static KnownRecipe? RecipeOf(RecipeLine line) =>
        line.Use?.Of ?? line.Meanings.Select(meaning => meaning.Recipe).FirstOrDefault(used => used is not null);

    private static IEnumerable<RecipeVariantChangeRow> Rows(Guid version, int variant, Variant of) =>
        of
            .Lines.Select(change => (Line: (Guid?)change.Line, Part: (string?)null, change.Times))
            .Concat(of.Parts.Select(change => (Line: (Guid?)null, Part: (string?)change.Part, change.Times)))
            .Select((change, position) => new RecipeVariantChangeRow(version, variant, position, change.Line, change.Part, change.Times));

    private static RecipePartRow Row(Guid version, int position, RecipePart part) =>
        new(
            version,
            position,
            part.Name,
            part.Apart.ToString(),
            part.Keeping?.Key,
            part.KeepingReason,
            part.TakesOff,
            part.GoesOn,
            part.Made?.Amount,
            part.Made?.Unit.ToString()
        );
}

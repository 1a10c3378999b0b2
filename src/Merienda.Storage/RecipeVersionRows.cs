using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>Recipe versions as their rows were read.</summary>
internal sealed record RecipeVersionRows(
    IReadOnlyDictionary<Guid, RecipeVersionRows.VersionRow> Versions,
    ILookup<Guid, RecipeVersionRows.PartRow> Parts,
    ILookup<Guid, RecipeVersionRows.LineRow> Lines,
    ILookup<Guid, RecipeVariantRow> Variants,
    ILookup<Guid, RecipeVariantChangeRow> Changes,
    ILookup<Guid, RecipeVersionRows.TaskRow> Tasks,
    ILookup<Guid, RecipeClaimRow> Claims,
    IReadOnlyList<PacketRows.VersionRow> Packets
)
{
    public StoredRecipe ToRecipe(Guid id, Func<LineRow, Food?> foodOf, Func<Guid, KnownRecipe> recipeOf, FoodMatcher latest)
    {
        var row = Versions[id];
        var system = Enum.Parse<MeasureSystem>(row.MeasureSystem);
        // A version pins the food versions it was computed from: what the words would match today does not count.
        var lines = Lines[id]
            .Select(line =>
                (
                    Row: line,
                    Line: RecipeLine.Pinned(
                        line.ToLine(),
                        foodOf(line),
                        Enum.Parse<MatchKind>(line.MatchKind),
                        latest,
                        system,
                        line.UsedVersionId is { } used ? recipeOf(used) : null
                    )
                )
            )
            .ToList();
        return new(
            row.RecipeId,
            id,
            row.Number,
            system,
            new RecipeVersion
            {
                Name = row.Name,
                Portions = row.Portions,
                Meal = row.Meal,
                Parts = [.. Parts[id].Select(part => part.ToPart())],
                Lines = [.. lines.Where(line => line.Row.Variant is null).Select(line => line.Line)],
                Variants =
                [
                    .. Variants[id]
                        .Select(variant => new Variant(variant.Name)
                        {
                            Added =
                            [
                                .. lines
                                    .Where(line => line.Row.Variant == variant.Position)
                                    .Select(line => new VariantLine(line.Row.InsteadOf, line.Line)),
                            ],
                            Lines =
                            [
                                .. Changes[id]
                                    .Where(change => change.Variant == variant.Position && change.LineId is not null)
                                    .Select(change => new LineChange(change.LineId!.Value, change.Times)),
                            ],
                            Parts =
                            [
                                .. Changes[id]
                                    .Where(change => change.Variant == variant.Position && change.Part is not null)
                                    .Select(change => new PartChange(change.Part!, change.Times)),
                            ],
                        }),
                ],
                Tasks = [.. Tasks[id].Select(task => task.ToTask())],
                Keeping =
                    KeepingClass.WithKey(row.Keeping)
                    ?? throw new InvalidOperationException($"Recipe version {id} keeps as {row.Keeping}, which is not a keeping class."),
                Reheating = row.Reheating,
                AtEating = row.AtEating,
                Source = row.Source,
                Note = row.Note,
                Claims =
                [
                    .. Claims[id]
                        .Select(claim => new Claim(Enum.Parse<ClaimedValue>(claim.What), claim.Value)
                        {
                            Variant = claim.Variant,
                            Part = claim.Part,
                            Of = claim.SaidOf,
                        }),
                ],
            }
        );
    }

    internal sealed record LineRow
    {
        public Guid RecipeVersionId { get; init; }

        public string Part { get; init; } = "";

        public string Text { get; init; } = "";

        public Guid? FoodVersionId { get; init; }

        public Guid? PacketVersionId { get; init; }

        public Guid? UsedVersionId { get; init; }

        public string MatchKind { get; init; } = "";

        public bool IsChosen { get; init; }

        public Guid LineId { get; init; }

        public string? Precision { get; init; }

        public decimal EatenShare { get; init; }

        public decimal KeptFat { get; init; }

        public bool? IsOptional { get; init; }

        public int? Variant { get; init; }

        public Guid? InsteadOf { get; init; }

        public TypedLine ToLine() =>
            new(Text, Part)
            {
                Id = LineId,
                IsChosen = IsChosen,
                Precision = Precision is null ? null : Enum.Parse<Precision>(Precision),
                EatenShare = EatenShare,
                KeptFat = KeptFat,
                IsOptional = IsOptional,
            };
    }

    internal sealed record PartRow
    {
        public Guid RecipeVersionId { get; init; }

        public string Name { get; init; } = "";

        public string Apart { get; init; } = "";

        public string? Keeping { get; init; }

        public string KeepingReason { get; init; } = "";

        public bool TakesOff { get; init; }

        public bool GoesOn { get; init; }

        public decimal? MadeAmount { get; init; }

        public string? MadeUnit { get; init; }

        public RecipePart ToPart() =>
            new(Name)
            {
                Apart = Enum.Parse<Apart>(Apart),
                Keeping = Keeping is null ? null : KeepingClass.WithKey(Keeping),
                KeepingReason = KeepingReason,
                TakesOff = TakesOff,
                GoesOn = GoesOn,
                Made = MadeAmount is { } amount ? new(amount, Enum.Parse<YieldUnit>(MadeUnit!)) : null,
            };
    }

    internal sealed record TaskRow
    {
        public Guid RecipeVersionId { get; init; }

        public string TaskId { get; init; } = "";

        public string Text { get; init; } = "";

        public int HandsOnMinutes { get; init; }

        public int UnattendedMinutes { get; init; }

        public string Appliance { get; init; } = "";

        public int? TemperatureC { get; init; }

        public string[] AfterTasks { get; init; } = [];

        public Guid[]? LineIds { get; init; }

        public int? WaitsAtMost { get; init; }

        public decimal? RoundPieces { get; init; }

        public string? InsteadAppliance { get; init; }

        public int? InsteadMinutes { get; init; }

        public int? InsteadTemperatureC { get; init; }

        public PrepTask ToTask() =>
            new(TaskId, Text, HandsOnMinutes, UnattendedMinutes, Enum.Parse<Appliance>(Appliance), TemperatureC, AfterTasks)
            {
                Lines = LineIds,
                WaitsAtMost = WaitsAtMost,
                RoundPieces = RoundPieces,
                Instead = InsteadAppliance is { } other
                    ? new(Enum.Parse<Appliance>(other), InsteadMinutes!.Value, InsteadTemperatureC)
                    : null,
            };
    }

    internal sealed record VersionRow
    {
        public Guid Id { get; init; }

        public Guid RecipeId { get; init; }

        public int Number { get; init; }

        public string Name { get; init; } = "";

        public decimal Portions { get; init; }

        public string? Meal { get; init; }

        public string Keeping { get; init; } = "";

        public string Reheating { get; init; } = "";

        public string AtEating { get; init; } = "";

        public string MeasureSystem { get; init; } = "";

        public string Source { get; init; } = "";

        public string Note { get; init; } = "";
    }
}

using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Microsoft.Extensions.Caching.Memory;

namespace Merienda.Storage;

/// <summary>A recipe version with the ids it is stored under.</summary>
/// <param name="Chosen">For each line, whether a person chose its food.</param>
public sealed record StoredRecipe(
    Guid RecipeId,
    Guid VersionId,
    int Number,
    MeasureSystem System,
    RecipeVersion Version,
    IReadOnlyList<bool> Chosen
)
{
    /// <summary>As other recipes know it.</summary>
    public KnownRecipe Known => new(RecipeId, VersionId, Version);
}

/// <summary>
/// Recipe versions never change, so they are kept in memory once read; which ones a household may see is always asked of the database.
/// </summary>
public sealed class RecipeVersions(Func<FoodCatalogue> catalogue, Func<PacketKnowledge> knowledge) : IDisposable
{
    /// <summary>The versions that a reading is about and all that they use, worked out once for all of its statements.</summary>
    private const string Whole = "current_setting('app.recipe_versions')::uuid[]";

    private readonly MemoryCache _versions = new(new MemoryCacheOptions { SizeLimit = 20_000 });

    public void Dispose() => _versions.Dispose();

    /// <summary>The stored version that a food of the table is.</summary>
    internal Guid IdOf(Food food) => catalogue().IdOf[food];

    internal Food FoodOf(Guid foodVersion) => catalogue().Versions[foodVersion];

    internal StoredPacket PacketOf(PacketRows.VersionRow row, bool countsTolerances) => row.ToPacket(countsTolerances, knowledge());

    /// <summary>Versions by id; only ids that the tenant's transaction has read may be asked for.</summary>
    /// <param name="countsTolerances">
    /// How wide a packet's values are is the household's to say, so a version is kept once for each way of counting.
    /// </param>
    internal async Task<IReadOnlyDictionary<Guid, StoredRecipe>> Of(Scope scope, IEnumerable<Guid> ids, bool countsTolerances)
    {
        var asked = ids.Distinct().ToList();
        var missing = asked.Where(id => !_versions.TryGetValue((id, countsTolerances), out _)).ToArray();
        var read = missing.Length == 0 ? [] : await scope.Read(Read(missing, countsTolerances));
        foreach (var recipe in read.Values)
        {
            _versions.Set((recipe.VersionId, countsTolerances), recipe, new MemoryCacheEntryOptions { Size = 1 });
        }

        return asked.ToDictionary(
            id => id,
            id => read.TryGetValue(id, out var fresh) ? fresh : _versions.Get<StoredRecipe>((id, countsTolerances))!
        );
    }

    private Reading<Dictionary<Guid, StoredRecipe>> Read(Guid[] ids, bool countsTolerances) =>
        Reading
            .Of(
                $"""
                with recursive whole as (
                    select unnest(@ids) as id
                    union
                    select line.used_version_id from recipe_line line join whole on line.recipe_version_id = whole.id
                    where line.used_version_id is not null
                )
                select set_config('app.recipe_versions', (select array_agg(id)::text from whole), true);
                select id, recipe_id, number, name, portions, meal, keeping, reheating, at_eating, measure_system
                from recipe_version where id = any({Whole});
                select recipe_version_id, name, apart, keeping, keeping_reason, takes_off, goes_on, made_amount, made_unit
                from recipe_part where recipe_version_id = any({Whole}) order by recipe_version_id, position;
                select recipe_version_id, part, text, food_version_id, packet_version_id, used_version_id, match_kind, is_chosen,
                    line_id, precision, eaten_share, kept_fat, is_optional from recipe_line
                where recipe_version_id = any({Whole}) order by recipe_version_id, position;
                select recipe_version_id, task_id, text, hands_on_minutes, unattended_minutes, appliance, temperature_c, after_tasks
                from recipe_task where recipe_version_id = any({Whole}) order by recipe_version_id, position;
                {PacketRows.SelectVersion} where version.id in (select packet_version_id from recipe_line where recipe_version_id = any({Whole}));
                """,
                new { ids },
                async rows =>
                {
                    await rows.ReadAsync<string>();
                    return (
                        Versions: (await rows.ReadAsync<VersionRow>()).ToDictionary(row => row.Id),
                        Parts: (await rows.ReadAsync<PartRow>()).ToLookup(row => row.RecipeVersionId),
                        Lines: (await rows.ReadAsync<LineRow>()).ToLookup(row => row.RecipeVersionId),
                        Tasks: (await rows.ReadAsync<TaskRow>()).ToLookup(row => row.RecipeVersionId),
                        Packets: (await rows.ReadAsync<PacketRows.VersionRow>()).ToList()
                    );
                }
            )
            .Select(stored =>
            {
                var foods = catalogue();
                var bought = stored.Packets.ToDictionary(row => row.Id, row => row.ToPacket(countsTolerances, knowledge()));
                Food? FoodOf(LineRow line) =>
                    line.FoodVersionId is { } food ? foods.Versions[food]
                    : line.PacketVersionId is { } packet ? bought[packet].Food
                    : null;
                var read = new Dictionary<Guid, StoredRecipe>();
                // A version uses only versions that were there before it: there is no ring.
                StoredRecipe Recipe(Guid id) =>
                    read.TryGetValue(id, out var there)
                        ? there
                        : read[id] = stored
                            .Versions[id]
                            .ToRecipe(
                                stored.Parts[id],
                                stored.Lines[id],
                                stored.Tasks[id],
                                FoodOf,
                                used => Recipe(used).Known,
                                foods.Latest
                            );
                foreach (var id in stored.Versions.Keys)
                {
                    Recipe(id);
                }

                return read;
            });

    private sealed record LineRow
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

        public TypedLine ToLine() =>
            new(Text, Part)
            {
                Id = LineId,
                Precision = Precision is null ? null : Enum.Parse<Precision>(Precision),
                EatenShare = EatenShare,
                KeptFat = KeptFat,
                IsOptional = IsOptional,
            };
    }

    private sealed record PartRow
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

    private sealed record TaskRow
    {
        public Guid RecipeVersionId { get; init; }

        public string TaskId { get; init; } = "";

        public string Text { get; init; } = "";

        public int HandsOnMinutes { get; init; }

        public int UnattendedMinutes { get; init; }

        public string Appliance { get; init; } = "";

        public int? TemperatureC { get; init; }

        public string[] AfterTasks { get; init; } = [];

        public PrepTask ToTask() =>
            new(TaskId, Text, HandsOnMinutes, UnattendedMinutes, Enum.Parse<Appliance>(Appliance), TemperatureC, AfterTasks);
    }

    private sealed record VersionRow
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

        public StoredRecipe ToRecipe(
            IEnumerable<PartRow> parts,
            IEnumerable<LineRow> lines,
            IEnumerable<TaskRow> tasks,
            Func<LineRow, Food?> foodOf,
            Func<Guid, KnownRecipe> recipeOf,
            FoodMatcher latest
        )
        {
            var system = Enum.Parse<MeasureSystem>(MeasureSystem);
            var rows = lines.ToList();
            // A version pins the food versions it was computed from: what the words would match today does not count.
            var read = rows.Select(row =>
                RecipeLine.Pinned(
                    row.ToLine(),
                    foodOf(row),
                    Enum.Parse<MatchKind>(row.MatchKind),
                    row.IsChosen,
                    latest,
                    system,
                    row.UsedVersionId is { } used ? recipeOf(used) : null
                )
            );
            return new(
                RecipeId,
                Id,
                Number,
                system,
                new RecipeVersion
                {
                    Name = Name,
                    Portions = Portions,
                    Meal = Meal,
                    Parts = [.. parts.Select(part => part.ToPart())],
                    Lines = [.. read],
                    Tasks = [.. tasks.Select(task => task.ToTask())],
                    Keeping =
                        KeepingClass.WithKey(Keeping)
                        ?? throw new InvalidOperationException($"Recipe version {Id} keeps as {Keeping}, which is not a keeping class."),
                    Reheating = Reheating,
                    AtEating = AtEating,
                },
                [.. rows.Select(row => row.IsChosen)]
            );
        }
    }
}

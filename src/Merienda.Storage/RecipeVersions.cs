using Merienda.Core.Foods;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Storage.Edits;
using Microsoft.Extensions.Caching.Memory;

namespace Merienda.Storage;

/// <summary>A recipe version with the ids it is stored under.</summary>
public sealed record StoredRecipe(Guid RecipeId, Guid VersionId, int Number, MeasureSystem System, RecipeVersion Version)
{
    /// <summary>As other recipes know it.</summary>
    public KnownRecipe Known => new(RecipeId, VersionId, Version);

    /// <summary>The recipe as it is cooked with other foods; one that is no more is left as it was.</summary>
    internal StoredRecipe Taking(IEnumerable<BatchSwapRow> swaps, FoodMatcher foods)
    {
        var taken = swaps
            .Select(swap => (swap.LineId, Food: foods.WithKey(swap.FoodKey)))
            .Where(swap => swap.Food is not null)
            .ToDictionary(swap => swap.LineId, swap => swap.Food!);
        return taken.Count == 0 ? this : this with { Version = Version.Taking(taken, foods, System) };
    }
}

/// <summary>What a household's packets are like when recipes are read.</summary>
/// <param name="IsTolerant">How wide a packet's values are is the household's to say, so a version is kept once for each way of counting.</param>
/// <param name="Revision">Of the larder; null for packets as they were printed when the recipe was saved.</param>
public readonly record struct LarderState(bool IsTolerant, long? Revision)
{
    internal const string Select = "select counts_tolerances, larder_revision from household where id = app_household();";

    internal static async Task<LarderState> Take(Dapper.SqlMapper.GridReader rows)
    {
        var (isTolerant, revision) = await rows.ReadSingleAsync<(bool, long)>();
        return new(isTolerant, revision);
    }

    /// <summary>The same with packets as they were printed.</summary>
    public LarderState Then => this with { Revision = null };
}

/// <summary>
/// Recipe versions never change, so they are kept in memory once read; which ones a household may see is always asked of the database.
/// </summary>
public sealed class RecipeVersions(Func<FoodCatalogue> catalogue, Func<PacketKnowledge> knowledge) : IDisposable
{
    /// <summary>The versions that a reading is about and all that they use, worked out once for all of its statements.</summary>
    private const string Whole = "current_setting('app.recipe_versions')::uuid[]";

    /// <param name="Revision">Of the larder by which it was read; null where it takes no packet.</param>
    private sealed record Kept(StoredRecipe Recipe, long? Revision);

    private readonly MemoryCache _versions = new(new MemoryCacheOptions { SizeLimit = 20_000 });

    public void Dispose() => _versions.Dispose();

    /// <summary>The stored version that a food of the table is.</summary>
    internal Guid IdOf(Food food) => catalogue().IdOf[food];

    /// <summary>The stored version of the food of the table, or of the packet, that a line is of.</summary>
    internal (Guid? Food, Guid? Packet) IdsOf(RecipeLine line, HouseholdFoods foods) =>
        line.Food switch
        {
            null => (null, null),
            { Packet: { } packet } => (null, foods.Packets[packet.Id].VersionId),
            var food => (IdOf(food), null),
        };

    internal Food FoodOf(Guid foodVersion) => catalogue().Versions[foodVersion];

    internal StoredPacket PacketOf(PacketRows.VersionRow row, bool countsTolerances) => row.ToPacket(countsTolerances, knowledge());

    /// <summary>
    /// Versions by id; only ids that the tenant's transaction has read may be asked for. What a packet's print says is in it counts with
    /// what its newer print says: nobody knows which of the two is cooked.
    /// </summary>
    internal async Task<IReadOnlyDictionary<Guid, StoredRecipe>> Of(Scope scope, IEnumerable<Guid> ids, LarderState larder)
    {
        var (asked, known) = (ids.Distinct().ToList(), new Dictionary<Guid, StoredRecipe>());
        foreach (var id in asked)
        {
            if (_versions.TryGetValue(KeyOf(id, larder), out Kept? kept) && (kept!.Revision ?? larder.Revision) == larder.Revision)
            {
                known[id] = kept.Recipe;
            }
        }

        var missing = asked.Where(id => !known.ContainsKey(id)).ToArray();
        var read = missing.Length == 0 ? [] : await scope.Read(Read(missing, larder));
        foreach (var recipe in read.Values)
        {
            var kept = new Kept(recipe, TakesPackets(recipe.Version) ? larder.Revision : null);
            // What a transaction has written to the larder may be rolled back, and its revision come again with something else.
            if (kept.Revision is null || !scope.HasWritten)
            {
                _versions.Set(KeyOf(recipe.VersionId, larder), kept, new MemoryCacheEntryOptions { Size = 1 });
            }

            known[recipe.VersionId] = recipe;
        }

        return known;
    }

    private static (Guid, bool, bool) KeyOf(Guid id, LarderState larder) => (id, larder.IsTolerant, larder.Revision is null);

    private static bool TakesPackets(RecipeVersion recipe) =>
        recipe
            .Lines.Concat(recipe.Variants.SelectMany(variant => variant.Added).Select(added => added.Line))
            .Any(line => line.Food?.Packet is not null || (line.Use is { } use && TakesPackets(use.Of.Of)));

    private Reading<Dictionary<Guid, StoredRecipe>> Read(Guid[] ids, LarderState larder) =>
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
                select id, recipe_id, number, name, portions, meal, keeping, reheating, at_eating, measure_system, source, note
                from recipe_version where id = any({Whole});
                select recipe_version_id, name, apart, keeping, keeping_reason, takes_off, goes_on, made_amount, made_unit
                from recipe_part where recipe_version_id = any({Whole}) order by recipe_version_id, position;
                select recipe_version_id, part, text, food_version_id, packet_version_id, used_version_id, match_kind, is_chosen,
                    line_id, precision, eaten_share, kept_fat, is_optional, variant, instead_of from recipe_line
                where recipe_version_id = any({Whole}) order by recipe_version_id, position;
                select recipe_version_id, position, name from recipe_variant
                where recipe_version_id = any({Whole}) order by recipe_version_id, position;
                select recipe_version_id, variant, position, line_id, part, times from recipe_variant_change
                where recipe_version_id = any({Whole}) order by recipe_version_id, variant, position;
                select recipe_version_id, task_id, text, hands_on_minutes, unattended_minutes, appliance, temperature_c, after_tasks,
                    line_ids, waits_at_most, round_pieces, instead_appliance, instead_minutes, instead_temperature_c
                from recipe_task where recipe_version_id = any({Whole}) order by recipe_version_id, position;
                select recipe_version_id, position, what, value, variant, part, said_of
                from recipe_claim where recipe_version_id = any({Whole}) order by recipe_version_id, position;
                {PacketRows.SelectVersion} where version.id in (select packet_version_id from recipe_line where recipe_version_id = any({Whole}));
                {PacketRows.SelectVersion}
                join packet on packet.household_id = version.household_id and packet.version_id = version.id and packet.archived_at is null
                where @readsAnew and version.packet_id in (
                    select used.packet_id from recipe_line line join packet_version used
                        on used.household_id = line.household_id and used.id = line.packet_version_id
                    where line.recipe_version_id = any({Whole}));
                """,
                new { ids, readsAnew = larder.Revision is not null },
                async rows =>
                {
                    await rows.ReadAsync<string>();
                    return new RecipeVersionRows(
                        (await rows.ReadAsync<RecipeVersionRows.VersionRow>()).ToDictionary(row => row.Id),
                        (await rows.ReadAsync<RecipeVersionRows.PartRow>()).ToLookup(row => row.RecipeVersionId),
                        (await rows.ReadAsync<RecipeVersionRows.LineRow>()).ToLookup(row => row.RecipeVersionId),
                        (await rows.ReadAsync<RecipeVariantRow>()).ToLookup(row => row.RecipeVersionId),
                        (await rows.ReadAsync<RecipeVariantChangeRow>()).ToLookup(row => row.RecipeVersionId),
                        (await rows.ReadAsync<RecipeVersionRows.TaskRow>()).ToLookup(row => row.RecipeVersionId),
                        (await rows.ReadAsync<RecipeClaimRow>()).ToLookup(row => row.RecipeVersionId),
                        PacketRows.ReadAnew(await rows.ReadAsync<PacketRows.VersionRow>(), await rows.ReadAsync<PacketRows.VersionRow>())
                    );
                }
            )
            .Select(stored =>
            {
                var foods = catalogue();
                var bought = stored.Packets.ToDictionary(row => row.Id, row => row.ToPacket(larder.IsTolerant, knowledge()));
                Food? FoodOf(RecipeVersionRows.LineRow line) =>
                    line.FoodVersionId is { } food ? foods.Versions[food]
                    : line.PacketVersionId is { } packet ? bought[packet].Food
                    : null;
                var read = new Dictionary<Guid, StoredRecipe>();
                // A version uses only versions that were there before it: there is no ring.
                StoredRecipe Recipe(Guid id) =>
                    read.TryGetValue(id, out var there)
                        ? there
                        : read[id] = stored.ToRecipe(id, FoodOf, used => Recipe(used).Known, foods.Latest);
                foreach (var id in stored.Versions.Keys)
                {
                    Recipe(id);
                }

                return read;
            });
}

using Dapper;
using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using Microsoft.Extensions.Caching.Memory;
using Npgsql;

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
);

/// <summary>
/// Recipes as lines of immutable versions. Versions never change, so they are kept in memory once read; which ones a household
/// may see is always asked of the database.
/// </summary>
public sealed class RecipeStore(Database database, Func<FoodCatalogue> catalogue, PacketStore packets) : IDisposable
{
    private readonly MemoryCache _versions = new(new MemoryCacheOptions { SizeLimit = 20_000 });

    /// <summary>The latest version of every recipe that is not archived, by name.</summary>
    public Task<IReadOnlyList<StoredRecipe>> All(Tenant tenant) =>
        database.As<IReadOnlyList<StoredRecipe>>(
            tenant,
            async connection =>
            {
                var ids = await connection.QueryAsync<Guid>(
                    """
                    select distinct on (version.recipe_id) version.id
                    from recipe_version version join recipe on recipe.household_id = version.household_id and recipe.id = version.recipe_id
                    where recipe.archived_at is null
                    order by version.recipe_id, version.number desc
                    """
                );
                return
                [
                    .. (await Versions(connection, ids)).Values.OrderBy(recipe => recipe.Version.Name, StringComparer.OrdinalIgnoreCase),
                ];
            }
        );

    /// <summary>The latest version of one recipe, archived or not; null when there is none.</summary>
    public Task<StoredRecipe?> Latest(Tenant tenant, Guid recipeId) => database.As(tenant, connection => Latest(connection, recipeId));

    /// <summary>Stores a version and returns its number. A first version makes the recipe.</summary>
    /// <param name="learnt">Foods that were chosen for words: the household remembers them.</param>
    public Task<StoredRecipe> Save(
        Tenant tenant,
        StoredRecipe recipe,
        IReadOnlyList<(string Words, string FoodKey)> learnt,
        DateTimeOffset at
    ) =>
        database.As(
            tenant,
            async connection =>
            {
                await connection.ExecuteAsync(
                    "insert into recipe (household_id, id) values (@Household, @RecipeId) on conflict do nothing",
                    new { tenant.Household, recipe.RecipeId }
                );
                var previous = await Latest(connection, recipe.RecipeId);
                var stored = recipe with { Number = (previous?.Number ?? 0) + 1 };
                await Insert(connection, tenant, stored, at);
                var words = await LearntWords.Learn(connection, tenant, learnt, at);
                await Journal.Write(
                    connection,
                    tenant,
                    Journal.Recipe,
                    previous is null ? $"Added {recipe.Version.Name}" : $"Changed {recipe.Version.Name}",
                    new RecipeChange(recipe.RecipeId, previous?.VersionId, stored.VersionId, words)
                );
                return stored;
            }
        );

    public Task<bool> Archive(Tenant tenant, Guid recipeId, DateTimeOffset at) =>
        database.As(
            tenant,
            async connection =>
            {
                if (await Latest(connection, recipeId) is not { } latest || await SetArchived(connection, recipeId, at) == 0)
                {
                    return false;
                }

                await Journal.Write(
                    connection,
                    tenant,
                    Journal.Recipe,
                    $"Put away {latest.Version.Name}",
                    new RecipeChange(recipeId, latest.VersionId, null)
                );
                return true;
            }
        );

    public void Dispose() => _versions.Dispose();

    /// <summary>Archives at an instant or, with null, brings back; 0 when it is so already.</summary>
    internal static Task<int> SetArchived(NpgsqlConnection connection, Guid recipeId, DateTimeOffset? at) =>
        at is null
            ? connection.ExecuteAsync(
                "update recipe set archived_at = null where id = @recipeId and archived_at is not null",
                new { recipeId }
            )
            : connection.ExecuteAsync(
                "update recipe set archived_at = @at where id = @recipeId and archived_at is null",
                new { recipeId, at }
            );

    /// <summary>Puts an earlier version back on top, as a new one: history is never rewritten.</summary>
    internal async Task Reinstate(NpgsqlConnection connection, Tenant tenant, Guid recipeId, Guid versionId, DateTimeOffset at)
    {
        var latest = await Latest(connection, recipeId);
        var earlier = (await Versions(connection, [versionId]))[versionId];
        await Insert(connection, tenant, earlier with { VersionId = Guid.CreateVersion7(), Number = latest!.Number + 1 }, at);
    }

    internal async Task<StoredRecipe?> Latest(NpgsqlConnection connection, Guid recipeId)
    {
        var id = await connection.QueryFirstOrDefaultAsync<Guid?>(
            "select id from recipe_version where recipe_id = @recipeId order by number desc limit 1",
            new { recipeId }
        );
        return id is { } version ? (await Versions(connection, [version]))[version] : null;
    }

    /// <summary>Versions by id; only ids that the tenant's transaction has read may be asked for.</summary>
    /// <param name="countsTolerances">How the household counts packets, where it was read already.</param>
    internal async Task<IReadOnlyDictionary<Guid, StoredRecipe>> Versions(
        NpgsqlConnection connection,
        IEnumerable<Guid> ids,
        bool? countsTolerances = null
    )
    {
        var asked = ids.Distinct().ToList();
        // How wide a packet's values are is the household's to say, so a version is kept once for each way of counting.
        var tolerant = countsTolerances ?? await PacketStore.CountsTolerances(connection);
        var missing = asked.Where(id => !_versions.TryGetValue((id, tolerant), out _)).ToArray();
        var read = missing.Length == 0 ? [] : await Read(connection, missing, tolerant);
        foreach (var recipe in read.Values)
        {
            _versions.Set((recipe.VersionId, tolerant), recipe, new MemoryCacheEntryOptions { Size = 1 });
        }

        return asked.ToDictionary(
            id => id,
            id => read.TryGetValue(id, out var fresh) ? fresh : _versions.Get<StoredRecipe>((id, tolerant))!
        );
    }

    private async Task<Dictionary<Guid, StoredRecipe>> Read(NpgsqlConnection connection, Guid[] ids, bool tolerant)
    {
        List<VersionRow> versions;
        List<LineRow> lines;
        ILookup<Guid, TaskRow> tasks;
        using (
            var rows = await connection.QueryMultipleAsync(
                """
                select id, recipe_id, number, name, portions, meal, keeping, reheating, at_eating, measure_system from recipe_version where id = any(@ids);
                select recipe_version_id, part, text, food_version_id, packet_version_id, match_kind, is_chosen from recipe_line where recipe_version_id = any(@ids) order by recipe_version_id, position;
                select recipe_version_id, task_id, text, hands_on_minutes, unattended_minutes, appliance, temperature_c, after_tasks from recipe_task where recipe_version_id = any(@ids) order by recipe_version_id, position;
                """,
                new { ids }
            )
        )
        {
            versions = [.. await rows.ReadAsync<VersionRow>()];
            lines = [.. await rows.ReadAsync<LineRow>()];
            tasks = (await rows.ReadAsync<TaskRow>()).ToLookup(row => row.RecipeVersionId);
        }

        var foods = catalogue();
        var bought = await packets.Versions(
            connection,
            [.. lines.Select(line => line.PacketVersionId).OfType<Guid>().Distinct()],
            tolerant
        );
        Food? FoodOf(LineRow line) =>
            line.FoodVersionId is { } food ? foods.Versions[food]
            : line.PacketVersionId is { } packet ? bought[packet].Food
            : null;
        var latest = foods.Latest;
        var byRecipe = lines.ToLookup(line => line.RecipeVersionId);
        return versions.ToDictionary(row => row.Id, row => row.ToRecipe(byRecipe[row.Id], tasks[row.Id], FoodOf, latest));
    }

    private async Task Insert(NpgsqlConnection connection, Tenant tenant, StoredRecipe recipe, DateTimeOffset at)
    {
        var version = recipe.Version;
        await connection.ExecuteAsync(
            """
            insert into recipe_version (household_id, id, recipe_id, number, name, portions, meal, keeping, reheating, at_eating, measure_system, created_at, created_by)
            values (@Household, @VersionId, @RecipeId, @Number, @Name, @Portions, @Meal, @Keeping, @Reheating, @AtEating, @System, @at, @Account)
            """,
            new
            {
                tenant.Household,
                recipe.VersionId,
                recipe.RecipeId,
                recipe.Number,
                version.Name,
                version.Portions,
                version.Meal,
                Keeping = version.Keeping.Key,
                version.Reheating,
                version.AtEating,
                System = recipe.System.ToString(),
                at,
                tenant.Account,
            }
        );
        var idOf = catalogue().IdOf;
        await connection.ExecuteAsync(
            """
            insert into recipe_line (household_id, recipe_version_id, position, part, text, food_version_id, packet_version_id, match_kind, is_chosen)
            values (@Household, @VersionId, @position, @Part, @Text, @food, (select id from packet_version where packet_id = @packet and number = @packetVersion), @match, @isChosen)
            """,
            version.Lines.Select(
                (line, position) =>
                    new
                    {
                        tenant.Household,
                        recipe.VersionId,
                        position,
                        line.Part,
                        line.Read.Text,
                        food = line.Food is { Packet: null } food ? idOf[food] : (Guid?)null,
                        packet = line.Food?.Packet?.Id,
                        packetVersion = line.Food?.Packet?.Version,
                        match = line.Match.ToString(),
                        isChosen = recipe.Chosen[position],
                    }
            )
        );
        await connection.ExecuteAsync(
            """
            insert into recipe_task (household_id, recipe_version_id, position, task_id, text, hands_on_minutes, unattended_minutes, appliance, temperature_c, after_tasks)
            values (@Household, @VersionId, @position, @Id, @Text, @HandsOn, @Unattended, @appliance, @TemperatureC, @after)
            """,
            version.Tasks.Select(
                (task, position) =>
                    new
                    {
                        tenant.Household,
                        recipe.VersionId,
                        position,
                        task.Id,
                        task.Text,
                        task.HandsOn,
                        task.Unattended,
                        appliance = task.Appliance.ToString(),
                        task.TemperatureC,
                        after = task.After.ToArray(),
                    }
            )
        );
    }

    private sealed record LineRow
    {
        public Guid RecipeVersionId { get; init; }

        public string Part { get; init; } = "";

        public string Text { get; init; } = "";

        public Guid? FoodVersionId { get; init; }

        public Guid? PacketVersionId { get; init; }

        public string MatchKind { get; init; } = "";

        public bool IsChosen { get; init; }
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
            IEnumerable<LineRow> lines,
            IEnumerable<TaskRow> tasks,
            Func<LineRow, Food?> foodOf,
            FoodMatcher latest
        )
        {
            var system = Enum.Parse<MeasureSystem>(MeasureSystem);
            var rows = lines.ToList();
            // A version pins the food versions it was computed from: what the words would match today does not count.
            var read = rows.Select(row =>
                RecipeLine.Pinned(row.Text, foodOf(row), Enum.Parse<MatchKind>(row.MatchKind), row.IsChosen, latest, system, row.Part)
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

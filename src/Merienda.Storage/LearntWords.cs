using Dapper;
using Npgsql;

namespace Merienda.Storage;

/// <summary>What a household chose for words that name a food.</summary>
/// <param name="Words">In the form that lines are matched in.</param>
/// <param name="FoodKey">A food of the table or a packet.</param>
public sealed record LearntWord(string Words, string FoodKey, DateTimeOffset LearntAt);

/// <summary>A changed choice: no before for a new one, no after for a forgotten one.</summary>
public sealed record WordChange(string Words, string? Before, string? After);

/// <summary>Rows of learnt_word. Every change touches the larder, so that lines are read with it from then on.</summary>
internal static class LearntWords
{
    public static async Task<IReadOnlyList<LearntWord>> All(NpgsqlConnection connection) =>
        [.. await connection.QueryAsync<LearntWord>("select words, food_key, learnt_at from learnt_word order by words")];

    /// <summary>Remembers choices and says what changed; a choice that stood already changes nothing.</summary>
    public static async Task<IReadOnlyList<WordChange>> Learn(
        NpgsqlConnection connection,
        Tenant tenant,
        IReadOnlyList<(string Words, string FoodKey)> choices,
        DateTimeOffset at
    )
    {
        if (choices.Count == 0)
        {
            return [];
        }

        var known = (await All(connection)).ToDictionary(word => word.Words, word => word.FoodKey);
        var changes = choices
            .DistinctBy(choice => choice.Words)
            .Where(choice => known.GetValueOrDefault(choice.Words) != choice.FoodKey)
            .Select(choice => new WordChange(choice.Words, known.GetValueOrDefault(choice.Words), choice.FoodKey))
            .ToList();
        await Apply(connection, tenant, changes, at);
        return changes;
    }

    /// <summary>Puts the state after each change in place.</summary>
    public static async Task Apply(NpgsqlConnection connection, Tenant tenant, IReadOnlyList<WordChange> changes, DateTimeOffset at)
    {
        if (changes.Count == 0)
        {
            return;
        }

        await PacketStore.Touch(connection);
        foreach (var change in changes)
        {
            await connection.ExecuteAsync(
                change.After is null
                    ? "delete from learnt_word where words = @Words"
                    : """
                    insert into learnt_word (household_id, words, food_key, learnt_at, learnt_by) values (@Household, @Words, @After, @at, @Account)
                    on conflict (household_id, words) do update set food_key = excluded.food_key, learnt_at = excluded.learnt_at, learnt_by = excluded.learnt_by
                    """,
                new
                {
                    tenant.Household,
                    tenant.Account,
                    change.Words,
                    change.After,
                    at,
                }
            );
        }
    }

    public static IReadOnlyList<WordChange> Reversed(IReadOnlyList<WordChange> changes) =>
        [.. changes.Select(change => new WordChange(change.Words, change.After, change.Before))];
}

using Merienda.Core.Outcomes;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>What a household chose for words that name a food.</summary>
/// <param name="Words">In the form that lines are matched in.</param>
/// <param name="FoodKey">A food of the table or a packet.</param>
public sealed record LearntWord(string Words, string FoodKey, DateTimeOffset LearntAt, Guid LearntBy);

/// <summary>The household's own words: learnt where a food was chosen for them, forgotten on demand.</summary>
public sealed class LearntWords(EditDoor door, PacketStore packets)
{
    /// <summary>Forgets what was learnt of some words.</summary>
    public Task<Result<Edited<bool>>> Forget(EditStamp stamp, string words) =>
        door.Edit<HouseholdFoods, bool>(
            stamp,
            Journal.Word,
            packets.Foods,
            foods =>
                foods.Learnt.FirstOrDefault(word => word.Words == words) is { } known
                    ? new Decided<bool>(new Change($"Forgot what \"{words}\" means").Put(Tables.LearntWord, RowOf(known), null), true)
                    : new Refusal("word-unknown", "words", words, "nothing was learnt of these words", "Load the list again")
        );

    /// <summary>Remembers choices; one that stood already changes nothing.</summary>
    internal static void Learn(
        Change change,
        IReadOnlyList<LearntWord> known,
        IReadOnlyList<(string Words, string FoodKey)> choices,
        EditStamp stamp,
        DateTimeOffset at
    )
    {
        var before = known.ToDictionary(word => word.Words);
        foreach (var (words, food) in choices.DistinctBy(choice => choice.Words))
        {
            var old = before.GetValueOrDefault(words);
            if (old?.FoodKey != food)
            {
                change.Put(Tables.LearntWord, old is null ? null : RowOf(old), new LearntWordRow(words, food, at, stamp.Tenant.Account));
            }
        }
    }

    private static LearntWordRow RowOf(LearntWord word) => new(word.Words, word.FoodKey, word.LearntAt, word.LearntBy);
}

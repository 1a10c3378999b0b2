using Merienda.Core.Foods;
using Merienda.Core.Recipes;

namespace Merienda.Core.Protocols;

/// <summary>Why nobody can tell, from one line, whether something is in a dish.</summary>
public enum DoubtKind
{
    /// <summary>No food was found for the words.</summary>
    Unread,

    /// <summary>A food was found that the words only likely mean.</summary>
    Likely,

    /// <summary>The words leave a choice, and its foods differ.</summary>
    Choice,

    /// <summary>Packets of the food differ.</summary>
    PacketsDiffer,

    /// <summary>Words of a packet's own statement leave it open.</summary>
    Statement,

    /// <summary>The line names another food in passing.</summary>
    Mentioned,
}

/// <summary>A doubt with the words that cause it.</summary>
public sealed record LineDoubt(DoubtKind Kind, string Words)
{
    /// <summary>The doubt as a part of a sentence, with what settles it.</summary>
    public string Said =>
        Kind switch
        {
            DoubtKind.Unread => $"no food is known for \"{Words}\"; choose one",
            DoubtKind.Likely => $"\"{Words}\" is only likely understood; confirm the food",
            DoubtKind.Choice => $"\"{Words}\": choose which one is meant",
            DoubtKind.PacketsDiffer => $"{Words} (packets differ: read yours)",
            DoubtKind.Mentioned => $"\"{Words}\" is mentioned; say whether it goes in",
            _ => Words,
        };
}

/// <summary>
/// Judges a line for what must not be in a dish. A doubt never fits: what was not read, is only likely, leaves a choice or differs by
/// packet can't be told; only what is known
/// not to hold it fits (domain.md section 5).
/// </summary>
public static class LineDoubts
{
    /// <summary>What a rule says of one food that is known to be meant.</summary>
    /// <param name="Reason">Why it breaks, or why nobody can tell.</param>
    public readonly record struct FoodFinding(Verdict Verdict, string Reason, DoubtKind Doubt);

    /// <summary>The verdict of one line, and the doubt where there is one.</summary>
    /// <param name="judge">What the rule says of a food that is meant for certain.</param>
    /// <param name="isAccepted">Whether an adult accepted words that no food is known for.</param>
    public static (Verdict Verdict, LineDoubt? Doubt, string Reason) Of(
        RecipeLine line,
        Func<Food, FoodFinding> judge,
        Func<string, bool> isAccepted
    )
    {
        var found = line.Meanings.Select(meaning => Of(meaning, judge, isAccepted)).ToList();
        if (found.Any(item => item.Verdict != found[0].Verdict))
        {
            return (
                Verdict.CannotTell,
                new(DoubtKind.Choice, string.Join(" or ", line.Meanings.Select(meaning => meaning.Food?.Name ?? meaning.Words))),
                ""
            );
        }

        if (found[0].Verdict != Verdict.Fits)
        {
            return found[0];
        }

        var mentioned = line.Mentioned.FirstOrDefault(food => judge(food).Verdict != Verdict.Fits);
        return mentioned is null ? found[0] : (Verdict.CannotTell, new(DoubtKind.Mentioned, mentioned.Name), "");
    }

    private static (Verdict Verdict, LineDoubt? Doubt, string Reason) Of(
        LineMeaning meaning,
        Func<Food, FoodFinding> judge,
        Func<string, bool> isAccepted
    )
    {
        if (meaning.Food is not { } food)
        {
            return isAccepted(meaning.Words) ? (Verdict.Fits, null, "") : (Verdict.CannotTell, new(DoubtKind.Unread, meaning.Words), "");
        }

        var kinds = meaning.Foods.Select(judge).ToList();
        if (kinds.Any(kind => kind.Verdict != kinds[0].Verdict))
        {
            return (Verdict.CannotTell, new(DoubtKind.Choice, string.Join(" or ", meaning.Foods.Select(kind => kind.Name))), "");
        }

        var found = kinds[0];
        return found.Verdict == Verdict.Breaks ? (Verdict.Breaks, null, found.Reason)
            : !meaning.IsSure && !isAccepted(meaning.Words) ? (Verdict.CannotTell, new(DoubtKind.Likely, meaning.Words), "")
            : found.Verdict == Verdict.Fits ? (Verdict.Fits, null, "")
            : (Verdict.CannotTell, new(found.Doubt, found.Reason), "");
    }
}

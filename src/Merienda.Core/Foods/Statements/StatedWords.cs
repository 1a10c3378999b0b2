using System.Text;

namespace Merienda.Core.Foods.Statements;

/// <summary>The words of a statement, brought to one form, and the numbers of additives among them.</summary>
internal static class StatedWords
{
    public static bool IsNumber(string token) => IsENumber(token) || IsBareNumber(token);

    public static bool IsENumber(string token) =>
        token.Length is 4 or 5 or 6 && token[0] == 'e' && token[1..4].All(char.IsDigit) && token[4..].All(char.IsAsciiLetterOrDigit);

    public static bool IsBareNumber(string token) =>
        token.Length is 3 or 4 or 5
        && token[..3].All(char.IsDigit)
        && token.TrimEnd('a', 'b', 'c', 'd', 'e', 'f', 'i') is var digits
        && int.TryParse(digits, out var number)
        && number is >= 100 and <= 1525;

    /// <summary>Behind these a number is an amount: "made with 130 g of pork".</summary>
    private static readonly HashSet<string> Measures = [.. "g gram kg mg ml l kcal kj iu mcg oz lb calorie per".Split(' ')];

    public static bool IsMeasure(string token) => Measures.Contains(token);

    /// <summary>Lower case, accents and apostrophes gone, plurals to singulars.</summary>
    public static string Normal(string words)
    {
        var letters = new StringBuilder(words.Length);
        foreach (var letter in Latin.Folded(words))
        {
            if (letter is not ('\'' or '’'))
            {
                letters.Append(letter == '-' ? ' ' : letter);
            }
        }

        return string.Join(' ', letters.ToString().Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(Singular));
    }

    private static string Singular(string word) =>
        word switch
        {
            [.., 'i', 'e', 's'] when word.Length > 4 => word[..^3] + "y",
            [.., 'o', 'e', 's'] => word[..^2],
            [.., 's', 's'] or [.., 'u', 's'] => word,
            [.., 's'] when word.Length > 3 => word[..^1],
            _ => word,
        };
}

using System.Collections.Frozen;
using System.Globalization;
using System.Text;

namespace Merienda.Core.Foods;

/// <summary>
/// Words without the marks on their letters, so that "gruyère" is "gruyere" however it was typed. The runtime's own decomposition needs its
/// globalization data,
/// which the program runs without: what it would do to Latin letters stands here.
/// </summary>
internal static class Latin
{
    private static readonly FrozenDictionary<char, string> Plain = new (string Letters, string Plain)[]
    {
        ("àáâãäåāăą", "a"),
        ("çćĉċč", "c"),
        ("ďđð", "d"),
        ("èéêëēĕėęě", "e"),
        ("ĝğġģ", "g"),
        ("ĥħ", "h"),
        ("ìíîïĩīĭįı", "i"),
        ("ĵ", "j"),
        ("ķ", "k"),
        ("ĺļľŀł", "l"),
        ("ñńņňŉ", "n"),
        ("òóôõöøōŏő", "o"),
        ("ŕŗř", "r"),
        ("śŝşš", "s"),
        ("ţťŧ", "t"),
        ("ùúûüũūŭůűų", "u"),
        ("ŵ", "w"),
        ("ýÿŷ", "y"),
        ("źżž", "z"),
        ("ß", "ss"),
        ("æ", "ae"),
        ("œ", "oe"),
    }
        .SelectMany(row => row.Letters.Select(letter => KeyValuePair.Create(letter, row.Plain)))
        .ToFrozenDictionary();

    /// <summary>Lower case, without marks, also those that are typed apart from their letter.</summary>
    public static string Folded(string text)
    {
        if (Ascii.IsValid(text))
        {
            return text.ToLowerInvariant();
        }

        var folded = new StringBuilder(text.Length);
        foreach (var letter in text)
        {
            var lower = char.ToLowerInvariant(letter);
            if (Plain.TryGetValue(lower, out var plain))
            {
                folded.Append(plain);
            }
            else if (CharUnicodeInfo.GetUnicodeCategory(letter) != UnicodeCategory.NonSpacingMark)
            {
                folded.Append(lower);
            }
        }

        return folded.ToString();
    }
}

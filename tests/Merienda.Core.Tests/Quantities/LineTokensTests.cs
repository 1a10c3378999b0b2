using Merienda.Core.Quantities;

namespace Merienda.Core.Tests.Quantities;

public class LineTokensTests
{
    [Theory]
    [InlineData("salt &amp; pepper", "salt & pepper")]
    [InlineData("  2\teggs \n", "2 eggs")]
    [InlineData("2  eggs", "2 eggs")]
    [InlineData("2 eggs", "2 eggs")]
    [InlineData("2\u00a0eggs", "2 eggs")]
    [InlineData("2 eggs\u200b", "2 eggs")]
    [InlineData("whole\u00admeal flour", "wholemeal flour")] // a soft hyphen
    [InlineData("\u00e9clair", "\u00e9clair")]
    [InlineData("cre\u0300me", "cre\u0300me")] // an accent typed apart stays with its letter
    [InlineData("\u0300 2 eggs", "2 eggs")]
    [InlineData("2\u0300 eggs", "2 eggs")]
    [InlineData("**2 eggs**", "2 eggs")]
    [InlineData("2 eggs 🥚", "2 eggs")]
    [InlineData("2 × 400 g", "2 x 400 g")]
    [InlineData("1⁄2 cup", "1/2 cup")]
    [InlineData("1∕2 cup", "1/2 cup")]
    [InlineData("1‐2 eggs", "1-2 eggs")]
    [InlineData("1‑2 eggs", "1-2 eggs")]
    [InlineData("1‒2 eggs", "1-2 eggs")]
    [InlineData("1−2 eggs", "1-2 eggs")]
    [InlineData("hen’s eggs", "hen's eggs")]
    [InlineData("hen‘s eggs", "hen's eggs")]
    public void Entities_odd_spaces_pictures_and_marks_are_cleaned(string typed, string clean) =>
        Assert.Equal(clean, LineTokens.Clean(typed));

    [Theory]
    [InlineData('-')]
    [InlineData('•')]
    [InlineData('–')]
    [InlineData('—')]
    [InlineData('·')]
    [InlineData('>')]
    [InlineData('+')]
    [InlineData('#')]
    [InlineData('‣')]
    [InlineData('.')]
    [InlineData(',')]
    [InlineData(';')]
    [InlineData('_')]
    public void What_stands_before_a_row_of_a_list_is_no_part_of_it(char bullet) =>
        Assert.Equal("2 eggs", LineTokens.Clean($"{bullet} {bullet}2 eggs"));

    [Theory]
    [InlineData("[ ] 2 eggs", "2 eggs")]
    [InlineData("[x]2 eggs", "2 eggs")]
    [InlineData("[X] 2 eggs", "2 eggs")]
    [InlineData("[y] 2 eggs", "[y] 2 eggs")]
    [InlineData("[ 2 eggs", "[ 2 eggs")]
    [InlineData("[ ]", "")]
    [InlineData("- ", "")]
    [InlineData("[x", "[x")]
    public void A_box_to_tick_goes_and_any_other_bracket_stays(string typed, string clean) => Assert.Equal(clean, LineTokens.Clean(typed));

    [Theory]
    [InlineData("1. 200 g flour", "200 g flour")]
    [InlineData("12) ½ cup milk", "½ cup milk")]
    [InlineData("1. flour", "1. flour")]
    [InlineData("1.5 kg flour", "1.5 kg flour")]
    [InlineData("1: 200 g flour", "1: 200 g flour")]
    [InlineData("1.", "1.")]
    [InlineData("1. 2", "2")]
    [InlineData("1. ", "1.")]
    [InlineData("200", "200")]
    [InlineData("(2) eggs", "(2) eggs")]
    public void A_number_of_the_list_goes_where_an_amount_follows(string typed, string clean) =>
        Assert.Equal(clean, LineTokens.Clean(typed));

    [Theory] // each vulgar fraction of Unicode
    [InlineData('½', 0.5)]
    [InlineData('⅓', 1.0 / 3)]
    [InlineData('⅔', 2.0 / 3)]
    [InlineData('¼', 0.25)]
    [InlineData('¾', 0.75)]
    [InlineData('⅕', 0.2)]
    [InlineData('⅖', 0.4)]
    [InlineData('⅗', 0.6)]
    [InlineData('⅘', 0.8)]
    [InlineData('⅙', 1.0 / 6)]
    [InlineData('⅚', 5.0 / 6)]
    [InlineData('⅐', 1.0 / 7)]
    [InlineData('⅛', 0.125)]
    [InlineData('⅜', 0.375)]
    [InlineData('⅝', 0.625)]
    [InlineData('⅞', 0.875)]
    [InlineData('⅑', 1.0 / 9)]
    [InlineData('⅒', 0.1)]
    public void A_fraction_of_one_letter_is_a_number(char letter, double value)
    {
        var token = new LineTokens($"{letter} cup")[0];
        Assert.Equal((TokenKind.Number, true), (token.Kind, token.IsFraction));
        Assert.Equal(value, (double)token.Value, 9);
        Assert.True(LineTokens.HasNumber($"a {letter}"));
    }

    [Theory]
    [InlineData("1,250", 1250)]
    [InlineData("999,999", 999_999)]
    [InlineData("12,5", 12.5)]
    [InlineData("1,25", 1.25)]
    [InlineData("0,125", 0.125)] // no thousands begin with a nought
    [InlineData("1,2500", 1.25)]
    [InlineData("1234,567", 1234.567)]
    [InlineData("1.250", 1.25)]
    [InlineData("999999.99999", 999_999.99999)] // twelve characters
    public void A_comma_before_three_digits_parts_thousands_and_any_other_is_a_decimal_mark(string typed, double value)
    {
        var token = new LineTokens(typed)[0];
        Assert.Equal((TokenKind.Number, typed.Length), (token.Kind, token.End));
        Assert.Equal(value, (double)token.Value, 9);
    }

    [Theory]
    [InlineData("1000000")]
    [InlineData("1,2,3")]
    [InlineData("1,2.3")]
    [InlineData("1234567890123")]
    [InlineData("999999.999999")]
    public void What_nobody_weighs_is_a_word(string typed) => Assert.Equal(TokenKind.Word, new LineTokens(typed)[0].Kind);

    [Fact]
    public void Words_numbers_and_marks_stand_where_they_stood()
    {
        var tokens = new LineTokens("2 hen's eggs, 3. beaten'");
        Assert.Equal(["2", "hen's", "eggs", ",", "3", ".", "beaten", "'"], Enumerable.Range(0, tokens.Count).Select(at => tokens[at].Text));
        Assert.Equal((2, 7), (tokens[1].Start, tokens[1].End));
        Assert.Equal("hen's eggs", tokens.Between(1, 3));
        Assert.Equal("", tokens.Between(3, 3));
        Assert.Equal("", tokens.Between(8, 9));
        Assert.Equal((TokenKind.Mark, false, 24), (tokens[8].Kind, tokens[8].IsFraction, tokens[8].Start));
        Assert.Equal(TokenKind.Mark, tokens[-1].Kind);
    }

    [Fact]
    public void Words_are_found_in_any_case_and_are_no_marks()
    {
        var tokens = new LineTokens("2 Eggs or DUCK eggs, 100 g");
        Assert.True(tokens.Has("duck"));
        Assert.False(tokens.Has("hen"));
        Assert.False(tokens[0].Is("2"));
        Assert.True(tokens[1].Is("eggs"));
        Assert.True(tokens[5].Is(','));
        Assert.False(tokens[5].Is(";"));
        HashSet<string> asked = new(["duck", "eggs", "2"], StringComparer.OrdinalIgnoreCase);
        Assert.Equal(["eggs", "duck", "eggs"], tokens.WordsAmong(asked));
        Assert.Empty(new LineTokens("salt").WordsAmong(asked));
        Assert.False(LineTokens.HasNumber("salt"));
        Assert.True(LineTokens.HasNumber("salt 9"));
    }
}

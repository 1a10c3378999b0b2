using Merienda.Core.Foods;

namespace Merienda.Core.Tests.Foods.Matching;

/// <summary>
/// Phrases through the words that are found by them: the longest that begins at a word wins, and one that is cut short is none.
/// </summary>
public class PhrasesTests
{
    private static readonly FoodWords Words = new([
        ("spring onion", WordEffect.Same, "scallion"),
        ("spring", WordEffect.Describes, ""),
        ("spring onion top", WordEffect.Same, "green"),
        ("yog", WordEffect.Same, "natural yoghurt"),
        ("natural", WordEffect.Describes, ""),
        ("natural", WordEffect.Changes, ""),
    ]);

    [Theory]
    [InlineData("spring onion", "scallion")]
    [InlineData("2 spring onions chopped", "2 scallion chopped")]
    [InlineData("spring onion tops", "green")] // the longer one
    [InlineData("spring", "spring")]
    [InlineData("onion spring", "onion spring")] // the order counts
    [InlineData("yog yog", "natural yoghurt natural yoghurt")] // one word becomes two, and the next is still found
    [InlineData("", "")]
    public void The_longest_phrase_is_written_as_its_other_form(string typed, string form) =>
        Assert.Equal(form, string.Join(' ', Words.Of(typed)));

    [Fact]
    public void Of_two_effects_of_one_phrase_the_later_holds() =>
        Assert.Equal([WordEffect.Changes, null, WordEffect.Describes], Words.EffectsOf(["natural", "yoghurt", "spring"]));
}

using Merienda.Core.Foods;

namespace Merienda.Core.Tests.Foods.Matching;

public class FoodWordsTests
{
    private static readonly FoodWords Words = Table.Foods.Words;

    [Theory]
    [InlineData("Tomatoes", "tomato")]
    [InlineData("TOMATOES", "tomato")]
    [InlineData("berries", "berry")]
    [InlineData("pies", "pie")] // too short to end in y
    [InlineData("leaves", "leaf")]
    [InlineData("radishes", "radish")]
    [InlineData("asparagus", "asparagus")] // no plural
    [InlineData("watercress", "watercress")]
    [InlineData("peas", "pea")]
    [InlineData("extra-virgin olive oil", "extra virgin olive oil")]
    [InlineData("crème fraîche", "creme fraiche")]
    [InlineData("cre\u0300me frai\u0302che", "creme fraiche")] // accents typed apart
    [InlineData("GRUYÈRE", "gruyere")]
    [InlineData("smørrebrød", "smorrebrod")]
    [InlineData("Käse", "kase")]
    [InlineData("baker's yeast", "baker yeast")]
    [InlineData("baker’s yeast", "baker yeast")]
    [InlineData("  pine   nuts ", "pine nut")]
    [InlineData("zucchini", "courgette")]
    [InlineData("eggplants", "aubergine")]
    [InlineData("garbanzo beans", "chickpea")]
    public void Words_have_one_form(string typed, string form) => Assert.Equal(form, string.Join(' ', Words.Of(typed)));

    [Theory]
    [InlineData("93% lean", "7%")]
    [InlineData("93 % lean", "7%")]
    [InlineData("95% extra lean", "5%")]
    [InlineData("80/20", "20%")]
    [InlineData("5% fat", "5%")]
    [InlineData("0 % fat", "0%")]
    [InlineData("2% milk fat", "2%")]
    [InlineData("1.5% fat", "1.5%")]
    public void A_fat_content_is_one_word_however_it_is_said(string typed, string form) => Assert.Contains(form, Words.Of(typed));

    [Fact]
    public void A_fraction_is_no_fat_content() => Assert.DoesNotContain(Words.Of("1/2 cup"), word => word.EndsWith('%'));

    [Theory]
    [InlineData("finely chopped", true)]
    [InlineData("boneless, skinless", true)]
    [InlineData("", false)]
    [InlineData("chopped parsley", false)] // parsley is a name
    [InlineData("vegan", false)] // makes it another food
    [InlineData("wonderdust", false)] // nobody knows it
    public void Only_what_leaves_the_food_the_same_describes(string typed, bool describes) =>
        Assert.Equal(describes, Words.OnlyDescribes(typed));

    [Theory]
    [InlineData("7 % fat", true)]
    [InlineData("vegan", true)]
    [InlineData("finely chopped", false)] // nothing in it makes another food
    [InlineData("vegan, chopped", true)]
    [InlineData("vegan parsley", false)] // a name among it
    [InlineData("", false)]
    public void What_makes_it_another_food_is_told_from_a_name(string typed, bool changes) => Assert.Equal(changes, Words.Changes(typed));

    [Fact]
    public void A_phrase_has_one_effect_whatever_its_words_have()
    {
        var words = new FoodWords([("dry roasted", WordEffect.Describes, ""), ("dry", WordEffect.Changes, "")]);
        Assert.Equal([WordEffect.Describes, WordEffect.Describes, null], words.EffectsOf(["dry", "roasted", "peanut"]));
        Assert.Equal([WordEffect.Changes, null], words.EffectsOf(["dry", "peanut"]));
    }

    [Fact]
    public void Without_a_list_words_are_only_put_into_their_form() =>
        Assert.Equal(["fresh", "zucchini"], FoodWords.None.Of("Fresh zucchinis"));
}

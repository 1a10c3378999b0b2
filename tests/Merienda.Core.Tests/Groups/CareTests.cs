using Merienda.Core.Groups;

namespace Merienda.Core.Tests.Groups;

/// <summary>Words that want care, and words that only look like them.</summary>
public class CareTests
{
    [Theory]
    [InlineData("It cures gout.")]
    [InlineData("A cure for migraines")]
    [InlineData("This broth cured me")]
    [InlineData("A good detox after the holidays")]
    [InlineData("Three days of juice cleanse")]
    [InlineData("flushes toxins")]
    [InlineData("Safe for diabetics!")]
    [InlineData("suitable for all coeliacs")]
    [InlineData("It lowers blood sugar")]
    [InlineData("reverses type 2 diabetes")]
    [InlineData("Helps against inflammation")]
    [InlineData("boosts your metabolism")]
    [InlineData("melts belly fat")]
    [InlineData("Take it instead of your insulin")]
    [InlineData("I came off my medication with it")]
    [InlineData("diabetic-friendly")]
    public void A_health_claim_is_marked(string text) => Assert.Equal(CareKind.HealthClaim, Assert.Single(Care.In(text).Take(1)).Kind);

    [Theory]
    [InlineData("I purged after supper")]
    [InlineData("can't stop bingeing")]
    [InlineData("I made myself sick again")]
    [InlineData("I fainted at practice")]
    [InlineData("she passed out on the stairs")]
    [InlineData("I haven’t eaten since Monday")]
    [InlineData("Is 600 kcal a day enough?")]
    [InlineData("living on 500 calories")]
    [InlineData("799 kcal per day")]
    [InlineData("I hate my body")]
    [InlineData("should I skip my insulin")]
    [InlineData("laxatives help, don't they")]
    public void What_may_speak_of_harm_is_marked(string text) => Assert.Contains(Care.In(text), mark => mark.Kind == CareKind.Harm);

    [Theory]
    [InlineData("Cure the salmon for two days in salt")]
    [InlineData("200 g cured ham")]
    [InlineData("Sweet treats for the weekend")]
    [InlineData("A portion has 420 kcal")]
    [InlineData("800 kcal a day")]
    [InlineData("1,600 kcal a day is my tier")]
    [InlineData("That is 600 kcal for supper, which keeps me full")]
    [InlineData("Wash and dry the leeks to clean them")]
    [InlineData("Pour off the fat: it burns fast")]
    [InlineData("My children are starving when they come home")]
    [InlineData("Boil down until it falls, then pass it through a sieve")]
    [InlineData("Stop stirring, it breaks the fish")]
    [InlineData("Which dish is good for Thursday?")]
    [InlineData("Can I eat this with a nut allergy?")]
    [InlineData("I follow low-carb because of my diabetes")]
    public void Plain_kitchen_talk_is_not_marked(string text) => Assert.Empty(Care.In(text));

    [Fact]
    public void Harm_stands_first_and_the_same_words_once() =>
        Assert.Equal(
            [new(CareKind.Harm, "fainted"), new(CareKind.HealthClaim, "detox")],
            Care.In("It is a detox. Detox! I fainted, and fainted again.")
        );
}

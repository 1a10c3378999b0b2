using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class DislikeRuleTests
{
    private static DislikeRule Of(params string[] what) => new() { Id = "dislikes", Of = what };

    [Fact]
    public void A_dislike_is_said_and_never_a_verdict()
    {
        var finding = Of("fish", "carrot").CheckPortion(Eat(1, "100 g cod", "100 g carrot", "100 g rice"), null, Context());
        Assert.Equal((Verdict.Fits, "Dislikes: Cod fillet and Carrot."), (finding.Verdict, finding.Because));
        Assert.Equal("Disliked: Cod fillet and Carrot.", Assert.Single(finding.Notes));
        Assert.Equal(Verdict.Fits, Of("fish").JudgePortion(Eat(1, "100 g cod"), null, Context()));
    }

    [Fact]
    public void What_is_not_in_it_is_not_said()
    {
        var finding = Of("fish").Check(Eat(1, "100 g rice"), Context());
        Assert.Equal("Dislikes: none of them is in it.", finding.Because);
        Assert.Empty(finding.Notes);
        Assert.Empty(finding.Contributors);
    }

    [Fact]
    public void Classes_are_named_and_foods_stay_as_they_are_stated() =>
        Assert.Equal("Dislikes: fish, carrot", Of("fish", "carrot").Sentence(Data.Classes));
}

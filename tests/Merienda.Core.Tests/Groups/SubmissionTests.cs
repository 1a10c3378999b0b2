using Merienda.Core.Groups;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Groups;

/// <summary>A recipe that is brought to a group.</summary>
public class SubmissionTests
{
    private static readonly Submission Sent = Submission.Sent(Guid.NewGuid());

    [Fact]
    public void It_is_asked_back_sent_again_and_taken_up()
    {
        var asked = Sent.AskBack(" Which stock? ").Value;
        Assert.Equal((SubmissionState.AskedBack, "Which stock?", 1), (asked.State, asked.Reply, asked.Number));
        var again = asked.Again().Value;
        Assert.Equal((SubmissionState.Waiting, "Which stock?", 2), (again.State, again.Reply, again.Number));
        Assert.Equal(SubmissionState.TakenUp, again.TakeUp().Value.State);
        // It may be better still before anybody has looked.
        Assert.Equal(2, Sent.Again().Value.Number);
    }

    [Fact]
    public void What_is_answered_for_good_stays_so()
    {
        foreach (var over in new[] { Sent.Decline("Twice a week is enough fish").Value, Sent.TakeUp().Value })
        {
            Assert.Equal(
                ["submission-over", "submission-over", "submission-over", "submission-over"],
                [over.Again().Refusal?.Code, over.TakeUp().Refusal?.Code, over.AskBack("x").Refusal?.Code, over.Decline("x").Refusal?.Code]
            );
        }
    }

    [Theory]
    [InlineData(0, false)]
    [InlineData(1, true)]
    [InlineData(300, true)]
    [InlineData(301, false)]
    public void A_reply_is_one_line(int length, bool isTaken)
    {
        var line = new string('x', length);
        Assert.Equal(isTaken, !Sent.AskBack(line).IsRefused);
        Assert.Equal(isTaken, !Sent.Decline(line).IsRefused);
    }

    [Theory]
    [InlineData(500, true)]
    [InlineData(501, false)]
    public void A_word_to_the_desk_is_short(int length, bool isTaken) =>
        Assert.Equal(isTaken, Submission.WrongWords(new string('x', length)) is null);

    private static Strand Strand(int members, params string[] allergies) =>
        new(
            new Eater(
                Guid.NewGuid(),
                "Member",
                new EaterRules([.. allergies.Select(food => new AllergyRule { Id = food, Classes = [food] })], Context()),
                [],
                Rhythm.Usual
            ),
            [],
            members
        );

    private static SubmissionReview Review(RecipeVersion recipe, string words = "") =>
        SubmissionReview.Of(recipe, words, [Strand(8), Strand(2, "peanut")], Data.HouseScheme);

    [Fact]
    public void It_says_what_is_unknown_and_whom_it_does_not_suit()
    {
        var review = Review(Recipe("Pan", 2, [Line("300 g cod fillet"), Line("2 tbsp mystery paste")]));
        Assert.Equal("2 tbsp mystery paste", Assert.Single(review.Unknown).Line);
        Assert.Equal((8, 2), (review.Check.Members[Verdict.Fits], review.Check.Members[Verdict.CannotTell]));
        Assert.Empty(Review(Recipe("Pan", 2, [Line("300 g cod fillet")])).Unknown);
    }

    [Fact]
    public void It_says_which_numbers_cannot_be()
    {
        var bars = Bars(new Claim(ClaimedValue.NetCarbohydrate, 0));
        Assert.Equal(ClaimedValue.NetCarbohydrate, Assert.Single(Review(bars).Claims).Claim.What);
        Assert.Empty(Review(Bars()).Claims);

        static RecipeVersion Bars(params Claim[] claims) =>
            new()
            {
                Name = "Bars",
                Portions = 4,
                Lines = [Line("400 g rolled oats")],
                Tasks = [],
                Keeping = KeepingClass.WithKey("cooked")!,
                Claims = claims,
            };
    }

    [Fact]
    public void Words_with_it_want_care_as_well_as_its_own()
    {
        var plain = Recipe("Broth", 4, [Line("1 kg carrots")]);
        Assert.Equal(CareKind.HealthClaim, Assert.Single(Review(plain, "It cures gout").Care).Kind);
        Assert.Single(Review(Recipe("Detox broth", 4, [Line("1 kg carrots")])).Care);
        Assert.Empty(Review(plain).Care);
    }

    [Fact]
    public void Harm_weighs_most_then_a_claim_then_whom_it_breaks_then_doubts()
    {
        var cod = Recipe("Cod", 2, [Line("300 g cod fillet")]);
        var peanuts = Recipe("Peanuts", 2, [Line("100 g peanuts")]);
        var doubt = Recipe("Doubt", 2, [Line("2 tbsp mystery paste")]);
        SubmissionReview[] worstFirst =
        [
            Review(cod, "I fainted"),
            Review(cod, "It is a detox"),
            Review(peanuts),
            Review(doubt),
            Review(cod),
        ];
        Assert.Equal(worstFirst, worstFirst.Reverse().OrderByDescending(review => review.Weight));
    }
}

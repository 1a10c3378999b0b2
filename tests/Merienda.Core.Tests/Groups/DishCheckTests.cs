using Merienda.Core.Foods;
using Merienda.Core.Groups;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Groups;

public class DishCheckTests
{
    private static Strand Strand(int members, params Rule[] rules) =>
        new(new Eater(Guid.NewGuid(), "Member", new EaterRules(rules, Context()), [], Rhythm.Usual), [], members);

    private static readonly MenuDish AtSupper = new(Guid.NewGuid(), 0, "supper", Guid.NewGuid());

    [Fact]
    public void A_dish_is_judged_for_each_strand_with_the_reasons_that_concern_most_first()
    {
        var dish = Recipe("Cod and celery", 1, [Line("300 g cod fillet"), Line("100 g celery")]);
        AllergyRule To(string food) => new() { Id = "allergy", Classes = [food] };
        var check = DishCheck.Of(AtSupper, dish, [Strand(30), Strand(3, To("celery")), Strand(7, To("fish")), Strand(2, To("fish"))]);
        Assert.Equal((30, 12), (check.Members[Verdict.Fits], check.Members[Verdict.Breaks]));
        Assert.Equal([9, 3], check.Reasons.Select(reason => reason.Members));
        Assert.Contains("Cod fillet", check.Reasons[0].Because, StringComparison.Ordinal);
    }

    [Fact]
    public void A_limit_whose_number_is_each_members_own_is_not_judged_and_a_stated_one_is()
    {
        var dish = Recipe("Rice", 1, [Line("100 g rice")]);
        var own = AtMost(Measure.NetCarbohydrate, 40, Period.Portion);
        Assert.Equal([Verdict.Breaks], DishCheck.Of(AtSupper, dish, [Strand(5, own)]).Members.Keys);
        Assert.Equal([Verdict.Fits], DishCheck.Of(AtSupper, dish, [Strand(5, own with { AtMost = null })]).Members.Keys);
    }

    [Theory]
    [InlineData(0, 0)]
    [InlineData(1, null)]
    [InlineData(4, null)]
    [InlineData(5, 5)]
    [InlineData(412, 412)]
    public void Fewer_than_five_are_a_few(int members, int? said) => Assert.Equal(said, DishCheck.Said(members));

    [Fact]
    public void Where_a_few_stand_apart_the_rest_is_not_counted_either()
    {
        DishCheck With(params (Verdict Verdict, int Members)[] members) =>
            new(members.ToDictionary(one => one.Verdict, one => one.Members), []);
        Assert.Equal(
            [new(Verdict.Fits, null, true), new(Verdict.CannotTell, 7, false), new(Verdict.Breaks, null, false)],
            With((Verdict.Fits, 40), (Verdict.Breaks, 2), (Verdict.CannotTell, 7)).SaidMembers()
        );
        Assert.Equal(
            [new(Verdict.Fits, 40, false), new(Verdict.Breaks, 5, false)],
            With((Verdict.Fits, 40), (Verdict.Breaks, 5)).SaidMembers()
        );
        // Three of six are no rest.
        Assert.Equal(
            [new(Verdict.Fits, null, false), new(Verdict.Breaks, null, false)],
            With((Verdict.Fits, 3), (Verdict.Breaks, 3)).SaidMembers()
        );
        Assert.Empty(With().SaidMembers());
    }
}

using Merienda.Core.Groups;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Groups;

/// <summary>The change of a menu's dish that makes it fit for most.</summary>
public class DishMendTests
{
    private static readonly MenuDish AtSupper = new(Guid.NewGuid(), 0, "supper", Guid.NewGuid());

    private static Strand Strand(int members, string[] protocols, params string[] allergies) =>
        new(
            new Eater(
                Guid.NewGuid(),
                "Member",
                new EaterRules([.. allergies.Select(food => new AllergyRule { Id = "allergy", Classes = [food] })], Context()),
                [],
                Rhythm.Usual
            ),
            protocols,
            members
        );

    private static IReadOnlyList<DishMend> Mends(Core.Recipes.RecipeVersion dish, params Strand[] strands) =>
        DishMend.Of(AtSupper, dish, strands, Data.Foods, MeasureSystem.Metric);

    [Fact]
    public void The_first_change_is_the_one_that_concerns_most_and_nothing_is_said_that_helps_nobody()
    {
        var dish = Recipe("Cod with curd", 2, [Line("300 g cod fillet"), Line("60 g feta"), Line("30 g walnuts")]);
        var mends = Mends(dish, Strand(20, []), Strand(9, [], "dairy"), Strand(2, [], "tree-nut"));
        Assert.Equal(9, mends[0].FitsMore);
        Assert.Equal((29, 2), (mends[0].After.Members[Verdict.Fits], mends[0].After.Members[Verdict.Breaks]));
        Assert.DoesNotContain(mends[0].Swap.Of(dish).Lines, line => line.Food == Food("feta"));
        Assert.All(mends, mend => Assert.InRange(mend.FitsMore, 1, 11));
        Assert.Empty(Mends(dish, Strand(20, [])));
        Assert.Empty(Mends(Recipe("Cod", 2, [Line("300 g cod fillet")]), Strand(3, [], "dairy")));
    }

    [Fact]
    public void No_change_brings_in_what_somebody_is_allergic_to()
    {
        var dish = Recipe("Pasta", 2, [Line("200 g spaghetti"), Line("60 g feta")]);
        var strands = new[] { Strand(9, [], "dairy"), Strand(6, [], "soy"), Strand(5, [], "tree-nut") };
        var (before, mends) = (DishCheck.Of(AtSupper, dish, strands), Mends(dish, strands));
        // What is cheese without milk is of almonds or soy: leaving it out suits everybody.
        Assert.Equal((9, 20), (mends[0].FitsMore, mends[0].After.Members[Verdict.Fits]));
        Assert.All(mends, mend => Assert.True(mend.After.Members[Verdict.Fits] > before.Members[Verdict.Fits]));
    }

    [Fact]
    public void Who_has_a_variant_of_it_is_not_asked()
    {
        var dish = Recipe("Cod with curd", 2, [Line("300 g cod fillet"), Line("60 g feta")]);
        var varied = new Core.Recipes.RecipeVersion
        {
            Name = dish.Name,
            Portions = dish.Portions,
            Lines = dish.Lines,
            Tasks = [],
            Keeping = dish.Keeping,
            Variants = [new("Without feta") { Lines = [new(dish.Lines[1].Typed.Id, 0)] }],
        };
        var served = AtSupper with { Variants = [new("vegan", "Without feta")] };
        var strand = Strand(9, ["vegan"], "dairy");
        Assert.Equal([Verdict.Fits], DishCheck.Of(served, varied, [strand]).Members.Keys);
        Assert.Empty(DishMend.Of(served, varied, [strand], Data.Foods, MeasureSystem.Metric));
        Assert.NotEmpty(DishMend.Of(AtSupper, varied, [strand], Data.Foods, MeasureSystem.Metric));
    }
}

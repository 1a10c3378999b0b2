using Merienda.Core.Claims;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Claims;

public class ClaimCheckTests
{
    private static RecipeVersion Dish(IReadOnlyList<RecipeLine> lines, decimal portions, params Claim[] claims) =>
        new()
        {
            Name = "Dish",
            Portions = portions,
            Lines = lines,
            Claims = [.. claims.Select(claim => claim.Of.Length > 0 ? claim : claim with { Of = DishPrint.Of(lines, portions) })],
            Keeping = Core.Keeping.KeepingClass.WithKey("cooked")!,
        };

    private static IReadOnlyList<ClaimFinding> Found(IReadOnlyList<RecipeLine> lines, decimal portions, params Claim[] claims) =>
        ClaimCheck.Of(Dish(lines, portions, claims), Data.HouseScheme);

    /// <summary>What is stated together of any dish, without looking at ours.</summary>
    private static ClaimFinding? Impossible(ClaimedValue what, string stated) =>
        Found([Line("100 g chicken breast")], 1, [.. ClaimReader.Read(stated)])
            .SingleOrDefault(finding => finding.Claim.What == what && finding.Verdict == ClaimVerdict.CannotBe);

    [Fact]
    public void Energy_that_its_macros_do_not_make_and_shares_that_are_swapped_are_both_named()
    {
        // domain.md section 11, 2.
        const string Stated = "423 kcal, 41 g protein, 32.5 g fat, 2.8 g carbs, 63 % protein, 35 % fat";
        var energy = Impossible(ClaimedValue.Energy, Stated);
        Assert.Equal("41 g protein, 32.5 g fat and 2.8 g carbs make 468 kcal, not 423: 10.6 % off.", energy?.Because);
        Assert.StartsWith(
            "The shares of protein and fat are swapped",
            Impossible(ClaimedValue.ProteinShare, Stated)?.Because,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "35.1 % is protein and 62.5 % fat",
            Impossible(ClaimedValue.ProteinShare, Stated)!.Because,
            StringComparison.Ordinal
        );
        Assert.NotNull(Impossible(ClaimedValue.FatShare, Stated));
    }

    [Theory]
    // domain.md section 11, 3 to 5: 3.3 % off; 510 kcal and 67 % from fat; a sum of parts within tolerance.
    [InlineData("581 kcal, 16 g fat, 82 g carbs, 32 g protein")]
    [InlineData("510 kcal, 3 g carbs, 38 g fat, 39 g protein, 67 % fat")]
    [InlineData("100 kcal, 10 g carbs, 7 g fibre, 2 g fat, 9 g protein")]
    [InlineData("0 kcal, 0 g protein, 0 g fat, 0 g carbs")]
    public void Values_that_belong_together_are_not_queried(string stated) =>
        Assert.DoesNotContain(
            Found([Line("100 g chicken breast")], 1, [.. ClaimReader.Read(stated)]),
            finding => finding.Verdict == ClaimVerdict.CannotBe
        );

    [Theory]
    // 200 kcal make 20 the larger bound, 300 kcal make 10 % of it.
    [InlineData(220, 50, false)]
    [InlineData(221, 50, false)]
    [InlineData(179, 50, true)]
    [InlineData(180, 50, false)]
    [InlineData(355, 80, false)]
    [InlineData(356, 80, true)]
    [InlineData(280, 80, true)]
    [InlineData(291, 80, false)]
    public void Energy_is_queried_from_ten_percent_and_twenty_kilocalories_on(int energy, int protein, bool isQueried) =>
        Assert.Equal(isQueried, Impossible(ClaimedValue.Energy, $"{energy} kcal, {protein} g protein, 0 g fat, 0 g carbs") is not null);

    [Theory]
    [InlineData("5 g fat, 6 g saturated fat", ClaimedValue.SaturatedFat)]
    [InlineData("5 g carbs, 6 g sugar", ClaimedValue.Sugars)]
    [InlineData("5 g carbs, 6 g net carbs", ClaimedValue.NetCarbohydrate)]
    [InlineData("30 min hands-on, total time 20 min", ClaimedValue.HandsOn)]
    [InlineData("60 % protein, 50 % fat", ClaimedValue.ProteinShare)]
    [InlineData("serving size 50 g, 30 g protein, 20 g fat, 10 g carbs", ClaimedValue.PortionGrams)]
    [InlineData("serving size 50 g, 500 kcal", ClaimedValue.Energy)]
    public void What_no_dish_can_have_is_named(string stated, ClaimedValue what) => Assert.NotNull(Impossible(what, stated));

    [Theory]
    [InlineData("5 g fat, 5 g saturated fat", ClaimedValue.SaturatedFat)]
    [InlineData("20 min hands-on, total time 20 min", ClaimedValue.HandsOn)]
    [InlineData("50 % protein, 50 % fat", ClaimedValue.ProteinShare)]
    [InlineData("serving size 60 g, 30 g protein, 20 g fat, 10 g carbs", ClaimedValue.PortionGrams)]
    [InlineData("serving size 50 g, 450 kcal", ClaimedValue.Energy)]
    public void What_is_only_just_possible_is_not(string stated, ClaimedValue what) => Assert.Null(Impossible(what, stated));

    [Fact]
    public void Energies_of_parts_are_held_against_the_whole()
    {
        // domain.md section 11, 5: 234 of sauce and 176 of spaghetti against 414, and against 500.
        ClaimVerdict Verdict(decimal whole) =>
            Found(
                [Part("Sauce", "200 g tomato"), Part("Pasta", "50 g spaghetti")],
                1,
                new(ClaimedValue.Energy, 234) { Part = "Sauce" },
                new(ClaimedValue.Energy, 176) { Part = "Pasta" },
                new(ClaimedValue.Energy, whole)
            )[2].Verdict;
        Assert.NotEqual(ClaimVerdict.CannotBe, Verdict(414));
        Assert.Equal(ClaimVerdict.CannotBe, Verdict(500));
    }

    private static RecipeLine Part(string part, string text) =>
        RecipeLine.From(new TypedLine(text, part) { Id = Guid.NewGuid() }, Table.Foods, Core.Quantities.MeasureSystem.Metric);

    [Theory]
    [InlineData(165, ClaimVerdict.Agrees)]
    [InlineData(140, ClaimVerdict.Agrees)]
    [InlineData(80, ClaimVerdict.Differs)]
    [InlineData(400, ClaimVerdict.Differs)]
    public void Theirs_is_compared_with_ours(int energy, ClaimVerdict verdict)
    {
        var finding = Assert.Single(Found([Line("100 g chicken breast, cooked")], 1, new Claim(ClaimedValue.Energy, energy)));
        Assert.Equal(verdict, finding.Verdict);
        Assert.Equal(verdict == ClaimVerdict.Agrees, finding.Because.Length == 0);
    }

    [Fact]
    public void A_part_that_is_unknown_leaves_it_open_until_the_known_part_is_too_much()
    {
        IReadOnlyList<RecipeLine> lines = [Line("100 g chicken breast"), Line("100 g grumbleberry")];
        Assert.Equal(ClaimVerdict.CantTell, Assert.Single(Found(lines, 1, new Claim(ClaimedValue.Energy, 300))).Verdict);
        Assert.Equal(ClaimVerdict.Differs, Assert.Single(Found(lines, 1, new Claim(ClaimedValue.Energy, 40))).Verdict);
    }

    [Fact]
    public void After_any_change_it_was_said_of_another_dish_and_going_back_makes_it_true_again()
    {
        IReadOnlyList<RecipeLine> lines = [Line("100 g chicken breast"), Line("50 g rice")];
        var claim = new Claim(ClaimedValue.Protein, 25) { Of = DishPrint.Of(lines, 1) };
        Assert.NotEqual(ClaimVerdict.SaidBefore, Assert.Single(Found(lines, 1, claim)).Verdict);
        Assert.Equal(ClaimVerdict.SaidBefore, Assert.Single(Found(lines, 2, claim)).Verdict);
        Assert.Equal(ClaimVerdict.SaidBefore, Assert.Single(Found([lines[0], Line("60 g rice")], 1, claim)).Verdict);
        Assert.Equal(ClaimVerdict.SaidBefore, Assert.Single(Found([lines[0]], 1, claim)).Verdict);
        Assert.NotEqual(ClaimVerdict.SaidBefore, Assert.Single(Found([Line("100 g chicken breast"), Line("50 g rice")], 1, claim)).Verdict);
    }

    [Fact]
    public void A_value_belongs_to_the_variant_it_was_stated_for()
    {
        IReadOnlyList<RecipeLine> lines = [Line("100 g chicken breast"), Line("200 g rice")];
        var light = new Variant("Light") { Lines = [new(lines[1].Typed.Id, 0)] };
        RecipeVersion With(params Variant[] variants) =>
            new()
            {
                Name = "Dish",
                Portions = 1,
                Lines = lines,
                Variants = variants,
                Claims = [new(ClaimedValue.Energy, 110) { Variant = "Light", Of = DishPrint.Of(light.Of(lines), 1) }],
                Keeping = Core.Keeping.KeepingClass.All[0],
            };
        Assert.Equal(ClaimVerdict.Agrees, Assert.Single(ClaimCheck.Of(With(light), Data.HouseScheme)).Verdict);
        Assert.Equal("It was said of the variant Light, which is no more.", Assert.Single(ClaimCheck.Of(With(), Data.HouseScheme)).Because);
    }

    [Theory]
    [InlineData(4, ClaimVerdict.Agrees)]
    [InlineData(2, ClaimVerdict.Agrees)]
    [InlineData(5, ClaimVerdict.Differs)]
    public void Keeping_longer_than_the_chart_is_said(int days, ClaimVerdict verdict) =>
        Assert.Equal(verdict, Assert.Single(Found([Line("100 g chicken breast")], 1, new Claim(ClaimedValue.FridgeDays, days))).Verdict);

    [Fact]
    public void Portions_times_their_size_are_held_against_what_goes_in()
    {
        Assert.Equal(
            ClaimVerdict.Agrees,
            Assert.Single(Found([Line("600 g apple")], 4, new Claim(ClaimedValue.PortionGrams, 150))).Verdict
        );
        Assert.Equal(
            ClaimVerdict.Differs,
            Assert.Single(Found([Line("600 g apple")], 4, new Claim(ClaimedValue.PortionGrams, 300))).Verdict
        );
        Assert.Equal(ClaimVerdict.Differs, Assert.Single(Found([Line("600 g apple")], 4, new Claim(ClaimedValue.Portions, 6))).Verdict);
    }

    [Fact]
    public void Minutes_are_those_of_the_steps_and_without_steps_nobody_knows()
    {
        var dish = Dish([Line("600 g apple")], 4, new Claim(ClaimedValue.Minutes, 20), new Claim(ClaimedValue.HandsOn, 10));
        Assert.All(ClaimCheck.Of(dish, Data.HouseScheme), finding => Assert.Equal(ClaimVerdict.CantTell, finding.Verdict));
        var worked = new RecipeVersion
        {
            Name = "Dish",
            Portions = 4,
            Lines = dish.Lines,
            Tasks = [new("1", "Bake", 10, 50, Appliance.Oven, 180, [])],
            Claims = dish.Claims,
            Keeping = dish.Keeping,
        };
        Assert.Equal(
            [ClaimVerdict.Differs, ClaimVerdict.Agrees],
            ClaimCheck.Of(worked, Data.HouseScheme).Select(finding => finding.Verdict)
        );
    }
}

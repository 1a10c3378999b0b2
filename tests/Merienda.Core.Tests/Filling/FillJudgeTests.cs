using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Filling;

/// <summary>What Core finds against a plan that somebody made up.</summary>
public class FillJudgeTests
{
    private static FillDish Dish(string name, string keeping, params string[] lines) => Filled.Dish(name, keeping, null, lines);

    private static Eater EatsLunch(params string[] allergies) => Filled.Eats("Ilse", allergies, "lunch");

    private static FillQuestion Week(Eater eater, params FillDish[] dishes) => Filled.Week([eater], dishes);

    private static FillServing On(Eater eater, int day, FillDish dish, int cooked = -1) =>
        new(new(Sunday.AddDays(day), "lunch", eater.Id), dish, 1, Sunday.AddDays(cooked));

    private static readonly FillDish Stew = Dish("Stew", "cooked", "200 g beef shin"),
        Salad = Dish("Salad", "dressed-salad", "200 g lettuce"),
        Nuts = Dish("Nut bake", "cooked", "100 g walnuts");

    private static string Against(FillQuestion question, FillPlan plan) => string.Join(' ', new FillJudge(question, plan).Impossible);

    [Fact]
    public void A_plan_that_covers_some_days_leaves_the_others_open_and_says_which()
    {
        var ilse = EatsLunch();
        var question = Week(ilse, Stew);
        FillServing[] servings = [.. Enumerable.Range(0, 5).Select(day => On(ilse, day, Stew))];
        var judge = new FillJudge(question, new(servings, [new(Sunday.AddDays(-1), [(Stew, 5)])]));

        Assert.Empty(judge.Impossible);
        Assert.Equal([Sunday.AddDays(5), Sunday.AddDays(6)], judge.Uncovered.Select(cell => cell.Date));
        Assert.Equal(["Ilse: no lunch on Fri, Sat."], judge.Unmet);
        Assert.False(judge.Fits);
    }

    [Fact]
    public void What_no_kitchen_can_do_is_said()
    {
        var ilse = EatsLunch();
        var question = Week(ilse, Stew, Salad);
        var saturday = Sunday.AddDays(-1);

        Assert.Equal(
            "2 portions of Stew are eaten and 1 cooked.",
            Against(question, new([On(ilse, 0, Stew), On(ilse, 1, Stew)], [new(saturday, [(Stew, 1)])]))
        );
        Assert.Equal("Salad of Sat does not keep until Thu.", Against(question, new([On(ilse, 4, Salad)], [new(saturday, [(Salad, 1)])])));
        Assert.Equal(
            "Stew is eaten on Mon before it is cooked.",
            Against(question, new([On(ilse, 1, Stew, 3)], [new(Sunday.AddDays(3), [(Stew, 1)])]))
        );
        Assert.Equal(
            "Ilse has two dishes at lunch on Sun.",
            Against(question, new([On(ilse, 0, Stew), On(ilse, 0, Salad)], [new(saturday, [(Stew, 1)]), new(saturday, [(Salad, 1)])]))
        );
    }

    [Fact]
    public void A_frozen_portion_keeps_and_an_allergen_never_fits()
    {
        var ilse = EatsLunch("tree-nut");
        var question = Week(ilse, Stew, Nuts);
        var saturday = Sunday.AddDays(-1);

        Assert.Empty(Against(question, new([On(ilse, 6, Stew)], [new(saturday, [(Stew, 1)])])));
        Assert.Contains("allergic", Against(question, new([On(ilse, 0, Nuts)], [new(saturday, [(Nuts, 1)])])));
    }

    [Fact]
    public void The_table_lets_nobody_have_what_they_are_allergic_to_or_what_nobody_knows()
    {
        var unread = Dish("Riddle", "cooked", "200 g something nobody knows");
        var ilse = EatsLunch("tree-nut");
        var question = Week(ilse, Stew, Nuts, unread);
        var table = new FillTable(question);

        Assert.Equal(
            [(3, 6), (1, 0), (1, 0)],
            Enumerable
                .Range(0, 3)
                .Select(dish => table.SizesOf(ilse, Sunday, Slot("lunch"), dish))
                .Select(sizes => (sizes.Least, sizes.Most))
        );
        Assert.False(table.SizesOf(ilse, Sunday, Slot("breakfast"), 0).IsAny);
    }

    [Fact]
    public void A_rule_of_the_meal_narrows_the_sizes()
    {
        var rule = AtMost(Measure.Protein, 34, Period.Meal);
        var ilse = EatsLunch() with { Rules = new([rule], Context()) };
        // 200 g of beef shin have about 43.6 g of protein.
        Assert.Equal(3, new FillTable(Week(ilse, Stew)).SizesOf(ilse, Sunday, Slot("lunch"), 0).Most);
    }

    [Fact]
    public void What_is_chosen_for_a_meal_has_its_best_value_inside_the_limit_and_what_stands_there_may_be_too_close()
    {
        var apples = Dish("Apples", "cooked", "2 apples");
        var energy = Intake.Of(new("Apples", apples.Version.Profile, 1)).Sum(Measure.Energy);
        Assert.True(energy.Low < energy.Best && energy.Best < energy.High);
        FillQuestion With(decimal most) =>
            Week(EatsLunch() with { Rules = new([AtMost(Measure.Energy, most, Period.Meal)], Context()) }, apples);
        FillSizes Sizes(decimal most) => new FillTable(With(most)).SizesOf(With(most).Eaters[0], Sunday, Slot("lunch"), 0);
        Assert.Equal((4, true), (Sizes((energy.Best + energy.High!.Value) / 2).Most, Sizes((energy.Best + energy.High.Value) / 2).IsClose));
        Assert.True(Sizes((energy.Low + energy.Best) / 2).Most < 4);

        var close = With((energy.Low + energy.Best) / 2);
        var rest = new FillRest(Guid.NewGuid(), Guid.NewGuid(), 0, 4, 0, Sunday.AddDays(-1));
        Assert.True(
            new FillTable(close with { Rests = [rest] }).MayStay(new(new(Sunday, "lunch", close.Eaters[0].Id), Guid.NewGuid(), 0, 1))
        );
    }
}

using Merienda.Core.Foods;
using Merienda.Core.Groups;
using Merienda.Core.Groups.Filling;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Groups;

/// <summary>A menu as a question of numbers, and an answer as dishes.</summary>
public class MenuTableTests
{
    private static readonly DateOnly Sunday = new(2026, 11, 29);

    private static readonly (Guid Recipe, Guid Version, RecipeVersion Written) Cod = Known(Recipe("Cod", 1, [Line("200 g cod fillet")])),
        Curd = Known(Recipe("Barley with curd", 1, [Line("100 g pearl barley"), Line("60 g feta")])),
        Oats = Known(
            new RecipeVersion
            {
                Name = "Oats",
                Portions = 1,
                Lines = [Line("60 g rolled oats")],
                Meal = "breakfast",
                Keeping = Core.Keeping.KeepingClass.WithKey("cooked")!,
            }
        );

    private static readonly Guid Old = Guid.NewGuid();

    private static readonly Dictionary<Guid, RecipeVersion> Recipes = new[] { Cod, Curd, Oats }
        .ToDictionary(one => one.Version, one => one.Written)
        .Append(new(Old, Recipe("Old cod", 1, [Line("150 g cod fillet")])))
        .ToDictionary();

    private static (Guid, Guid, RecipeVersion) Known(RecipeVersion written) => (Guid.NewGuid(), Guid.NewGuid(), written);

    private static MenuDish On(int day, Guid version, string slot = "supper") => new(Guid.NewGuid(), day, slot, version);

    private static Menu Of(int days, params MenuDish[] dishes) => new(Guid.NewGuid(), "Week", Sunday, days, "", dishes);

    private static Strand Strand(int members, string[] protocols, params Rule[] rules)
    {
        var eater = EaterSettings.Named(Guid.NewGuid(), "Member", Rhythm.Usual);
        return new(new Eater(eater.Id, "Member", new EaterRules(rules, Context()), eater.Meals, Rhythm.Usual), protocols, members);
    }

    private static readonly Rule NoDairy = new AllergyRule { Id = "allergy", Classes = ["dairy"] };

    private static MenuTable Table(Menu menu, params Strand[] strands) => new(menu, Recipes, [Cod, Curd, Oats], strands, Rhythm.Usual);

    [Fact]
    public void Open_meals_are_asked_for_with_what_is_meant_for_them_and_whom_it_leaves_out()
    {
        var question = Table(Of(1, On(0, Cod.Version)), Strand(6, []), Strand(3, [], NoDairy)).ToFill();
        Assert.Equal(["breakfast", "lunch", "bite"], question.Places.Select(place => place.Slot));
        Assert.All(question.Places, place => Assert.Null(place.Now));
        Assert.Equal([new(2, 0)], question.Places[0].Choices);
        Assert.Equal([new(0, 0), new(1, 3)], question.Places[1].Choices);
        Assert.Empty(question.Places[2].Choices);
        Assert.Equal([new(0, 0)], question.Stays);
    }

    [Fact]
    public void What_stands_alone_on_a_meal_may_be_changed_an_older_version_among_it()
    {
        var pair = new[] { On(1, Cod.Version), On(1, Curd.Version) };
        var table = Table(Of(2, [On(0, Old), .. pair]), Strand(6, []));
        var question = table.ToMend(9);
        var place = Assert.Single(question.Places);
        Assert.Equal((0, "supper", 3), (place.Day, place.Slot, place.Now));
        Assert.Equal([0, 1, 3], place.Choices.Select(choice => choice.Dish));
        Assert.Equal(Old, table.Candidates[3].Version);
        Assert.Equal([new(1, 0), new(1, 1)], question.Stays);
    }

    [Fact]
    public void Sums_of_days_and_weeks_count_what_stays_and_for_how_many()
    {
        var fish = new LimitRule
        {
            Id = "energy",
            Measure = Measure.Energy,
            Per = Period.Day,
            AtMost = 500,
            AtLeast = 100,
        };
        var weekly = fish with { Id = "weekly", Per = Period.Week };
        var energy = (long)Math.Round(Intake.Of(new Helping("", Cod.Written.Profile, 1)).Value(Measure.Energy, null).Best * 100);
        var question = Table(Of(8, On(0, Cod.Version)), Strand(6, [], fish, weekly), Strand(3, [], fish)).ToFill();
        var days = question.Limits.Where(limit => limit.Members == 9).ToList();
        Assert.Equal(8, days.Count);
        Assert.All(days, limit => Assert.Equal((1, energy), (limit.Days.Count, limit.Brought[0])));
        Assert.Equal((energy, 0L), (days[0].Placed, days[1].Placed));
        // Five per cent count as kept; of a day alone in its week nothing is asked that the others may bring.
        Assert.Equal((9_500L, 52_500L), (days[0].AtLeast!.Value, days[0].AtMost!.Value));
        var weeks = question.Limits.Where(limit => limit.Members == 6).ToList();
        Assert.Equal([7, 1], weeks.Select(limit => limit.Days.Count));
        Assert.Null(weeks[1].AtLeast);
    }

    [Fact]
    public void A_portion_of_each_dish_comes_to_what_the_tiers_have_for_everybody()
    {
        var menu = Of(2, On(1, Cod.Version)) with { Tiers = [new("small", 1200), new("large", 1600)] };
        var limits = Table(menu, Strand(6, []), Strand(3, [], NoDairy)).ToFill().Limits;
        Assert.Equal([(9, 0), (9, 1)], limits.Select(limit => (limit.Members, Assert.Single(limit.Days))));
        Assert.All(limits, limit => Assert.Equal((96_000, 192_000), (limit.AtLeast, limit.AtMost)));
        Assert.Equal((0, limits[1].Brought[0]), (limits[0].Placed, limits[1].Placed));
    }

    [Fact]
    public void The_variant_that_leaves_out_fewest_is_made_for_those_who_follow_something()
    {
        var lines = new[] { Line("100 g pearl barley"), Line("60 g feta") };
        var written = new RecipeVersion
        {
            Name = "Curd pot",
            Portions = 1,
            Lines = lines,
            Keeping = Core.Keeping.KeepingClass.WithKey("cooked")!,
            Variants = [new("more") { Lines = [new(lines[1].Typed.Id, 2)] }, new("without curd") { Lines = [new(lines[1].Typed.Id, 0)] }],
        };
        var library = Known(written);
        MenuTable Of(params Strand[] strands) => new(MenuTableTests.Of(1), Recipes, [library], strands, Rhythm.Usual);
        Assert.Equal(
            [new("dairy-free", "without curd")],
            Of(Strand(6, []), Strand(3, ["dairy-free"], NoDairy)).Candidates.Single().Variants
        );
        Assert.Empty(Of(Strand(6, ["dairy-free"])).Candidates.Single().Variants);
    }

    [Fact]
    public void An_answer_becomes_dishes_in_the_place_of_others_and_tiers_get_their_portions()
    {
        var before = On(0, Curd.Version);
        var menu = Of(1, before) with { Tiers = [new("small", 80), new("plain", 160)] };
        var table = Table(menu, Strand(6, [], NoDairy));
        var question = table.ToMend(9);
        var offer = MenuOffer.Of(menu, table, question, new([0], true), Recipes);
        Assert.Equal((Cod.Version, before), (Assert.Single(offer.Come).RecipeVersion, Assert.Single(offer.Go)));
        // 200 g of cod are about 160 kcal.
        Assert.Equal([new("small", 0.5m)], offer.Come[0].Portions);
        Assert.Equal(offer.Come, offer.Menu.Dishes);
        var meals = Rhythm.Usual.Meals.ToList();
        Assert.Equal(new(3, 0, 0, 0), MenuStanding.Of(menu, Recipes, [Strand(6, [], NoDairy)], meals, Context()));
        Assert.Equal(new(3, 1, 0, 2), MenuStanding.Of(offer.Menu, Recipes, [Strand(6, [], NoDairy)], meals, Context()));
        Assert.Empty(MenuOffer.Of(menu, table, question, new([1], true), Recipes).Come);
        Assert.Empty(MenuOffer.Of(menu, table, question, new([null], true), Recipes).Go);
    }
}

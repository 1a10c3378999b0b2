using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Filling;

public class BestForMealTests
{
    private static MealThing Thing(string line, decimal? most = null, int minutes = 0) =>
        new(
            new(
                Guid.NewGuid(),
                null,
                new RecipeVersion
                {
                    Name = line,
                    Portions = 1,
                    Lines = [Line(line)],
                    Keeping = KeepingClass.WithKey("cooked")!,
                }
            ),
            most,
            minutes
        );

    private static readonly MealThing Potato = Thing("400 g potato", minutes: 20),
        Cod = Thing("150 g cod", 4),
        Beef = Thing("150 g beef shin", 0.5m),
        Nuts = Thing("60 g walnuts", 4);

    private static IReadOnlyList<MealOffer> Best(IEnumerable<Rule> rules, IReadOnlyList<MealThing> things, params Helping[] eaten)
    {
        var eater = new Eater(
            Guid.NewGuid(),
            "Ilse",
            new(rules, Context()),
            [EaterMeal.Daily("lunch", 0.5m), EaterMeal.Daily("supper", 0.5m)],
            Rhythm.Usual
        );
        var question = new FillQuestion(Sunday, Rhythm.Usual, [], [eater], [.. things.Select(thing => thing.Dish)], FillWishes.Usual)
        {
            Placed = [.. eaten.Select(helping => (new Cell(Sunday, "lunch", eater.Id), helping))],
        };
        var day = new EaterDay(Sunday, eater, [new(Slot("lunch"), eaten), new(Slot("supper"), [])]);
        return BestForMeal.Of(question, day, day, Slot("supper"), things);
    }

    private static LimitRule Energy(decimal least, decimal most) =>
        new()
        {
            Id = "energy",
            Measure = Measure.Energy,
            Per = Period.Day,
            AtLeast = least,
            AtMost = most,
        };

    [Fact]
    public void What_breaks_the_day_comes_last_and_as_small_as_it_is_had()
    {
        var best = Best([AtMost(Measure.NetCarbohydrate, 25)], [Potato, Cod]);
        Assert.Equal(["150 g cod", "400 g potato"], best.Select(offer => offer.Thing.Dish.Name));
        Assert.Equal([Verdict.Fits, Verdict.Breaks], best.Select(offer => offer.Verdict));
        Assert.Equal(0.75m, best[1].Size);
    }

    [Fact]
    public void Of_what_is_there_no_more_is_offered_than_there_is()
    {
        // Half a portion is less than anybody takes.
        Assert.Equal(["150 g cod"], Best([], [Beef, Cod]).Select(offer => offer.Thing.Dish.Name));
    }

    [Fact]
    public void The_size_brings_the_day_to_where_it_should_lie()
    {
        // Nuts have about 6.5 kcal a gram: the day wants some 500 more.
        var offer = Assert.Single(Best([Energy(480, 560)], [Nuts], At(0, "lunch", "Salad", "100 g lettuce")));
        Assert.Equal(1.25m, offer.Size);
        var ruler = Assert.Single(offer.Rulers);
        Assert.Equal((15, Verdict.Fits), ((int)ruler.Before, ruler.After.Verdict));
        Assert.InRange(ruler.After.Value!.Value.Best, 480, 560);
    }

    [Fact]
    public void The_same_dish_again_comes_after_another_and_what_is_there_before_what_is_cooked()
    {
        var cook = Thing("150 g salmon", minutes: 5);
        var lunch = new Helping("A", Cod.Dish.Version.Profile, 1) { Dish = Cod.Dish.Version.Name, At = new(Sunday, Slot("lunch")) };
        Assert.Equal(
            ["60 g walnuts", "150 g salmon", "150 g cod"],
            Best([], [Cod, cook, Nuts], lunch).Select(offer => offer.Thing.Dish.Name)
        );
    }

    [Fact]
    public void No_more_than_five_are_offered() =>
        Assert.Equal(5, Best([], [.. Enumerable.Range(1, 9).Select(at => Thing($"{100 + at} g cod", 2))]).Count);
}

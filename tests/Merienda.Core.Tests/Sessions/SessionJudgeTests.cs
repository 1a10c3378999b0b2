using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Sessions;

/// <summary>What an order breaks is found, whatever it is.</summary>
public class SessionJudgeTests
{
    private static readonly SessionWay Plain = new(null, null, 0, true);

    private static readonly SessionQuestion Question = new(
        1,
        [new(Appliance.Oven, 0, 2), new(Appliance.Burner, 0, 1)],
        [
            new(5, [Plain], []),
            new(5, [new(0, 180, 20, false), new(0, 200, 16, false)], [0]),
            new(0, [new(0, 200, 10, false)], []),
            new(4, [new(1, null, 10, true)], []),
            new(0, [new(1, null, 3, true)], []),
        ],
        []
    );

    private static List<string> Wrong(int[] starts, int[]? ways = null, SessionQuestion? question = null) =>
        [.. SessionJudge.Wrong(question ?? Question, new(starts, ways ?? [0, 0, 0, 0, 0], null))];

    [Fact]
    public void An_order_that_can_be_cooked_has_nothing_against_it()
    {
        Assert.Empty(Wrong([0, 5, 30, 10, 24]));
        // Both bake at 200.
        Assert.Empty(Wrong([0, 5, 10, 10, 24], [0, 1, 0, 0, 0]));
    }

    [Theory]
    [InlineData("begins before what it waits for", 0, 4, 30, 10, 24)]
    [InlineData("done by hand", 0, 5, 30, 9, 24)]
    [InlineData("two temperatures", 0, 5, 29, 10, 24)]
    [InlineData("Burner holds 2", 0, 5, 30, 10, 23)]
    [InlineData("begins too early", -1, 5, 30, 10, 24)]
    [InlineData("not every step", 0, 5, 30, 10)]
    public void What_is_wrong_is_said(string said, params int[] starts) =>
        Assert.Contains(Wrong(starts), one => one.Contains(said, StringComparison.Ordinal));

    [Fact]
    public void Racks_are_counted_and_what_is_put_or_late_is_where_it_must_be()
    {
        var full = Question with { Places = [new(Appliance.Oven, 0, 1), Question.Places[1]] };
        Assert.Contains(Wrong([0, 5, 10, 10, 24], [0, 1, 0, 0, 0], full), one => one.StartsWith("Oven holds 2", StringComparison.Ordinal));
        SessionQuestion With(SessionWork work) => Question with { Works = [.. Question.Works.Take(4), work] };
        Assert.Contains(
            "step 4 does not begin where it was put",
            Wrong([0, 5, 30, 10, 24], null, With(Question.Works[4] with { At = 25 }))
        );
        Assert.Contains("step 4 begins too early", Wrong([0, 5, 30, 10, 24], null, With(Question.Works[4] with { Earliest = 25 })));
    }

    [Fact]
    public void What_is_underway_together_can_not_be_put_right_any_more()
    {
        var works = Question.Works.ToList();
        (works[3], works[4]) = (works[3] with { At = 10, IsUnderway = true }, works[4] with { At = 12, IsUnderway = true });
        Assert.Empty(Wrong([0, 5, 30, 10, 12], null, Question with { Works = works }));
        works[4] = works[4] with { IsUnderway = false };
        Assert.NotEmpty(Wrong([0, 5, 30, 10, 12], null, Question with { Works = works }));
    }

    private static CookedDish Dish(string letter, params string[] lines) => Dish(letter, "Chop everything", lines);

    private static CookedDish Dish(string letter, string step, string[] lines)
    {
        var recipe = Recipe(letter, 1, [.. lines.Select(line => Line(line))], [new("cut", step, 5, 0, Appliance.None, null, [])]);
        return new(letter, Guid.NewGuid(), recipe, [new(recipe, 1)], [], []);
    }

    [Fact]
    public void The_same_food_is_cut_in_one_go_and_raw_meat_stays_apart()
    {
        var session = CookedSession.Of(
            [Dish("A", "2 onions", "1 carrot"), Dish("B", "1 cucumber"), Dish("C", "3 onions"), Dish("D", "1 onion", "500 g beef shin")],
            SessionKitchen.Plain
        );
        Assert.Equal(
            [
                [0, 2],
            ],
            session.Question.Together
        );
        Assert.Equal([OnBoard.Plants, OnBoard.Plants, OnBoard.Plants, OnBoard.Raw], session.Question.Works.Select(work => work.Board));
        var order = session.Order(new([0, 10, 15, 5], [0, 0, 0, 0], null));
        Assert.Equal((5m, "A"), (order[0].Cut!.Count, "A"));
        Assert.Equal([0, 2], order[0].Cut!.Dishes);
        Assert.Null(order[1].Cut);
        // After the meat board and knife are washed, once.
        Assert.Equal([false, false, true, false], order.Select(item => item.WashesBoard is not null));
        Assert.True(order[2].WashesBoard!.Raw);
    }

    [Theory]
    [InlineData("Rinse and slice the leeks", OnBoard.Plants)]
    [InlineData("Drain the leeks well, then chop them", OnBoard.Plants)]
    [InlineData("Finely chop", OnBoard.Plants)]
    [InlineData("Rinse the leeks", OnBoard.Nothing)]
    [InlineData("Stir in the chopped leeks", OnBoard.Nothing)]
    public void What_is_cut_on_the_board_goes_by_the_first_words(string words, OnBoard board) =>
        Assert.Equal(board, CookedSession.Of([Dish("A", words, ["3 leeks"])], SessionKitchen.Plain).Question.Works[0].Board);

    private static Func<RecipeLine, bool> Holds(string food) => line => line.Food!.Key.Contains(food, StringComparison.Ordinal);

    [Fact]
    public void What_somebody_is_allergic_to_is_washed_off_the_board_before_anything_without_it()
    {
        var dishes = new[]
        {
            Dish("A", "50 g walnuts"),
            Dish("B", "1 carrot"),
            Dish("C", "30 g walnuts", "1 celery stick"),
            Dish("D", "1 onion"),
        };
        var session = CookedSession.Of(dishes, SessionKitchen.Plain).KeepingApart(dishes, [Holds("walnut"), Holds("celery")]);
        Assert.Equal(
            [
                [0],
                [],
                [0, 1],
                [],
            ],
            session.Question.Works.Select(work => work.StopsFor)
        );
        // A, C, B, D: celery may follow walnuts that hold it for the same eater, a carrot may not follow either.
        var order = session.Order(new([0, 10, 5, 15], [0, 0, 0, 0], null));
        Assert.Equal([null, null, "0,1", null], order.Select(item => item.WashesBoard is { } had ? string.Join(',', had.For) : null));
        // C before A: what the second eater can't have is washed off.
        Assert.Equal([1], session.Order(new([5, 10, 0, 15], [0, 0, 0, 0], null))[1].WashesBoard!.For);
        Assert.All(session.Order(new([10, 0, 15, 5], [0, 0, 0, 0], null)), item => Assert.Null(item.WashesBoard));
    }

    [Fact]
    public void A_step_that_names_nothing_brings_all_that_goes_in_and_what_is_stirred_brings_nothing_on_the_board()
    {
        CookedDish[] dishes = [Dish("A", "Chop finely", ["50 g walnuts", "1 carrot"]), Dish("B", "Stir everything", ["50 g walnuts"])];
        var session = CookedSession.Of(dishes, SessionKitchen.Plain).KeepingApart(dishes, [Holds("walnut")]);
        Assert.Equal(
            [
                [0],
                [],
            ],
            session.Question.Works.Select(work => work.StopsFor)
        );
    }

    [Theory]
    [InlineData("500 g chicken thighs", 74, 0)]
    [InlineData("500 g beef mince", 71, 0)]
    [InlineData("500 g beef shin", 63, 3)]
    [InlineData("500 g cod", 63, 0)]
    [InlineData("4 eggs", 71, 0)]
    public void How_hot_it_is_inside_goes_by_the_strictest_of_what_is_in_it(string line, int celsius, int rest)
    {
        var recipe = Recipe("Harbour pot", 1, [Line(line), Line("1 carrot")], []);
        Assert.Equal(new Doneness(celsius, rest), Doneness.Of(new("A", Guid.NewGuid(), recipe, [new(recipe, 1)], [], [])));
        var both = Recipe("Harbour pot", 1, [Line(line), Line("100 g chicken breast")], []);
        Assert.Equal(74, Doneness.Of(new("A", Guid.NewGuid(), both, [new(both, 1)], [], []))!.Celsius);
    }

    [Fact]
    public void Elsewhere_it_takes_about_as_long_as_practice_says()
    {
        PrepTask In(Appliance appliance, int? heat) => new("1", "Roast", 2, 30, appliance, heat, []);
        Assert.Equal(new OtherPlace(Appliance.AirFryer, 24, 180), ElsewhereOf.Task(In(Appliance.Oven, 200)));
        Assert.Equal(new OtherPlace(Appliance.Oven, 38, 220), ElsewhereOf.Task(In(Appliance.AirFryer, 200)));
        Assert.Null(ElsewhereOf.Task(In(Appliance.Burner, null)));
        var said = new OtherPlace(Appliance.AirFryer, 20, 190);
        Assert.Equal(said, ElsewhereOf.Task(In(Appliance.Oven, 200) with { Instead = said }));
    }
}

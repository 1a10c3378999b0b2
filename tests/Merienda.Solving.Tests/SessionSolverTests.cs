using System.Globalization;
using CsCheck;
using Merienda.Core.Keeping;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;

namespace Merienda.Solving.Tests;

/// <summary>Orders of work against every order there is, against what Core allows, and against facts of practice.</summary>
public class SessionSolverTests
{
    private static SessionAnswer? Sought(SessionQuestion question) => SessionSolver.Solve(question, TestContext.Current.CancellationToken);

    private static PrepTask Step(
        string id,
        int handsOn,
        int alone,
        Appliance appliance = Appliance.None,
        int? heat = null,
        params string[] after
    ) => new(id, id, handsOn, alone, appliance, heat, after);

    private static CookedDish Dish(params PrepTask[] tasks)
    {
        var recipe = new RecipeVersion
        {
            Name = tasks[0].Id,
            Portions = 1,
            Meal = "supper",
            Lines = [],
            Tasks = tasks,
            Keeping = KeepingClass.WithKey("cooked")!,
        };
        return new(tasks[0].Id, Guid.NewGuid(), recipe, [new(recipe, 1)], [], []);
    }

    private static SessionKitchen With(int cooks = 1, int[]? racks = null, params (Appliance Appliance, int Count)[] places) =>
        SessionKitchen.Plain with
        {
            Cooks = cooks,
            Ovens = racks ?? [1],
            Places = SessionKitchen.Plain.Places.ToDictionary(
                place => place.Key,
                place => places.FirstOrDefault(one => one.Appliance == place.Key) is { Count: > 0 } said ? said.Count : place.Value
            ),
        };

    private static (CookedSession Session, SessionAnswer Answer, int End) Solve(SessionKitchen kitchen, params CookedDish[] dishes)
    {
        var session = CookedSession.Of(dishes, kitchen);
        var answer = Sought(session.Question);
        Assert.NotNull(answer);
        Assert.Empty(SessionJudge.Wrong(session.Question, answer));
        Assert.Equal(answer.End(session.Question), answer.Bound);
        return (session, answer, answer.End(session.Question));
    }

    [Fact]
    public void No_order_of_a_small_session_ends_earlier() =>
        Gen.Select(
                Gen.Select(Gen.Int[0, 3], Gen.Int[0, 4], Gen.Int[0, 3], Gen.Int[-1, 3], Gen.Int[0, 3]).Array[2, 5],
                Gen.Int[1, 2],
                Gen.Int[1, 2].Array[1, 2],
                Gen.Bool
            )
            .Sample(
                (seeds, cooks, racks, isInstead) =>
                {
                    int?[] heats = [null, 160, 170, 200];
                    Appliance[] kinds = [Appliance.None, Appliance.Oven, Appliance.Burner, Appliance.AirFryer];
                    var tasks = seeds
                        .Select(
                            (seed, at) =>
                                Step(
                                    $"{at}",
                                    seed.Item1,
                                    seed.Item2,
                                    kinds[seed.Item3],
                                    kinds[seed.Item3] == Appliance.Oven ? heats[seed.Item5] : null,
                                    seed.Item4 >= 0 && seed.Item4 < at ? [$"{seed.Item4}"] : []
                                ) with
                                {
                                    Instead =
                                        isInstead && kinds[seed.Item3] == Appliance.AirFryer
                                            ? new(Appliance.Oven, seed.Item2 + 1, 160)
                                            : null,
                                }
                        )
                        .ToArray();
                    var session = CookedSession.Of([Dish(tasks)], With(cooks, racks, (Appliance.Burner, 1)));
                    var known = SessionPlan.Of(session.Question).End(session.Question);
                    var answer = Sought(session.Question)!;
                    Assert.Empty(SessionJudge.Wrong(session.Question, answer));
                    Assert.Equal(EveryOrder.End(session.Question, known), answer.End(session.Question));
                    Assert.Equal(answer.End(session.Question), answer.Bound);
                    Assert.InRange(SessionBound.Of(session).Minutes, 0, answer.End(session.Question));
                },
                iter: 400
            );

    [Fact]
    public void What_an_eater_is_allergic_to_comes_last_on_the_board_and_raw_meat_after_the_vegetables()
    {
        SessionWork On(OnBoard board, params int[] stopsFor) =>
            new(5, [new(null, null, 0, true)], []) { Board = board, StopsFor = stopsFor };
        var question = new SessionQuestion(
            1,
            [],
            [On(OnBoard.Plants, 0), On(OnBoard.Raw), On(OnBoard.Plants), On(OnBoard.Raw, 0), On(OnBoard.Plants)],
            []
        );
        var order = Enumerable.Range(0, 5).OrderBy(at => Sought(question)!.Starts[at]).ToList();
        // Raw meat is washed off once, be it before the other vegetables or before those that hold the allergen.
        Assert.Equal([1, 2, 4], order.Take(3).Order());
        Assert.Equal([0, 3], order.Skip(3));
    }

    [Fact]
    public void No_order_of_a_small_session_with_few_pots_ends_earlier() =>
        Gen.Select(
                Gen.Select(Gen.Int[0, 3], Gen.Int[0, 3], Gen.Int[-1, 3], Gen.Int[0, 2]).Array[2, 5],
                Gen.Int[1, 2],
                Gen.Int[1, 2].Array[1, 2]
            )
            .Sample(
                (seeds, cooks, vessels) =>
                {
                    var tasks = seeds
                        .Select(
                            (seed, at) =>
                                Step($"{at}", seed.Item1, seed.Item2, after: seed.Item3 >= 0 && seed.Item3 < at ? [$"{seed.Item3}"] : [])
                        )
                        .ToArray();
                    // Steps of one number share a vessel; the last number none.
                    var kitchen = With(cooks) with
                    {
                        Vessels = [.. vessels.Select((count, at) => ($"{at}", count))],
                        StaysOf = dish =>
                            [
                                .. dish
                                    .Recipe.Tasks.GroupBy(task => seeds[int.Parse(task.Id, CultureInfo.InvariantCulture)].Item4)
                                    .Where(of => of.Key < 2)
                                    .Select(of => new DishStay([.. of.Select(task => task.Id)], [.. Enumerable.Range(0, vessels.Length)])),
                            ],
                    };
                    var session = CookedSession.Of([Dish(tasks)], kitchen);
                    var answer = Sought(session.Question);
                    var known = session.Question.Works.Sum(work => work.HandsOn + work.Ways[0].Alone);
                    var best = EveryOrder.End(session.Question, known);
                    if (answer is null)
                    {
                        // Stays that wait for each other in a ring have no order at all.
                        Assert.True(best > known);
                        return;
                    }

                    Assert.Empty(SessionJudge.Wrong(session.Question, answer));
                    Assert.Equal(best, answer.End(session.Question));
                    Assert.Equal(best, answer.Bound);
                    Assert.InRange(SessionBound.Of(session).Minutes, 0, best);
                },
                iter: 300
            );

    [Fact]
    public void No_order_of_two_dishes_that_are_alike_ends_earlier() =>
        Gen.Select(
                Gen.Select(Gen.Int[0, 2], Gen.Int[0, 3], Gen.Int[0, 1], Gen.Int[-1, 1]).Array[1, 3],
                Gen.Int[1, 2],
                Gen.Int[1, 2],
                Gen.Bool
            )
            .Sample(
                (seeds, cooks, pots, isBeside) =>
                {
                    Appliance[] kinds = [Appliance.None, Appliance.Burner];
                    PrepTask[] Copy(string name) =>
                        [
                            .. seeds.Select(
                                (seed, at) =>
                                    Step(
                                        $"{name}{at}",
                                        seed.Item1,
                                        seed.Item2,
                                        kinds[seed.Item3],
                                        null,
                                        seed.Item4 >= 0 && seed.Item4 < at ? [$"{name}{seed.Item4}"] : []
                                    )
                            ),
                        ];
                    var kitchen = With(cooks, null, (Appliance.Burner, 1)) with
                    {
                        Vessels = [("Pot", pots)],
                        StaysOf = dish => [new([dish.Recipe.Tasks[0].Id], [0])],
                    };
                    CookedDish[] dishes =
                    [
                        Dish(Copy("a")),
                        Dish(Copy("b")),
                        .. isBeside ? [Dish(Step("c", 1, 2))] : Array.Empty<CookedDish>(),
                    ];
                    var session = CookedSession.Of(dishes, kitchen);
                    Assert.NotEmpty(SessionTwins.Of(session.Question));
                    var answer = Sought(session.Question)!;
                    Assert.Empty(SessionJudge.Wrong(session.Question, answer));
                    Assert.Equal(
                        EveryOrder.End(session.Question, session.Question.Works.Sum(work => work.HandsOn + work.Ways[0].Alone)),
                        answer.End(session.Question)
                    );
                    Assert.Equal(answer.End(session.Question), answer.Bound);
                },
                iter: 150
            );

    [Fact]
    public void A_step_of_no_time_takes_no_pot()
    {
        var kitchen = With() with { Vessels = [("Pot", 1)], StaysOf = dish => [new([.. dish.Steps.Select(step => step.Task.Id)], [0])] };
        Assert.Equal(10, Solve(kitchen, Dish(Step("simmer", 0, 10)), Dish(Step("look", 0, 0))).End);
        var between = new SessionQuestion(
            1,
            [],
            [new(0, [new(null, null, 5, true)], []), new(0, [new(null, null, 0, true)], [0]), new(0, [new(null, null, 5, true)], [1])],
            []
        )
        {
            Vessels = [1],
            Stays = [new([0, 2], [0]), new([1], [0])],
        };
        Assert.Equal(10, Sought(between)!.End(between));
        Assert.Empty(SessionJudge.Wrong(between, Sought(between)!));
    }

    [Fact]
    public void An_air_fryer_is_a_queue_and_an_oven_beside_it_takes_some_of_it()
    {
        CookedDish[] fried =
        [
            Dish(Step("potatoes", 0, 20, Appliance.AirFryer)),
            Dish(Step("meatballs", 0, 25, Appliance.AirFryer)),
            Dish(Step("beans", 0, 10, Appliance.AirFryer)),
        ];
        Assert.Equal(55, Solve(With(), fried).End);
        fried[1] = Dish(Step("meatballs", 0, 25, Appliance.AirFryer) with { Instead = new(Appliance.Oven, 38, 200) });
        var (session, answer, end) = Solve(With(), fried);
        // 38 minutes in the oven are longer than the 30 of the queue that is left (40 with two minutes of hands).
        Assert.Equal(38, end);
        Assert.Equal(Appliance.Oven, session.Order(answer).Single(item => item.Task.Id == "meatballs").Appliance);
        CookedDish[] handled = [.. fried.Select(dish => Dish(dish.Recipe.Tasks[0] with { HandsOn = 2 }))];
        Assert.Equal(40, Solve(With(), handled).End);
    }

    [Fact]
    public void Three_dishes_at_one_temperature_share_a_run() =>
        Assert.Equal(
            45,
            Solve(
                With(racks: [3]),
                Dish(Step("A", 5, 30, Appliance.Oven, 177)),
                Dish(Step("B", 5, 30, Appliance.Oven, 177)),
                Dish(Step("C", 5, 30, Appliance.Oven, 177))
            ).End
        );

    [Fact]
    public void Potatoes_go_first_and_the_salmon_joins_them_in_one_oven() =>
        // 40 minutes of potatoes hold the oven; what bakes shorter at the same heat goes in beside them (solving.md: 43).
        Assert.Equal(
            43,
            Solve(
                With(racks: [3]),
                Dish(Step("potatoes", 3, 40, Appliance.Oven, 200)),
                Dish(Step("vegetables", 8, 25, Appliance.Oven, 200)),
                Dish(Step("salmon", 4, 15, Appliance.Oven, 200))
            ).End
        );

    [Fact]
    public void What_may_not_stand_does_not_though_the_end_is_later()
    {
        var rice = Dish(Step("rice", 2, 10, Appliance.Burner) with { WaitsAtMost = 0 }, Step("fry", 5, 0, Appliance.Burner, null, "rice"));
        var (session, answer, _) = Solve(With(), rice, Dish(Step("cut", 30, 0)));
        Assert.All(session.Order(answer), item => Assert.Equal(0, item.WaitedTooLong));
    }

    [Fact]
    public void What_was_put_at_a_minute_stays_there_and_the_rest_moves_round_it()
    {
        var session = CookedSession.Of(
            [Dish(Step("A", 10, 0)), Dish(Step("B", 10, 20, Appliance.Oven, 180)), Dish(Step("C", 5, 0))],
            With()
        );
        int[] was = [0, 10, 20];
        var works = session.Question.Works.Select((work, at) => work with { Was = was[at] }).ToList();
        works[1] = works[1] with { At = 15 };
        var moved = session.Question with { Works = works };
        var then = Sought(moved)!;
        Assert.Empty(SessionJudge.Wrong(moved, then));
        Assert.Equal(45, then.End(moved));
        // The first stays, the last gives way to either side.
        Assert.Equal((0, 15), (then.Starts[0], then.Starts[1]));
        Assert.True(then.Starts[2] is 10 or >= 25);
    }

    [Fact]
    public void What_was_begun_before_what_it_waits_for_leaves_an_order_all_the_same()
    {
        SessionWay plain = new(null, null, 0, true);
        var left = new SessionQuestion(
            1,
            [],
            [
                new SessionWork(10, [plain], []) { Earliest = 5 },
                new SessionWork(0, [plain with { Alone = 30 }], [0]) { At = 5, IsUnderway = true },
                new SessionWork(3, [plain], [1]) { Earliest = 5 },
            ],
            []
        );
        var answer = Sought(left)!;
        Assert.Empty(SessionJudge.Wrong(left, answer));
        Assert.Equal([5, 5, 35], answer.Starts);
    }

    [Fact]
    public void What_cannot_be_has_no_order() =>
        Assert.Null(
            Sought(
                new(
                    1,
                    [],
                    [
                        new SessionWork(10, [new(null, null, 0, true)], []) { At = 5 },
                        new SessionWork(10, [new(null, null, 0, true)], []) { At = 8 },
                    ],
                    []
                )
            )
        );

    [Fact]
    public void The_long_session_of_the_demo_is_proven()
    {
        var (session, answer, end) = Solve(SessionKitchen.Plain, [.. DemoSession.Long()]);
        Assert.InRange(end, SessionBound.Of(session).Minutes, SessionPlan.Of(session.Question).End(session.Question));
    }
}

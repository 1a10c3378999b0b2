using CsCheck;
using Merienda.Core.Sessions;

namespace Merienda.Core.Tests.Sessions;

/// <summary>Dishes that are cooked in the same way may change places in an order.</summary>
public class SessionTwinsTests
{
    private static SessionWork Work(int handsOn, int alone, params int[] before) => new(handsOn, [new(null, null, alone, true)], before);

    private static SessionQuestion Question(params SessionWork[] works) => new(1, [], works, []);

    [Fact]
    public void Dishes_that_are_alike_step_by_step_are_twins()
    {
        var twins = SessionTwins.Of(Question(Work(5, 10), Work(3, 0), Work(2, 0, 0), Work(5, 10), Work(2, 0, 3)));
        Assert.Equal(
            [
                [0, 2],
                [3, 4],
            ],
            Assert.Single(twins)
        );
    }

    [Fact]
    public void What_differs_in_anything_that_an_order_is_held_against_is_no_twin()
    {
        SessionWork same = Work(5, 10);
        SessionWork[] others =
        [
            Work(6, 10),
            Work(5, 11),
            same with
            {
                WaitsAtMost = 3,
            },
            same with
            {
                Earliest = 2,
            },
            same with
            {
                At = 0,
            },
            same with
            {
                Was = 0,
            },
            same with
            {
                Board = OnBoard.Raw,
            },
            same with
            {
                StopsFor = [1],
            },
            same with
            {
                Ways = [new(0, 180, 10, true)],
            },
        ];
        Assert.All(others, other => Assert.Empty(SessionTwins.Of(Question(same, other))));
        var inPots = Question(same, same) with { Vessels = [1, 1], Stays = [new([0], [0]), new([1], [1])] };
        Assert.Empty(SessionTwins.Of(inPots));
        Assert.Single(SessionTwins.Of(inPots with { Stays = [new([0], [0]), new([1], [0])] }));
        Assert.Empty(
            SessionTwins.Of(
                Question(same, same) with
                {
                    Together =
                    [
                        [0],
                    ],
                }
            )
        );
        Assert.Single(
            SessionTwins.Of(
                Question(same, same) with
                {
                    Together =
                    [
                        [0, 1],
                    ],
                }
            )
        );
    }

    [Fact]
    public void An_order_with_twins_in_turn_is_as_good_and_keeps_every_rule() =>
        Gen.Select(Gen.Int[0, 3], Gen.Int[0, 3], Gen.Int[0, 1])
            .Array[1, 3]
            .Sample(
                dish =>
                {
                    var works = Enumerable
                        .Range(0, 3)
                        .SelectMany(copy =>
                            dish.Select(
                                (of, at) => Work(of.Item1, of.Item2, of.Item3 == 1 && at > 0 ? [(copy * dish.Length) + at - 1] : [])
                            )
                        )
                        .ToArray();
                    var question = Question(works) with
                    {
                        Vessels = [1, 1],
                        Stays = [.. Enumerable.Range(0, 3).Select(copy => new SessionStay([copy * dish.Length], [0, 1]))],
                    };
                    var answer = SessionPlan.Of(question);
                    // Everybody else's order: the last of the dishes first.
                    int Turned(int at) => works.Length - dish.Length - (at / dish.Length * dish.Length) + (at % dish.Length);
                    var turned = answer with
                    {
                        Starts = [.. works.Select((_, at) => answer.Starts[Turned(at)])],
                        Ways = [.. works.Select((_, at) => answer.Ways[Turned(at)])],
                        Vessels = [.. answer.Vessels.Reverse()],
                    };
                    var inTurn = SessionTwins.InTurn(question, turned);
                    Assert.Equal(SessionJudge.Wrong(question, turned).Count(), SessionJudge.Wrong(question, inTurn).Count());
                    Assert.Equal(turned.End(question), inTurn.End(question));
                    Assert.All(
                        SessionTwins.Of(question).SelectMany(alike => alike.Zip(alike.Skip(1))),
                        pair => Assert.True(inTurn.Starts[pair.First[0]] <= inTurn.Starts[pair.Second[0]])
                    );
                },
                iter: 300
            );
}

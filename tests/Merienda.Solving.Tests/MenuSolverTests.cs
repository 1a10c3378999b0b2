using Merienda.Core.Groups.Filling;

namespace Merienda.Solving.Tests;

/// <summary>Small drawn menus against every way to fill them.</summary>
public class MenuSolverTests
{
    private const int Drawn = 200;

    [Fact]
    public void Fewest_meals_stay_open_then_fewest_members_are_left_out_then_fewest_minutes_are_cooked()
    {
        var seed = Environment.TickCount;
        var random = new Random(seed);
        for (var round = 0; round < Drawn; round++)
        {
            var question = Draw(random);
            var answer = MenuSolver.Solve(question);
            Assert.True(answer.IsProven);
            var best = Every(question).Where(picks => IsAllowed(question, picks)).Min(picks => Worth(question, picks));
            Assert.True(IsAllowed(question, answer.Dishes), $"seed {seed}, round {round}");
            Assert.True(best == Worth(question, answer.Dishes), $"seed {seed}, round {round}: {best} and {Worth(question, answer.Dishes)}");
        }
    }

    [Fact]
    public void A_dish_is_changed_only_where_more_than_two_are_better_off()
    {
        static MenuQuestion Of(int misses) => new([new(0, "supper", [new(0, misses), new(1, 0)], 0)], [], [10, 10], []);
        Assert.Equal([0], MenuSolver.Solve(Of(MenuQuestion.GainAChange - 1)).Dishes);
        Assert.Equal([1], MenuSolver.Solve(Of(MenuQuestion.GainAChange + 1)).Dishes);
    }

    [Fact]
    public void Each_week_is_filled_by_itself_in_the_order_that_was_asked()
    {
        static MenuPlace On(int day, int misses) => new(day, "supper", [new(0, misses), new(1, 3)], null);
        var question = new MenuQuestion(
            [On(8, 1), On(0, 9), On(9, 9)],
            [new(5, [7, 8, 9, 10, 11, 12, 13], [0, 1], 0, null, 0)],
            [10, 10],
            []
        );
        // In the second week two is a miss of five, and both of one is not.
        Assert.Equal([0, 1, 1], MenuSolver.Solve(question).Dishes);
        Assert.Equal(
            [0, 1, 0],
            MenuSolver.Solve(question with { Limits = [new(9, [7, 8, 9, 10, 11, 12, 13], [0, 1], 0, null, 0)] }).Dishes
        );
    }

    [Fact]
    public void Nothing_to_fill_is_nothing_and_a_meal_that_nothing_is_meant_for_stays_open()
    {
        Assert.Empty(MenuSolver.Solve(new([], [], [10], [])).Dishes);
        Assert.Equal([null], MenuSolver.Solve(new([new(0, "bite", [], null)], [], [10], [])).Dishes);
    }

    private static MenuQuestion Draw(Random random)
    {
        var (dishes, isMend) = (random.Next(1, 4), random.Next(2) == 0);
        var places = Enumerable
            .Range(0, random.Next(1, 6))
            .Select(at =>
            {
                var choices = Enumerable
                    .Range(0, dishes)
                    .Where(_ => random.Next(4) > 0)
                    .Select(dish => new MenuChoice(dish, random.Next(0, 8)))
                    .ToList();
                return new MenuPlace(
                    at / 2 * 3,
                    $"{at % 2}",
                    choices,
                    isMend && choices.Count > 0 ? random.GetItems([.. choices], 1)[0].Dish : null
                );
            })
            .ToList();
        var limits = Enumerable
            .Range(0, random.Next(0, 4))
            .Select(_ => new MenuLimit(
                random.Next(1, 9),
                random.Next(2) == 0 ? [0] : [0, 1, 2, 3, 4, 5, 6],
                [.. Enumerable.Range(0, dishes).Select(_ => (long)random.Next(-2, 9))],
                random.Next(0, 4),
                random.Next(2) == 0 ? random.Next(0, 12) : null,
                random.Next(2) == 0 ? random.Next(4, 16) : null
            ))
            .ToList();
        return new(
            places,
            limits,
            [.. Enumerable.Range(0, dishes).Select(_ => random.Next(0, 60))],
            [.. Enumerable.Range(0, random.Next(0, 3)).Select(_ => new MenuStays(random.Next(0, 7), random.Next(0, dishes)))]
        )
        {
            MostChanges = random.Next(0, 4),
        };
    }

    private static IEnumerable<IReadOnlyList<int?>> Every(MenuQuestion question) =>
        question.Places.Aggregate(
            (IEnumerable<IReadOnlyList<int?>>)
                [
                    [],
                ],
            (picks, place) =>
                picks.SelectMany(rest =>
                    place.Choices.Select(choice => (int?)choice.Dish).Append(null).Select(dish => (IReadOnlyList<int?>)[.. rest, dish])
                )
        );

    /// <summary>A dish comes once a day and three times a week, more only where it stood there more often.</summary>
    private static bool IsAllowed(MenuQuestion question, IReadOnlyList<int?> picks)
    {
        if (Changes(question, picks) > question.MostChanges)
        {
            return false;
        }

        foreach (var (most, length) in new[] { (1, 1), (3, 7) })
        {
            foreach (var dish in Enumerable.Range(0, question.Minutes.Count))
            {
                foreach (var period in question.Places.Zip(picks).GroupBy(one => one.First.Day / length))
                {
                    var stays = question.Stays.Count(one => one.Dish == dish && one.Day / length == period.Key);
                    if (period.Count(one => one.Second == dish) > Math.Max(most - stays, period.Count(one => one.First.Now == dish)))
                    {
                        return false;
                    }
                }
            }
        }

        return true;
    }

    private static int Changes(MenuQuestion question, IReadOnlyList<int?> picks) =>
        question.Places.Zip(picks).Count(one => one.First.Now is { } now && one.Second != now);

    private static (int Open, int Missed, int Minutes) Worth(MenuQuestion question, IReadOnlyList<int?> picks)
    {
        var placed = question.Places.Zip(picks).ToList();
        var misses = placed.Sum(one => one.Second is { } dish ? one.First.Choices.Single(choice => choice.Dish == dish).Misses : 0);
        var changes = Changes(question, picks) * MenuQuestion.GainAChange;
        var over = question.Limits.Sum(limit =>
        {
            var sum =
                limit.Placed
                + placed
                    .Where(one => limit.Days.Contains(one.First.Day) && one.Second is not null)
                    .Sum(one => limit.Brought[one.Second!.Value]);
            return sum > (limit.AtMost ?? long.MaxValue) || sum < (limit.AtLeast ?? long.MinValue) ? limit.Members : 0;
        });
        var minutes = placed
            .Where(one => one.Second is not null)
            .Select(one => one.Second!.Value)
            .Distinct()
            .Sum(dish => Math.Max(1, question.Minutes[dish]));
        return (picks.Count(dish => dish is null), misses + changes + over, minutes);
    }
}

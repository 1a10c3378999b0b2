using Merienda.Core.Filling;
using Merienda.Core.Foods;
using static Merienda.Solving.Tests.SmallWeek;

namespace Merienda.Solving.Tests;

/// <summary>What is there, what the kitchen holds and what the cook wishes, held by the search and by Core.</summary>
public class KitchenLimitTests
{
    private static FillJudge Judged(FillQuestion question, FillAnswer answer)
    {
        var judge = new FillJudge(question, answer.Plan);
        Assert.Empty(judge.Impossible);
        return judge;
    }

    [Fact]
    public void What_is_there_is_eaten_before_anything_is_cooked()
    {
        var question = First(4, Eats(["lunch"], []), [Dish(0, 5), Dish(1, 5)]);
        var there = question with
        {
            Dishes = [.. question.Dishes, Dish(2, 5)],
            Rests = [new(Guid.NewGuid(), Guid.NewGuid(), 2, 3, 0, question.Start.AddDays(-1))],
        };
        var answer = Fill(there);
        Assert.Equal(3, answer.Plan.Servings.Where(serving => serving.Rest is not null).Sum(serving => serving.Size));
        Assert.Empty(Judged(there, answer).Uncovered);
        Assert.Equal(0, answer.Levels.First(level => level.Goal == FillGoal.There).Value);
    }

    [Fact]
    public void A_meal_takes_of_one_box_and_no_more_meals_than_boxes()
    {
        var question = First(4, Eats(["lunch"], []) with { PortionHabit = 1 }, [Dish(0, 5)]) with { Sessions = [] };
        var boxes = question with
        {
            Rests = [new(Guid.NewGuid(), Guid.NewGuid(), 0, 2, 0, question.Start.AddDays(-1), question.Start.AddDays(6), false, 1)],
        };
        var answer = Fill(boxes);
        Assert.Equal(2, answer.Plan.Servings.Count);
        Assert.All(answer.Plan.Servings, serving => Assert.InRange(serving.Size, 0.75m, 1));
        Assert.Equal(2, Judged(boxes, answer).Uncovered.Count);
    }

    [Fact]
    public void A_planned_batch_grows_instead_of_another_one()
    {
        var question = First(2, Eats(["lunch"], []), [Dish(0, 40), Dish(1, 5)]);
        var planned = question with
        {
            Rests = [new(Guid.NewGuid(), Guid.NewGuid(), 1, 1, 4, question.Start.AddDays(-1))],
            Taken = new HashSet<(Guid, DateOnly)> { (question.Dishes[1].Recipe, question.Start.AddDays(-1)) },
        };
        var answer = Fill(planned);
        Assert.Empty(answer.Plan.Batches);
        Assert.Empty(Judged(planned, answer).Uncovered);
    }

    [Theory]
    [InlineData(0, 4)]
    [InlineData(2, 6)]
    [InlineData(12, 7)]
    public void No_more_is_frozen_than_there_is_room_for(int room, int covered)
    {
        // Cooked on Saturday, four days in the fridge: Sunday to Wednesday.
        var question = First(7, Eats(["lunch"], []), [Dish(0, 5), Dish(1, 5), Dish(5, 5)]);
        var saturday = question with { Sessions = [question.Sessions[0]], Wishes = question.Wishes with { FreezerBoxes = room } };
        var answer = Fill(saturday);
        Assert.Equal(covered, answer.Plan.Servings.Count);
        Judged(saturday, answer);
    }

    [Fact]
    public void Boxes_that_stand_at_the_end_of_a_session_are_not_more_than_there_are()
    {
        var question = First(4, Eats(["lunch", "supper"], []), [Dish(0, 5), Dish(1, 5), Dish(5, 5)]);
        var few = question with { Sessions = [question.Sessions[0]], Wishes = question.Wishes with { Boxes = 5 } };
        Assert.Equal(5, Fill(few).Plan.Servings.Count);
    }

    [Fact]
    public void What_goes_off_soon_is_used_in_time_before_batches_are_saved()
    {
        var question = First(4, Eats(["lunch"], []), [Dish(0, 5), Dish(1, 5), Dish(5, 60)]);
        DueStock Lentils(DateOnly until) => new("Red lentils", question.Dishes[2].Version.Lines[0].Food!.Key, until);
        long Unused(FillQuestion asked) => Fill(asked).Levels.Single(level => level.Goal == FillGoal.Due).Value;

        Assert.DoesNotContain(Fill(question).Plan.Batches, batch => batch.Lots[0].Dish == question.Dishes[2]);
        var due = question with { Due = [Lentils(question.Sessions[0].Date)] };
        var answer = Fill(due);
        Assert.Contains(
            answer.Plan.Batches,
            batch => batch.Lots[0].Dish == question.Dishes[2] && batch.Cooked == question.Sessions[0].Date
        );
        Assert.Equal((0, 1), (Unused(due), Unused(question with { Due = [Lentils(question.Sessions[0].Date.AddDays(-1))] })));
        Assert.True(answer.Levels.Single(level => level.Goal == FillGoal.Due).IsProven);
    }

    [Fact]
    public void A_session_is_not_longer_than_the_cook_has_time_and_a_batch_not_larger_than_the_pot()
    {
        var question = First(3, Eats(["lunch", "supper"], []), [Dish(0, 30), Dish(1, 30), Dish(5, 30)]);
        var brief = question with { Sessions = [question.Sessions[0]], Wishes = question.Wishes with { MinutesASession = 60 } };
        Assert.Equal(2, Fill(brief).Plan.Batches.Count);

        var pot = question with { Sessions = [question.Sessions[0]], Dishes = [.. question.Dishes.Select(dish => dish with { Most = 1 })] };
        Assert.All(Fill(pot).Plan.Batches, batch => Assert.Equal(1, batch.Portions));
    }

    [Fact]
    public void Whoever_has_a_variant_of_their_own_gets_that_one()
    {
        var light = Dish(1, 5) with { Variant = "Light" };
        var dish = Dish(0, 5) with { Recipe = light.Recipe };
        var eater = Eats(["lunch"], []) with { UsualVariants = new Dictionary<Guid, string> { [light.Recipe] = "Light" } };
        var question = First(2, eater, [dish, light]);
        Assert.All(Fill(question).Plan.Servings, serving => Assert.Equal("Light", serving.Dish.Variant));
    }

    [Fact]
    public void What_is_proven_is_proven_over_every_variant()
    {
        var plain = Dish(0, 5);
        var question = First(1, Eats(["lunch"], []), [plain, Dish(4, 5) with { Recipe = plain.Recipe, Variant = "Light" }, Dish(1, 5)]);
        var batches = Fill(question).Levels.Single(level => level.Goal == FillGoal.Batches);
        Assert.Equal((1L, true), (batches.Value, batches.IsProven));
    }

    [Fact]
    public void A_large_library_is_searched_over_a_few_recipes_and_grows_when_they_do_not_do()
    {
        // Only the last of forty fits; the others are too much for the day.
        var dishes = Enumerable.Range(0, 40).Select(_ => Dish(3, 1)).Append(Dish(4, 60)).ToList();
        var question = First(1, Eats(["lunch"], [AtMost("energy", Measure.Energy, 120)]), dishes);
        var answer = WeekSolver.Solve(question, new(2, 0.2, 0.2, Recipes: 2), null, TestContext.Current.CancellationToken);
        Assert.Equal("300 g lettuce", Assert.Single(answer.Plan.Servings).Dish.Name);
    }
}

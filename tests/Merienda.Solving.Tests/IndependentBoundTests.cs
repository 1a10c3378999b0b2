using CsCheck;
using Merienda.Core.Filling;

namespace Merienda.Solving.Tests;

/// <summary>Weeks of two eaters against a solver and a formulation that nobody here wrote the search with.</summary>
public class IndependentBoundTests
{
    [Fact]
    public void Meals_and_batches_are_as_few_as_a_mixed_integer_program_proves() =>
        Gen.Select(Gen.Int[0, 38].Array[14], Gen.Int[1100, 1700], Gen.Int[25, 90], Gen.Int[0, 6])
            .Sample(
                (some, energy, carbs, freezer) =>
                {
                    var eaters = new[]
                    {
                        DemoWeek.Eater("Ilse", "calories-macros", ("energy", energy, energy + 200)),
                        DemoWeek.Eater("Bram", "low-carb", ("net-carbs", null, carbs)),
                    };
                    var question = DemoWeek.For(eaters) with
                    {
                        Dishes = [.. some.Distinct().Where(at => at < DemoWeek.Dishes.Count).Select(at => DemoWeek.Dishes[at])],
                        Wishes = FillWishes.Usual with { Goals = [FillGoal.Batches], FreezerBoxes = freezer, MostPortions = 6 },
                    };
                    question = question with { Settled = question.Open.Where(cell => cell.Date >= question.Start.AddDays(3)).ToHashSet() };
                    var levels = SmallWeek.Fill(question).Levels.ToDictionary(level => level.Goal);

                    Assert.Equal(
                        new MixedIntegerWeek(question).Solve(),
                        ((int)levels[FillGoal.Covered].Value, (int)levels[FillGoal.Batches].Value)
                    );
                },
                iter: 8,
                threads: 1
            );
}

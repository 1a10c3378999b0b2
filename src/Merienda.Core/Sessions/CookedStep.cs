using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>What a step takes of a line, for all that is cooked.</summary>
/// <param name="Times">How often what the line says; 0 for what an earlier step took already.</param>
/// <param name="InAll">How often it goes into the dish, with what other steps take.</param>
public sealed record StepTake(RecipeLine Line, decimal Times, decimal InAll)
{
    /// <summary>Grams that the step takes; null when nobody knows.</summary>
    public decimal? Grams => Line.GramsIn.IsOpen ? null : Line.GramsIn.Best / Line.Times * Times;

    /// <summary>Grams that go into the dish, with what other steps take; null when nobody knows.</summary>
    public decimal? InAllGrams => Line.GramsIn.IsOpen ? null : Line.GramsIn.Best / Line.Times * InAll;
}

/// <summary>A step of a dish as a session does it.</summary>
/// <param name="Task">With an id of its own for each round.</param>
/// <param name="Round">From 1 on.</param>
/// <param name="Rounds">How often an appliance is filled for it.</param>
public sealed record CookedStep(PrepTask Task, IReadOnlyList<StepTake> Takes, int Round, int Rounds)
{
    /// <summary>Rounds that anybody would cook of one dish.</summary>
    public const int MostRounds = 24;

    /// <summary>How often it would have to be filled: more than it is done where that is more than anybody would cook.</summary>
    public int Needed { get; init; } = Rounds;

    /// <summary>The steps that some lots need, in order; one that takes nothing of any of them is left out.</summary>
    /// <param name="lots">Portions in each variant.</param>
    internal static IReadOnlyList<CookedStep> Of(RecipeVersion recipe, IReadOnlyList<LotToCook> lots)
    {
        var steps = new List<CookedStep>();
        // What waits for a step waits for its last round, and for what came before it where it is left out.
        var ends = new Dictionary<string, IReadOnlyList<string>>();
        foreach (var task in recipe.Tasks)
        {
            var takes = lots.SelectMany(lot =>
                    lot.Dish.UsesOf(task).Select(use => (Use: use, InAll: use.Line.Times * lot.Portions / recipe.Portions))
                )
                .GroupBy(take => take.Use.Line.Typed.Id)
                .Select(of => new StepTake(of.First().Use.Line, of.Sum(take => take.Use.Share * take.InAll), of.Sum(take => take.InAll)))
                .ToList();
            if (takes.Count == 0 && recipe.UsesOf(task).Count > 0)
            {
                ends[task.Id] = [.. task.After];
                continue;
            }

            var needed = RoundsOf(task, takes, recipe, lots.Sum(lot => lot.Portions));
            var rounds = Math.Min(needed, MostRounds);
            for (var round = 1; round <= rounds; round++)
            {
                steps.Add(
                    new(
                        round == 1 ? task : task with { Id = IdOf(task, round), After = [IdOf(task, round - 1)] },
                        round == 1 ? takes : [],
                        round,
                        rounds
                    )
                    {
                        Needed = needed,
                    }
                );
            }

            if (rounds > 1)
            {
                ends[task.Id] = [IdOf(task, rounds)];
            }
        }

        return ends.Count == 0 ? steps : [.. steps.Select(step => step with { Task = step.Task with { After = Ends(step.Task) } })];

        IReadOnlyList<string> Ends(PrepTask task)
        {
            var found = new List<string>();
            var asked = new HashSet<string>();
            var open = new Stack<string>(task.After);
            while (open.TryPop(out var id))
            {
                // A round waits for the one before it, not for the last of them.
                if (!asked.Add(id) || !ends.TryGetValue(id, out var after) || IsRoundOf(task.Id, id))
                {
                    found.Add(id);
                    continue;
                }

                foreach (var other in after)
                {
                    open.Push(other);
                }
            }

            return [.. found.Distinct()];
        }
    }

    private static bool IsRoundOf(string id, string task) => id.StartsWith($"{task}~", StringComparison.Ordinal);

    private static string IdOf(PrepTask task, int round) => round == 1 ? task.Id : $"{task.Id}~{round}";

    private static int RoundsOf(PrepTask task, IReadOnlyList<StepTake> takes, RecipeVersion recipe, decimal portions) =>
        task.RoundPieces is { } size ? (int)Math.Max(1, Math.Min(Math.Ceiling(PiecesOf(takes, recipe, portions) / size), 1_000_000)) : 1;

    /// <summary>Pieces that go in: as measured of the dish, as the line of the step is counted that has most, at least one a portion.</summary>
    private static decimal PiecesOf(IReadOnlyList<StepTake> takes, RecipeVersion recipe, decimal portions) =>
        recipe.MadeIn(YieldUnit.Pieces) is { } made ? made * portions / recipe.Portions
        : takes.Where(take => take.Line.Read is { Unit.Name: "each", Amount: not null }).ToList() is { Count: > 0 } counted
            ? Math.Max(portions, counted.Max(take => take.Line.Read.Amount!.Value.High * take.InAll))
        : portions;
}

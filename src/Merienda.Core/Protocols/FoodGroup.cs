using Merienda.Core.Foods;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Protocols;

/// <summary>
/// Foods that a rule counts together. A line counts when the group is meant for certain; one of which nobody can tell may bring anything
/// from nothing to all of it.
/// </summary>
/// <param name="Classes">Keys of the classes whose foods belong to it.</param>
public sealed record FoodGroup(IReadOnlyList<string> Classes)
{
    public bool Holds(Food food) => Classes.Any(food.Is);

    /// <summary>Whether a line is of the group and nothing else can be meant: what is only likely understood reaches no floor.</summary>
    public bool IsSurely(RecipeLine line) => Look(line).IsSure;

    /// <summary>
    /// What lines of which nobody can tell may bring: what is only likely understood, leaves a choice, differs by packet, or need not go
    /// in.
    /// </summary>
    /// <param name="measure">What is counted of them; null for their grams.</param>
    public (Estimate Brings, IReadOnlyList<LineDoubt> Doubts) Doubtful(Intake intake, Measure? measure)
    {
        var sum = Estimate.Zero;
        var doubts = new List<LineDoubt>();
        foreach (var helping in intake.Helpings)
        {
            foreach (var line in helping.Profile.AllLines.Where(line => line.Food is not null || line.Read.IsOutOfNumbers))
            {
                var (isSure, isOut, doubt) = Look(line);
                if (isOut || (isSure && !line.Read.IsOutOfNumbers))
                {
                    continue;
                }

                var brings = (measure is { } counted ? line.Brings(counted) : line.Grams) * (helping.Size / helping.Profile.Portions);
                var best = line.Food is { } food && Holds(food) ? brings.Best : 0;
                sum += brings.High is { } high ? Estimate.Between(0, best, high) : Estimate.AtLeast(0, best);
                doubts.Add(
                    doubt
                        ?? (line.Read.IsOutOfNumbers ? new(DoubtKind.Mentioned, line.Name) : new(DoubtKind.Likely, line.Meanings[0].Words))
                );
            }
        }

        return (sum, [.. doubts.Distinct()]);
    }

    private (bool IsSure, bool IsOut, LineDoubt? Doubt) Look(RecipeLine line)
    {
        var (verdict, doubt, _) = LineDoubts.Of(line, Judge, _ => false);
        return (verdict == Verdict.Breaks && line.Meanings.All(meaning => meaning.IsSure), verdict == Verdict.Fits, doubt);
    }

    private LineDoubts.FoodFinding Judge(Food food) =>
        Holds(food) ? new(Verdict.Breaks, food.Name, default)
        : food.Packet is null && Classes.Any(food.MayHold.Holds) ? new(Verdict.CannotTell, food.Name, DoubtKind.PacketsDiffer)
        : default;
}

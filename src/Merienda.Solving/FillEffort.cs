namespace Merienda.Solving;

/// <summary>How long a search goes on. It ends by rounds and never by the clock, so that one question has one answer.</summary>
/// <param name="Rounds">Searches of each level that find nothing better before it is left.</param>
/// <param name="Effort">Deterministic time of one round of a couple's week, in the solver's units; larger weeks have more.</param>
/// <param name="Proof">Deterministic time in which a bound is sought with the whole library.</param>
/// <param name="Recipes">That a search begins with, for each of two eaters; a level that comes to no end gets more.</param>
public sealed record FillEffort(int Rounds, double Effort, double Proof, int Seed = 1, int Recipes = 7)
{
    /// <summary>What a third eater and each further one adds: most of what two of them eat is theirs too.</summary>
    private const int FurtherRecipes = 3;

    /// <summary>Meals of a couple's week.</summary>
    private const double Couple = 56;

    internal int RecipesFor(int eaters) => (Recipes * Math.Min(eaters, 2)) + (FurtherRecipes * Math.Max(0, eaters - 2));

    /// <summary>
    /// A round that is cut off early is begun anew from little better. Measured with four eaters and 200 recipes: with four times as long rounds
    /// all targets are met after 3 s instead of 14, and 9 batches are left of 29.
    /// </summary>
    internal double RoundFor(int meals) => Effort * Math.Max(1, Math.Pow(meals / Couple, 2));

    public static readonly FillEffort Usual = new(3, 0.3, 0.3),
        Quick = new(1, 0.2, 0.05);
}

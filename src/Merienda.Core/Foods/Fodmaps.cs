using Merienda.Core.Foods.Labels;
using Merienda.Core.Quantities;

namespace Merienda.Core.Foods;

/// <summary>The FODMAP sub-groups that have a cut-off of their own; fructans and GOS share one (domain.md section 5).</summary>
public enum FodmapGroup
{
    Fructans,
    Lactose,
    ExcessFructose,
    Sorbitol,
    Mannitol,
}

/// <summary>
/// Published FODMAP content in g per 100 g as eaten; null is unknown. Excess fructose is fructose less glucose, not below zero.
/// </summary>
/// <param name="Fructans">Fructans and GOS together.</param>
public sealed record FodmapProfile(
    decimal? Fructans,
    decimal? Lactose,
    decimal? ExcessFructose,
    decimal? Sorbitol,
    decimal? Mannitol,
    string Source,
    SourceMark Mark
)
{
    public decimal? this[FodmapGroup group] =>
        group switch
        {
            FodmapGroup.Fructans => Fructans,
            FodmapGroup.Lactose => Lactose,
            FodmapGroup.ExcessFructose => ExcessFructose,
            FodmapGroup.Sorbitol => Sorbitol,
            _ => Mannitol,
        };
}

/// <summary>What a food holds of a sub-group per 100 g, published or within its natural bounds.</summary>
/// <param name="IsKnown">False when only the bounds are known: all carbohydrate could be of the sub-group.</param>
public readonly record struct FodmapContent(Estimate PerHundredGrams, bool IsKnown);

public static class Fodmaps
{
    public static readonly IReadOnlyList<FodmapGroup> Groups = Enum.GetValues<FodmapGroup>();

    /// <summary>
    /// Classes that bring much of a sub-group in little: what a packet's statement names of them matters before anything else.
    /// </summary>
    public static readonly IReadOnlyList<string> Classes =
    [
        "garlic",
        "onion",
        "allium",
        "wheat",
        "rye",
        "barley",
        "legume",
        "honey",
        "polyol",
        "milk",
        "cream",
        "tree-nut",
    ];

    /// <summary>Those of them that packets put into what is otherwise low: a little decides.</summary>
    public static readonly IReadOnlyList<string> DenseClasses = ["garlic", "onion", "allium", "honey", "polyol"];

    public static string NameOf(FodmapGroup group) =>
        group switch
        {
            FodmapGroup.Fructans => "fructans and GOS",
            FodmapGroup.Lactose => "lactose",
            FodmapGroup.ExcessFructose => "excess fructose",
            FodmapGroup.Sorbitol => "sorbitol",
            _ => "mannitol",
        };

    /// <summary>
    /// Without a published value a sub-group lies between nothing and the food's carbohydrate (excess fructose: its sugars). Lactose occurs
    /// in milk only.
    /// Declared polyols bound nothing: tables seldom analyse the sorbitol and mannitol of plants.
    /// </summary>
    public static FodmapContent ContentOf(Food food, FodmapGroup group) => food.FodmapContents[(int)group].Content;

    /// <summary>Content and cut-off of every sub-group, in their order; a food keeps them.</summary>
    internal static (FodmapContent Content, decimal CutOff)[] Of(Food food)
    {
        var contents = Groups.Select(group => Content(food, group)).ToArray();
        return [.. Groups.Select(group => (contents[(int)group], CutOff(food, group, contents)))];
    }

    private static FodmapContent Content(Food food, FodmapGroup group)
    {
        if (food.Fodmaps?[group] is { } published)
        {
            return new(Estimate.Around(published, Food.TableSpread), true);
        }

        if (group == FodmapGroup.Lactose && !food.Contains("dairy") && food.Untold.Count == 0)
        {
            return new(Estimate.Zero, true);
        }

        if (
            food.Packet is { IsRead: true } packet
            && packet.Label.Declares(LabelNutrient.Carbohydrate)
            && packet.Label.PerHundredGrams(LabelNutrient.Carbohydrate).Best == 0
            && !Classes.Any(packet.Holds)
            && packet.CannotTell.Count == 0
        )
        {
            return new(Estimate.Zero, true);
        }

        var room = food.Nutrition[group is FodmapGroup.Lactose or FodmapGroup.ExcessFructose ? Measure.Sugars : Measure.Carbohydrate];
        return room.High is { } most ? new(Estimate.Within(0, most), most == 0) : new(Estimate.Unknown, false);
    }

    /// <summary>
    /// Cut-off in g per food per sitting; a dose fits when it is less: Varney et al. 2017, J Gastroenterol Hepatol 32 S1, from memory [M].
    /// Its 0.40 g for sorbitol and mannitol together needs no rule of its own: two that each stay below 0.20 g never reach it.
    /// </summary>
    public static decimal CutOff(Food food, FodmapGroup group) => food.FodmapContents[(int)group].CutOff;

    private static decimal CutOff(Food food, FodmapGroup group, FodmapContent[] contents) =>
        group switch
        {
            FodmapGroup.Fructans => IsGrainLike(food) ? 0.30m : 0.20m,
            FodmapGroup.Lactose => 1m,
            FodmapGroup.ExcessFructose => IsFresh(food) && IsOnlyExcessFructose(contents) ? 0.40m : 0.15m,
            _ => 0.20m,
        };

    private static bool IsGrainLike(Food food) => food.Is("grain") || food.Is("legume") || food.Is("tree-nut") || food.Is("seed");

    private static bool IsFresh(Food food) => food.Is("fruit") || food.Is("vegetable");

    // The higher cut-off holds when no other sub-group is there; an unknown one may be.
    private static bool IsOnlyExcessFructose(FodmapContent[] contents) =>
        Groups.Where(group => group != FodmapGroup.ExcessFructose).All(group => contents[(int)group].PerHundredGrams.High == 0);

    /// <summary>
    /// What one gram of a food brings of the cut-offs of all sub-groups, whichever comes nearest: by these nearly every dose is settled at
    /// one look.
    /// </summary>
    /// <param name="Most">At most so much of one; null when nobody knows a bound.</param>
    /// <param name="Least">At least so much of one whose content is known.</param>
    internal sealed record OfCutOff(decimal? Most, decimal Least)
    {
        public static OfCutOff Of((FodmapContent Content, decimal CutOff)[] groups)
        {
            var shares = groups
                .Select(group =>
                    (
                        Most: group.Content.PerHundredGrams.High / 100 / group.CutOff,
                        Least: group.Content.IsKnown ? group.Content.PerHundredGrams.Low / 100 / group.CutOff : 0
                    )
                )
                .ToList();
            return new(shares.Any(share => share.Most is null) ? null : shares.Max(share => share.Most), shares.Max(share => share.Least));
        }
    }
}

using Merienda.Core.Quantities;

namespace Merienda.Core.Foods;

/// <summary>
/// The four ways to count carbohydrate, converted from the declared basis per 100 g. The basis is part of the input, so that
/// fibre cannot be taken off a value that never held it, nor polyols twice (domain.md section 2).
/// </summary>
public sealed record Carbohydrates(Estimate Total, Estimate Available, Estimate Net, Estimate Uncredited)
{
    public static Carbohydrates From(
        Estimate declared,
        LabelBasis basis,
        Estimate fibre,
        Estimate polyols,
        Estimate erythritol,
        PolyolCredit credit,
        Estimate? allulose = null
    )
    {
        var allPolyols = polyols + erythritol;
        var (total, available) = basis switch
        {
            LabelBasis.Total => (declared, Less(declared, fibre)),
            LabelBasis.Available => (declared + fibre, declared),
            _ => (declared + fibre + allPolyols, declared),
        };
        var credited =
            basis == LabelBasis.AvailableWithoutPolyols ? Estimate.Zero : (polyols * credit.Others) + (erythritol * credit.Erythritol);
        // Allulose is no polyol and stays in every basis; it is credited like erythritol.
        credited += (allulose ?? Estimate.Zero) * credit.Erythritol;
        var uncredited = basis == LabelBasis.AvailableWithoutPolyols ? declared + allPolyols : available;
        return new(total, available, Less(available, credited), uncredited);
    }

    /// <summary>
    /// Whole less part of the same source. The part cannot exceed the whole, so bounds stop at zero: the only clip the domain allows.
    /// An unknown part leaves anything from nothing to the whole.
    /// </summary>
    private static Estimate Less(Estimate whole, Estimate part)
    {
        var low = part.High is { } most ? Math.Max(0, whole.Low - most) : 0;
        var best = part.IsOpen ? whole.Best / 2 : Math.Max(low, whole.Best - part.Best);
        return whole.High is { } high ? Estimate.Between(low, best, Math.Max(best, high - part.Low)) : Estimate.AtLeast(low, best);
    }
}

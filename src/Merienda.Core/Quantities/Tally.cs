using System.Runtime.InteropServices;

namespace Merienda.Core.Quantities;

/// <summary>
/// A sum that remembers where its widths came from. Widths of one source (a packet, a weighed line) add linearly,
/// independent sources combine by root-sum-square below and above the best value (domain.md section 3).
/// A source is an object; two amounts share it when they hold the same instance. Widths are estimates themselves, so they are summed in
/// binary floating point, of which 15 digits go into the result.
/// </summary>
/// <param name="sources">About how many sources there will be.</param>
public sealed class Tally(int sources = 0)
{
    private readonly Dictionary<object, (double Below, double Above)> _widths = new(sources, ReferenceEqualityComparer.Instance);
    private decimal _best;
    private bool _isOpen;

    public void Add(object source, Estimate amount)
    {
        AddBest(amount.Best, amount.IsOpen);
        AddWidth(source, amount.Below, amount.Above);
    }

    public void AddBest(decimal best, bool isOpen)
    {
        _best += best;
        _isOpen |= isOpen;
    }

    public void AddWidth(object source, decimal below, decimal above) => AddWidth(source, (double)below, (double)above);

    public void AddWidth(object source, double below, double above)
    {
        if (below == 0 && above == 0)
        {
            return;
        }

        ref var width = ref CollectionsMarshal.GetValueRefOrAddDefault(_widths, source, out _);
        width = (width.Below + below, width.Above + above);
    }

    /// <summary>The sources that have a width, each once.</summary>
    public IEnumerable<(object Source, double Below, double Above)> Widths =>
        _widths.Select(pair => (pair.Key, pair.Value.Below, pair.Value.Above));

    /// <summary>What the sum plausibly is: independent errors partly cancel.</summary>
    public Estimate Plausible
    {
        get
        {
            double below = 0,
                above = 0;
            foreach (var width in _widths.Values)
            {
                below += width.Below * width.Below;
                above += width.Above * width.Above;
            }

            return Spread(Math.Sqrt(below), Math.Sqrt(above));
        }
    }

    /// <summary>What the sum is when every source errs the same way at once.</summary>
    public Estimate WorstCase => Spread(_widths.Values.Sum(width => width.Below), _widths.Values.Sum(width => width.Above));

    private Estimate Spread(double below, double above)
    {
        // No source is wider below than its own best value; the minimum absorbs rounding of the last digit.
        var low = _best - Math.Min((decimal)below, _best);
        return _isOpen ? Estimate.AtLeast(low, _best) : Estimate.Between(low, _best, _best + (decimal)above);
    }
}

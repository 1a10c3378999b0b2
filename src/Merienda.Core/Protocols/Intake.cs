using Merienda.Core.Foods;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Protocols;

/// <summary>Some portions of one dish: what a container holds.</summary>
/// <param name="Name">As a sentence names it: "B Lentil soup".</param>
/// <param name="Size">Portions, above zero; 1.5 is a portion and a half.</param>
public sealed record Helping(string Name, PortionProfile Profile, decimal Size)
{
    private readonly string? _dish;

    /// <summary>When it is eaten; null for a recipe that stands in no day yet.</summary>
    public Occasion? At { get; init; }

    /// <summary>What dish it is, whatever batch it comes from.</summary>
    public string Dish
    {
        get => _dish ?? Name;
        init => _dish = value;
    }

    /// <summary>Grams of one line in this helping.</summary>
    public Estimate GramsOf(int line) => Profile.Lines[line].Grams * (Size / Profile.Portions);
}

/// <summary>What is eaten on one occasion or over a day or a week, as rules see it: sums with their contributors.</summary>
public sealed class Intake(IReadOnlyList<Helping> helpings)
{
    private List<(PortionProfile Profile, decimal Size)>? _dishes;
    private (PointsScheme Scheme, IReadOnlyList<(Helping Helping, Estimate Points)> Points)? _scored;

    public IReadOnlyList<Helping> Helpings { get; } = helpings;

    public static Intake Of(Helping helping) => new([helping]);

    /// <summary>Every line of every helping, the optional ones too: what may be eaten.</summary>
    public IEnumerable<RecipeLine> AllLines => Helpings.SelectMany(helping => helping.Profile.AllLines);

    /// <summary>Every line of every helping that is counted.</summary>
    public IEnumerable<RecipeLine> Lines => Helpings.SelectMany(helping => helping.Profile.Lines);

    /// <summary>The words of lines that no food was found for, each once.</summary>
    public IReadOnlyList<string> UnknownLines =>
        [.. Lines.Where(line => line.Food is null).Select(line => line.Read.Text.Trim()).Distinct()];

    /// <summary>Each profile once with all that is eaten of it: its widths grow with the size, however it is helped.</summary>
    private List<(PortionProfile Profile, decimal Size)> Dishes
    {
        get
        {
            if (_dishes is null)
            {
                var dishes = new List<(PortionProfile Profile, decimal Size)>(Helpings.Count);
                foreach (var helping in Helpings)
                {
                    var at = dishes.FindIndex(dish => ReferenceEquals(dish.Profile, helping.Profile));
                    if (at < 0)
                    {
                        dishes.Add((helping.Profile, helping.Size));
                    }
                    else
                    {
                        dishes[at] = (helping.Profile, dishes[at].Size + helping.Size);
                    }
                }

                _dishes = dishes;
            }

            return _dishes;
        }
    }

    /// <summary>The sum of an additive measure; points go through <see cref="Points"/>.</summary>
    public Estimate Sum(Measure measure)
    {
        if (Helpings.Count == 1)
        {
            return Helpings[0].Profile.Total(measure) * Helpings[0].Size;
        }

        var tally = new Tally(Dishes.Sum(dish => dish.Profile.SourcesOf(measure)));
        foreach (var (profile, size) in Dishes)
        {
            profile.AddTo(tally, measure, size);
        }

        return tally.Plausible;
    }

    /// <summary>The sum of an additive measure over some foods, or over what free amounts leave.</summary>
    /// <param name="isCounted">Which lines count; a line without a food counts as unknown.</param>
    public Estimate Sum(Measure measure, IReadOnlyList<FreeFood> free, Func<RecipeLine, bool>? isCounted = null)
    {
        var shares = FreeAmounts.CountedShares(Helpings, free);
        return SumLines(
            (helping, at, line) =>
            {
                var eaten = Helpings[at].Profile.Lines[line];
                var times = eaten.Food is not null && isCounted?.Invoke(eaten) == false ? 0 : helping.Size * shares[at][line];
                return (helping.Profile[line, measure], times);
            }
        );
    }

    /// <summary>Grams that go in of the lines that count; a line without a food counts as unknown.</summary>
    public Estimate GramsOf(Func<RecipeLine, bool> isCounted)
    {
        var tally = new Tally();
        foreach (var helping in Helpings)
        {
            for (var line = 0; line < helping.Profile.Lines.Count; line++)
            {
                var eaten = helping.Profile.Lines[line];
                if (eaten.Food is null || isCounted(eaten))
                {
                    tally.Add(eaten.Source, helping.GramsOf(line));
                }
            }
        }

        return tally.Plausible;
    }

    /// <summary>
    /// The day's points are the sum of rounded helpings (domain.md section 4); helpings of one dish err together, other dishes apart.
    /// </summary>
    public Estimate Points(PointsScheme scheme)
    {
        var tally = new Tally();
        foreach (var (helping, points) in Scored(scheme))
        {
            tally.Add(helping.Profile, points);
        }

        return tally.Plausible;
    }

    public Estimate Value(Measure measure, PointsScheme? scheme) =>
        measure != Measure.Points ? Sum(measure)
        : scheme is null ? Estimate.Unknown
        : Points(scheme);

    /// <summary>Who brings how much, in falling order: the ingredients of a single dish, the dishes of several.</summary>
    public IReadOnlyList<Contributor> Contributors(Measure measure, PointsScheme? scheme) =>
        (Helpings.Count, measure) switch
        {
            (1, Measure.Points) => Contributors((helping, line) => scheme?.UnroundedPointsOfLine(helping.Profile, line) ?? 0),
            (1, _) => Contributors((helping, line) => helping.Profile[line, measure].Best),
            (_, Measure.Points) => Ordered(
                scheme is null ? [] : Scored(scheme).Select(item => new Contributor(item.Helping.Name, item.Points.Best))
            ),
            // A dish's total is worked out already; its lines need not be added again.
            _ => Ordered(Helpings.Select(helping => new Contributor(helping.Name, helping.Profile.Total(measure).Best * helping.Size))),
        };

    /// <param name="ofLine">What one line brings to one portion of the helping.</param>
    public IReadOnlyList<Contributor> Contributors(Func<Helping, int, decimal> ofLine) =>
        Ordered(
            Helpings.SelectMany(helping =>
                Enumerable
                    .Range(0, helping.Profile.Lines.Count)
                    .Select(line => new Contributor(
                        Helpings.Count == 1 ? helping.Profile.Lines[line].NameInSums : helping.Name,
                        helping.Size * ofLine(helping, line)
                    ))
            )
        );

    /// <summary>Points of each helping; a sum and its contributors ask for the same ones.</summary>
    private IReadOnlyList<(Helping Helping, Estimate Points)> Scored(PointsScheme scheme)
    {
        if (_scored?.Scheme != scheme)
        {
            _scored = (scheme, [.. scheme.PointsOf(Helpings)]);
        }

        return _scored.Value.Points;
    }

    /// <summary>Each name once. Every limit of every day asks for these, so few names are looked through rather than hashed.</summary>
    private static IReadOnlyList<Contributor> Ordered(IEnumerable<Contributor> parts)
    {
        var sums = new List<Contributor>();
        foreach (var part in parts)
        {
            var at = 0;
            while (at < sums.Count && sums[at].Name != part.Name)
            {
                at++;
            }

            if (at == sums.Count)
            {
                sums.Add(part);
            }
            else
            {
                sums[at] = sums[at] with { Amount = sums[at].Amount + part.Amount };
            }
        }

        sums.RemoveAll(sum => sum.Amount == 0);
        sums.Sort(
            (one, other) => other.Amount.CompareTo(one.Amount) is not 0 and var more ? more : string.CompareOrdinal(one.Name, other.Name)
        );
        return sums;
    }

    private Estimate SumLines(Func<Helping, int, int, (LineAmount Amount, decimal Times)> of)
    {
        var tally = new Tally();
        for (var at = 0; at < Helpings.Count; at++)
        {
            for (var line = 0; line < Helpings[at].Profile.Lines.Count; line++)
            {
                var (amount, times) = of(Helpings[at], at, line);
                tally.AddBest(amount.Best * times, amount.IsOpen && times > 0);
                if (Helpings[at].Profile.Lines[line] is { Food: { } food } eaten)
                {
                    tally.AddWidth(food, amount.FoodBelow * times, amount.FoodAbove * times);
                    tally.AddWidth(eaten.Source, amount.AmountBelow * times, amount.AmountAbove * times);
                }
            }
        }

        return tally.Plausible;
    }
}

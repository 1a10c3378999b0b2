using System.Text.Json.Serialization;
using Merienda.Core.Quantities;

namespace Merienda.Core.Protocols;

/// <summary>A rule that holds a value between bounds, of which an eater may have to state some.</summary>
public abstract record BoundedRule : Rule
{
    /// <summary>Lower bound, included.</summary>
    public decimal? AtLeast { get; init; }

    /// <summary>Upper bound, included.</summary>
    public decimal? AtMost { get; init; }

    /// <summary>A bound that each eater states for themselves; without it the rule can't tell.</summary>
    public bool AsksAtLeast { get; init; }

    public bool AsksAtMost { get; init; }

    [JsonIgnore]
    public bool NeedsAllowance => (AsksAtLeast && AtLeast is null) || (AsksAtMost && AtMost is null);

    /// <summary>Unit and decimals of the bounds and of what is held against them.</summary>
    [JsonIgnore]
    public abstract Scale Scale { get; }

    /// <summary>What the bounds bind, so that two rules about the same thing can be compared: "energy a day".</summary>
    [JsonIgnore]
    public virtual string Subject => $"{Title} {PeriodInWords}";

    /// <summary>Share of a bound that counts as kept, 0 to 0.5 (domain.md section 3).</summary>
    protected virtual decimal KeptShare => 0;

    /// <summary>The bounds with what still counts as kept, as a search keeps them.</summary>
    protected LinearForm Form(Func<Helping, Brought> of) =>
        new(Id, Title, Period, Scale, of, AtLeast * (1 - KeptShare), AtMost * (1 + KeptShare));

    /// <summary>Whether a search may keep it as a sum over a day or a week.</summary>
    protected bool IsSummed => !NeedsAllowance && Period is Period.Day or Period.Week && (AtLeast ?? AtMost) is not null;

    protected Bounds Limit => new(AtLeast, AtMost, Period);

    protected string PeriodInWords => $"a {Period.ToString().ToLowerInvariant()}";

    /// <summary>The rule with what an eater stated; a bound nobody stated stays as the protocol has it.</summary>
    public BoundedRule With(Allowance? allowance) =>
        allowance is null ? this : this with { AtLeast = allowance.AtLeast ?? AtLeast, AtMost = allowance.AtMost ?? AtMost };

    /// <summary>Holds a value against both bounds.</summary>
    /// <param name="openMeals">Meals still to come, which may yet reach a floor.</param>
    protected Verdict Judge(Estimate value, int openMeals = 0) => new[] { Ceiling(value), Floor(value, openMeals) }.RollUp();

    protected Verdict Ceiling(Estimate value)
    {
        if (AtMost is not { } most)
        {
            return Verdict.Fits;
        }

        var kept = most * (1 + KeptShare);
        return value switch
        {
            { Low: var low } when low > kept => Verdict.Breaks,
            { High: null } => Verdict.CannotTell,
            { High: { } high } when high <= kept => Verdict.Fits,
            _ => Verdict.TooClose,
        };
    }

    protected Verdict Floor(Estimate value, int openMeals)
    {
        if (AtLeast is not { } least)
        {
            return Verdict.Fits;
        }

        var kept = least * (1 - KeptShare);
        return value switch
        {
            { Low: var low } when low >= kept => Verdict.Fits,
            { High: { } high } when high < kept => openMeals > 0 ? Verdict.CannotTell : Verdict.Breaks,
            { High: null } => Verdict.CannotTell,
            _ => openMeals > 0 ? Verdict.CannotTell : Verdict.TooClose,
        };
    }

    protected Finding Found(Verdict verdict, Estimate value, IReadOnlyList<Contributor> contributors, string because) =>
        new(Id, Title, verdict, Scale, value, Limit, contributors, because);

    protected Finding Unstated(Estimate value, IReadOnlyList<Contributor> contributors) =>
        Found(Verdict.CannotTell, value, contributors, $"{Title}: nobody stated how much {PeriodInWords} is allowed.") with
        {
            NeedsAllowance = true,
        };

    /// <summary>A verdict that hangs on lines of which nobody can tell says those, whatever the numbers leave open.</summary>
    protected (Verdict Verdict, string Because) Doubted(Verdict verdict, IReadOnlyList<LineDoubt> doubts, Func<Verdict, string> reason) =>
        doubts.Count > 0 && verdict is Verdict.TooClose or Verdict.CannotTell
            ? (Verdict.CannotTell, $"{Title}: {string.Join("; ", doubts.Take(3).Select(doubt => doubt.Said))}.")
            : (verdict, reason(verdict));

    /// <summary>The usual sentence: value, bounds, and what brings most of it.</summary>
    protected string Reason(
        Verdict verdict,
        Estimate value,
        IReadOnlyList<Contributor> contributors,
        int openMeals,
        Func<string> unknownParts
    )
    {
        var shown = Scale.ShowWithUnit(value.Best);
        if (verdict == Verdict.Fits)
        {
            return $"{Title}: {shown}, {BoundsInWords()} {PeriodInWords}.";
        }

        var range = value.High is { } high && high != value.Low ? $" (between {Scale.Show(value.Low)} and {Scale.Show(high)})" : "";
        var most = contributors
            .Where(item => item.Amount > 0)
            .Take(2)
            .Select(item => $"{item.Name} {Scale.ShowWithUnit(item.Amount)}")
            .ToList();
        var from = most.Count > 0 ? $"; most of it from {string.Join(" and ", most)}" : "";
        return verdict switch
        {
            Verdict.Breaks when AtMost is { } ceiling && value.Low > ceiling =>
                $"{Title}: {shown}, over {Scale.ShowWithUnit(ceiling)} {PeriodInWords}{from}.",
            Verdict.Breaks => $"{Title}: {shown}, below {Scale.ShowWithUnit(AtLeast!.Value)} {PeriodInWords}.",
            Verdict.CannotTell when value.IsOpen =>
                $"{Title}: {shown} so far, and no values yet for {unknownParts()}; the limit is {BoundsInWords()} {PeriodInWords}.",
            Verdict.CannotTell =>
                $"{Title}: {shown} so far of {BoundsInWords()} {PeriodInWords}; {openMeals} {(openMeals == 1 ? "meal is" : "meals are")} still open.",
            _ => $"{Title}: {shown}{range} is too close to {BoundsInWords()} {PeriodInWords}{from}.",
        };
    }

    protected string BoundsInWords() =>
        (AtLeast, AtMost) switch
        {
            ({ } least, { } most) => $"between {Scale.Show(least)} and {Scale.ShowWithUnit(most)}",
            ({ } least, _) => $"at least {Scale.ShowWithUnit(least)}",
            (_, { } most) => $"at most {Scale.ShowWithUnit(most)}",
            _ => "an amount you state",
        };

    /// <summary>Most of one ingredient that is suggested to be added to a portion, g [C].</summary>
    private const decimal MostMore = 300;

    /// <summary>
    /// A change of the ingredient that weighs most which makes one dish fit, in whole grams. Widths never add up to more than their sum:
    /// what is taken away lowers the highest value by its best or more, and what is added raises the lowest by its lowest or more. So the
    /// change cures for certain and may be a few grams more than the least.
    /// </summary>
    /// <param name="ofLine">What one line brings to one portion, in the rule's unit.</param>
    protected string? CureOf(Verdict verdict, Estimate value, Intake intake, Func<Helping, int, Estimate> ofLine)
    {
        if (verdict is not (Verdict.Breaks or Verdict.TooClose) || intake.Helpings is not [var helping])
        {
            return null;
        }

        var isOver = Ceiling(value) != Verdict.Fits;
        var missing = isOver ? value.High - (AtMost * (1 + KeptShare)) : (AtLeast * (1 - KeptShare)) - value.Low;
        decimal Brings(int at) => isOver ? ofLine(helping, at).Best : ofLine(helping, at).Low;
        var line = Enumerable
            .Range(0, helping.Profile.Lines.Count)
            .Where(at => Brings(at) > 0 && !helping.Profile.Lines[at].Grams.IsOpen && helping.Profile.Lines[at].Grams.Best > 0)
            .OrderByDescending(Brings)
            .Select(at => (int?)at)
            .FirstOrDefault();
        if (missing is not { } much || line is not { } heaviest)
        {
            return null;
        }

        var grams = helping.GramsOf(heaviest).Best / helping.Size;
        var change = Math.Ceiling(much / helping.Size / (Brings(heaviest) / grams));
        if (isOver && change >= grams)
        {
            var share = Math.Floor(AtMost!.Value * (1 + KeptShare) / value.High!.Value * 20) / 20;
            return share > 0 ? $"{share:0.##} of the portion would fit" : null;
        }

        // Nobody cooks a portion with a kilogram more of one thing: that is no cure.
        if (!isOver && change > MostMore)
        {
            return null;
        }

        return $"{Scale.WholeGrams.ShowWithUnit(change)} {(isOver ? "less" : "more")} {helping.Profile.Lines[heaviest].Name} a portion";
    }
}

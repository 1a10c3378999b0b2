using Merienda.Core.Foods;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Protocols;

/// <summary>
/// What is eaten at one sitting, as FODMAP doses are judged: grams of each food that is meant for certain, over all lines, and the lines of
/// which nobody can tell.
/// What is optional is judged too; a food that packets make with garlic, onion, honey or polyols, or without, can't be told (domain.md
/// section 5).
/// </summary>
internal sealed class FodmapSitting
{
    private readonly List<(Food Food, Estimate Grams)> _foods = [];
    private readonly List<LineDoubt> _doubts = [];

    private FodmapSitting() { }

    public IReadOnlyList<(Food Food, Estimate Grams)> Foods => _foods;

    public IReadOnlyList<LineDoubt> Doubts => _doubts;

    public static FodmapSitting Of(Intake intake, IReadOnlyList<FodmapGroup> restricted)
    {
        var sitting = new FodmapSitting();
        foreach (var helping in restricted.Count == 0 ? [] : intake.Helpings)
        {
            var share = helping.Size / helping.Profile.Portions;
            foreach (var line in helping.Profile.AllLines)
            {
                sitting.Add(line, line.Grams * share, restricted);
            }
        }

        return sitting;
    }

    /// <summary>
    /// The worst verdict of one food's doses. A dose fits when it is less than the cut-off; unknown content fits only when all of it would.
    /// </summary>
    public static Verdict Judge(Food food, Estimate grams, IReadOnlyList<FodmapGroup> restricted)
    {
        // A thousandth is left to the long way for the last digit.
        if (grams.High is { } most && most * food.OfCutOff.Most < 0.999m)
        {
            return Verdict.Fits;
        }

        if (restricted.Count == Fodmaps.Groups.Count && grams.High is not null && grams.Low * food.OfCutOff.Least > 1.001m)
        {
            return Verdict.Breaks;
        }

        var worst = Verdict.Fits;
        foreach (var group in restricted)
        {
            var (content, cutOff) = food.FodmapContents[(int)group];
            worst = Max(worst, Judge(content.PerHundredGrams.In(grams), cutOff, content.IsKnown));
        }

        return worst;
    }

    public static Verdict Judge(Estimate dose, decimal cutOff, bool isKnown) =>
        dose.High is { } high && high < cutOff ? Verdict.Fits
        : !isKnown || dose.IsOpen ? Verdict.CannotTell
        : dose.Low >= cutOff ? Verdict.Breaks
        : Verdict.TooClose;

    private void Add(RecipeLine line, Estimate grams, IReadOnlyList<FodmapGroup> restricted)
    {
        if (line.IsPlain)
        {
            Add(line.Food!, grams);
            return;
        }

        var (verdict, doubt, _) = LineDoubts.Of(line, food => OfChoice(food, grams, restricted), _ => false);
        if (doubt is null or { Kind: DoubtKind.Statement })
        {
            Add(line.Food!, grams);
        }
        else if (verdict == Verdict.CannotTell && !_doubts.Contains(doubt))
        {
            _doubts.Add(doubt);
        }
    }

    private static LineDoubts.FoodFinding OfChoice(Food food, Estimate grams, IReadOnlyList<FodmapGroup> restricted) =>
        Differs(food)
            ? new(Verdict.CannotTell, food.Name, DoubtKind.PacketsDiffer)
            : new(Judge(food, grams, restricted), food.Name, DoubtKind.Statement);

    private void Add(Food food, Estimate grams)
    {
        for (var at = 0; at < _foods.Count; at++)
        {
            if (_foods[at].Food == food)
            {
                _foods[at] = (food, _foods[at].Grams + grams);
                return;
            }
        }

        _foods.Add((food, grams));
        if (Differs(food) && grams.High != 0)
        {
            _doubts.Add(new(DoubtKind.PacketsDiffer, food.Name));
        }
    }

    private static bool Differs(Food food) =>
        food.Packet is null && food.MayHold.Kinds.Count > 0 && Fodmaps.DenseClasses.Any(food.MayHold.Kinds.Contains);

    private static Verdict Max(Verdict one, Verdict other) => one > other ? one : other;
}

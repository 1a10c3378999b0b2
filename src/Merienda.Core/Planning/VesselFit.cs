using System.Globalization;
using System.Text.RegularExpressions;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;

namespace Merienda.Core.Planning;

/// <summary>How a step goes into the vessels of a kitchen.</summary>
public enum VesselVerdict
{
    Fits,
    Close,
    TooLarge,
}

/// <param name="Task">Id of the step.</param>
/// <param name="Said">"Braising pan", or "two trays: one layer on a tray is about 1.2 kg, this is 2.1 kg".</param>
public sealed record VesselFinding(string Task, VesselVerdict Verdict, string Said)
{
    /// <summary>How often all of the vessels are filled for it.</summary>
    public int Rounds { get; init; } = 1;
}

/// <summary>
/// Compares what a dish takes at each step with pans, trays, moulds, pots, baskets and bowls before anybody cooks: the size of vessels is
/// the commonest mishap (domain.md section 7).
/// </summary>
public static partial class VesselFit
{
    /// <summary>How far a vessel is filled that nobody gave a line for [C]; of a pressure cooker 2/3, and half for what foams.</summary>
    private const decimal UsualFill = 0.8m,
        PressureFill = 2m / 3,
        FoamingFill = 0.5m;

    /// <summary>One loose layer on a tray or in a basket, ml for each cm² [C].</summary>
    private const decimal Layer = 1;

    /// <summary>A vessel takes so much more than its line before it runs over [C].</summary>
    private const decimal Heaped = 1.05m;

    /// <summary>From so many g of broth or tinned tomato on nothing goes onto a tray [C].</summary>
    private const decimal Wet = 200;

    private const int MillimetresOfCentimetre = 10;

    private const decimal MillilitresOfLitre = 1000;

    /// <summary>Steps of which a vessel is known, in order; none for a kitchen without vessels.</summary>
    public static IReadOnlyList<VesselFinding> Of(CookedDish dish, Kitchen kitchen)
    {
        var steps = dish.Steps.Where(step => step.Round == 1).ToList();
        return
        [
            .. steps
                .Select(step => (Step: step, Takes: InIt(step, steps)))
                .Where(of => of.Takes.Count > 0 && of.Step.Rounds == 1)
                .Select(of => Of(of.Step.Task, of.Takes, kitchen))
                .OfType<VesselFinding>()
                // A pot that goes on simmering is said once.
                .DistinctBy(finding => finding.Said),
        ];
    }

    /// <summary>Which of some vessels hold what a step takes, likely at least; none where no weight is known.</summary>
    /// <param name="task">A step of the dish, whatever appliance is asked about.</param>
    internal static IReadOnlyList<int> Holding(CookedDish dish, PrepTask task, IReadOnlyList<KitchenItem> vessels)
    {
        var steps = dish.Steps.Where(step => step.Round == 1).ToList();
        if (steps.Find(step => step.Task.Id == task.Id) is not { } step)
        {
            return [];
        }

        var takes = InIt(step, steps);
        var volume = BatchVolume.Of(takes, isBoiled: true);
        return volume.IsOpen || volume.Best == 0
            ? []
            : [.. Enumerable.Range(0, vessels.Count).Where(at => IsLikelyIn(vessels[at], volume, takes))];
    }

    /// <summary>Whether it goes in, likely at least. A layer is as heavy as it is, however loose it lies.</summary>
    internal static bool IsLikelyIn(KitchenItem item, Estimate volume, IReadOnlyList<StepTake> takes) =>
        (IsFlat(item) ? volume.Low : volume.Best) <= Holds(item, Foams(takes)) * Heaped;

    /// <summary>What stands in a vessel at a step, ml; of what lies in a layer g.</summary>
    internal static Estimate VolumeOf(PrepTask task, IReadOnlyList<StepTake> takes) =>
        BatchVolume.Of(
            takes,
            task.Appliance is Appliance.PressureCooker or Appliance.SlowCooker
                || (task.Appliance == Appliance.Burner && !Fries().IsMatch(task.Text))
        );

    private static bool Foams(IReadOnlyList<StepTake> takes) =>
        takes.Any(take => take.Line.Food is { } food && (food.Is("legume") || food.Is("grain")));

    private static VesselFinding? Of(PrepTask task, IReadOnlyList<StepTake> takes, Kitchen kitchen)
    {
        var volume = VolumeOf(task, takes);
        if (volume.IsOpen || volume.Best == 0)
        {
            return null;
        }

        var foams = Foams(takes);
        var vessels = KindsFor(task, takes)
            .Select(kind => kitchen.Items.Where(item => item.Kind == kind).ToList())
            .FirstOrDefault(items => items.Exists(item => Holds(item, foams) is not null));
        if (vessels is null)
        {
            return null;
        }

        var holding = vessels
            .Select(item => (Item: item, Holds: Holds(item, foams)))
            .Where(one => one.Holds is not null)
            .Select(one => (one.Item, Holds: one.Holds!.Value))
            .OrderBy(one => one.Holds)
            .ToList();
        if (IsFlat(holding[0].Item))
        {
            volume = Estimate.Exactly(volume.Low);
        }

        var fitting = holding.Find(one => volume.High <= one.Holds);
        if (fitting.Item is not null)
        {
            return new(task.Id, VesselVerdict.Fits, fitting.Item.Name);
        }

        var likely = holding.Find(one => volume.Best <= one.Holds * Heaped);
        return likely.Item is not null
            ? new(
                task.Id,
                VesselVerdict.Close,
                $"{likely.Item.Name}, just: it takes {Litres(likely.Holds)} l, this is {Litres(volume.Low)} to {Litres(volume.High!.Value)} l"
            )
            : TooLarge(task, holding, volume.Best);
    }

    private static VesselFinding TooLarge(PrepTask task, List<(KitchenItem Item, decimal Holds)> holding, decimal volume)
    {
        var (largest, holds) = holding[^1];
        var (left, vessels) = (volume, 0);
        foreach (var (item, each) in holding.AsEnumerable().Reverse())
        {
            for (var one = 0; one < item.Count && left > 0; one++)
            {
                (left, vessels) = (left - each, vessels + 1);
            }
        }

        var inRounds = (int)Math.Ceiling(volume / holding.Sum(one => one.Holds * one.Item.Count));
        var cure =
            inRounds > 1 ? $"{Number(inRounds)} rounds"
            : holding.Count == 1 || holding.TakeLast(vessels).All(one => one.Item.Kind == largest.Kind)
                ? $"{Number(vessels)} {Plural(largest.Kind)}"
            : $"{Number(vessels)} vessels";
        return new(task.Id, VesselVerdict.TooLarge, $"{cure}: {Compared(largest, holds, volume)}") { Rounds = inRounds };
    }

    private static string Compared(KitchenItem item, decimal holds, decimal volume) =>
        IsFlat(item)
            ? $"one layer on {item.Name} is about {Litres(holds)} kg, this is about {Litres(volume)} kg"
            : $"{item.Name} takes {Litres(holds)} l, this is about {Litres(volume)} l";

    /// <summary>What it takes up to its line, ml; of a flat one what lies in one layer; null where its size is not known.</summary>
    internal static decimal? Holds(KitchenItem item, bool foams) =>
        item switch
        {
            { CapacityMl: { } capacity } => capacity
                * (
                    item.Kind == "pressure-cooker" && foams
                        ? Math.Min(FoamingFill, item.FillShare ?? FoamingFill)
                        : item.FillShare ?? (item.Kind == "pressure-cooker" ? PressureFill : UsualFill)
                ),
            { WidthMm: { } width, LengthMm: { } length } when IsFlat(item) => Layer
                * (width / (decimal)MillimetresOfCentimetre)
                * (length / (decimal)MillimetresOfCentimetre),
            _ => null,
        };

    private static bool IsFlat(KitchenItem item) => item is { CapacityMl: null, Kind: "tray" or "air-fryer" };

    /// <summary>Kinds that a step may be done in, the likeliest first.</summary>
    internal static string[] KindsFor(PrepTask task, IReadOnlyList<StepTake> takes)
    {
        var said = Vessel().Match(task.Text) is { Success: true } match
            ? match.Groups.Values.Skip(1).FirstOrDefault(group => group.Success)?.Name
            : null;
        return task.Appliance switch
        {
            Appliance.PressureCooker => ["pressure-cooker"],
            Appliance.SlowCooker => ["slow-cooker"],
            Appliance.AirFryer => ["air-fryer"],
            Appliance.Blender => ["blender"],
            Appliance.Burner when said == "pan" => ["pan", "pot"],
            Appliance.Burner => ["pot", "pan"],
            Appliance.Oven when said is "mould" or "tray" or "bowl" => [said == "bowl" ? "mould" : said],
            Appliance.Oven when said is "pot" or "pan" || IsWet(takes) => ["pot", "pan", "mould"],
            Appliance.Oven => ["tray"],
            _ => said == "bowl" ? ["bowl"] : [],
        };
    }

    /// <summary>A tray takes no broth.</summary>
    private static bool IsWet(IReadOnlyList<StepTake> takes) =>
        takes
            .SelectMany(take => take.Line.Ingredients)
            .Any(line =>
                line.Food is { } food
                && (BatchVolume.IsLiquid(food) || (line.Read.Unit?.Name == "tin" && !IsDrained(line)))
                && line.GramsIn.Best >= Wet
            );

    private static bool IsDrained(RecipeLine line) => line.Read.Text.Contains("drained", StringComparison.OrdinalIgnoreCase);

    /// <summary>What stands in the vessel: what the step takes, and what the steps took that it goes on with.</summary>
    internal static IReadOnlyList<StepTake> InIt(CookedStep step, IReadOnlyList<CookedStep> steps)
    {
        if (step.Task.Appliance == Appliance.None && step.Takes.Count == 0)
        {
            return [];
        }

        var own = step.Takes.ToList();
        var seen = own.Select(take => take.Line.Typed.Id).ToHashSet();
        // "Simmer for 20 minutes" names nothing: it goes on with all that came before.
        if (own.All(take => take.Times == 0) || Adds().IsMatch(step.Task.Text))
        {
            var open = new Stack<string>(step.Task.After);
            var asked = new HashSet<string>();
            while (open.TryPop(out var id))
            {
                if (asked.Add(id) && steps.FirstOrDefault(other => other.Task.Id == id) is { } before)
                {
                    own.AddRange(before.Takes.Where(take => seen.Add(take.Line.Typed.Id)));
                    foreach (var further in before.Task.After)
                    {
                        open.Push(further);
                    }
                }
            }
        }

        return own;
    }

    private static string Plural(string kind) => kind.Replace('-', ' ') is var words && words.EndsWith('h') ? $"{words}es" : $"{words}s";

    private static string Number(int many) => many is >= 2 and <= 9 ? Words[many - 2] : many.ToString(CultureInfo.InvariantCulture);

    private static readonly string[] Words = ["two", "three", "four", "five", "six", "seven", "eight", "nine"];

    private static string Litres(decimal millilitres) => (millilitres / MillilitresOfLitre).ToString("0.#", CultureInfo.InvariantCulture);

    [GeneratedRegex(
        @"\b(?<tray>trays?|sheets?)\b|\b(?<mould>moulds?|cups|tins?|muffins?|dish|casserole)\b|\b(?<bowl>bowls?)\b|\b(?<pot>pots?|saucepans?|braise|stew|lid)\b|\b(?<pan>pans?|skillets?|woks?|fry|sear|brown|soften)\b",
        RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture
    )]
    private static partial Regex Vessel();

    [GeneratedRegex(@"\b(fry|sear|brown|toast|soften|sweat|wilt)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Fries();

    /// <summary>Words of a step that goes on in the vessel of the one before.</summary>
    [GeneratedRegex(@"\b(add|stir in|pour|cover|simmer|everything|together|all|on top|fold|lay|scatter|return)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Adds();
}

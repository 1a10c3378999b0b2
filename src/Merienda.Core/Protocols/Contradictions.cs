using Merienda.Core.Foods;

namespace Merienda.Core.Protocols;

/// <summary>Two rules that no day can keep at once.</summary>
public sealed record Contradiction(Rule One, Rule Other, string Reason);

/// <summary>Finds rules that can never hold together, whatever is eaten.</summary>
public static class Contradictions
{
    public static IEnumerable<Contradiction> Among(IReadOnlyList<Rule> rules)
    {
        var bounded = rules.OfType<BoundedRule>().ToList();
        return SameSubject(bounded).Concat(MacrosOverEnergy(bounded)).Concat(SharesOverWhole(bounded)).Concat(CountedButExcluded(rules));
    }

    /// <summary>A floor of one rule above the ceiling of another about the same thing.</summary>
    private static IEnumerable<Contradiction> SameSubject(List<BoundedRule> rules) =>
        from one in rules
        from other in rules
        where one != other && one.Kind == other.Kind && one.Subject == other.Subject && one.AtLeast > other.AtMost
        select new Contradiction(
            one,
            other,
            $"at least {one.Scale.ShowWithUnit(one.AtLeast!.Value)} and at most {one.Scale.ShowWithUnit(other.AtMost!.Value)} cannot both hold"
        );

    /// <summary>
    /// Floors of protein, fat and carbohydrate bring energy by their factors (Regulation 1169/2011 Annex XIV [M]); together they may not
    /// pass the ceiling.
    /// </summary>
    private static IEnumerable<Contradiction> MacrosOverEnergy(List<BoundedRule> rules)
    {
        var limits = rules.OfType<LimitRule>().ToList();
        foreach (var ceiling in limits.Where(limit => limit is { Measure: Measure.Energy, AtMost: not null }))
        {
            var floors = limits
                .Where(limit => limit.Per == ceiling.Per && limit.AtLeast > 0 && KilocaloriesPerGram(limit.Measure) > 0)
                .DistinctBy(limit => limit.Measure)
                .ToList();
            var needed = floors.Sum(floor => floor.AtLeast!.Value * KilocaloriesPerGram(floor.Measure));
            if (needed > ceiling.AtMost)
            {
                yield return new(
                    floors[0],
                    ceiling,
                    $"{string.Join(" and ", floors.Select(floor => $"{floor.Scale.ShowWithUnit(floor.AtLeast!.Value)} {floor.Title.ToLowerInvariant()}"))} bring {needed:#,0} kcal by themselves, over {ceiling.AtMost:#,0} kcal"
                );
            }
        }
    }

    /// <summary>Floors of shares that make more than the whole energy, or ceilings that leave some of it to nothing.</summary>
    private static IEnumerable<Contradiction> SharesOverWhole(List<BoundedRule> rules)
    {
        foreach (
            var same in rules
                .OfType<EnergyShareRule>()
                .Where(share => share.Measure is Measure.Protein or Measure.Fat or Measure.AvailableCarbohydrate or Measure.Alcohol)
                .GroupBy(share => share.Per)
        )
        {
            var floors = same.Where(share => share.AtLeast > 0).DistinctBy(share => share.Measure).ToList();
            if (floors.Count > 1 && floors.Sum(share => share.AtLeast) > 100)
            {
                yield return new(
                    floors[0],
                    floors[1],
                    $"the shares ask for {floors.Sum(share => share.AtLeast):0.#} % of the energy together"
                );
            }
        }
    }

    /// <summary>Meals of a class are asked for and the class is left out.</summary>
    private static IEnumerable<Contradiction> CountedButExcluded(IReadOnlyList<Rule> rules) =>
        from count in rules.OfType<CountRule>()
        where count.AtLeast > 0
        from exclusion in rules.OfType<ExclusionRule>()
        where exclusion.Except.Count == 0 && count.Classes.All(exclusion.Excludes.Contains)
        select new Contradiction(
            count,
            exclusion,
            $"{count.Name.ToLowerInvariant()} is asked for at least {count.AtLeast:0} times and left out"
        );

    private static decimal KilocaloriesPerGram(Measure measure) =>
        measure switch
        {
            Measure.Protein => EnergyFactors.Protein,
            Measure.Fat => EnergyFactors.Fat,
            Measure.AvailableCarbohydrate => EnergyFactors.Carbohydrate,
            Measure.Alcohol => EnergyFactors.Alcohol,
            _ => 0,
        };
}

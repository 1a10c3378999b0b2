using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;

namespace Merienda.Core.Groups;

/// <summary>Members who share the same of themselves, as one eater.</summary>
/// <param name="Protocols">Ids of what they follow.</param>
public sealed record Strand(Eater Eater, IReadOnlyList<string> Protocols, int Members);

/// <param name="Members">For how many it is so.</param>
public sealed record CheckReason(Verdict Verdict, string Because, int Members);

/// <summary>A number of members as the desk may read it.</summary>
/// <param name="Members">Null where it is not said.</param>
/// <param name="IsRest">It is all but a few; else what is not said is a few.</param>
public sealed record SaidCount(Verdict Verdict, int? Members, bool IsRest);

/// <summary>What a dish is for those members who share what they follow.</summary>
/// <param name="Members">How many for each verdict; one that nobody has is not there.</param>
/// <param name="Reasons">Why it does not fit, the gravest first, then what concerns most.</param>
public sealed record DishCheck(IReadOnlyDictionary<Verdict, int> Members, IReadOnlyList<CheckReason> Reasons)
{
    /// <summary>So few might be recognised: their number is not said.</summary>
    private const int Few = 5;

    /// <summary>Judges a dish as each table at home does. A limit whose number is each member's own is not judged: it is not shared.</summary>
    /// <param name="recipe">As the dish is written.</param>
    public static DishCheck Of(MenuDish dish, RecipeVersion recipe, IReadOnlyList<Strand> strands)
    {
        var (members, reasons) = (new Dictionary<Verdict, int>(), new Dictionary<(Verdict, string), int>());
        // Members with the same portion of the same dish hear the same of the same rule: it is asked once.
        var made = strands
            .Select(strand => strand.Protocols)
            .DistinctBy(Followed)
            .ToDictionary(Followed, protocols => dish.For(protocols, recipe), StringComparer.Ordinal);
        foreach (
            var same in strands.GroupBy(strand =>
                (made[Followed(strand.Protocols)], strand.Eater.PortionHabit, Share: strand.Eater.ShareOf(dish.Slot))
            )
        )
        {
            var (served, habit, share) = same.Key;
            var (portion, known) = (
                Intake.Of(new Helping(served.Name, served.Profile, habit)),
                new Dictionary<(Rule, RuleContext), Finding>()
            );
            foreach (var (eater, _, many) in same)
            {
                var findings = eater
                    .Rules.CheckPortion(portion, share, eater.Rhythm.Meal(dish.Slot)?.Role, known)
                    .Where(finding => !finding.NeedsAllowance)
                    .ToList();
                var verdict = findings.Select(finding => finding.Verdict).RollUp();
                members[verdict] = members.GetValueOrDefault(verdict) + many;
                foreach (var finding in findings.Where(finding => verdict != Verdict.Fits && finding.Verdict == verdict))
                {
                    reasons[(verdict, finding.Because)] = reasons.GetValueOrDefault((verdict, finding.Because)) + many;
                }
            }
        }

        return new(
            members,
            [
                .. reasons
                    .Select(reason => new CheckReason(reason.Key.Item1, reason.Key.Item2, reason.Value))
                    .OrderByDescending(reason => reason.Verdict)
                    .ThenByDescending(reason => reason.Members)
                    .ThenBy(reason => reason.Because, StringComparer.Ordinal),
            ]
        );
    }

    private static string Followed(IReadOnlyList<string> protocols) => string.Join(' ', protocols);

    /// <summary>A number of members as the desk may read it; null for a few, which is all that is said of them.</summary>
    public static int? Said(int members) => members is > 0 and < Few ? null : members;

    /// <summary>The same of each verdict: where one is a few the largest is not said either, or the few were what it leaves of all.</summary>
    public IReadOnlyList<SaidCount> SaidMembers()
    {
        var most = Members.OrderByDescending(one => one.Value).Select(one => (Verdict?)one.Key).FirstOrDefault();
        var hasFew = Members.Values.Any(many => many < Few);
        return
        [
            .. Members
                .OrderBy(one => one.Key)
                .Select(one =>
                    hasFew && one.Key == most && one.Value >= Few
                        ? new SaidCount(one.Key, null, true)
                        : new SaidCount(one.Key, Said(one.Value), false)
                ),
        ];
    }
}

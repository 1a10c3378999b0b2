using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

/// <summary>Every edit of the people at a table: the eater as it is then, or why not.</summary>
public static class TableEdits
{
    public const int MostEaters = 6,
        MostDislikes = 100;

    /// <summary>More rulers under a day than these nobody reads in one sweep.</summary>
    public const int MostPins = 3;

    public const decimal SmallestHabit = 0.25m,
        LargestHabit = 4;

    /// <param name="isGuest">Gets portions and has no rules; guests are counted by themselves.</param>
    public static Result<EaterSettings> Seat(this Table table, string name, Guid id, bool isGuest = false)
    {
        if (WrongName(table, name, null) is { } refusal)
        {
            return refusal;
        }

        return table.Eaters.Count(eater => eater.IsGuest == isGuest) >= MostEaters
                ? new Refusal(
                    "too-many-eaters",
                    "name",
                    name,
                    $"a table has at most {MostEaters} {(isGuest ? "guests" : "eaters")}",
                    "Open a second household for the others"
                )
            : isGuest ? EaterSettings.Guest(id, name.Trim(), table.Household.Rhythm)
            : EaterSettings.Named(id, name.Trim(), table.Household.Rhythm);
    }

    public static Result<EaterSettings> Rename(this Table table, EaterSettings eater, string name) =>
        WrongName(table, name, eater.Id) is { } refusal ? refusal : eater with { Name = name.Trim() };

    public static Result<EaterSettings> ChooseProtocols(this Table table, EaterSettings eater, IReadOnlyList<string> protocols) =>
        eater.IsGuest && protocols.Count > 0
            ? new Refusal(
                "guest-has-no-rules",
                "protocols",
                eater.Name,
                $"{eater.Name} is a guest",
                "Add them as an eater to judge their days"
            )
        : protocols.FirstOrDefault(id => table.Latest(id) is null) is { } unknown
            ? new Refusal("unknown-protocol", "protocols", unknown, "there is no such protocol", "Choose from the list")
        : eater with { Protocols = [.. protocols.Distinct()] };

    /// <summary>Says what the days of an eater are shown with.</summary>
    /// <param name="measures">Keys, in their order; none for the tightest limit.</param>
    public static Result<EaterSettings> Pin(this EaterSettings eater, IReadOnlyList<string> measures) =>
        measures.FirstOrDefault(key => MeasureInfo.WithKey(key) is null) is { } unknown
            ? new Refusal("unknown-measure", "measures", unknown, "there is no such measure", "Choose from the list")
        : measures.Distinct().Count() > MostPins
            ? new Refusal(
                "too-many-pins",
                "measures",
                string.Join(", ", measures),
                $"a day shows at most {MostPins}",
                "Take one of them off first"
            )
        : eater with { Pinned = [.. measures.Select(key => MeasureInfo.WithKey(key)!.Measure).Distinct()] };

    public static Result<EaterSettings> Choose(this Table table, EaterSettings eater, EaterChoice chosen) =>
        table
            .Latest(chosen.ProtocolId)
            ?.Protocol.Choices.FirstOrDefault(choice => choice.Id == chosen.ChoiceId)
            ?.Options.Any(option => option.Id == chosen.OptionId) != true
            ? new Refusal("unknown-option", "option", chosen.OptionId, "the protocol offers no such option", "Load the page again")
            : eater with
            {
                Choices =
                [
                    .. eater.Choices.Where(item => (item.ProtocolId, item.ChoiceId) != (chosen.ProtocolId, chosen.ChoiceId)),
                    chosen,
                ],
            };

    /// <summary>How the day is split over the meals, and which of them come from the prep.</summary>
    public static Result<EaterSettings> SplitDay(this Table table, EaterSettings eater, IReadOnlyList<EaterMeal> meals)
    {
        var rhythm = table.Household.Rhythm;
        return meals switch
        {
            _ when !meals.Select(meal => meal.Meal).Order().SequenceEqual(rhythm.Meals.Select(meal => meal.Key).Order()) => new Refusal(
                "meals-incomplete",
                "meals",
                $"{meals.Count}",
                "each meal stands once",
                $"Give {string.Join(", ", rhythm.Meals.Select(meal => meal.Key))}"
            ),
            _ when meals.FirstOrDefault(meal => meal.Pattern.Count != WeekPlan.Days) is { } partial => new Refusal(
                "pattern-incomplete",
                "meals",
                $"{partial.Pattern.Count} days",
                $"{rhythm.NameOf(partial.Meal)} has a source for each of the {WeekPlan.Days} days of the week",
                "Say for each day: prep, fresh, out or nothing"
            ),
            _ when meals.Any(meal => meal.DayShare is < 0 or > 1) || meals.Sum(meal => meal.DayShare) != 1 => new Refusal(
                "shares-not-whole",
                "meals",
                $"{meals.Sum(meal => Math.Clamp(meal.DayShare, -1000, 1000)):0 %}",
                "the meals' shares do not make the whole day",
                "Change them until they add up to 100 %"
            ),
            _ => eater with { Meals = [.. meals.OrderBy(meal => rhythm.Meal(meal.Meal)!.Position)] },
        };
    }

    /// <summary>What an eater cannot or will not have, and how much they usually take.</summary>
    /// <param name="said">An eater with these settings changed; everything else of it is ignored.</param>
    public static Result<EaterSettings> StatePersonal(this Table table, EaterSettings eater, EaterSettings said)
    {
        var (classes, knowsFood) = (table.Knowledge.Classes, table.Knowledge.KnowsFood);
        return said switch
        {
            _ when said.Allergies.FirstOrDefault(key => !classes.Knows(key)) is { } unknown => new Refusal(
                "unknown-class",
                "allergies",
                unknown,
                "there is no such food class",
                "Choose from the list"
            ),
            _ when said.Dislikes.FirstOrDefault(key => !classes.Knows(key) && !knowsFood(key)) is { } unknown => new Refusal(
                "unknown-food",
                "dislikes",
                unknown,
                "there is no such food or class",
                "Choose from the list"
            ),
            { Dislikes.Count: > MostDislikes } => new Refusal(
                "too-many-dislikes",
                "dislikes",
                $"{said.Dislikes.Count}",
                $"at most {MostDislikes} dislikes are kept",
                "Name a class instead of its foods"
            ),
            { PortionHabit: < SmallestHabit or > LargestHabit } => HabitRefused(said.PortionHabit),
            _ when said.PortionHabit % Batch.SmallestSize != 0 => HabitRefused(said.PortionHabit),
            _ => eater with
            {
                Allergies = [.. said.Allergies.Select(classes.AllergyTo).Distinct()],
                Dislikes = [.. said.Dislikes.Distinct()],
                PortionHabit = said.PortionHabit,
                CountsTraces = said.CountsTraces,
                TrustsRefinedSoybeanOil = said.TrustsRefinedSoybeanOil,
            },
        };
    }

    /// <summary>An adult accepts a food, or a line's words, for somebody with an allergy.</summary>
    public static Result<EaterSettings> Accept(this EaterSettings eater, StatedAcceptance said, bool isAdult)
    {
        var (what, reason) = (said.What.Trim(), said.Reason.Trim());
        return !isAdult
                ? new Refusal(
                    "adult-only",
                    "isAdult",
                    "no",
                    "only an adult accepts a food for somebody with an allergy",
                    "Let an adult read the packet and tick the box"
                )
            : what.Length is 0 or > 300 || reason.Length is 0 or > 200
                ? new Refusal(
                    "acceptance-incomplete",
                    what.Length is 0 or > 300 ? "what" : "reason",
                    what.Length is 0 or > 300 ? what : reason,
                    "an acceptance names the food (up to 300 characters) and the reason (up to 200)",
                    "Say in a few words why it is safe, for example what the packet says"
                )
            : eater with { Accepted = [.. eater.Accepted.Where(item => item.What != what), said with { What = what, Reason = reason }] };
    }

    public static EaterSettings Withdraw(this EaterSettings eater, string what) =>
        eater with
        {
            Accepted = [.. eater.Accepted.Where(item => item.What != what)],
        };

    /// <summary>Approves or rejects a packet; nothing relaxes what the packet itself names.</summary>
    public static Result<PacketOpinion> Decide(
        this EaterSettings eater,
        Food packet,
        bool isApproved,
        string reason,
        bool isAdult,
        DateOnly today
    ) =>
        reason.Trim().Length is 0 or > 200
            ? new Refusal(
                "reason-length",
                "reason",
                reason,
                "a decision has a reason of 1 to 200 characters",
                "Say in a few words why, so that it can be understood later"
            )
        : isApproved && eater.Allergies.Any(packet.Contains)
            ? new Refusal(
                "packet-names-it",
                "eater",
                eater.Name,
                $"{eater.Name} is allergic, and the packet itself names it",
                "Nothing relaxes that; choose another packet"
            )
        : isApproved && eater.Allergies.Count > 0 && !isAdult
            ? new Refusal(
                "adult-needed",
                "isAdult",
                eater.Name,
                $"{eater.Name} is allergic, so an adult has to accept this packet by name",
                "Tick that you are an adult and accept it"
            )
        : new PacketOpinion(packet.Key, isApproved, reason.Trim(), today, isApproved ? PacketOpinion.StatementOf(packet) : "");

    private static Refusal HabitRefused(decimal habit) =>
        new(
            "portion-out-of-range",
            "portionHabit",
            $"{habit:0.####}",
            $"a usual portion is {SmallestHabit} to {LargestHabit} portions in steps of {Batch.SmallestSize}",
            "Type for example 1 or 1.5"
        );

    private static Refusal? WrongName(Table table, string name, Guid? self) =>
        name.Trim() switch
        {
            { Length: 0 or > 40 } => new("name-length", "name", name, "a name has 1 to 40 characters", "Type a short name"),
            var trimmed when table.Diners.Any(one => one.Id != self && one.Name.Equals(trimmed, StringComparison.OrdinalIgnoreCase)) => new(
                "name-taken",
                "name",
                name,
                "somebody at the table is called so",
                "Add an initial"
            ),
            _ => null,
        };
}

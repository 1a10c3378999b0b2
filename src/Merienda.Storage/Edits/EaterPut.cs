using Merienda.Core.Foods;
using Merienda.Core.Planning;

namespace Merienda.Storage.Edits;

/// <summary>An eater as rows of many tables.</summary>
internal static class EaterPut
{
    /// <param name="position">Seat at the table; the rows of an eater do not say it, so it goes along.</param>
    public static Change Put(this Change change, EaterSettings? before, EaterSettings? after, int position)
    {
        var (old, now) = (Seats(before), Seats(after));
        change.Put(Tables.Eater, old.Select(eater => RowOf(eater, position)), now.Select(eater => RowOf(eater, position)));
        Each(
            Tables.EaterMeal,
            eater => eater.Meals.Select(meal => new EaterMealRow(eater.Id, meal.Meal, meal.DayShare, Letters(meal.Pattern)))
        );
        Each(Tables.EaterProtocol, eater => eater.Protocols.Select(protocol => new EaterProtocolRow(eater.Id, protocol)));
        Each(
            Tables.Allowance,
            eater =>
                eater.Allowances.Select(item => new AllowanceRow(
                    eater.Id,
                    item.ProtocolId,
                    item.RuleId,
                    item.AtLeast,
                    item.AtMost,
                    item.From
                ))
        );
        Each(
            Tables.EaterChoice,
            eater => eater.Choices.Select(item => new EaterChoiceRow(eater.Id, item.ProtocolId, item.ChoiceId, item.OptionId))
        );
        Each(Tables.EaterAllergy, eater => eater.Allergies.Select(key => new EaterAllergyRow(eater.Id, key)));
        Each(
            Tables.EaterAcceptance,
            eater =>
                eater.Accepted.Select(item => new EaterAcceptanceRow(eater.Id, item.What, item.Reason, item.AcceptedBy, item.AcceptedAt))
        );
        Each(Tables.EaterDislike, eater => eater.Dislikes.Select(what => new EaterDislikeRow(eater.Id, what)));
        Each(Tables.EaterDish, eater => eater.DislikedDishes.Select(one => new EaterDishRow(eater.Id, one.Recipe, one.Part)));
        Each(Tables.EaterPin, eater => eater.Pinned.Select((measure, at) => new EaterPinRow(eater.Id, at, MeasureInfo.Of(measure).Key)));
        Each(Tables.EaterVariant, eater => eater.UsualVariants.Select(one => new EaterVariantRow(eater.Id, one.Recipe, one.Variant)));
        Each(
            Tables.EaterPhase,
            eater => eater.Phases.Select(phase => new EaterPhaseRow(eater.Id, phase.ProtocolId, phase.StartsOn, phase.RestrictionEndsOn))
        );
        Each(
            Tables.EaterChallenge,
            eater =>
                eater.Phases.SelectMany(phase =>
                    phase.Challenges.Select(
                        (item, at) => new EaterChallengeRow(eater.Id, phase.ProtocolId, item.ChallengeId, at, item.Outcome.ToString())
                    )
                )
        );
        return change;

        void Each<TRow>(TenantTable<TRow> table, Func<EaterSettings, IEnumerable<TRow>> rows) =>
            change.Put(table, old.SelectMany(rows), now.SelectMany(rows));
    }

    public static IReadOnlyList<MealSource> Sources(string letters) => [.. letters.Select(letter => (MealSource)"PFON".IndexOf(letter))];

    private static string Letters(IEnumerable<MealSource> pattern) => string.Concat(pattern.Select(source => "PFON"[(int)source]));

    private static EaterSettings[] Seats(EaterSettings? eater) => eater is null ? [] : [eater];

    private static EaterRow RowOf(EaterSettings eater, int position) =>
        new(eater.Id, eater.Name, position, eater.PortionHabit, eater.CountsTraces, eater.TrustsRefinedSoybeanOil, eater.IsGuest);
}

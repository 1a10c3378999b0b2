using CsCheck;
using Merienda.Core.Keeping;

namespace Merienda.Core.Tests.Keeping;

public class KeepingPropertiesTests
{
    private static readonly Gen<(KeepingClass Kind, DateOnly Cooked, DateOnly Eaten, bool IsFrozen)> AnyPlan = Gen.Select(
        Gen.Int[0, KeepingClass.All.Count - 1],
        Gen.Int[0, 2000],
        Gen.Int[0, 20],
        Gen.Bool,
        (kind, cooked, after, isFrozen) =>
            (KeepingClass.All[kind], new DateOnly(2026, 1, 1).AddDays(cooked), new DateOnly(2026, 1, 1).AddDays(cooked + after), isFrozen)
    );

    [Fact]
    public void Whatever_is_not_past_its_time_is_eaten_by_its_date() =>
        AnyPlan.Sample(plan =>
        {
            var kept = KeepingPlan.For(plan.Kind, plan.Cooked, plan.Eaten, plan.IsFrozen);
            return kept.KeptIn == KeptIn.PastItsTime ? plan.Eaten > kept.EatBy : plan.Eaten <= kept.EatBy;
        });

    [Fact]
    public void Only_what_freezes_is_frozen_and_thawed_after_it_was_cooked() =>
        AnyPlan.Sample(plan =>
        {
            var kept = KeepingPlan.For(plan.Kind, plan.Cooked, plan.Eaten, plan.IsFrozen);
            return (kept.KeptIn == KeptIn.Freezer) == (kept.Thaw is not null)
                && (kept.KeptIn != KeptIn.Freezer || (plan.Kind.Freezes && kept.Thaw >= plan.Cooked));
        });

    [Fact]
    public void Nothing_waits_longer_in_the_fridge_than_its_chart_says() =>
        AnyPlan.Sample(plan =>
        {
            var kept = KeepingPlan.For(plan.Kind, plan.Cooked, plan.Eaten, plan.IsFrozen);
            var since = kept.Thaw ?? plan.Cooked;
            return plan.Eaten > kept.EatBy
                || kept.EatBy.DayNumber - since.DayNumber
                    <= Math.Min(plan.Kind.FridgeDays, kept.Thaw is null ? int.MaxValue : FridgeClock.ThawedDays);
        });

    [Fact]
    public void Every_class_says_its_source_with_a_mark() =>
        Assert.All(KeepingClass.All, kind => Assert.Matches(@"\[(M|C)\]", kind.Source));
}

namespace Merienda.Core.Protocols;

/// <summary>
/// Every kind of rule that a protocol can hold. A new kind is one file, its tests and one line here (docs/adding-a-rule.md).
/// </summary>
public static class RuleKinds
{
    public static readonly IReadOnlyList<RuleKind> All =
    [
        LimitRule.Described,
        EnergyShareRule.Described,
        GramRatioRule.Described,
        ExclusionRule.Described,
        DoseRule.Described,
        FodmapRule.Described,
        MealSizeRule.Described,
        MealSlotRule.Described,
        CountRule.Described,
        RepetitionRule.Described,
        DifferentFoodsRule.Described,
        PairingRule.Described,
        PointsBudgetRule.Described,
    ];

    public static RuleKind? WithKey(string key) => All.FirstOrDefault(kind => kind.Key == key);
}

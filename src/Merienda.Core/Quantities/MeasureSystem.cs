namespace Merienda.Core.Quantities;

/// <summary>Whose cup and spoon a recipe means.</summary>
public enum MeasureSystem
{
    Metric,
    UnitedStates,
    Imperial,
    Australia,
}

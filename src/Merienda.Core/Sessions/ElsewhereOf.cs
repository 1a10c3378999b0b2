using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>A step of the oven in an air fryer, and the other way: 20 °C less and four fifths of the time there [C].</summary>
public static class ElsewhereOf
{
    private const int Cooler = 20;
    private const decimal Shorter = 0.8m;

    /// <summary>What would be as good elsewhere, about; null for a step of which nothing is known.</summary>
    public static OtherPlace? Task(PrepTask task) =>
        task switch
        {
            { Instead: { } said } => said,
            { Appliance: Appliance.Oven, TemperatureC: { } heat, Unattended: > 0 } => new(
                Appliance.AirFryer,
                Minutes(task.Unattended * Shorter),
                heat - Cooler
            ),
            { Appliance: Appliance.AirFryer, TemperatureC: { } heat, Unattended: > 0 } => new(
                Appliance.Oven,
                Minutes(task.Unattended / Shorter),
                heat + Cooler
            ),
            _ => null,
        };

    private static int Minutes(decimal minutes) => Math.Max(1, (int)Math.Round(minutes, MidpointRounding.AwayFromZero));
}

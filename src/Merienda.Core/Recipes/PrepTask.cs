namespace Merienda.Core.Recipes;

/// <summary>Where a task happens besides the cook's hands.</summary>
public enum Appliance
{
    None,
    Oven,
    Burner,
    PressureCooker,
    SlowCooker,
    AirFryer,
    Microwave,
    Blender,
    Fridge,
}

/// <summary>
/// One step of a recipe. Hands-on and unattended minutes are two numbers: an eight-hour pot costs ten minutes (domain.md section 9).
/// </summary>
/// <param name="Id">Unique within its recipe.</param>
/// <param name="HandsOn">Minutes that the cook is busy, at the start of the task.</param>
/// <param name="Unattended">Minutes that it then goes on by itself.</param>
/// <param name="TemperatureC">Degrees Celsius of the oven or air fryer, or null.</param>
/// <param name="After">Ids of the recipe's tasks that must be over before it starts.</param>
public sealed record PrepTask(
    string Id,
    string Text,
    int HandsOn,
    int Unattended,
    Appliance Appliance,
    int? TemperatureC,
    IReadOnlyList<string> After
)
{
    public const int MostRoundPieces = 1_000;

    /// <summary>Ids of the lines that it takes, as a person said; null where its words say it.</summary>
    public IReadOnlyList<Guid>? Lines { get; init; }

    /// <summary>Minutes that what it makes may wait for the next step; null for as long as it takes.</summary>
    public int? WaitsAtMost { get; init; }

    /// <summary>Pieces that fit in at once: nine in an air fryer; null when all of them do.</summary>
    public decimal? RoundPieces { get; init; }

    /// <summary>The step as it takes so many minutes from its start to its end: what goes on by itself gives way first.</summary>
    public PrepTask Taking(int minutes) =>
        Unattended == 0 || minutes <= HandsOn
            ? this with
            {
                HandsOn = minutes,
                Unattended = 0,
            }
            : this with
            {
                Unattended = minutes - HandsOn,
            };
}

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

    /// <summary>The sink, with an ice bath in it or under running water.</summary>
    Sink,

    /// <summary>Where hot food stands until it is cold enough for a lid or the fridge.</summary>
    Cooling,
}

public static class ApplianceWords
{
    /// <summary>"pressure cooker".</summary>
    public static string InWords(this Appliance appliance) =>
        appliance switch
        {
            Appliance.PressureCooker => "pressure cooker",
            Appliance.SlowCooker => "slow cooker",
            Appliance.AirFryer => "air fryer",
            Appliance.Cooling => "cooling space",
            _ => appliance.ToString().ToLowerInvariant(),
        };
}

/// <summary>Another place for a step, as the recipe says: "or 25 minutes in the air fryer at 180 °C".</summary>
/// <param name="Unattended">Minutes that it goes on by itself there.</param>
/// <param name="TemperatureC">Degrees Celsius there, or null.</param>
public sealed record OtherPlace(Appliance Appliance, int Unattended, int? TemperatureC);

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

    /// <summary>Where it may be done as well; null when the recipe names one place.</summary>
    public OtherPlace? Instead { get; init; }

    /// <summary>The step as it takes so many minutes from its start to its end: what goes on by itself gives way first.</summary>
    /// <remarks>Of where it is written to be done: what somebody measured says nothing of the other place.</remarks>
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

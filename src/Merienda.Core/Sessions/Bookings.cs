using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>An appliance held from one minute to another.</summary>
/// <param name="Unit">Which oven; 0 for everything else.</param>
/// <param name="Heat">What the oven is set to, °C; null where the step says nothing.</param>
internal sealed record Booking(Appliance Appliance, int Unit, int From, int To, int? Heat)
{
    public bool Meets(int from, int to) => From < to && from < To;
}

/// <summary>What is held of a kitchen's appliances so far.</summary>
internal sealed class Bookings(SessionKitchen kitchen)
{
    /// <summary>Dishes whose temperatures are so near, °C, share an oven (domain.md section 9) [C].</summary>
    public const int SharedWithin = 15;

    private readonly List<Booking> _held = [];

    /// <summary>Minutes that a dish takes in an oven that is hotter or cooler than its own temperature: one in a hundred for a degree [C].</summary>
    public static int Alone(PrepTask task, int? heat) =>
        task.TemperatureC is not { } own || heat is not { } set || task.Appliance != Appliance.Oven
            ? task.Unattended
            : Math.Max(
                task.Unattended == 0 ? 0 : 1,
                (int)Math.Round(task.Unattended * (100m + own - set) / 100, MidpointRounding.AwayFromZero)
            );

    /// <summary>From when a task holds its appliance: what bakes or fries when it goes in, everything else when somebody begins.</summary>
    private static int From(PrepTask task, int start) =>
        task.Appliance is Appliance.Oven or Appliance.AirFryer ? start + task.HandsOn : start;

    /// <summary>Where a task may go that somebody begins at a minute; null where there is no place for it then.</summary>
    public Booking? Find(PrepTask task, int start)
    {
        var from = From(task, start);
        if (task.Appliance != Appliance.Oven)
        {
            var booking = new Booking(task.Appliance, 0, from, start + task.HandsOn + task.Unattended, null);
            return kitchen.PlacesOf(task.Appliance) is not { } places || MostAtOnce(booking) < places ? booking : null;
        }

        return Enumerable
            .Range(0, kitchen.Ovens.Count)
            .SelectMany(
                oven => HeatsOf(task, oven, from),
                (oven, heat) => new Booking(task.Appliance, oven, from, from + Alone(task, heat), heat)
            )
            .Where(booking =>
                MostAtOnce(booking) < kitchen.Ovens[booking.Unit]
                && Others(booking).All(other => other.Heat is null || booking.Heat is null || other.Heat == booking.Heat)
            )
            .MinBy(booking => booking.To);
    }

    public void Take(Booking booking) => _held.Add(booking);

    /// <summary>When somebody would begin so that a task goes in just as its appliance is given back.</summary>
    public IEnumerable<int> BeginsFor(PrepTask task) =>
        _held.Where(held => held.Appliance == task.Appliance).Select(held => held.To - From(task, 0));

    /// <summary>Its own temperature, and what an oven is set to already where that is near enough.</summary>
    private IEnumerable<int?> HeatsOf(PrepTask task, int oven, int from) =>
        _held
            .Where(held => held.Appliance == Appliance.Oven && held.Unit == oven && held.To > from && held.Heat is not null)
            .Select(held => held.Heat)
            .Where(heat => task.TemperatureC is not { } own || Math.Abs(own - heat!.Value) <= SharedWithin)
            .Prepend(task.TemperatureC)
            .Distinct();

    private IEnumerable<Booking> Others(Booking booking) =>
        _held.Where(held => held.Appliance == booking.Appliance && held.Unit == booking.Unit && held.Meets(booking.From, booking.To));

    /// <summary>How many others hold it at once in that time.</summary>
    private int MostAtOnce(Booking booking)
    {
        var others = Others(booking).ToList();
        return others
            .Select(other => Math.Max(other.From, booking.From))
            .Select(minute => others.Count(other => other.From <= minute && minute < other.To))
            .DefaultIfEmpty(0)
            .Max();
    }
}

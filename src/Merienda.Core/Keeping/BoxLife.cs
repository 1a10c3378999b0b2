namespace Merienda.Core.Keeping;

public enum BoxEventKind
{
    Made,

    /// <summary>Into the fridge; of a frozen one its thaw begins.</summary>
    ToFridge,
    Frozen,
    Eaten,
    Given,
    Discarded,

    /// <summary>Gone before anybody said how.</summary>
    Gone,
}

/// <summary>Something that happened to a box. Events are only added; one is taken back by undoing the edit that said it.</summary>
/// <param name="Id">Given by the client, so that what is said twice happened once.</param>
/// <param name="On">Local date.</param>
/// <param name="Portions">What was eaten, given or thrown away, above zero; zero for the rest.</param>
/// <param name="Draw">The thing of a meal that was eaten; null outside the plan.</param>
public sealed record BoxEvent(Guid Id, BoxEventKind Kind, DateTimeOffset At, DateOnly On, decimal Portions, Guid? Draw, string Reason)
{
    /// <summary>Names of the parts that it took; null for all that are in the box.</summary>
    public IReadOnlyList<string>? Parts { get; init; }

    public bool Takes => Kind is BoxEventKind.Eaten or BoxEventKind.Given or BoxEventKind.Discarded or BoxEventKind.Gone;
}

public enum BoxPlace
{
    Fridge,
    Freezer,
    Gone,
}

/// <summary>Where a box is and what is left of it, folded from what happened to it; in whatever order that became known.</summary>
/// <param name="Left">Portions of the part of which most is left, at least zero.</param>
/// <param name="Made">Local date; its clock runs from it.</param>
/// <param name="FrozenOn">When its clock stopped; null when it never froze.</param>
/// <param name="ThawedOn">When its clock went on.</param>
/// <param name="GoneOn">When the last of it was taken.</param>
public sealed record BoxState(BoxPlace Place, decimal Left, DateOnly Made, DateOnly? FrozenOn, DateOnly? ThawedOn, DateOnly? GoneOn)
{
    /// <summary>Portions that are left of a part, at least zero.</summary>
    public static decimal LeftOf(string part, decimal portions, IEnumerable<BoxEvent> life) =>
        life.DistinctBy(said => said.Id)
            .Where(said => said.Takes && said.Parts?.Contains(part) != false)
            .Aggregate(portions, (left, said) => Math.Max(0, left - said.Portions));

    /// <param name="portions">What was filled in.</param>
    /// <param name="parts">Names of the parts in it.</param>
    /// <param name="cooked">Local date of the session, where nobody said when it was made.</param>
    public static BoxState Of(decimal portions, IReadOnlyList<string> parts, DateOnly cooked, IEnumerable<BoxEvent> life)
    {
        var left = parts.ToDictionary(part => part, _ => portions);
        return life.DistinctBy(said => said.Id)
            .OrderBy(said => said.At)
            .ThenBy(said => said.Kind)
            .ThenBy(said => said.Id)
            .Aggregate(
                new BoxState(BoxPlace.Fridge, portions, cooked, null, null, null),
                (state, said) =>
                {
                    foreach (var part in said.Takes ? said.Parts ?? parts : [])
                    {
                        left[part] = Math.Max(0, left.GetValueOrDefault(part) - said.Portions);
                    }

                    return state.After(said, left.Values.Max());
                }
            );
    }

    /// <summary>The last date to eat it from the fridge; null in the freezer, where only its quality goes.</summary>
    public DateOnly? EatBy(KeepingClass kind) =>
        Place == BoxPlace.Freezer ? null : FridgeClock.EatBy(kind.FridgeDays, Made, FrozenOn, ThawedOn);

    private BoxState After(BoxEvent said, decimal left)
    {
        var state = said.Kind switch
        {
            BoxEventKind.Made => this with { Made = said.On },
            BoxEventKind.ToFridge when Place == BoxPlace.Freezer => this with { Place = BoxPlace.Fridge, ThawedOn = ThawedOn ?? said.On },
            // What was thawed is never frozen again: where it is done all the same, its clock does not begin anew.
            BoxEventKind.Frozen when Place == BoxPlace.Fridge => this with { Place = BoxPlace.Freezer, FrozenOn = FrozenOn ?? said.On },
            _ => this with { Left = left },
        };
        return state.Left == 0 && Place != BoxPlace.Gone ? state with { Place = BoxPlace.Gone, GoneOn = said.On } : state;
    }
}

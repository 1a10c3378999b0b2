namespace Merienda.Web.Weeks.Solving;

/// <summary>Rings when there is something to solve, so that no worker waits for its next look.</summary>
public sealed class SolveBell
{
    public event Action? Rung;

    public void Ring() => Rung?.Invoke();
}

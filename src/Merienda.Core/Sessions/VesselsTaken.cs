namespace Merienda.Core.Sessions;

/// <summary>Which stay takes which vessel while an order is made minute by minute.</summary>
internal sealed class VesselsTaken(SessionQuestion question)
{
    private readonly int?[] _of = new int?[question.Stays.Count];

    /// <summary>What each stay takes; the likeliest where it has not begun.</summary>
    public IReadOnlyList<int> Of => [.. _of.Select((vessel, stay) => vessel ?? question.Stays[stay].Vessels[0])];

    /// <summary>Whether vessels are asked about; where two dishes wait for each other's they are not any more.</summary>
    public bool IsAsked { get; set; } = true;

    /// <param name="isOver">Whether a work has ended.</param>
    public bool MayBegin(int work, Func<int, bool> isOver) =>
        !IsAsked || StaysOf(work).All(stay => _of[stay] is not null || Free(stay, isOver) is not null);

    public void Begin(int work, Func<int, bool> isOver)
    {
        foreach (var stay in StaysOf(work))
        {
            _of[stay] ??= Free(stay, isOver) ?? question.Stays[stay].Vessels[0];
        }
    }

    private IEnumerable<int> StaysOf(int work) =>
        Enumerable.Range(0, question.Stays.Count).Where(stay => question.Stays[stay].Works.Contains(work));

    private int? Free(int stay, Func<int, bool> isOver) =>
        question
            .Stays[stay]
            .Vessels.Where(vessel =>
                Enumerable.Range(0, _of.Length).Count(other => _of[other] == vessel && !question.Stays[other].Works.All(isOver))
                < question.Vessels[vessel]
            )
            .Select(vessel => (int?)vessel)
            .FirstOrDefault();
}

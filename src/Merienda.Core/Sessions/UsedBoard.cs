namespace Merienda.Core.Sessions;

/// <summary>What was cut on the board since it was washed.</summary>
internal sealed class UsedBoard
{
    private readonly HashSet<int> _stopsFor = [];
    private bool _isRaw;

    /// <summary>What must be washed off before a work, if anything; then what the work leaves on it.</summary>
    public BoardHad? Take(SessionWork work)
    {
        if (work.Board == OnBoard.Nothing)
        {
            return null;
        }

        var had = new BoardHad(_isRaw && work.Board == OnBoard.Plants, [.. _stopsFor.Except(work.StopsFor).Order()]);
        var isWashed = had.Raw || had.For.Count > 0;
        if (isWashed)
        {
            _stopsFor.Clear();
        }

        _isRaw = work.Board == OnBoard.Raw || (_isRaw && !isWashed);
        _stopsFor.UnionWith(work.StopsFor);
        return isWashed ? had : null;
    }
}

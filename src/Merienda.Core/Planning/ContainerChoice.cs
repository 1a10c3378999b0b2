namespace Merienda.Core.Planning;

/// <summary>Which of the kitchen's containers a box is filled into: the smallest that is free, large enough, and may freeze where it must.</summary>
/// <param name="inUse">Boxes that are not empty yet.</param>
public sealed class ContainerChoice(IReadOnlyList<ContainerKind> kinds, IEnumerable<Container> inUse)
{
    private readonly Dictionary<string, int> _free = kinds
        .GroupBy(kind => kind.Name)
        .ToDictionary(kind => kind.Key, kind => kind.Sum(one => one.Count));

    private readonly List<string> _taken = [.. inUse.Select(box => box.Kind)];

    /// <param name="grams">Cooked food fills about a millilitre a gram [C]; null where nobody knows.</param>
    /// <returns>Null when none is free or the weight is not known.</returns>
    public ContainerKind? Take(decimal? grams, bool isFrozen)
    {
        var kind = kinds
            .Where(one => grams <= one.VolumeMl && (!isFrozen || one.MayFreeze) && _free[one.Name] > _taken.Count(name => name == one.Name))
            .MinBy(one => one.VolumeMl);
        if (kind is not null)
        {
            _taken.Add(kind.Name);
        }

        return kind;
    }
}

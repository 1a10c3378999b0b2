namespace Merienda.Web.Groups;

/// <summary>Which recipes of a menu take some of which.</summary>
internal static class RecipeUsesInMenu
{
    /// <summary>Places of some recipes and of all that they use.</summary>
    public static HashSet<int> Reached(this IReadOnlyList<IReadOnlyList<int>> uses, IEnumerable<int> from)
    {
        var (reached, open) = (new HashSet<int>(), new Stack<int>(from));
        while (open.TryPop(out var recipe))
        {
            if (reached.Add(recipe))
            {
                uses[recipe].ToList().ForEach(open.Push);
            }
        }

        return reached;
    }
}

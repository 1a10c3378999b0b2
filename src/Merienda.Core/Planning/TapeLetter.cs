namespace Merienda.Core.Planning;

/// <summary>Letters on the tape: A to Z, then AA to ZZ, in the order of cooking.</summary>
public static class TapeLetter
{
    public static string FirstFree(IReadOnlySet<string> taken) => All().First(letter => !taken.Contains(letter));

    private static IEnumerable<string> All()
    {
        var letters = Enumerable.Range('A', 26).Select(letter => ((char)letter).ToString()).ToList();
        return letters.Concat(letters.SelectMany(first => letters.Select(second => first + second)));
    }
}

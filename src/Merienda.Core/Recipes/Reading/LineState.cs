using System.Buffers;
using System.Text.RegularExpressions;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>How a line asks for its food: weighed cooked, weighed dry, dry and then soaked, from a tin.</summary>
internal static partial class LineState
{
    public static string Of(IReadOnlyList<string> notes, Unit? unit)
    {
        var isTin = unit is { Name: "tin" or "jar" };
        if (!notes.Any(note => note.AsSpan().ContainsAny(Hints)))
        {
            return isTin ? "tinned" : "";
        }

        // "250 g spaghetti, cooked fresh at eating" is weighed dry; "200 g lentils, cooked" is not.
        if (notes.Any(note => Cooked().IsMatch(note)))
        {
            return "cooked";
        }

        if (notes.Any(note => Soaked().IsMatch(note)))
        {
            return "soaked";
        }

        if (notes.Any(note => Dry().IsMatch(note)))
        {
            return "dry";
        }

        return isTin || notes.Any(note => Tinned().IsMatch(note)) ? "tinned" : "";
    }

    /// <summary>A note without any of these says nothing of a state: most lines are done at one look.</summary>
    private static readonly SearchValues<string> Hints = SearchValues.Create(
        ["cook", "soak", "dry", "dried", "raw", "tin", "can", "jar"],
        StringComparison.OrdinalIgnoreCase
    );

    [GeneratedRegex(
        @"^(already |pre-?|weighed |freshly |leftover )?cooked( weight| and (cooled|drained|chopped|diced|shredded|sliced|crumbled|flaked|peeled|mashed|cubed)|,? (cooled|drained|chopped|diced|shredded|sliced|crumbled|flaked|cubed))*$|^(cooked weight|weighed when cooked)$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Cooked();

    [GeneratedRegex(
        @"^(uncooked|dry|dried|dry weight|uncooked weight|weighed dry|raw weight)\b|\b(uncooked|dry weight)$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Dry();

    [GeneratedRegex(
        @"^(pre-?)?soaked( overnight| for .*hours?| for \d+ ?h(rs?)?| in (cold |plenty of )?water)*( and (drained|rinsed|boiled|cooked))*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Soaked();

    [GeneratedRegex(@"^(tinned|canned|from an? (tin|can|jar)|out of a tin)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Tinned();
}

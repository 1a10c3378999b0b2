using System.Net.Mail;
using System.Text.RegularExpressions;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Groups;

/// <param name="Row">From 1, as the file counts them.</param>
/// <param name="Words">As they stand there, shortened.</param>
public sealed record BadAddress(int Row, string Words, string Because);

/// <summary>
/// Reads mail addresses from what was pasted or from a CSV file of any columns: each cell with an @ is one, once each, in lower case. A
/// first row without any is a heading.
/// </summary>
/// <param name="Doubles">How many stood there before.</param>
public sealed partial record AddressList(IReadOnlyList<string> Addresses, IReadOnlyList<BadAddress> Bad, int Doubles)
{
    public const int Most = 5000,
        LongestText = 1_000_000;

    /// <summary>Longest address that mail carries (RFC 5321, section 4.5.3.1.3, from memory).</summary>
    private const int LongestAddress = 254;

    /// <summary>What stands round an address in a sentence or a file.</summary>
    private static readonly char[] Round = ['"', '\'', '(', ')', '.', ' ', '\u00a0', '\ufeff'];

    private const string Mailto = "mailto:";

    public static Result<AddressList> Of(string text)
    {
        if (text.Length > LongestText)
        {
            return Wrong($"{text.Length} characters", $"a list has at most {LongestText:N0}");
        }

        var (found, bad, doubles) = (new HashSet<string>(StringComparer.Ordinal), new List<BadAddress>(), 0);
        var rows = text.Split('\n');
        var isFirst = true;
        for (var at = 0; at < rows.Length; at++)
        {
            var row = rows[at].Trim();
            if (row.Length == 0)
            {
                continue;
            }

            var cells = Cell().Matches(row).SelectMany(cell => Words(cell.Value)).Where(HasAt).ToList();
            if (cells.Count == 0 && !isFirst)
            {
                bad.Add(new(at + 1, Short(row), "there is no address in it"));
            }

            isFirst = false;
            foreach (var cell in cells)
            {
                if (Address(cell) is not { } address)
                {
                    bad.Add(new(at + 1, Short(cell.Trim()), "mail would not find it; write the address alone, or as Name <address>"));
                }
                else if (!found.Add(address))
                {
                    doubles++;
                }
            }
        }

        return found.Count switch
        {
            0 when bad.Count == 0 => Wrong("", "there is no address in it"),
            > Most => Wrong($"{found.Count} addresses", $"a list has at most {Most:N0}"),
            _ => new AddressList([.. found], bad, doubles),
        };
    }

    private static bool HasAt(string cell) => cell.Contains('@', StringComparison.Ordinal);

    /// <summary>Several addresses with only spaces between them are several cells.</summary>
    private static IEnumerable<string> Words(string cell)
    {
        var words = cell.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);
        return words.Length > 1 && words.All(HasAt) ? words : [cell];
    }

    private static string? Address(string cell)
    {
        var typed = cell.Trim().EndsWith('>') ? cell.Trim() : cell.Trim(Round);
        typed = typed.StartsWith(Mailto, StringComparison.OrdinalIgnoreCase) ? typed[Mailto.Length..] : typed;
        // A name before an address stands apart from it by brackets: of "il se@b.example" nobody knows who was meant.
        return
            (typed.EndsWith('>') || !typed.Any(char.IsWhiteSpace))
            && MailAddress.TryCreate(typed, out var read)
            && read.Address.Length <= LongestAddress
            && read.User.Length <= 64
            && !read.User.Contains('"', StringComparison.Ordinal)
            && IsHost(read.Host)
            ? read.Address.ToLowerInvariant()
            : null;
    }

    /// <summary>A name that the whole net knows: with a dot, of letters, figures and hyphens, its last part not of figures.</summary>
    private static bool IsHost(string host) =>
        host.Split('.') is { Length: >= 2 } parts
        && parts.All(part => part.Length is >= 1 and <= 63 && part[0] != '-' && part[^1] != '-' && part.All(IsOfName))
        && parts[^1].Length >= 2
        && !char.IsAsciiDigit(parts[^1][0]);

    private static bool IsOfName(char one) => char.IsLetterOrDigit(one) || one == '-';

    private static string Short(string words) => words.Length > 60 ? $"{words[..60]}…" : words;

    private static Refusal Wrong(string value, string reason) =>
        new("address-list", "list", value, reason, "Type or paste addresses, one to a row, or a CSV file's rows");

    /// <summary>What stands between commas, semicolons and tabs; what is in double quotes is one.</summary>
    [GeneratedRegex("""(?:"[^"]*"|[^,;\t"]|"(?![^"]*"))+""")]
    private static partial Regex Cell();
}

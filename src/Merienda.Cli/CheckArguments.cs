using System.Globalization;
using System.Text.RegularExpressions;
using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;

namespace Merienda.Cli;

/// <summary>A limit as typed: netCarbohydrate&lt;=25/day.</summary>
public sealed record TypedLimit(Measure Measure, bool IsCeiling, decimal Bound, Period Per);

/// <summary>What was asked for on the command line.</summary>
public sealed partial record CheckArguments(
    string? File,
    string? Protocol,
    string? EaterFile,
    IReadOnlyList<TypedLimit> Limits,
    decimal? Portions,
    bool Json,
    bool ListProtocols
)
{
    public const string Usage =
        "merienda check FILE|FOLDER --protocol NAME | --eater FILE [--limit 'netCarbohydrate<=25/day' …] [--portions N] [--json] | merienda check --list-protocols";

    public static Result<CheckArguments> Read(IEnumerable<string> words)
    {
        var asked = new CheckArguments(null, null, null, [], null, false, false);
        var rest = new Queue<string>(words);
        while (rest.TryDequeue(out var word))
        {
            if (word is "--protocol" or "--eater" or "--limit" or "--portions" && rest.Count == 0)
            {
                return new Refusal("missing-value", word, "", "nothing follows it", Usage);
            }

            Result<CheckArguments> read = word switch
            {
                "--json" => asked with { Json = true },
                "--list-protocols" => asked with { ListProtocols = true },
                "--protocol" => asked with { Protocol = rest.Dequeue() },
                "--eater" => asked with { EaterFile = rest.Dequeue() },
                "--portions" => ReadPortions(asked, rest.Dequeue()),
                "--limit" => ReadLimit(rest.Dequeue()) is var limit && limit.Refusal is { } refusal
                    ? refusal
                    : asked with
                    {
                        Limits = [.. asked.Limits, limit.Value],
                    },
                ['-', '-', ..] => new Refusal("unknown-option", "option", word, "there is no such option", Usage),
                _ when asked.File is null => asked with { File = word },
                _ => new Refusal("too-many-files", "file", word, "one recipe or one folder at a time", Usage),
            };
            if (read.IsRefused)
            {
                return read;
            }

            asked = read.Value;
        }

        return asked switch
        {
            { ListProtocols: true } => asked,
            { File: null } => new Refusal("missing-file", "file", "", "no recipe was named", Usage),
            { Protocol: null, EaterFile: null, Limits.Count: 0 } => new Refusal(
                "missing-protocol",
                "--protocol",
                "",
                "nothing to check against",
                "Name a protocol (--list-protocols shows them) or an --eater, or state a --limit"
            ),
            { Protocol: not null, EaterFile: not null } => new Refusal(
                "two-sources",
                "--protocol",
                asked.Protocol!,
                "an eater follows protocols of their own",
                "Keep either --protocol or --eater"
            ),
            _ => asked,
        };
    }

    private static Result<CheckArguments> ReadPortions(CheckArguments asked, string text) =>
        decimal.TryParse(text, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var portions)
        && portions is >= 0.25m and <= 1000
            ? asked with
            {
                Portions = portions,
            }
            : new Refusal(
                "bad-portions",
                "--portions",
                text,
                "portions are a number from 0.25 to 1000",
                "State how many portions the recipe makes"
            );

    private static Result<TypedLimit> ReadLimit(string text)
    {
        var match = LimitText().Match(text);
        if (!match.Success)
        {
            return new Refusal(
                "bad-limit",
                "--limit",
                text,
                "a limit is MEASURE<=NUMBER/PERIOD or MEASURE>=NUMBER/PERIOD",
                "For example netCarbohydrate<=25/day"
            );
        }

        if (MeasureInfo.WithKey(match.Groups["measure"].Value) is not { } measure)
        {
            return new Refusal(
                "unknown-measure",
                "--limit",
                match.Groups["measure"].Value,
                "no such measure",
                $"Use one of {string.Join(", ", MeasureInfo.All.Select(info => info.Key))}"
            );
        }

        return new TypedLimit(
            measure.Measure,
            match.Groups["sign"].Value is "<=" or "≤",
            decimal.Parse(match.Groups["bound"].Value, CultureInfo.InvariantCulture),
            Enum.Parse<Period>(match.Groups["per"].Value, ignoreCase: true)
        );
    }

    [GeneratedRegex(
        @"^\s*(?<measure>[A-Za-z]+)\s*(?<sign><=|>=|≤|≥)\s*(?<bound>\d{1,7}(\.\d{1,4})?)\s*/\s*(?<per>portion|meal|day|week)\s*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex LimitText();
}

using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Formats;

namespace Merienda.Cli;

/// <summary>merienda check: one recipe file against one protocol, without a database.</summary>
public static class CheckCommand
{
    public const int Fits = 0, Breaks = 1, BadInput = 2, Undecided = 3;

    public static int Run(IEnumerable<string> words, TextWriter output, TextWriter errors)
    {
        var asked = CheckArguments.Read(words);
        if (asked.Refusal is { } wrongWords)
        {
            return Refuse(wrongWords, errors);
        }

        var data = DataFiles.Load(DataFiles.Find());
        if (asked.Value.ListProtocols)
        {
            foreach (var protocol in data.Protocols)
            {
                output.WriteLine($"{protocol.Id} {protocol.Name}");
            }

            return Fits;
        }

        var check = Check(asked.Value, data);
        if (check.Refusal is { } refusal)
        {
            return Refuse(refusal, errors);
        }

        CheckReport.Write(check.Value, asked.Value.Json, output);
        return check.Value.Verdict switch { Verdict.Fits => Fits, Verdict.Breaks => Breaks, _ => Undecided };
    }

    private static Result<CheckedRecipe> Check(CheckArguments asked, DataFiles data)
    {
        var protocol = asked.Protocol is null ? null : data.Protocol(asked.Protocol);
        if (asked.Protocol is not null && protocol is null)
        {
            return new Refusal("unknown-protocol", "--protocol", asked.Protocol, "there is no such protocol", $"Use one of {string.Join(", ", data.Protocols.Select(item => item.Id))}");
        }

        var written = ReadFile(asked.File!);
        if (written.Refusal is { } unreadable)
        {
            return unreadable;
        }

        if ((asked.Portions ?? written.Value.Portions) is not { } portions)
        {
            return new Refusal("no-portions", "portions", "", "the recipe does not say how many it makes", "Add --portions N");
        }

        if (portions is < 0.25m or > 1000)
        {
            return new Refusal("bad-portions", "portions", $"{portions}", "a recipe makes 0.25 to 1000 portions", "Mend the recipe's yield or add --portions N");
        }

        var lines = written.Value.Lines.Select(line => RecipeLine.From(line.Text, data.Foods, MeasureSystem.UnitedStates, line.Part)).ToList();
        return lines.Count == 0
            ? new Refusal("no-ingredients", "file", asked.File!, "no ingredient line was found", "Write one ingredient a line, or give a schema.org Recipe")
            : CheckedRecipe.Of(written.Value.Name, portions, lines, RulesOf(protocol, asked.Limits, data), data.Scheme("house-points")!);
    }

    private static Result<WrittenRecipe> ReadFile(string path)
    {
        try
        {
            var text = File.ReadAllText(path);
            return SchemaOrgRecipe.LooksLikeJson(text) ? SchemaOrgRecipe.Read(text) : RecipeTextReader.Read(text);
        }
        catch (Exception error) when (error is IOException or UnauthorizedAccessException)
        {
            return new Refusal("no-file", "file", path, "it cannot be read", "Name a recipe file that exists");
        }
    }

    /// <summary>A typed limit fills the allowance that the protocol asks for; one that it does not ask for is a rule of its own.</summary>
    private static EaterRules RulesOf(Protocol? protocol, IReadOnlyList<TypedLimit> limits, DataFiles data)
    {
        var rules = (protocol?.Rules ?? []).Select(rule => rule is LimitRule limit ? limits.Where(typed => typed.Measure == limit.Measure && typed.Per == limit.Per).Aggregate(limit, Fill) : rule).ToList();
        var own = limits.Where(typed => !rules.OfType<LimitRule>().Any(rule => rule.Measure == typed.Measure && rule.Per == typed.Per));
        rules.AddRange(own.GroupBy(typed => (typed.Measure, typed.Per)).Select(same =>
            same.Aggregate(new LimitRule { Id = $"{MeasureInfo.Of(same.Key.Measure).Key}-{same.Key.Per}".ToLowerInvariant(), Measure = same.Key.Measure, Per = same.Key.Per }, Fill)));
        return new(rules, new(data.Scheme(protocol?.PointsScheme ?? "house-points"), data.Classes));
    }

    private static LimitRule Fill(LimitRule rule, TypedLimit typed) => typed.IsCeiling ? rule with { AtMost = typed.Bound } : rule with { AtLeast = typed.Bound };

    private static int Refuse(Refusal refusal, TextWriter errors)
    {
        errors.WriteLine($"merienda check: {refusal}".ReplaceLineEndings(" "));
        return BadInput;
    }
}

using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Formats;

namespace Merienda.Cli;

/// <summary>merienda check: a recipe file or a folder of them against a protocol or an eater, without a database.</summary>
public static class CheckCommand
{
    public const int Fits = 0,
        Breaks = 1,
        BadInput = Refused.Exit,
        Undecided = 3;

    public static int Run(IEnumerable<string> words, TextWriter output, TextWriter errors)
    {
        var asked = CheckArguments.Read(words);
        if (asked.Refusal is { } wrongWords)
        {
            return Refused.Say("check", wrongWords, errors);
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

        var judge = JudgeOf(asked.Value, data);
        if (judge.Refusal is { } wrongJudge)
        {
            return Refused.Say("check", wrongJudge, errors);
        }

        var files = Directory.Exists(asked.Value.File)
            ? [.. Directory.EnumerateFiles(asked.Value.File).Order(StringComparer.Ordinal)]
            : new List<string> { asked.Value.File! };
        if (files.Count == 0)
        {
            return Refused.Say(
                "check",
                new("empty-folder", "file", asked.Value.File!, "there is no file in it", "Name a folder that holds recipes"),
                errors
            );
        }

        // The worst of a folder: bad input, then a broken rule, then what is open.
        return new[] { BadInput, Breaks, Undecided, Fits }.First(
            files.Select(file => One(file, asked.Value, judge.Value, data, output, errors)).ToHashSet().Contains
        );
    }

    private sealed record Judge(EaterRules Rules, decimal Portion);

    private static int One(string file, CheckArguments asked, Judge judge, DataFiles data, TextWriter output, TextWriter errors)
    {
        var check = Check(file, asked, judge, data);
        if (check.Refusal is { } refusal)
        {
            return Refused.Say("check", refusal with { Field = $"{Path.GetFileName(file)}: {refusal.Field}" }, errors);
        }

        CheckReport.Write(check.Value, asked.Json, output);
        return check.Value.Verdict switch
        {
            Verdict.Fits => Fits,
            Verdict.Breaks => Breaks,
            _ => Undecided,
        };
    }

    private static Result<Judge> JudgeOf(CheckArguments asked, DataFiles data)
    {
        if (asked.EaterFile is { } path)
        {
            var text = ReadText(path);
            var eater = text.Refusal is { } unreadable ? unreadable : EaterFile.Read(text.Value, data);
            if (eater.Refusal is { } wrong)
            {
                return wrong with { Field = $"--eater {wrong.Field}" };
            }

            var own = eater.Value.RulesFrom(data);
            return new Judge(new([.. own.Rules, .. RulesOf([], asked.Limits)], own.Context), eater.Value.Portion ?? 1);
        }

        var protocol = asked.Protocol is null ? null : data.Protocol(asked.Protocol);
        return asked.Protocol is not null && protocol is null
            ? new Refusal(
                "unknown-protocol",
                "--protocol",
                asked.Protocol,
                "there is no such protocol",
                $"Use one of {string.Join(", ", data.Protocols.Select(item => item.Id))}"
            )
            : new Judge(
                new(
                    RulesOf([.. protocol?.RulesWith(new Dictionary<string, string>()) ?? []], asked.Limits),
                    new(protocol?.Scheme ?? data.HouseScheme, data.Classes)
                ),
                1
            );
    }

    private static Result<CheckedRecipe> Check(string file, CheckArguments asked, Judge judge, DataFiles data)
    {
        var written = ReadFile(file);
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
            return new Refusal(
                "bad-portions",
                "portions",
                $"{portions}",
                "a recipe makes 0.25 to 1000 portions",
                "Mend the recipe's yield or add --portions N"
            );
        }

        var lines = written
            .Value.Lines.Select(line => RecipeLine.From(new TypedLine(line.Text, line.Part), data.Foods, MeasureSystem.UnitedStates))
            .ToList();
        return lines.Count == 0
            ? new Refusal(
                "no-ingredients",
                "file",
                file,
                "no ingredient line was found",
                "Write one ingredient a line, or give a schema.org Recipe"
            )
            : CheckedRecipe.Of(written.Value.Name, portions, lines, judge.Rules, judge.Portion);
    }

    private static Result<WrittenRecipe> ReadFile(string path)
    {
        var text = ReadText(path);
        return text.Refusal is { } refusal ? refusal : RecipeFile.Read(text.Value);
    }

    private static Result<string> ReadText(string path)
    {
        try
        {
            return File.ReadAllText(path);
        }
        catch (Exception error) when (error is IOException or UnauthorizedAccessException)
        {
            return new Refusal("no-file", "file", path, "it cannot be read", "Name a file that exists");
        }
    }

    /// <summary>A typed limit fills the allowance that the protocol asks for; one that it does not ask for is a rule of its own.</summary>
    private static List<Rule> RulesOf(IReadOnlyList<Rule> followed, IReadOnlyList<TypedLimit> limits)
    {
        bool Fills(TypedLimit typed, Rule rule) =>
            rule switch
            {
                LimitRule limit => typed.Measure == limit.Measure && typed.Per == limit.Per,
                PointsBudgetRule => typed is { Measure: Measure.Points, Per: Period.Day },
                _ => false,
            };
        var rules = followed
            .Select(rule => rule is BoundedRule bounded ? limits.Where(typed => Fills(typed, rule)).Aggregate(bounded, Fill) : rule)
            .ToList();
        var own = limits.Where(typed => !rules.Any(rule => Fills(typed, rule)));
        rules.AddRange(
            own.GroupBy(typed => (typed.Measure, typed.Per))
                .Select(same =>
                    same.Aggregate(
                        (BoundedRule)
                            new LimitRule
                            {
                                Id = $"{MeasureInfo.Of(same.Key.Measure).Key}-{same.Key.Per}".ToLowerInvariant(),
                                Measure = same.Key.Measure,
                                Per = same.Key.Per,
                            },
                        Fill
                    )
                )
        );
        return rules;
    }

    private static BoundedRule Fill(BoundedRule rule, TypedLimit typed) =>
        typed.IsCeiling ? rule with { AtMost = typed.Bound } : rule with { AtLeast = typed.Bound };
}

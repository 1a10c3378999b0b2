using System.Globalization;
using System.Text.RegularExpressions;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

/// <summary>Runs docs/whole-cases.md: the table that a dietitian can read is the test.</summary>
public partial class WholeCaseTests
{
    public static TheoryData<string, string, string, string, string, string> Cases
    {
        get
        {
            var rows = new TheoryData<string, string, string, string, string, string>();
            foreach (
                var cells in File.ReadLines(Path.Combine(DataFolder, "..", "docs", "whole-cases.md"))
                    .Where(line => Numbered().IsMatch(line))
                    .Select(line => line.Trim('|').Split('|', StringSplitOptions.TrimEntries))
            )
            {
                rows.Add(cells[0], cells[1], cells[2], cells[3], cells[4], cells[5]);
            }

            return rows;
        }
    }

    private static string DataFolder => Formats.DataFiles.Find();

    [Theory]
    [MemberData(nameof(Cases))]
    public void A_whole_case_is_judged_as_written(string number, string eater, string dish, string makes, string verdict, string says)
    {
        var (rules, meal, size) = Read(eater);
        var portion = Intake.Of(
            new Helping(
                "dish",
                Portion(decimal.Parse(makes, CultureInfo.InvariantCulture), dish.Split(';', StringSplitOptions.TrimEntries)),
                size
            )
        );
        var findings = rules.CheckPortion(portion, null, meal);
        var sentences = findings.SelectMany(finding => finding.Notes.Append(finding.Because).Append(finding.Cure ?? "")).ToList();
        Assert.True(
            verdict == findings.Select(finding => finding.Verdict).RollUp().Word(),
            $"case {number}: {string.Join(" / ", sentences)}"
        );
        Assert.Contains(sentences, sentence => sentence.Contains(says, StringComparison.Ordinal));
    }

    [Fact]
    public void There_are_at_least_forty_cases_and_every_protocol_is_among_them()
    {
        Assert.InRange(Cases.Count, 40, 500);
        Assert.All(
            Data.Protocols,
            protocol =>
                Assert.Contains(Cases, row => row.Data.Item2.Split(';')[0].Split('+').Any(name => name.Split('(')[0].Trim() == protocol.Id))
        );
    }

    private static (EaterRules Rules, MealRole? Meal, decimal Size) Read(string text)
    {
        var parts = text.Split(';', StringSplitOptions.TrimEntries);
        var followed = parts[0] == "no protocol" ? [] : parts[0].Split('+', StringSplitOptions.TrimEntries).Select(ReadProtocol).ToList();
        var allowances = parts
            .Skip(1)
            .Select(part => Stated().Match(part))
            .Where(match => match.Success)
            .Select(match => new Allowance(
                followed.First(item => item.Protocol.AllRules.Any(rule => rule.Id == match.Groups["rule"].Value)).Protocol.Id,
                match.Groups["rule"].Value,
                Number(match.Groups["least"]),
                Number(match.Groups["most"])
            ));
        string[] After(string word) =>
            [
                .. parts
                    .Where(part => part.StartsWith($"{word} ", StringComparison.Ordinal))
                    .SelectMany(part => part[(word.Length + 1)..].Split(',', StringSplitOptions.TrimEntries)),
            ];
        var personal = new PersonalLimits(
            After("allergy"),
            [.. After("accepted").Select(what => new Acceptance(what, "read by an adult"))],
            After("dislikes")
        );
        return (
            new EaterRules(followed, allowances, personal, Data.HouseScheme, Data.Classes, default),
            After("at") is [var meal] ? Enum.Parse<MealRole>(meal, ignoreCase: true) : null,
            After("portion") is [var size] ? decimal.Parse(size, CultureInfo.InvariantCulture) : 1
        );
    }

    private static FollowedProtocol ReadProtocol(string text)
    {
        var match = Chosen().Match(text);
        var choices = match.Groups["choice"].Success
            ? new Dictionary<string, string> { [match.Groups["choice"].Value] = match.Groups["option"].Value }
            : [];
        var protocol = Data.Protocol(match.Groups["id"].Value)!;
        Assert.All(
            choices,
            chosen =>
                Assert.Contains(protocol.Choices.Single(choice => choice.Id == chosen.Key).Options, option => option.Id == chosen.Value)
        );
        return new(protocol, choices);
    }

    private static decimal? Number(Group group) => group.Success ? decimal.Parse(group.Value, CultureInfo.InvariantCulture) : null;

    [GeneratedRegex(@"^\| \d")]
    private static partial Regex Numbered();

    [GeneratedRegex(@"^(?<id>[a-z-]+)( \((?<choice>[a-z]+): (?<option>[a-z-]+)\))?$")]
    private static partial Regex Chosen();

    [GeneratedRegex(@"^(?<rule>[a-z-]+)( ≥ (?<least>[\d.]+))?( ≤ (?<most>[\d.]+))?$")]
    private static partial Regex Stated();
}

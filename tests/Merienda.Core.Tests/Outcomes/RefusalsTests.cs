using System.Text.RegularExpressions;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Tests.Outcomes;

public class RefusalsTests
{
    private static readonly string Own = Path.Combine("Outcomes", "Refusals.cs");

    private static IEnumerable<string> In(string folder) =>
        ArchitectureTests.Sources(folder).Where(path => !path.EndsWith(Own, StringComparison.Ordinal)).Select(File.ReadAllText);

    /// <summary>Refusals as the source writes them: a code, then the field it is about. What has a title there instead is none.</summary>
    private static IEnumerable<(string Code, string Field)> Sentences =>
        In("src")
            .SelectMany(source =>
                Regex
                    .Matches(source, """new( Refusal)?\((?>\s*)"([a-z]+(?:-[a-z0-9]+)*)",(?>\s*)(?:\$?"(?!")([^"]*)"|[\w(])""")
                    .Where(match => match.Groups[1].Success || (match.Groups[2].Value.Contains('-') && IsField(match.Groups[3].Value)))
                    .Select(match => (match.Groups[2].Value, match.Groups[3].Value))
            );

    private static IEnumerable<string> Written => Sentences.Select(refusal => refusal.Code);

    private static bool IsField(string text) =>
        text.Length == 0 || !char.IsUpper(text[0]) || text.StartsWith("X-", StringComparison.Ordinal);

    /// <summary>What refuses with a word alone, or in a form that looks like something else.</summary>
    private static readonly string[] Otherwise = ["allergy", "refused"];

    [Fact]
    public void Every_refusal_is_in_the_catalogue() => Assert.Empty(Written.Except(Refusals.All.Select(entry => entry.Code)).Order());

    [Fact]
    public void Every_field_that_is_written_out_is_in_the_catalogue() =>
        Assert.All(
            Sentences.Where(refusal => refusal.Field.Length > 0 && Refusals.All.Any(entry => entry.Code == refusal.Code)),
            refusal => Assert.True(Refusals.Of(refusal.Code).Names(Filled(refusal.Field)), $"{refusal}")
        );

    /// <summary>A field as it may come out: a path leads to rules, anything else is a place in a list.</summary>
    private static string Filled(string field) => Regex.Replace(field.Replace("{path}", "rules", StringComparison.Ordinal), "{[^}]*}", "1");

    [Fact]
    public void Nothing_is_in_the_catalogue_that_nothing_refuses_with() =>
        Assert.Empty(Refusals.All.Select(entry => entry.Code).Except(Written).Except(Otherwise).Order());

    [Fact]
    public void Every_refusal_is_provoked_by_a_test()
    {
        var tests = string.Join(
            '\n',
            In("tests").Where(source => !source.Contains(nameof(Every_refusal_is_provoked_by_a_test), StringComparison.Ordinal))
        );
        Assert.Equal([], Refusals.All.Select(entry => entry.Code).Where(code => !tests.Contains($"\"{code}\"", StringComparison.Ordinal)));
    }

    [Fact]
    public void The_catalogue_is_in_order_and_names_each_code_once() =>
        Assert.Equal(
            Refusals.All.Select(entry => entry.Code).Distinct().Order(StringComparer.Ordinal),
            Refusals.All.Select(entry => entry.Code)
        );

    [Theory]
    [InlineData("name-length", "name", true)]
    [InlineData("name-length", "items[12].name", true)]
    [InlineData("name-length", "items[].name", false)]
    [InlineData("name-length", "names", false)]
    [InlineData("document-wrong", "rules[0].excludes[7]", true)]
    [InlineData("document-unreadable", "line 4", true)]
    [InlineData("document-unreadable", "row 4", false)]
    public void A_refusal_names_its_fields(string code, string field, bool names) => Assert.Equal(names, Refusals.Of(code).Names(field));
}

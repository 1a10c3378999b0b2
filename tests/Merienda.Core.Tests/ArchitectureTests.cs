using System.Text.RegularExpressions;
using System.Xml.Linq;
using Merienda.Core.Quantities;

namespace Merienda.Core.Tests;

public class ArchitectureTests
{
    [Fact]
    public void The_core_references_nothing_but_the_base_library() =>
        Assert.All(
            typeof(Estimate).Assembly.GetReferencedAssemblies(),
            reference => Assert.StartsWith("System.", reference.Name, StringComparison.Ordinal)
        );

    /// <summary>The nouns of the core from the ground up: each speaks of those before it only.</summary>
    private static readonly string[] Upward =
    [
        "Outcomes",
        "Quantities",
        "Keeping",
        "Foods",
        "Recipes",
        "Stock",
        "Shopping",
        "Sessions",
        "Protocols",
        "Planning",
        "Swaps",
        "Claims",
        "Filling",
        "Groups",
    ];

    public static TheoryData<string> Nouns => [.. Upward];

    [Theory]
    [MemberData(nameof(Nouns))]
    public void A_noun_of_the_core_speaks_of_those_before_it_only(string noun)
    {
        var later = Upward.SkipWhile(other => other != noun).Skip(1).ToList();
        var used = Sources(Path.Combine("src", "Merienda.Core", noun))
            .SelectMany(path =>
                Regex
                    .Matches(
                        File.ReadAllText(path),
                        @"^using (?:static )?Merienda\.Core\.(\w+)|\bMerienda\.Core\.(\w+)\.",
                        RegexOptions.Multiline
                    )
                    .Select(match => (File: Path.GetFileName(path), Noun: match.Groups[1].Value + match.Groups[2].Value))
            )
            .Where(use => later.Contains(use.Noun));
        Assert.Empty(used);
    }

    [Fact]
    public void Every_kind_of_rule_has_tests_of_its_own() =>
        Assert.All(
            Sources(Path.Combine("src", "Merienda.Core", "Protocols", "Kinds")).Select(path => Path.GetFileNameWithoutExtension(path)),
            kind => Assert.True(File.Exists(Path.Combine(Root, "tests", "Merienda.Core.Tests", "Protocols", $"{kind}Tests.cs")), kind)
        );

    [Fact]
    public void Every_folder_of_the_core_is_a_noun_in_its_place() =>
        Assert.Equal(
            Upward.Order(),
            Directory
                .EnumerateDirectories(Path.Combine(Root, "src", "Merienda.Core"))
                .Select(path => Path.GetFileName(path)!)
                .Except(["bin", "obj"])
                .Order()
        );

    [Theory]
    [InlineData("Merienda.Core", "")]
    [InlineData("Merienda.Formats", "Core")]
    [InlineData("Merienda.Storage", "Core")]
    [InlineData("Merienda.Solving", "Core")]
    [InlineData("Merienda.Cli", "Core Formats Solving Storage")]
    [InlineData("Merienda.Web", "Core Formats Solving Storage")]
    public void Projects_point_one_way(string project, string may)
    {
        var file = Path.Combine(Root, "src", project, $"{project}.csproj");
        var pointsAt = !File.Exists(file)
            ? []
            : XDocument
                .Load(file)
                .Descendants("ProjectReference")
                .Select(reference =>
                    Path.GetFileNameWithoutExtension(reference.Attribute("Include")!.Value.Replace('\\', '/'))["Merienda.".Length..]
                )
                .ToList();
        Assert.Empty(pointsAt.Except(may.Split(' ')));
    }

    [Theory]
    [InlineData("api", "pieces|places")]
    [InlineData("pieces", "places")]
    public void Folders_of_the_front_end_point_one_way(string folder, string never) =>
        Assert.All(
            Directory.EnumerateFiles(Path.Combine(Root, "web", "src", folder), "*.ts*", SearchOption.AllDirectories),
            path => Assert.DoesNotMatch($@"from '\.\.?/(\.\./)*({never})/", File.ReadAllText(path))
        );

    [Fact]
    public void The_core_reads_no_clock_and_no_file()
    {
        var sources = Sources(Path.Combine("src", "Merienda.Core")).ToList();
        Assert.InRange(sources.Count, 30, 1000);
        Assert.All(
            sources,
            path =>
                Assert.DoesNotMatch(
                    @"\b(DateTime(Offset)?\.(Now|UtcNow|Today)|File\.|Directory\.|HttpClient|Random\.Shared)",
                    File.ReadAllText(path)
                )
        );
    }

    private static string Root => new DirectoryInfo(Merienda.Formats.DataFiles.Find()).Parent!.FullName;

    internal static IEnumerable<string> Sources(string folder) =>
        Directory
            .EnumerateFiles(Path.Combine(Root, folder), "*.cs", SearchOption.AllDirectories)
            .Where(path => !path.Contains("/obj/", StringComparison.Ordinal));
}

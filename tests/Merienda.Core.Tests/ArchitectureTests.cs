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

    [Fact]
    public void The_core_reads_no_clock_and_no_file()
    {
        var root = new DirectoryInfo(Merienda.Formats.DataFiles.Find()).Parent!.FullName;
        var sources = Directory
            .EnumerateFiles(Path.Combine(root, "src", "Merienda.Core"), "*.cs", SearchOption.AllDirectories)
            .Where(path => !path.Contains("/obj/", StringComparison.Ordinal))
            .ToList();
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
}

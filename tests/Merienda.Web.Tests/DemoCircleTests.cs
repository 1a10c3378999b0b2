using System.Text.Json;
using Merienda.Formats;

namespace Merienda.Web.Tests;

/// <summary>The demo's group, as its data says it.</summary>
public class DemoCircleTests
{
    private static readonly JsonElement Circle = JsonDocument
        .Parse(File.ReadAllText(Path.Combine(DataFiles.Find(), "demo", "circle.json")))
        .RootElement;

    [Fact]
    public void Every_member_without_a_kitchen_has_a_name_and_something_that_they_follow()
    {
        var names = Circle.GetProperty("names").EnumerateArray().Select(name => name.GetString()!).ToList();
        Assert.Equal(names.Count, names.Distinct().Count());
        Assert.Equal(names.Count, Circle.GetProperty("strands").EnumerateArray().Sum(strand => strand.GetProperty("members").GetInt32()));
    }

    [Fact]
    public void Three_weeks_are_published_and_one_is_drafted_every_meal_of_each_covered()
    {
        var menus = Circle.GetProperty("menus").EnumerateArray().ToList();
        Assert.Equal([1, 2, 1, 0], menus.Select(menu => menu.GetProperty("changed").GetArrayLength()));
        foreach (var menu in menus)
        {
            var covered = menu.GetProperty("dishes")
                .EnumerateArray()
                .SelectMany(
                    row => row.GetProperty("days").EnumerateArray(),
                    (row, day) => (row.GetProperty("meal").GetString(), day.GetInt32())
                )
                .ToHashSet();
            Assert.Equal(4 * 7, covered.Count);
        }
    }
}

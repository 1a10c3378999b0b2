using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

/// <summary>Steps as cooks write them; forty of them were written down before the reader was and are held out.</summary>
public class TaskReaderTests
{
    public sealed record Expected(string Step, int? ByHand, int? Alone, Appliance Appliance, int? Celsius);

    private static IEnumerable<Expected> In(string file) =>
        File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Recipes", file))
            .Skip(1)
            .Select(row => row.Split(';'))
            .Select(row => new Expected(row[0], Number(row[1]), Number(row[2]), Enum.Parse<Appliance>(row[3]), Number(row[4])));

    private static int? Number(string text) => text.Length == 0 ? null : int.Parse(text, System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>What was read otherwise than a cook would.</summary>
    private static string? Wrong(Expected expected)
    {
        var tasks = TaskReader.Read([expected.Step]);
        var (byHand, alone) = (tasks.Sum(task => task.HandsOn), tasks.Sum(task => task.Unattended));
        var longest = tasks.MaxBy(task => task.Unattended)!;
        return
            (expected.ByHand is null || expected.ByHand == byHand)
            && (expected.Alone is null || expected.Alone == alone)
            && expected.Appliance == longest.Appliance
            && expected.Celsius == longest.TemperatureC
            ? null
            : $"{expected.Step}: {byHand} by hand, {alone} alone, {longest.Appliance} {longest.TemperatureC}";
    }

    [Fact]
    public void Steps_that_were_seen_are_read() => Assert.Empty(In("seen-steps.csv").Select(Wrong).OfType<string>());

    /// <summary>At the first reading 36 of the 40 were right.</summary>
    [Fact]
    public void Held_out_steps_are_read()
    {
        var all = In("heldout-steps.csv").ToList();
        Assert.Equal(40, all.Count);
        Assert.Empty(all.Select(Wrong).OfType<string>());
    }

    [Theory]
    [InlineData("Plunge the eggs into an ice bath for 10 minutes.", 10, Appliance.Sink)]
    [InlineData("Cool in iced water for 5 min.", 5, Appliance.Sink)]
    [InlineData("Leave the custard to cool in an ice bath, stirring now and then, 20 minutes.", 20, Appliance.Sink)]
    [InlineData("Chill the noodles under cold running water.", 0, Appliance.Sink)]
    [InlineData("Leave the loaf to cool for 30 minutes.", 30, Appliance.Cooling)]
    [InlineData("Cool in a large pot for 20 minutes.", 20, Appliance.Cooling)]
    [InlineData("Cool in the fridge for 2 hours.", 120, Appliance.Fridge)]
    [InlineData("Cool and box.", 0, Appliance.None)]
    [InlineData("Soak the beans in cold water for 8 hours.", 480, Appliance.None)]
    [InlineData("Keep in a cool place for 2 hours.", 120, Appliance.None)]
    public void What_cools_stands_somewhere(string step, int alone, Appliance where)
    {
        var task = Assert.Single(TaskReader.Read([step]));
        Assert.Equal((alone, where), (task.Unattended, task.Appliance));
    }

    [Fact]
    public void Two_things_that_go_on_by_themselves_at_two_places_are_two_steps()
    {
        var tasks = TaskReader.Read(["Boil the eggs for 9 minutes, then cool in ice water for 10 minutes, then chill for 2 hours."]);
        Assert.Equal(
            [
                ("Boil the eggs for 9 minutes.", 9, Appliance.Burner),
                ("Cool in ice water for 10 minutes.", 10, Appliance.Sink),
                ("Chill for 2 hours.", 120, Appliance.Fridge),
            ],
            tasks.Select(task => (task.Text, task.Unattended, task.Appliance))
        );
        Assert.Equal(["1"], tasks[1].After);
        Assert.Single(TaskReader.Read(["Bake at 200 °C for 20 minutes, then at 180 °C for 30 minutes."]));
        Assert.Single(TaskReader.Read(["Boil the eggs for 9 minutes and cool them in iced water."]));
    }

    [Fact]
    public void What_is_cut_meanwhile_does_not_wait_for_the_oven_and_what_goes_into_it_does()
    {
        var tasks = TaskReader.Read([
            "Preheat the oven to 200 °C.",
            "Chop the onions, 10 minutes.",
            "Meanwhile, boil the rice for 12 minutes.",
            "Roast the onions for 40 minutes.",
            "Serve.",
        ]);
        Assert.Equal(
            ["", "", "1", "2,3", "4"],
            tasks.Select(task => string.Join(',', task.After.Order().Where(id => task.Id != "4" || id != "1")))
        );
        Assert.Contains("1", tasks[3].After);
    }

    [Fact]
    public void A_step_that_is_busy_in_two_places_is_two_tasks()
    {
        var tasks = TaskReader.Read(["Marinate the chicken for 30 minutes. Roast at 200 °C for 40 minutes."]);
        Assert.Equal([Appliance.Fridge, Appliance.Oven], tasks.Select(task => task.Appliance));
        Assert.Equal([30, 40], tasks.Select(task => task.Unattended));
        Assert.Equal(["1"], tasks[1].After);
    }

    [Fact]
    public void Steps_are_read_with_their_minutes_temperature_and_appliance()
    {
        var tasks = TaskReader.Read(["1. Chop the fennel for 10 minutes.", "Roast at 200 °C for 35–40 minutes.", "Stir in the herbs."]);
        Assert.Equal((10, 0, Appliance.None), (tasks[0].HandsOn, tasks[0].Unattended, tasks[0].Appliance));
        Assert.Equal(
            (TaskReader.PutIn, 40, Appliance.Oven, 200),
            (tasks[1].HandsOn, tasks[1].Unattended, tasks[1].Appliance, tasks[1].TemperatureC!.Value)
        );
        Assert.Equal((TaskReader.UsualHandsOn, 0), (tasks[2].HandsOn, tasks[2].Unattended));
        Assert.Equal([tasks[0].Id], tasks[1].After);
    }
}

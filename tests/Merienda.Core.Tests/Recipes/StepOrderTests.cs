using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

/// <summary>What waits for what in a dish of parts.</summary>
public class StepOrderTests
{
    private static readonly RecipeLine[] Pork =
    [
        .. new[] { "800 g pork shoulder", "2 tbsp olive oil", "2 bulbs fennel" }.Select(text => Line(text, "Pork")),
        .. new[] { "600 g potatoes", "50 g butter" }.Select(text => Line(text, "Mash")),
        Line("1 lemon", "Dressing"),
        Line("2 tbsp rapeseed oil", "Dressing"),
    ];

    private static RecipeLine Line(string text, string part) =>
        RecipeLine.From(new TypedLine(text, part) { Id = Guid.NewGuid() }, Table.Foods, MeasureSystem.Metric);

    /// <summary>Of each step, what it waits for: "1; 2,3".</summary>
    private static string After(params string[] steps) =>
        string.Join("; ", StepOrder.ByParts(TaskReader.Read(steps), Pork).Select(task => string.Join(",", task.After.Order())));

    [Fact]
    public void A_part_waits_only_for_itself() =>
        Assert.Equal(
            "; 1; ; 3; 2,4",
            After(
                "Brown the pork in the olive oil.",
                "Add the fennel and simmer for 90 minutes.",
                "Boil the potatoes for 20 minutes.",
                "Mash them with the butter.",
                "Serve the pork on the mash."
            )
        );

    [Theory]
    [InlineData("Return everything to the pan.", "; ; 1,2")]
    [InlineData("Layer the pork over the potatoes.", "; ; 1,2")]
    [InlineData("Add the lemon to the pan.", "; ; 1,2")]
    [InlineData("Whisk the lemon with the rapeseed oil.", "; ; ")]
    [InlineData("Rest for 5 minutes.", "; ; 2")]
    public void What_brings_parts_together_waits_for_all_of_them(string step, string after) =>
        Assert.Equal(after, After("Brown the pork in the olive oil.", "Boil the potatoes for 20 minutes.", step));

    [Fact]
    public void A_part_is_meant_by_its_name_too() =>
        Assert.Equal(
            "; ; 1; 2,3",
            After("Cut the fennel.", "Boil the potatoes.", "Roast the pork for an hour.", "Serve the mash with the pork.")
        );

    [Fact]
    public void After_parts_were_brought_together_a_part_waits_for_that() =>
        Assert.Equal(
            "; ; 1,2; 3",
            After(
                "Brown the pork.",
                "Boil the potatoes.",
                "Bake everything together for 20 minutes.",
                "Whisk the lemon with the rapeseed oil."
            )
        );

    [Fact]
    public void A_hot_oven_is_waited_for_by_what_goes_into_it() =>
        Assert.Equal(
            "; ; 1,2; ",
            After(
                "Preheat the oven to 200 °C.",
                "Rub the pork with the olive oil.",
                "Roast the pork at 200 °C for 60 minutes.",
                "Boil the potatoes for 20 minutes."
            )
        );

    [Fact]
    public void A_dish_of_one_part_is_cooked_step_by_step()
    {
        var steps = TaskReader.Read(["Brown the pork.", "Boil the potatoes."]);
        Assert.Equal(steps, StepOrder.ByParts(steps, [.. Pork.Where(line => line.Part == "Pork")]));
    }
}

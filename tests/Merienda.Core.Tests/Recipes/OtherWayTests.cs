using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

/// <summary>A recipe's own words for another place: it is no second step, and the session may choose it.</summary>
public class OtherWayTests
{
    [Theory]
    [InlineData("Roast the peppers at 200 °C for 38 minutes, or 25 minutes in the air fryer at 180 °C.", 38, 200, "AirFryer", 25, 180)]
    [InlineData("Bake for 40 minutes at 180C (or air fry for 20 minutes at 170C).", 40, 180, "AirFryer", 20, 170)]
    [InlineData("Air fry for 15 min at 190 °C or bake for 25 min at 200 °C.", 15, 190, "Oven", 25, 200)]
    [InlineData("Bake at 350F for 45 minutes. Alternatively, pressure cook for 12 minutes.", 45, 177, "PressureCooker", 12, null)]
    [InlineData("Simmer for 2 hours, or cook in the slow cooker for 8 hours.", 120, null, "SlowCooker", 480, null)]
    [InlineData("Bake the potatoes for 60 minutes or microwave for 12 minutes.", 60, null, "Microwave", 12, null)]
    public void Another_place_with_its_minutes_is_read(string text, int alone, int? heat, string place, int minutes, int? otherHeat)
    {
        var task = Assert.Single(TaskReader.Read([text]));
        Assert.Equal((text, alone, heat), (task.Text, task.Unattended, task.TemperatureC));
        Assert.Equal(new OtherPlace(Enum.Parse<Appliance>(place), minutes, otherHeat), task.Instead);
    }

    [Theory]
    [InlineData("Bake for 40 minutes or until golden.")]
    [InlineData("Simmer for 20 to 25 minutes, or longer if you like.")]
    [InlineData("Roast for 30 minutes, or until the oven is needed.")]
    [InlineData("Bake in the oven or in the air fryer for 20 minutes.")]
    [InlineData("Bake for 20 minutes, or 30 minutes in a cooler oven.")]
    [InlineData("Chill for an hour, or overnight in the fridge.")]
    [InlineData("Stir in the cream or yoghurt and simmer for 5 minutes.")]
    public void What_names_no_other_place_or_no_minutes_of_its_own_is_none(string text) =>
        Assert.All(TaskReader.Read([text]), task => Assert.Null(task.Instead));

    [Fact]
    public void A_step_that_begins_with_the_other_way_is_read_as_it_stands()
    {
        var task = Assert.Single(TaskReader.Read(["Or bake for 20 minutes at 200 °C."]));
        Assert.Equal(("Or bake for 20 minutes at 200 °C.", null), (task.Text, task.Instead));
    }
}

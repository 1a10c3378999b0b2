using Merienda.Core.Recipes;
using Merienda.Core.Sessions;

namespace Merienda.Core.Tests.Sessions;

/// <summary>What cooking teaches: remarks at both sides of their bounds, and a step as it really took.</summary>
public class CookRemarkTests
{
    private static readonly Guid Batch = Guid.NewGuid();

    [Fact]
    public void A_remark_is_kept_trimmed_and_one_that_says_nothing_is_none()
    {
        Assert.Equal(new CookRemark(Batch, "", null, "Too dark"), CookRemark.Of(Batch, "", null, " Too dark\n").Value);
        Assert.Equal(new CookRemark(Batch, "2", 25, ""), CookRemark.Of(Batch, "2", 25, " ").Value);
        Assert.Null(CookRemark.Of(Batch, "2", null, " ").Value);
    }

    [Theory]
    [InlineData(0, 0, 0, "took-out-of-range")]
    [InlineData(1, 400, 120, null)]
    [InlineData(1440, 0, 0, null)]
    [InlineData(1441, 0, 0, "took-out-of-range")]
    [InlineData(1, 401, 0, "remark-length")]
    [InlineData(1, 0, 121, "unknown-task")]
    public void It_is_held_to_its_bounds(int minutes, int letters, int task, string? code) =>
        Assert.Equal(code, CookRemark.Of(Batch, new string('t', task), minutes, new string('n', letters)).Refusal?.Code);

    [Theory]
    [InlineData(10, 0, 25, 25, 0)]
    [InlineData(10, 30, 55, 10, 45)]
    [InlineData(10, 30, 11, 10, 1)]
    [InlineData(10, 30, 10, 10, 0)]
    [InlineData(10, 30, 6, 6, 0)]
    [InlineData(0, 30, 45, 0, 45)]
    public void What_goes_on_by_itself_gives_way_first(int handsOn, int unattended, int took, int handsOnThen, int unattendedThen)
    {
        var step = new PrepTask("1", "Simmer", handsOn, unattended, Appliance.Burner, null, []).Taking(took);
        Assert.Equal((handsOnThen, unattendedThen), (step.HandsOn, step.Unattended));
    }

    [Theory]
    [InlineData("3", "3")]
    [InlineData("3~2", "3")]
    [InlineData("0123456789abcdef0123456789abcdef:3", "3")]
    [InlineData("0123456789abcdef0123456789abcdef:3~12", "3")]
    public void A_key_of_a_session_names_the_step_of_its_recipe(string key, string id) => Assert.Equal(id, CookedDish.IdOf(key));
}

namespace Merienda.Core.Tests.Foods;

public class NearnessTests
{
    [Theory]
    [InlineData("Ansel bay whitefish", "White fish fillet")]
    [InlineData("whole-leaf spinich", "Spinach")]
    [InlineData("smoked salmn", "Smoked salmon")]
    public void A_name_that_the_table_lacks_brings_its_like_among_the_five_nearest(string typed, string expected) =>
        Assert.Contains(expected, Table.Foods.Nearest(typed, 5).Select(food => food.Name));
}

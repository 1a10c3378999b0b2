namespace Merienda.Core.Tests.Foods;

public class NearnessTests
{
    [Theory]
    [InlineData("zuchini", "Courgette")]
    [InlineData("grated zuchinni", "Courgette")]
    [InlineData("oniosn", "Onion")]
    [InlineData("greek yogurth", "Greek yoghurt, whole milk")]
    [InlineData("Ansel bay whitefish", "White fish fillet")]
    [InlineData("whole-leaf spinich", "Spinach")]
    [InlineData("smoked salmn", "Smoked salmon")]
    public void A_name_that_the_table_lacks_brings_its_like_among_the_five_nearest(string typed, string expected) =>
        Assert.Contains(expected, Table.Foods.Nearest(typed, 5).Select(food => food.Name));
}

using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

public class UnusualAmountTests
{
    [Theory]
    [InlineData("14 lettuces", 2, true)] // 1,120 g a portion
    [InlineData("2 kg potatoes", 2, false)] // exactly 1,000 g
    [InlineData("2.01 kg potatoes", 2, true)]
    [InlineData("1 g cod", 1, false)]
    [InlineData("0.9 g cod", 1, true)]
    [InlineData("1 g salt", 8, false)] // salt makes no meal
    [InlineData("0.5 g sesame oil", 1, false)]
    [InlineData("5 l water", 1, false)]
    [InlineData("2 firkins of moonfruit", 1, false)]
    public void What_nobody_eats_is_asked_about(string text, int portions, bool isAsked) =>
        Assert.Equal(isAsked, UnusualAmount.Of(Table.Line(text), portions) is not null);
}

using Merienda.Core.Stock;

namespace Merienda.Core.Tests.Stock;

public class StockLineTests
{
    [Theory]
    [InlineData("500 g red lentils, 2 tins chopped tomatoes, 6 eggs", "500 g red lentils|2 tins chopped tomatoes|6 eggs")]
    [InlineData("500 g mince, frozen", "500 g mince, frozen")]
    [InlineData("500 g mince, frozen, 6 eggs", "500 g mince, frozen|6 eggs")]
    [InlineData("half a cabbage, a few carrots", "half a cabbage|a few carrots")]
    [InlineData("6 eggs\n1 l milk", "6 eggs|1 l milk")]
    [InlineData("6 eggs; -2 onions", "6 eggs|-2 onions")]
    [InlineData("salt", "salt")]
    [InlineData("milk 2L, butter 250g, and a bag of spinach", "milk 2L|butter 250g|a bag of spinach")]
    [InlineData("6 eggs and 2 lemons", "6 eggs|2 lemons")]
    [InlineData("- 4 onions\n• garlic, 1 head\n* 2 lemons", "4 onions|garlic, 1 head|2 lemons")]
    [InlineData("onions, 4, garlic", "onions, 4|garlic")]
    [InlineData("4 onions, 1 head garlic", "4 onions|1 head garlic")]
    [InlineData("1 kg potatoes, 2 dingbats", "1 kg potatoes|2 dingbats")]
    [InlineData("mince\nfrozen peas", "mince|frozen peas")]
    [InlineData("chicken thighs, skinless, milk", "chicken thighs, skinless|milk")]
    [InlineData("  ", "")]
    [InlineData("1,5 kg flour, 6 eggs", "1,5 kg flour|6 eggs")]
    public void A_line_is_parted_where_an_amount_follows(string line, string things) =>
        Assert.Equal(things, string.Join('|', StockLine.Things(line, Table.Foods)));
}

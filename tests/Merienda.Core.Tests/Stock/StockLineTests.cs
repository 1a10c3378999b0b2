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
    [InlineData("  ", "")]
    [InlineData("1,5 kg flour, 6 eggs", "1,5 kg flour|6 eggs")]
    public void A_line_is_parted_where_an_amount_follows(string line, string things) =>
        Assert.Equal(things, string.Join('|', StockLine.Things(line)));
}

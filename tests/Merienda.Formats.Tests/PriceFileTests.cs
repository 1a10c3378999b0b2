using System.Text;
using Merienda.Core.Quantities;
using Merienda.Core.Shopping;

namespace Merienda.Formats.Tests;

public class PriceFileTests
{
    private static readonly DataFiles Data = DataFiles.Load(DataFiles.Find());

    private static List<PriceRow> Rows(string text) =>
        [.. PriceFile.Read(Encoding.UTF8.GetBytes(text), Data.Foods, MeasureSystem.Metric, new(2026, 11, 28)).Value.Rows];

    [Fact]
    public void What_is_written_is_read_back_as_it_was()
    {
        Price[] prices =
        [
            new("lentils-red", 1.9m, "500 g", 500, "", new(2026, 11, 28)),
            new("lentils-red", 1.75m, "500 g", 500, "the quay, north", new(2026, 11, 28)),
            new("olive-oil", 8, "920 g", 920, "", new(2026, 11, 28)),
        ];
        var text = PriceFile.Write(prices, price => Data.Foods.WithKey(price.Food)!.Name);
        Assert.Equal(prices, Rows(text).Select(row => row.Price!));
    }

    [Theory]
    [InlineData("food;pack;price\nred lentils;500 g;1,90", 1.9)]
    [InlineData("PRICE,Food,pack\n1.9,red lentils,500 g\n", 1.9)]
    [InlineData("food\tpack\tprice\nred lentils\t500 g\t1.90\n", 1.9)]
    [InlineData("food,pack,price\nred lentils,500 g,€ 1.90\n", 1.9)]
    [InlineData("food,pack,price\nred lentils,500 g,1.90£\n", 1.9)]
    public void Semicolons_marks_and_any_order_are_taken(string text, double amount) =>
        Assert.Equal((decimal)amount, Rows(text).Single().Price!.Amount);

    [Theory]
    [InlineData("moonfruit,500 g,1", "food")]
    [InlineData(",500 g,1", "food")]
    [InlineData("red lentils,,1", "pack")]
    [InlineData("red lentils,500 g,", "price")]
    [InlineData("red lentils,500 g,cheap", "price")]
    [InlineData("red lentils,500 g,100001", "price")]
    public void A_wrong_cell_is_named_by_its_row_and_column(string row, string column)
    {
        var problem = Rows($"food,pack,price\n{row}\n").Single().Problem!;
        Assert.Equal((2, column), (problem.Row, problem.Column));
    }

    [Fact]
    public void One_food_has_one_price_at_a_shop()
    {
        var rows = Rows(
            "food,pack,price,shop\nred lentils,500 g,1,Quay\nred lentils,1 kg,2,\nlentils-red,500 g,1,quay\nred lentils,1 kg,2,quay\n"
        );
        Assert.Equal([true, true, false, false], rows.Select(row => row.Price is not null));
        Assert.StartsWith("row 2 has", rows[3].Problem!.Reason, StringComparison.Ordinal);
    }
}

using CsCheck;
using Merienda.Core.Shopping;
using Merienda.Core.Stock;

namespace Merienda.Core.Tests.Stock;

public class StockUsedTests
{
    private static readonly DateOnly Today = new(2026, 11, 28);

    private static StockItem There(string food, decimal? grams, int daysAgo = 0, int? bestBefore = null) =>
        new(
            Guid.NewGuid(),
            food,
            food,
            "2 tins",
            grams,
            StockPlace.Pantry,
            Today.AddDays(-daysAgo),
            null,
            null,
            null,
            bestBefore is { } days ? Today.AddDays(days) : null,
            null
        );

    private static IReadOnlyList<(StockItem Was, StockItem Is)> Use(string food, decimal grams, params StockItem[] stock) =>
        StockUsed.Of(stock, new Dictionary<string, decimal> { [food] = grams }, Today);

    [Fact]
    public void The_oldest_goes_first_and_what_is_empty_is_gone()
    {
        var (old, young) = (There("carrot", 300, 5), There("carrot", 500, 1));
        var changed = Use("carrot", 400, young, old);
        Assert.Equal([(old.Id, Today), (young.Id, (DateOnly?)null)], changed.Select(one => (one.Is.Id, one.Is.GoneOn)));
        Assert.Equal((400m, ""), (changed[1].Is.Grams!.Value, changed[1].Is.Amount));
        var (dated, undated) = (There("carrot", 300, 1, 3), There("carrot", 300, 9));
        Assert.Equal(dated.Id, Use("carrot", 100, undated, dated).Single().Is.Id);
    }

    [Fact]
    public void What_nobody_can_weigh_and_what_is_something_else_stays()
    {
        Assert.Empty(Use("carrot", 400, There("carrot", null), There("onion", 500)));
        Assert.Empty(Use("carrot", 0, There("carrot", 500)));
    }

    [Theory]
    [InlineData(499.1, true)]
    [InlineData(500, true)]
    [InlineData(501, true)]
    [InlineData(499, false)]
    public void Crumbs_are_nothing(double grams, bool isGone) =>
        Assert.Equal(isGone, Use("carrot", (decimal)grams, There("carrot", 500)).Single().Is.GoneOn is not null);

    [Fact]
    public void As_much_goes_as_is_used_or_all_there_is() =>
        Gen.Select(Gen.Int[0, 3000], Gen.Int[1, 1000].Array[0, 5])
            .Sample(
                (used, there) =>
                {
                    StockItem[] stock = [.. there.Select((grams, at) => There("carrot", grams, at))];
                    var taken = Use("carrot", used, stock)
                        .Sum(one => one.Was.Grams!.Value - (one.Is.GoneOn is null ? one.Is.Grams!.Value : 0));
                    Assert.InRange(taken, Math.Min(used, there.Sum()), Math.Min(used + 1, there.Sum()));
                }
            );
}

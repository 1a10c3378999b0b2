using Merienda.Core.Planning;

namespace Merienda.Core.Tests.Planning;

public class KitchenTests
{
    private static readonly KitchenItem Pot = new(Guid.NewGuid(), "pot", "Soup pot", 2, 5_000, 0.75m, 240, 180, 1_100);
    private static readonly ContainerKind Box = new(Guid.NewGuid(), "Glass box", 600, 8, "glass", true, true, true);
    private static readonly Kitchen Whole = new("metric", "point", 40, [Pot], [Box]);

    private static string? Code(Kitchen kitchen) => kitchen.Wrong()?.Code;

    private static string? Code(KitchenItem item) => Code(Whole with { Items = [Pot, item] });

    private static string? Code(ContainerKind kind) => Code(Whole with { Containers = [Box, kind] });

    [Fact]
    public void A_kitchen_that_is_there_is_taken_as_it_is_an_empty_one_too()
    {
        Assert.Null(Whole.Wrong());
        Assert.Null(new Kitchen("us", "comma", null, [], []).Wrong());
        Assert.Null(Code(Pot with { CapacityMl = null, FillShare = null, WidthMm = null, LengthMm = null, TareG = null }));
        Assert.All(KitchenItem.Kinds, kind => Assert.Null(Code(Pot with { Kind = kind })));
        Assert.All(ContainerKind.Materials, material => Assert.Null(Code(Box with { Material = material })));
        Assert.Subset(KitchenItem.Kinds.ToHashSet(), KitchenItem.Vessels.ToHashSet());
    }

    [Theory]
    [InlineData("metric", "point", null)]
    [InlineData("us", "comma", null)]
    [InlineData("Metric", "point", "unknown-units")]
    [InlineData("", "point", "unknown-units")]
    [InlineData("metric", "dot", "unknown-number-format")]
    public void Units_and_decimal_mark_are_of_two_each(string units, string mark, string? code) =>
        Assert.Equal(code, Code(Whole with { Units = units, NumberFormat = mark }));

    [Theory]
    [InlineData(-1, false)]
    [InlineData(0, true)]
    [InlineData(2_000, true)]
    [InlineData(2_001, false)]
    public void A_freezer_has_0_to_2000_litres(int litres, bool isRight) =>
        Assert.Equal(isRight ? null : "freezer-out-of-range", Code(Whole with { FreezerLitres = litres }));

    [Fact]
    public void A_hundred_rows_of_each_are_the_most()
    {
        Assert.Null(Code(Whole with { Items = [.. Enumerable.Repeat(Pot, 100)], Containers = [.. Enumerable.Repeat(Box, 100)] }));
        Assert.Equal("too-many-rows", Code(Whole with { Items = [.. Enumerable.Repeat(Pot, 101)] }));
        Assert.Equal(
            "too-many-rows",
            Code(Whole with { Ready = [.. Enumerable.Repeat(new ReadyChoice(default, "1 pear", null, 1), 101)] })
        );
        Assert.Equal("too-many-rows", Code(Whole with { Containers = [.. Enumerable.Repeat(Box, 101)] }));
    }

    [Theory]
    [InlineData(3, 1, null)]
    [InlineData(120, 50, null)]
    [InlineData(121, 1, "ready-length")]
    [InlineData(3, 0, "count-out-of-range")]
    [InlineData(3, 51, "count-out-of-range")]
    public void A_bought_thing_has_a_line_and_a_number_a_week(int length, int most, string? code) =>
        Assert.Equal(
            code,
            Code(Whole with { Ready = [new(Guid.NewGuid(), "1" + new string(' ', Math.Max(0, length - 2)) + "x", "bite", most)] })
        );

    [Theory]
    [InlineData("150 g skyr", null)]
    [InlineData("1 banana", null)]
    [InlineData("skyr", "ready-amount-missing")]
    [InlineData("", "ready-length")]
    public void A_bought_thing_says_how_much(string line, string? code) =>
        Assert.Equal(code, Code(Whole with { Ready = [new(Guid.NewGuid(), line, null, 1)] }));

    [Theory]
    [InlineData(0, false)]
    [InlineData(1, true)]
    [InlineData(60, true)]
    [InlineData(61, false)]
    public void A_name_has_1_to_60_characters(int length, bool isRight)
    {
        var name = new string('x', length);
        Assert.Equal(isRight ? null : "name-length", Code(Pot with { Name = name }));
        Assert.Equal(isRight ? null : "name-length", Code(Box with { Name = name }));
        Assert.Equal(isRight ? null : "name-length", Code(Box with { Name = $" {name} " }));
    }

    [Theory]
    [InlineData(0, false)]
    [InlineData(1, true)]
    [InlineData(50, true)]
    [InlineData(51, false)]
    public void There_are_1_to_50_of_an_appliance(int count, bool isRight) =>
        Assert.Equal(isRight ? null : "count-out-of-range", Code(Pot with { Count = count }));

    [Theory]
    [InlineData(0, false)]
    [InlineData(1, true)]
    [InlineData(100_000, true)]
    [InlineData(100_001, false)]
    public void A_vessel_holds_1_to_100000_ml(int capacity, bool isRight) =>
        Assert.Equal(isRight ? null : "capacity-out-of-range", Code(Pot with { CapacityMl = capacity }));

    [Theory]
    [InlineData(0, false)]
    [InlineData(0.01, true)]
    [InlineData(1, true)]
    [InlineData(1.01, false)]
    public void A_fill_line_stands_above_nothing_and_no_higher_than_the_brim(double share, bool isRight) =>
        Assert.Equal(isRight ? null : "fill-out-of-range", Code(Pot with { FillShare = (decimal)share }));

    [Theory]
    [InlineData(0, false)]
    [InlineData(1, true)]
    [InlineData(2_000, true)]
    [InlineData(2_001, false)]
    public void A_side_is_1_to_2000_mm(int side, bool isRight)
    {
        Assert.Equal(isRight ? null : "size-out-of-range", Code(Pot with { WidthMm = side }));
        Assert.Equal(isRight ? null : "size-out-of-range", Code(Pot with { LengthMm = side }));
    }

    [Theory]
    [InlineData(-1, false)]
    [InlineData(0, true)]
    [InlineData(100_000, true)]
    [InlineData(100_001, false)]
    public void An_empty_vessel_weighs_what_a_scale_shows(int grams, bool isRight) =>
        Assert.Equal(isRight ? null : "weight-out-of-range", Code(Pot with { TareG = grams }));

    [Theory]
    [InlineData(0, false)]
    [InlineData(1, true)]
    [InlineData(20_000, true)]
    [InlineData(20_001, false)]
    public void A_container_holds_1_to_20000_ml(int volume, bool isRight) =>
        Assert.Equal(isRight ? null : "volume-out-of-range", Code(Box with { VolumeMl = volume }));

    [Theory]
    [InlineData(0, false)]
    [InlineData(1, true)]
    [InlineData(500, true)]
    [InlineData(501, false)]
    public void There_are_1_to_500_containers_of_a_size(int count, bool isRight) =>
        Assert.Equal(isRight ? null : "count-out-of-range", Code(Box with { Count = count }));

    [Fact]
    public void What_is_wrong_is_named_by_its_row_the_appliances_first()
    {
        var kitchen = Whole with
        {
            Items = [Pot, Pot with { Kind = "campfire" }, Pot with { Count = 0 }],
            Containers = [Box with { Material = "bark" }],
        };
        Assert.Equal(("unknown-kind", "items[1].kind", "campfire"), Named(kitchen));
        Assert.Equal(("unknown-material", "containers[0].material", "bark"), Named(kitchen with { Items = [Pot] }));

        static (string, string, string) Named(Kitchen kitchen) =>
            kitchen.Wrong() is { } refusal ? (refusal.Code, refusal.Field, refusal.Value) : default;
    }
}

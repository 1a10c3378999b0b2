using CsCheck;
using Merienda.Core.Planning;

namespace Merienda.Core.Tests.Planning;

public class BatchTests
{
    private static readonly DateOnly Saturday = new(2026, 11, 21);
    private static readonly Guid Eater = Guid.NewGuid();

    private static Batch Make(decimal portions) => Batch.Make(Guid.NewGuid(), "B", Saturday, portions, Guid.NewGuid).Value;

    private static Cell Cell(int day, string meal = "supper") => new(Saturday.AddDays(day), meal, Eater);

    [Fact]
    public void A_batch_of_four_and_a_half_makes_four_boxes_and_a_half_one() =>
        Assert.Equal([1, 1, 1, 1, 0.5m], Make(4.5m).Containers.Select(box => box.Size));

    [Fact]
    public void Placing_takes_the_fullest_loose_box_and_the_last_half_at_the_end()
    {
        var batch = Make(1.5m).Place(Cell(1), Guid.NewGuid).Value;
        Assert.Equal(1m, batch.Containers.Single(box => box.Place == Cell(1)).Size);
        batch = batch.Place(Cell(2), Guid.NewGuid).Value;
        Assert.Equal(0.5m, batch.Containers.Single(box => box.Place == Cell(2)).Size);
        Assert.Equal("nothing-loose", batch.Place(Cell(3), Guid.NewGuid).Refusal?.Code);
    }

    [Fact]
    public void A_larger_portion_takes_from_what_is_loose_and_a_smaller_one_gives_back()
    {
        var batch = Make(2).Place(Cell(1), Guid.NewGuid).Value;
        var placed = batch.Containers.Single(box => box.Place is not null).Id;
        var larger = batch.ChangeSize(placed, 1, 1.5m, Guid.NewGuid).Value;
        Assert.Equal(0.5m, larger.Loose);
        Assert.Equal("nothing-loose", larger.ChangeSize(placed, 1.5m, 2.25m, Guid.NewGuid).Refusal?.Code);
        Assert.Equal(1.25m, larger.ChangeSize(placed, 1.5m, 0.75m, Guid.NewGuid).Value.Loose);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(-1)]
    [InlineData(0.1)]
    [InlineData(4.25)]
    public void A_size_out_of_range_or_step_is_refused(double size)
    {
        var batch = Make(9).Place(Cell(1), Guid.NewGuid).Value;
        Assert.Equal(
            "size-out-of-range",
            batch.ChangeSize(batch.Containers.Single(box => box.Place is not null).Id, 1, (decimal)size, Guid.NewGuid).Refusal?.Code
        );
    }

    [Theory]
    [InlineData(0)]
    [InlineData(-3)]
    [InlineData(61)]
    [InlineData(2.1)]
    public void A_number_of_portions_out_of_range_is_refused(double portions) =>
        Assert.Equal("portions-out-of-range", Batch.Make(Guid.NewGuid(), "B", Saturday, (decimal)portions, Guid.NewGuid).Refusal?.Code);

    [Fact]
    public void A_portion_that_went_elsewhere_meanwhile_is_not_moved_again()
    {
        var batch = Make(2).Place(Cell(1), Guid.NewGuid).Value;
        var box = batch.Containers.Single(item => item.Place is not null).Id;
        var moved = batch.Move(box, Cell(1), Cell(2), Guid.NewGuid).Value;
        Assert.Equal("container-moved", moved.Move(box, Cell(1), Cell(3), Guid.NewGuid).Refusal?.Code);
        Assert.Equal(2m, moved.Move(box, Cell(2), null, Guid.NewGuid).Value.Loose);
        Assert.Equal("container-gone", moved.Move(Guid.NewGuid(), Cell(1), null, Guid.NewGuid).Refusal?.Code);
    }

    [Fact]
    public void Cooking_less_than_is_placed_is_refused_with_the_number_to_take_back()
    {
        var batch = Enumerable.Range(1, 3).Aggregate(Make(4), (made, day) => made.Place(Cell(day), Guid.NewGuid).Value);
        Assert.Equal(1, batch.Resize(3, Guid.NewGuid).Value.Containers.Count(box => box.Place is null) + 1);
        Assert.Contains("Take back 1", batch.Resize(2, Guid.NewGuid).Refusal!.Cure, StringComparison.Ordinal);
    }

    [Fact]
    public void Whatever_is_done_the_boxes_hold_just_what_was_cooked_and_keep_unique_numbers() =>
        Gen.Select(Gen.Int[0, 5], Gen.Int[0, 6], Gen.Int[1, 24])
            .Array[1, 40]
            .Sample(steps =>
            {
                var batch = Make(5);
                foreach (var (kind, which, quarters) in steps)
                {
                    var placed = batch.Containers.Where(box => box.Place is not null).ToList();
                    var box = placed.Count == 0 ? null : placed[which % placed.Count];
                    var changed = kind switch
                    {
                        0 or 1 => batch.Place(Cell(which), Guid.NewGuid),
                        2 when box is not null => batch.Move(box.Id, box.Place!, null, Guid.NewGuid),
                        3 when box is not null => batch.Move(box.Id, box.Place!, Cell(which, "lunch"), Guid.NewGuid),
                        4 when box is not null => batch.ChangeSize(box.Id, box.Size, quarters / 4m, Guid.NewGuid),
                        5 => batch.Resize(quarters / 4m, Guid.NewGuid),
                        _ => batch,
                    };
                    batch = changed.IsRefused ? batch : changed.Value;
                    if (
                        batch.Containers.Sum(item => item.Size) != batch.Portions
                        || batch.Containers.Select(item => item.Number).Distinct().Count() != batch.Containers.Count
                        || batch.Containers.Any(item => item.Size <= 0)
                    )
                    {
                        return false;
                    }
                }

                return true;
            });

    [Fact]
    public void Of_boxes_equally_full_the_lowest_number_is_taken_first()
    {
        var batch = Make(3).Place(Cell(1), Guid.NewGuid).Value.Place(Cell(2), Guid.NewGuid).Value;
        Assert.Equal([1, 2], batch.Containers.Where(box => box.Place is not null).Select(box => box.Number));
        var back = batch.Move(batch.Containers.Single(box => box.Place == Cell(1)).Id, Cell(1), null, Guid.NewGuid).Value;
        Assert.Equal(1, back.Place(Cell(3), Guid.NewGuid).Value.Containers.Single(box => box.Place == Cell(3)).Number);
    }

    [Fact]
    public void A_portion_may_take_exactly_what_is_loose_and_no_step_more()
    {
        var batch = Make(2).Place(Cell(1), Guid.NewGuid).Value;
        var placed = batch.Containers.Single(box => box.Place is not null).Id;
        var all = batch.ChangeSize(placed, 1, 2, Guid.NewGuid).Value;
        Assert.Equal((0m, 1), (all.Loose, all.Containers.Count));
        Assert.Equal("nothing-loose", batch.ChangeSize(placed, 1, 2.25m, Guid.NewGuid).Refusal?.Code);
    }
}

using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Tests.Planning;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Filling;

/// <summary>How many boxes stand at once, against what the kitchen has.</summary>
public class WaitingBoxesTests
{
    private static readonly DateOnly Saturday = Sunday.AddDays(-1);
    private static readonly Guid Eater = Guid.NewGuid();

    private static Kitchen Kitchen(int containers, decimal? freezer = null) =>
        new("metric", "point", freezer, [], [new(Guid.NewGuid(), "Box", 1000, containers, "glass", true, true, true)]);

    private static Cell Supper(int day) => new(Sunday.AddDays(day), "supper", Eater);

    private static List<WaitingBox> Boxes(params (int Filled, int Until, bool IsFrozen)[] boxes) =>
        [.. boxes.Select(box => new WaitingBox(Sunday.AddDays(box.Filled), Sunday.AddDays(box.Until), box.IsFrozen))];

    [Fact]
    public void Boxes_that_stand_at_once_are_too_many_on_the_day_they_are()
    {
        // Saturday's three; one is eaten on Tuesday, and on Wednesday two more are filled: four stand then.
        var boxes = Boxes((-1, 2, false), (-1, 4, false), (-1, 5, false), (3, 5, false), (3, 6, false));
        Assert.Empty(Kitchen(4).Lacks(boxes, Saturday));
        var lack = Assert.Single(Kitchen(3).Lacks(boxes, Saturday));
        Assert.Equal((Sunday.AddDays(3), "There are 3 containers, and 4 would be full after Wednesday's session."), (lack.Date, lack.Text));
        Assert.Equal(2, Kitchen(2).Lacks(boxes, Saturday).Count());
        // What is over nobody changes any more.
        Assert.Single(Kitchen(2).Lacks(boxes, Sunday));
        Assert.Empty(new Kitchen("metric", "point", null, [], []).Lacks(boxes, Saturday));
    }

    [Fact]
    public void The_freezer_has_room_of_its_own()
    {
        var boxes = Boxes((-1, 5, true), (-1, 6, true), (-1, 2, false));
        Assert.Empty(Kitchen(9, 2).Lacks(boxes, Saturday));
        Assert.Equal(
            "The freezer has room for 1 box, and 2 would be in it after Saturday's session.",
            Assert.Single(Kitchen(9, 1).Lacks(boxes, Saturday)).Text
        );
    }

    [Fact]
    public void Placed_portions_loose_ones_and_boxes_that_are_there_all_stand_somewhere()
    {
        var (cooked, filled) = (
            Cooked.Batch("A", Saturday, 3) with
            {
                Keeping = KeepingClass.WithKey("cooked"),
            },
            Cooked.Batch("B", Saturday, 3) with
            {
                PortionedOn = Saturday,
            }
        );
        Container Box(int number, params BoxEvent[] life) => new(Guid.NewGuid(), filled.Id, filled.Lots[0].Id, number, 1, life);
        BoxEvent Said(BoxEventKind kind) =>
            new(Guid.NewGuid(), kind, DateTimeOffset.UnixEpoch, Saturday, kind == BoxEventKind.Gone ? 1 : 0, null, "");
        var plan = new WeekPlan(Sunday, [cooked, filled], [], [])
        {
            Containers = [Box(1), Box(2, Said(BoxEventKind.Frozen)), Box(3, Said(BoxEventKind.Gone))],
        };
        plan = plan.Place(cooked.Id, Supper(5), 1.5m, Guid.NewGuid).Value;
        Assert.Equal(
            [
                new(Saturday, Sunday.AddDays(5), true),
                // One and a half portions are loose: two boxes.
                new(Saturday, DateOnly.MaxValue, false),
                new(Saturday, DateOnly.MaxValue, false),
                new(DateOnly.MinValue, DateOnly.MaxValue, false),
                new WaitingBox(DateOnly.MinValue, DateOnly.MaxValue, true),
            ],
            WaitingBoxes.Of(plan, _ => true)
        );
        // Nothing is loose while somebody seeks a meal for it.
        Assert.Equal(3, WaitingBoxes.Of(plan, box => box.Cell is not null).Count());
        // By choice.
        var frozen = plan.Freeze(cooked.Id, FreezeShare.All).Value;
        Assert.Equal(4, WaitingBoxes.Of(frozen, _ => true).Count(box => box.IsFrozen));
    }
}

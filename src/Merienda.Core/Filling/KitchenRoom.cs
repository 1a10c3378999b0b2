using Merienda.Core.Planning;
using Merienda.Core.Sessions;

namespace Merienda.Core.Filling;

/// <summary>What the kitchen that is there can hold: boxes, room in the freezer, and the largest batch of a dish.</summary>
public static class KitchenRoom
{
    private const int MillilitresOfLitre = 1000;

    /// <summary>A box in a freezer whose containers nobody listed, ml [C].</summary>
    private const int UsualBox = 700;

    /// <summary>The wishes within what a kitchen holds.</summary>
    public static FillWishes Within(this FillWishes wishes, Kitchen kitchen)
    {
        var (freezer, boxes) = kitchen.Room();
        return wishes with { FreezerBoxes = freezer ?? wishes.FreezerBoxes, Boxes = boxes ?? wishes.Boxes };
    }

    /// <summary>Boxes that go into the freezer, and boxes at all; null for what nobody said.</summary>
    public static (int? Freezer, int? Boxes) Room(this Kitchen kitchen)
    {
        var freezing = kitchen.Containers.Where(kind => kind.MayFreeze).ToList();
        var many = freezing.Sum(kind => kind.Count);
        var each = many == 0 ? UsualBox : freezing.Sum(kind => kind.VolumeMl * kind.Count) / many;
        var room = kitchen.FreezerLitres is { } litres ? (int?)(litres * MillilitresOfLitre / each) : null;
        return (
            many == 0 ? room : Math.Min(room ?? many, many),
            kitchen.Containers.Count == 0 ? null : kitchen.Containers.Sum(kind => kind.Count)
        );
    }

    /// <summary>Most whole portions of a dish that go into the kitchen's vessels at once; null where none is known to be too many.</summary>
    /// <param name="most">Nobody cooks more.</param>
    public static int? MostOf(FillDish dish, Kitchen kitchen, int most)
    {
        bool Fits(int portions) =>
            CookedDish
                .Alone(dish.Version, portions)
                .SelectMany(cooked => VesselFit.Of(cooked, kitchen))
                .All(finding => finding.Rounds == 1);
        if (Fits(most) || !Fits(1))
        {
            return null;
        }

        var (fits, tooMany) = (1, most);
        while (tooMany - fits > 1)
        {
            var middle = (fits + tooMany) / 2;
            (fits, tooMany) = Fits(middle) ? (middle, tooMany) : (fits, middle);
        }

        return fits;
    }
}

using Google.OrTools.Sat;
using Merienda.Core.Filling;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Solving;

/// <summary>Meals of one eater on one day that are interchangeable.</summary>
internal sealed record Group(Eater Eater, DateOnly Date, IReadOnlyList<MealSlot> Slots)
{
    /// <summary>Whether it is for bought things that come beside what fills a meal.</summary>
    public bool IsBeside { get; init; }

    public bool IsMain => Slots[0].IsMain;
}

/// <summary>Where portions of a choice come from: a session, or what is there.</summary>
/// <param name="Session">Its place among the question's; null for a rest.</param>
/// <param name="Rest">Its place among the question's; null for a session.</param>
/// <param name="Is">Whether they come from there.</param>
internal sealed record Source(int? Session, int? Rest, bool IsFrozen, BoolVar Is, IntVar Quarters);

/// <summary>A dish on a group of meals.</summary>
/// <param name="Only">The one meal of the group that it may be at; null for any.</param>
internal sealed record Choice(Group Group, int Dish, FillSizes Sizes, MealSlot? Only, BoolVar Is, IntVar Quarters)
{
    public List<Source> From { get; } = [];

    /// <summary>Whether it is one size larger than the least, two, and so on; made when somebody asks.</summary>
    public List<BoolVar> Larger { get; } = [];
}

/// <summary>A recipe cooked in a session.</summary>
/// <param name="Portions">Whole ones, by dish.</param>
internal sealed record Made(Guid Recipe, int Session, BoolVar Is, IReadOnlyDictionary<int, IntVar> Portions);

/// <summary>More of a batch that is planned, and what of it nobody eats.</summary>
internal sealed record Grown(int Rest, IntVar More, IntVar Left);

/// <summary>A meal as it stands: whether it stays so.</summary>
internal sealed record Stays(FillNow Now, BoolVar Is);

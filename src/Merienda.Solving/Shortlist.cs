using Merienda.Core.Filling;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Solving;

/// <summary>
/// A few recipes to search with, of a library that may be large: each eater chooses in turn for each kind of meal what comes nearest to the
/// own limits, what others may have too, what is soon done and what keeps. What was tried in vain comes later.
/// </summary>
internal sealed class Shortlist
{
    /// <summary>
    /// What a recipe gains when another eater may have it too or when it uses what goes off soon, and loses for half an hour by hand, for not lasting from one session to the
    /// next, and each time it was tried; noise decides between equals. In parts of a meal's allowance [C].
    /// </summary>
    private const double Shared = 0.3,
        Due = 0.5,
        HalfHour = 0.15,
        Short = 0.3,
        Tried = 0.25,
        Variant = 0.15,
        Noise = 0.2;

    private const int HalfHourMinutes = 30,
        LastingDays = 4;

    private readonly FillQuestion _question;
    private readonly List<int> _always;
    private readonly List<List<(Guid Recipe, int Dish, double Misfit)>> _wanted = [];
    private readonly Dictionary<Guid, int> _tried = [];
    private readonly HashSet<Guid> _due;
    private readonly Random _noise;

    public Shortlist(FillQuestion question, FillTable table, int seed)
    {
        (_question, _noise) = (question, new Random(seed));
        _due =
        [
            .. question
                .Dishes.Where(dish =>
                    question.Due.Any(thing => question.Sessions.Any(session => thing.IsUsedBy(dish.Version, session.Date)))
                )
                .Select(dish => dish.Recipe),
        ];
        _always =
        [
            .. question
                .Rests.Select(rest => rest.Dish)
                .Concat(Enumerable.Range(0, question.Dishes.Count).Where(dish => question.Dishes[dish].Ready is not null))
                .Distinct(),
        ];
        var cookable = Enumerable.Range(0, question.Dishes.Count).Except(_always).ToList();
        foreach (var kind in question.Open.GroupBy(cell => (cell.Eater, Kind: KindOf(cell))).OrderBy(kind => kind.Key.Kind))
        {
            var eater = question.Eaters.First(one => one.Id == kind.Key.Eater);
            var (slot, date) = (question.Rhythm.Meal(kind.First().Meal)!, kind.First().Date);
            _wanted.Add([
                .. cookable
                    .Select(dish => (question.Dishes[dish].Recipe, dish, table.SizesOf(eater, date, slot, dish)))
                    .Where(one => one.Item3.IsAny)
                    .Select(one => (one.Recipe, one.dish, Misfit(table, eater, date, slot, one.dish, one.Item3)))
                    // Of a recipe the variant that is best for this eater.
                    .GroupBy(one => one.Recipe)
                    .Select(recipe => recipe.MinBy(one => one.Item3)),
            ]);
        }
    }

    /// <summary>Dishes of so many recipes: some that stay in, and the best of the others.</summary>
    public IReadOnlyList<int> Of(int recipes, IEnumerable<int> keep)
    {
        var (kept, chosen) = (keep.ToHashSet(), new HashSet<Guid>());
        chosen.UnionWith(kept.Select(dish => _question.Dishes[dish].Recipe));
        var shared = _wanted
            .SelectMany(kind => kind.Select(one => one.Recipe))
            .GroupBy(one => one)
            .ToDictionary(one => one.Key, one => one.Count());
        var queues = _wanted
            .Select(kind => new Queue<Guid>(
                kind.OrderBy(one =>
                        one.Misfit
                        - (Shared * (shared[one.Recipe] - 1))
                        - (_due.Contains(one.Recipe) ? Due : 0)
                        + (Tried * _tried.GetValueOrDefault(one.Recipe))
                        + (Noise * _noise.NextDouble())
                    )
                    .Select(one => one.Recipe)
            ))
            .ToList();
        while (chosen.Count < recipes && queues.Exists(queue => queue.Count > 0))
        {
            foreach (var queue in queues)
            {
                while (chosen.Count < recipes && queue.TryDequeue(out var next))
                {
                    if (chosen.Add(next))
                    {
                        break;
                    }
                }
            }
        }

        foreach (var recipe in chosen)
        {
            _tried[recipe] = _tried.GetValueOrDefault(recipe) + 1;
        }

        kept.UnionWith(_wanted.SelectMany(kind => kind).Where(one => chosen.Contains(one.Recipe)).Select(one => one.Dish));
        kept.UnionWith(_always);
        return [.. kept.Order()];
    }

    private string KindOf(Cell cell) => _question.Rhythm.Meal(cell.Meal)! is { IsMain: false } slot ? slot.Key : "";

    /// <summary>How far a portion is from what a meal may bring to the day, and what speaks against cooking it.</summary>
    private double Misfit(FillTable table, Eater eater, DateOnly date, MealSlot slot, int dish, FillSizes sizes)
    {
        var share = eater.ShareOf(slot.Key) ?? (1m / Math.Max(1, eater.Meals.Count));
        var helping = table.HelpingOf(dish, (sizes.Least + sizes.Most) / 2);
        var off = FillTable
            .FormsOf(eater, date)
            .Where(form => form.Period == Period.Day)
            .Sum(form => Off(form, form.Of(helping).Best, share));
        var asked = _question.Dishes[dish];
        var lasts = asked.Keeping.Freezes || asked.Keeping.FridgeDays >= LastingDays;
        return (double)off + (HalfHour * asked.HandsOn / HalfHourMinutes) + (lasts ? 0 : Short) + (asked.Variant is null ? 0 : Variant);
    }

    private static decimal Off(LinearForm form, decimal brought, decimal share)
    {
        var (least, most) = ((form.Aim?.Low ?? form.AtLeast) * share, form.AtMost * share);
        return (least > 0 ? Math.Max(0, (least.Value - brought) / least.Value) : 0)
            + (
                most > 0 ? Math.Max(0, (brought - most.Value) / most.Value)
                : most == 0 && brought > 0 ? 0.5m
                : 0
            );
    }
}

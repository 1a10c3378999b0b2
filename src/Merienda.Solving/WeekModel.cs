using Google.OrTools.Sat;
using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Solving;

/// <summary>
/// A week to fill as a CP-SAT model. For an eater, a day and a group of meals a dish is there or not (y) and in so many quarters of a
/// portion (q); a batch gives whole portions. The two large meals of a day are one group of two: who gets which is settled afterwards, and
/// a dish never comes twice on a day. Sums of a day and a week are whole numbers, rounded outward.
/// </summary>
internal sealed class WeekModel
{
    /// <summary>Meals of one eater on one day that are interchangeable.</summary>
    private sealed record Group(Eater Eater, DateOnly Date, IReadOnlyList<MealSlot> Slots);

    /// <summary>A dish on a group of meals.</summary>
    /// <param name="Only">The one meal of the group that it may be at; null for any.</param>
    private sealed record Choice(Group Group, int Dish, FillSizes Sizes, MealSlot? Only, BoolVar Is, IntVar Quarters)
    {
        public List<(int Session, bool IsFrozen, BoolVar Is, IntVar Quarters)> From { get; } = [];
    }

    private sealed record Batch(Guid Recipe, int Session, BoolVar Is, IReadOnlyDictionary<int, IntVar> Portions);

    private readonly FillQuestion _question;
    private readonly FillTable _table;
    private readonly CpModel _model = new();
    private readonly List<Group> _groups = [];
    private readonly List<Choice> _choices = [];
    private readonly List<Batch> _batches = [];
    private readonly Dictionary<Group, LinearExpr> _uncovered = [];
    private readonly List<IntVar> _off = [];
    private readonly List<IntVar> _same = [];

    public WeekModel(FillQuestion question, FillTable table, IReadOnlyList<int> dishes)
    {
        (_question, _table) = (question, table);
        MakeGroups();
        foreach (var group in _groups)
        {
            Choose(group, dishes);
        }

        Cook();
        foreach (var eater in question.Eaters)
        {
            KeepSums(eater);
            KeepVariety(eater);
            Cut(eater, true);
            Cut(eater, false);
        }
    }

    public CpModel Model => _model;

    public LinearExpr Uncovered => LinearExpr.Sum(_uncovered.Values);

    /// <summary>Percent by which days miss where they should lie.</summary>
    public LinearExpr Off => LinearExpr.Sum(_off);

    /// <summary>Minutes by hand of all batches, and three for each quarter of a portion that nobody eats [C].</summary>
    public LinearExpr Work =>
        LinearExpr.Sum(_batches.Select(batch => batch.Is * MinutesOf(batch)))
        + (LinearExpr.Sum(_batches.SelectMany(batch => batch.Portions.Values)) * (FillTable.Quarters * LeftoverQuarter))
        - (LinearExpr.Sum(_choices.Select(choice => choice.Quarters)) * LeftoverQuarter);

    /// <summary>How many batches are cooked.</summary>
    public LinearExpr Batches => LinearExpr.Sum(_batches.Select(batch => batch.Is));

    /// <summary>How often a dish comes more than twice to somebody.</summary>
    public LinearExpr Same => LinearExpr.Sum(_same);

    private const int LeftoverQuarter = 3;

    /// <summary>From so many times a dish is the same again [C].</summary>
    private const int FewTimes = 2;

    /// <summary>Sums are whole numbers of about this size: rounding moves a day by less than a ten-thousandth.</summary>
    private const decimal Grain = 200_000;

    private int MinutesOf(Batch batch) => batch.Portions.Keys.Min(dish => _question.Dishes[dish].HandsOn);

    private void MakeGroups()
    {
        foreach (var day in _question.Open.GroupBy(cell => (cell.Eater, cell.Date)))
        {
            var eater = _question.Eaters.First(one => one.Id == day.Key.Eater);
            var slots = day.Select(cell => _question.Rhythm.Meal(cell.Meal)!).ToList();
            if (slots.Where(slot => slot.IsMain).ToList() is { Count: > 0 } mains)
            {
                _groups.Add(new(eater, day.Key.Date, mains));
            }

            _groups.AddRange(slots.Where(slot => !slot.IsMain).Select(slot => new Group(eater, day.Key.Date, [slot])));
        }
    }

    private void Choose(Group group, IReadOnlyList<int> dishes)
    {
        var choices = new List<Choice>();
        foreach (var dish in dishes)
        {
            var asked = _question.Dishes[dish];
            var sources = _question
                .Sessions.Select((session, at) => (session, at))
                .Where(one => one.session.EatenFrom <= group.Date)
                .Select(one => (one.at, Kept: asked.KeptUntil(one.session.Date, group.Date)))
                .Where(one => one.Kept != KeptIn.PastItsTime)
                .ToList();
            var (sizes, only) = SizesIn(group, dish);
            if (sources.Count == 0 || !sizes.IsAny)
            {
                continue;
            }

            var name = $"{group.Eater.Name} {group.Date:ddd} {group.Slots[0].Key} {dish}";
            var choice = new Choice(group, dish, sizes, only, _model.NewBoolVar(name), _model.NewIntVar(0, sizes.Most, $"{name} size"));
            _model.Add(choice.Quarters <= sizes.Most * choice.Is);
            _model.Add(choice.Quarters >= sizes.Least * choice.Is);
            if (sources.Count == 1)
            {
                choice.From.Add((sources[0].at, sources[0].Kept == KeptIn.Freezer, choice.Is, choice.Quarters));
            }
            else
            {
                foreach (var (session, kept) in sources)
                {
                    var from = _model.NewBoolVar($"{name} of {session}");
                    var quarters = _model.NewIntVar(0, sizes.Most, $"{name} size of {session}");
                    _model.Add(quarters <= sizes.Most * from);
                    choice.From.Add((session, kept == KeptIn.Freezer, from, quarters));
                }

                _model.Add(LinearExpr.Sum(choice.From.Select(one => one.Is)) == choice.Is);
                _model.Add(LinearExpr.Sum(choice.From.Select(one => one.Quarters)) == choice.Quarters);
            }

            choices.Add(choice);
        }

        var filled = LinearExpr.Sum(choices.Select(choice => choice.Is));
        _model.Add(filled <= group.Slots.Count);
        foreach (var only in choices.Where(choice => choice.Only is not null).GroupBy(choice => choice.Only!.Key))
        {
            _model.Add(LinearExpr.Sum(only.Select(choice => choice.Is)) <= 1);
        }

        // Variants of a dish are the same dish.
        foreach (var same in choices.GroupBy(choice => _question.Dishes[choice.Dish].Recipe).Where(same => same.Count() > 1))
        {
            _model.Add(LinearExpr.Sum(same.Select(choice => choice.Is)) <= 1);
        }

        _uncovered[group] = LinearExpr.Constant(group.Slots.Count) - filled;
        _choices.AddRange(choices);
    }

    /// <summary>Sizes at any meal of a group; where only one of its meals takes the dish, that one.</summary>
    private (FillSizes Sizes, MealSlot? Only) SizesIn(Group group, int dish)
    {
        var each = group
            .Slots.Select(slot => (slot, sizes: _table.SizesOf(group.Eater, group.Date, slot, dish)))
            .Where(one => one.sizes.IsAny)
            .ToList();
        if (each.Count == 0)
        {
            return (FillSizes.None, null);
        }

        var both = new FillSizes(each.Max(one => one.sizes.Least), each.Min(one => one.sizes.Most), each.Any(one => one.sizes.IsClose));
        return each.Count == group.Slots.Count && both.IsAny ? (both, null) : (each[0].sizes, each[0].slot);
    }

    private void Cook()
    {
        var drawn = _choices
            .SelectMany(choice => choice.From.Select(from => (choice.Dish, from)))
            .GroupBy(item => (_question.Dishes[item.Dish].Recipe, item.from.Session));
        foreach (var batch in drawn)
        {
            var isMade = _model.NewBoolVar($"batch {batch.Key.Session}");
            var portions = new Dictionary<int, IntVar>();
            foreach (var lot in batch.GroupBy(item => item.Dish))
            {
                var many = _model.NewIntVar(0, _question.Wishes.MostPortions, $"portions of {lot.Key} in {batch.Key.Session}");
                _model.Add(LinearExpr.Sum(lot.Select(item => item.from.Quarters)) <= many * FillTable.Quarters);
                portions[lot.Key] = many;
                foreach (var (_, from) in lot)
                {
                    _model.AddImplication(from.Is, isMade);
                }
            }

            _model.Add(LinearExpr.Sum(portions.Values) <= _question.Wishes.MostPortions * isMade);
            _batches.Add(new(batch.Key.Recipe, batch.Key.Session, isMade, portions));
        }

        var frozen = _choices.SelectMany(choice => choice.From).Where(from => from.IsFrozen).Select(from => from.Is).ToList();
        if (frozen.Count > 0)
        {
            _model.Add(LinearExpr.Sum(frozen) <= _question.Wishes.FreezerBoxes);
        }

        // Each batch gives a dish to one eater at most so many times: few batches cannot fill many meals.
        foreach (var choice in _choices)
        {
            _model.AddBoolOr([.. choice.From.Select(from => MadeIn(choice.Dish, from.Session)), choice.Is.Not()]);
        }
    }

    /// <summary>
    /// What follows from the rest and says it sooner: a batch gives a dish to one eater only so often, so that few batches leave meals
    /// uncovered. Without it the bound of the work is a third of what it is with it.
    /// </summary>
    private void Cut(Eater eater, bool isLarge)
    {
        var choices = _choices.Where(choice => choice.Group.Eater.Id == eater.Id && choice.Group.Slots[0].IsMain == isLarge).ToList();
        var most = isLarge ? _question.Wishes.MostTimes : WeekPlan.Days;
        var made = new HashSet<BoolVar>();
        foreach (var dish in choices.GroupBy(choice => _question.Dishes[choice.Dish].Recipe))
        {
            var serves = dish.SelectMany(choice => choice.From.Select(from => (from.Session, choice.Group.Date)))
                .Distinct()
                .GroupBy(one => one.Session)
                .Select(one => (Is: MadeIn(dish.First().Dish, one.Key), Days: Math.Min(most, one.Count())))
                .ToList();
            made.UnionWith(serves.Select(one => one.Is));
            _model.Add(LinearExpr.Sum(dish.Select(choice => choice.Is)) <= LinearExpr.Sum(serves.Select(one => one.Is * one.Days)));
        }

        var groups = _groups.Where(group => group.Eater.Id == eater.Id && group.Slots[0].IsMain == isLarge).ToList();
        foreach (var kind in isLarge ? [groups] : groups.GroupBy(group => group.Slots[0].Key).Select(kind => kind.ToList()))
        {
            var mine = isLarge
                ? made
                :
                [
                    .. choices
                        .Where(choice => kind.Contains(choice.Group))
                        .SelectMany(choice => choice.From.Select(from => MadeIn(choice.Dish, from.Session))),
                ];
            var cells = kind.Sum(group => group.Slots.Count);
            _model.Add(LinearExpr.Sum(mine) + LinearExpr.Sum(kind.Select(group => _uncovered[group])) >= (cells + most - 1) / most);
        }
    }

    private BoolVar MadeIn(int dish, int session) =>
        _batches.First(batch => batch.Session == session && batch.Recipe == _question.Dishes[dish].Recipe).Is;

    private void KeepSums(Eater eater)
    {
        var days = _choices.Where(choice => choice.Group.Eater.Id == eater.Id).ToLookup(choice => choice.Group.Date);
        var placed = _question.Placed.Where(item => item.Cell.Eater == eater.Id).ToLookup(item => item.Cell.Date, item => item.Helping);
        foreach (var date in _question.Dates)
        {
            foreach (var form in FillTable.FormsOf(eater, date).Where(form => form.Period == Period.Day))
            {
                Keep(form, [.. days[date]], [.. placed[date]], OpenOn(eater, date), _question.ShareOf(eater, date));
            }
        }

        var last = _question.Start.AddDays(WeekPlan.Days - 1);
        foreach (var form in FillTable.FormsOf(eater, last).Where(form => form.Period == Period.Week))
        {
            var open = LinearExpr.Sum(_groups.Where(group => group.Eater.Id == eater.Id).Select(group => _uncovered[group]));
            Keep(form, [.. days.SelectMany(day => day)], [.. placed.SelectMany(day => day)], open, 1);
        }
    }

    private LinearExpr OpenOn(Eater eater, DateOnly date) =>
        LinearExpr.Sum(_groups.Where(group => group.Eater.Id == eater.Id && group.Date == date).Select(group => _uncovered[group]));

    /// <param name="open">Meals of the period that nothing covers: each of them may yet bring what a floor lacks.</param>
    /// <param name="share">Of the period that is planned here: floors and aims are asked of so much.</param>
    private void Keep(LinearForm form, List<Choice> choices, List<Helping> placed, LinearExpr open, decimal share)
    {
        var brought = choices
            .Select(choice => (choice, Least: Of(form, choice, choice.Sizes.Least), Most: Of(form, choice, choice.Sizes.Most)))
            .Where(one => one.Least.Best != 0 || one.Most.Best != 0)
            .ToList();
        var constant = placed.Sum(helping => form.Of(helping).Best);
        var largest = brought.Select(one => Math.Abs(one.Most.Best)).Append(Math.Abs(form.AtMost ?? 0)).Append(form.AtLeast ?? 0).Max();
        if (largest == 0 || brought.Count == 0)
        {
            // Nothing that is sought changes it: the empty plan is always possible.
            return;
        }

        var times = Grain / largest;
        if (form.AtMost is { } most)
        {
            var (sum, width) = Sum(brought, times, Math.Ceiling, Math.Max);
            // Where what stands there breaks the bound already, nothing more comes on top.
            _model.Add(sum <= Math.Max(0, Whole(most - constant, times, Math.Floor)));
            if (form.Aim is null)
            {
                // Half of all widths together: independent dishes seldom err one way (domain.md section 3).
                Miss(sum + width, Whole(most - constant, times, Math.Floor), times * most / 100);
            }
        }

        if (form.AtLeast is { } least && (form.Period == Period.Week || share == 1))
        {
            var (sum, _) = Sum(brought, times, Math.Floor, Math.Min);
            _model.Add(sum + (open * Whole(least, times, Math.Ceiling)) >= Whole(least - constant, times, Math.Ceiling));
        }

        if (form.Aim is var (low, high))
        {
            var (sum, _) = Sum(brought, times, Math.Round, Math.Min);
            var step = times * low * share / 100;
            Miss(Whole((low * share) - constant, times, Math.Ceiling) - sum - (open * Whole(low, times, Math.Ceiling)), 0, step);
            Miss(sum, Whole(high - constant, times, Math.Floor), step);
        }
    }

    /// <summary>What a sum is above a bound is missed, in whole steps.</summary>
    private void Miss(LinearExpr sum, long bound, decimal step)
    {
        if ((long)step is > 0 and var each)
        {
            var off = _model.NewIntVar(0, 1000, "off");
            _model.Add(off * each >= sum - bound);
            _off.Add(off);
        }
    }

    /// <summary>
    /// The sum with whole coefficients: of a quarter where more brings more, of the dish where any size brings as much; and half its width.
    /// </summary>
    private static (LinearExpr Sum, LinearExpr Width) Sum(
        List<(Choice Choice, Brought Least, Brought Most)> brought,
        decimal times,
        Func<decimal, decimal> round,
        Func<decimal, decimal, decimal> worse
    )
    {
        var (variables, coefficients, widths) = (new List<IntVar>(), new List<long>(), new List<long>());
        foreach (var (choice, least, most) in brought)
        {
            var isFlat = least.Best == most.Best;
            var each = isFlat ? most.Best : worse(least.Best / choice.Sizes.Least, most.Best / choice.Sizes.Most);
            variables.Add(isFlat ? choice.Is : choice.Quarters);
            coefficients.Add((long)round(each * times));
            widths.Add((long)(most.Above / (isFlat ? 1 : choice.Sizes.Most) / 2 * times));
        }

        return (LinearExpr.WeightedSum(variables, coefficients), LinearExpr.WeightedSum(variables, widths));
    }

    private static long Whole(decimal value, decimal times, Func<decimal, decimal> round) => (long)round(value * times);

    private Brought Of(LinearForm form, Choice choice, int quarters) => form.Of(_table.HelpingOf(choice.Dish, quarters));

    private void KeepVariety(Eater eater)
    {
        var rule = eater.Rules.On(_question.Start).OfType<RepetitionRule>().Select(one => one.Variety).FirstOrDefault();
        foreach (
            var dish in _choices.Where(choice => choice.Group.Eater.Id == eater.Id).GroupBy(choice => _question.Dishes[choice.Dish].Recipe)
        )
        {
            var times = LinearExpr.Sum(dish.Select(choice => choice.Is));
            var isLarge = dish.First().Group.Slots[0].IsMain;
            if (rule?.Most is { } most || isLarge)
            {
                _model.Add(times <= Math.Min((int)(rule?.Most ?? WeekPlan.Days * 2), isLarge ? _question.Wishes.MostTimes : WeekPlan.Days));
            }

            var again = _model.NewIntVar(0, WeekPlan.Days, "again");
            _model.Add(again >= times - FewTimes);
            _same.Add(again);
        }
    }

    /// <summary>Every variable as a solver left it, so that the next search begins there.</summary>
    public void HintFrom(CpSolver solver)
    {
        _model.ClearHints();
        foreach (var choice in _choices)
        {
            _model.AddHint(choice.Is, solver.Value(choice.Is));
            _model.AddHint(choice.Quarters, solver.Value(choice.Quarters));
            foreach (var from in choice.From.Where(_ => choice.From.Count > 1))
            {
                _model.AddHint(from.Is, solver.Value(from.Is));
                _model.AddHint(from.Quarters, solver.Value(from.Quarters));
            }
        }

        foreach (var batch in _batches)
        {
            _model.AddHint(batch.Is, solver.Value(batch.Is));
            foreach (var portions in batch.Portions.Values)
            {
                _model.AddHint(portions, solver.Value(portions));
            }
        }

        foreach (var extra in _off.Concat(_same))
        {
            _model.AddHint(extra, solver.Value(extra));
        }
    }

    /// <summary>What a solver found.</summary>
    public FillPlan Read(CpSolver solver)
    {
        var servings = new List<FillServing>();
        foreach (var group in _choices.Where(choice => solver.BooleanValue(choice.Is)).GroupBy(choice => choice.Group))
        {
            var free = group.Key.Slots.ToList();
            // Those that only one meal takes sit down first.
            foreach (var choice in group.OrderBy(choice => choice.Only is null).ThenBy(choice => choice.Dish))
            {
                var slot = choice.Only is { } only ? free.First(one => one.Key == only.Key) : free[0];
                free.Remove(slot);
                var from = choice.From.First(one => solver.BooleanValue(one.Is));
                servings.Add(
                    new(
                        new(choice.Group.Date, slot.Key, choice.Group.Eater.Id),
                        _question.Dishes[choice.Dish],
                        solver.Value(choice.Quarters) / (decimal)FillTable.Quarters,
                        _question.Sessions[from.Session].Date
                    )
                );
            }
        }

        return new(
            servings,
            [
                .. _batches
                    .Where(batch => solver.BooleanValue(batch.Is))
                    .Select(batch => new FillBatch(
                        _question.Sessions[batch.Session].Date,
                        [
                            .. batch
                                .Portions.Where(lot => solver.Value(lot.Value) > 0)
                                .Select(lot => (_question.Dishes[lot.Key], (int)solver.Value(lot.Value))),
                        ]
                    ))
                    .Where(batch => batch.Lots.Count > 0),
            ]
        );
    }
}

using Google.OrTools.Sat;
using Google.OrTools.Util;
using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Solving;

/// <summary>
/// A week to fill as a CP-SAT model. For an eater, a day and a group of meals a dish is there or not (y) and in so many quarters of a
/// portion (q); a batch gives whole portions. The two large meals of a day are one group of two: who gets which is settled afterwards, and
/// a dish never comes twice on a day. Of a week that is mended every meal stands for itself. Sums of a day and a week are whole numbers,
/// rounded outward.
/// </summary>
internal sealed class WeekModel
{
    private readonly IReadOnlySet<Cell>? _free;

    /// <param name="isExact">Whether sums are exact where they go by steps.</param>
    /// <param name="free">Meals that may be changed, of a week that is mended; all when null.</param>
    public WeekModel(FillQuestion question, FillTable table, IReadOnlyList<int> dishes, bool isExact, IReadOnlySet<Cell>? free = null)
    {
        IsExact = isExact;
        _free = free;
        (Question, Table) = (question, table);
        Rests = question.Rests.Select((rest, at) => (There: rest, At: at)).ToLookup(one => one.There.Dish);
        MakeGroups();
        foreach (var group in Groups)
        {
            Choose(group, dishes);
        }

        WeekBeside.Add(this, dishes);
        WeekKitchen.Add(this);
        WeekSums.Add(this);
        WeekVariety.Add(this);
    }

    public FillQuestion Question { get; }

    public FillTable Table { get; }

    public bool IsExact { get; }

    /// <summary>Whether a sum is taken a little too narrow: what is proven of such a model is proven of nothing else.</summary>
    public bool IsRounded { get; set; }

    public CpModel Model { get; } = new();

    public List<Group> Groups { get; } = [];

    public List<Choice> Choices { get; } = [];

    public List<Made> Batches { get; } = [];

    public List<Grown> Growths { get; } = [];

    public List<Stays> Staying { get; } = [];

    /// <summary>Meals of a group that nothing covers.</summary>
    public Dictionary<Group, LinearExpr> Uncovered { get; } = [];

    /// <summary>Percent by which days miss where they should lie.</summary>
    public List<IntVar> Off { get; } = [];

    /// <summary>How often a dish comes more than twice to somebody.</summary>
    public List<IntVar> Same { get; } = [];

    public ILookup<int, (FillRest There, int At)> Rests { get; }

    /// <summary>That a dish is there in so many quarters or more.</summary>
    public BoolVar IsAtLeast(Choice choice, int quarters) =>
        quarters <= choice.Sizes.Least ? choice.Is : LargerOf(choice)[quarters - choice.Sizes.Least - 1];

    /// <summary>For each size above the least whether a choice is that large.</summary>
    public IReadOnlyList<BoolVar> LargerOf(Choice choice)
    {
        if (choice.Larger.Count == 0 && choice.Sizes.Most > choice.Sizes.Least)
        {
            var smaller = choice.Is;
            for (var size = choice.Sizes.Least + 1; size <= choice.Sizes.Most; size++)
            {
                var larger = Model.NewBoolVar($"{choice.Dish} of {size}");
                Model.AddImplication(larger, smaller);
                choice.Larger.Add(smaller = larger);
            }

            Model.Add(choice.Quarters == (choice.Is * choice.Sizes.Least) + LinearExpr.Sum(choice.Larger));
        }

        return choice.Larger;
    }

    public bool IsReady(Choice choice) => Question.Dishes[choice.Dish].Ready is not null;

    public Guid RecipeOf(Choice choice) => Question.Dishes[choice.Dish].Recipe;

    public BoolVar MadeIn(int dish, int session) =>
        Batches.First(batch => batch.Session == session && batch.Recipe == Question.Dishes[dish].Recipe).Is;

    public int MinutesOf(Made batch) => batch.Portions.Keys.Min(dish => Question.Dishes[dish].HandsOn);

    /// <summary>Who gets what when matters where a week is mended, and to whoever wants nothing twice in a row.</summary>
    public bool IsEachAlone(Eater eater) =>
        Question.IsMend || eater.Rules.On(Question.Start).OfType<RepetitionRule>().Any(rule => rule.NotInARow);

    private void MakeGroups()
    {
        foreach (var day in Question.Open.Distinct().GroupBy(cell => (cell.Eater, cell.Date)))
        {
            var eater = Question.Eaters.First(one => one.Id == day.Key.Eater);
            var slots = day.Select(cell => Question.Rhythm.Meal(cell.Meal)!).ToList();
            if (!IsEachAlone(eater) && slots.Where(slot => slot.IsMain).ToList() is { Count: > 0 } mains)
            {
                Groups.Add(new(eater, day.Key.Date, mains));
                slots.RemoveAll(slot => slot.IsMain);
            }

            Groups.AddRange(slots.Select(slot => new Group(eater, day.Key.Date, [slot])));
        }
    }

    /// <summary>Whether a meal of a week that is mended stays as it is.</summary>
    public bool IsFixed(Group group) => _free?.Contains(CellOf(group, group.Slots[0])) == false;

    private void Choose(Group group, IReadOnlyList<int> dishes)
    {
        var isFixed = IsFixed(group);
        var choices = dishes.Select(dish => Choose(group, dish, isFixed)).OfType<Choice>().ToList();
        var filled = LinearExpr.Sum(choices.Select(choice => choice.Is));
        Model.Add(filled <= group.Slots.Count);
        foreach (var only in choices.Where(choice => choice.Only is not null).GroupBy(choice => choice.Only!.Key))
        {
            Model.Add(LinearExpr.Sum(only.Select(choice => choice.Is)) <= 1);
        }

        // Variants of a dish are the same dish.
        foreach (var same in choices.GroupBy(RecipeOf).Where(same => same.Count() > 1))
        {
            Model.Add(LinearExpr.Sum(same.Select(choice => choice.Is)) <= 1);
        }

        Uncovered[group] = LinearExpr.Constant(group.Slots.Count) - filled;
        Choices.AddRange(choices);
    }

    /// <summary>Whether a dish of a group is what stands there now.</summary>
    public static bool IsAt(Choice choice, FillNow now) => now.Cell == CellOf(choice.Group, choice.Group.Slots[0]);

    /// <param name="isFixed">Whether only what stands there may stand there.</param>
    public Choice? Choose(Group group, int dish, bool isFixed)
    {
        var sources = SourcesOf(group, dish).ToList();
        var (sizes, only) = SizesIn(group, dish);
        var now = Question.Now.FirstOrDefault(one =>
            one.Cell == CellOf(group, group.Slots[0]) && Question.Rests[one.Rest].Dish == dish && Table.MayStay(one)
        );
        sizes = isFixed ? FillSizes.None : sizes;
        if (sources.Count == 0 || (!sizes.IsAny && now is null))
        {
            return null;
        }

        var asItIs = (int)((now?.Size ?? 0) * FillTable.Quarters);
        var allowed = new List<long[]> { new long[] { 0, 0 } };
        if (sizes.IsAny)
        {
            allowed.Add([sizes.Least, sizes.Most]);
        }

        if (now is not null)
        {
            allowed.Add([asItIs, asItIs]);
            sizes = sizes.IsAny
                ? new(Math.Min(sizes.Least, asItIs), Math.Max(sizes.Most, asItIs), sizes.IsClose)
                : new(asItIs, asItIs, false);
        }

        var name = $"{group.Eater.Name} {group.Date:ddd} {group.Slots[0].Key} {dish}";
        var quartersOf = Domain.FromIntervals([.. allowed]);
        var choice = new Choice(group, dish, sizes, only, Model.NewBoolVar(name), Model.NewIntVarFromDomain(quartersOf, $"{name} size"));
        Model.Add(choice.Quarters <= sizes.Most * choice.Is);
        Model.Add(choice.Quarters >= sizes.Least * choice.Is);
        if (sources.Count == 1)
        {
            var (session, rest, kept) = sources[0];
            choice.From.Add(new(session, rest, kept == KeptIn.Freezer, choice.Is, choice.Quarters));
        }
        else
        {
            foreach (var (session, rest, kept) in sources)
            {
                var from = Model.NewBoolVar($"{name} of {session}/{rest}");
                var quarters = Model.NewIntVar(0, sizes.Most, $"{name} size of {session}/{rest}");
                Model.Add(quarters <= sizes.Most * from);
                choice.From.Add(new(session, rest, kept == KeptIn.Freezer, from, quarters));
            }

            Model.Add(LinearExpr.Sum(choice.From.Select(one => one.Is)) == choice.Is);
            Model.Add(LinearExpr.Sum(choice.From.Select(one => one.Quarters)) == choice.Quarters);
        }

        if (now is not null)
        {
            var stays = Model.NewBoolVar($"{name} stays");
            Model.AddImplication(stays, choice.From.First(one => one.Rest == now.Rest).Is);
            Model.Add(choice.Quarters == asItIs).OnlyEnforceIf(stays);
            Staying.Add(new(now, stays));
        }

        return choice;
    }

    /// <summary>What is bought is there on any day; what stands there may be cooked in no other batch; everything else in every session that is early and late enough.</summary>
    private IEnumerable<(int? Session, int? OfRest, KeptIn Kept)> SourcesOf(Group group, int dish)
    {
        var asked = Question.Dishes[dish];
        if (asked.Ready is not null)
        {
            return [(null, null, KeptIn.Fridge)];
        }

        var all = Rests.Contains(dish)
            ? Rests[dish]
                .Where(one => one.There.Cooked <= group.Date)
                .Select(one => ((int?)null, (int?)one.At, one.There.KeptUntil(asked, group.Date)))
            : Question
                .Sessions.Select((session, at) => (session, at))
                .Where(one => one.session.EatenFrom <= group.Date && !Question.Taken.Contains((asked.Recipe, one.session.Date)))
                .Select(one => ((int?)one.at, (int?)null, asked.KeptUntil(one.session.Date, group.Date)));
        return all.Where(one => one.Item3 != KeptIn.PastItsTime);
    }

    public static Cell CellOf(Group group, MealSlot slot) => new(group.Date, slot.Key, group.Eater.Id);

    /// <summary>Sizes at any meal of a group; where only one of its meals takes the dish, that one.</summary>
    private (FillSizes Sizes, MealSlot? Only) SizesIn(Group group, int dish)
    {
        var each = group
            .Slots.Select(slot => (slot, sizes: Table.SizesOf(group.Eater, group.Date, slot, dish)))
            .Where(one => one.sizes.IsAny)
            .ToList();
        if (each.Count == 0)
        {
            return (FillSizes.None, null);
        }

        var both = new FillSizes(each.Max(one => one.sizes.Least), each.Min(one => one.sizes.Most), each.Any(one => one.sizes.IsClose));
        return each.Count == group.Slots.Count && both.IsAny ? (both, null) : (each[0].sizes, each[0].slot);
    }
}

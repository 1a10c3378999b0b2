using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Core.Filling;

/// <summary>In which sizes an eater may have a dish at a meal.</summary>
/// <param name="Least">Quarters of a portion.</param>
/// <param name="IsClose">Whether a rule is too close to call in one of them.</param>
public readonly record struct FillSizes(int Least, int Most, bool IsClose)
{
    public static readonly FillSizes None = new(1, 0, false);

    public bool IsAny => Least <= Most;
}

/// <summary>
/// A question as numbers that a search can work with: which dish each eater may have at which meal, and what it brings to the sums of a day
/// and a week. Everything is Core's own judgement of single helpings; what a sum can't say is judged of the plan.
/// </summary>
public sealed class FillTable
{
    /// <summary>Sizes are counted in these.</summary>
    public const int Quarters = 4;

    /// <summary>A portion may be made smaller or larger by so much of what an eater usually takes [C].</summary>
    private const decimal Smallest = 0.75m,
        Largest = 1.5m;

    private readonly FillQuestion _question;
    private readonly Dictionary<(Guid Eater, IReadOnlyList<Rule> Rules, MealRole Role, int Dish, Cell? Beside), FillSizes> _sizes = [];
    private readonly Dictionary<(Guid Eater, DateOnly Date), IReadOnlyList<Rule>> _rules = [];
    private readonly Dictionary<(Guid Eater, IReadOnlyList<Rule> Rules), IReadOnlyList<FillSum>> _sums = [];
    private readonly ILookup<Cell, Helping> _beside;
    private readonly HashSet<(Guid Recipe, string? Variant)> _dishes;

    public FillTable(FillQuestion question)
    {
        _question = question;
        _dishes = [.. question.Dishes.Select(dish => (dish.Recipe, dish.Variant))];
        var changing = question.Now.Select(now => now.Cell).Concat(question.Beside).ToHashSet();
        _beside = question.Placed.Where(item => changing.Contains(item.Cell)).ToLookup(item => item.Cell, item => item.Helping);
    }

    /// <summary>In which sizes an eater may have a dish at a meal of a date; none where a rule of the helping or the meal breaks or can't tell.</summary>
    /// <param name="dish">Its place among the question's.</param>
    public FillSizes SizesOf(Eater eater, DateOnly date, MealSlot slot, int dish)
    {
        var asked = _question.Dishes[dish];
        if (!asked.IsFor(slot, _question.Rhythm) || !IsAsUsual(eater, asked))
        {
            return FillSizes.None;
        }

        var cell = new Cell(date, slot.Key, eater.Id);
        var key = (eater.Id, RulesOf(eater, date), slot.Role, dish, _beside.Contains(cell) ? cell : null);
        if (!_sizes.TryGetValue(key, out var sizes))
        {
            // Something bought is eaten as it says: a banana, a pot.
            var isReady = asked.Ready is not null;
            var least = isReady ? Quarters : Math.Max(1, (int)Math.Ceiling(eater.PortionHabit * Smallest * Quarters));
            var most = isReady
                ? Quarters
                : Math.Min((int)(Batch.LargestSize * Quarters), (int)Math.Floor(eater.PortionHabit * Largest * Quarters));
            _sizes[key] = sizes = Judged(eater, cell, slot, asked, least, most, false);
        }

        return sizes;
    }

    /// <summary>
    /// Whether something may come beside a meal of an eater. Sizes are judged one by one: to whom a rule holds together what is on one meal, or
    /// wants other dishes at the next, nothing is put beside.
    /// </summary>
    public bool MayHaveBeside(Eater eater, DateOnly date) =>
        _question.HasBeside
        && RulesOf(eater, date).All(rule => rule.Period != Period.Meal && rule is not RepetitionRule { NotInARow: true });

    /// <summary>Who has a dish in a variant of their own gets that one.</summary>
    private bool IsAsUsual(Eater eater, FillDish dish) =>
        !eater.UsualVariants.TryGetValue(dish.Recipe, out var usual) || usual == dish.Variant || !_dishes.Contains((dish.Recipe, usual));

    /// <summary>Whether an eater may have what stands at a meal in the size it stands there.</summary>
    public bool MayStay(FillNow now)
    {
        var quarters = (int)(now.Size * Quarters);
        return Judged(
            _question.Eaters.First(one => one.Id == now.Cell.Eater),
            now.Cell,
            _question.Rhythm.Meal(now.Cell.Meal)!,
            _question.Dishes[_question.Rests[now.Rest].Dish],
            quarters,
            quarters,
            true
        ).IsAny;
    }

    /// <summary>Rules with dates are put together anew whenever they are asked for: here once a day.</summary>
    private IReadOnlyList<Rule> RulesOf(Eater eater, DateOnly date)
    {
        if (!_rules.TryGetValue((eater.Id, date), out var rules))
        {
            _rules[(eater.Id, date)] = rules = eater.Rules.On(date);
        }

        return rules;
    }

    /// <summary>The same, with what each dish brings to them; days under the same rules have the same ones.</summary>
    public IReadOnlyList<FillSum> SumsOf(Eater eater, DateOnly date)
    {
        var key = (eater.Id, RulesOf(eater, date));
        if (!_sums.TryGetValue(key, out var sums))
        {
            _sums[key] = sums = [.. FormsOf(eater, date).Select(form => new FillSum(form, this))];
        }

        return sums;
    }

    /// <summary>The sums that an eater's rules ask for on a date: those of the day, and those of the week.</summary>
    public static IReadOnlyList<LinearForm> FormsOf(Eater eater, DateOnly date) =>
        [.. eater.Rules.On(date).SelectMany(rule => rule.Linear(eater.Rules.Context))];

    /// <summary>A helping as an eater would have it.</summary>
    public Helping HelpingOf(int dish, int quarters)
    {
        var asked = _question.Dishes[dish];
        return new(asked.Name, asked.Version.Profile, quarters / (decimal)Quarters) { Dish = asked.Version.Name };
    }

    /// <summary>What is chosen has its best value inside a bound, however wide it is.</summary>
    private static bool IsBestInside(Finding finding) =>
        finding is not { Value: { } value, Limit: { } limit } || (!(value.Best > limit.AtMost) && !(value.Best < limit.AtLeast));

    /// <param name="isThere">Whether it stands there already: what is too close to call is no reason to change it.</param>
    private FillSizes Judged(Eater eater, Cell cell, MealSlot slot, FillDish dish, int least, int most, bool isThere)
    {
        if (eater.Stop(dish.Name, dish.Version.Profile) is not null || eater.Dislikes(dish.Recipe, dish.Version))
        {
            return FillSizes.None;
        }

        var (rules, context) = (RulesOf(eater, cell.Date), eater.Rules.Context with { Meal = slot.Role });
        var helping = new Helping(dish.Name, dish.Version.Profile, eater.PortionHabit)
        {
            Dish = dish.Version.Name,
            At = new(cell.Date, slot),
        };
        // What is excluded is so in any size; only some rules look at how much it is.
        var sized = new List<Rule>();
        if (_question.Energy is var (lowest, highest))
        {
            sized.Add(
                new LimitRule
                {
                    Id = "each",
                    Measure = Foods.Measure.Energy,
                    Per = Period.Portion,
                    AtLeast = lowest,
                    AtMost = highest,
                }
            );
        }

        foreach (var rule in rules.Where(rule => rule.Period is Period.Portion or Period.Meal))
        {
            if (rule is BoundedRule)
            {
                sized.Add(rule);
            }
            else if (rule.JudgePortion(IntakeOf(rule, cell, helping), null, context) is Verdict.Breaks or Verdict.CannotTell)
            {
                return FillSizes.None;
            }
        }

        if (rules.SelectMany(rule => rule.Linear(context)).Any(form => form.Of(helping).IsOpen))
        {
            // A day with it could never be told.
            return FillSizes.None;
        }

        var (from, to, isClose) = (0, -1, false);
        for (var quarters = least; quarters <= most; quarters++)
        {
            var asked = helping with { Size = quarters / (decimal)Quarters };
            var found = sized.Select(rule => rule.Check(IntakeOf(rule, cell, asked), context)).ToList();
            var verdict = found.Select(finding => finding.Verdict).RollUp();
            if (
                verdict is Verdict.Fits
                || (verdict is Verdict.TooClose && !_question.Wishes.IsCertainOnly && (isThere || found.TrueForAll(IsBestInside)))
            )
            {
                (from, to, isClose) = (to < 0 ? quarters : from, quarters, isClose || verdict is Verdict.TooClose);
            }
            else if (to >= 0)
            {
                break;
            }
        }

        return to < 0 ? FillSizes.None : new(from, to, isClose);
    }

    /// <summary>What a rule looks at: the helping alone, or with what stays beside it at the meal.</summary>
    private Intake IntakeOf(Rule rule, Cell cell, Helping helping) =>
        rule.Period == Period.Meal && _beside.Contains(cell) ? new([helping, .. _beside[cell]]) : Intake.Of(helping);
}

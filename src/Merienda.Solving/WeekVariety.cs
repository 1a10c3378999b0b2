using Google.OrTools.Sat;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Solving;

/// <summary>
/// How often a dish may come, and what follows from it: a batch gives a dish to one eater only so often, so that few batches leave meals
/// uncovered. Said of itself it makes the number of batches provable: without it the bound of the work is a third of what it is with it.
/// </summary>
internal static class WeekVariety
{
    /// <summary>From so many times a dish is the same again [C].</summary>
    private const int FewTimes = 2;

    public static void Add(WeekModel week)
    {
        foreach (var eater in week.Question.Eaters)
        {
            Keep(week, eater);
            Differ(week, eater);
            if (eater.Rules.On(week.Question.Start).OfType<RepetitionRule>().Any(rule => rule.NotInARow))
            {
                NotInARow(week, eater);
            }

            if (!week.Question.IsMend)
            {
                Cut(week, eater, true);
                Cut(week, eater, false);
            }
        }
    }

    private static void Keep(WeekModel week, Eater eater)
    {
        var question = week.Question;
        var rule = eater.Rules.On(question.Start).OfType<RepetitionRule>().FirstOrDefault();
        foreach (var dish in week.Choices.Where(choice => choice.Group.Eater.Id == eater.Id).GroupBy(week.RecipeOf))
        {
            var (isLarge, name) = (dish.First().Group.IsMain, question.Dishes[dish.First().Dish].Version.Name);
            var already = question.Placed.Count(item => item.Cell.Eater == eater.Id && item.Helping.Dish == name);
            var now = question.Now.Count(one =>
                one.Cell.Eater == eater.Id && question.Dishes[question.Rests[one.Rest].Dish].Recipe == dish.Key
            );
            var times = LinearExpr.Sum(dish.Select(choice => choice.Is));
            if (rule?.AtMost is { } most)
            {
                week.Model.Add(times <= Math.Max(0, (int)most - already));
            }

            // A week that is filled has no dish twice at the large meals of a day, asked for or not.
            if (week.IsEachAlone(eater) && (rule?.NotSameDay == true || (isLarge && !question.IsMend)))
            {
                foreach (var day in dish.GroupBy(choice => choice.Group.Date))
                {
                    week.Model.Add(LinearExpr.Sum(day.Select(choice => choice.Is)) <= 1);
                }
            }

            if (week.IsReady(dish.First()))
            {
                // How often something bought may come otherwise, the cook says.
                continue;
            }

            if (isLarge)
            {
                // A wish does not change what somebody has planned otherwise; a rule does.
                week.Model.Add(times <= Math.Max(now, question.Wishes.MostTimes - already));
            }

            var again = week.Model.NewIntVar(0, WeekPlan.Days * 2, "again");
            week.Model.Add(again >= times + already - FewTimes);
            week.Same.Add(again);
        }
    }

    /// <summary>Meals that follow each other have different dishes; what is open in between may stay so.</summary>
    private static void NotInARow(WeekModel week, Eater eater)
    {
        var question = week.Question;
        var standing = question
            .Placed.Where(item => item.Cell.Eater == eater.Id)
            .GroupBy(item => item.Cell)
            .Select(meal =>
                (
                    At: new Occasion(meal.Key.Date, question.Rhythm.Meal(meal.Key.Meal)!).Order,
                    Group: (Group?)null,
                    Dishes: meal.Select(item => item.Helping.Dish).ToHashSet()
                )
            );
        var meals = week
            .Groups.Where(group => group.Eater.Id == eater.Id)
            .Select(group => (At: new Occasion(group.Date, group.Slots[0]).Order, Group: (Group?)group, Dishes: new HashSet<string>()))
            .Concat(standing)
            .OrderBy(meal => meal.At)
            .ToList();
        var choices = week.Choices.ToLookup(choice => choice.Group);
        string NameOf(Choice choice) => question.Dishes[choice.Dish].Version.Name;
        foreach (var (one, next) in meals.Zip(meals.Skip(1)))
        {
            foreach (
                var dish in new[] { one, next }
                    .Where(meal => meal.Group is not null)
                    .SelectMany(meal => choices[meal.Group!])
                    .GroupBy(NameOf)
            )
            {
                if (
                    one.Dishes.Contains(dish.Key)
                    || next.Dishes.Contains(dish.Key)
                    || dish.Select(choice => choice.Group).Distinct().Count() > 1
                )
                {
                    var most = one.Group is null || next.Group is null ? 0 : 1;
                    week.Model.Add(LinearExpr.Sum(dish.Select(choice => choice.Is)) <= most);
                }
            }
        }
    }

    /// <summary>How many different foods a week brings, where somebody counts them.</summary>
    private static void Differ(WeekModel week, Eater eater)
    {
        var question = week.Question;
        foreach (var rule in eater.Rules.On(question.Start.AddDays(WeekPlan.Days - 1)).OfType<DifferentFoodsRule>())
        {
            var already = question
                .Placed.Where(item => item.Cell.Eater == eater.Id)
                .SelectMany(item => rule.BroughtBy(item.Helping))
                .ToHashSet();
            var foods = new Dictionary<string, List<BoolVar>>();
            foreach (var choice in week.Choices.Where(choice => choice.Group.Eater.Id == eater.Id))
            {
                for (var size = choice.Sizes.Most; size >= choice.Sizes.Least; size--)
                {
                    foreach (var food in rule.BroughtBy(week.Table.HelpingOf(choice.Dish, size)).Where(food => !already.Contains(food)))
                    {
                        foods.TryAdd(food, []);
                        foods[food].Add(week.IsAtLeast(choice, size));
                    }
                }
            }

            var there = foods.Values.Select(meals => (Is: week.Model.NewBoolVar("food"), meals)).ToList();
            foreach (var (isThere, meals) in there)
            {
                week.Model.AddMaxEquality(isThere, meals.Distinct());
            }

            var many = LinearExpr.Sum(there.Select(food => food.Is)) + already.Count;
            if (rule.AtLeast is { } least)
            {
                var open = LinearExpr.Sum(week.Groups.Where(group => group.Eater.Id == eater.Id).Select(group => week.Uncovered[group]));
                open += question.Dates.Sum(date => question.EmptyOn(eater, date));
                week.Model.Add(many + (open * (int)least) >= (int)Math.Ceiling(least));
            }

            if (rule.AtMost is { } most)
            {
                week.Model.Add(many <= Math.Max(already.Count, (int)most));
            }
        }
    }

    private static void Cut(WeekModel week, Eater eater, bool isLarge)
    {
        var question = week.Question;
        var choices = week.Choices.Where(choice => choice.Group.Eater.Id == eater.Id && choice.Group.IsMain == isLarge).ToList();
        var most = isLarge ? question.Wishes.MostTimes : WeekPlan.Days;
        foreach (var dish in choices.Where(choice => !week.IsReady(choice)).GroupBy(week.RecipeOf))
        {
            var serves = dish.SelectMany(choice =>
                    choice.From.Where(from => from.Session is not null).Select(from => (choice.Dish, from.Session, choice.Group.Date))
                )
                .GroupBy(one => one.Session!.Value)
                .Select(one => week.MadeIn(one.First().Dish, one.Key) * Math.Min(most, one.Select(day => day.Date).Distinct().Count()));
            var there = RestsOf(dish).Sum(rest => ServesOf(dish, rest, most));
            week.Model.Add(LinearExpr.Sum(dish.Select(choice => choice.Is)) <= LinearExpr.Sum(serves) + there);
        }

        var groups = week.Groups.Where(group => group.Eater.Id == eater.Id && group.IsMain == isLarge).ToList();
        foreach (var kind in isLarge ? [groups] : groups.GroupBy(group => group.Slots[0].Key).Select(kind => kind.ToList()))
        {
            var mine = choices.Where(choice => kind.Contains(choice.Group)).ToList();
            var made = mine.SelectMany(choice =>
                    choice.From.Where(from => from.Session is not null).Select(from => week.MadeIn(choice.Dish, from.Session!.Value))
                )
                .ToHashSet();
            var bought = mine.Where(week.IsReady)
                .GroupBy(choice => choice.Dish)
                .Sum(dish => Math.Min(dish.Count(), question.Dishes[dish.Key].MostAWeek));
            var cells = kind.Sum(group => group.Slots.Count) - bought - RestsOf(mine).Sum(rest => ServesOf(mine, rest, most));
            if (cells > 0)
            {
                week.Model.Add(
                    LinearExpr.Sum(made) + LinearExpr.Sum(kind.Select(group => week.Uncovered[group])) >= (cells + most - 1) / most
                );
            }
        }
    }

    private static IEnumerable<int> RestsOf(IEnumerable<Choice> choices) =>
        choices.SelectMany(choice => choice.From).Select(from => from.Rest).OfType<int>().Distinct();

    /// <summary>How many meals what is there can be at, at most.</summary>
    private static int ServesOf(IEnumerable<Choice> choices, int rest, int most) =>
        Math.Min(most, choices.Count(choice => choice.From.Exists(from => from.Rest == rest)));
}

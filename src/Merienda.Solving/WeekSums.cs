using Google.OrTools.Sat;
using Merienda.Core.Filling;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;

namespace Merienda.Solving;

/// <summary>What the rules ask of a day and of a week as sums, in whole numbers rounded outward.</summary>
internal static class WeekSums
{
    /// <summary>Sums are whole numbers of at most about this size: rounding moves a day by less than a ten-thousandth.</summary>
    private const decimal Grain = 2_000_000;

    public static void Add(WeekModel week)
    {
        foreach (var eater in week.Question.Eaters)
        {
            Add(week, eater);
        }
    }

    private static void Add(WeekModel week, Eater eater)
    {
        var question = week.Question;
        var days = week.Choices.Where(choice => choice.Group.Eater.Id == eater.Id).ToLookup(choice => choice.Group.Date);
        var placed = question.Placed.Where(item => item.Cell.Eater == eater.Id).ToLookup(item => item.Cell.Date, item => item.Helping);
        foreach (var date in question.Dates)
        {
            var open = OpenOf(week, group => group.Eater.Id == eater.Id && group.Date == date) + question.EmptyOn(eater, date);
            foreach (var sum in week.Table.SumsOf(eater, date).Where(sum => sum.Form.Period == Period.Day))
            {
                Keep(week, sum, [.. days[date]], [.. placed[date]], open, question.ShareOf(eater, date));
            }
        }

        var last = question.Start.AddDays(WeekPlan.Days - 1);
        foreach (var sum in week.Table.SumsOf(eater, last).Where(sum => sum.Form.Period == Period.Week))
        {
            if (sum.Form.Account is { } account)
            {
                Keep(week, sum, account, [.. question.Dates.Select(date => (days[date].ToList(), placed[date].ToList()))]);
                continue;
            }

            var open = OpenOf(week, group => group.Eater.Id == eater.Id) + question.Dates.Sum(date => question.EmptyOn(eater, date));
            Keep(week, sum, [.. days.SelectMany(day => day)], [.. placed.SelectMany(day => day)], open, 1);
        }
    }

    /// <summary>A sum of a day as it is, not held against anything: what it brings, what stands there, and how often it is a whole number.</summary>
    public static (LinearExpr Sum, decimal Constant, decimal Times) Of(WeekModel week, Eater eater, DateOnly date, FillSum sum)
    {
        var choices = week.Choices.Where(choice => choice.Group.Eater.Id == eater.Id && choice.Group.Date == date).ToList();
        var times = WholeOf(LargestOf(sum, choices, 1));
        var placed = week.Question.Placed.Where(item => item.Cell.Eater == eater.Id && item.Cell.Date == date);
        return (Sum(week, sum, choices, times, Math.Round).Sum, placed.Sum(item => sum.Form.Of(item.Helping).Best), times);
    }

    private static decimal LargestOf(FillSum sum, List<Choice> choices, params decimal[] others) =>
        choices
            .SelectMany(
                choice => new[] { choice.Sizes.Least, choice.Sizes.Most },
                (choice, size) => Math.Abs(sum.At(choice.Dish, size).Best)
            )
            .Concat(others)
            .DefaultIfEmpty(0)
            .Max();

    /// <summary>What days draw of an account: each day's sum beyond its budget and what the day before left to it.</summary>
    private static void Keep(WeekModel week, FillSum sum, DayAccount account, List<(List<Choice> Choices, List<Helping> Placed)> days)
    {
        var constants = days.Select(day => day.Placed.Sum(helping => sum.Form.Of(helping).Best)).ToList();
        var times = WholeOf(
            LargestOf(sum, [.. days.SelectMany(day => day.Choices)], account.Budget, sum.Form.AtMost!.Value, constants.Max())
        );
        var (budget, cap) = (Whole(account.Budget, times, Math.Floor), Whole(account.CarryOver, times, Math.Floor));
        var (model, most) = (week.Model, (long)Grain * WeekPlan.Days * 10);
        var (drawn, carried) = (new List<IntVar>(), LinearExpr.Constant(0));
        foreach (var ((choices, _), constant) in days.Zip(constants))
        {
            var day = Sum(week, sum, choices, times, Math.Ceiling).Sum + Whole(constant, times, Math.Ceiling);
            var (draws, left) = (model.NewIntVar(0, most, "drawn"), model.NewIntVar(0, cap, "carried"));
            model.Add(draws >= day - budget - carried);
            model.Add(left <= carried + budget - day + draws);
            drawn.Add(draws);
            carried = left;
        }

        // Where what stands there draws too much already, nothing more comes on top.
        model.Add(
            LinearExpr.Sum(drawn)
                <= Math.Max(Whole(sum.Form.AtMost.Value, times, Math.Floor), Whole(account.Drawn(constants), times, Math.Ceiling))
        );
    }

    private static LinearExpr OpenOf(WeekModel week, Func<Group, bool> which) =>
        LinearExpr.Sum(week.Groups.Where(which).Select(group => week.Uncovered[group]));

    /// <param name="open">Meals of the period that nothing covers: each of them may yet bring what a floor lacks.</param>
    /// <param name="share">Of the period that is planned here: floors and aims are asked of so much.</param>
    private static void Keep(WeekModel week, FillSum of, List<Choice> choices, List<Helping> placed, LinearExpr open, decimal share)
    {
        var form = of.Form;
        var constant = placed.Sum(helping => form.Of(helping).Best);
        if (LargestOf(of, choices) == 0)
        {
            // Nothing that is sought changes it: the empty plan is always possible.
            return;
        }

        var times = WholeOf(LargestOf(of, choices, Math.Abs(form.AtMost ?? 0), form.AtLeast ?? 0));
        if (form.AtMost is { } most)
        {
            var (sum, width) = Sum(week, of, choices, times, Math.Ceiling);
            // Where what stands there breaks the bound already, nothing more comes on top.
            week.Model.Add(sum <= Math.Max(0, Whole(most - constant, times, Math.Floor)));
            if (form.Aim is null)
            {
                // Half of all widths together: independent dishes seldom err one way (domain.md section 3).
                Miss(week, sum + width, Whole(most - constant, times, Math.Floor), times * most / 100);
            }
        }

        if (form.AtLeast is { } least && (form.Period == Period.Week || share == 1))
        {
            var (sum, _) = Sum(week, of, choices, times, Math.Floor);
            week.Model.Add(sum + (open * Whole(least, times, Math.Ceiling)) >= Whole(least - constant, times, Math.Ceiling));
        }

        if (form.Aim is var (low, high))
        {
            var (sum, _) = Sum(week, of, choices, times, Math.Round);
            var step = times * low * share / 100;
            Miss(week, Whole((low * share) - constant, times, Math.Ceiling) - sum - (open * Whole(low, times, Math.Ceiling)), 0, step);
            Miss(week, sum, Whole(high - constant, times, Math.Floor), step);
        }
    }

    /// <summary>A power of ten: what has few decimals stays what it is, so that a sum that just reaches its bound still keeps it.</summary>
    private static decimal WholeOf(decimal largest)
    {
        var times = 1m;
        while (largest * times * 10 <= Grain)
        {
            times *= 10;
        }

        return times;
    }

    /// <summary>What a sum is above a bound is missed, in whole steps.</summary>
    private static void Miss(WeekModel week, LinearExpr sum, long bound, decimal step)
    {
        if ((long)step is > 0 and var each)
        {
            var off = week.Model.NewIntVar(0, 1000, "off");
            week.Model.Add(off * each >= sum - bound);
            week.Off.Add(off);
        }
    }

    /// <summary>
    /// The sum with whole coefficients and half its width: of a quarter where twice as much brings twice as much. Else, as with points that are
    /// rounded, of each size, or in a model that is not exact by a line that keeps to the safe side: with every size of its own a search of
    /// two eaters on points took ten times as long.
    /// </summary>
    private static (LinearExpr Sum, LinearExpr Width) Sum(
        WeekModel week,
        FillSum sum,
        List<Choice> choices,
        decimal times,
        Func<decimal, decimal> round
    )
    {
        var (variables, coefficients, widths) = (new List<IntVar>(), new List<long>(), new List<long>());
        void Add(IntVar variable, decimal brings, decimal width)
        {
            variables.Add(variable);
            coefficients.Add((long)round(brings * times));
            widths.Add((long)(width / 2 * times));
        }

        foreach (var choice in choices)
        {
            var (least, most) = (choice.Sizes.Least, choice.Sizes.Most);
            var brought = Enumerable.Range(least, most - least + 1).Select(size => sum.At(choice.Dish, size)).ToList();
            if (brought.TrueForAll(one => one.Best == 0))
            {
                continue;
            }

            var each = brought[^1].Best / most;
            if (brought.Select((one, at) => Math.Abs(one.Best - (each * (least + at))) * times).Max() < Even)
            {
                Add(choice.Quarters, each, brought[^1].Above / most);
                continue;
            }

            if (!week.IsExact)
            {
                var (start, slope) = Line([.. brought.Select(one => one.Best)], round == Math.Floor);
                week.IsRounded = true;
                Add(choice.Is, start - (slope * least), 0);
                Add(choice.Quarters, slope, brought[^1].Above / most);
                continue;
            }

            Add(choice.Is, brought[0].Best, brought[0].Above);
            foreach (var (before, at) in brought.SkipLast(1).Select((one, at) => (one, at)))
            {
                if (brought[at + 1].Best != before.Best)
                {
                    Add(week.LargerOf(choice)[at], brought[at + 1].Best - before.Best, brought[at + 1].Above - before.Above);
                }
            }
        }

        return (LinearExpr.WeightedSum(variables, coefficients), LinearExpr.WeightedSum(variables, widths));
    }

    /// <summary>The straight line that lies nearest to some values and at none of them below, or above.</summary>
    private static (decimal Start, decimal Slope) Line(decimal[] values, bool isBelow)
    {
        var sign = isBelow ? -1 : 1;
        var lines =
            from one in Enumerable.Range(0, values.Length)
            from other in Enumerable.Range(0, one)
            let slope = (values[one] - values[other]) / (one - other)
            let start = values[one] - (slope * one)
            let off = values.Select((value, at) => sign * (start + (slope * at) - value)).ToList()
            where off.TrueForAll(each => each >= -Rounding)
            orderby off.Sum()
            select (start, slope);
        return lines.First();
    }

    /// <summary>Of a quotient of decimals.</summary>
    private const decimal Rounding = 0.000_001m;

    /// <summary>What a size is off a straight line by less than this is not seen in whole numbers.</summary>
    private const decimal Even = 0.01m;

    private static long Whole(decimal value, decimal times, Func<decimal, decimal> round) => (long)round(value * times);
}

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
            var open = OpenOf(week, group => group.Eater.Id == eater.Id && group.Date == date);
            foreach (var form in FillTable.FormsOf(eater, date).Where(form => form.Period == Period.Day))
            {
                Keep(week, form, [.. days[date]], [.. placed[date]], open, question.ShareOf(eater, date));
            }
        }

        var last = question.Start.AddDays(WeekPlan.Days - 1);
        foreach (var form in FillTable.FormsOf(eater, last).Where(form => form.Period == Period.Week))
        {
            var open = OpenOf(week, group => group.Eater.Id == eater.Id);
            Keep(week, form, [.. days.SelectMany(day => day)], [.. placed.SelectMany(day => day)], open, 1);
        }
    }

    /// <summary>A sum of a day as it is, not held against anything: what it brings, what stands there, and how often it is a whole number.</summary>
    public static (LinearExpr Sum, decimal Constant, decimal Times) Of(WeekModel week, Eater eater, DateOnly date, LinearForm form)
    {
        var brought = BroughtBy(week, form, week.Choices.Where(choice => choice.Group.Eater.Id == eater.Id && choice.Group.Date == date));
        var times = WholeOf(brought.Select(one => Math.Abs(one.Most.Best)).Append(1).Max());
        var placed = week.Question.Placed.Where(item => item.Cell.Eater == eater.Id && item.Cell.Date == date);
        return (Sum(brought, times, Math.Round, Math.Max).Sum, placed.Sum(item => form.Of(item.Helping).Best), times);
    }

    private static List<(Choice Choice, Brought Least, Brought Most)> BroughtBy(
        WeekModel week,
        LinearForm form,
        IEnumerable<Choice> choices
    ) =>
        [
            .. choices
                .Select(choice =>
                    (
                        choice,
                        Least: form.Of(week.HelpingOf(choice, choice.Sizes.Least)),
                        Most: form.Of(week.HelpingOf(choice, choice.Sizes.Most))
                    )
                )
                .Where(one => one.Least.Best != 0 || one.Most.Best != 0),
        ];

    private static LinearExpr OpenOf(WeekModel week, Func<Group, bool> which) =>
        LinearExpr.Sum(week.Groups.Where(which).Select(group => week.Uncovered[group]));

    /// <param name="open">Meals of the period that nothing covers: each of them may yet bring what a floor lacks.</param>
    /// <param name="share">Of the period that is planned here: floors and aims are asked of so much.</param>
    private static void Keep(WeekModel week, LinearForm form, List<Choice> choices, List<Helping> placed, LinearExpr open, decimal share)
    {
        var brought = BroughtBy(week, form, choices);
        var constant = placed.Sum(helping => form.Of(helping).Best);
        var largest = brought.Select(one => Math.Abs(one.Most.Best)).Append(Math.Abs(form.AtMost ?? 0)).Append(form.AtLeast ?? 0).Max();
        if (largest == 0 || brought.Count == 0)
        {
            // Nothing that is sought changes it: the empty plan is always possible.
            return;
        }

        var times = WholeOf(largest);
        if (form.AtMost is { } most)
        {
            var (sum, width) = Sum(brought, times, Math.Ceiling, Math.Max);
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
            var (sum, _) = Sum(brought, times, Math.Floor, Math.Min);
            week.Model.Add(sum + (open * Whole(least, times, Math.Ceiling)) >= Whole(least - constant, times, Math.Ceiling));
        }

        if (form.Aim is var (low, high))
        {
            var (sum, _) = Sum(brought, times, Math.Round, Math.Min);
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
            // One size only says the same of a quarter and of the dish.
            var isFlat = least.Best == most.Best;
            var each = isFlat ? most.Best : worse(least.Best / choice.Sizes.Least, most.Best / choice.Sizes.Most);
            variables.Add(isFlat ? choice.Is : choice.Quarters);
            coefficients.Add((long)round(each * times));
            widths.Add((long)(most.Above / (isFlat ? 1 : choice.Sizes.Most) / 2 * times));
        }

        return (LinearExpr.WeightedSum(variables, coefficients), LinearExpr.WeightedSum(variables, widths));
    }

    private static long Whole(decimal value, decimal times, Func<decimal, decimal> round) => (long)round(value * times);
}

using Google.OrTools.Sat;
using Merienda.Core.Filling;

namespace Merienda.Solving;

/// <summary>What is cooked and drawn, what the kitchen can hold, and how long a session may be.</summary>
internal static class WeekKitchen
{
    public static void Add(WeekModel week)
    {
        Cook(week);
        foreach (var (rest, at) in week.Rests.SelectMany(one => one))
        {
            Draw(week, rest, at);
        }

        // A batch is made for whoever eats of it.
        foreach (var choice in week.Choices.Where(choice => choice.From.Count > 1 && choice.From[0].Session is not null))
        {
            week.Model.AddBoolOr([.. choice.From.Select(from => week.MadeIn(choice.Dish, from.Session!.Value)), choice.Is.Not()]);
        }

        foreach (var bought in week.Choices.Where(week.IsReady).GroupBy(choice => choice.Dish))
        {
            var dish = week.Question.Dishes[bought.Key];
            var already = week.Question.Placed.Count(item => item.Helping.Dish == dish.Version.Name);
            week.Model.Add(LinearExpr.Sum(bought.Select(choice => choice.Is)) <= Math.Max(0, dish.MostAWeek - already));
        }

        var all = week.Choices.SelectMany(choice => choice.From.Select(from => (choice, from))).ToList();
        Freeze(week, all);
        for (var session = 0; session < week.Question.Sessions.Count; session++)
        {
            Hold(week, session, all);
        }
    }

    private static void Cook(WeekModel week)
    {
        var (model, question) = (week.Model, week.Question);
        var drawn = week
            .Choices.SelectMany(choice =>
                choice.From.Where(from => from.Session is not null).Select(from => (choice.Dish, Session: from.Session!.Value, from))
            )
            .GroupBy(item => (question.Dishes[item.Dish].Recipe, item.Session));
        foreach (var batch in drawn)
        {
            var most = batch.Min(item => question.Dishes[item.Dish].Most ?? question.Wishes.MostPortions);
            var isMade = model.NewBoolVar($"batch {batch.Key.Session}");
            var portions = new Dictionary<int, IntVar>();
            foreach (var lot in batch.GroupBy(item => item.Dish))
            {
                var many = model.NewIntVar(0, most, $"portions of {lot.Key} in {batch.Key.Session}");
                model.Add(LinearExpr.Sum(lot.Select(item => item.from.Quarters)) <= many * FillTable.Quarters);
                portions[lot.Key] = many;
                foreach (var item in lot)
                {
                    model.AddImplication(item.from.Is, isMade);
                }
            }

            model.Add(LinearExpr.Sum(portions.Values) <= most * isMade);
            week.Batches.Add(new(batch.Key.Recipe, batch.Key.Session, isMade, portions));
        }
    }

    private static void Draw(WeekModel week, FillRest rest, int at)
    {
        var model = week.Model;
        var drawn = week.Choices.SelectMany(choice => choice.From).Where(from => from.Rest == at).ToList();
        var eaten = LinearExpr.Sum(drawn.Select(from => from.Quarters));
        if (rest.Box is { } box)
        {
            model.Add(LinearExpr.Sum(drawn.Select(from => from.Is)) <= (int)(rest.Portions / box));
            foreach (var from in drawn)
            {
                model.Add(from.Quarters <= (int)(box * FillTable.Quarters));
            }
        }

        var there = (long)(rest.Portions * FillTable.Quarters);
        var (more, left) = (model.NewIntVar(0, rest.More, $"more of {at}"), model.NewIntVar(0, there, $"left of {at}"));
        model.Add(eaten <= (more * FillTable.Quarters) + there);
        model.Add(left >= LinearExpr.Constant(there) - eaten);
        week.Growths.Add(new(at, more, left));
    }

    private static void Freeze(WeekModel week, List<(Choice Choice, Source From)> all)
    {
        // What is in the freezer already takes no room that is free.
        var frozen = all.Where(one => one.From.IsFrozen && (one.From.Rest is not { } rest || !week.Question.Rests[rest].IsFrozen)).ToList();
        // More than there is room for may stand there already: that is no worse afterwards.
        var already = week.Question.Now.Count(now => frozen.Exists(one => one.From.Rest == now.Rest && WeekModel.IsAt(one.Choice, now)));
        if (frozen.Count > 0)
        {
            week.Model.Add(LinearExpr.Sum(frozen.Select(one => one.From.Is)) <= Math.Max(already, week.Question.Wishes.FreezerBoxes));
        }
    }

    private static void Hold(WeekModel week, int session, List<(Choice Choice, Source From)> all)
    {
        var (question, date) = (week.Question, week.Question.Sessions[session].Date);
        if (question.Wishes.Boxes is { } boxes && !question.IsMend)
        {
            var waiting = all.Where(one =>
                one.From.Session is { } from && question.Sessions[from].Date <= date && one.Choice.Group.Date >= date
            );
            week.Model.Add(LinearExpr.Sum(waiting.Select(one => one.From.Is)) <= boxes);
        }

        if (question.Wishes.MinutesASession is { } minutes)
        {
            var cooked = week.Batches.Where(batch => batch.Session == session);
            week.Model.Add(LinearExpr.Sum(cooked.Select(batch => batch.Is * week.MinutesOf(batch))) <= minutes);
        }
    }
}

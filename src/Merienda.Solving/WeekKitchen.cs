using Google.OrTools.Sat;
using Merienda.Core.Filling;
using Merienda.Core.Keeping;

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

        Hold(week);
        if (week.Question.Wishes.MinutesASession is { } minutes)
        {
            foreach (var session in week.Batches.GroupBy(batch => batch.Session))
            {
                week.Model.Add(LinearExpr.Sum(session.Select(batch => batch.Is * week.MinutesOf(batch))) <= minutes);
            }
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

    /// <summary>What stands in fridge and freezer after each session is not more than they hold, or than stands there anyway.</summary>
    private static void Hold(WeekModel week)
    {
        var question = week.Question;
        var filled = new List<(Source From, DateOnly Filled, DateOnly Until)>();
        foreach (var choice in week.Choices)
        {
            foreach (var from in choice.From)
            {
                // What is in a box already takes no room that is free.
                if (from.Session is { } session)
                {
                    filled.Add((from, question.Sessions[session].Date, choice.Group.Date));
                }
                else if (from.Rest is { } rest && question.Rests[rest].Box is null)
                {
                    filled.Add((from, question.Rests[rest].Cooked, choice.Group.Date));
                }
            }
        }

        foreach (var date in filled.Select(box => box.Filled).Distinct().Order())
        {
            var sought = filled.Where(box => box.Filled <= date && box.Until >= date).Select(box => box.From).ToList();
            var standing = question.Waiting.Where(box => box.Filled <= date && box.Until >= date).ToList();
            // More than there is room for may stand there as the week is: that is no worse afterwards.
            var now = question
                .Now.Where(now => question.Rests[now.Rest] is { Box: null } rest && rest.Cooked <= date && now.Cell.Date >= date)
                .ToList();
            Keep(
                sought.Where(from => from.IsFrozen),
                question.Wishes.FreezerBoxes,
                standing.Count(box => box.IsFrozen),
                now.Count(one =>
                    question.Rests[one.Rest].KeptUntil(question.Dishes[question.Rests[one.Rest].Dish], one.Cell.Date) == KeptIn.Freezer
                )
            );
            if (question.Wishes.Boxes is { } boxes)
            {
                Keep(sought, boxes, standing.Count, now.Count);
            }
        }

        void Keep(IEnumerable<Source> sought, int room, int standing, int now)
        {
            if (sought.Any())
            {
                week.Model.Add(LinearExpr.Sum(sought.Select(from => from.Is)) <= Math.Max(now, room - standing));
            }
        }
    }
}

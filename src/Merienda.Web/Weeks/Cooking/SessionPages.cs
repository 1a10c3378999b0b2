using Merienda.Core.Planning;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using Merienda.Storage;
using Merienda.Web.Hosting;

namespace Merienda.Web.Weeks.Cooking;

/// <summary>The sessions of a week as they are cooked.</summary>
public static class SessionPages
{
    /// <summary>Hot food is at 21 °C within so many hours (domain.md section 8) [M: FDA Food Code].</summary>
    private const int CoolsWithin = 2;

    /// <summary>A session's steps with how each goes.</summary>
    private sealed record Kept(IReadOnlyList<CookedDish> Dishes, CookedSession Session, IReadOnlyList<(StepRun Run, bool IsTicked)> Steps);

    /// <param name="Said">What is wrong with where steps were put; empty when nothing is.</param>
    private sealed record Ordered(IReadOnlyList<ScheduledTask> Tasks, int? Bound, bool IsSought, string Said);

    public static async Task<IReadOnlyList<SessionPage>> PagesOf(
        this SessionOrders orders,
        WeekView week,
        Kitchen kitchen,
        IReadOnlyList<EarlierNote> notes
    )
    {
        var pages = new List<SessionPage>();
        foreach (var session in week.CookedForIt.GroupBy(batch => batch.Cooked).OrderBy(session => session.Key))
        {
            pages.Add(await orders.PageOf(week, kitchen, notes, session.Key, [.. session]));
        }

        return pages;
    }

    /// <summary>What a session cooks.</summary>
    public static IReadOnlyList<CookedDish> DishesOf(WeekView week, IEnumerable<Batch> session) =>
        CookedDish.Of([
            .. session.Select(batch => new BatchToCook(
                batch.Letter,
                week.RecipeOf(batch).VersionId,
                week.RecipeOf(batch).Version,
                [.. batch.Lots.Select(lot => new LotToCook(week.DishOf(batch, lot), lot.Portions))]
            )),
        ]);

    /// <summary>What it has to order, with what each eater is allergic to apart.</summary>
    public static CookedSession SessionOf(WeekView week, IReadOnlyList<CookedDish> dishes, SessionKitchen room) =>
        CookedSession
            .Of(dishes, room)
            .KeepingApart(dishes, [.. week.Eaters.Select(eater => (Func<RecipeLine, bool>)eater.Rules.IsStoppedBy)]);

    private static async Task<SessionPage> PageOf(
        this SessionOrders orders,
        WeekView week,
        Kitchen kitchen,
        IReadOnlyList<EarlierNote> notes,
        DateOnly date,
        IReadOnlyList<Batch> cooked
    )
    {
        var (batches, dishes) = (cooked.ToDictionary(batch => batch.Letter), DishesOf(week, cooked));
        var said = week.Plan.Sessions.First(one => one.Date == date);
        var room = kitchen.ForSession(said.Cooks);
        var (session, planned, isSought) = await orders.Planned(SessionOf(week, dishes, room));
        var keys = KeysOf(session, dishes, batches);
        var kept = new Kept(dishes, session, [.. keys.Select(key => week.RunOf(key.Batch.Id, key.Key))]);
        var begins = HouseholdClock.MomentOf(date, said.Start, week.Table.Household.TimeZone);
        var order = await orders.OrderOf(kept, planned, isSought, begins);
        var took = SessionRun.Took(kept.Steps, said.Cooks);
        var vessels = dishes.Select(dish => VesselFit.Of(dish, kitchen)).ToList();
        var tasks = order
            .Tasks.Select(item =>
            {
                var at = Enumerable.Range(0, session.Steps.Count).First(one => ReferenceEquals(session.Steps[one].Step, item.Step));
                return ToTask(
                    week,
                    kept,
                    at,
                    item,
                    keys[at],
                    took[at],
                    SessionWords.VesselOf(
                        item,
                        kitchen,
                        room,
                        dishes,
                        vessels[item.Dish].FirstOrDefault(finding => finding.Task == item.Task.Id)
                    )
                );
            })
            .ToList();
        var end = order.Tasks.Select(item => item.End).DefaultIfEmpty(0).Max();
        return new SessionPage(
            date,
            said.Start,
            begins,
            week.Table.Household.TimeZone,
            said.Cooks,
            said.Name,
            week.Plan.StateOf(date, batch => tasks.Any(task => task.IsTicked && task.BatchId == batch.Id)),
            end,
            session.Question.Works.Sum(work => work.HandsOn),
            batches.Count,
            tasks,
            [.. dishes.Where(dish => dish.For.Count > 0).Select(SessionWords.Shared)],
            [.. cooked.Where(batch => batch.Lots.Any(lot => lot.Variant is not null)).Select(batch => SessionWords.LotsOf(week, batch))],
            [.. order.Tasks.Where(item => item.Step is { Round: 1 } step && step.Needed > step.Rounds).Select(SessionWords.TooManyRounds)],
            [.. SessionWords.Allergies(week, cooked, kept.Session.Question, order.Tasks)],
            kept.Steps.Any(step => step.Run.HandsOff is not null || step.Run.Done is not null) ? "" : Limit(kept, room, order, end),
            order.IsSought,
            order.Bound == end,
            order.Said,
            [.. SessionWords.Unlisted(order.Tasks, room, kitchen)],
            [.. Cooling(kept, batches)],
            [.. cooked.Select(batch => Earlier(week, batch, notes)).OfType<SessionNote>()]
        );
    }

    private static async Task<Ordered> OrderOf(
        this SessionOrders orders,
        Kept kept,
        SessionAnswer planned,
        bool isSought,
        DateTimeOffset begins
    )
    {
        var session = kept.Session;
        var left = SessionRun.Left(session, planned, kept.Steps, begins);
        if (left == session.Question)
        {
            return new(session.Order(planned), planned.Bound, isSought, "");
        }

        var (answer, isMending) = await orders.Of(left);
        if (answer is not null)
        {
            return new(session.Order(answer, left), answer.Bound, isSought || isMending, "");
        }

        // First without what was put; where that is not it, two dishes are begun that wait for each other's pot.
        var free = left with
        {
            Works = [.. left.Works.Select(work => work.IsUnderway ? work : work with { At = null })],
        };
        (answer, isMending) = await orders.Of(free);
        if (answer is null)
        {
            free = free with { Stays = [] };
            (answer, isMending) = await orders.Of(free);
        }

        return new(
            session.Order(answer ?? planned, answer is null ? null : free),
            null,
            isSought || isMending,
            kept.Steps.Any(step => step.Run.Put is not null)
                ? "No order was found in which every step begins where it was put: this is the order without that. Let one of them move."
                : "Two dishes wait for each other’s pot: empty one of them into something else."
        );
    }

    /// <summary>What is cooked for several is ticked at the first of them.</summary>
    private static List<(Batch Batch, string Key)> KeysOf(
        CookedSession session,
        IReadOnlyList<CookedDish> dishes,
        Dictionary<string, Batch> batches
    ) => [.. session.Steps.Select(step => (BatchOf(dishes[step.Dish], batches), dishes[step.Dish].KeyOf(step.Step.Task)))];

    /// <summary>The steps of a session by the batch and the key under which something is said of them, with their planned minutes.</summary>
    public static IReadOnlyList<(Guid Batch, string Key, int Planned)> StepsOf(
        WeekView week,
        IReadOnlyList<Batch> cooked,
        SessionKitchen room
    )
    {
        var dishes = DishesOf(week, cooked);
        var session = CookedSession.Of(dishes, room);
        return
        [
            .. KeysOf(session, dishes, cooked.ToDictionary(batch => batch.Letter))
                .Zip(session.Steps, (key, step) => (key.Batch.Id, key.Key, step.Step.Task.HandsOn + step.Step.Task.Unattended)),
        ];
    }

    private static Batch BatchOf(CookedDish dish, Dictionary<string, Batch> batches) => batches[dish.IsBase ? dish.For[0] : dish.Letter];

    private static SessionTask ToTask(
        WeekView week,
        Kept kept,
        int at,
        ScheduledTask item,
        (Batch Batch, string Key) key,
        int? took,
        VesselFinding? vessel
    )
    {
        var (dish, (run, isTicked)) = (kept.Dishes[item.Dish], kept.Steps[at]);
        return new(
            key.Batch.Id,
            dish.Letter,
            dish.Recipe.Name,
            key.Key,
            item.Task.Text,
            item.Start,
            item.HandsOnEnd,
            item.End,
            item.Appliance,
            item.Appliance == item.Task.Appliance ? item.Task.TemperatureC : item.Task.Instead?.TemperatureC,
            isTicked,
            [
                .. item
                    .Step.Takes.Where(take => take.Times > 0)
                    .Select(take => TakenWords.Of(take.Line, take.Times, grams => HouseholdMass.Show(grams, week.CountsInOunces))),
            ],
            item.Step.Round,
            item.Step.Rounds,
            item.WaitedTooLong,
            vessel?.Said,
            vessel?.Verdict,
            item.Task.HandsOn + item.Task.Unattended,
            week.RemarkOn(key.Batch.Id, key.Key)?.Minutes,
            took,
            item.Cook + 1,
            item.Heat is { } heat && item.Appliance == item.Task.Appliance && heat != item.Task.TemperatureC ? heat : null,
            item.Cut is { } cut ? CutWords(cut, kept.Dishes, week) : null,
            item.WashesBoard is { } had ? SessionWords.BoardHad(week, had) : null,
            InsideOf(kept, at),
            run.Put,
            run.HandsOff,
            run.Until,
            run.Done,
            run.IsSkipped
        );
    }

    /// <summary>"Onion: 5, for A, C and E".</summary>
    private static string CutWords(CutTogether cut, IReadOnlyList<CookedDish> dishes, WeekView week) =>
        $"{cut.Food.Name}{(cut.Count is { } count ? $": {count:0.#}" : cut.Grams is { } grams ? $": {HouseholdMass.Show(grams, week.CountsInOunces)}" : "")}, for {string.Join(", ", cut.Dishes.Select(dish => dishes[dish].Letter))}";

    /// <summary>How hot a dish is to be inside, at the last step that heats it, where its words do not say.</summary>
    private static string? InsideOf(Kept kept, int at)
    {
        var (dish, step) = kept.Session.Steps[at];
        return LastHeat(kept.Dishes[dish]) != step || step.Task.Text.Contains("inside", StringComparison.OrdinalIgnoreCase) ? null
            : Doneness.Of(kept.Dishes[dish]) is { } done
                ? $"{done.Celsius} °C inside{(done.RestMinutes > 0 ? $", then {done.RestMinutes} min of rest" : "")}"
            : null;
    }

    private static CookedStep? LastHeat(CookedDish dish) => dish.Steps.LastOrDefault(step => Doneness.Heats(step.Task));

    /// <summary>What is hot and must be cold in time.</summary>
    private static IEnumerable<SessionCooling> Cooling(Kept kept, Dictionary<string, Batch> batches) =>
        from dish in kept.Dishes
        where BatchOf(dish, batches).PortionedOn is null
        let at = Enumerable
            .Range(0, kept.Steps.Count)
            .FirstOrDefault(one => ReferenceEquals(kept.Session.Steps[one].Step, LastHeat(dish)), -1)
        where at >= 0 && kept.Steps[at].Run is { Done: not null, IsSkipped: false }
        select new SessionCooling(dish.Letter, dish.Recipe.Name, kept.Steps[at].Run.Done!.Value.AddHours(CoolsWithin));

    /// <summary>"B Beef shin with swede takes 246 minutes by itself: no order is shorter."</summary>
    private static string Limit(Kept kept, SessionKitchen room, Ordered order, int end)
    {
        var bound = SessionBound.Of(kept.Session);
        var what =
            bound.Dish is { } dish ? $"{kept.Dishes[dish].Letter} {kept.Dishes[dish].Recipe.Name} takes {bound.Minutes} min by itself"
            : bound.Vessel is { } vessel ? $"{room.Vessels[vessel].Name} is needed for {bound.Minutes} min"
            : bound.Appliance is { } appliance ? $"the {appliance.InWords()} alone is needed for {bound.Minutes} min"
            : $"there is work by hand for {bound.Minutes} min{(kept.Session.Question.Cooks > 1 ? " each" : "")}";
        return end == 0 ? ""
            : end == bound.Minutes ? $"{Sentence(what)}: no order is shorter."
            : end == order.Bound ? $"{Sentence(what)}; with hands and appliances shared no order is shorter than {end} min."
            : $"{Sentence(what)}, so no order is shorter than that; this one is good, not proven best.";
    }

    private static string Sentence(string words) => $"{char.ToUpperInvariant(words[0])}{words[1..]}";

    private static SessionNote? Earlier(WeekView week, Batch batch, IReadOnlyList<EarlierNote> notes) =>
        notes.FirstOrDefault(note =>
            note.RecipeId == week.RecipeOf(batch).RecipeId && note.BatchId != batch.Id && note.CookedOn <= batch.Cooked
        )
            is { } note
            ? new(batch.Letter, week.RecipeOf(batch).Version.Name, note.CookedOn, note.Note)
            : null;
}

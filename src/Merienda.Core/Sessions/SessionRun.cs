namespace Merienda.Core.Sessions;

/// <summary>A session while it is cooked: what is done and what runs stays, the rest is ordered again round it.</summary>
public static class SessionRun
{
    /// <summary>What was pressed longer before a session's start or after it, hours, says nothing of its minutes.</summary>
    private const int Before = 3,
        After = 20;

    /// <param name="steps">How each step goes, in the order of the session's steps; ticked ones without a time are done.</param>
    /// <param name="planned">The order that was planned, of which as little as possible moves.</param>
    /// <param name="begins">The session's start.</param>
    /// <returns>The question that is left; the session's own where nothing was done or put.</returns>
    public static SessionQuestion Left(
        CookedSession session,
        SessionAnswer planned,
        IReadOnlyList<(StepRun Run, bool IsTicked)> steps,
        DateTimeOffset begins
    )
    {
        var question = session.Question;
        var pressed = steps.SelectMany(step => new[] { MinuteOf(step.Run.HandsOff), MinuteOf(step.Run.Done) }).OfType<int>().ToList();
        if (pressed.Count == 0 && steps.All(step => step.Run.Put is null))
        {
            return question;
        }

        var floor = pressed.Count == 0 ? 0 : Math.Max(0, pressed.Max());
        return question with { Works = [.. question.Works.Select((work, at) => Left(work, at))], Stays = LeftStays() };

        SessionWork Left(SessionWork work, int at)
        {
            var (run, isTicked) = steps[at];
            if (isTicked)
            {
                var done = MinuteOf(run.Done) ?? Math.Min(planned.EndOf(question, at), floor);
                return Underway(work, at, done, 0) with { Ways = [new(null, null, 0, true)] };
            }

            if (MinuteOf(run.HandsOff) is { } off && MinuteOf(run.Until) is { } until)
            {
                return Underway(work, at, off, Math.Max(until - off, 0));
            }

            return work with
            {
                Earliest = floor,
                At = run.Put is { } put && put >= floor ? put : null,
                Was = planned.Starts[at],
            };
        }

        // What is over has given its vessel back; what has begun stays where it is, be it more than there is of it.
        IReadOnlyList<SessionStay> LeftStays()
        {
            var (left, held) = (new List<SessionStay>(), new int[question.Vessels.Count]);
            foreach (var (stay, vessel) in question.Stays.Zip(planned.Vessels))
            {
                var hasBegun = stay.Works.Any(at => steps[at].IsTicked || steps[at].Run.HandsOff is not null);
                if (!hasBegun)
                {
                    left.Add(stay);
                }
                else if (!stay.Works.All(at => steps[at].IsTicked) && held[vessel]++ < question.Vessels[vessel])
                {
                    left.Add(stay with { Vessels = [vessel] });
                }
            }

            return left;
        }

        SessionWork Underway(SessionWork work, int at, int minute, int alone) =>
            work with
            {
                HandsOn = 0,
                At = minute,
                IsUnderway = true,
                Ways = [planned.WayOf(question, at) with { Alone = alone }],
            };

        int? MinuteOf(DateTimeOffset? moment) =>
            moment is { } at && at > begins.AddHours(-Before) && at < begins.AddHours(After)
                ? (int)Math.Max(0, Math.Floor((at - begins).TotalMinutes))
                : null;
    }

    /// <summary>
    /// Minutes that a step took by the clock, from what was pressed before it; null where that says nothing: with several cooks, for what
    /// was skipped, and for the first thing that was pressed.
    /// </summary>
    public static IReadOnlyList<int?> Took(IReadOnlyList<(StepRun Run, bool IsTicked)> steps, int cooks)
    {
        var pressed = steps
            .SelectMany(step => new[] { step.Run.HandsOff, step.Run.IsSkipped ? null : step.Run.Done })
            .OfType<DateTimeOffset>()
            .Order()
            .ToList();
        return
        [
            .. steps.Select(step =>
            {
                var first = step.Run.HandsOff ?? step.Run.Done;
                if (cooks > 1 || step.Run.IsSkipped || step.Run.Done is not { } done || first is not { } hands)
                {
                    return null;
                }

                var before = pressed.FindLast(at => at < hands);
                var minutes = (int)Math.Round((done - before).TotalMinutes, MidpointRounding.AwayFromZero);
                return before == default || minutes is < 1 or > CookRemark.MostMinutes ? (int?)null : minutes;
            }),
        ];
    }
}

using Merienda.Core.Recipes;

namespace Merienda.Core.Sessions;

/// <summary>A session with its steps, and what it has to order as numbers.</summary>
/// <param name="Steps">In the order of the question's works.</param>
public sealed record CookedSession(IReadOnlyList<(int Dish, CookedStep Step)> Steps, SessionQuestion Question)
{
    /// <summary>Dishes whose temperatures are so near, °C, share an oven (domain.md section 9) [C].</summary>
    public const int SharedWithin = 15;

    private IReadOnlyList<CutTogether?> Cuts { get; init; } = [];

    /// <param name="dishes">What is cooked. Ids in <see cref="PrepTask.After"/> that do not exist, or that wait in a ring, are passed over
    /// rather than waited for.</param>
    public static CookedSession Of(IReadOnlyList<CookedDish> dishes, SessionKitchen kitchen)
    {
        var works = WorkGraph.Of(dishes);
        var places = PlacesOf(kitchen);
        var heats = works.Select(work => work.Task).SelectMany(HeatsOf).Distinct().ToList();
        var at = works.Select((work, index) => (work, index)).ToDictionary(one => one.work, one => one.index);
        var steps = works.Select(work => (work.Dish, work.Step)).ToList();
        var groups = Cutting.Together(steps);
        var cuts = new CutTogether?[steps.Count];
        foreach (var (food, of) in groups)
        {
            var cut = CutTogether.Of(food, [.. of.Select(one => steps[one])]);
            of.ToList().ForEach(one => cuts[one] = cut);
        }

        return new(
            steps,
            new(
                kitchen.Cooks,
                places,
                [
                    .. works.Select(work => new SessionWork(
                        work.Task.HandsOn,
                        WaysOf(dishes[work.Dish], work.Task, kitchen, places, heats),
                        [.. work.Before.Select(before => at[before])]
                    )
                    {
                        WaitsAtMost = work.Task.WaitsAtMost,
                        Board = Cutting.On(work.Step),
                    }),
                ],
                [.. groups.Select(group => group.Works)]
            )
            {
                Vessels = [.. kitchen.Vessels.Select(vessel => vessel.Count)],
                Stays =
                [
                    .. from dish in Enumerable.Range(0, dishes.Count)
                    from stay in kitchen.StaysOf(dishes[dish])
                    select new SessionStay(
                        [
                            .. Enumerable
                                .Range(0, steps.Count)
                                .Where(one => steps[one].Dish == dish && stay.Tasks.Contains(steps[one].Step.Task.Id)),
                        ],
                        stay.Vessels
                    ),
                ],
            }
        )
        {
            Cuts = cuts,
        };
    }

    /// <summary>The same, with what somebody is allergic to on the board after everything else where that costs no time (domain.md section 5).</summary>
    /// <param name="dishes">What it was made of.</param>
    /// <param name="isStopped">For each eater whether a line holds, or may hold, what they are allergic to.</param>
    public CookedSession KeepingApart(IReadOnlyList<CookedDish> dishes, IReadOnlyList<Func<RecipeLine, bool>> isStopped) =>
        this with
        {
            Question = Question with
            {
                Works =
                [
                    .. Question.Works.Select(
                        (work, at) =>
                            work.Board == OnBoard.Nothing
                                ? work
                                : work with
                                {
                                    StopsFor =
                                    [
                                        .. Enumerable
                                            .Range(0, isStopped.Count)
                                            .Where(eater => Cutting.LinesOn(dishes[Steps[at].Dish], Steps[at].Step).Any(isStopped[eater])),
                                    ],
                                }
                    ),
                ],
            },
        };

    /// <summary>The same, with as many pots as it takes: where dishes would wait for each other's for ever.</summary>
    public CookedSession WithoutVessels() => this with { Question = Question with { Stays = [] } };

    /// <summary>Who does what and when, after an answer; in the order of their starts.</summary>
    /// <param name="left">What was ordered, where some of it was done already or put somewhere; null for all of it.</param>
    public IReadOnlyList<ScheduledTask> Order(SessionAnswer answer, SessionQuestion? left = null) =>
        (this with { Question = left ?? Question }).Ordered(answer);

    private IReadOnlyList<ScheduledTask> Ordered(SessionAnswer answer)
    {
        var (free, order, board, taken) = (new int[Question.Cooks], new List<ScheduledTask>(), new UsedBoard(), VesselsIn(answer));
        foreach (var at in Enumerable.Range(0, Steps.Count).OrderBy(at => answer.Starts[at]).ThenBy(at => Question.Works[at].HandsOn))
        {
            var (work, start, way) = (Question.Works[at], answer.Starts[at], answer.WayOf(Question, at));
            // Whoever has waited least goes on, so that one cook is free for long rather than both for moments.
            var cook = Enumerable
                .Range(0, free.Length)
                .Where(one => free[one] <= start)
                .OrderByDescending(one => free[one])
                .FirstOrDefault();
            free[cook] = work.HandsOn > 0 ? start + work.HandsOn : free[cook];
            var place = way.Place is { } held ? Question.Places[held] : null;
            // Of what is underway only the end is known: its hands are shown before it.
            var begun = work.IsUnderway ? Math.Max(0, start - Steps[at].Step.Task.HandsOn) : start;
            order.Add(
                new(Steps[at].Dish, Steps[at].Step, begun, way.Alone, TooLong(at))
                {
                    Appliance = place?.Appliance ?? Steps[at].Step.Task.Appliance,
                    HandsOnEnd = work.IsUnderway ? start : start + work.HandsOn,
                    Cook = cook,
                    Unit = place?.Unit ?? 0,
                    Heat = way.Heat,
                    Cut = Cuts[at],
                    Vessel = taken.TryGetValue(at, out var vessel) ? vessel.Vessel : null,
                    VesselAfter = vessel.After,
                    WashesBoard = board.Take(work),
                }
            );
        }

        return order;

        int TooLong(int at) =>
            Question
                .Works[at]
                .Before.Where(before => Question.Works[before].WaitsAtMost is not null)
                .Select(before => answer.Starts[at] - answer.EndOf(Question, before) - Question.Works[before].WaitsAtMost!.Value)
                .Append(0)
                .Max();
    }

    /// <summary>What the first step of each stay takes, and the dish that was in it before where there is no other one of it.</summary>
    private Dictionary<int, (int Vessel, int? After)> VesselsIn(SessionAnswer answer)
    {
        var taken = new Dictionary<int, (int, int?)>();
        var before = new List<(int Vessel, int To, int Dish)>();
        foreach (var stay in Enumerable.Range(0, Question.Stays.Count).OrderBy(stay => answer.Stays(Question, stay).From))
        {
            var (vessel, works) = (answer.Vessels[stay], Question.Stays[stay].Works);
            var (first, dish) = (works.MinBy(at => answer.Starts[at]), Steps[works[0]].Dish);
            var others = before.Where(other => other.Vessel == vessel).ToList();
            taken[first] = (vessel, others.Count < Question.Vessels[vessel] ? null : others.MinBy(other => other.To).Dish);
            before.Add((vessel, answer.Stays(Question, stay).To, dish));
        }

        return taken;
    }

    /// <summary>Minutes that something takes in an oven that is hotter or cooler than it is written for: one in a hundred for a degree [C].</summary>
    internal static int Alone(int minutes, int own, int heat) =>
        minutes == 0 ? 0 : Math.Max(1, (int)Math.Round(minutes * (100m + own - heat) / 100, MidpointRounding.AwayFromZero));

    private static IReadOnlyList<SessionPlace> PlacesOf(SessionKitchen kitchen) =>
        [
            .. kitchen.Ovens.Select((racks, oven) => new SessionPlace(Appliance.Oven, oven, racks)),
            .. kitchen
                .Places.Where(place => place.Key != Appliance.Oven)
                .SelectMany(place =>
                    kitchen.Sizes.TryGetValue(place.Key, out var sizes)
                        ? sizes.Select((count, unit) => new SessionPlace(place.Key, unit, count))
                        : [new SessionPlace(place.Key, 0, place.Value)]
                ),
        ];

    private static IEnumerable<int> HeatsOf(PrepTask task) =>
        new[] { (task.Appliance, task.TemperatureC), (task.Instead?.Appliance ?? Appliance.None, task.Instead?.TemperatureC) }
            .Where(way => way is { Item1: Appliance.Oven, Item2: not null })
            .Select(way => way.Item2!.Value);

    private static IReadOnlyList<SessionWay> WaysOf(
        CookedDish dish,
        PrepTask task,
        SessionKitchen kitchen,
        IReadOnlyList<SessionPlace> places,
        IReadOnlyList<int> heats
    )
    {
        var written = In(task.Appliance, task.TemperatureC, task.Unattended);
        if (task.Instead is not { } other || kitchen.Unlisted.Contains(other.Appliance))
        {
            return written;
        }

        var instead = In(other.Appliance, other.TemperatureC, other.Unattended);
        return kitchen.Unlisted.Contains(task.Appliance) ? instead : [.. written, .. instead];

        IReadOnlyList<SessionWay> In(Appliance appliance, int? own, int minutes)
        {
            var holding = kitchen.Sizes.ContainsKey(appliance) ? kitchen.Holding(dish, task with { Appliance = appliance }) : [];
            var there = Enumerable
                .Range(0, places.Count)
                .Where(place => places[place].Appliance == appliance && (holding.Count == 0 || holding.Contains(places[place].Unit)))
                .ToList();
            // What is put somewhere takes its place when it goes in, everything else when somebody begins.
            var fromStart = appliance is not (Appliance.Oven or Appliance.AirFryer or Appliance.Fridge or Appliance.Cooling);
            return there.Count == 0 ? [new(null, null, minutes, fromStart)]
                : appliance != Appliance.Oven ? [.. there.Select(place => new SessionWay(place, null, minutes, fromStart))]
                :
                [
                    .. from heat in own is null
                        ? [null]
                        : heats.Where(heat => Math.Abs(heat - own.Value) <= SharedWithin).Select(heat => (int?)heat).Prepend(own).Distinct()
                    from place in there
                    select new SessionWay(place, heat, own is null ? minutes : Alone(minutes, own.Value, heat!.Value), fromStart),
                ];
        }
    }
}

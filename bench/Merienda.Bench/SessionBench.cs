using System.Diagnostics;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using Merienda.Formats;
using Merienda.Solving;

namespace Merienda.Bench;

/// <summary>Sessions drawn from the demo's recipes: how long the search takes, how good it is, and how long a mended order takes.</summary>
internal static class SessionBench
{
    private const int Sessions = 60;

    /// <summary>The demo's: a pot, a pan, two trays and two bowls.</summary>
    private static readonly Kitchen Listed = new(
        "metric",
        "point",
        null,
        [
            Item("burner", 4, null),
            Item("pot", 1, 6000),
            Item("pan", 1, 3500),
            Item("tray", 2, null) with
            {
                WidthMm = 300,
                LengthMm = 400,
            },
            Item("bowl", 2, 4000),
        ],
        []
    );

    private static KitchenItem Item(string kind, int count, int? capacity) =>
        new(Guid.NewGuid(), kind, kind, count, capacity, null, null, null);

    public static void Run()
    {
        var recipes = Recipes();
        foreach (var batches in new[] { 3, 5, 9, 12 })
        {
            var draw = new Random(batches);
            var (free, mended, cut, gaps, late) = (new List<double>(), new List<double>(), new List<int>(), 0, new List<int>());
            for (var one = 0; one < Sessions; one++)
            {
                var kitchen = Listed.ForSession(1 + (one % 2)) with { Ovens = [1 + (one % 3)] };
                var names = draw.GetItems(recipes, batches);
                var question = CookedSession
                    .Of(
                        CookedDish.Of([
                            .. names.Select(
                                (recipe, at) => new BatchToCook($"{at}", Guid.NewGuid(), recipe, [new(recipe, recipe.Portions)])
                            ),
                        ]),
                        kitchen
                    )
                    .Question;
                var (list, clock) = (SessionPlan.Of(question).End(question), Stopwatch.StartNew());
                var answer = SessionSolver.Solve(question)!;
                free.Add(clock.Elapsed.TotalSeconds);
                Check(question, answer);
                gaps += answer.Bound == answer.End(question) ? 0 : 1;
                cut.Add(list - answer.End(question));

                // Something took ten minutes longer than planned, in the middle of the session.
                var mend = Overrun(question, answer, answer.End(question) / 3);
                clock.Restart();
                var then = SessionSolver.Solve(mend)!;
                mended.Add(clock.Elapsed.TotalSeconds);
                Check(mend, then);
                late.Add(Enumerable.Range(0, mend.Works.Count).Count(at => mend.Works[at].Was is { } was && was != then.Starts[at]));
            }

            Console.WriteLine(
                $"{batches} batches: {Middle(free):0.00} s in the middle, {free.Max():0.00} at worst, {free.Count(one => one > 2)} over 2; {gaps} of {Sessions} not proven; "
                    + $"{cut.Average():0} min shorter than the list rule; mended {Middle(mended):0.00}, {mended.Max():0.00} s, {mended.Count(one => one > 2)} over 2, {late.Average():0.0} steps moved"
            );
        }

        using var process = Process.GetCurrentProcess();
        Console.WriteLine($"memory at most {process.PeakWorkingSet64 / 1_000_000} MB");
    }

    private static SessionQuestion Overrun(SessionQuestion question, SessionAnswer answer, int now) =>
        question with
        {
            Stays =
            [
                .. question
                    .Stays.Zip(answer.Vessels)
                    .Where(stay => stay.First.Works.Any(at => answer.EndOf(question, at) > now))
                    .Select(stay =>
                        stay.First.Works.Any(at => answer.Starts[at] <= now) ? stay.First with { Vessels = [stay.Second] } : stay.First
                    ),
            ],
            Works =
            [
                .. question.Works.Select(
                    (work, at) =>
                        answer.Starts[at] > now
                            ? work with
                            {
                                Earliest = now,
                                Was = answer.Starts[at],
                            }
                            : work with
                            {
                                At = answer.Starts[at],
                                IsUnderway = true,
                                Ways =
                                [
                                    answer.WayOf(question, at) with
                                    {
                                        Alone = answer.WayOf(question, at).Alone + (answer.EndOf(question, at) > now ? 10 : 0),
                                    },
                                ],
                            }
                ),
            ],
        };

    private static void Check(SessionQuestion question, SessionAnswer answer)
    {
        if (SessionJudge.Wrong(question, answer).FirstOrDefault() is { } wrong)
        {
            throw new InvalidOperationException(wrong);
        }
    }

    private static double Middle(List<double> of) => of.Order().ElementAt(of.Count / 2);

    private static RecipeVersion[] Recipes()
    {
        var data = DataFiles.Load(DataFiles.Find());
        return
        [
            .. DemoRecipes
                .Load(DataFiles.Find())
                .Select(recipe => new RecipeVersion
                {
                    Name = recipe.Name,
                    Portions = recipe.Portions,
                    Meal = recipe.Meal,
                    Lines = [.. recipe.Lines.Select(line => RecipeLine.From(line, data.Foods, MeasureSystem.Metric))],
                    Tasks = recipe.Tasks,
                    Keeping = KeepingClass.WithKey(recipe.Keeping)!,
                }),
        ];
    }
}

using System.Text.Json;

namespace Merienda.Core.Sessions;

/// <summary>
/// Dishes of a session that are cooked in the same way, step by step: an order with two of them in each other's place is as good, so that
/// a search need look at one of the two only.
/// </summary>
public static class SessionTwins
{
    /// <summary>Each list holds dishes that are alike, each dish its works in the same order; whoever has moved, begun or been put has no twin.</summary>
    public static IReadOnlyList<IReadOnlyList<IReadOnlyList<int>>> Of(SessionQuestion question) =>
        [
            .. Dishes(question)
                .Where(dish => dish.All(at => question.Works[at] is { At: null, Was: null, IsUnderway: false }))
                .GroupBy(dish => Likeness(question, dish), StringComparer.Ordinal)
                .Where(alike => alike.Count() > 1)
                .Select(alike => alike.ToList()),
        ];

    /// <summary>The same order with the dishes of each list in the turn of their first works.</summary>
    public static SessionAnswer InTurn(SessionQuestion question, SessionAnswer answer)
    {
        var (starts, ways, vessels) = (answer.Starts.ToArray(), answer.Ways.ToArray(), answer.Vessels.ToArray());
        foreach (var alike in Of(question))
        {
            foreach (var (dish, from) in alike.Zip(alike.OrderBy(dish => answer.Starts[dish[0]])))
            {
                foreach (var (to, work) in dish.Zip(from))
                {
                    (starts[to], ways[to]) = (answer.Starts[work], answer.Ways[work]);
                }

                foreach (var (to, stay) in StaysOf(question, dish).Zip(StaysOf(question, from)))
                {
                    vessels[to] = answer.Vessels[stay];
                }
            }
        }

        return answer with
        {
            Starts = starts,
            Ways = ways,
            Vessels = vessels,
        };
    }

    /// <summary>Works that wait for each other or share a vessel, the first of each in front.</summary>
    private static IEnumerable<IReadOnlyList<int>> Dishes(SessionQuestion question)
    {
        var dish = Enumerable.Range(0, question.Works.Count).ToArray();
        var ties = question
            .Works.SelectMany((work, at) => work.Before.Select(before => (One: at, Other: before)))
            .Concat(question.Stays.SelectMany(stay => stay.Works.Select(work => (One: stay.Works[0], Other: work))));
        foreach (var (one, other) in ties)
        {
            var (from, to) = (Math.Max(dish[one], dish[other]), Math.Min(dish[one], dish[other]));
            dish = [.. dish.Select(at => at == from ? to : at)];
        }

        return dish.Select((first, at) => (first, at)).GroupBy(work => work.first, work => work.at).Select(works => works.ToList());
    }

    private static IEnumerable<int> StaysOf(SessionQuestion question, IReadOnlyList<int> dish) =>
        Enumerable.Range(0, question.Stays.Count).Where(stay => dish.Contains(question.Stays[stay].Works[0]));

    /// <summary>Everything that an order is held against, with works counted from the dish's first.</summary>
    private static string Likeness(SessionQuestion question, IReadOnlyList<int> dish)
    {
        var turn = dish.Select((work, at) => (work, at)).ToDictionary(one => one.work, one => one.at);
        return JsonSerializer.Serialize(
            new
            {
                Works = dish.Select(at =>
                        (
                            question.Works[at] with
                            {
                                Before = [.. question.Works[at].Before.Select(before => turn[before]).Order()],
                            },
                            Enumerable
                                .Range(0, question.Together.Count)
                                .Where(together => question.Together[together].Contains(at))
                                .ToList()
                        )
                    )
                    .Select(work => new { Work = work.Item1, Together = work.Item2 }),
                Stays = StaysOf(question, dish)
                    .Select(stay => new { Works = question.Stays[stay].Works.Select(work => turn[work]), question.Stays[stay].Vessels }),
            }
        );
    }
}

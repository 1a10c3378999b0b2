using System.Diagnostics;
using System.Globalization;
using System.Text;
using Merienda.Core.Filling;
using Merienda.Core.Keeping;
using Merienda.Core.Protocols;

namespace Merienda.Solving.Tests;

/// <summary>
/// A week in another form than the program's own, as one who never saw it would write it: a variable for each meal, dish, size and session,
/// in the LP format, solved by CBC (Debian's coinor-cbc). Only the sizes and sums are Core's.
/// </summary>
internal sealed class MixedIntegerWeek
{
    private readonly FillQuestion _question;
    private readonly List<string> _rows = [];
    private readonly List<string> _open = [],
        _helpings = [],
        _used = [],
        _portions = [];

    public MixedIntegerWeek(FillQuestion question)
    {
        _question = question;
        var table = new FillTable(question);
        var terms = new List<(Planning Meal, string Name)>();
        foreach (var (cell, at) in question.Open.Select((cell, at) => (cell, at)))
        {
            var eater = question.Eaters.First(one => one.Id == cell.Eater);
            var own = new List<string>();
            for (var dish = 0; dish < question.Dishes.Count; dish++)
            {
                var sizes = table.SizesOf(eater, cell.Date, question.Rhythm.Meal(cell.Meal)!, dish);
                for (var size = sizes.Least; size <= sizes.Most; size++)
                {
                    foreach (var (session, when) in question.Sessions.Select((session, when) => (session, when)))
                    {
                        var kept = question.Dishes[dish].KeptUntil(session.Date, cell.Date);
                        if (session.EatenFrom <= cell.Date && kept != KeptIn.PastItsTime)
                        {
                            var name = $"x{at}_{dish}_{size}_{when}";
                            own.Add(name);
                            terms.Add((new(cell, dish, size, when, kept == KeptIn.Freezer), name));
                        }
                    }
                }
            }

            _helpings.AddRange(own);
            _open.Add($"o{at}");
            Row([.. own.Select(name => (1m, name)), (1, $"o{at}")], "=", 1);
        }

        Cook(terms);
        Repeat(terms);
        Rules(terms, table);
        Row([.. terms.Where(term => term.Meal.IsFrozen).Select(term => (1m, term.Name))], "<=", question.Wishes.FreezerBoxes);
    }

    private sealed record Planning(Core.Planning.Cell Cell, int Dish, int Size, int Session, bool IsFrozen);

    /// <summary>Fewest meals that stay open, and then fewest batches, both proven by CBC.</summary>
    public (int Open, int Batches) Solve()
    {
        var open = Solve(_open, []);
        return (open, Solve(_used, [$"{string.Join(" + ", _open)} <= {open}"]));
    }

    private void Cook(List<(Planning Meal, string Name)> terms)
    {
        foreach (var batch in terms.GroupBy(term => (_question.Dishes[term.Meal.Dish].Recipe, term.Meal.Session)))
        {
            var used = $"b{_used.Count}";
            _used.Add(used);
            var lots = batch.GroupBy(term => term.Meal.Dish).ToList();
            foreach (var lot in lots)
            {
                var portions = $"n{lot.Key}_{batch.Key.Session}";
                _portions.Add(portions);
                Row([.. lot.Select(term => ((decimal)term.Meal.Size, term.Name)), (-FillTable.Quarters, portions)], "<=", 0);
            }

            Row([.. lots.Select(lot => (1m, $"n{lot.Key}_{batch.Key.Session}")), (-_question.Wishes.MostPortions, used)], "<=", 0);
            foreach (var meal in batch.GroupBy(term => term.Meal.Cell))
            {
                Row([.. meal.Select(term => (1m, term.Name)), (-1, used)], "<=", 0);
            }
        }
    }

    private void Repeat(List<(Planning Meal, string Name)> terms)
    {
        var mains = terms.Where(term => _question.Rhythm.Meal(term.Meal.Cell.Meal)!.IsMain).ToList();
        foreach (var dish in mains.GroupBy(term => (term.Meal.Cell.Eater, _question.Dishes[term.Meal.Dish].Recipe)))
        {
            Row([.. dish.Select(term => (1m, term.Name))], "<=", _question.Wishes.MostTimes);
            foreach (var day in dish.GroupBy(term => term.Meal.Cell.Date))
            {
                Row([.. day.Select(term => (1m, term.Name))], "<=", 1);
            }
        }
    }

    private void Rules(List<(Planning Meal, string Name)> terms, FillTable table)
    {
        var open = _question.Open.Select((cell, at) => (cell, Name: $"o{at}")).ToList();
        foreach (var eater in _question.Eaters)
        {
            var own = terms.Where(term => term.Meal.Cell.Eater == eater.Id).ToList();
            foreach (var day in own.GroupBy(term => term.Meal.Cell.Date))
            {
                var left = open.Where(one => one.cell.Eater == eater.Id && one.cell.Date == day.Key).Select(one => one.Name);
                Keep([.. day], [.. left], FillTable.FormsOf(eater, day.Key).Where(form => form.Period == Period.Day), table);
            }

            Keep(
                own,
                [.. open.Where(one => one.cell.Eater == eater.Id).Select(one => one.Name)],
                FillTable.FormsOf(eater, _question.Start).Where(form => form is { Period: Period.Week, Account: null }),
                table
            );
        }
    }

    private void Keep(List<(Planning Meal, string Name)> terms, List<string> open, IEnumerable<LinearForm> forms, FillTable table)
    {
        foreach (var form in forms)
        {
            var sum = terms.Select(term => (form.Of(table.HelpingOf(term.Meal.Dish, term.Meal.Size)).Best, term.Name)).ToList();
            if (form.AtMost is { } most)
            {
                Row(sum, "<=", most);
            }

            if (form.AtLeast is { } least)
            {
                Row([.. sum, .. open.Select(name => (least, name))], ">=", least);
            }
        }
    }

    private void Row(IReadOnlyList<(decimal Times, string Name)> terms, string sign, decimal bound)
    {
        var text = new StringBuilder();
        foreach (var (times, name) in terms.Where(term => term.Times != 0))
        {
            text.Append(CultureInfo.InvariantCulture, $" {(times < 0 ? "-" : "+")} {Math.Abs(Math.Round(times, 9)):0.#########} {name}");
        }

        if (text.Length > 0)
        {
            _rows.Add(string.Create(CultureInfo.InvariantCulture, $"{text} {sign} {Math.Round(bound, 9):0.#########}"));
        }
    }

    private int Solve(List<string> least, IReadOnlyList<string> further)
    {
        var file = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.lp");
        try
        {
            File.WriteAllLines(
                file,
                [
                    "Minimize",
                    .. Broken(least),
                    "Subject To",
                    .. _rows.Concat(further).Select((row, at) => $"r{at}: {string.Join("\n", Broken(row.Split(" + ")))}"),
                    "Binaries",
                    .. _helpings.Concat(_open).Concat(_used),
                    "Generals",
                    .. _portions,
                    "End",
                ]
            );
            var start = new ProcessStartInfo("cbc", [file, "ratioGap", "0", "sec", "120", "solve", "solution", $"{file}.out"])
            {
                RedirectStandardOutput = true,
            };
            using var process = Process.Start(start)!;
            var says = process.StandardOutput.ReadToEnd();
            process.WaitForExit();
            var first = File.ReadLines($"{file}.out").First();
            Assert.True(first.StartsWith("Optimal", StringComparison.Ordinal), $"CBC did not prove it: {first}\n{says}");
            return (int)Math.Round(double.Parse(first.Split(' ')[^1], CultureInfo.InvariantCulture));
        }
        finally
        {
            File.Delete(file);
            File.Delete($"{file}.out");
        }
    }

    /// <summary>Long sums over several lines: the format ends a line at 255 characters.</summary>
    private static IEnumerable<string> Broken(IEnumerable<string> terms) =>
        terms.Chunk(5).Select((some, at) => $"{(at == 0 ? "" : "+ ")}{string.Join(" + ", some)}");
}

using CsCheck;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

/// <summary>A doubt never fits: words that nobody knows, added to any line or statement, never turn another verdict into Fits.</summary>
public class DoubtPropertyTests
{
    private static readonly string[] Lines =
    [
        "200 g chicken breast",
        "1 tbsp oyster sauce",
        "2 tbsp tahini or peanut butter",
        "50 g butter",
        "100 g oats",
        "2 eggs, beaten",
        "1 tin chickpeas, drained",
        "200 g crab sticks",
        "1 tbsp mayonnaise",
        "3 carrots, sliced",
        "150 g prawns",
        "30 g hazelnuts (optional)",
        "soured cream, to serve",
    ];

    private static readonly string[] Statements =
    [
        "Oats, honey, salt",
        "Chicken breast, water, salt",
        "Wheat flour, milk powder, sugar",
        "Tomatoes, basil, olive oil",
        "Mayonnaise (rapeseed oil, egg yolk), mustard",
        "Cod (fish), breadcrumbs",
        "Hummus, carrot",
        "Sugar, cocoa butter. May contain nuts",
        "Rice, water",
        "Soya lecithin, emulsifier (E471)",
    ];

    private static readonly string[] Unknown = ["wonderdust", "zorblat", "crispolene", "flimmer", "quaxx powder", "ambrosium"];

    private static readonly IReadOnlyList<EaterRules> Eaters =
    [
        .. Data
            .Classes.All.Where(item => item.Allergen is not null)
            .Select(item => new EaterRules([], [], new([item.Key], [], []), Data.HouseScheme, Data.Classes, default)),
        .. Data
            .Protocols.Where(protocol => protocol.RulesWith(new Dictionary<string, string>()).Any(LeavesOut))
            .Select(protocol => new EaterRules(protocol.RulesWith(new Dictionary<string, string>()).Where(LeavesOut), Context())),
        // One that allows a little of several classes.
        new EaterRules(
            [
                new DoseRule
                {
                    Id = "dose",
                    Name = "Dose",
                    Classes = ["added-sugar", "dairy", "soy", "grain"],
                    Counts = "food",
                    Per = Period.Portion,
                    AtMost = 5,
                },
            ],
            Context()
        ),
    ];

    private static bool LeavesOut(Rule rule) => rule is ExclusionRule or FodmapRule or DoseRule;

    private static Verdict VerdictOf(EaterRules eater, Intake dish) =>
        eater.CheckPortion(dish, null).Select(finding => finding.Verdict).RollUp();

    [Fact]
    public void There_is_an_eater_for_every_allergen_and_every_exclusion_protocol() => Assert.InRange(Eaters.Count, 14 + 8, 40);

    [Fact]
    public void Unknown_words_in_a_line_never_make_it_fit() =>
        Gen.Select(
                Gen.Int[0, Lines.Length - 1].Select(at => Lines[at]),
                Gen.Int[0, Unknown.Length - 1].Select(at => Unknown[at]),
                Gen.Int[0, 6]
            )
            .Sample(
                (line, word, place) =>
                {
                    var words = line.Split(' ').ToList();
                    // Behind the amount, in the middle or at the end; as a note; in brackets.
                    var changed = place switch
                    {
                        5 => $"{line}, {word}",
                        6 => $"{line} ({word})",
                        _ => string.Join(
                            ' ',
                            words
                                .Take(Math.Max(1, Math.Min(place, words.Count)))
                                .Append(word)
                                .Concat(words.Skip(Math.Max(1, Math.Min(place, words.Count))))
                        ),
                    };
                    foreach (var eater in Eaters)
                    {
                        var before = VerdictOf(eater, Eat(1, line));
                        Assert.True(before == Verdict.Fits || VerdictOf(eater, Eat(1, changed)) != Verdict.Fits, $"{line} -> {changed}");
                    }
                },
                iter: 300
            );

    [Fact]
    public void Unknown_words_in_a_statement_never_make_it_fit() =>
        Gen.Select(
                Gen.Int[0, Statements.Length - 1].Select(at => Statements[at]),
                Gen.Int[0, Unknown.Length - 1].Select(at => Unknown[at]),
                Gen.Int[0, 12]
            )
            .Sample(
                (statement, word, place) =>
                {
                    var words = statement.Split(' ').ToList();
                    var at = Math.Min(place, words.Count);
                    var changed = string.Join(' ', words.Take(at).Append(word).Concat(words.Skip(at)));
                    foreach (var eater in Eaters)
                    {
                        var before = VerdictOf(eater, Eat(Bought(Printed(statement))));
                        Assert.True(
                            before == Verdict.Fits || VerdictOf(eater, Eat(Bought(Printed(changed)))) != Verdict.Fits,
                            $"{statement} -> {changed}"
                        );
                        // And what they stand beside is not read through any more, unless they stand in the warning, or before a bracket
                        // that lists what is in it.
                        Assert.True(
                            statement.Contains('(', StringComparison.Ordinal)
                                || at > statement.Split(' ').TakeWhile(item => item != "May").Count()
                                || VerdictOf(eater, Eat(Bought(Printed(changed)))) != Verdict.Fits,
                            $"{changed} is read through"
                        );
                    }
                },
                iter: 200
            );
}

using CsCheck;
using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

/// <summary>Rules that can never hold together, protocols that cannot be, and the properties that no rule may lose.</summary>
public class ImpossibleTests
{
    private static Protocol With(params Rule[] rules) => new("x", "X", "x", "x", rules, [], null, null, []);

    private static string? Code(params Rule[] rules) => ProtocolCheck.Wrong(With(rules))?.Code;

    private static LimitRule Floor(Measure measure, decimal least, string id) => AtLeast(measure, least) with { Id = id };

    [Fact]
    public void A_protocol_says_what_is_impossible_about_it()
    {
        Assert.Null(Code(AtMost(Measure.Energy, 1500)));
        Assert.Equal("floor-above-ceiling", Code(AtMost(Measure.Energy, 1500) with { AtLeast = 1501 }));
        Assert.Null(Code(AtMost(Measure.Energy, 1500) with { AtLeast = 1500 }));
        Assert.Equal(
            "no-bound",
            Code(
                new LimitRule
                {
                    Id = "a",
                    Measure = Measure.Fibre,
                    Per = Period.Day,
                }
            )
        );
        Assert.Equal("rule-id-twice", Code(AtMost(Measure.Energy, 1500), AtMost(Measure.Fat, 70)));
        Assert.Equal("no-rules", Code());
        Assert.Equal("no-scheme", Code(new PointsBudgetRule { Id = "points", AtMost = 20 }));
        Assert.Equal(
            "ratio-of-one",
            Code(
                new GramRatioRule
                {
                    Id = "r",
                    Measure = Measure.Fat,
                    To = Measure.Fat,
                    Per = Period.Day,
                    AtMost = 1,
                }
            )
        );
    }

    [Fact]
    public void A_scheme_and_phases_that_cannot_be_are_found()
    {
        var scheme = Data.HouseScheme with { Free = [new("apple"), new("pear", 100)] };
        var scored = With(AtMost(Measure.Energy, 1500)) with { Scheme = scheme };
        Assert.Null(ProtocolCheck.Wrong(scored));
        Assert.Equal(
            "free-twice",
            ProtocolCheck.Wrong(scored with { Scheme = scheme with { Free = [new("apple"), new("apple", 100)] } })?.Code
        );

        string? Phased(params Challenge[] challenges) =>
            ProtocolCheck.Wrong(With(AtMost(Measure.Energy, 1500)) with { Phases = new(7, 14, challenges) })?.Code;
        var milk = new Challenge("milk", "Milk", ["dairy"], 3, 3, ["1 cup", "2 cups", "3 cups"]);
        Assert.Null(Phased(milk, milk with { Id = "wheat" }));
        Assert.Equal("challenge-twice", Phased(milk, milk));
        Assert.Equal("more-doses-than-days", Phased(milk with { Days = 2 }));
    }

    [Fact]
    public void Rules_that_no_day_can_keep_are_found()
    {
        Assert.Equal("rules-exclude-each-other", Code(AtMost(Measure.Energy, 1200) with { Id = "a" }, Floor(Measure.Energy, 1300, "b")));
        // 200 g protein bring 800 kcal by themselves.
        Assert.Equal("rules-exclude-each-other", Code(AtMost(Measure.Energy, 799) with { Id = "a" }, Floor(Measure.Protein, 200, "b")));
        Assert.Null(Code(AtMost(Measure.Energy, 800) with { Id = "a" }, Floor(Measure.Protein, 200, "b")));
        Rule Share(Measure measure, decimal least) =>
            new EnergyShareRule
            {
                Id = $"{measure}",
                Measure = measure,
                Per = Period.Day,
                AtLeast = least,
            };
        Assert.Equal("rules-exclude-each-other", Code(Share(Measure.Fat, 60), Share(Measure.Protein, 41)));
        Assert.Null(Code(Share(Measure.Fat, 60), Share(Measure.Protein, 40)));
        Rule fish = new CountRule
        {
            Id = "fish",
            Name = "Fish",
            Classes = ["fish"],
            Grams = 50,
            AtLeast = 1,
        };
        Assert.Equal(
            "rules-exclude-each-other",
            Code(
                fish,
                new ExclusionRule
                {
                    Id = "no",
                    Name = "No",
                    Excludes = ["fish"],
                }
            )
        );
        Assert.Null(
            Code(
                fish,
                new ExclusionRule
                {
                    Id = "no",
                    Name = "No",
                    Excludes = ["meat"],
                }
            )
        );
    }

    [Fact]
    public void Two_followed_protocols_are_compared_too()
    {
        var rules = new EaterRules(
            [
                new(Data.Protocol("calories-macros")!, new Dictionary<string, string> { ["macros"] = "protein" }),
                new(Data.Protocol("low-carb")!, new Dictionary<string, string>()),
            ],
            [new("calories-macros", "energy", null, 600), new("calories-macros", "protein", 160, null)],
            PersonalLimits.None,
            Data.HouseScheme,
            Data.Classes,
            default
        );
        Assert.Contains("bring 640 kcal by themselves", Assert.Single(Contradictions.Among(rules.Rules)).Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void Phases_and_schemes_are_checked_as_a_whole()
    {
        var low = Data.Protocol("low-fodmap")!;
        Assert.Equal("phase-backwards", ProtocolCheck.Wrong(low with { Phases = low.Phases! with { LongestDays = 13 } })?.Code);
        Assert.Null(ProtocolCheck.Wrong(low with { Phases = low.Phases! with { LongestDays = 14 } }));
        var points = Data.Protocol("points")!;
        Assert.Equal(
            "coefficient-of-nothing",
            ProtocolCheck
                .Wrong(points with { Scheme = points.Scheme! with { Coefficients = [new(Measure.Energy, 1, Class: "fish")] } })
                ?.Code
        );
    }

    [Fact]
    public void A_tighter_limit_never_turns_breaks_into_fits() =>
        Gen.Select(Gen.Decimal[1, 100], Gen.Decimal[0, 50], Gen.Int[1, 120], Gen.Int[0, 2])
            .Sample(
                (most, tighter, grams, open) =>
                {
                    var dish = open == 0 ? Eat(1, $"{grams} g sugar", "some moonfruit") : Eat(1, $"{grams} g sugar", "30 g carrot");
                    var (loose, tight) = (
                        AtMost(Measure.NetCarbohydrate, most),
                        AtMost(Measure.NetCarbohydrate, Math.Max(0, most - tighter))
                    );
                    if (loose.Check(dish, Context()).Verdict == Verdict.Breaks)
                    {
                        Assert.Equal(Verdict.Breaks, tight.Check(dish, Context()).Verdict);
                    }

                    if (tight.Check(dish, Context()).Verdict == Verdict.Fits)
                    {
                        Assert.Equal(Verdict.Fits, loose.Check(dish, Context()).Verdict);
                    }
                },
                iter: 300
            );

    [Fact]
    public void A_class_added_to_a_food_never_makes_an_exclusion_fit()
    {
        var keys = Data.Classes.All.Select(item => item.Key).ToArray();
        var foods = Table.Foods.Foods.ToList();
        var key = Gen.Int[0, keys.Length - 1].Select(at => keys[at]);
        Gen.Select(Gen.Int[0, foods.Count - 1].Select(at => foods[at]), key, key.Array[1, 4], key.Array[0, 2])
            .Sample(
                (food, added, excludes, except) =>
                {
                    var rule = new ExclusionRule
                    {
                        Id = "x",
                        Name = "X",
                        Excludes = excludes,
                        Except = except,
                    };
                    var more = new Food
                    {
                        Key = food.Key,
                        Name = food.Name,
                        Aisle = food.Aisle,
                        Profile = food.Profile,
                        Measures = food.Measures,
                        Tags = [.. food.Tags, added],
                        Classes = [.. food.Classes, .. Data.Classes.Upward(added)],
                        Source = food.Source,
                        Mark = food.Mark,
                    };
                    if (rule.VerdictOf(food, Context()) == Verdict.Breaks)
                    {
                        Assert.Equal(Verdict.Breaks, rule.VerdictOf(more, Context()));
                    }
                },
                iter: 2000
            );
    }

    [Fact]
    public void A_cure_cures() =>
        Gen.Select(Gen.Int[5, 300], Gen.Int[1, 4], Gen.Decimal[1, 60])
            .Sample(
                (grams, portions, most) =>
                {
                    var rule = AtMost(Measure.NetCarbohydrate, most);
                    var finding = rule.Check(Eat(portions, $"{grams} g white rice", "200 g cod"), Context());
                    if (finding.Cure is { } cure && cure.EndsWith("less White rice a portion", StringComparison.Ordinal))
                    {
                        var less = decimal.Parse(cure.Split(' ')[0], System.Globalization.CultureInfo.InvariantCulture) * portions;
                        Assert.Equal(
                            Verdict.Fits,
                            rule.Check(Eat(portions, $"{grams - less:0.##} g white rice", "200 g cod"), Context()).Verdict
                        );
                    }
                },
                iter: 300
            );
}

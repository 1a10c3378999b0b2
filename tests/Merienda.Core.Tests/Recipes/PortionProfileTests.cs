using CsCheck;
using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Recipes;

public class PortionProfileTests
{
    private static readonly string[] Pantry =
    [
        "{0} g cod",
        "{0} g sugar",
        "{0} ml milk",
        "{0} carrots",
        "{0} tbsp olive oil",
        "about {0} g spinach",
        "{0} g couscous",
        "{0} g moonfruit",
        "{0} g xylitol",
        "{0} g tempeh",
        "{0} ml red wine",
    ];

    private static readonly Gen<string[]> AnyLines = Gen.Select(
        Gen.Int[0, Pantry.Length - 1],
        Gen.Int[1, 300],
        (at, amount) => string.Format(System.Globalization.CultureInfo.InvariantCulture, Pantry[at], amount)
    ).Array[1, 8];

    /// <summary>The sum as the domain describes it, spelled out: widths by source, root-sum-square across sources.</summary>
    private static Estimate Plainly(IEnumerable<Helping> helpings, Measure measure)
    {
        decimal best = 0;
        var isOpen = false;
        var widths = new Dictionary<object, (double Below, double Above)>(ReferenceEqualityComparer.Instance);
        foreach (var helping in helpings)
        {
            for (var at = 0; at < helping.Profile.Lines.Count; at++)
            {
                var (line, amount) = (helping.Profile.Lines[at], helping.Profile[at, measure]);
                best += amount.Best * helping.Size;
                isOpen |= amount.IsOpen;
                foreach (
                    var (source, below, above) in new (object?, decimal, decimal)[]
                    {
                        (line.Food, amount.FoodBelow, amount.FoodAbove),
                        (line, amount.AmountBelow, amount.AmountAbove),
                    }
                )
                {
                    if (source is not null)
                    {
                        var (b, a) = widths.GetValueOrDefault(source);
                        widths[source] = (b + (double)(below * helping.Size), a + (double)(above * helping.Size));
                    }
                }
            }
        }

        var low = Math.Max(0, best - (decimal)Math.Sqrt(widths.Values.Sum(width => width.Below * width.Below)));
        return isOpen
            ? Estimate.AtLeast(low, best)
            : Estimate.Between(low, best, best + (decimal)Math.Sqrt(widths.Values.Sum(width => width.Above * width.Above)));
    }

    private static bool AreNear(Estimate one, Estimate other) =>
        Math.Abs(one.Low - other.Low) < 0.0001m
        && Math.Abs(one.Best - other.Best) < 0.0001m
        && one.IsOpen == other.IsOpen
        && Math.Abs((one.High ?? 0) - (other.High ?? 0)) < 0.0001m;

    [Fact]
    public void The_fast_sum_of_a_dish_equals_the_plain_one() =>
        Gen.Select(AnyLines, Gen.Int[1, 12], Gen.Int[1, 8])
            .Sample(
                (lines, portions, quarters) =>
                {
                    var helping = new Helping("dish", Portion(portions, lines), quarters / 4m);
                    return Enumerable
                        .Range(0, MeasureInfo.AdditiveCount)
                        .All(measure => AreNear(Plainly([helping], (Measure)measure), Intake.Of(helping).Sum((Measure)measure)));
                },
                iter: 300
            );

    [Fact]
    public void The_fast_sum_of_a_day_equals_the_plain_one_with_shared_foods_and_shared_batches() =>
        Gen.Select(AnyLines, AnyLines, Gen.Int[1, 6])
            .Sample(
                (first, second, portions) =>
                {
                    var (one, other) = (Portion(portions, first), Portion(portions, second));
                    var day = new[] { new Helping("one", one, 1), new Helping("other", other, 0.5m), new Helping("one", one, 1.5m) };
                    return new[] { Measure.Energy, Measure.NetCarbohydrate, Measure.Sodium, Measure.Alcohol }.All(measure =>
                        AreNear(Plainly(day, measure), new Intake(day).Sum(measure))
                    );
                },
                iter: 200
            );

    [Theory]
    [InlineData("200 ml whole milk or almond milk")]
    [InlineData("1 tbsp honey or sugar")]
    [InlineData("1 cup spinach or whole milk")] // lighter and leaner at once
    [InlineData("2 tbsp tahini, peanut butter or almond butter")]
    [InlineData("150 g cod or salmon")]
    public void A_choice_spans_all_that_may_be_meant(string text)
    {
        var line = Line(text);
        var (either, each) = (Portion(2, text), line.Meanings.Select(meaning => Portion(2, line.With(meaning))).ToList());
        Assert.True(line.HasChoice);
        foreach (var measure in Enumerable.Range(0, MeasureInfo.AdditiveCount).Select(measure => (Measure)measure))
        {
            Assert.Equal(each[0].Total(measure).Best, either.Total(measure).Best, 6);
            Assert.All(
                each,
                one =>
                    Assert.True(
                        either.Total(measure).Low <= one.Total(measure).Best + 0.0001m
                            && (either.Total(measure).High is not { } most || one.Total(measure).Best <= most + 0.0001m),
                        $"{measure} of {one.Lines[0].Name}"
                    )
            );
        }
    }

    [Fact]
    public void A_choice_with_something_nobody_knows_may_hold_anything()
    {
        var (known, open) = (Portion(1, "100 g whole milk"), Portion(1, "100 g whole milk or moonfruit"));
        Assert.Equal(
            (0m, known.Total(Measure.Energy).Best, null),
            (open.Total(Measure.Energy).Low, open.Total(Measure.Energy).Best, open.Total(Measure.Energy).High)
        );
    }

    [Fact]
    public void Twice_the_portions_hold_half_of_everything() =>
        Gen.Select(AnyLines, Gen.Int[1, 9])
            .Sample(
                (lines, portions) =>
                {
                    var (few, many) = (Portion(portions, lines), Portion(portions * 2, lines));
                    return AreNear(few.Total(Measure.Energy) * 0.5m, many.Total(Measure.Energy));
                },
                iter: 200
            );

    [Fact]
    public void Another_ingredient_never_lowers_what_is_in_a_portion() =>
        Gen.Select(AnyLines, Gen.Int[1, 200])
            .Sample(
                (lines, grams) =>
                {
                    var (without, with) = (Portion(4, lines), Portion(4, [.. lines, $"{grams} g lentils"]));
                    return Enumerable
                        .Range(0, MeasureInfo.AdditiveCount)
                        .All(measure => with.Total((Measure)measure).Best >= without.Total((Measure)measure).Best);
                },
                iter: 200
            );

    [Fact]
    public void Optional_lines_are_not_eaten_and_water_brings_nothing()
    {
        var portion = Portion(1, "100 g cod", "50 g walnuts (optional)", "1 l water");
        Assert.Equal(82, portion.Total(Measure.Energy).Best);
    }

    [Fact]
    public void An_unknown_amount_of_salt_leaves_only_sodium_unknown()
    {
        var portion = Portion(2, "200 g cod", "salt for the water of the pan, 3 firkins of it");
        Assert.False(portion.Total(Measure.Energy).IsOpen);
        Assert.False(portion.Total(Measure.NetCarbohydrate).IsOpen);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(-4)]
    public void A_yield_of_nothing_is_refused(int portions) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => PortionProfile.Of([Line("1 egg")], portions));

    [Fact]
    public void Sums_agree_with_the_contributions_shown_beside_them() =>
        AnyLines.Sample(
            lines =>
            {
                var intake = Eat(3, lines);
                return Math.Abs(intake.Contributors(Measure.Energy, null).Sum(item => item.Amount) - intake.Sum(Measure.Energy).Best)
                    < 0.0001m;
            },
            iter: 200
        );

    [Theory]
    [InlineData("1 slice rye bread with butter", Measure.Energy, true)]
    [InlineData("1 slice rye bread with butter", Measure.Alcohol, false)] // butter holds none, however much it is
    [InlineData("2 eggs plus 4 egg whites", Measure.Protein, true)]
    [InlineData("2 eggs plus 4 egg whites", Measure.Alcohol, false)]
    [InlineData("2 eggs", Measure.Protein, false)]
    public void What_goes_in_without_an_amount_leaves_the_sum_open(string line, Measure measure, bool isOpen) =>
        Assert.Equal(isOpen, Table.Portion(1, line).Total(measure).IsOpen);
}

using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

/// <summary>Rules that no day can keep at once, each bound from both sides.</summary>
public class ContradictionsTests
{
    private static string? Reason(params Rule[] rules) => Contradictions.Among(rules).SingleOrDefault()?.Reason;

    [Theory]
    [InlineData(1300, 1300, null)]
    [InlineData(1301, 1300, "at least 1,301 kcal and at most 1,300 kcal cannot both hold")]
    public void A_floor_lies_above_the_ceiling_of_the_same(int least, int most, string? reason) =>
        Assert.Equal(reason, Reason(AtLeast(Measure.Energy, least), AtMost(Measure.Energy, most)));

    [Fact]
    public void Another_measure_or_another_period_is_another_thing()
    {
        Assert.Null(Reason(AtLeast(Measure.Fibre, 40), AtMost(Measure.Sodium, 30)));
        Assert.Null(Reason(AtLeast(Measure.Fibre, 40, Period.Week), AtMost(Measure.Fibre, 30)));
        Assert.Null(Reason(AtLeast(Measure.Fibre, 40), AtLeast(Measure.Fibre, 30)));
    }

    [Theory]
    [InlineData(1420, null)] // 4 · 100 + 9 · 80 + 4 · 75 = 1,420
    [InlineData(1419, "100 g protein and 80 g fat and 75 g available carbs bring 1,420 kcal by themselves, over 1,419 kcal")]
    public void Floors_of_macros_bring_energy_by_their_factors(int most, string? reason) =>
        Assert.Equal(
            reason,
            Reason(
                AtLeast(Measure.Protein, 100),
                AtLeast(Measure.Fat, 80),
                AtLeast(Measure.AvailableCarbohydrate, 75),
                AtMost(Measure.Energy, most)
            )
        );

    [Fact]
    public void Only_floors_of_what_brings_energy_over_the_same_time_count_and_each_nutrient_once()
    {
        Assert.Equal(
            "20 g alcohol bring 140 kcal by themselves, over 139 kcal",
            Reason(AtLeast(Measure.Alcohol, 20), AtMost(Measure.Energy, 139))
        );
        Assert.Null(Reason(AtLeast(Measure.Alcohol, 20), AtMost(Measure.Energy, 140)));
        Assert.Null(Reason(AtLeast(Measure.Protein, 100, Period.Week), AtMost(Measure.Energy, 300)));
        Assert.Null(Reason(AtLeast(Measure.Protein, 50), AtLeast(Measure.Protein, 50) with { Id = "again" }, AtMost(Measure.Energy, 300)));
        Assert.Null(Reason(AtMost(Measure.Protein, 500), AtMost(Measure.Energy, 300)));
        Assert.Null(Reason(AtLeast(Measure.Sodium, 5_000), AtMost(Measure.Energy, 300)));
        Assert.Null(Reason(AtLeast(Measure.Protein, 500), AtLeast(Measure.Energy, 300)));
    }

    private static EnergyShareRule Share(Measure measure, decimal? least, Period per = Period.Day) =>
        new()
        {
            Id = $"{measure}",
            Measure = measure,
            Per = per,
            AtLeast = least,
            AtMost = least is null ? 10 : null,
        };

    [Fact]
    public void Shares_ask_for_the_whole_energy_at_most()
    {
        Assert.Null(Reason(Share(Measure.Fat, 60), Share(Measure.Protein, 30), Share(Measure.Alcohol, 10)));
        Assert.Equal(
            "the shares ask for 100.5 % of the energy together",
            Reason(Share(Measure.Fat, 60), Share(Measure.Protein, 30), Share(Measure.Alcohol, 10.5m))
        );
        Assert.NotNull(Reason(Share(Measure.AvailableCarbohydrate, 60), Share(Measure.Protein, 41)));
        // What is part of another share asks for nothing more, and neither does another day's.
        Assert.Null(Reason(Share(Measure.Fat, 60), Share(Measure.SaturatedFat, 50)));
        Assert.Null(Reason(Share(Measure.Fat, 60), Share(Measure.Protein, 50, Period.Meal)));
        Assert.Null(Reason(Share(Measure.Fat, 60), Share(Measure.Fat, 60)));
        Assert.Null(Reason(Share(Measure.Fat, 60), Share(Measure.Protein, null)));
    }

    private static CountRule Fish(decimal? least, params string[] classes) =>
        new()
        {
            Id = "fish",
            Name = "Fish",
            Classes = classes,
            Grams = 50,
            AtLeast = least,
            AtMost = 5,
        };

    private static ExclusionRule No(params string[] classes) =>
        new()
        {
            Id = "no",
            Name = "No",
            Excludes = classes,
        };

    [Fact]
    public void What_is_asked_for_and_left_out_is_found()
    {
        Assert.Equal("fish is asked for at least 2 times and left out", Reason(Fish(2, "fish"), No("fish", "meat")));
        Assert.Null(Reason(Fish(2, "fish", "mollusc"), No("fish", "meat")));
        Assert.NotNull(Reason(Fish(2, "fish", "mollusc"), No("fish", "mollusc")));
        Assert.Null(Reason(Fish(0, "fish"), No("fish")));
        Assert.Null(Reason(Fish(null, "fish"), No("fish")));
        Assert.Null(Reason(Fish(2, "fish"), No("fish") with { Except = ["cod"] }));
        var found = Contradictions.Among([Fish(2, "fish"), No("fish")]).Single();
        Assert.Equal(("fish", "no"), (found.One.Id, found.Other.Id));
    }
}

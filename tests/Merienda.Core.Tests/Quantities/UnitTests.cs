using Merienda.Core.Quantities;

namespace Merienda.Core.Tests.Quantities;

public class UnitTests
{
    [Theory] // domain.md section 7
    [InlineData("cup", MeasureSystem.UnitedStates, 236.588)]
    [InlineData("cup", MeasureSystem.Metric, 250)]
    [InlineData("tbsp", MeasureSystem.UnitedStates, 14.787)]
    [InlineData("tbsp", MeasureSystem.Metric, 15)]
    [InlineData("tbsp", MeasureSystem.Australia, 20)]
    [InlineData("tsp", MeasureSystem.UnitedStates, 4.929)]
    [InlineData("tsp", MeasureSystem.Australia, 5)]
    [InlineData("fl oz", MeasureSystem.UnitedStates, 29.574)]
    [InlineData("fl oz", MeasureSystem.Imperial, 28.413)]
    public void Spoons_and_cups_depend_on_whose_they_are(string unit, MeasureSystem system, double millilitres) =>
        Assert.Equal((decimal)millilitres, Unit.Spelled(unit)!.VolumeIn(system).Millilitres);

    [Fact] // domain.md section 11 nos. 11 and 12
    public void Four_tablespoons_are_a_quarter_cup_and_seven_and_a_half_teaspoons_two_and_a_half_tablespoons()
    {
        Volume Us(Unit unit) => unit.VolumeIn(MeasureSystem.UnitedStates);
        Assert.Equal(0.25m, Us(Unit.Tablespoon) * 4 / Us(Unit.Cup), 3);
        Assert.Equal(16m, Us(Unit.Cup) / Us(Unit.Tablespoon), 2);
        Assert.Equal(3m, Us(Unit.Tablespoon) / Us(Unit.Teaspoon), 3);
        var rub = new[] { 2, 0.5m, 0.5m, 0.5m, 0.5m, 1, 1, 0.5m, 1 }.Sum();
        Assert.Equal(7.5m, rub);
        Assert.Equal(2.5m, Us(Unit.Teaspoon) * rub / Us(Unit.Tablespoon), 3);
        Assert.Equal(3m, Us(Unit.Cup) * 0.75m / (Us(Unit.Cup) * 0.25m), 6);
    }

    [Fact] // domain.md section 11 no. 1
    public void Fifty_six_ounces_in_fourteen_patties_are_four_each()
    {
        Assert.Equal(4m, Unit.Ounce.Mass * 56 * (1 / 14m) / Unit.Ounce.Mass, 6);
        Assert.Equal(0.5m, Unit.Ounce.Mass * 8 * (1 / 16m) / Unit.Ounce.Mass, 6);
        Assert.Equal(new Mass(15), 120.Grams() * (1 / 8m));
        Assert.Equal(16m, Unit.Pound.Mass / Unit.Ounce.Mass, 3);
    }

    [Theory]
    [InlineData("Tablespoons", "tbsp")]
    [InlineData("T", "tbsp")]
    [InlineData("t", "tsp")]
    [InlineData("oz.", "oz")]
    [InlineData("cans", "tin")]
    public void A_unit_is_known_by_its_spellings(string word, string name) => Assert.Equal(name, Unit.Spelled(word)?.Name);

    [Fact]
    public void An_unknown_word_is_no_unit() => Assert.Null(Unit.Spelled("firkin"));

    [Fact]
    public void A_negative_mass_volume_count_or_energy_is_refused()
    {
        Assert.Throws<ArgumentOutOfRangeException>(() => new Mass(-0.1m));
        Assert.Throws<ArgumentOutOfRangeException>(() => new Volume(-1));
        Assert.Throws<ArgumentOutOfRangeException>(() => new Count(-1));
        Assert.Throws<ArgumentOutOfRangeException>(() => new Energy(-1));
        Assert.Equal(4.184m, new Energy(1).Kilojoules);
        Assert.Equal(100m, Energy.FromKilojoules(418.4m).Kilocalories);
    }

    [Fact] // domain.md section 11 no. 10
    public void Six_portions_of_two_pieces_and_six_of_one_and_a_half_need_twenty_one() =>
        Assert.Equal(new Count(21), (new Count(2) * 6) + (new Count(1.5m) * 6));

    [Fact] // domain.md section 11 no. 6: half cups of cooked grain for four lunches and three suppers
    public void Half_cups_add_up_to_the_pot()
    {
        var half = Unit.Cup.VolumeIn(MeasureSystem.UnitedStates) * 0.5m;
        Assert.Equal(3.5m, half * 7 / Unit.Cup.VolumeIn(MeasureSystem.UnitedStates));
        Assert.Equal(1.5m, half * 3 / Unit.Cup.VolumeIn(MeasureSystem.UnitedStates));
    }

    [Theory]
    [InlineData("pint", MeasureSystem.UnitedStates, 473.176)]
    [InlineData("pint", MeasureSystem.Imperial, 568.261)]
    [InlineData("quart", MeasureSystem.UnitedStates, 946.353)]
    [InlineData("quart", MeasureSystem.Metric, 1136.523)]
    [InlineData("l", MeasureSystem.Metric, 1000)]
    public void A_pint_is_larger_where_it_is_imperial(string unit, MeasureSystem system, double millilitres) =>
        Assert.Equal((decimal)millilitres, Unit.Spelled(unit)!.VolumeIn(system).Millilitres);

    [Fact]
    public void Packages_hold_a_stated_size_and_some_measures_are_by_eye()
    {
        string[] Named(Func<Unit, bool> of) => [.. Unit.All.Where(of).Select(unit => unit.Name).Order(StringComparer.Ordinal)];
        Assert.Equal(["bag", "jar", "pack", "tin"], Named(unit => unit.IsPackage));
        Assert.Equal(["bunch", "dash", "glass", "handful", "knob", "mug", "pinch", "plate", "sprig", "thumb"], Named(unit => unit.IsByEye));
    }

    [Fact]
    public void A_unit_is_the_one_of_its_name_in_singular_and_plural()
    {
        foreach (var unit in Unit.All)
        {
            Assert.Equal(unit, Unit.Spelled(unit.Name));
            Assert.Equal(unit, Unit.Spelled(unit.Plural));
        }

        Assert.NotEqual(Unit.Cup, Unit.Tablespoon);
        Assert.False(Unit.Cup.Equals(null));
        Assert.Throws<InvalidOperationException>(() => Unit.Cup.Mass);
        Assert.Throws<InvalidOperationException>(() => Unit.Ounce.VolumeIn(MeasureSystem.Metric));
    }

    [Fact]
    public void Amounts_of_a_kind_add_up_and_none_is_an_amount()
    {
        Assert.Equal(new Mass(150), 100.Grams() + 50.Grams());
        Assert.Equal(new Volume(150), new Volume(100) + new Volume(50));
        Assert.Equal(new Energy(150), new Energy(100) + new Energy(50));
        Assert.Equal(new Energy(300), new Energy(100) * 3);
        Assert.Equal((0m, 0m, 0m, 0m), (new Mass(0).Grams, new Volume(0).Millilitres, new Count(0).Pieces, new Energy(0).Kilocalories));
    }
}

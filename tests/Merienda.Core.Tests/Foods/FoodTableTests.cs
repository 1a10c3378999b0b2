using Merienda.Core.Foods;
using Merienda.Core.Quantities;
using Merienda.Formats;

namespace Merienda.Core.Tests.Foods;

public class FoodTableTests
{
    public static TheoryData<string> Keys => [.. Table.Foods.Foods.Select(food => food.Key)];

    [Fact]
    public void There_are_at_least_420_foods() => Assert.InRange(Table.Foods.Foods.Count, 420, int.MaxValue);

    [Theory]
    [MemberData(nameof(Keys))]
    public void A_food_does_not_contradict_itself(string key)
    {
        var food = Table.Food(key);
        var profile = food.Profile;
        Assert.True(
            profile.Carbohydrate is not null && profile.Protein is not null && profile.Fat is not null && profile.Energy is not null
        );
        Assert.True((profile.Fibre ?? 0) <= profile.Carbohydrate, "fibre within carbohydrate on a total basis");
        Assert.True((profile.Sugars ?? 0) <= profile.Carbohydrate, "sugars within carbohydrate");
        Assert.True((profile.AddedSugars ?? 0) <= (profile.Sugars ?? 0), "added sugars within sugars");
        Assert.True((profile.SaturatedFat ?? 0) <= profile.Fat, "saturated within fat");
        Assert.InRange(profile.Protein.Value + profile.Fat.Value + profile.Carbohydrate.Value, 0, 101);
        Assert.NotEmpty(food.Source);
        Assert.All(food.Measures, measure => Assert.InRange(measure.Value, 0.05m, 1000));
        Assert.All(food.Packs, pack => Assert.InRange(pack, 0.4m, 5_000));
        Assert.Equal(food.Packs.Order(), food.Packs);
        Assert.All(food.Yields, item => Assert.InRange(item.Factor, 0.3m, 6));
        Assert.Equal(food.Yields.Count, food.Yields.Select(item => item.Method).Distinct().Count());
        // A cup or a spoon of what is poured weighs what its density says, within the rounding of a spoon.
        if (food.Density is { } density)
        {
            Assert.All(
                food.Measures.Where(measure => measure.Key is "cup" or "tbsp"),
                measure =>
                    Assert.InRange(
                        measure.Value / Unit.Spelled(measure.Key)!.VolumeIn(MeasureSystem.UnitedStates).Millilitres / density,
                        0.90m,
                        1.10m
                    )
            );
        }
    }

    /// <summary>What is in no pack is sold by the piece or by weight, is made at home, or is bought as something else.</summary>
    [Fact]
    public void What_a_shop_sells_in_packs_has_them()
    {
        var sold = SoldAsFile.Load(Path.Combine(DataFiles.Find(), "sold-as.csv"), Table.Foods.WithKey);
        string[] loose = ["vegetables", "fruit", "meat", "fish"];
        string[] bare = ["water", "gravy", "pickle-brine", "chicken-fat", "bacon-fat", "coffee", "coffee-espresso", "tea"];
        Assert.Empty(
            Table
                .Foods.Foods.Where(food => food.Packs.Count == 0 && !loose.Contains(food.Aisle) && !bare.Contains(food.Key))
                .Where(food => !food.Measures.Any(measure => measure is { Key: "tin" or "each" or "head" or "bunch", Value: >= 20 }))
                .Where(food => sold.Of(food, Table.Foods.WithKey).Food == food)
                .Select(food => food.Key)
        );
    }

    [Theory]
    [InlineData("rice-white", "rice-white-cooked")]
    [InlineData("rice-brown", "rice-brown-cooked")]
    [InlineData("quinoa", "quinoa-cooked")]
    [InlineData("spaghetti", "spaghetti-cooked")]
    [InlineData("chicken-breast", "chicken-breast-cooked")]
    [InlineData("turkey-breast", "turkey-breast-cooked")]
    [InlineData("lamb-leg", "lamb-leg-cooked")]
    public void What_comes_out_of_the_pot_holds_what_went_in(string raw, string cooked)
    {
        // Water goes in or out, protein stays: the yield is about the ratio of the two.
        var ratio = Table.Food(raw).Profile.Protein!.Value / Table.Food(cooked).Profile.Protein!.Value;
        Assert.InRange(Table.Food(raw).Yields.Average(item => item.Factor) / ratio, 0.80m, 1.20m);
    }

    [Theory]
    [InlineData("chicken-breast", "raw-poultry")]
    [InlineData("beef-mince", "raw-mince")]
    [InlineData("cod", "raw-fish")]
    [InlineData("lamb-leg", "raw-cut")]
    [InlineData("rice-white-cooked", "cooked-rice")]
    [InlineData("egg-boiled", "hard-cooked-eggs")]
    [InlineData("cheddar", null)]
    public void Foods_keep_as_the_chart_says(string key, string? keeping) => Assert.Equal(keeping, Table.Food(key).Keeping?.Key);

    [Fact]
    public void Every_raw_meat_fish_and_poultry_of_the_counter_has_a_clock()
    {
        string[] cured = ["bacon", "beef-jerky", "mackerel-smoked", "salmon-smoked", "kipper"];
        Assert.All(
            Table.Foods.Foods.Where(food => food.Aisle is "meat" or "fish" && !cured.Contains(food.Key)),
            food => Assert.NotNull(food.Keeping)
        );
    }

    [Fact]
    public void What_is_poured_is_weighed_by_its_density_where_no_measure_is_given()
    {
        var honey = Table.Food("honey");
        var bare = new Food
        {
            Key = "x",
            Name = "X",
            Aisle = "a",
            Profile = honey.Profile,
            Measures = System.Collections.Frozen.FrozenDictionary<string, decimal>.Empty,
            Classes = honey.Classes,
            Source = "test",
            Density = 1.4m,
        };
        Assert.Equal(140, bare.WeightOf(Unit.Decilitre, MeasureSystem.Metric)!.Value.Grams);
    }

    [Fact]
    public void Allulose_gives_next_to_no_energy_and_no_net_carbs()
    {
        var food = Table.Food("allulose");
        Assert.Equal((0m, 40m), (food.Nutrition[Measure.NetCarbohydrate].Best, EnergyFactors.PerHundredGrams(food.Profile)!.Value));
        Assert.Equal(100, food.Nutrition[Measure.Carbohydrate].Best);
        Assert.Equal(100, food.Nutrition[Measure.NetCarbohydrateUncredited].Best);
    }

    [Theory]
    [MemberData(nameof(Keys))]
    public void Declared_energy_agrees_with_the_factors(string key)
    {
        var food = Table.Food(key);
        // USDA uses lower factors of its own for spices, cocoa and leavening; and erythritol is listed at 0.2 kcal a gram.
        if (food.Is("spice") || food.Is("herb") || food.Is("cocoa") || food.Key is "baking-powder" or "erythritol")
        {
            return;
        }

        var computed = EnergyFactors.PerHundredGrams(food.Profile)!.Value;
        var difference = Math.Abs(food.Profile.Energy!.Value - computed);
        Assert.True(
            difference <= 20 || difference <= 0.12m * food.Profile.Energy,
            $"{key}: declared {food.Profile.Energy}, factors {computed:0}"
        );
    }

    [Theory] // domain.md section 11 no. 7, ± 15 %
    [InlineData("almonds", 14)]
    [InlineData("walnuts", 8)]
    [InlineData("pecans", 10)]
    [InlineData("cashews", 10)]
    public void A_counted_handful_of_nuts_is_about_a_hundred_kilocalories(string key, int pieces)
    {
        var food = Table.Food(key);
        Assert.InRange(pieces * food.Measures["each"] * food.Profile.Energy!.Value / 100, 85, 115);
    }

    [Theory] // domain.md section 11 nos. 7 and 8
    [InlineData("watermelon", 100, 30, 0.10)]
    [InlineData("orange", 100, 47, 0.10)]
    [InlineData("mayonnaise", 13.8, 100, 0.15)]
    [InlineData("mayonnaise-light", 15, 40, 0.25)]
    public void Known_energies_are_met(string key, double grams, int kilocalories, double share) =>
        Assert.InRange(
            (decimal)grams * Table.Food(key).Profile.Energy!.Value / 100,
            kilocalories * (1 - (decimal)share),
            kilocalories * (1 + (decimal)share)
        );

    [Fact]
    public void Volume_needs_a_measure_of_the_food_itself()
    {
        Assert.Equal(192m * 1.5m, Table.Food("lentils-red").WeightOf(Unit.Cup, MeasureSystem.UnitedStates)!.Value.Grams * 1.5m);
        Assert.Equal(216m * 250 / 236.588m, Table.Food("olive-oil").WeightOf(Unit.Cup, MeasureSystem.Metric)!.Value.Grams, 6);
        Assert.Equal(13.5m * 20 / 14.787m, Table.Food("olive-oil").WeightOf(Unit.Tablespoon, MeasureSystem.Australia)!.Value.Grams, 6);
        Assert.Null(Table.Food("lamb-shoulder").WeightOf(Unit.Cup, MeasureSystem.Metric));
        Assert.Null(Table.Food("salt").WeightOf(Unit.Each, MeasureSystem.Metric));
    }

    [Theory]
    [InlineData("zucchini", "courgette", MatchKind.Exact)]
    [InlineData("Fresh Basil Leaves", "basil", MatchKind.Exact)]
    [InlineData("crème fraîche", "creme-fraiche", MatchKind.Exact)]
    [InlineData("vine-ripened tomatoes", "tomato", MatchKind.Exact)]
    [InlineData("oat milk", "oat-drink", MatchKind.Exact)]
    [InlineData("rice milk", "rice-milk", MatchKind.Exact)]
    [InlineData("cashew cheese", "cashew-cheese", MatchKind.Exact)]
    [InlineData("cream of tartar", "cream-of-tartar", MatchKind.Exact)]
    [InlineData("crab sticks", "surimi", MatchKind.Exact)]
    [InlineData("turkey bacon", "turkey-bacon", MatchKind.Exact)]
    [InlineData("vegan feta", "vegan-cheese", MatchKind.Exact)]
    [InlineData("beer-battered haddock", "fish-battered", MatchKind.Exact)]
    [InlineData("chickpea tuna", "vegan-tuna", MatchKind.Exact)]
    [InlineData("tomatoes, ripe", "tomato", MatchKind.Exact)]
    [InlineData("Cumberland sausages", "sausage-pork", MatchKind.Likely)]
    [InlineData("sunbutter", "sunflower-butter", MatchKind.Exact)]
    [InlineData("zorblat cheese", null, MatchKind.None)]
    [InlineData("vegan haddock", null, MatchKind.None)]
    [InlineData("battered aubergine", null, MatchKind.None)]
    [InlineData("turkey feta", null, MatchKind.None)]
    [InlineData("93 % lean ground turkey", "turkey-mince", MatchKind.Exact)]
    [InlineData("ground beef, 80/20", "beef-mince-20", MatchKind.Exact)]
    [InlineData("beef mince (9% fat)", "beef-mince-10", MatchKind.Likely)]
    [InlineData("beef mince 40% fat", null, MatchKind.None)]
    [InlineData("", null, MatchKind.None)]
    public void Words_find_their_food_and_misleading_names_find_none(string words, string? key, MatchKind kind)
    {
        var match = Table.Foods.Match(words);
        Assert.Equal((key, kind), (match.Food?.Key, match.Kind));
    }

    [Fact]
    public void Allergens_follow_from_the_classes_above_a_tag() =>
        Assert.Equal(["cereals containing gluten", "soybeans"], Table.Data.Classes.AllergensOf(Table.Food("soy-sauce").Tags));
}

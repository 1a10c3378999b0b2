using CsCheck;
using Merienda.Core.Foods;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Foods.Matching;

public class FoodMatcherTests
{
    private static FoodMatcher Matcher => Table.Foods;

    private static readonly (string Name, Food Food)[] Names =
    [
        .. Matcher.Foods.SelectMany(food => food.Synonyms.Append(food.Name).Select(name => (name, food))),
    ];

    private static readonly string[] Describing = ["fresh", "large", "organic", "finely chopped", "boneless"];

    /// <summary>Whether the words mean the food for certain, alone or as one of the kinds that they leave open.</summary>
    private static bool Means(FoodMatch match, Food food) =>
        match.IsSure && (match.Food == food || match.Kinds?.Foods.Contains(food) == true);

    [Fact]
    public void Every_name_means_its_own_food() =>
        Assert.Empty(
            Names
                .Where(item => !Means(Matcher.Match(item.Name), item.Food))
                .Select(item => $"{item.Name} is {Matcher.Match(item.Name).Food?.Key}, not {item.Food.Key}")
        );

    [Fact]
    public void Capitals_and_hyphens_make_no_difference() =>
        Gen.Int[0, Names.Length - 1]
            .Sample(
                at =>
                {
                    var (name, food) = Names[at];
                    Assert.True(Means(Matcher.Match(name.ToUpperInvariant()), food), name);
                    Assert.True(name.Contains('%', StringComparison.Ordinal) || Means(Matcher.Match(name.Replace(' ', '-')), food), name);
                },
                iter: 500
            );

    [Fact]
    public void A_word_nobody_knows_makes_no_name_certain() =>
        Gen.Select(Gen.Int[0, Names.Length - 1], Gen.Int[0, 6])
            .Sample(
                (at, place) =>
                {
                    var words = Names[at].Name.Split(' ').ToList();
                    words.Insert(Math.Min(place, words.Count), "wonderdust");
                    Assert.False(Matcher.Match(string.Join(' ', words)).IsSure, string.Join(' ', words));
                },
                iter: 1000
            );

    [Fact]
    public void A_word_that_makes_another_food_never_leaves_the_same_one_certain() =>
        Gen.Int[0, Names.Length - 1]
            .Sample(
                at =>
                {
                    var match = Matcher.Match($"vegan {Names[at].Name}");
                    // Only a row that has the word in its name may answer for it, or a list of kinds that was made for it.
                    Assert.True(
                        !match.IsSure
                            || match.Kinds is not null
                            || match.Food!.Synonyms.Append(match.Food.Name).Any(name => Matcher.Words.Of(name).Contains("vegan")),
                        $"vegan {Names[at].Name} is {match.Food?.Key}"
                    );
                },
                iter: 1000
            );

    [Fact]
    public void A_word_that_only_describes_changes_no_match() =>
        Gen.Select(Gen.Int[0, Names.Length - 1], Gen.Int[0, Describing.Length - 1])
            .Sample(
                (at, word) =>
                {
                    var (name, food) = Names[at];
                    var match = Matcher.Match($"{Describing[word]} {name}");
                    // A longer name may hold the word: then that one is meant.
                    Assert.True(
                        Means(match, food)
                            || (
                                match.IsSure
                                && match
                                    .Food!.Synonyms.Append(match.Food.Name)
                                    .Any(other => Matcher.Words.Of(other).Intersect(Matcher.Words.Of(Describing[word])).Any())
                            ),
                        $"{Describing[word]} {name} is {match.Food?.Key} ({match.Kind}), not {food.Key}"
                    );
                },
                iter: 1000
            );

    [Theory]
    [InlineData("oil olive", "olive-oil")]
    [InlineData("tomatoes, cherry", "cherry-tomato")]
    [InlineData("pepper black", "black-pepper")]
    public void The_words_of_a_name_may_stand_in_any_order(string typed, string key) =>
        Assert.Equal((key, true), (Matcher.Match(typed).Food?.Key, Matcher.Match(typed).IsSure));

    [Theory]
    [InlineData("lentils", "tinned", "lentils-cooked", MatchKind.Exact)]
    [InlineData("brown rice", "cooked", "rice-brown-cooked", MatchKind.Exact)]
    [InlineData("chicken breast", "cooked", "chicken-breast-cooked", MatchKind.Exact)]
    [InlineData("beef shin", "cooked", "beef-shin", MatchKind.Likely)] // the table has it raw: right food, other numbers
    [InlineData("90% dark chocolate", "", "dark-chocolate-90", MatchKind.Exact)] // the other row is of 70 to 85 % cocoa
    [InlineData("beef shin", "", "beef-shin", MatchKind.Exact)]
    public void The_state_that_is_asked_for_chooses_the_row(string words, string state, string key, MatchKind kind) =>
        Assert.Equal((key, kind), (Matcher.Match(words, state).Food?.Key, Matcher.Match(words, state).Kind));

    [Theory]
    [InlineData("beef mince 12% fat", "beef-mince-12")]
    [InlineData("beef mince 13% fat", "beef-mince-12")] // the nearest row, and only likely
    public void A_fat_content_between_rows_finds_the_nearest_and_is_only_likely(string words, string key)
    {
        var match = Matcher.Match(words);
        Assert.True(
            match.Food is not null && match.Food.Key.StartsWith("beef-mince", StringComparison.Ordinal),
            $"{match.Food?.Key} for {key}"
        );
        Assert.Equal(words.Contains("13", StringComparison.Ordinal), !match.IsSure);
    }

    [Fact]
    public void A_fat_content_far_from_every_row_finds_none() => Assert.Null(Matcher.Match("beef mince 60% fat").Food);

    [Fact]
    public void Prose_and_nothing_mean_no_food()
    {
        Assert.Null(Matcher.Match("").Food);
        Assert.Null(Matcher.Match("...").Food);
        Assert.Null(Matcher.Match(string.Join(' ', Enumerable.Repeat("olive oil", 20))).Food);
    }

    [Fact]
    public void What_the_household_calls_by_a_name_comes_before_the_table()
    {
        var own = Bought(Printed("Oats") with { Name = "Olive oil" });
        Assert.Equal(own, Matcher.With([own], []).Match("olive oil").Food);
        Assert.Equal("olive-oil", Matcher.Match("olive oil").Food!.Key);
    }

    [Fact]
    public void A_learnt_word_wins_with_whatever_describes_it_and_is_forgotten_with_its_food()
    {
        var taught = Matcher.With([], [("moonfish", "cod"), ("gone", "no-such-food")]);
        Assert.Equal(("cod", MatchKind.Learnt), (taught.Match("moonfish").Food?.Key, taught.Match("moonfish").Kind));
        Assert.Equal("cod", taught.Match("fresh Moonfish, chopped").Food?.Key);
        Assert.Null(taught.Match("gone").Food);
        Assert.Null(Matcher.Match("moonfish").Food);
        // Other words beside it are another thing.
        Assert.NotEqual(MatchKind.Learnt, taught.Match("moonfish pie").Kind);
    }

    [Fact]
    public void Two_foods_of_the_table_never_share_a_name()
    {
        var twice = new[] { Food("cod"), Food("cod") };
        Assert.Throws<ArgumentException>(() => new FoodMatcher(twice, FoodWords.None, []));
        Assert.Throws<ArgumentException>(() => new FoodMatcher([Food("cod")], FoodWords.None, [("white fish", ["no-such-food"])]));
    }

    [Fact]
    public void Nearest_are_at_most_so_many_and_each_once() =>
        Gen.Int[0, Names.Length - 1]
            .Sample(
                at =>
                {
                    var nearest = Matcher.Nearest($"nonna's {Names[at].Name}", 5);
                    Assert.InRange(nearest.Count, 0, 5);
                    Assert.Equal(nearest.Count, nearest.Distinct().Count());
                },
                iter: 200
            );

    [Fact]
    public void The_food_itself_comes_nearest_to_its_own_name() =>
        Gen.Int[0, Matcher.Foods.Count - 1]
            .Sample(
                at =>
                    Assert.True(
                        Matcher.Nearest(Matcher.Foods[at].Name, 8).Contains(Matcher.Foods[at]),
                        $"{Matcher.Foods[at].Name}: {string.Join(", ", Matcher.Nearest(Matcher.Foods[at].Name, 8).Select(food => food.Name))}"
                    ),
                iter: 200
            );

    [Fact]
    public void Foods_named_in_passing_are_found_unless_they_are_denied()
    {
        Assert.Equal(["butter"], Matcher.Mentioned("brushed with butter").Select(food => food.Key));
        Assert.Empty(Matcher.Mentioned("without butter"));
        Assert.Empty(Matcher.Mentioned("no butter needed"));
        Assert.Empty(Matcher.Mentioned("finely chopped"));
    }
}

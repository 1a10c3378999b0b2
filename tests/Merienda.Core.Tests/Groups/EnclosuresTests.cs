using Merienda.Core.Foods;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Groups;
using Merienda.Core.Planning;
using Merienda.Core.Recipes;
using Merienda.Core.Shopping;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Groups;

public class EnclosuresTests
{
    private static readonly Food Crackers = Bought(Printed("Oats, salt"));

    private static readonly Food Other = Packet.ToFood(
        Guid.NewGuid(),
        1,
        Printed() with
        {
            Name = "Quay bread",
        },
        Printed().Read(Data.Classes).Value,
        false,
        Lexicon,
        Data.Classes
    );

    private static RecipeVersion Plate =>
        Recipe(
            "Plate",
            2,
            [RecipeLine.From("60 g", Data.Foods, Merienda.Core.Quantities.MeasureSystem.Metric, chosenFood: Crackers), Line("100 g carrot")]
        );

    private static Price Cost(string food, string shop = "") => new(food, 1.5m, "250 g", 250, shop, new(2026, 11, 1));

    private static ProtocolEdition Edition(string name, OwnEdition? own) => new(Data.Protocols[0] with { Id = name, Name = name }, 3, own);

    [Fact]
    public void The_own_protocols_go_with_it_and_of_the_foods_that_its_dishes_take_packets_words_and_prices()
    {
        var things = Enclosures.Of(
            [Plate],
            [
                Edition("Shipped", null),
                Edition("Ours", new("points", false)),
                Edition("Away", new("points", true)),
                Edition("Brought", new(null, false)),
            ],
            _ => [],
            _ => null,
            [("bell crackers", Crackers), ("quay loaf", Other), ("orange root", Food("carrot"))],
            [(Cost(Crackers.Key), Crackers), (Cost(Other.Key), Other), (Cost("carrot", "Mill Lane"), Food("carrot"))]
        );
        Assert.Equal([("Brought", null), ("Ours", "points")], things.Protocols.Select(one => (one.Protocol.Name, one.Origin)));
        Assert.Equal(["Sea crackers"], things.Packets.Select(packet => packet.Name));
        // A packet is told by its name: its key is the group's own.
        Assert.Equal(
            [("bell crackers", null, "Sea crackers"), ("orange root", "carrot", "Carrot")],
            things.Words.Select(word => (word.Words, word.Food, word.Name))
        );
        Assert.Equal(["Carrot, Mill Lane", "Sea crackers"], things.Prices.Select(price => price.Of));
        Assert.Equal(new EnclosedPrice("carrot", "Carrot", "250 g", 1.5m, "Mill Lane"), things.Prices[0]);
    }

    [Fact]
    public void A_packet_of_a_variant_goes_with_it_too()
    {
        var written = Recipe("Plate", 2, [Line("100 g carrot")]);
        var varied = new RecipeVersion
        {
            Name = "Plate",
            Portions = 2,
            Lines = written.Lines,
            Keeping = written.Keeping,
            Variants =
            [
                new("With crackers")
                {
                    Added =
                    [
                        new(null, RecipeLine.From("60 g", Data.Foods, Merienda.Core.Quantities.MeasureSystem.Metric, chosenFood: Crackers)),
                    ],
                },
            ],
        };
        Assert.Empty(Enclosures.Of([written], [], _ => [], _ => null, [], []).Packets);
        Assert.Single(Enclosures.Of([varied], [], _ => [], _ => null, [], []).Packets);
    }

    [Fact]
    public void A_packet_that_was_printed_anew_goes_as_it_is_printed_now()
    {
        var anew = Bought(Printed("Oats, salt, milk powder"), version: 2);
        Assert.Equal(
            "Oats, salt, milk powder",
            Assert.Single(Enclosures.Of([Plate], [], _ => [], key => key == anew.Key ? anew : null, [], []).Packets).Statement
        );
    }

    [Fact]
    public void Some_kinds_are_chosen_and_of_two_of_one_name_the_first_counts()
    {
        EnclosedWord carrot = new("orange root", "carrot", "Carrot");
        var (one, other) = (
            Enclosures.None with
            {
                Words = [carrot],
                Packets = [Printed("Oats")],
            },
            Enclosures.None with
            {
                Words = [carrot with { Food = "swede", Name = "Swede" }, new("neep", "swede", "Swede")],
                Packets = [Printed("Wheat") with { Name = "sea Crackers" }, Printed() with { Name = "Quay bread" }],
            }
        );
        var both = one.Or(other);
        Assert.Equal(["Carrot", "Swede"], both.Words.Select(word => word.Name));
        Assert.Equal(["Oats", ""], both.Packets.Select(packet => packet.Statement));
        var words = both.Only([EnclosedKind.Word]);
        Assert.Equal((2, 0), (words.Words.Count, words.Packets.Count));
        Assert.Equal("neep", Assert.Single(both.Where((kind, name) => (kind, name) == (EnclosedKind.Word, "neep")).Words).Words);
    }

    [Theory]
    [InlineData(0, "enclosed-word")]
    [InlineData(1, null)]
    [InlineData(300, null)]
    [InlineData(301, "enclosed-word")]
    public void Words_that_mean_a_food_have_1_to_300_characters(int length, string? code) =>
        Assert.Equal(code, new EnclosedWord(new('x', length), "carrot", "Carrot").Wrong?.Code);

    [Theory]
    [InlineData(null, null, EnclosedState.New)]
    [InlineData(null, "old", EnclosedState.New)]
    [InlineData("now", null, EnclosedState.There)]
    [InlineData("now", "old", EnclosedState.There)]
    [InlineData("mine", null, EnclosedState.Own)]
    [InlineData("mine", "now", EnclosedState.Own)]
    [InlineData("old", "old", EnclosedState.Newer)]
    [InlineData("mine", "old", EnclosedState.OwnAndNewer)]
    public void What_is_at_home_and_was_taken_over_says_how_it_stands(string? here, string? taken, EnclosedState state) =>
        Assert.Equal(state, EnclosedStates.Of("now", here, taken));

    [Fact]
    public void A_packet_that_a_protocol_names_goes_where_the_protocol_goes()
    {
        var things = Enclosures.Of(
            [],
            [Edition("Ours", new("points", false)), Edition("Away", new("points", true))],
            _ => [Other.Key, "packet-that-is-gone"],
            key => key == Other.Key ? Other : null,
            [],
            []
        );
        Assert.Equal([new NamedPacket(Other.Key, "Quay bread")], Assert.Single(things.Protocols).Packets);
        Assert.Equal("Quay bread", Assert.Single(things.Packets).Name);
        Assert.Single(things.Only([EnclosedKind.Protocol]).Packets);
        Assert.Empty(things.Only([EnclosedKind.Word]).Packets);
    }
}

using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;
using HouseholdTable = Merienda.Core.Planning.Table;

namespace Merienda.Core.Tests.Planning;

public class ProtocolEditsTests
{
    private const string Fodmap = "low-fodmap";
    private static readonly DateOnly Monday = new(2026, 11, 23);
    private static readonly EaterSettings Runa = EaterSettings.Named(Guid.NewGuid(), "Runa", Rhythm.Usual);

    private static HouseholdTable Table(params (string Id, string Name, bool IsArchived)[] own) =>
        new(
            TableEditsTests.At().Household,
            [Runa],
            Data.Protocols.Select(protocol => new ProtocolEdition(protocol, 1))
                .Concat(
                    own.Select(one => new ProtocolEdition(
                        Data.Protocol("vegan")! with
                        {
                            Id = one.Id,
                            Name = one.Name,
                        },
                        1,
                        new OwnEdition("vegan", one.IsArchived)
                    ))
                ),
            [],
            TableEditsTests.At().Knowledge,
            Monday
        );

    private static Result<EaterSettings> Plan(EaterSettings eater, int days, params string[] order) =>
        Table().PlanPhases(eater, Fodmap, Monday, Monday.AddDays(days - 1), order);

    [Theory]
    [InlineData(0, "phase-backwards")]
    [InlineData(13, "phase-length")]
    [InlineData(14, null)]
    [InlineData(42, null)]
    [InlineData(43, "phase-length")]
    public void A_restriction_lasts_as_long_as_its_protocol_allows(int days, string? code) =>
        Assert.Equal(code, Plan(Runa, days, "lactose").Refusal?.Code);

    [Fact]
    public void Planning_again_keeps_the_outcomes_that_were_noted_and_another_protocol_its_plan()
    {
        var other = new StatedPhase("whole-food", Monday, Monday, [new("gluten", ChallengeOutcome.Tolerated)]);
        var eater = Plan(Runa with { Phases = [other] }, 14, "lactose", "fructose").Value;
        eater = eater.NoteOutcome(Fodmap, "fructose", ChallengeOutcome.NotTolerated).Value;
        Assert.Equal(
            [("lactose", ChallengeOutcome.Open), ("fructose", ChallengeOutcome.NotTolerated)],
            eater.Phases[^1].Challenges.Select(item => (item.ChallengeId, item.Outcome))
        );

        var again = Plan(eater, 20, "fructose", "sorbitol").Value;
        Assert.Equal([other.ProtocolId, Fodmap], again.Phases.Select(phase => phase.ProtocolId));
        Assert.Equal(other, again.Phases[0]);
        Assert.Equal(
            [("fructose", ChallengeOutcome.NotTolerated), ("sorbitol", ChallengeOutcome.Open)],
            again.Phases[1].Challenges.Select(item => (item.ChallengeId, item.Outcome))
        );
        Assert.Equal(Monday.AddDays(19), again.PlanOf(Fodmap)!.RestrictionEnds);
        Assert.Equal(Monday, again.PlanOf("whole-food")!.RestrictionEnds);
        Assert.Null(again.PlanOf("vegan"));
    }

    [Fact]
    public void A_protocol_without_phases_is_not_planned_and_a_challenge_that_is_not_planned_has_no_outcome()
    {
        Assert.Equal("no-phases", Table().PlanPhases(Runa, "vegan", Monday, Monday.AddDays(20), []).Refusal?.Code);
        Assert.Equal("no-phases", Table().PlanPhases(Runa, "moon-diet", Monday, Monday.AddDays(20), []).Refusal?.Code);
        var eater = Plan(Runa, 14, "lactose").Value;
        Assert.Equal("unknown-challenge", eater.NoteOutcome(Fodmap, "sorbitol", ChallengeOutcome.Tolerated).Refusal?.Code);
        Assert.Equal("unknown-challenge", eater.NoteOutcome("whole-food", "lactose", ChallengeOutcome.Tolerated).Refusal?.Code);
        Assert.Equal("challenge-twice", Plan(Runa, 14, "lactose", "lactose").Refusal?.Code);
    }

    [Theory]
    [InlineData(0, 1, null)]
    [InlineData(0, 500, null)]
    [InlineData(-30, 1, null)]
    [InlineData(0, 0, "diary-length")]
    [InlineData(0, 501, "diary-length")]
    [InlineData(1, 1, "diary-ahead")]
    public void A_diary_says_something_and_does_not_look_ahead(int day, int length, string? code) =>
        Assert.Equal(code, Table().WrongNote(Monday.AddDays(day), new('x', length))?.Code);

    [Fact]
    public void Who_moves_over_to_a_copy_takes_along_what_was_stated_for_the_original_and_leaves_the_rest()
    {
        var eater = Runa with
        {
            Protocols = ["vegan", "points"],
            Allowances = [new("vegan", "a", 1, null), new("points", "b", null, 2)],
            Choices = [new("vegan", "c", "d"), new("points", "budget", "day")],
            Phases = [new("vegan", Monday, Monday, []), new("points", Monday, Monday, [])],
        };
        var moved = eater.MoveOver("vegan", "own-vegan");
        Assert.Equal(["own-vegan", "points"], moved.Protocols);
        Assert.Equal([new("own-vegan", "a", 1, null), new("points", "b", null, 2)], moved.Allowances);
        Assert.Equal([new("own-vegan", "c", "d"), new("points", "budget", "day")], moved.Choices);
        Assert.Equal(["own-vegan", "points"], moved.Phases.Select(phase => phase.ProtocolId));
    }

    [Theory]
    [InlineData("", null, "name-length")]
    [InlineData("Ours", null, null)]
    [InlineData("Ours again", null, "name-taken")]
    [InlineData(" ours AGAIN ", null, "name-taken")]
    [InlineData("Ours again", "own-ours", null)] // its own
    [InlineData("Put away", null, null)]
    [InlineData("Vegan", null, "name-taken")]
    public void A_protocol_has_a_name_that_no_other_in_use_has(string name, string? self, string? code) =>
        Assert.Equal(code, Table(("own-ours", "Ours again", false), ("own-old", "Put away", true)).WrongProtocolName(name, self)?.Code);

    [Theory]
    [InlineData(80, null)]
    [InlineData(81, "name-length")]
    public void A_protocols_name_has_at_most_80_characters(int length, string? code) =>
        Assert.Equal(code, Table().WrongProtocolName(new('x', length), null)?.Code);

    [Theory]
    [InlineData("Our own, 2nd try", "own-our-own-2nd-try")]
    [InlineData("---", "own-protocol")]
    [InlineData("Ñandú", "own-and")]
    [InlineData("ours", "own-ours-3")]
    [InlineData("1234567890123456789012345678901234567890123 5678", "own-1234567890123456789012345678901234567890123")]
    public void An_own_protocol_gets_an_id_that_is_free(string name, string id) =>
        Assert.Equal(id, Table(("own-ours", "Ours", false), ("own-ours-2", "Ours 2", true)).OwnProtocolId(name, []));

    [Fact]
    public void An_id_that_comes_with_it_is_not_free() =>
        Assert.Equal("own-ours-3", Table(("own-ours", "Ours", false)).OwnProtocolId("Ours", ["own-ours-2"]));
}

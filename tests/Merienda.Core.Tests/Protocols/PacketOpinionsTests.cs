using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Protocols;

public class PacketOpinionsTests
{
    private static readonly DateOnly Day = new(2026, 11, 23);

    private static Food Crackers(string statement, string mayContain = "") => Bought(Printed(statement) with { MayContain = mayContain });

    private static PacketOpinions Of(params PacketOpinion[] all) => new(all, true);

    [Fact]
    public void A_rejection_is_of_one_packet_whatever_is_printed_on_it_by_now()
    {
        var crackers = Crackers("Wheat flour, salt");
        var rejected = new PacketOpinion(crackers.Key, false, "too salty", Day);
        Assert.Equal(rejected, Of(rejected).RejectionOf(crackers));
        Assert.Equal(rejected, Of(rejected).RejectionOf(Crackers("Rice flour")));
        Assert.Null(Of(rejected with { Food = "another" }).RejectionOf(crackers));
        Assert.Null(Of(rejected with { IsApproved = true }).RejectionOf(crackers));
        Assert.Null(Of(rejected with { Food = "cod" }).RejectionOf(Food("cod")));
        Assert.Null(Of(rejected).ApprovalOf(crackers));
    }

    [Fact]
    public void An_approval_holds_for_the_ingredients_that_were_approved()
    {
        var crackers = Crackers(" Wheat flour, salt ", " sesame ");
        var approved = new PacketOpinion(crackers.Key, true, "we know them", Day, PacketOpinion.StatementOf(crackers));
        Assert.Equal("Wheat flour, salt\nsesame", approved.Statement);
        Assert.Equal(approved, Of(approved).ApprovalOf(Crackers("Wheat flour, salt", "sesame")));
        Assert.Null(Of(approved).ApprovalOf(Crackers("Wheat flour, salt", "nuts")));
        Assert.Null(Of(approved).ApprovalOf(Crackers("Wheat flour, salt, milk", "sesame")));
        Assert.Null(Of(approved with { Food = "another" }).ApprovalOf(crackers));
        Assert.Null(Of(approved with { Food = "cod", Statement = "" }).ApprovalOf(Food("cod")));
        Assert.Equal("", PacketOpinion.StatementOf(Food("cod")));
        Assert.Null(Of(approved).RejectionOf(crackers));
    }
}

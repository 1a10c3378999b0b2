using Merienda.Core.Foods;

namespace Merienda.Core.Protocols;

/// <summary>What an eater decided about one packet.</summary>
/// <param name="Food">The packet's key.</param>
/// <param name="IsApproved">False when it was rejected.</param>
/// <param name="On">Local date of the decision.</param>
/// <param name="Statement">The ingredients and the advice that were approved: another recipe of the maker's is another packet to decide
/// on.</param>
public sealed record PacketOpinion(string Food, bool IsApproved, string Reason, DateOnly On, string Statement = "")
{
    public static string StatementOf(Food food) =>
        food.Packet is { } packet ? $"{packet.Printed.Statement.Trim()}\n{packet.Printed.MayContain.Trim()}" : "";
}

/// <summary>Packets that one eater approved or rejected, and whether a trace low in a statement counts for them.</summary>
public sealed record PacketOpinions(IReadOnlyList<PacketOpinion> All, bool CountsTraces)
{
    public static readonly PacketOpinions None = new([], true);

    /// <summary>
    /// Whether soybean oil that the law of the label's country takes for no allergen is none for this eater; the careful answer is no.
    /// </summary>
    public bool TrustsRefinedSoybeanOil { get; init; }

    public PacketOpinion? RejectionOf(Food food) =>
        food.Packet is null ? null : All.FirstOrDefault(item => !item.IsApproved && item.Food == food.Key);

    /// <summary>The approval that holds for what is printed on this version; null for none, or for one of other ingredients.</summary>
    public PacketOpinion? ApprovalOf(Food food) =>
        food.Packet is null
            ? null
            : All.FirstOrDefault(item => item.IsApproved && item.Food == food.Key && item.Statement == PacketOpinion.StatementOf(food));
}

using Merienda.Core.Planning;
using Merienda.Storage;

namespace Merienda.Web.Hosting;

/// <summary>Reads the documents of a stored table, and says what day it is there.</summary>
public sealed class Tables(KnowledgeBase knowledge, TimeProvider clock)
{
    public Core.Planning.Table Of(StoredTable stored)
    {
        var own = stored.Protocols.Latest.Select(Edition).OfType<ProtocolEdition>();
        return new(
            stored.Household,
            stored.Eaters,
            knowledge.Protocols.Concat(own),
            stored.Protocols.Pinned.Select(pin => Pinned(stored.Protocols, pin.Key, pin.Value)).OfType<ProtocolEdition>(),
            knowledge.OfTables,
            HouseholdClock.Today(clock, stored.Household.TimeZone)
        );
    }

    /// <summary>Null when the latest is pinned, or the pinned version cannot be read any more.</summary>
    private ProtocolEdition? Pinned(ProtocolShelf shelf, string id, int version)
    {
        if (shelf.PinnedContent.FirstOrDefault(row => row.Id == id) is { } own)
        {
            return Edition(own);
        }

        return knowledge.Shipped(id, version) is { } shipped ? new(shipped with { Id = id }, version) : null;
    }

    private ProtocolEdition? Edition(OwnProtocol row) =>
        knowledge.Read(row.Content) is { } protocol
            ? new(protocol with { Id = row.Id }, row.Version, new OwnEdition(row.Origin, row.IsArchived))
            : null;
}

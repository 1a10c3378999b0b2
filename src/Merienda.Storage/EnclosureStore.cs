using Merienda.Core.Foods;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Groups;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Shopping;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>What a kitchen has of the kinds of things that go with a menu.</summary>
/// <param name="Taken">What was taken over from groups.</param>
public sealed record EnclosureHome(Table Table, HouseholdFoods Foods, IReadOnlyList<Price> Prices, IReadOnlyList<EnclosedTakenRow> Taken);

/// <summary>Takes over what goes with a group's menus: as versions of the own kitchen's things, in one edit.</summary>
/// <param name="naming">A protocol with other packets' keys in the place of those that it names.</param>
public sealed class EnclosureStore(
    EditDoor door,
    ProtocolStore protocols,
    PriceStore prices,
    Func<PacketKnowledge> knowledge,
    Func<Protocol, Func<string, string>, Protocol> naming
)
{
    private sealed record Locked(
        EnclosureHome Home,
        IReadOnlyList<(Guid Id, int Number)> Packets,
        IReadOnlyList<(OwnProtocolRow Row, int Newest)> Protocols
    );

    public Reading<EnclosureHome> Home =>
        prices.Stored.And(Taken).Select(read => new EnclosureHome(read.First.Table, read.First.Foods, read.First.Prices, read.Second));

    private static readonly Reading<IReadOnlyList<EnclosedTakenRow>> Taken = Reading.Of<IReadOnlyList<EnclosedTakenRow>>(
        "select group_id, kind, name, print, taken_at from enclosed_taken where household_id = app_household();",
        null,
        async rows => [.. await rows.ReadAsync<EnclosedTakenRow>()]
    );

    /// <summary>Puts things into the own kitchen: new ones, and new versions of those that are there under the same name.</summary>
    /// <param name="group">Whose they are; null for those of a file, which nobody hears of again.</param>
    /// <param name="choose">Which, with their prints, by what is here; or why not.</param>
    /// <returns>How many there were.</returns>
    public Task<Result<Edited<int>>> TakeOver(
        EditStamp stamp,
        Guid? group,
        string summary,
        Func<EnclosureHome, Result<(Enclosures Things, IReadOnlyList<Enclosed> Prints)>> choose,
        DateTimeOffset at
    ) =>
        door.Edit<Locked, int>(
            stamp,
            Journal.Enclosed,
            Home.And(PacketReadings.Newest)
                .And(ProtocolStore.InUse)
                .Select(read => new Locked(read.First.First, read.First.Second, read.Second)),
            locked =>
            {
                var chosen = choose(locked.Home);
                if (chosen.Refusal is { } refusal)
                {
                    return refusal;
                }

                var (things, prints) = chosen.Value;
                var change = new Change(summary);
                var packets = PacketStore.PutAll(change, things.Packets, locked.Home.Foods, locked.Packets, stamp, at, default);
                var own = OwnPackets(locked.Home, things.Packets, packets);
                return
                    (
                        PutProtocols(change, locked, things.Protocols, own, stamp, at)
                        ?? PutWordsAndPrices(change, locked.Home, things, own, stamp, at)
                    )
                        is { } wrong
                    ? wrong
                    : new Decided<int>(group is { } whose ? Remember(change, locked.Home.Taken, whose, prints, at) : change, prints.Count);
            }
        );

    /// <summary>The kitchen's packets by their names, with those that come; of two of one name the last.</summary>
    private Dictionary<string, Food> OwnPackets(
        EnclosureHome home,
        IReadOnlyList<PrintedPacket> coming,
        IReadOnlyList<PacketVersionRow> rows
    )
    {
        var known = knowledge();
        return home
            .Foods.Packets.Values.Select(packet => packet.Food)
            .Concat(
                coming.Zip(
                    rows,
                    (printed, row) =>
                        Packet.ToFood(
                            row.PacketId,
                            row.Number,
                            printed,
                            printed.Read(known.Classes).Value,
                            home.Table.Household.CountsTolerances,
                            known.Statements,
                            known.Classes
                        )
                )
            )
            .GroupBy(food => food.Name.Trim(), StringComparer.OrdinalIgnoreCase)
            .ToDictionary(same => same.Key, same => same.Last(), StringComparer.OrdinalIgnoreCase);
    }

    private static Refusal NoSuchPacket(string of, string name) =>
        new(
            "enclosed-food",
            "things",
            of,
            $"it is of {name}, which your larder has not",
            "Take that packet over with it, or leave this one"
        );

    /// <summary>Packets that a protocol names are the own kitchen's of the same name.</summary>
    private Refusal? PutProtocols(
        Change change,
        Locked locked,
        IReadOnlyList<EnclosedProtocol> chosen,
        Dictionary<string, Food> own,
        EditStamp stamp,
        DateTimeOffset at
    )
    {
        var (table, coming) = (locked.Home.Table, new List<string>());
        foreach (var (origin, theirs, packets) in chosen)
        {
            if (packets.FirstOrDefault(packet => !own.ContainsKey(packet.Name.Trim())) is { } missing)
            {
                return NoSuchPacket(theirs.Name, missing.Name);
            }

            var keys = packets.DistinctBy(packet => packet.Key).ToDictionary(packet => packet.Key, packet => own[packet.Name.Trim()].Key);
            var protocol = packets.Count == 0 ? theirs : naming(theirs, key => keys.GetValueOrDefault(key, key));
            var known = table.Protocols.FirstOrDefault(edition =>
                edition.Own is { IsArchived: false }
                && edition.Protocol.Name.Equals(protocol.Name.Trim(), StringComparison.OrdinalIgnoreCase)
            );
            if (known is not null)
            {
                var (row, newest) = locked.Protocols.First(own => own.Row.Id == known.Protocol.Id);
                protocols.PutNext(change, row, newest, protocol, stamp, at);
                continue;
            }

            // A shipped protocol that this version of the program has not is an imported one here.
            var from = origin is { } id && table.Latest(id) is not null ? origin : null;
            var put = protocols.PutNew(change, table, from, protocol, coming, stamp, at);
            if (put.Refusal is { } wrong)
            {
                return wrong;
            }

            coming.Add(put.Value);
        }

        return coming.Count == 0 ? null : ProtocolStore.Full(table, chosen[0].Protocol.Name, coming.Count);
    }

    /// <summary>Words and prices of packets mean the own kitchen's packets of the same name.</summary>
    private Refusal? PutWordsAndPrices(
        Change change,
        EnclosureHome home,
        Enclosures things,
        Dictionary<string, Food> own,
        EditStamp stamp,
        DateTimeOffset at
    )
    {
        var foods = knowledge().Foods.With(own.Values, []);
        string? KeyOf(string? food, string name) => food is null ? own.GetValueOrDefault(name.Trim())?.Key : foods.WithKey(food)?.Key;
        var named = things
            .Words.Select(word => (word.Food, word.Name, For: word.Words))
            .Concat(things.Prices.Select(price => (price.Food, price.Name, For: price.Of)));
        foreach (var (food, name, of) in named.Where(one => KeyOf(one.Food, one.Name) is null))
        {
            return NoSuchPacket(of, name);
        }

        LearntWords.Learn(
            change,
            home.Foods.Learnt,
            [.. things.Words.Select(word => (word.Words, KeyOf(word.Food, word.Name)!))],
            stamp,
            at
        );
        var noted = new List<Price>();
        foreach (var price in things.Prices)
        {
            var key = KeyOf(price.Food, price.Name)!;
            var read = Price.Read(new(key, price.Pack, price.Amount, price.Shop), foods, home.Table.Household.System, home.Table.Today);
            if (read.Refusal is { } wrong)
            {
                return wrong;
            }

            noted.Add(read.Value);
        }

        PriceStore.Put(change, new(home.Table, home.Foods, home.Prices), noted);
        return null;
    }

    private static Change Remember(
        Change change,
        IReadOnlyList<EnclosedTakenRow> before,
        Guid group,
        IReadOnlyList<Enclosed> taken,
        DateTimeOffset at
    )
    {
        var after = taken.Select(one => new EnclosedTakenRow(group, one.Kind.ToString(), one.Name, one.Print, at)).ToList();
        var keys = after.Select(row => (row.GroupId, row.Kind, row.Name)).ToHashSet();
        return change.Put(Tables.EnclosedTaken, before.Where(row => keys.Contains((row.GroupId, row.Kind, row.Name))), after);
    }
}

using System.Text;
using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Table;

/// <summary>Protocols to read, copy, change, export and import. A shipped one is copied before it is changed.</summary>
public static class ProtocolEndpoints
{
    public static void MapProtocols(this RouteGroupBuilder table)
    {
        table.MapGet("/rule-kinds", () => TypedResults.Ok(ProtocolSheets.Kinds)).WithName("GetRuleKinds");
        table
            .MapGet("/protocol-schema", () => TypedResults.Text(ProtocolFile.Schema(), "application/schema+json", Encoding.UTF8))
            .WithName("GetProtocolSchema");
        table.MapGet("/protocols/{id}", Sheet).WithName("GetProtocol");
        table.MapGet("/protocols/{id}/export", Export).WithName("ExportProtocol");
        table.MapPost("/protocols/{id}/copy", Copy).WithName("CopyProtocol");
        table.MapPost("/protocols/{id}/effect", EffectOf).WithName("GetProtocolEffect");
        table.MapPut("/protocols/{id}", Change).WithName("ChangeProtocol");
        table.MapDelete("/protocols/{id}", PutAway).WithName("PutProtocolAway");
        table.MapPost("/protocols/import", Import).WithName("ImportProtocol");
    }

    public sealed record Desk(OwnProtocols Own, DinersReader Diners, KnowledgeBase Knowledge, EffectReader Effects, TimeProvider Clock);

    private static async Task<Results<Ok<ProtocolSheet>, NotFound>> Sheet(string id, CurrentTenant tenant, [AsParameters] Desk desk)
    {
        var diners = await desk.Diners.Read(tenant);
        if (diners.Latest(id) is not { } edition)
        {
            return TypedResults.NotFound();
        }

        IReadOnlyList<int> versions = edition.Own is null
            ? [edition.Version]
            : [.. (await desk.Own.Versions(tenant, id)).Select(row => row.Version)];
        return TypedResults.Ok(
            new ProtocolSheet(
                ProtocolSheets.ToRow(edition, diners),
                ProtocolFile.Write(edition.Protocol),
                ProtocolSheets.Sections(edition.Protocol, desk.Knowledge),
                versions
            )
        );
    }

    private static async Task<Results<FileContentHttpResult, NotFound>> Export(string id, CurrentTenant tenant, [AsParameters] Desk desk) =>
        (await desk.Diners.Read(tenant)).Latest(id) is { } edition
            ? TypedResults.File(Encoding.UTF8.GetBytes(ProtocolFile.Write(edition.Protocol)), "application/json", $"{id}.protocol.json")
            : TypedResults.NotFound();

    private static async Task<Results<Ok<ProtocolSaved>, NotFound, ProblemHttpResult>> Copy(
        string id,
        CopyRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    )
    {
        var diners = await desk.Diners.Read(tenant);
        return diners.Latest(id) is not { } origin
            ? TypedResults.NotFound()
            : await Add(origin.Protocol with { Name = request.Name.Trim() }, (id, origin.Version), request.Followers, tenant, diners, desk);
    }

    private static async Task<Results<Ok<ProtocolSaved>, NotFound, ProblemHttpResult>> Import(
        DocumentRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    ) =>
        Read(request.Document, desk) is var read && read.Refusal is { } refusal
            ? refusal.ToProblem()
            : await Add(read.Value, null, [], tenant, await desk.Diners.Read(tenant), desk);

    private static async Task<Results<Ok<DraftEffect>, NotFound, ProblemHttpResult>> EffectOf(
        string id,
        DocumentRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    )
    {
        var diners = await desk.Diners.Read(tenant);
        if (diners.Latest(id) is not { } edition)
        {
            return TypedResults.NotFound();
        }

        if (Read(request.Document, desk) is var read && read.Refusal is { } refusal)
        {
            return refusal.ToProblem();
        }

        var draft = read.Value with { Id = id };
        var followers = diners.Table.Eaters.Where(eater => eater.Protocols.Contains(id)).ToList();
        var changes = await desk.Effects.Compare(
            tenant,
            diners.Today,
            [.. followers.Select(eater => diners.ToEater(eater))],
            [.. followers.Select(eater => diners.ToEater(eater, other => other == id ? draft : diners.Latest(other)?.Protocol))]
        );
        return TypedResults.Ok(
            new DraftEffect(
                ProtocolSheets.Sections(draft, desk.Knowledge),
                changes,
                await desk.Effects.ComparePoints(tenant, edition.Protocol.Scheme, draft.Scheme)
            )
        );
    }

    private static async Task<Results<Ok<ProtocolSaved>, NotFound, ProblemHttpResult>> Change(
        string id,
        ChangeProtocolRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk
    )
    {
        var diners = await desk.Diners.Read(tenant);
        if (diners.Latest(id) is not { } edition)
        {
            return TypedResults.NotFound();
        }

        if (edition.Own is null)
        {
            return new Refusal(
                "shipped-protocol",
                "protocol",
                edition.Protocol.Name,
                "this protocol ships with the program and is the same for everybody",
                "Copy it and change the copy"
            ).ToProblem();
        }

        var read = Read(request.Document, desk);
        if ((read.Refusal ?? WrongName(read.Value.Name, diners, id)) is { } refusal)
        {
            return refusal.ToProblem();
        }

        var week = request.IncludesThisWeek ? HouseholdClock.WeekOf(diners.Today) : (DateOnly?)null;
        var saved = await desk.Own.Change(
            tenant,
            id,
            read.Value.Name,
            ProtocolFile.Write(read.Value with { Id = id }),
            request.BasedOn,
            week,
            desk.Clock.GetUtcNow()
        );
        return saved.Refusal is { } conflict ? conflict.ToProblem() : TypedResults.Ok(new ProtocolSaved(id, saved.Value.Version));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> PutAway(string id, CurrentTenant tenant, [AsParameters] Desk desk) =>
        await desk.Own.Archive(tenant, id, desk.Clock.GetUtcNow()) is { } refusal ? refusal.ToProblem() : TypedResults.NoContent();

    private static async Task<Results<Ok<ProtocolSaved>, NotFound, ProblemHttpResult>> Add(
        Protocol protocol,
        (string Id, int Version)? origin,
        IReadOnlyList<Guid> followers,
        CurrentTenant tenant,
        Diners diners,
        Desk desk
    )
    {
        if (WrongName(protocol.Name, diners, null) is { } refusal)
        {
            return refusal.ToProblem();
        }

        var id = IdFor(protocol.Name, diners);
        var saved = await desk.Own.Add(
            tenant,
            id,
            protocol.Name,
            ProtocolFile.Write(protocol with { Id = id }),
            origin,
            desk.Clock.GetUtcNow(),
            followers,
            eater => Moved(eater, origin?.Id ?? "", id)
        );
        return saved.Refusal is { } full ? full.ToProblem() : TypedResults.Ok(new ProtocolSaved(id, 1));
    }

    /// <summary>An eater who follows the copy instead keeps everything that was stated for the original.</summary>
    private static EaterSettings Moved(EaterSettings eater, string from, string to) =>
        eater with
        {
            Protocols = [.. eater.Protocols.Select(id => id == from ? to : id)],
            Allowances = [.. eater.Allowances.Select(item => item.ProtocolId == from ? item with { ProtocolId = to } : item)],
            Choices = [.. eater.Choices.Select(item => item.ProtocolId == from ? item with { ProtocolId = to } : item)],
            Phases = [.. eater.Phases.Select(item => item.ProtocolId == from ? item with { ProtocolId = to } : item)],
        };

    private static Result<Protocol> Read(string document, Desk desk) =>
        ProtocolFile.Read(document, desk.Knowledge.Classes, desk.Knowledge.MayBeNamed);

    private static Refusal? WrongName(string name, Diners diners, string? self) =>
        name.Trim().Length is 0 or > 80 ? new("name-length", "name", name, "a protocol's name has 1 to 80 characters", "Type a short name")
        : diners.Protocols.Any(edition =>
            edition.Protocol.Id != self
            && edition.Own?.IsArchived != true
            && edition.Protocol.Name.Equals(name.Trim(), StringComparison.OrdinalIgnoreCase)
        )
            ? new("name-taken", "name", name, "there is a protocol of this name", "Add what is different about yours")
        : null;

    private static string IdFor(string name, Diners diners)
    {
        var letters = new string([.. name.ToLowerInvariant().Select(letter => char.IsAsciiLetterOrDigit(letter) ? letter : '-')]);
        var plain =
            $"own-{string.Join('-', letters.Split('-', StringSplitOptions.RemoveEmptyEntries)) switch { "" => "protocol", var slug => slug[..Math.Min(slug.Length, 44)].Trim('-') }}";
        return Enumerable
            .Range(1, int.MaxValue)
            .Select(number => number == 1 ? plain : $"{plain}-{number}")
            .First(id => diners.Latest(id) is null);
    }
}

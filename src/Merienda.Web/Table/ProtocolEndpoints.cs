using System.Text;
using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Storage.Edits;
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

    public sealed record Desk(Database Database, HouseholdStore Households, ProtocolStore Own, KnowledgeBase Knowledge)
    {
        public Task<Core.Planning.Table> Table(CurrentTenant tenant) => Database.Read(tenant, Households.Table());
    }

    private static async Task<Results<Ok<ProtocolSheet>, NotFound>> Sheet(string id, CurrentTenant tenant, [AsParameters] Desk desk)
    {
        var table = await desk.Table(tenant);
        if (table.Latest(id) is not { } edition)
        {
            return TypedResults.NotFound();
        }

        IReadOnlyList<int> versions = edition.Own is null
            ? [edition.Version]
            : [.. (await desk.Own.Versions(tenant, id)).Select(row => row.Version)];
        return TypedResults.Ok(
            new ProtocolSheet(
                ProtocolSheets.ToRow(edition, table),
                ProtocolFile.Write(edition.Protocol),
                ProtocolSheets.Sections(edition.Protocol, desk.Knowledge),
                versions
            )
        );
    }

    private static async Task<Results<FileContentHttpResult, NotFound>> Export(string id, CurrentTenant tenant, [AsParameters] Desk desk) =>
        (await desk.Table(tenant)).Latest(id) is { } edition
            ? TypedResults.File(Encoding.UTF8.GetBytes(ProtocolFile.Write(edition.Protocol)), "application/json", $"{id}.protocol.json")
            : TypedResults.NotFound();

    private static async Task<Results<Ok<ProtocolSaved>, ProblemHttpResult>> Copy(
        string id,
        CopyRequest request,
        Editing editing,
        ProtocolStore own,
        TimeProvider clock
    ) =>
        Saved(
            editing,
            await own.Add(
                editing,
                id,
                table => table.Latest(id) is { } origin ? origin.Protocol with { Name = request.Name.Trim() } : ProtocolStore.Gone(id),
                request.Followers,
                clock.GetUtcNow()
            )
        );

    private static async Task<Results<Ok<ProtocolSaved>, ProblemHttpResult>> Import(
        DocumentRequest request,
        Editing editing,
        ProtocolStore own,
        KnowledgeBase knowledge,
        TimeProvider clock
    ) => Saved(editing, await own.Add(editing, null, _ => Read(request.Document, knowledge), [], clock.GetUtcNow()));

    private static async Task<Results<Ok<DraftEffect>, NotFound, ProblemHttpResult>> EffectOf(
        string id,
        DocumentRequest request,
        CurrentTenant tenant,
        [AsParameters] Desk desk,
        EffectReader effects
    )
    {
        var table = await desk.Table(tenant);
        if (table.Latest(id) is not { } edition)
        {
            return TypedResults.NotFound();
        }

        if (Read(request.Document, desk.Knowledge) is var read && read.Refusal is { } refusal)
        {
            return refusal.ToProblem();
        }

        var draft = read.Value with { Id = id };
        var followers = table.Eaters.Where(eater => eater.Protocols.Contains(id)).ToList();
        var (changes, points) = await desk.Database.Read(
            tenant,
            effects
                .Compare(
                    table.Today,
                    [.. followers.Select(table.DinerOf)],
                    [.. followers.Select(eater => table.DinerOf(eater, other => other == id ? draft : table.Latest(other)?.Protocol))]
                )
                .And(effects.ComparePoints(edition.Protocol.Scheme, draft.Scheme))
        );
        return TypedResults.Ok(new DraftEffect(ProtocolSheets.Sections(draft, desk.Knowledge), changes, points));
    }

    private static async Task<Results<Ok<ProtocolSaved>, ProblemHttpResult>> Change(
        string id,
        ChangeProtocolRequest request,
        Editing editing,
        ProtocolStore own,
        KnowledgeBase knowledge,
        TimeProvider clock
    )
    {
        var saved = await own.Change(
            editing,
            id,
            _ => Read(request.Document, knowledge),
            request.BasedOn,
            table => request.IncludesThisWeek ? table.Household.Rhythm.WeekOf(table.Today) : null,
            clock.GetUtcNow()
        );
        return Saved(editing, saved);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> PutAway(
        string id,
        Editing editing,
        ProtocolStore own,
        TimeProvider clock
    ) => editing.Done(await own.Archive(editing, id, clock.GetUtcNow()));

    private static Results<Ok<ProtocolSaved>, ProblemHttpResult> Saved(Editing editing, Result<Edited<SavedProtocol>> saved) =>
        editing.Answer(saved.Select(edited => edited.Select(kept => new ProtocolSaved(kept.Id, kept.Version))));

    private static Result<Protocol> Read(string document, KnowledgeBase knowledge) =>
        ProtocolFile.Read(document, knowledge.Classes, knowledge.MayBeNamed);
}

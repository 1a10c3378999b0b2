using System.Text.Json;
using Merienda.Core.Foods.Packets;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Extensions.Options;

namespace Merienda.Web.Larder;

/// <summary>Packets as CSV, out and in. A file is read in a dry run first; it comes in whole or not at all.</summary>
public static class PacketFileEndpoints
{
    private const int MostBytes = 24_000_000,
        MostProblems = 100,
        Step = 250;

    public static void MapPacketFiles(this RouteGroupBuilder larder)
    {
        larder.MapGet("/packets.csv", Export).WithName("ExportPackets").Produces<string>(contentType: "text/csv");
        larder
            .MapPost("/packets/import", Import)
            .WithName("ImportPackets")
            .Accepts<string>("text/csv")
            .Produces<ImportProgress>(contentType: "application/x-ndjson")
            .WithMetadata(new RequestSizeLimitAttribute(MostBytes));
    }

    private static async Task<FileContentHttpResult> Export(CurrentTenant tenant, Database database, PacketStore packets)
    {
        var printed = (await database.Read(tenant, packets.Foods))
            .Packets.Values.Select(packet => packet.Printed)
            .OrderBy(packet => packet.Name, StringComparer.OrdinalIgnoreCase);
        return CsvAnswer.Of(PacketFile.Write(printed), "merienda-packets.csv");
    }

    /// <summary>
    /// Answers with a line of progress at a time, the report in the last one. Closing the connection stops it, and then nothing is kept.
    /// </summary>
    /// <param name="apply">False for a dry run.</param>
    private static async Task Import(
        HttpContext context,
        bool apply,
        Editing editing,
        Database database,
        PacketStore packets,
        KnowledgeBase knowledge,
        TimeProvider clock,
        IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json
    )
    {
        var stop = context.RequestAborted;
        using var body = new MemoryStream();
        await context.Request.Body.CopyToAsync(body, stop);
        var file = PacketFile.Read(body.GetBuffer().AsMemory(0, (int)body.Length), knowledge.Classes);
        if (file.Refusal is { } refusal)
        {
            await refusal.ToProblem().ExecuteAsync(context);
            return;
        }

        context.Response.ContentType = "application/x-ndjson";
        async Task Say(ImportProgress progress)
        {
            await JsonSerializer.SerializeAsync(context.Response.Body, progress, json.Value.SerializerOptions, stop);
            await context.Response.Body.WriteAsync("\n"u8.ToArray(), stop);
            await context.Response.Body.FlushAsync(stop);
        }

        var total = body.GetBuffer().AsSpan(0, (int)body.Length).Count((byte)'\n');
        var (read, problems, rows, refused) = (new List<PrintedPacket>(), new List<ImportProblem>(), 0, 0);
        foreach (var (packet, problem) in file.Value.Rows)
        {
            rows++;
            if (packet is not null)
            {
                read.Add(packet);
            }
            else if (++refused <= MostProblems)
            {
                problems.Add(new(problem!.Row, problem.Column, problem.Value, problem.Reason, problem.Cure));
            }

            if (rows % Step == 0)
            {
                await Say(new(rows, Math.Max(rows, total), null));
            }
        }

        // Judged again under the lock: what is new is new at that moment.
        var (news, changed) = NewsIn(read, await database.Read(editing.Tenant, packets.Foods));
        var (isApplied, sequence) = (apply && refused == 0, (long?)null);
        if (isApplied && news.Count > 0)
        {
            await Say(new(rows, rows, null));
            var imported = await packets.Import(editing, foods => NewsIn(read, foods).News, clock.GetUtcNow(), stop);
            (isApplied, sequence) = (!imported.IsRefused, imported.IsRefused ? null : imported.Value.Sequence);
        }

        await Say(new(rows, rows, new(isApplied, rows, news.Count - changed, changed, refused, problems, sequence)));
    }

    /// <summary>Packets of the file that are not in use as they are, and how many of them are in use otherwise.</summary>
    private static (IReadOnlyList<PrintedPacket> News, int Changed) NewsIn(IReadOnlyList<PrintedPacket> read, HouseholdFoods foods)
    {
        var known = foods.Packets.Values.ToDictionary(packet => packet.Printed.Name.Trim().ToLowerInvariant(), packet => packet.Printed);
        var news = read.Where(packet => !known.TryGetValue(packet.Name.Trim().ToLowerInvariant(), out var old) || !old.IsSameAs(packet))
            .ToList();
        return (news, news.Count(packet => known.ContainsKey(packet.Name.Trim().ToLowerInvariant())));
    }
}

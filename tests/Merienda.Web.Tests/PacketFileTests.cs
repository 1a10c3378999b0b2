using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;

namespace Merienda.Web.Tests;

public class PacketFileTests(TestDatabase database)
{
    private const string Header = "name,country,serving,fat,carbohydrate,fibre,ingredients,classes\n";

    /// <summary>Sends a file and returns the lines of the answer.</summary>
    private static async Task<(HttpStatusCode Status, IReadOnlyList<JsonNode> Lines)> Send(Visitor cook, byte[] file, bool apply)
    {
        await cook.Refresh();
        using var content = new ByteArrayContent(file);
        content.Headers.ContentType = new MediaTypeHeaderValue("text/csv");
        using var response = await cook.SendContent(
            HttpMethod.Post,
            $"/api/larder/packets/import?apply={(apply ? "true" : "false")}",
            content
        );
        return (
            response.StatusCode,
            [
                .. (await response.Content.ReadAsStringAsync())
                    .Split('\n', StringSplitOptions.RemoveEmptyEntries)
                    .Select(line => JsonNode.Parse(line)!),
            ]
        );
    }

    private static Task<(HttpStatusCode Status, IReadOnlyList<JsonNode> Lines)> Send(Visitor cook, string rows, bool apply) =>
        Send(cook, Encoding.UTF8.GetBytes(Header + rows), apply);

    private static async Task<int> Packets(Visitor cook) =>
        (await cook.Get("/api/larder/foods?query=&foodClass=&kind=packets"))["total"]!.GetValue<int>();

    private static (bool, int, int, int) Said(JsonNode report) =>
        (
            report["isApplied"]!.GetValue<bool>(),
            report["added"]!.GetValue<int>(),
            report["changed"]!.GetValue<int>(),
            report["refused"]!.GetValue<int>()
        );

    [Fact]
    public async Task A_dry_run_keeps_nothing_and_bringing_in_keeps_all()
    {
        var cook = await database.SignUp();
        const string Rows = "Crackers,EU,100 g,\"1,6\",64,16,\"Rye flour, salt\",rye\nBar,US,1 bar (40 g),13,17,9,Hazelnuts,\n";
        Assert.Equal((false, 2, 0, 0), Said((await Send(cook, Rows, false)).Lines[^1]["report"]!));
        Assert.Equal(0, await Packets(cook));
        Assert.Equal((true, 2, 0, 0), Said((await Send(cook, Rows, true)).Lines[^1]["report"]!));
        Assert.Equal((true, 0, 0, 0), Said((await Send(cook, Rows, true)).Lines[^1]["report"]!));
        Assert.Equal((true, 0, 1, 0), Said((await Send(cook, "Bar,US,1 bar (40 g),12,17,9,Hazelnuts,\n", true)).Lines[^1]["report"]!));
        Assert.Equal(2, await Packets(cook));
        // What went out comes in again without a change.
        var exported = await cook.Client.GetByteArrayAsync("/api/larder/packets.csv", TestContext.Current.CancellationToken);
        Assert.Equal((true, 0, 0, 0), Said((await Send(cook, exported, true)).Lines[^1]["report"]!));
    }

    [Fact]
    public async Task A_file_is_taken_back_as_a_whole_unless_one_of_its_packets_was_changed()
    {
        var cook = await database.SignUp();
        async Task<decimal> Fat(string name) =>
            (await cook.Get($"/api/larder/foods?query={name}&foodClass=&kind=packets"))["foods"]![0]!["perHundredGrams"]![2]!["value"]![
                "best"
            ]!.GetValue<decimal>();
        await Send(cook, "Crackers,EU,100 g,2.0,64,16,Rye,rye\n", true);
        await Send(cook, "Crackers,EU,100 g,4.0,64,16,Rye,rye\nBar,EU,100 g,13,17,9,Hazelnuts,\n", true);
        Assert.Equal((2, 4m), (await Packets(cook), await Fat("crackers")));
        await cook.Must(HttpMethod.Post, "/api/undo", new { sequence = (long?)null });
        Assert.Equal((1, 2m), (await Packets(cook), await Fat("crackers")));

        await Send(cook, "Bar,EU,100 g,13,17,9,Hazelnuts,\n", true);
        var file = (await cook.Get($"/api/weeks/{(await cook.Get("/api/account"))["person"]!["today"]}"))["undo"]![
            "sequence"
        ]!.GetValue<long>();
        await Send(cook, "Bar,EU,100 g,12,17,9,Hazelnuts,\n", true);
        await cook.Refused(HttpStatusCode.Conflict, "changed-meanwhile", HttpMethod.Post, "/api/undo", new { sequence = file });
        Assert.Equal(2, await Packets(cook));
    }

    [Fact]
    public async Task A_file_with_a_wrong_row_names_it_and_nothing_comes_in()
    {
        var cook = await database.SignUp();
        var report = (
            await Send(
                cook,
                "Crackers,EU,100 g,1.6,64,16,Rye,rye\nBar,US,0 g,13,17,9,Hazelnuts,\nBar,US,40 g,13,3,9,Hazelnuts,\ncrackers,EU,100 g,1,1,1,x,\nJam,EU,100 g,lots,1,1,x,\nTin,Mars,100 g,1,1,1,x,\n",
                true
            )
        ).Lines[^1]["report"]!;
        Assert.Equal((false, 1, 0, 5), Said(report));
        Assert.Equal(
            ["3 serving 0 g", "4 fibre 9 g", "5 name crackers", "6 fat lots", "7 country Mars"],
            report["problems"]!.AsArray().Select(one => $"{one!["row"]} {one["column"]} {one["value"]}")
        );
        Assert.All(report["problems"]!.AsArray(), one => Assert.False(string.IsNullOrWhiteSpace(one!["cure"]!.GetValue<string>())));
        Assert.Equal(0, await Packets(cook));
    }

    [Theory]
    [InlineData("utf-16", "not-utf8")]
    [InlineData("latin1", "not-utf8")]
    [InlineData("empty", "no-header")]
    [InlineData("missing", "column-missing")]
    [InlineData("unknown", "column-unknown")]
    public async Task A_file_that_cannot_be_read_at_all_is_refused_whole(string kind, string code)
    {
        var cook = await database.SignUp();
        var (status, lines) = await Send(
            cook,
            kind switch
            {
                "utf-16" => Encoding.Unicode.GetBytes(Header + "Crème,EU,100 g,1,1,1,x,\n"),
                "latin1" => Encoding.Latin1.GetBytes(Header + "Plain,EU,100 g,1,1,1,x,\nCrème,EU,100 g,1,1,1,x,\n"),
                "empty" => [],
                "missing" => Encoding.UTF8.GetBytes("name,country\nx,EU\n"),
                _ => Encoding.UTF8.GetBytes("name,country,serving,colour\nx,EU,100 g,red\n"),
            },
            true
        );
        Assert.Equal((HttpStatusCode.UnprocessableEntity, code), (status, lines[0]["code"]!.GetValue<string>()));
        Assert.Equal(kind == "latin1" ? "row 3" : lines[0]["value"]!.GetValue<string>(), lines[0]["value"]!.GetValue<string>());
    }

    [Fact]
    public async Task Ten_thousand_rows_come_in_with_progress()
    {
        var cook = await database.SignUp();
        var rows = new StringBuilder();
        for (var row = 0; row < 10_000; row++)
        {
            rows.Append(
                System.Globalization.CultureInfo.InvariantCulture,
                $"Packet {row},EU,100 g,1.5,{row % 90},{row % 7},\"Oats, salt\",oats\n"
            );
        }

        var (_, lines) = await Send(cook, rows.ToString(), true);
        Assert.Equal((true, 10_000, 0, 0), Said(lines[^1]["report"]!));
        Assert.InRange(lines.Count, 40, 200);
        Assert.Equal(10_000, await Packets(cook));
        Assert.Equal(
            "Packet 9999",
            (await cook.Get("/api/larder/foods?query=packet%209999&foodClass=&kind="))["foods"]![0]!["name"]!.GetValue<string>()
        );
    }
}

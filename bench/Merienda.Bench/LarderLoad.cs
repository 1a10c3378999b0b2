using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;

namespace Merienda.Bench;

/// <summary>Ten thousand packets brought in as a file, then searched in the application as a person types.</summary>
public static class LarderLoad
{
    private const int Packets = 10_000,
        Searches = 400,
        WarmingUp = 60;

    private static readonly string[] Kinds =
    [
        "crackers",
        "oat bar",
        "tomato soup",
        "rye bread",
        "coconut pot",
        "fish pie",
        "lentil stew",
        "nut butter",
        "seed mix",
        "bean salad",
    ];
    private static readonly string[] Statements =
    [
        "Oats 60 %, honey, sunflower oil, salt",
        "Rye flour, water, sea salt, yeast",
        "Tomatoes 70 %, water, onion, olive oil, salt, spices",
        "Sunflower seeds, sesame seeds, less than 2 % of: tapioca syrup, natural flavouring",
        "Cod (fish) 40 %, potatoes, milk, butter, wheat flour, parsley",
    ];

    /// <summary>What is typed, letter by letter, whole words, two words, and nothing: the first page.</summary>
    private static readonly string[] Typed =
    [
        "",
        "c",
        "cr",
        "cra",
        "crackers",
        "oat",
        "oat bar 77",
        "soup",
        "rye bread",
        "coconut",
        "packet",
        "zucchini",
        "lentil st",
        "9999",
        "nothing at all",
        "bean",
    ];

    public static async Task Run(Uri address)
    {
        var client = await Visitor.Enter(address);
        var file = Encoding.UTF8.GetBytes(
            "name,country,serving,energy,fat,carbohydrate,fibre,protein,ingredients,classes\n"
                + string.Concat(Enumerable.Range(0, Packets).Select(Row))
        );
        foreach (var apply in new[] { false, true })
        {
            var started = Stopwatch.GetTimestamp();
            using var content = new ByteArrayContent(file);
            content.Headers.ContentType = new MediaTypeHeaderValue("text/csv");
            using var answer = await client.PostAsync(
                new Uri($"/api/larder/packets/import?apply={(apply ? "true" : "false")}", UriKind.Relative),
                content
            );
            var last = (await answer.Content.ReadAsStringAsync()).Split('\n', StringSplitOptions.RemoveEmptyEntries)[^1];
            Console.WriteLine(
                $"{(apply ? "bring in" : "dry run")} {Packets} rows: {Stopwatch.GetElapsedTime(started).TotalSeconds:0.0} s, {JsonNode.Parse(last)!["report"]!["refused"]} refused"
            );
        }

        var first = Stopwatch.GetTimestamp();
        (await client.GetAsync(new Uri("/api/larder/foods?query=oat&foodClass=&kind=", UriKind.Relative))).EnsureSuccessStatusCode();
        Console.WriteLine($"the first search after that, which reads them all: {Stopwatch.GetElapsedTime(first).TotalMilliseconds:0} ms");
        foreach (
            var (title, rest) in new[]
            {
                ("search", "&foodClass="),
                ("search within a class", "&foodClass=seed"),
                ("what fits one eater", $"&foodClass={await Fitting(client)}"),
            }
        )
        {
            var times = new List<double>();
            for (var at = 0; at < Searches + WarmingUp; at++)
            {
                var started = Stopwatch.GetTimestamp();
                using var answer = await client.GetAsync(
                    new Uri($"/api/larder/foods?query={Uri.EscapeDataString(Typed[at % Typed.Length])}&kind={rest}", UriKind.Relative)
                );
                answer.EnsureSuccessStatusCode();
                await answer.Content.LoadIntoBufferAsync();
                if (at >= WarmingUp)
                {
                    times.Add(Stopwatch.GetElapsedTime(started).TotalMilliseconds);
                }
            }

            times.Sort();
            Console.WriteLine(
                $"{title}, {Packets} packets and the table: p50 {times[times.Count / 2]:0.0} ms, p95 {times[times.Count * 95 / 100]:0.0} ms, p99 {times[times.Count * 99 / 100]:0.0} ms"
            );
        }
    }

    private static async Task<string> Fitting(HttpClient client)
    {
        var table = JsonNode.Parse(await client.GetStringAsync(new Uri("/api/table", UriKind.Relative)))!;
        return $"&eater={table["eaters"]![0]!["id"]}&verdict=fits";
    }

    private static string Row(int at) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"Packet {at} {Kinds[at % Kinds.Length]},EU,100 g,{120 + (at % 380)},{at % 30}.5,{10 + (at % 50)},{at % 9},{2 + (at % 18)},\"{Statements[at % Statements.Length]}\",{(at % 3 == 0 ? "seed" : "")}\n"
        );
}

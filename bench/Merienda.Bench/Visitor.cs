using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Merienda.Bench;

/// <summary>A browser's side of the API: cookies and the antiforgery token.</summary>
public static class Visitor
{
    /// <param name="name">Of the demo's people; the first of them when it is not said.</param>
    public static async Task<HttpClient> Enter(Uri address, string? name = null)
    {
        var client = await Come(address);
        var account = await client.GetFromJsonAsync<JsonNode>("/api/account");
        var person = account!["demoPeople"]!.AsArray().First(one => name is null || one!["name"]!.GetValue<string>() == name)![
            "id"
        ]!.GetValue<Guid>();
        using var answer = await client.PostAsJsonAsync("/api/account/demo", new { id = person });
        answer.EnsureSuccessStatusCode();
        Remember(client, answer);
        await Refresh(client);
        return client;
    }

    /// <summary>Somebody with a kitchen of their own.</summary>
    public static async Task<HttpClient> SignUp(Uri address, int which)
    {
        var client = await Come(address);
        using var answer = await client.PostAsJsonAsync(
            "/api/account/sign-up",
            new
            {
                name = $"Cook {which}",
                email = $"cook-{which}-{Guid.NewGuid():N}@port-ansel.example",
                password = "a long enough one",
                householdName = "Kitchen",
                timeZone = "Europe/Lisbon",
            }
        );
        answer.EnsureSuccessStatusCode();
        Remember(client, answer);
        await Refresh(client);
        return client;
    }

    private static async Task<HttpClient> Come(Uri address)
    {
        // Cookies are marked secure; a plain-http client on loopback carries them by hand.
        var client = new HttpClient(new SocketsHttpHandler { UseCookies = false }) { BaseAddress = address };
        await Refresh(client);
        return client;
    }

    internal static async Task Refresh(HttpClient client)
    {
        using var answer = await client.GetAsync(new Uri("/api/account", UriKind.Relative));
        Remember(client, answer);
        client.DefaultRequestHeaders.Remove("X-Antiforgery");
        client.DefaultRequestHeaders.Add(
            "X-Antiforgery",
            (await answer.Content.ReadFromJsonAsync<JsonNode>())!["antiforgery"]!.GetValue<string>()
        );
    }

    internal static void Remember(HttpClient client, HttpResponseMessage answer)
    {
        if (!answer.Headers.TryGetValues("Set-Cookie", out var set))
        {
            return;
        }

        var jar = client.DefaultRequestHeaders.TryGetValues("Cookie", out var had)
            ? had.SelectMany(line => line.Split("; ")).Select(pair => pair.Split('=', 2)).ToDictionary(pair => pair[0], pair => pair[1])
            : [];
        foreach (var cookie in set.Select(line => line.Split(';')[0].Split('=', 2)))
        {
            jar[cookie[0]] = cookie[1];
        }

        client.DefaultRequestHeaders.Remove("Cookie");
        client.DefaultRequestHeaders.Add("Cookie", string.Join("; ", jar.Select(pair => $"{pair.Key}={pair.Value}")));
    }
}

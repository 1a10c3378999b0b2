using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Merienda.Core.Outcomes;

namespace Merienda.Web.Tests;

/// <summary>A browser's side of the API: cookies, the antiforgery token, JSON.</summary>
public sealed class Visitor(HttpClient client)
{
    private string? _token;

    public string Token => _token!;

    public HttpClient Client { get; } = client;

    public async Task Refresh() => _token = (await Client.GetFromJsonAsync<JsonNode>("/api/account"))!["antiforgery"]!.GetValue<string>();

    public async Task<(HttpStatusCode Status, JsonNode? Body)> Send(HttpMethod method, string path, object? body = null)
    {
        var (status, answer, _) = await Edit(method, path, body, null);
        return (status, answer);
    }

    /// <summary>Sends an edit under an id of its own, and says the sequence that the answer names.</summary>
    public async Task<(HttpStatusCode Status, JsonNode? Body, long? Sequence)> Edit(HttpMethod method, string path, object? body, Guid? id)
    {
        if (_token is null)
        {
            await Refresh();
        }

        using var request = new HttpRequestMessage(method, path) { Content = body is null ? null : JsonContent.Create(body) };
        request.Headers.Add("X-Antiforgery", _token);
        if (id is { } edit)
        {
            request.Headers.Add("X-Edit-Id", edit.ToString());
        }

        using var response = await Client.SendAsync(request);
        var text = await response.Content.ReadAsStringAsync();
        var sequence = response.Headers.TryGetValues("X-Edit-Sequence", out var said) ? long.Parse(said.Single(), null) : (long?)null;
        return (response.StatusCode, text.Length == 0 ? null : JsonNode.Parse(text), sequence);
    }

    /// <summary>Sends something that is not JSON.</summary>
    public async Task<HttpResponseMessage> SendContent(HttpMethod method, string path, HttpContent content)
    {
        using var request = new HttpRequestMessage(method, path) { Content = content };
        request.Headers.Add("X-Antiforgery", _token);
        return await Client.SendAsync(request);
    }

    /// <summary>Sends and expects success.</summary>
    public async Task<JsonNode> Must(HttpMethod method, string path, object? body = null)
    {
        var (status, answer) = await Send(method, path, body);
        Assert.True((int)status is >= 200 and < 300, $"{method} {path}: {(int)status} {answer?.ToJsonString(JsonSerializerOptions.Web)}");
        return answer ?? new JsonObject();
    }

    public Task<JsonNode> Get(string path) => Must(HttpMethod.Get, path);

    /// <summary>Sends and expects a refusal with this code.</summary>
    public async Task<JsonNode> Refused(HttpStatusCode status, string code, HttpMethod method, string path, object? body = null)
    {
        var (got, answer) = await Send(method, path, body);
        Assert.Equal((status, code), (got, answer?["code"]?.GetValue<string>()));
        Assert.True(Refusals.Of(code).Names(answer!["field"]!.GetValue<string>()), $"{code} names {answer["field"]}");
        Assert.False(
            string.IsNullOrWhiteSpace(answer!["title"]?.GetValue<string>())
                || string.IsNullOrWhiteSpace(answer["detail"]?.GetValue<string>()),
            "a refusal says what and how to cure it"
        );
        return answer;
    }

    public async Task<Guid> AddRecipe(string name = "Beans", decimal portions = 4, params string[] lines)
    {
        var saved = await Must(
            HttpMethod.Post,
            "/api/recipes",
            Draft(name, portions, lines.Length == 0 ? ["400 g tin white beans, drained", "2 tbsp olive oil"] : lines)
        );
        return saved["id"]!.GetValue<Guid>();
    }

    /// <summary>Saves the next version of a recipe.</summary>
    public async Task<JsonNode> ChangeRecipe(Guid recipe, string name, params string[] lines)
    {
        var number = (await Get($"/api/recipes/{recipe}"))["number"]!.GetValue<int>();
        return await Must(HttpMethod.Put, $"/api/recipes/{recipe}", Draft(name, 4, lines, number));
    }

    /// <returns>The board with the batch on its bench.</returns>
    /// <param name="week">Address of the week.</param>
    public Task<JsonNode> MakeBatch(string week, Guid recipeId, string cookedOn, decimal portions = 4) =>
        Must(HttpMethod.Post, $"{week}/batches", Batch(recipeId, cookedOn, portions));

    public static object Batch(Guid recipeId, string cookedOn, decimal portions = 4) =>
        new
        {
            recipeId,
            cookedOn,
            portions,
        };

    public Task<JsonNode> BecomeAllergic(Guid eater, params string[] allergies) =>
        Must(
            HttpMethod.Put,
            $"/api/table/eaters/{eater}/personal",
            new
            {
                allergies,
                dislikes = Array.Empty<string>(),
                portionHabit = 1,
                countsTraces = true,
                trustsRefinedSoybeanOil = false,
            }
        );

    public static object Acceptance(string what, string reason, bool isAdult) =>
        new
        {
            what,
            reason,
            isAdult,
        };

    public static object Draft(string name, decimal portions, string[] lines, int? basedOn = null) =>
        new
        {
            name,
            portions,
            meal = (string?)null,
            keeping = "cooked",
            reheating = "",
            atEating = "",
            system = "metric",
            lines = lines.Select(text => new
            {
                part = "",
                text,
                food = (string?)null,
            }),
            tasks = new[]
            {
                new
                {
                    id = "1",
                    text = "Cook",
                    handsOn = 5,
                    unattended = 20,
                    appliance = "burner",
                    temperatureC = (int?)null,
                    after = Array.Empty<string>(),
                },
            },
            basedOn,
        };
}

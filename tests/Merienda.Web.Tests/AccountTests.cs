using System.Net;

namespace Merienda.Web.Tests;

public class AccountTests(TestDatabase database)
{
    private static object Form(string email, string password = "a long enough one", string name = "Farah", string zone = "Europe/Lisbon") =>
        new
        {
            name,
            email,
            password,
            householdName = "Quillon",
            timeZone = zone,
        };

    [Fact]
    public async Task Signing_up_makes_a_household_with_one_eater_and_no_assumed_allowance()
    {
        var visitor = await database.SignUp("Farah Quillon");
        var table = await visitor.Get("/api/table");
        Assert.Equal("Farah", table["eaters"]!.AsArray().Single()!["name"]!.GetValue<string>());
        Assert.Empty(table["eaters"]![0]!["protocols"]!.AsArray());
        Assert.Empty((await visitor.Get("/api/recipes")).AsArray());
    }

    [Fact]
    public async Task A_password_is_kept_as_a_hash_and_signs_in_again()
    {
        var (visitor, email) = (database.Visit(), $"{Guid.NewGuid():N}@port-ansel.example");
        await visitor.Must(HttpMethod.Post, "/api/account/sign-up", Form(email));
        await visitor.Refresh();
        await visitor.Must(HttpMethod.Post, "/api/account/sign-out");
        await visitor.Refresh();
        Assert.Equal(HttpStatusCode.Unauthorized, (await visitor.Send(HttpMethod.Get, "/api/recipes")).Status);
        await visitor.Must(HttpMethod.Post, "/api/account/sign-in", new { email, password = "a long enough one" });
        Assert.Equal(HttpStatusCode.OK, (await visitor.Send(HttpMethod.Get, "/api/recipes")).Status);
        var hash = await TestDatabase.Ask<string>(database.Owner, $"select password_hash from account where email = '{email}'");
        Assert.DoesNotContain("long enough", hash, StringComparison.Ordinal);
        Assert.InRange(hash!.Length, 60, 200);
    }

    [Fact]
    public async Task Five_wrong_passwords_lock_the_account_for_a_while_even_for_the_right_one()
    {
        var email = $"{Guid.NewGuid():N}@port-ansel.example";
        await database.Visit().Must(HttpMethod.Post, "/api/account/sign-up", Form(email));
        var other = database.Visit();
        for (var attempt = 0; attempt < 4; attempt++)
        {
            Assert.Equal(
                HttpStatusCode.Unauthorized,
                (await other.Send(HttpMethod.Post, "/api/account/sign-in", new { email, password = "wrong" })).Status
            );
        }

        Assert.Equal(
            HttpStatusCode.TooManyRequests,
            (await other.Send(HttpMethod.Post, "/api/account/sign-in", new { email, password = "wrong" })).Status
        );
        Assert.Equal(
            HttpStatusCode.TooManyRequests,
            (await other.Send(HttpMethod.Post, "/api/account/sign-in", new { email, password = "a long enough one" })).Status
        );
    }

    [Fact]
    public async Task Sign_in_is_limited_a_minute()
    {
        await using var strict = database.WithWebHostBuilder(host => host.UseSetting("SignInsPerMinute", "3"));
        var visitor = new Visitor(strict.CreateClient(new() { BaseAddress = new Uri("https://localhost") }));
        var answers = new List<HttpStatusCode>();
        for (var attempt = 0; attempt < 5; attempt++)
        {
            answers.Add(
                (
                    await visitor.Send(HttpMethod.Post, "/api/account/sign-in", new { email = "nobody@port-ansel.example", password = "x" })
                ).Status
            );
        }

        Assert.Equal([401, 401, 401, 429, 429], answers.Select(status => (int)status));
    }

    [Fact]
    public async Task Sign_up_refuses_what_is_wrong_and_names_the_field()
    {
        var visitor = database.Visit();
        await visitor.Refused(
            HttpStatusCode.UnprocessableEntity,
            "weak-password",
            HttpMethod.Post,
            "/api/account/sign-up",
            Form($"{Guid.NewGuid():N}@port-ansel.example", "short")
        );
        await visitor.Refused(HttpStatusCode.UnprocessableEntity, "bad-email", HttpMethod.Post, "/api/account/sign-up", Form("no address"));
        await visitor.Refused(
            HttpStatusCode.UnprocessableEntity,
            "unknown-time-zone",
            HttpMethod.Post,
            "/api/account/sign-up",
            Form("a@port-ansel.example", zone: "Atlantis/Bay")
        );
        var taken = $"{Guid.NewGuid():N}@port-ansel.example";
        await visitor.Must(HttpMethod.Post, "/api/account/sign-up", Form(taken));
        var second = database.Visit();
        Assert.Equal(
            "email",
            (await second.Refused(HttpStatusCode.UnprocessableEntity, "email-taken", HttpMethod.Post, "/api/account/sign-up", Form(taken)))[
                "field"
            ]!.GetValue<string>()
        );
    }

    [Fact]
    public async Task A_change_without_the_antiforgery_token_is_refused()
    {
        var visitor = await database.SignUp();
        using var content = new StringContent("""{"name":"Intruder"}""", System.Text.Encoding.UTF8, "application/json");
        using var answer = await visitor.Client.PostAsync(
            new Uri("/api/table/eaters", UriKind.Relative),
            content,
            TestContext.Current.CancellationToken
        );
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Single((await visitor.Get("/api/table"))["eaters"]!.AsArray());
    }

    [Fact]
    public async Task Cookies_are_secure_http_only_and_same_site_and_every_answer_has_a_strict_policy()
    {
        var visitor = database.Visit();
        await visitor.Refresh();
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/account");
        using var answer = await visitor.Client.SendAsync(request, TestContext.Current.CancellationToken);
        Assert.Contains(
            "script-src 'self'; style-src 'self'",
            answer.Headers.GetValues("Content-Security-Policy").Single(),
            StringComparison.Ordinal
        );
        var demo = (await visitor.Get("/api/account"))["demoPeople"]![0]!["id"]!.GetValue<Guid>();
        using var enter = new HttpRequestMessage(HttpMethod.Post, "/api/account/demo")
        {
            Content = System.Net.Http.Json.JsonContent.Create(new { id = demo }),
        };
        enter.Headers.Add("X-Antiforgery", (await visitor.Get("/api/account"))["antiforgery"]!.GetValue<string>());
        using var entered = await visitor.Client.SendAsync(enter, TestContext.Current.CancellationToken);
        var cookie = entered.Headers.GetValues("Set-Cookie").Single(value => value.StartsWith("merienda=", StringComparison.Ordinal));
        Assert.All(["secure", "httponly", "samesite=strict"], flag => Assert.Contains(flag, cookie, StringComparison.OrdinalIgnoreCase));
    }

    [Fact]
    public async Task Instances_that_start_together_on_one_database_seed_and_load_once()
    {
        var before = await TestDatabase.Ask<long>(
            database.Owner,
            "select count(*) + (select count(*) from account where is_demo) from food_version"
        );
        await using var one = database.WithWebHostBuilder(_ => { });
        await using var two = database.WithWebHostBuilder(_ => { });
        await Task.WhenAll(Task.Run(() => one.Services), Task.Run(() => two.Services));
        Assert.Equal(
            before,
            await TestDatabase.Ask<long>(database.Owner, "select count(*) + (select count(*) from account where is_demo) from food_version")
        );
    }

    [Fact]
    public async Task An_unknown_api_address_is_a_404_and_not_the_page()
    {
        var visitor = await database.SignUp();
        Assert.Equal(HttpStatusCode.NotFound, (await visitor.Send(HttpMethod.Get, "/api/nowhere")).Status);
    }
}

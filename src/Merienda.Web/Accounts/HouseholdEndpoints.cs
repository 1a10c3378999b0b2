using Merienda.Core.Outcomes;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;

namespace Merienda.Web.Accounts;

public sealed record WorkInRequest(Guid Household);

public sealed record OpenHouseholdRequest(string Name, string TimeZone);

/// <summary>The households that one account works in.</summary>
public static class HouseholdEndpoints
{
    private const int MostHouseholds = 20;

    public static void MapHouseholds(this RouteGroupBuilder account)
    {
        account.MapPost("/household", WorkIn).WithName("WorkIn").RequireAuthorization();
        account.MapPost("/households", Open).WithName("OpenHousehold").RequireAuthorization();
    }

    /// <summary>
    /// The households of somebody, the one they work in first. Who was sent away works in another one; who has none opens one. The cookie
    /// follows.
    /// </summary>
    internal static async Task<IReadOnlyList<Guid>> Belongs(
        Account account,
        CurrentTenant? said,
        HouseholdStore households,
        SignInManager<Account> signIn
    )
    {
        var belongs = await households.HouseholdsOf(account.Id);
        if (belongs.Count == 0)
        {
            await households.Open(account.Id, NewHousehold.Of($"{FirstName(account)}'s kitchen", "UTC", FirstName(account)));
            belongs = await households.HouseholdsOf(account.Id);
        }

        if (said?.Tenant.Household != belongs[0])
        {
            await signIn.RefreshSignInAsync(account);
        }

        return belongs;
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> WorkIn(
        WorkInRequest request,
        HttpContext context,
        HouseholdStore households,
        UserManager<Account> users,
        SignInManager<Account> signIn
    )
    {
        var account = (await users.GetUserAsync(context.User))!;
        if (!(await households.HouseholdsOf(account.Id)).Contains(request.Household))
        {
            return new Refusal(
                "unknown-household",
                "household",
                $"{request.Household}",
                "you do not belong to this kitchen",
                "Load the page again"
            ).ToProblem();
        }

        await households.WorkIn(new(account.Id, request.Household));
        await signIn.RefreshSignInAsync(account);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Open(
        OpenHouseholdRequest request,
        HttpContext context,
        HouseholdStore households,
        UserManager<Account> users,
        SignInManager<Account> signIn
    )
    {
        var account = (await users.GetUserAsync(context.User))!;
        if (await Refuse(account, request.Name, request.TimeZone, households) is { } refusal)
        {
            return refusal.ToProblem();
        }

        var opened = NewHousehold.Of(request.Name.Trim(), request.TimeZone, FirstName(account));
        await households.Open(account.Id, opened);
        await households.WorkIn(new(account.Id, opened.Id));
        await signIn.RefreshSignInAsync(account);
        return TypedResults.NoContent();
    }

    /// <summary>Why an account opens no household of that name; null when it may.</summary>
    internal static async Task<Refusal?> Refuse(Account account, string name, string timeZone, HouseholdStore households) =>
        Wrong(name, timeZone)
        ?? (
            (await households.HouseholdsOf(account.Id)).Count >= MostHouseholds
                ? new("too-many-households", "name", name, $"an account belongs to at most {MostHouseholds} kitchens", "Leave one first")
                : null
        );

    internal static Refusal? Wrong(string? name, string timeZone) =>
        name?.Trim().Length is 0 or > 80
            ? new("name-length", "householdName", name, "a household's name has 1 to 80 characters", "Type a name for your kitchen")
        : !HouseholdClock.Knows(timeZone)
            ? new("unknown-time-zone", "timeZone", timeZone, "there is no such time zone", "Use an IANA name such as Europe/Lisbon")
        : null;

    internal static string FirstName(Account account) => account.DisplayName.Split(' ')[0];
}

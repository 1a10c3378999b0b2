using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;

namespace Merienda.Web.Accounts;

/// <param name="Antiforgery">Token to send as X-Antiforgery with every request that changes something.</param>
/// <param name="Person">Null when nobody is signed in.</param>
public sealed record AccountState(string Antiforgery, PersonState? Person, IReadOnlyList<DemoPerson> DemoPeople);

/// <param name="Today">The household's local date.</param>
/// <param name="Units">"metric" or "us".</param>
/// <param name="NumberFormat">"point" or "comma".</param>
/// <param name="FirstDay">The weekday that the household's weeks begin on.</param>
/// <param name="Meals">What its meals are called, those of earlier weeks too.</param>
public sealed record PersonState(
    string Name,
    string Email,
    string Household,
    DateOnly Today,
    string Units,
    string NumberFormat,
    DayOfWeek FirstDay,
    IReadOnlyList<PersonMeal> Meals
);

public sealed record PersonMeal(string Key, string Name, bool IsFormer);

public sealed record DemoPerson(Guid Id, string Name, string Household);

public sealed record SignUpRequest(string Name, string Email, string Password, string HouseholdName, string TimeZone);

public sealed record SignInRequest(string Email, string Password);

public sealed record EnterDemoRequest(Guid Id);

/// <summary>Sign up, sign in, sign out, and demo people with one click.</summary>
public static class AccountEndpoints
{
    public static void MapAccounts(this IEndpointRouteBuilder api)
    {
        var account = api.MapGroup("/account").WithTags("Account");
        account.MapGet("", State).WithName("GetAccount");
        account.MapPost("/sign-up", SignUp).WithName("SignUp").RequireRateLimiting(MeriendaHost.SignInLimit);
        account.MapPost("/sign-in", SignIn).WithName("SignIn").RequireRateLimiting(MeriendaHost.SignInLimit);
        account.MapPost("/demo", EnterDemo).WithName("EnterDemo");
        account.MapPost("/sign-out", SignOut).WithName("SignOut");
    }

    private static async Task<Ok<AccountState>> State(
        HttpContext context,
        IAntiforgery antiforgery,
        HouseholdStore households,
        AccountStore accounts,
        UserManager<Account> users,
        TimeProvider clock,
        IConfiguration configuration
    )
    {
        var token = antiforgery.GetAndStoreTokens(context).RequestToken!;
        PersonState? person = null;
        if (await CurrentTenant.BindAsync(context) is { } tenant && await users.GetUserAsync(context.User) is { } account)
        {
            var household = await households.Household(tenant);
            person = new PersonState(
                account.DisplayName,
                account.Email,
                household.Name,
                HouseholdClock.Today(clock, household.TimeZone),
                household.Units,
                household.NumberFormat,
                household.Rhythm.FirstDay,
                [.. household.Rhythm.Slots.Select(slot => new PersonMeal(slot.Key, slot.Name, slot.IsFormer))]
            );
        }

        var demo = new List<DemoPerson>();
        if (person is null && configuration.GetValue("Demo", false))
        {
            foreach (var one in await accounts.DemoPeople())
            {
                demo.Add(new(one.Id, one.DisplayName, (await households.HouseholdsOf(one.Id))[0].Name));
            }
        }

        return TypedResults.Ok(new AccountState(token, person, demo));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> SignUp(
        SignUpRequest request,
        UserManager<Account> users,
        SignInManager<Account> signIn
    )
    {
        if (Wrong(request) is { } refusal)
        {
            return refusal.ToProblem();
        }

        var account = new Account
        {
            Id = Guid.CreateVersion7(),
            DisplayName = request.Name.Trim(),
            Email = request.Email.Trim(),
            Opens = new(
                Guid.CreateVersion7(),
                request.HouseholdName.Trim(),
                request.TimeZone,
                Rhythm.Usual,
                [EaterSettings.Named(Guid.CreateVersion7(), request.Name.Trim().Split(' ')[0], Rhythm.Usual)]
            ),
        };
        var created = await users.CreateAsync(account, request.Password);
        if (!created.Succeeded)
        {
            return RefusalOf(created.Errors.First(), request).ToProblem();
        }

        await signIn.SignInAsync(account, isPersistent: true);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> SignIn(SignInRequest request, SignInManager<Account> signIn)
    {
        var result = await signIn.PasswordSignInAsync(request.Email.Trim(), request.Password, isPersistent: true, lockoutOnFailure: true);
        return result switch
        {
            { Succeeded: true } => TypedResults.NoContent(),
            { IsLockedOut: true } => TypedResults.Problem(
                statusCode: 429,
                title: "Too many wrong passwords for this address.",
                detail: "Wait five minutes and try again."
            ),
            // The same words for an unknown address and a wrong password: neither is given away.
            _ => TypedResults.Problem(
                statusCode: 401,
                title: "Address and password do not go together.",
                detail: "Check both and try again."
            ),
        };
    }

    private static async Task<Results<NoContent, NotFound>> EnterDemo(
        EnterDemoRequest request,
        AccountStore accounts,
        SignInManager<Account> signIn,
        IConfiguration configuration
    )
    {
        var person = configuration.GetValue("Demo", false)
            ? (await accounts.DemoPeople()).FirstOrDefault(one => one.Id == request.Id)
            : null;
        if (person is null)
        {
            return TypedResults.NotFound();
        }

        await signIn.SignInAsync(person, isPersistent: false);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> SignOut(SignInManager<Account> signIn)
    {
        await signIn.SignOutAsync();
        return TypedResults.NoContent();
    }

    private static Refusal? Wrong(SignUpRequest request) =>
        request switch
        {
            _ when request.Name.Trim().Length is 0 or > 40 => new(
                "name-length",
                "name",
                request.Name,
                "a name has 1 to 40 characters",
                "Type what the others call you"
            ),
            _ when request.HouseholdName.Trim().Length is 0 or > 80 => new(
                "name-length",
                "householdName",
                request.HouseholdName,
                "a household's name has 1 to 80 characters",
                "Type a name for your kitchen"
            ),
            _ when !System.Net.Mail.MailAddress.TryCreate(request.Email.Trim(), out _) => new(
                "bad-email",
                "email",
                request.Email,
                "this is not an address",
                "Type it as name@place.example"
            ),
            _ when !HouseholdClock.Knows(request.TimeZone) => new(
                "unknown-time-zone",
                "timeZone",
                request.TimeZone,
                "there is no such time zone",
                "Use an IANA name such as Europe/Lisbon"
            ),
            _ => null,
        };

    private static Refusal RefusalOf(IdentityError error, SignUpRequest request) =>
        error.Code switch
        {
            "DuplicateEmail" or "DuplicateUserName" => new(
                "email-taken",
                "email",
                request.Email,
                "there is an account with this address",
                "Sign in, or use another address"
            ),
            { } code when code.StartsWith("Password", StringComparison.Ordinal) => new(
                "weak-password",
                "password",
                "",
                "the password is too short or too plain",
                "Use at least 10 characters, 4 of them different"
            ),
            _ => new("refused", "email", request.Email, error.Description.TrimEnd('.'), "Change it and try again"),
        };
}

using Merienda.Core.Outcomes;
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
/// <param name="AtHand">First day of the week that is planned or eaten now.</param>
/// <param name="Units">"metric" or "us".</param>
/// <param name="NumberFormat">"point" or "comma".</param>
/// <param name="FirstDay">The weekday that the household's weeks begin on.</param>
/// <param name="Meals">What its meals are called, those of earlier weeks too.</param>
/// <param name="IsDesk">Whether the household is a group's desk.</param>
/// <param name="Others">The other households that the person can work in.</param>
public sealed record PersonState(
    string Name,
    string Email,
    string Household,
    bool IsDesk,
    DateOnly Today,
    DateOnly AtHand,
    string Units,
    string NumberFormat,
    DayOfWeek FirstDay,
    IReadOnlyList<PersonMeal> Meals,
    IReadOnlyList<PersonHousehold> Others
);

public sealed record PersonHousehold(Guid Id, string Name);

public sealed record PersonMeal(string Key, string Name, bool IsFormer);

public sealed record DemoPerson(Guid Id, string Name, string Household);

/// <param name="Household">Of the link.</param>
public sealed record JoinLink(Guid Household, string Secret);

/// <param name="HouseholdName">Of the household that is opened; null for somebody who comes by a link.</param>
/// <param name="Join">The link they come by; null without one.</param>
public sealed record SignUpRequest(
    string Name,
    string Email,
    string Password,
    string? HouseholdName,
    string TimeZone,
    JoinLink? Join = null
);

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
        account.MapHouseholds();
    }

    private static async Task<Ok<AccountState>> State(
        HttpContext context,
        IAntiforgery antiforgery,
        Database database,
        HouseholdStore households,
        AccountStore accounts,
        UserManager<Account> users,
        SignInManager<Account> signIn,
        TimeProvider clock,
        IConfiguration configuration
    )
    {
        var token = antiforgery.GetAndStoreTokens(context).RequestToken!;
        PersonState? person = null;
        if (await users.GetUserAsync(context.User) is { } account)
        {
            var belongs = await HouseholdEndpoints.Belongs(account, await CurrentTenant.BindAsync(context), households, signIn);
            var (household, desk) = await database.Read(new(account.Id, belongs[0]), HouseholdStore.SetUp.And(GroupStore.Desk));
            var others = new List<PersonHousehold>();
            foreach (var id in belongs.Skip(1))
            {
                others.Add(new(id, (await households.Household(new(account.Id, id))).Name));
            }

            person = new PersonState(
                account.DisplayName,
                account.Email,
                household.Name,
                desk is not null,
                HouseholdClock.Today(clock, household.TimeZone),
                household.Rhythm.WeekAtHand(HouseholdClock.Today(clock, household.TimeZone)),
                household.Units,
                household.NumberFormat,
                household.Rhythm.FirstDay,
                [.. household.Rhythm.Slots.Select(slot => new PersonMeal(slot.Key, slot.Name, slot.IsFormer))],
                others
            );
        }

        var demo = new List<DemoPerson>();
        if (person is null && configuration.GetValue("Demo", false))
        {
            foreach (var one in await accounts.DemoPeople())
            {
                var home = new Tenant(one.Id, (await households.HouseholdsOf(one.Id))[0]);
                demo.Add(new(one.Id, one.DisplayName, (await households.Household(home)).Name));
            }
        }

        return TypedResults.Ok(new AccountState(token, person, demo));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> SignUp(
        SignUpRequest request,
        UserManager<Account> users,
        SignInManager<Account> signIn,
        MemberStore members,
        TimeProvider clock
    )
    {
        if ((Wrong(request) ?? await WrongLink(request.Join, members, clock)) is { } refusal)
        {
            return refusal.ToProblem();
        }

        var account = new Account
        {
            Id = Guid.CreateVersion7(),
            DisplayName = request.Name.Trim(),
            Email = request.Email.Trim(),
            Opens = request is { Join: null, HouseholdName: { } household }
                ? NewHousehold.Of(household.Trim(), request.TimeZone, request.Name.Trim().Split(' ')[0])
                : null,
        };
        var created = await users.CreateAsync(account, request.Password);
        if (!created.Succeeded)
        {
            return RefusalOf(created.Errors.First(), request).ToProblem();
        }

        // A link that was used up in this very moment leaves an account that signs in, to a kitchen of its own.
        if (request.Join is { } link)
        {
            await members.Come(
                new(new(account.Id, link.Household, IsOutside: true), Guid.CreateVersion7()),
                link.Secret,
                clock.GetUtcNow()
            );
        }

        await signIn.SignInAsync(account, isPersistent: true);
        return TypedResults.NoContent();
    }

    private static async Task<Refusal?> WrongLink(JoinLink? link, MemberStore members, TimeProvider clock) =>
        link is not null && await members.Look(link.Household, link.Secret, clock.GetUtcNow()) is null
            ? MemberStore.Over(link.Secret)
            : null;

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
            _ when !System.Net.Mail.MailAddress.TryCreate(request.Email.Trim(), out _) => new(
                "bad-email",
                "email",
                request.Email,
                "this is not an address",
                "Type it as name@place.example"
            ),
            { HouseholdName: null, Join: null } => HouseholdEndpoints.Wrong("", request.TimeZone),
            _ => HouseholdEndpoints.Wrong(request.HouseholdName, request.TimeZone),
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

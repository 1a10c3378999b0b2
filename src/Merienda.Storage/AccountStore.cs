using Dapper;
using Merienda.Core.Planning;
using Merienda.Storage.Edits;
using Microsoft.AspNetCore.Identity;
using Npgsql;

namespace Merienda.Storage;

/// <summary>A person who signs in.</summary>
public sealed class Account
{
    public Guid Id { get; init; }

    public string Email { get; set; } = "";

    public string NormalizedEmail { get; set; } = "";

    public string DisplayName { get; set; } = "";

    public string? PasswordHash { get; set; }

    public string SecurityStamp { get; set; } = "";

    public DateTimeOffset? LockoutEnd { get; set; }

    public int AccessFailedCount { get; set; }

    public bool IsDemo { get; init; }

    /// <summary>The household that is opened with a new account, in the same transaction; null when it joins one.</summary>
    public NewHousehold? Opens { get; init; }
}

/// <summary>A household as somebody begins it.</summary>
public sealed record NewHousehold(Guid Id, string Name, string TimeZone, Rhythm Rhythm, IReadOnlyList<EaterSettings> Eaters)
{
    /// <summary>As it usually begins: with one eater.</summary>
    public static NewHousehold Of(string name, string timeZone, string eater) =>
        new(Guid.CreateVersion7(), name, timeZone, Rhythm.Usual, [EaterSettings.Named(Guid.CreateVersion7(), eater, Rhythm.Usual)]);

    internal Change Rows()
    {
        var rows = new Change($"Opened {Name}")
            .Put(Tables.Household, null, new HouseholdSettingsRow(Name, TimeZone, "metric", "point", (int)Rhythm.FirstDay, null, false))
            .Put(null, Rhythm);
        for (var seat = 0; seat < Eaters.Count; seat++)
        {
            rows.Put(null, Eaters[seat], seat);
        }

        return rows;
    }
}

/// <summary>Keeps accounts for ASP.NET Core Identity's managers, which do the hashing, the lockout and the stamps.</summary>
public sealed class AccountStore(Database database)
    : IUserPasswordStore<Account>,
        IUserEmailStore<Account>,
        IUserLockoutStore<Account>,
        IUserSecurityStampStore<Account>
{
    private const string Columns =
        "id, email, normalized_email, display_name, password_hash, security_stamp, lockout_end, access_failed_count, is_demo";

    public async Task<IdentityResult> CreateAsync(Account user, CancellationToken cancellationToken)
    {
        try
        {
            await database.Write(new Tenant(user.Id, user.Opens?.Id ?? Guid.Empty, IsOutside: true), Creation(user));
            return IdentityResult.Success;
        }
        catch (PostgresException taken) when (taken.ConstraintName == "account_email_unique")
        {
            return IdentityResult.Failed(
                new IdentityError { Code = "DuplicateEmail", Description = "An account with this address exists." }
            );
        }
    }

    private static Reading<bool> Creation(Account user)
    {
        var account = Reading.Of(
            $"""
            insert into account ({Columns})
            values (@Id, @Email, @NormalizedEmail, @DisplayName, @PasswordHash, @SecurityStamp, @LockoutEnd, @AccessFailedCount, @IsDemo)
            returning true;
            """,
            user,
            rows => rows.ReadSingleAsync<bool>()
        );
        if (user.Opens is not { } opened)
        {
            return account;
        }

        return account.And(HouseholdStore.Opening(opened.Rows())).Select(done => done.Second);
    }

    public async Task<IdentityResult> UpdateAsync(Account user, CancellationToken cancellationToken)
    {
        await database.Unscoped(connection =>
            connection.ExecuteAsync(
                """
                update account
                set email = @Email, normalized_email = @NormalizedEmail, display_name = @DisplayName, password_hash = @PasswordHash,
                    security_stamp = @SecurityStamp, lockout_end = @LockoutEnd, access_failed_count = @AccessFailedCount
                where id = @Id
                """,
                user
            )
        );
        return IdentityResult.Success;
    }

    public async Task<IdentityResult> DeleteAsync(Account user, CancellationToken cancellationToken)
    {
        await database.Unscoped(connection => connection.ExecuteAsync("delete from account where id = @Id", user));
        return IdentityResult.Success;
    }

    public Task<Account?> FindByIdAsync(string userId, CancellationToken cancellationToken) =>
        database.Unscoped(connection =>
            connection.QuerySingleOrDefaultAsync<Account>(
                $"select {Columns} from account where id = @id",
                new { id = Guid.TryParse(userId, out var parsed) ? parsed : Guid.Empty }
            )
        );

    public Task<Account?> FindByEmailAsync(string normalizedEmail, CancellationToken cancellationToken) =>
        database.Unscoped(connection =>
            connection.QuerySingleOrDefaultAsync<Account>(
                $"select {Columns} from account where normalized_email = @normalizedEmail",
                new { normalizedEmail }
            )
        );

    /// <summary>People of the demo scenario, in the order they were seeded.</summary>
    public Task<IReadOnlyList<Account>> DemoPeople() =>
        database.Unscoped<IReadOnlyList<Account>>(async connection =>
            [.. await connection.QueryAsync<Account>($"select {Columns} from account where is_demo order by id")]
        );

    // The address is the name people sign in with.
    public Task<Account?> FindByNameAsync(string normalizedUserName, CancellationToken cancellationToken) =>
        FindByEmailAsync(normalizedUserName, cancellationToken);

    public Task<string> GetUserIdAsync(Account user, CancellationToken cancellationToken) => Task.FromResult(user.Id.ToString());

    public Task<string?> GetUserNameAsync(Account user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.Email);

    public Task SetUserNameAsync(Account user, string? userName, CancellationToken cancellationToken) =>
        SetEmailAsync(user, userName, cancellationToken);

    public Task<string?> GetNormalizedUserNameAsync(Account user, CancellationToken cancellationToken) =>
        Task.FromResult<string?>(user.NormalizedEmail);

    public Task SetNormalizedUserNameAsync(Account user, string? normalizedName, CancellationToken cancellationToken) =>
        SetNormalizedEmailAsync(user, normalizedName, cancellationToken);

    public Task<string?> GetEmailAsync(Account user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.Email);

    public Task SetEmailAsync(Account user, string? email, CancellationToken cancellationToken) =>
        Task.FromResult(user.Email = email ?? "");

    // No mail is sent yet, so nothing waits for a confirmation.
    public Task<bool> GetEmailConfirmedAsync(Account user, CancellationToken cancellationToken) => Task.FromResult(true);

    public Task SetEmailConfirmedAsync(Account user, bool confirmed, CancellationToken cancellationToken) => Task.CompletedTask;

    public Task<string?> GetNormalizedEmailAsync(Account user, CancellationToken cancellationToken) =>
        Task.FromResult<string?>(user.NormalizedEmail);

    public Task SetNormalizedEmailAsync(Account user, string? normalizedEmail, CancellationToken cancellationToken) =>
        Task.FromResult(user.NormalizedEmail = normalizedEmail ?? "");

    public Task SetPasswordHashAsync(Account user, string? passwordHash, CancellationToken cancellationToken) =>
        Task.FromResult(user.PasswordHash = passwordHash);

    public Task<string?> GetPasswordHashAsync(Account user, CancellationToken cancellationToken) => Task.FromResult(user.PasswordHash);

    public Task<bool> HasPasswordAsync(Account user, CancellationToken cancellationToken) => Task.FromResult(user.PasswordHash is not null);

    public Task SetSecurityStampAsync(Account user, string stamp, CancellationToken cancellationToken) =>
        Task.FromResult(user.SecurityStamp = stamp);

    public Task<string?> GetSecurityStampAsync(Account user, CancellationToken cancellationToken) =>
        Task.FromResult<string?>(user.SecurityStamp);

    public Task<DateTimeOffset?> GetLockoutEndDateAsync(Account user, CancellationToken cancellationToken) =>
        Task.FromResult(user.LockoutEnd);

    public Task SetLockoutEndDateAsync(Account user, DateTimeOffset? lockoutEnd, CancellationToken cancellationToken) =>
        Task.FromResult(user.LockoutEnd = lockoutEnd);

    public Task<int> IncrementAccessFailedCountAsync(Account user, CancellationToken cancellationToken) =>
        Task.FromResult(++user.AccessFailedCount);

    public Task ResetAccessFailedCountAsync(Account user, CancellationToken cancellationToken) =>
        Task.FromResult(user.AccessFailedCount = 0);

    public Task<int> GetAccessFailedCountAsync(Account user, CancellationToken cancellationToken) =>
        Task.FromResult(user.AccessFailedCount);

    public Task<bool> GetLockoutEnabledAsync(Account user, CancellationToken cancellationToken) => Task.FromResult(true);

    public Task SetLockoutEnabledAsync(Account user, bool enabled, CancellationToken cancellationToken) => Task.CompletedTask;

    public void Dispose()
    {
        // Nothing is held between calls.
    }
}

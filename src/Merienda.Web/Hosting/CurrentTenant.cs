using System.Security.Claims;
using Merienda.Storage;

namespace Merienda.Web.Hosting;

/// <summary>Whose request it is, bound as an endpoint's parameter from the signed-in cookie.</summary>
public sealed record CurrentTenant(Tenant Tenant)
{
    public const string HouseholdClaim = "household";

    public static implicit operator Tenant(CurrentTenant current) => current.Tenant;

    public static ValueTask<CurrentTenant?> BindAsync(HttpContext context) =>
        ValueTask.FromResult(
            Guid.TryParse(context.User.FindFirstValue(ClaimTypes.NameIdentifier), out var account)
            && Guid.TryParse(context.User.FindFirstValue(HouseholdClaim), out var household)
                ? new CurrentTenant(new Tenant(account, household))
                : null
        );
}

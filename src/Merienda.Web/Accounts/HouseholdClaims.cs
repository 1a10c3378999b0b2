using System.Security.Claims;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;

namespace Merienda.Web.Accounts;

/// <summary>Adds the household to the signed-in identity, at sign-in and whenever the framework renews it.</summary>
public sealed class HouseholdClaims(UserManager<Account> users, IOptions<IdentityOptions> options, HouseholdStore households)
    : UserClaimsPrincipalFactory<Account>(users, options)
{
    protected override async Task<ClaimsIdentity> GenerateClaimsAsync(Account user)
    {
        var identity = await base.GenerateClaimsAsync(user);
        if (await households.HouseholdsOf(user.Id) is [var household, ..])
        {
            identity.AddClaim(new Claim(CurrentTenant.HouseholdClaim, household.ToString()));
        }

        return identity;
    }
}

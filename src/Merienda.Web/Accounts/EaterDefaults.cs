using Merienda.Storage;

namespace Merienda.Web.Accounts;

/// <summary>A new eater: no protocol and no allowance, because what somebody may have is asked, never assumed.</summary>
public static class EaterDefaults
{
    public static EaterSettings Named(string name) =>
        new(
            Guid.CreateVersion7(),
            name,
            [],
            [],
            [new("breakfast", 0.25m, true), new("lunch", 0.30m, true), new("merienda", 0.15m, true), new("supper", 0.30m, true)]
        );
}

using System.Text.Json;
using Merienda.Core.Groups.Filling;
using Merienda.Solving;
using Merienda.Web.Weeks.Solving;

namespace Merienda.Web.Groups;

/// <summary>Fills and mends menus, in a process of its own.</summary>
public sealed class MenuOrders(IConfiguration configuration, ILogger<MenuOrders> logger) : IDisposable
{
    /// <summary>The first argument of a process that fills menus.</summary>
    public const string Role = "menu";

    // Tests look at the solver itself, in their own process.
    private readonly AnswerProcess<MenuAnswer>? _process = configuration.GetValue("Solving:Apart", true) ? new(Role, logger) : null;

    /// <summary>The best that was found; null where the search gave no answer.</summary>
    public async Task<MenuAnswer?> Of(MenuQuestion question) =>
        _process is null
            ? await Task.Run(() => MenuSolver.Solve(question))
            : (await _process.Ask(JsonSerializer.Serialize(question, AnswerRole.Json)))?.Answer;

    public void Dispose() => _process?.Dispose();
}

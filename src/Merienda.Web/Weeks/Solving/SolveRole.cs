using Merienda.Web.Hosting;

namespace Merienda.Web.Weeks.Solving;

/// <summary>The program as one that solves: it serves nobody, looks for jobs, and ends when its input does.</summary>
public static class SolveRole
{
    public static async Task Run(string[] args)
    {
        var builder = Host.CreateApplicationBuilder(args);
        builder.Services.AddStores(builder.Configuration);
        builder.Services.AddHostedService<SolveWorker>();
        using var host = builder.Build();
        await host.Services.LoadKnowledge();
        await host.StartAsync();
        var (bell, life) = (host.Services.GetRequiredService<SolveBell>(), host.Services.GetRequiredService<IHostApplicationLifetime>());
        while (!life.ApplicationStopping.IsCancellationRequested && await Next(life.ApplicationStopping))
        {
            bell.Ring();
        }

        await host.StopAsync();
    }

    /// <summary>Whether there is another line; false when whoever started this process is gone.</summary>
    private static async Task<bool> Next(CancellationToken stop)
    {
        try
        {
            return await Task.Run(Console.In.ReadLine, stop).WaitAsync(stop) is not null;
        }
        catch (OperationCanceledException)
        {
            return false;
        }
    }
}

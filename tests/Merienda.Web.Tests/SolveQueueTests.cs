using Merienda.Core.Filling;
using Merienda.Storage;
using Microsoft.AspNetCore.Hosting;
using Microsoft.Extensions.DependencyInjection;

namespace Merienda.Web.Tests;

/// <summary>A database with nobody at work in it: the tests are the workers.</summary>
public sealed class IdleDatabase : TestDatabase
{
    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        base.ConfigureWebHost(builder);
        builder.UseSetting("Demo", "false");
        builder.UseSetting("Solving:Apart", "true");
        builder.UseSetting("Solving:Workers", "0");
    }
}

/// <summary>How jobs go from hand to hand: no two workers have one, and none is lost when a worker is.</summary>
public class SolveQueueTests(IdleDatabase database) : IClassFixture<IdleDatabase>
{
    private static readonly DateOnly Week = ThisWeek.Start.AddDays(7);

    private SolveJobs Jobs => database.Services.GetRequiredService<SolveJobs>();

    private async Task<(Tenant Tenant, SolveJob Job)> Asked()
    {
        var tenant = await database.TenantOf(await database.SignUp());
        return (tenant, await Jobs.Ask(tenant, Week, SolveKind.Fill, "{}"));
    }

    /// <summary>As if its worker had said nothing for longer than it may.</summary>
    private Task Silence(Guid job) =>
        TestDatabase.Ask<object>(
            database.Owner,
            $"update solve_queue set leased_until = now() - interval '1 second' where job_id = '{job}'"
        );

    private async Task<ClaimedJob> Claim(Guid job)
    {
        var claimed = await Jobs.Claim();
        Assert.Equal(job, claimed?.Id);
        return claimed!;
    }

    [Fact]
    public async Task A_job_goes_from_hand_to_hand()
    {
        var (tenant, job) = await Asked();
        var claims = await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => Jobs.Claim()));
        var first = Assert.Single(claims.OfType<ClaimedJob>());
        Assert.Equal((job.Id, 1), (first.Id, first.Tries));
        Assert.Equal(SolveState.Running, (await Jobs.Begin(first))!.State);
        Assert.Equal((true, false), await Jobs.Live(first));

        // Nobody else gets it while its worker lives; when that one is silent, the next one does, and the first has lost it.
        Assert.Null(await Jobs.Claim());
        await Silence(job.Id);
        var second = await Claim(job.Id);
        Assert.Equal(2, second.Tries);
        Assert.Equal((false, false), await Jobs.Live(first));
        var found = new SolveFound(
            [new(FillGoal.Covered, 0, 0, 1)],
            WeekChange.Nothing,
            ["nothing is unmet"],
            [new("Ilse, Sunday", [new("Fat")])]
        );
        Assert.False(await Jobs.Report(first, found));
        await Jobs.Finish(first, SolveState.Failed, SolveFound.Nothing);
        Assert.Equal((SolveState.Running, 0), (await Jobs.Read(tenant, Week) is { } now ? (now.State, now.Revision) : default));

        Assert.True(await Jobs.Report(second, found));
        var told = (await Jobs.Read(tenant, Week))!;
        Assert.Equal((1, "nothing is unmet"), (told.Revision, told.Found.Unmet.Single()));
        Assert.Equal(found.Levels, told.Found.Levels);
        Assert.Equal("Fat", told.Found.Explained.Single().Reasons.Single().Says);

        await Jobs.Stop(tenant, Week);
        Assert.Equal((true, true), await Jobs.Live(second));
        await Jobs.Finish(second, SolveState.Done, found);
        Assert.Equal(SolveState.Done, (await Jobs.Read(tenant, Week))!.State);
        Assert.Null(await Jobs.Claim());
    }

    [Fact]
    public async Task A_worker_that_goes_home_gives_its_job_back_at_once_and_one_that_nobody_wants_is_gone()
    {
        var (tenant, job) = await Asked();
        var first = await Claim(job.Id);
        await Jobs.Release(first);
        var second = await Claim(job.Id);
        Assert.Equal(1, second.Tries);

        var newer = await Jobs.Ask(tenant, Week, SolveKind.Mend, "{}");
        Assert.Null(await Jobs.Begin(second));
        Assert.Equal((false, false), await Jobs.Live(second));
        var third = await Claim(newer.Id);
        await Jobs.Forget(tenant, Week);
        Assert.Null(await Jobs.Read(tenant, Week));
        Assert.Equal((false, false), await Jobs.Live(third));
        Assert.Null(await Jobs.Claim());
    }

    [Fact]
    public async Task A_job_of_an_earlier_version_of_the_program_is_none()
    {
        var (tenant, job) = await Asked();
        await TestDatabase.Ask<object>(
            database.Owner,
            $"select set_config('app.household_id', '{tenant.Household}', false); update solve_job set levels = '[{{\"Goal\":\"Dreams\"}}]' where id = '{job.Id}'"
        );
        Assert.Null(await Jobs.Read(tenant, Week));
        await Jobs.Forget(tenant, Week);
    }
}

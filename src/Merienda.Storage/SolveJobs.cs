using System.Text.Json;
using System.Text.Json.Serialization;
using Dapper;
using Merienda.Core.Filling;

namespace Merienda.Storage;

public enum SolveKind
{
    Fill,
    Mend,

    /// <summary>Each day of an eater gets a bite more.</summary>
    More,

    /// <summary>Each day of an eater gets a bite less.</summary>
    Less,
}

public enum SolveState
{
    Waiting,
    Running,
    Done,
    Failed,
}

/// <summary>How far a search has come.</summary>
/// <param name="Unmet">What the best one leaves unmet, in sentences.</param>
/// <param name="Explained">Why some meals can't be covered.</param>
public sealed record SolveFound(
    IReadOnlyList<FillLevel> Levels,
    WeekChange Change,
    IReadOnlyList<string> Unmet,
    IReadOnlyList<Explanation> Explained
)
{
    public static readonly SolveFound Nothing = new([], WeekChange.Nothing, [], []);
}

/// <summary>A week that a search fills or mends.</summary>
/// <param name="Asked">As it was asked, JSON of whoever asks.</param>
/// <param name="Problem">Why nothing can be found; empty when nothing is wrong.</param>
/// <param name="Revision">Rises with everything that is found.</param>
public sealed record SolveJob(
    Guid Id,
    DateOnly WeekStart,
    SolveKind Kind,
    string Asked,
    SolveState State,
    bool IsStopping,
    SolveFound Found,
    string Problem,
    int Revision
);

/// <summary>A job that a worker has taken, and whom it works for.</summary>
/// <param name="Tries">How many workers have had it, this one included.</param>
public sealed record ClaimedJob(Guid Id, Tenant Tenant, int Tries);

/// <summary>
/// Searches that run apart from requests. A job is no edit: nothing of the week changes before somebody takes what it found. Workers find
/// their next one in a queue of ids and hold it for a short time only, so that another one goes on when a process dies.
/// </summary>
public sealed class SolveJobs(Database database)
{
    /// <summary>How long a worker that says nothing keeps a job, s.</summary>
    private const int Lease = 12;

    private static readonly JsonSerializerOptions Json = new()
    {
        IgnoreReadOnlyProperties = true,
        Converters = { new JsonStringEnumConverter() },
    };

    private sealed record Row(
        Guid Id,
        DateOnly WeekStart,
        string Kind,
        string Asked,
        string State,
        bool IsStopping,
        string Levels,
        string Found,
        string Unmet,
        string Explained,
        string Problem,
        int Revision
    );

    private const string Columns =
        "id, week_start, kind, asked::text, state, is_stopping, levels::text, found::text, unmet::text, explained::text, problem, revision";

    /// <summary>The newest of a week; null when none is there.</summary>
    public static Reading<SolveJob?> Of(DateOnly week) =>
        Reading.Of(
            $"select {Columns} from solve_job where week_start = @solvedWeek order by asked_at desc limit 1;",
            new { solvedWeek = week },
            async rows => await rows.ReadSingleOrDefaultAsync<Row?>() is { } row ? ToJob(row) : null
        );

    /// <summary>One that is taken is over: what it proposed is planned.</summary>
    internal static Reading<bool> Over(Guid job) =>
        Reading.Of("delete from solve_job where id = @jobOver;", new { jobOver = job }, _ => Task.FromResult(true));

    public Task<SolveJob?> Read(Tenant tenant, DateOnly week) => database.Read(tenant, Of(week));

    /// <summary>Asks for a search; what was sought of the week before is forgotten.</summary>
    /// <summary>What was done when a proposal was taken, for the journal.</summary>
    /// <param name="meals">That were changed.</param>
    internal static string SaysTaken(SolveKind kind, int meals) =>
        kind switch
        {
            SolveKind.Fill => "Filled",
            SolveKind.Mend => "Mended",
            SolveKind.More => "Added a bite to",
            _ => "Left the bite out of",
        } + $" {meals} {(meals == 1 ? "meal" : "meals")}";

    public Task<SolveJob> Ask(Tenant tenant, DateOnly week, SolveKind kind, string asked) =>
        database.Write(
            tenant,
            Reading.Of(
                $"""
                delete from solve_job where week_start = @askedWeek;
                insert into solve_job (household_id, id, week_start, kind, asked, state, found)
                values (app_household(), @askedJob, @askedWeek, @kind, @asked::jsonb, '{SolveState.Waiting}', @nothing::jsonb)
                returning {Columns};
                insert into solve_queue (job_id, household_id, account_id) values (@askedJob, app_household(), app_account());
                """,
                new
                {
                    askedWeek = week,
                    askedJob = Guid.CreateVersion7(),
                    kind = kind.ToString(),
                    asked,
                    nothing = JsonSerializer.Serialize(WeekChange.Nothing, Json),
                },
                async rows => ToJob(await rows.ReadSingleAsync<Row>())!
            )
        );

    /// <summary>Ends a search with what it has found so far.</summary>
    public Task<SolveJob?> Stop(Tenant tenant, DateOnly week) =>
        database.Write(
            tenant,
            Reading
                .Of(
                    "update solve_job set is_stopping = true where week_start = @stoppedWeek;",
                    new { stoppedWeek = week },
                    _ => Task.FromResult(true)
                )
                .And(Of(week))
                .Select(stopped => stopped.Second)
        );

    /// <summary>Forgets what was sought of a week; a worker that is at it notices.</summary>
    public Task<bool> Forget(Tenant tenant, DateOnly week) =>
        database.Write(
            tenant,
            Reading.Of("delete from solve_job where week_start = @forgotten;", new { forgotten = week }, _ => Task.FromResult(true))
        );

    /// <summary>The next job that no living worker has; null when there is none.</summary>
    public Task<ClaimedJob?> Claim() =>
        database.Unscoped(async connection =>
            await connection.QuerySingleOrDefaultAsync<(Guid Id, Guid Household, Guid Account, int Tries)?>(
                $"""
                update solve_queue set leased_until = now() + interval '{Lease} seconds', tries = tries + 1
                where job_id = (
                    select job_id from solve_queue where leased_until is null or leased_until < now()
                    order by queued_at limit 1 for update skip locked)
                returning job_id, household_id, account_id, tries
                """
            )
                is { } row
                ? new ClaimedJob(row.Id, new(row.Account, row.Household), row.Tries)
                : null
        );

    /// <summary>Gives a job back, so that the next worker need not wait.</summary>
    public Task Release(ClaimedJob job) =>
        database.Unscoped(connection =>
            connection.ExecuteAsync(
                "update solve_queue set leased_until = null, tries = tries - 1 where job_id = @Id and tries = @Tries",
                new { job.Id, job.Tries }
            )
        );

    /// <summary>What is to be done; null when nobody wants it any more.</summary>
    public Task<SolveJob?> Begin(ClaimedJob job) =>
        database.Write(
            job.Tenant,
            Reading.Of(
                $"update solve_job set state = '{SolveState.Running}' where id = @begun returning {Columns};",
                new { begun = job.Id },
                async rows => await rows.ReadSingleOrDefaultAsync<Row?>() is { } row ? ToJob(row) : null
            )
        );

    /// <summary>Says that the worker lives.</summary>
    /// <returns>Whether it should go on: not when somebody stopped it, forgot it, or another worker has it.</returns>
    public Task<(bool IsMine, bool IsStopping)> Live(ClaimedJob job) =>
        database.Write(
            job.Tenant,
            Reading.Of(
                $"""
                update solve_queue set leased_until = now() + interval '{Lease} seconds' where job_id = @living and tries = @tries;
                select is_stopping from solve_job where id = @living
                and exists (select 1 from solve_queue where job_id = @living and tries = @tries);
                """,
                new { living = job.Id, tries = job.Tries },
                async rows => await rows.ReadSingleOrDefaultAsync<bool?>() is { } isStopping ? (true, isStopping) : (false, false)
            )
        );

    /// <summary>Keeps the best so far.</summary>
    public Task<bool> Report(ClaimedJob job, SolveFound found) => Write(job, SolveState.Running, found, "");

    /// <summary>Keeps what was found, and ends the job.</summary>
    public async Task Finish(ClaimedJob job, SolveState state, SolveFound found, string problem = "")
    {
        if (await Write(job, state, found, problem))
        {
            await database.Unscoped(connection =>
                connection.ExecuteAsync("delete from solve_queue where job_id = @Id and tries = @Tries", new { job.Id, job.Tries })
            );
        }
    }

    private Task<bool> Write(ClaimedJob job, SolveState state, SolveFound found, string problem) =>
        database.Write(
            job.Tenant,
            Reading.Of(
                """
                update solve_job set state = @state, levels = @levels::jsonb, found = @found::jsonb, unmet = @unmet::jsonb,
                    explained = @explained::jsonb, problem = @problem, revision = revision + 1
                where id = @written and exists (select 1 from solve_queue where job_id = @written and tries = @tries)
                returning true;
                """,
                new
                {
                    written = job.Id,
                    tries = job.Tries,
                    state = state.ToString(),
                    levels = JsonSerializer.Serialize(found.Levels, Json),
                    found = JsonSerializer.Serialize(found.Change, Json),
                    unmet = JsonSerializer.Serialize(found.Unmet, Json),
                    explained = JsonSerializer.Serialize(found.Explained, Json),
                    problem,
                },
                async rows => await rows.ReadSingleOrDefaultAsync<bool>()
            )
        );

    /// <summary>One that an earlier version of the program wrote in words of its own is none.</summary>
    private static SolveJob? ToJob(Row row)
    {
        try
        {
            return Read(row);
        }
        catch (Exception error) when (error is JsonException or ArgumentException)
        {
            return null;
        }
    }

    private static SolveJob Read(Row row) =>
        new(
            row.Id,
            row.WeekStart,
            Enum.Parse<SolveKind>(row.Kind),
            row.Asked,
            Enum.Parse<SolveState>(row.State),
            row.IsStopping,
            new(
                JsonSerializer.Deserialize<IReadOnlyList<FillLevel>>(row.Levels, Json)!,
                JsonSerializer.Deserialize<WeekChange>(row.Found, Json)!,
                JsonSerializer.Deserialize<IReadOnlyList<string>>(row.Unmet, Json)!,
                JsonSerializer.Deserialize<IReadOnlyList<Explanation>>(row.Explained, Json)!
            ),
            row.Problem,
            row.Revision
        );
}

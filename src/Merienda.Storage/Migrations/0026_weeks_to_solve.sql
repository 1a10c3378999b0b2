create table solve_job (
    household_id uuid not null constraint solve_job_household references household on delete cascade,
    id           uuid not null,
    week_start   date not null,
    kind         text not null constraint solve_job_kind check (kind in ('Fill', 'Mend')),
    asked        jsonb not null,
    asked_at     timestamptz not null default now(),
    state        text not null constraint solve_job_state check (state in ('Waiting', 'Running', 'Done', 'Failed')),
    is_stopping  boolean not null default false,
    levels       jsonb not null default '[]',
    found        jsonb not null,
    unmet        jsonb not null default '[]',
    problem      text not null default '',
    revision     integer not null default 0,
    constraint solve_job_key primary key (household_id, id)
);
comment on table solve_job is 'A week that is filled or mended by a search: what was asked, and the best found so far until somebody takes it.';
comment on column solve_job.is_stopping is 'Somebody wants what is found so far.';
comment on column solve_job.found is 'The change of the week that it proposes.';
comment on column solve_job.revision is 'Rises with everything that is found.';
create index solve_job_week on solve_job (household_id, week_start);

alter table solve_job enable row level security;
alter table solve_job force row level security;
create policy own_household on solve_job using (household_id = app_household()) with check (household_id = app_household());

create table solve_queue (
    job_id       uuid not null constraint solve_queue_key primary key,
    household_id uuid not null,
    account_id   uuid not null,
    queued_at    timestamptz not null default now(),
    leased_until timestamptz,
    tries        integer not null default 0,
    constraint solve_queue_job foreign key (household_id, job_id) references solve_job on delete cascade
);
comment on table solve_queue is 'Jobs that wait for a worker, of all households: ids only, so that a worker finds its next one without seeing a row of anybody.';
comment on column solve_queue.account_id is 'Who asked; the worker enters the household as that one.';
comment on column solve_queue.leased_until is 'A worker has it until then and asks for more while it lives; one that is over is free again.';

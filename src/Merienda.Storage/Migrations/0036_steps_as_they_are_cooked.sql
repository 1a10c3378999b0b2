create table step_run (
    household_id uuid not null references household on delete cascade,
    batch_id     uuid not null,
    task_id      text not null constraint step_run_task_length check (char_length(task_id) between 1 and 120),
    put_minute   integer constraint step_run_put_range check (put_minute between 0 and 2880),
    hands_off_at timestamptz,
    until_at     timestamptz,
    done_at      timestamptz,
    is_skipped   boolean not null default false,
    constraint step_run_key primary key (household_id, batch_id, task_id),
    constraint step_run_batch foreign key (household_id, batch_id) references batch on delete cascade,
    constraint step_run_runs_on check (num_nonnulls(hands_off_at, until_at) in (0, 2) and until_at >= hands_off_at),
    constraint step_run_says_something check (put_minute is not null or hands_off_at is not null or done_at is not null)
);
comment on table step_run is 'Where a cook put a step of a session, and when it really went on by itself and was done.';
comment on column step_run.put_minute is 'Minutes after the session''s start at which it is to begin; null where the order decides.';
comment on column step_run.until_at is 'When what goes on by itself is over, as it is known now.';

alter table step_run enable row level security;
alter table step_run force row level security;
create policy own_household on step_run using (household_id = app_household()) with check (household_id = app_household());

-- A day's energy by one bite more or less is sought and proposed like a week that is filled.
alter table solve_job
    drop constraint solve_job_kind,
    add constraint solve_job_kind check (kind in ('Fill', 'Mend', 'More', 'Less'));

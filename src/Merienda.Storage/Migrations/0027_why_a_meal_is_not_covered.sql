alter table solve_job add column explained jsonb not null default '[]';
comment on column solve_job.explained is 'For meals that nothing covers: rules, wishes and things that contradict each other, each proven to be needed.';

comment on column solve_job.explained is 'Why a meal stays empty: rules, wishes and other things of which at least one has to give way.';

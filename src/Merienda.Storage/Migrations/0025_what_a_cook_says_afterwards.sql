create table cook_remark (
    household_id uuid not null,
    batch_id     uuid not null,
    task_id      text not null constraint cook_remark_task_length check (char_length(task_id) <= 120),
    took_minutes integer constraint cook_remark_took_minutes_range check (took_minutes between 1 and 1440),
    note         text not null constraint cook_remark_note_length check (char_length(note) <= 400),
    constraint cook_remark_key primary key (household_id, batch_id, task_id),
    constraint cook_remark_batch foreign key (household_id, batch_id) references batch on delete cascade,
    constraint cook_remark_says_something check (took_minutes is not null or note <> '')
);
comment on table cook_remark is 'What a batch taught: how long a step really took, and what to do otherwise next time.';
comment on column cook_remark.task_id is 'A step of the session; empty for the whole dish.';
comment on column cook_remark.took_minutes is 'From its start to its end.';

alter table cook_remark enable row level security;
alter table cook_remark force row level security;
create policy own_household on cook_remark using (household_id = app_household()) with check (household_id = app_household());

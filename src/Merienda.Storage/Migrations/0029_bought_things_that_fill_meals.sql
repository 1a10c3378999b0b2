create table ready_choice (
    household_id uuid not null constraint ready_choice_household references household,
    id           uuid not null,
    position     smallint not null,
    line         text not null constraint ready_choice_line_length check (char_length(line) between 1 and 120),
    meal         text,
    most_a_week  integer not null constraint ready_choice_most_range check (most_a_week between 1 and 50),
    constraint ready_choice_key primary key (household_id, id)
);
comment on table ready_choice is 'Bought things that a search may put on a meal as they are.';
comment on column ready_choice.line is 'As an ingredient line, with its amount: it is read anew each time, so that a packet that comes later counts.';
comment on column ready_choice.meal is 'Key of the meal that it is for; null for any. A meal that is no more is for nothing.';
comment on column ready_choice.most_a_week is 'For everybody together.';

alter table ready_choice enable row level security;
alter table ready_choice force row level security;
create policy own_household on ready_choice using (household_id = app_household()) with check (household_id = app_household());

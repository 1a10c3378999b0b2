-- Which version of a group's menu was put on which week: where it came from stays to be seen, and a later correction is offered.
create table menu_taken (
    household_id uuid not null references household on delete cascade,
    week_start   date not null,
    group_id     uuid not null,
    menu_id      uuid not null,
    number       integer not null constraint menu_taken_from_one check (number >= 1),
    taken_at     timestamptz not null,
    constraint menu_taken_key primary key (household_id, week_start, group_id, menu_id)
);
comment on table menu_taken is 'The group''s rows are the group''s: nothing refers to them, so that what was taken stays when they go.';

alter table menu_taken enable row level security;
alter table menu_taken force row level security;
create policy own_household on menu_taken using (household_id = app_household()) with check (household_id = app_household());

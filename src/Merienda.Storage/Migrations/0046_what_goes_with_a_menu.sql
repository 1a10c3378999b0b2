-- What was taken over of the things that go with a group's menus, so that a newer one is told from an own one.
create table enclosed_taken (
    household_id uuid not null references household on delete cascade,
    group_id     uuid not null,
    kind         text not null constraint enclosed_taken_kind_known check (kind in ('Protocol', 'Packet', 'Word', 'Price')),
    name         text not null constraint enclosed_taken_name_length check (char_length(name) between 1 and 300),
    print        text not null constraint enclosed_taken_print_length check (char_length(print) = 64),
    taken_at     timestamptz not null,
    constraint enclosed_taken_key primary key (household_id, group_id, kind, name)
);
comment on table enclosed_taken is 'The group''s rows are the group''s: nothing refers to them, so that what was taken stays when they go.';
comment on column enclosed_taken.print is 'SHA-256 of all that it said then, as it is held against what the group and the own kitchen have now.';

alter table enclosed_taken enable row level security;
alter table enclosed_taken force row level security;
create policy own_household on enclosed_taken using (household_id = app_household()) with check (household_id = app_household());

-- What a group's recipe said when it was taken home, and what it became there: a corrected one is told from an own one.
create table recipe_taken (
    household_id      uuid not null references household on delete cascade,
    group_id          uuid not null,
    name              text not null constraint recipe_taken_name_length check (char_length(name) between 1 and 200),
    print             text not null constraint recipe_taken_print_length check (char_length(print) = 64),
    recipe_version_id uuid not null,
    taken_at          timestamptz not null,
    constraint recipe_taken_key primary key (household_id, group_id, name),
    constraint recipe_taken_version foreign key (household_id, recipe_version_id) references recipe_version on delete cascade
);
comment on table recipe_taken is 'The group''s rows are the group''s: nothing refers to them, so that what was taken stays when they go.';
comment on column recipe_taken.print is 'SHA-256 of the recipe as it was published, with those that it uses.';
comment on column recipe_taken.recipe_version_id is 'What it became at home: a recipe with another version by now was changed there.';

alter table recipe_taken enable row level security;
alter table recipe_taken force row level security;
create policy own_household on recipe_taken using (household_id = app_household()) with check (household_id = app_household());

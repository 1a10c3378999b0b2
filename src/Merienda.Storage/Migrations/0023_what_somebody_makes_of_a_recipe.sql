create table eater_dish (
    household_id uuid not null,
    eater_id     uuid not null,
    recipe_id    uuid not null,
    part         text not null constraint eater_dish_part_length check (char_length(part) <= 60),
    constraint eater_dish_key primary key (household_id, eater_id, recipe_id, part),
    constraint eater_dish_eater foreign key (household_id, eater_id) references eater,
    constraint eater_dish_recipe foreign key (household_id, recipe_id) references recipe
);
comment on table eater_dish is 'Dishes that an eater does not like.';
comment on column eater_dish.part is 'A part by its name, so that it outlives versions; empty for the whole dish.';

create table recipe_collection (
    household_id uuid not null,
    recipe_id    uuid not null,
    name         text not null constraint recipe_collection_name_length check (char_length(name) between 1 and 40),
    constraint recipe_collection_key primary key (household_id, recipe_id, name),
    constraint recipe_collection_recipe foreign key (household_id, recipe_id) references recipe
);
comment on table recipe_collection is 'The collections that a recipe is in; a collection is there while a recipe is in it.';

create table library_filter (
    household_id uuid not null constraint library_filter_household references household,
    name         text not null constraint library_filter_name_length check (char_length(name) between 1 and 40),
    query        text not null constraint library_filter_query_length check (char_length(query) between 1 and 400),
    constraint library_filter_key primary key (household_id, name)
);
comment on table library_filter is 'What was looked for in the library and is looked for again.';
comment on column library_filter.query is 'As it stands in the address of the library.';

do $$
declare
    tenant text;
begin
    foreach tenant in array array['eater_dish', 'recipe_collection', 'library_filter']
    loop
        execute format('alter table %I enable row level security', tenant);
        execute format('alter table %I force row level security', tenant);
        execute format('create policy own_household on %I using (household_id = app_household()) with check (household_id = app_household())', tenant);
    end loop;
end
$$;

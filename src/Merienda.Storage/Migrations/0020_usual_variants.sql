create table eater_variant (
    household_id uuid not null,
    eater_id     uuid not null,
    recipe_id    uuid not null,
    variant      text not null constraint eater_variant_length check (char_length(variant) between 1 and 60),
    constraint eater_variant_key primary key (household_id, eater_id, recipe_id),
    constraint eater_variant_eater foreign key (household_id, eater_id) references eater,
    constraint eater_variant_recipe foreign key (household_id, recipe_id) references recipe
);
comment on table eater_variant is 'The variant of a recipe that is made for an eater; by name, so that it outlives the recipe''s versions.';

alter table eater_variant enable row level security;
alter table eater_variant force row level security;
create policy own_household on eater_variant using (household_id = app_household()) with check (household_id = app_household());

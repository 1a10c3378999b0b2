create table recipe_variant (
    household_id      uuid not null,
    recipe_version_id uuid not null,
    position          integer not null,
    name              text not null constraint recipe_variant_name_length check (char_length(name) between 1 and 60),
    constraint recipe_variant_key primary key (household_id, recipe_version_id, position),
    constraint recipe_variant_name_unique unique (household_id, recipe_version_id, name),
    constraint recipe_variant_version foreign key (household_id, recipe_version_id) references recipe_version
);

create table recipe_variant_change (
    household_id      uuid not null,
    recipe_version_id uuid not null,
    variant           integer not null,
    position          integer not null,
    line_id           uuid,
    part              text,
    times             numeric(7, 4) not null constraint recipe_variant_change_times_range check (times between 0 and 10),
    constraint recipe_variant_change_of_one check (num_nonnulls(line_id, part) = 1),
    constraint recipe_variant_change_key primary key (household_id, recipe_version_id, variant, position),
    constraint recipe_variant_change_variant foreign key (household_id, recipe_version_id, variant) references recipe_variant,
    constraint recipe_variant_change_line foreign key (household_id, recipe_version_id, line_id)
        references recipe_line (household_id, recipe_version_id, line_id)
);
comment on column recipe_variant_change.times is 'Zero leaves the line or the part out.';

alter table recipe_line add column variant integer;
alter table recipe_line add column instead_of uuid;
alter table recipe_line add constraint recipe_line_variant foreign key (household_id, recipe_version_id, variant) references recipe_variant;
alter table recipe_line add constraint recipe_line_instead_of foreign key (household_id, recipe_version_id, instead_of)
    references recipe_line (household_id, recipe_version_id, line_id);
alter table recipe_line add constraint recipe_line_instead_in_variant check (instead_of is null or variant is not null);
comment on column recipe_line.variant is 'A line that only this variant has; null for the recipe''s own.';
comment on column recipe_line.instead_of is 'The line of the recipe that it stands for; null for one more.';

do $$
declare
    tenant text;
begin
    foreach tenant in array array['recipe_variant', 'recipe_variant_change']
    loop
        execute format('alter table %I enable row level security', tenant);
        execute format('alter table %I force row level security', tenant);
        execute format('create policy own_household on %I using (household_id = app_household()) with check (household_id = app_household())', tenant);
        execute format('revoke update, delete on %I from merienda_app', tenant);
    end loop;
end
$$;

create table picture (
    household_id uuid not null constraint picture_household references household,
    id           uuid not null,
    large        bytea not null constraint picture_large_size check (octet_length(large) between 1 and 5000000),
    small        bytea not null constraint picture_small_size check (octet_length(small) between 1 and 1000000),
    created_at   timestamptz not null,
    created_by   uuid not null constraint picture_account references account,
    constraint picture_key primary key (household_id, id)
);
comment on table picture is 'JPEG, upright, without metadata; never changed, so that a browser may keep it for good.';

create table recipe_picture (
    household_id uuid not null,
    recipe_id    uuid not null,
    picture_id   uuid not null,
    constraint recipe_picture_key primary key (household_id, recipe_id),
    constraint recipe_picture_recipe foreign key (household_id, recipe_id) references recipe,
    constraint recipe_picture_picture foreign key (household_id, picture_id) references picture
);
comment on table recipe_picture is 'What a recipe looks like; a picture that was taken away stays, so that it can be put back.';

do $$
declare
    tenant text;
begin
    foreach tenant in array array['picture', 'recipe_picture']
    loop
        execute format('alter table %I enable row level security', tenant);
        execute format('alter table %I force row level security', tenant);
        execute format('create policy own_household on %I using (household_id = app_household()) with check (household_id = app_household())', tenant);
    end loop;
end
$$;

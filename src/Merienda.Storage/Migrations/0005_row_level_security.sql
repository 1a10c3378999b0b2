-- Forced, so that not even the owner of the tables slips past; a transaction without a household sees no row.

do $$
declare
    tenant text;
begin
    foreach tenant in array array['eater', 'eater_meal', 'eater_protocol', 'allowance', 'recipe', 'recipe_version', 'recipe_line', 'recipe_task',
                                  'prep_session', 'batch', 'serving', 'container', 'shop_tick', 'task_tick', 'journal']
    loop
        execute format('alter table %I enable row level security', tenant);
        execute format('alter table %I force row level security', tenant);
        execute format('create policy own_household on %I using (household_id = app_household()) with check (household_id = app_household())', tenant);
    end loop;
end
$$;

alter table household enable row level security;
alter table household force row level security;
create policy own_household on household using (id = app_household()) with check (id = app_household());

-- An account sees where it belongs before it has chosen a household; it joins only the household of the transaction.
alter table household_member enable row level security;
alter table household_member force row level security;
create policy own_membership on household_member using (household_id = app_household() or account_id = app_account()) with check (household_id = app_household());

alter default privileges in schema public grant select, insert, update, delete on tables to merienda_app;
grant usage on schema public to merienda_app;
grant select, insert, update, delete on all tables in schema public to merienda_app;
revoke insert, update, delete on food_version, protocol_version, points_scheme_version from merienda_app;
revoke update, delete on recipe_version, recipe_line, recipe_task from merienda_app;
revoke all on schemaversions from merienda_app;

-- A household says on which day its week begins, which meals a day has and when it cooks; a session knows the week it is cooked for.

do $$
declare
    tenant text;
begin
    foreach tenant in array array['household', 'eater_meal', 'serving', 'recipe_version', 'prep_session', 'household_protocol_version']
    loop
        execute format('alter table %I no force row level security', tenant);
    end loop;
end
$$;

alter table household add column first_day integer not null default 0 constraint household_first_day_range check (first_day between 0 and 6);
alter table household alter column first_day drop default;
comment on column household.first_day is 'Weekday on which its week begins, 0 for Sunday.';

create table meal_slot (
    household_id uuid not null constraint meal_slot_household references household,
    key          text not null constraint meal_slot_key_length check (char_length(key) between 1 and 60),
    name         text not null constraint meal_slot_name_length check (char_length(name) between 1 and 40),
    role         text not null constraint meal_slot_role_known check (role in ('Breakfast', 'Lunch', 'Bite', 'Supper')),
    usual_time   time not null,
    position     integer not null,
    is_former    boolean not null,
    constraint meal_slot_key primary key (household_id, key)
);
comment on table meal_slot is 'A meal of the household''s days.';
comment on column meal_slot.role is 'What it is for rules that name a meal.';
comment on column meal_slot.is_former is 'Planned no more; what stood in it stays.';
insert into meal_slot (household_id, key, name, role, usual_time, position, is_former)
select household.id, usual.key, usual.key, usual.role, usual.at, usual.position, false
from household cross join (values
    ('breakfast', 'Breakfast', time '07:30', 0), ('lunch', 'Lunch', time '12:30', 1), ('merienda', 'Bite', time '16:00', 2), ('supper', 'Supper', time '19:00', 3)
) usual (key, role, at, position);

alter table eater_meal
    drop constraint eater_meal_known,
    add constraint eater_meal_slot foreign key (household_id, meal) references meal_slot;
alter table serving
    drop constraint serving_meal_known,
    add constraint serving_slot foreign key (household_id, meal) references meal_slot;
alter table recipe_version
    drop constraint recipe_meal_known,
    add constraint recipe_version_slot foreign key (household_id, meal) references meal_slot;

-- Rules name what a meal is, not what a household calls it.
update household_protocol_version set content = replace(content::text, '"meal": "merienda"', '"meal": "bite"')::jsonb
where content::text like '%"meal": "merienda"%';

create table prep_day (
    household_id     uuid not null constraint prep_day_household references household,
    weekday          integer not null constraint prep_day_weekday_range check (weekday between 0 and 6),
    starts_at        time not null,
    cooks            integer not null constraint prep_day_cooks_range check (cooks between 1 and 4),
    name             text not null constraint prep_day_name_length check (char_length(name) between 1 and 40),
    eaten_after_days integer not null constraint prep_day_eaten_range check (eaten_after_days between 0 and 6),
    constraint prep_day_key primary key (household_id, weekday)
);
comment on table prep_day is 'A weekday on which the household cooks.';
comment on column prep_day.eaten_after_days is 'Days until the first of it is eaten: the week that day lies in is the one it is cooked for.';
insert into prep_day (household_id, weekday, starts_at, cooks, name, eaten_after_days)
select id, prep_day, time '14:00', 1, 'long session', 1 from household
union all
select id, second_day, time '18:00', 1, 'short session', 1 from household where second_day is not null;
alter table household drop constraint household_two_prep_days, drop column prep_day, drop column second_day;

alter table prep_session
    add column eaten_from date,
    add column starts_at  time,
    add column cooks      integer not null default 1 constraint prep_session_cooks_range check (cooks between 1 and 4),
    add column name       text constraint prep_session_name_length check (char_length(name) between 1 and 40);
update prep_session session
set eaten_from = session.cooked_on + 1,
    starts_at = coalesce(day.starts_at, time '18:00'),
    name = coalesce(day.name, 'prep session')
from prep_session same left join prep_day day on day.household_id = same.household_id and day.weekday = extract(dow from same.cooked_on)
where same.household_id = session.household_id and same.id = session.id;
alter table prep_session
    alter column eaten_from set not null,
    alter column starts_at set not null,
    alter column cooks drop default,
    alter column name set not null,
    add constraint prep_session_eaten_after check (eaten_from between cooked_on - 9 and cooked_on + 9);
comment on column prep_session.eaten_from is 'First day on which something of it is eaten: the week this lies in is the one it is cooked for.';
comment on column prep_session.starts_at is 'Local time of the household.';
create index prep_session_eaten_from on prep_session (household_id, eaten_from);

do $$
declare
    tenant text;
begin
    foreach tenant in array array['meal_slot', 'prep_day']
    loop
        execute format('alter table %I enable row level security', tenant);
        execute format('create policy own_household on %I using (household_id = app_household()) with check (household_id = app_household())', tenant);
    end loop;
    foreach tenant in array array['household', 'eater_meal', 'serving', 'recipe_version', 'prep_session', 'household_protocol_version', 'meal_slot', 'prep_day']
    loop
        execute format('alter table %I force row level security', tenant);
    end loop;
end
$$;

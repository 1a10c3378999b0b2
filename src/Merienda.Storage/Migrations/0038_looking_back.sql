-- Whether a dish is cooked again, said when the week is over.
alter table cook_remark
    add column again boolean,
    drop constraint cook_remark_says_something,
    add constraint cook_remark_says_something check (took_minutes is not null or note <> '' or again is not null),
    add constraint cook_remark_again_of_a_dish check (again is null or task_id = '');
comment on column cook_remark.again is 'Of a whole dish: true for cooked again, false for rather not; null while nobody said.';

-- Body weight is kept only of who turned it on.
create table weighing (
    household_id uuid not null references household on delete cascade,
    eater_id     uuid not null,
    is_pace_seen boolean not null default false,
    constraint weighing_key primary key (household_id, eater_id),
    constraint weighing_eater foreign key (household_id, eater_id) references eater on delete cascade
);
comment on table weighing is 'Whose body weight is kept; turned off, the weights are forgotten.';
comment on column weighing.is_pace_seen is 'Whether it was seen that the weight falls faster than is usual: it is said once.';

create table body_weight (
    household_id uuid not null references household on delete cascade,
    eater_id     uuid not null,
    weighed_on   date not null,
    mass_g       integer not null constraint body_weight_range check (mass_g between 20000 and 400000),
    constraint body_weight_key primary key (household_id, eater_id, weighed_on),
    constraint body_weight_weighing foreign key (household_id, eater_id) references weighing on delete cascade
);

do $$
declare
    tenant text;
begin
    foreach tenant in array array['weighing', 'body_weight']
    loop
        execute format('alter table %I enable row level security', tenant);
        execute format('alter table %I force row level security', tenant);
        execute format('create policy own_household on %I using (household_id = app_household()) with check (household_id = app_household())', tenant);
    end loop;
end
$$;

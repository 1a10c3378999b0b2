create table recipe (
    household_id uuid not null constraint recipe_household references household,
    id           uuid not null,
    archived_at  timestamptz,
    constraint recipe_key primary key (household_id, id)
);

create table recipe_version (
    household_id   uuid not null,
    id             uuid not null,
    recipe_id      uuid not null,
    number         integer not null constraint recipe_version_from_one check (number >= 1),
    name           text not null constraint recipe_name_length check (char_length(name) between 1 and 120),
    portions       numeric(6, 2) not null constraint recipe_portions_range check (portions between 0.25 and 1000),
    meal           text constraint recipe_meal_known check (meal in ('breakfast', 'lunch', 'merienda', 'supper')),
    keeping        text not null,
    reheating      text not null,
    at_eating      text not null,
    measure_system text not null constraint recipe_measure_system_known check (measure_system in ('Metric', 'UnitedStates', 'Imperial', 'Australia')),
    created_at     timestamptz not null,
    created_by     uuid not null constraint recipe_version_author references account,
    constraint recipe_version_key primary key (household_id, id),
    constraint recipe_version_recipe foreign key (household_id, recipe_id) references recipe,
    constraint recipe_version_number_unique unique (household_id, recipe_id, number)
);
comment on table recipe_version is 'Immutable: an edit is a new version, a batch keeps the one it was cooked from.';

create table recipe_line (
    household_id      uuid not null,
    recipe_version_id uuid not null,
    position          integer not null,
    part              text not null,
    text              text not null constraint recipe_line_length check (char_length(text) between 1 and 300),
    food_version_id   uuid constraint recipe_line_food references food_version,
    match_kind        text not null constraint recipe_line_match_known check (match_kind in ('Exact', 'Likely', 'None')),
    is_chosen         boolean not null,
    constraint recipe_line_key primary key (household_id, recipe_version_id, position),
    constraint recipe_line_version foreign key (household_id, recipe_version_id) references recipe_version
);
comment on column recipe_line.food_version_id is 'Null when no food was found: the line counts as unknown.';
comment on column recipe_line.is_chosen is 'True when a person chose the food, false when the words found it.';

create table recipe_task (
    household_id       uuid not null,
    recipe_version_id  uuid not null,
    position           integer not null,
    task_id            text not null,
    text               text not null,
    hands_on_minutes   integer not null constraint recipe_task_hands_on_range check (hands_on_minutes between 0 and 1440),
    unattended_minutes integer not null constraint recipe_task_unattended_range check (unattended_minutes between 0 and 1440),
    appliance          text not null,
    temperature_c      integer constraint recipe_task_temperature_range check (temperature_c between 0 and 350),
    after_tasks        text[] not null,
    constraint recipe_task_key primary key (household_id, recipe_version_id, position),
    constraint recipe_task_id_unique unique (household_id, recipe_version_id, task_id),
    constraint recipe_task_version foreign key (household_id, recipe_version_id) references recipe_version
);

create table prep_session (
    household_id uuid not null constraint prep_session_household references household,
    id           uuid not null,
    cooked_on    date not null,
    constraint prep_session_key primary key (household_id, id),
    constraint prep_session_date_unique unique (household_id, cooked_on)
);
comment on column prep_session.cooked_on is 'Local date of the household.';

create table batch (
    household_id      uuid not null,
    id                uuid not null,
    session_id        uuid not null,
    recipe_version_id uuid not null,
    letter            text not null constraint batch_letter_form check (letter ~ '^[A-Z]{1,2}$'),
    portions          numeric(5, 2) not null constraint batch_portions_range check (portions between 1 and 60),
    constraint batch_key primary key (household_id, id),
    constraint batch_letter_unique unique (household_id, session_id, letter),
    constraint batch_session foreign key (household_id, session_id) references prep_session,
    constraint batch_recipe_version foreign key (household_id, recipe_version_id) references recipe_version
);

create table serving (
    household_id uuid not null,
    id           uuid not null,
    eaten_on     date not null,
    meal         text not null constraint serving_meal_known check (meal in ('breakfast', 'lunch', 'merienda', 'supper')),
    eater_id     uuid not null,
    constraint serving_key primary key (household_id, id),
    constraint serving_place_unique unique (household_id, eaten_on, meal, eater_id),
    constraint serving_eater foreign key (household_id, eater_id) references eater on delete cascade
);
comment on table serving is 'What one eater eats at one meal of one date; containers point to it.';

create table container (
    household_id uuid not null,
    id           uuid not null,
    batch_id     uuid not null,
    number       integer not null constraint container_number_from_one check (number >= 1),
    size         numeric(4, 2) not null constraint container_size_range check (size > 0 and size <= 4),
    serving_id   uuid,
    constraint container_key primary key (household_id, id),
    constraint container_number_unique unique (household_id, batch_id, number) deferrable initially deferred,
    constraint container_batch foreign key (household_id, batch_id) references batch on delete cascade,
    constraint container_serving foreign key (household_id, serving_id) references serving
);
comment on column container.size is 'How many of the recipe''s portions are in it.';
comment on column container.serving_id is 'Null while the portion is loose.';
create index container_by_serving on container (household_id, serving_id);
create index batch_by_session on batch (household_id, session_id);

create table shop_tick (
    household_id uuid not null constraint shop_tick_household references household,
    week_start   date not null,
    item_key     text not null constraint shop_tick_key_length check (char_length(item_key) between 1 and 300),
    constraint shop_tick_key primary key (household_id, week_start, item_key)
);

create table task_tick (
    household_id uuid not null,
    batch_id     uuid not null,
    task_id      text not null,
    constraint task_tick_key primary key (household_id, batch_id, task_id),
    constraint task_tick_batch foreign key (household_id, batch_id) references batch on delete cascade
);

create table journal (
    household_id uuid not null constraint journal_household references household,
    sequence     bigint generated always as identity,
    account_id   uuid not null constraint journal_account references account,
    at           timestamptz not null,
    kind         text not null,
    summary      text not null,
    change       jsonb not null,
    is_undone    boolean not null default false,
    constraint journal_key primary key (household_id, sequence)
);
comment on table journal is 'Who changed what. change holds the rows before and after, which is the inverse that undo applies after checking that the rows are still as left.';

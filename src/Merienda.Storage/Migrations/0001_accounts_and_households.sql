-- Accounts are people who sign in; a household is the tenant. The application connects as merienda_app, which owns nothing and
-- cannot bypass row level security; account and household are set for each transaction.

create function app_household() returns uuid language sql stable as
$$ select nullif(current_setting('app.household_id', true), '')::uuid $$;

create function app_account() returns uuid language sql stable as
$$ select nullif(current_setting('app.account_id', true), '')::uuid $$;

create table account (
    id                  uuid primary key,
    email               text not null constraint account_email_not_empty check (email <> ''),
    normalized_email    text not null constraint account_email_unique unique,
    display_name        text not null constraint account_name_length check (char_length(display_name) between 1 and 80),
    password_hash       text,
    security_stamp      text not null,
    lockout_end         timestamptz,
    access_failed_count integer not null default 0 constraint account_failures_not_negative check (access_failed_count >= 0),
    is_demo             boolean not null default false
);
comment on table account is 'A person who signs in. Not a tenant table: it is read before a household is known.';

create table household (
    id        uuid primary key,
    name      text not null constraint household_name_length check (char_length(name) between 1 and 80),
    time_zone text not null
);

create table household_member (
    household_id uuid not null constraint household_member_household references household,
    account_id   uuid not null constraint household_member_account references account,
    constraint household_member_key primary key (household_id, account_id)
);
create index household_member_by_account on household_member (account_id);

create table eater (
    household_id uuid not null constraint eater_household references household,
    id           uuid not null,
    name         text not null constraint eater_name_length check (char_length(name) between 1 and 40),
    position     integer not null,
    constraint eater_key primary key (household_id, id),
    constraint eater_name_unique unique (household_id, name)
);

create table eater_meal (
    household_id uuid not null,
    eater_id     uuid not null,
    meal         text not null constraint eater_meal_known check (meal in ('breakfast', 'lunch', 'merienda', 'supper')),
    day_share    numeric(4, 3) not null constraint eater_meal_share_range check (day_share between 0 and 1),
    is_from_prep boolean not null,
    constraint eater_meal_key primary key (household_id, eater_id, meal),
    constraint eater_meal_eater foreign key (household_id, eater_id) references eater on delete cascade
);
comment on column eater_meal.day_share is 'Share of the day''s allowance for this meal, 0 to 1.';

create table eater_protocol (
    household_id uuid not null,
    eater_id     uuid not null,
    protocol_id  text not null,
    constraint eater_protocol_key primary key (household_id, eater_id, protocol_id),
    constraint eater_protocol_eater foreign key (household_id, eater_id) references eater on delete cascade
);

create table allowance (
    household_id uuid not null,
    eater_id     uuid not null,
    protocol_id  text not null,
    rule_id      text not null,
    at_least     numeric(9, 2) constraint allowance_at_least_not_negative check (at_least >= 0),
    at_most      numeric(9, 2) constraint allowance_at_most_not_negative check (at_most >= 0),
    constraint allowance_key primary key (household_id, eater_id, protocol_id, rule_id),
    constraint allowance_eater foreign key (household_id, eater_id) references eater on delete cascade,
    constraint allowance_states_something check (at_least is not null or at_most is not null),
    constraint allowance_in_order check (at_least <= at_most)
);
comment on table allowance is 'What an eater stated for a rule, in the rule''s unit. A rule without a row is not stated.';

create table data_protection_key (
    id            bigint generated always as identity primary key,
    friendly_name text not null,
    xml           text not null
);
comment on table data_protection_key is 'Keys of cookies and antiforgery tokens, shared by every instance.';

-- Every protocol for every eater: own protocols with versions, choices, stages, phases, allergies, and the kitchen.

alter table food_version add column fodmaps jsonb;
comment on column food_version.fodmaps is 'Published FODMAP content in g per 100 g with its source; null when nobody published it.';

-- A points scheme is a part of its protocol now.
drop table points_scheme_version;

alter table household
    add column units         text not null default 'metric' constraint household_units_known check (units in ('metric', 'us')),
    add column number_format text not null default 'point' constraint household_number_format_known check (number_format in ('point', 'comma')),
    add column prep_day      smallint not null default 6 constraint household_prep_day_range check (prep_day between 0 and 6),
    add column second_day    smallint default 3 constraint household_second_day_range check (second_day between 0 and 6),
    add column freezer_l     numeric(6, 1) constraint household_freezer_range check (freezer_l between 0 and 2000),
    add constraint household_two_prep_days check (second_day <> prep_day);
comment on column household.prep_day is 'Weekday of the long session, 0 for Sunday; Saturday is the evening before the week.';

alter table eater add column portion_habit numeric(4, 2) not null default 1 constraint eater_portion_habit_range check (portion_habit between 0.25 and 4);
comment on column eater.portion_habit is 'Portions the eater usually takes of a dish.';

alter table allowance add column valid_from date not null default '0001-01-01';
alter table allowance drop constraint allowance_key;
alter table allowance add constraint allowance_key primary key (household_id, eater_id, protocol_id, rule_id, valid_from);
comment on column allowance.valid_from is 'First local date it holds on; 0001-01-01 when it always did.';

create table eater_choice (
    household_id uuid not null,
    eater_id     uuid not null,
    protocol_id  text not null,
    choice_id    text not null,
    option_id    text not null,
    constraint eater_choice_key primary key (household_id, eater_id, protocol_id, choice_id),
    constraint eater_choice_eater foreign key (household_id, eater_id) references eater on delete cascade
);

create table eater_allergy (
    household_id uuid not null,
    eater_id     uuid not null,
    class_key    text not null,
    constraint eater_allergy_key primary key (household_id, eater_id, class_key),
    constraint eater_allergy_eater foreign key (household_id, eater_id) references eater on delete cascade
);
comment on table eater_allergy is 'Hard stops: no dose, dilution or tolerance applies.';

create table eater_acceptance (
    household_id uuid not null,
    eater_id     uuid not null,
    what         text not null constraint eater_acceptance_what_length check (char_length(what) between 1 and 300),
    reason       text not null constraint eater_acceptance_reason_length check (char_length(reason) between 1 and 200),
    accepted_by  uuid not null constraint eater_acceptance_account references account,
    accepted_at  timestamptz not null,
    constraint eater_acceptance_key primary key (household_id, eater_id, what),
    constraint eater_acceptance_eater foreign key (household_id, eater_id) references eater on delete cascade
);
comment on column eater_acceptance.what is 'Key of a food, or the words of a line that no food was found for.';

create table eater_dislike (
    household_id uuid not null,
    eater_id     uuid not null,
    what         text not null,
    constraint eater_dislike_key primary key (household_id, eater_id, what),
    constraint eater_dislike_eater foreign key (household_id, eater_id) references eater on delete cascade
);

create table eater_phase (
    household_id        uuid not null,
    eater_id            uuid not null,
    protocol_id         text not null,
    starts_on           date not null,
    restriction_ends_on date not null,
    constraint eater_phase_key primary key (household_id, eater_id, protocol_id),
    constraint eater_phase_eater foreign key (household_id, eater_id) references eater on delete cascade,
    constraint eater_phase_in_order check (starts_on <= restriction_ends_on)
);

create table eater_challenge (
    household_id uuid not null,
    eater_id     uuid not null,
    protocol_id  text not null,
    challenge_id text not null,
    position     integer not null constraint eater_challenge_position_range check (position between 0 and 29),
    outcome      text not null constraint eater_challenge_outcome_known check (outcome in ('Open', 'Tolerated', 'NotTolerated')),
    constraint eater_challenge_key primary key (household_id, eater_id, protocol_id, challenge_id),
    constraint eater_challenge_phase foreign key (household_id, eater_id, protocol_id) references eater_phase on delete cascade
);

create table diary_entry (
    household_id uuid not null,
    id           uuid not null,
    eater_id     uuid not null,
    protocol_id  text not null,
    noted_on     date not null,
    text         text not null constraint diary_entry_text_length check (char_length(text) between 1 and 500),
    written_by   uuid not null constraint diary_entry_account references account,
    constraint diary_entry_key primary key (household_id, id),
    constraint diary_entry_eater foreign key (household_id, eater_id) references eater on delete cascade
);
create index diary_entry_by_eater on diary_entry (household_id, eater_id, noted_on);

create table household_protocol (
    household_id   uuid not null constraint household_protocol_household references household,
    id             text not null constraint household_protocol_id_form check (id ~ '^own-[a-z0-9-]{1,56}$'),
    origin_id      text,
    origin_version integer,
    archived_at    timestamptz,
    constraint household_protocol_key primary key (household_id, id)
);
comment on column household_protocol.origin_id is 'The protocol it was copied from; null when it was imported.';

create table household_protocol_version (
    household_id uuid not null,
    protocol_id  text not null,
    version      integer not null constraint household_protocol_version_from_one check (version >= 1),
    content      jsonb not null,
    created_at   timestamptz not null,
    created_by   uuid not null constraint household_protocol_version_author references account,
    constraint household_protocol_version_key primary key (household_id, protocol_id, version),
    constraint household_protocol_version_protocol foreign key (household_id, protocol_id) references household_protocol
);
comment on table household_protocol_version is 'Immutable: an edit is a new version, a week keeps the one it was planned with.';

create table week_protocol (
    household_id uuid not null constraint week_protocol_household references household,
    week_start   date not null,
    protocol_id  text not null,
    version      integer not null constraint week_protocol_version_from_one check (version >= 1),
    constraint week_protocol_key primary key (household_id, week_start, protocol_id)
);
comment on table week_protocol is 'Versions that a week was planned with; written with its first batch.';

create table kitchen_item (
    household_id uuid not null constraint kitchen_item_household references household,
    id           uuid not null,
    position     integer not null,
    kind         text not null constraint kitchen_item_kind_known check (kind in
        ('oven', 'burner', 'pressure-cooker', 'slow-cooker', 'air-fryer', 'microwave', 'blender', 'scale', 'pan', 'pot', 'tray', 'mould', 'bowl')),
    name         text not null constraint kitchen_item_name_length check (char_length(name) between 1 and 60),
    count        integer not null constraint kitchen_item_count_range check (count between 1 and 50),
    capacity_ml  integer constraint kitchen_item_capacity_range check (capacity_ml between 1 and 100000),
    fill_share   numeric(3, 2) constraint kitchen_item_fill_range check (fill_share > 0 and fill_share <= 1),
    width_mm     integer constraint kitchen_item_width_range check (width_mm between 1 and 2000),
    length_mm    integer constraint kitchen_item_length_range check (length_mm between 1 and 2000),
    constraint kitchen_item_key primary key (household_id, id)
);
comment on column kitchen_item.fill_share is 'How far it may be filled: two thirds of a pressure cooker, half for what foams.';

create table container_kind (
    household_id   uuid not null constraint container_kind_household references household,
    id             uuid not null,
    position       integer not null,
    name           text not null constraint container_kind_name_length check (char_length(name) between 1 and 60),
    volume_ml      integer not null constraint container_kind_volume_range check (volume_ml between 1 and 20000),
    count          integer not null constraint container_kind_count_range check (count between 1 and 500),
    material       text not null constraint container_kind_material_known check (material in ('glass', 'plastic', 'steel', 'silicone', 'other')),
    may_heat       boolean not null,
    may_freeze     boolean not null,
    may_fill_hot   boolean not null,
    constraint container_kind_key primary key (household_id, id)
);

do $$
declare
    tenant text;
begin
    foreach tenant in array array['eater_choice', 'eater_allergy', 'eater_acceptance', 'eater_dislike', 'eater_phase', 'eater_challenge', 'diary_entry',
                                  'household_protocol', 'household_protocol_version', 'week_protocol', 'kitchen_item', 'container_kind']
    loop
        execute format('alter table %I enable row level security', tenant);
        execute format('alter table %I force row level security', tenant);
        execute format('create policy own_household on %I using (household_id = app_household()) with check (household_id = app_household())', tenant);
    end loop;
end
$$;

revoke update, delete on household_protocol_version from merienda_app;

-- Packets as printed with their versions, what eaters decided about them, and what stands in pantry, fridge and freezer.

alter table food_version
    add column allulose_g    numeric,
    add column density_g_ml  numeric constraint food_density_range check (density_g_ml > 0 and density_g_ml <= 3),
    add column yields        jsonb,
    add column keeping       text,
    add column packs_g       numeric[];
comment on column food_version.yields is 'Grams cooked for a gram raw, by method, each with its source; null when nobody published it.';
comment on column food_version.keeping is 'Keeping class of the food as it is bought; null when the date on it is all there is.';
comment on column food_version.packs_g is 'Usual pack sizes, net g.';

alter table household
    add column counts_tolerances boolean not null default false,
    add column larder_revision   bigint not null default 0;
comment on column household.counts_tolerances is 'Whether what the law tolerates beyond rounding widens the values of packets.';
comment on column household.larder_revision is 'Grows with every change of a packet, so that an instance knows when what it read is old.';

alter table eater add column counts_traces boolean not null default true;
comment on column eater.counts_traces is 'Whether a trace low in a statement counts for what protocols leave out; for allergies it always does.';

create table packet (
    household_id uuid not null constraint packet_household references household,
    id           uuid not null,
    name         text not null,
    version_id   uuid not null,
    number       integer not null,
    archived_at  timestamptz,
    constraint packet_key primary key (household_id, id)
);
comment on column packet.name is 'Of the latest version; two packets in use must not share one.';
comment on column packet.version_id is 'The latest version, kept here so that a list of ten thousand needs no join. No foreign key: checked at the end of a transaction, ten thousand rows took 24 s.';
create unique index packet_name_unique on packet (household_id, lower(name)) where archived_at is null;

create table packet_version (
    household_id uuid not null,
    id           uuid not null,
    packet_id    uuid not null,
    number       integer not null constraint packet_version_from_one check (number >= 1),
    name         text not null constraint packet_name_length check (char_length(name) between 1 and 120),
    country      text not null constraint packet_country_known check (country in ('UnitedStates', 'Canada', 'EuropeanUnion', 'UnitedKingdom', 'Australia', 'NewZealand', 'Other')),
    label_basis  text constraint packet_basis_known check (label_basis in ('Total', 'Available', 'AvailableWithoutPolyols')),
    serving      text not null constraint packet_serving_length check (char_length(serving) between 1 and 100),
    declared     jsonb not null,
    statement    text not null constraint packet_statement_length check (char_length(statement) <= 20000),
    may_contain  text not null constraint packet_may_contain_length check (char_length(may_contain) <= 2000),
    pack         text not null constraint packet_pack_length check (char_length(pack) <= 60),
    price        numeric(10, 2) constraint packet_price_range check (price between 0 and 100000),
    points       numeric(6, 2) constraint packet_points_range check (points between 0 and 1000),
    opened_days  integer constraint packet_opened_days_range check (opened_days between 1 and 365),
    classes      text[] not null,
    aisle        text not null constraint packet_aisle_length check (char_length(aisle) <= 60),
    created_at   timestamptz not null,
    created_by   uuid not null constraint packet_version_author references account,
    constraint packet_version_key primary key (household_id, id),
    constraint packet_version_packet foreign key (household_id, packet_id) references packet,
    constraint packet_version_number_unique unique (household_id, packet_id, number)
);
comment on table packet_version is 'Immutable, everything as printed: what was computed from one keeps it.';
comment on column packet_version.declared is 'Values by nutrient as printed: {"Fat": "<0.5"}.';
comment on column packet_version.points is 'Of one serving, from a list.';
comment on column packet_version.opened_days is 'Days that it keeps once it is opened, as printed.';

create table packet_opinion (
    household_id uuid not null,
    packet_id    uuid not null,
    eater_id     uuid not null,
    is_approved  boolean not null,
    reason       text not null constraint packet_opinion_reason_length check (char_length(reason) between 1 and 200),
    statement    text not null,
    decided_on   date not null,
    decided_by   uuid not null constraint packet_opinion_account references account,
    constraint packet_opinion_key primary key (household_id, packet_id, eater_id),
    constraint packet_opinion_packet foreign key (household_id, packet_id) references packet,
    constraint packet_opinion_eater foreign key (household_id, eater_id) references eater on delete cascade
);
comment on column packet_opinion.statement is 'The ingredients that were approved; with others the approval does not hold.';

alter table recipe_line add column packet_version_id uuid;
alter table recipe_line add constraint recipe_line_packet foreign key (household_id, packet_version_id) references packet_version;
alter table recipe_line add constraint recipe_line_one_food check (food_version_id is null or packet_version_id is null);

create table stock_item (
    household_id uuid not null constraint stock_item_household references household,
    id           uuid not null,
    food_key     text constraint stock_item_food_length check (char_length(food_key) between 1 and 80),
    name         text not null constraint stock_item_name_length check (char_length(name) between 1 and 120),
    amount       text not null constraint stock_item_amount_length check (char_length(amount) <= 60),
    grams        numeric(9, 1) constraint stock_item_grams_range check (grams > 0 and grams <= 1000000),
    place        text not null constraint stock_item_place_known check (place in ('Pantry', 'Fridge', 'Freezer')),
    made_on      date not null,
    opened_on    date,
    frozen_on    date,
    thawed_on    date,
    best_before  date,
    gone_on      date,
    constraint stock_item_key primary key (household_id, id),
    constraint stock_item_thawed_after_frozen check (thawed_on is null or thawed_on >= frozen_on)
);
comment on column stock_item.food_key is 'Key of a food or a packet; null for what the table does not know.';
comment on column stock_item.grams is 'What is left; null when nobody knows its weight.';
comment on column stock_item.made_on is 'Local date it was bought or made.';
create index stock_item_there on stock_item (household_id) where gone_on is null;

alter table container add column gone_on date;
comment on column container.gone_on is 'Local date a loose box was eaten or thrown away outside the plan.';

do $$
declare
    tenant text;
begin
    foreach tenant in array array['packet', 'packet_version', 'packet_opinion', 'stock_item']
    loop
        execute format('alter table %I enable row level security', tenant);
        execute format('alter table %I force row level security', tenant);
        execute format('create policy own_household on %I using (household_id = app_household()) with check (household_id = app_household())', tenant);
    end loop;
end
$$;

revoke update, delete on packet_version from merienda_app;

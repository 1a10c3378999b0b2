-- A serving holds several things: portions of batches, and what is eaten as it is bought. A batch is cooked in lots, one a variant. A box
-- has a row only once it stands by itself; planned ones are computed.

alter table batch no force row level security;
alter table serving no force row level security;
alter table container no force row level security;

create table lot (
    household_id uuid not null,
    id           uuid not null,
    batch_id     uuid not null,
    position     integer not null,
    variant      text constraint lot_variant_length check (char_length(variant) between 1 and 60),
    portions     numeric(5, 2) not null constraint lot_portions_range check (portions >= 0 and portions <= 60),
    constraint lot_key primary key (household_id, id),
    constraint lot_of_batch_unique unique (household_id, batch_id, id),
    constraint lot_batch foreign key (household_id, batch_id) references batch on delete cascade
);
comment on table lot is 'How many portions of a batch are cooked in one variant of the recipe.';
insert into lot (household_id, id, batch_id, position, variant, portions) select household_id, gen_random_uuid(), id, 0, null, portions from batch;
alter table batch drop column portions;

alter table serving
    add column state     text not null default 'Planned' constraint serving_state_known check (state in ('Planned', 'Eaten', 'Partly', 'Skipped', 'Out')),
    add column is_locked boolean not null default false,
    add column note      text not null default '' constraint serving_note_length check (char_length(note) <= 200);
alter table serving alter column state drop default, alter column is_locked drop default, alter column note drop default;

create table serving_item (
    household_id      uuid not null,
    id                uuid not null,
    serving_id        uuid not null,
    position          integer not null,
    batch_id          uuid,
    lot_id            uuid,
    portions          numeric(4, 2) constraint serving_item_portions_range check (portions > 0 and portions <= 4),
    grams             numeric(7, 1) constraint serving_item_grams_range check (grams > 0 and grams <= 20000),
    parts             text[] constraint serving_item_parts_some check (cardinality(parts) > 0),
    text              text constraint serving_item_text_length check (char_length(text) between 1 and 300),
    food_version_id   uuid constraint serving_item_food references food_version,
    packet_version_id uuid,
    match_kind        text constraint serving_item_match_known check (match_kind in ('Exact', 'Likely', 'None', 'Learnt')),
    is_chosen         boolean not null,
    constraint serving_item_key primary key (household_id, id),
    constraint serving_item_serving foreign key (household_id, serving_id) references serving on delete cascade,
    constraint serving_item_lot foreign key (household_id, batch_id, lot_id) references lot (household_id, batch_id, id),
    constraint serving_item_packet foreign key (household_id, packet_version_id) references packet_version,
    constraint serving_item_draw_or_food check (
        case when batch_id is null then lot_id is null and portions is null and grams is null and parts is null and text is not null and match_kind is not null
             else lot_id is not null and (portions is null) <> (grams is null) and text is null and food_version_id is null and packet_version_id is null and match_kind is null end)
);
comment on table serving_item is 'One thing of a meal: a draw on a batch (lot, portions or grams), or a food as it is bought (text, food).';
comment on column serving_item.parts is 'Names of the parts of the dish that are taken; null for the whole of it.';
create index serving_item_by_serving on serving_item (household_id, serving_id);
create index serving_item_by_batch on serving_item (household_id, batch_id);

insert into serving_item (household_id, id, serving_id, position, batch_id, lot_id, portions, is_chosen)
select container.household_id, container.id, container.serving_id, row_number() over (partition by container.serving_id order by container.id) - 1,
       container.batch_id, lot.id, container.size, false
from container join lot on lot.household_id = container.household_id and lot.batch_id = container.batch_id
where container.serving_id is not null;

delete from container where gone_on is null;
alter table container
    drop constraint container_number_unique,
    drop constraint container_serving,
    drop constraint container_size_range;
drop index container_by_serving;
alter table container drop column serving_id, drop column number, add column lot_id uuid;
alter table container rename column size to portions;
update container set lot_id = (select lot.id from lot where lot.household_id = container.household_id and lot.batch_id = container.batch_id);
alter table container
    alter column lot_id set not null,
    add constraint container_portions_range check (portions > 0 and portions <= 4),
    add constraint container_lot foreign key (household_id, batch_id, lot_id) references lot (household_id, batch_id, id);
comment on column container.portions is 'How many of the recipe''s portions are in it.';
comment on column container.gone_on is 'Local date it was eaten or thrown away outside the plan.';

do $$
declare
    tenant text;
begin
    foreach tenant in array array['lot', 'serving_item']
    loop
        execute format('alter table %I enable row level security', tenant);
        execute format('create policy own_household on %I using (household_id = app_household()) with check (household_id = app_household())', tenant);
    end loop;
    foreach tenant in array array['batch', 'serving', 'container', 'lot', 'serving_item']
    loop
        execute format('alter table %I force row level security', tenant);
    end loop;
end
$$;

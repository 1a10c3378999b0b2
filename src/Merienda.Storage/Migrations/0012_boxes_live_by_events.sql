-- A batch is portioned into real boxes, which live by what is said of them; a part is weighed; a vessel's tare is remembered.

alter table container no force row level security;

alter table batch add column portioned_on date;
comment on column batch.portioned_on is 'Local date on which its portions went into boxes; null while they are planned.';

alter table kitchen_item add column tare_g integer constraint kitchen_item_tare_range check (tare_g between 0 and 100000);
comment on column kitchen_item.tare_g is 'What it weighs empty, g; null when nobody weighed it.';

create table part_yield (
    household_id uuid not null,
    batch_id     uuid not null,
    part         text not null constraint part_yield_part_length check (char_length(part) <= 200),
    gross_g      integer not null constraint part_yield_gross_range check (gross_g between 1 and 100000),
    tare_g       integer not null constraint part_yield_tare_range check (tare_g >= 0),
    vessel       text not null constraint part_yield_vessel_length check (char_length(vessel) <= 60),
    constraint part_yield_key primary key (household_id, batch_id, part),
    constraint part_yield_net check (gross_g > tare_g),
    constraint part_yield_batch foreign key (household_id, batch_id) references batch on delete cascade
);
comment on table part_yield is 'What a part of a batch really weighs: what the scale showed, and the vessel it stood in.';

alter table container
    drop constraint container_portions_range,
    alter column portions type numeric(8, 4),
    add constraint container_portions_range check (portions > 0 and portions <= 60),
    add column number   integer not null default 1 constraint container_number_from_one check (number >= 1),
    add column parts    text[] constraint container_parts_some check (cardinality(parts) > 0),
    add column grams    numeric(8, 1)[] not null default '{}',
    add column kind     text not null default '' constraint container_kind_length check (char_length(kind) <= 60),
    add column material text not null default '' constraint container_material_length check (char_length(material) <= 20);
alter table container alter column number drop default, alter column grams drop default, alter column kind drop default, alter column material drop default;
comment on table container is 'A real box, filled when its batch was portioned.';
comment on column container.parts is 'Names of the parts in it; null for the whole dish.';
comment on column container.grams is 'What was filled in of each part in it, in their order; null for one that nobody knows.';
comment on column container.gone_on is 'Folded from its events: when the last of it was taken; null while something is left.';
create index container_there on container (household_id, batch_id) where gone_on is null;

create table container_event (
    household_id uuid not null,
    id           uuid not null,
    container_id uuid not null,
    kind         text not null constraint container_event_kind_known check (kind in ('Made', 'ToFridge', 'Frozen', 'Eaten', 'Given', 'Discarded', 'Gone')),
    at           timestamptz not null,
    happened_on  date not null,
    portions     numeric(8, 4) not null constraint container_event_portions_range check (portions >= 0 and portions <= 60),
    draw_id      uuid,
    parts        text[] constraint container_event_parts_some check (cardinality(parts) > 0),
    reason       text not null constraint container_event_reason_length check (char_length(reason) <= 120),
    constraint container_event_key primary key (household_id, id),
    constraint container_event_container foreign key (household_id, container_id) references container,
    constraint container_event_takes_something check ((kind in ('Eaten', 'Given', 'Discarded', 'Gone')) = (portions > 0))
);
comment on table container_event is 'Something that happened to a box. The id is the client''s: what is said twice happened once.';
comment on column container_event.portions is 'What was eaten, given or thrown away.';
comment on column container_event.parts is 'Names of the parts that it took; null for all that are in the box.';
comment on column container_event.draw_id is 'The thing of a meal that was eaten. No foreign key: it stays eaten when it is taken off the meal.';
create index container_event_by_container on container_event (household_id, container_id);

-- Nobody said how these went.
insert into container_event (household_id, id, container_id, kind, at, happened_on, portions, draw_id, parts, reason)
select household_id, gen_random_uuid(), id, 'Gone', gone_on + time '12:00', gone_on, portions, null, null, '' from container where gone_on is not null;

alter table serving_item
    drop constraint serving_item_portions_range,
    alter column portions type numeric(8, 4),
    add constraint serving_item_portions_range check (portions > 0 and portions <= 60),
    add column container_id uuid,
    add constraint serving_item_container foreign key (household_id, container_id) references container deferrable initially deferred,
    add constraint serving_item_container_of_draw check (container_id is null or batch_id is not null);
comment on column serving_item.container_id is 'The box it is taken from, once its batch is portioned.';
create index serving_item_by_container on serving_item (household_id, container_id);

do $$
declare
    tenant text;
begin
    foreach tenant in array array['part_yield', 'container_event']
    loop
        execute format('alter table %I enable row level security', tenant);
        execute format('create policy own_household on %I using (household_id = app_household()) with check (household_id = app_household())', tenant);
    end loop;
    foreach tenant in array array['container', 'part_yield', 'container_event']
    loop
        execute format('alter table %I force row level security', tenant);
    end loop;
end
$$;

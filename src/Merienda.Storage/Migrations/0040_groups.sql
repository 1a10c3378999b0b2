-- A group is a tenant like a household: its desk is one, with recipes, packets, words and undo of its own, and who works at the desk
-- belongs to it. A member belongs to the group only and sees what is published, and nothing of the desk.

create table group_desk (
    household_id uuid not null constraint group_desk_household references household,
    name         text not null constraint group_desk_name_length check (char_length(name) between 1 and 80),
    constraint group_desk_key primary key (household_id)
);
comment on table group_desk is 'A household that is a group''s desk; its name is what members read.';

create table group_member (
    household_id uuid not null constraint group_member_group references group_desk,
    account_id   uuid not null constraint group_member_account references account,
    joined_at    timestamptz not null,
    constraint group_member_key primary key (household_id, account_id)
);
create index group_member_by_account on group_member (account_id);

create table group_link (
    household_id uuid not null constraint group_link_group references group_desk,
    id           uuid not null,
    secret_hash  text not null constraint group_link_secret_unique unique,
    made_by      uuid not null constraint group_link_maker references account,
    expires_at   timestamptz not null,
    uses_left    integer not null constraint group_link_uses_not_negative check (uses_left >= 0),
    constraint group_link_key primary key (household_id, id)
);
comment on column group_link.secret_hash is 'SHA-256 of the link''s secret: who reads the table cannot make the link.';

create table menu (
    household_id uuid not null constraint menu_group references group_desk,
    id           uuid not null,
    name         text not null constraint menu_name_length check (char_length(name) between 1 and 80),
    starts_on    date not null,
    days         integer not null constraint menu_days_range check (days between 1 and 28),
    note         text not null constraint menu_note_length check (char_length(note) <= 2000),
    tiers        jsonb not null constraint menu_tiers_are_a_list check (jsonb_typeof(tiers) = 'array'),
    constraint menu_key primary key (household_id, id)
);
comment on column menu.tiers is 'How much some of the members eat a day: an array of {name, energy_kcal}.';

create table menu_dish (
    household_id      uuid not null,
    id                uuid not null,
    menu_id           uuid not null,
    day               integer not null constraint menu_dish_day_range check (day between 0 and 27),
    slot              text not null constraint menu_dish_slot_not_empty check (slot <> ''),
    recipe_version_id uuid not null,
    portions          jsonb not null constraint menu_dish_portions_are_a_list check (jsonb_typeof(portions) = 'array'),
    variants          jsonb not null constraint menu_dish_variants_are_a_list check (jsonb_typeof(variants) = 'array'),
    constraint menu_dish_key primary key (household_id, id),
    constraint menu_dish_menu foreign key (household_id, menu_id) references menu on delete cascade,
    constraint menu_dish_recipe foreign key (household_id, recipe_version_id) references recipe_version
);
create index menu_dish_by_menu on menu_dish (household_id, menu_id);
comment on column menu_dish.day is 'Days after the menu begins.';
comment on column menu_dish.portions is 'Of the tiers that have another amount than one: an array of {tier, portions}.';
comment on column menu_dish.variants is 'What is made for those who follow something: an array of {protocol, variant}.';
comment on column menu_dish.recipe_version_id is 'The recipe as it was when it was put there.';

create table menu_version (
    household_id uuid not null,
    menu_id      uuid not null,
    number       integer not null constraint menu_version_from_one check (number >= 1),
    published_at timestamptz not null,
    published_by uuid not null constraint menu_version_publisher references account,
    changed      text not null constraint menu_version_changed_length check (char_length(changed) <= 500),
    content      jsonb not null,
    constraint menu_version_key primary key (household_id, menu_id, number),
    constraint menu_version_menu foreign key (household_id, menu_id) references menu
);
comment on table menu_version is 'What was published: everything that a member needs, so that nothing of the desk need be read. It never changes.';
comment on column menu_version.changed is 'What a correction says of what it changes; empty for the first.';

-- What a member shares stands apart from who shares it: the desk reads the one and never the other.
create table group_share (
    household_id  uuid not null constraint group_share_group references group_desk,
    id            uuid not null,
    protocols     text[] not null,
    choices       jsonb not null,
    allergies     text[] not null,
    portion_habit numeric(3, 2) not null constraint group_share_habit_range check (portion_habit between 0.25 and 4),
    constraint group_share_key primary key (household_id, id)
);
comment on column group_share.choices is 'Options of the protocols: an array of {protocolId, choiceId, optionId}.';

create table group_sharer (
    household_id uuid not null,
    account_id   uuid not null,
    share_id     uuid not null,
    eater_id     uuid not null,
    protocols    boolean not null,
    allergies    boolean not null,
    portion      boolean not null,
    constraint group_sharer_key primary key (household_id, account_id),
    constraint group_sharer_member foreign key (household_id, account_id) references group_member on delete cascade,
    constraint group_sharer_share foreign key (household_id, share_id) references group_share
);

comment on column group_sharer.eater_id is 'Of the member''s own table, whose it was; with what was ticked, so that they are told when it has changed there.';

create function forget_share() returns trigger language plpgsql as
$$
begin
    delete from group_share where household_id = old.household_id and id = old.share_id;
    return null;
end
$$;
create trigger group_sharer_gone after delete on group_sharer for each row execute function forget_share();

do $$
declare
    tenant text;
begin
    foreach tenant in array array['group_desk', 'group_member', 'group_link', 'menu', 'menu_dish', 'menu_version', 'group_share']
    loop
        execute format('alter table %I enable row level security', tenant);
        execute format('alter table %I force row level security', tenant);
        execute format('create policy own_household on %I using (household_id = app_household()) with check (household_id = app_household())', tenant);
    end loop;
end
$$;

-- An account sees where it is a member whichever household it works in, and may leave.
create policy own_membership on group_member for select using (account_id = app_account());
create policy leaving on group_member for delete using (account_id = app_account());
alter table group_sharer enable row level security;
alter table group_sharer force row level security;
create policy own_share on group_sharer using (account_id = app_account()) with check (account_id = app_account() and household_id = app_household());
create policy own_share on group_share for select
    using (exists (select 1 from group_sharer sharer where sharer.household_id = group_share.household_id and sharer.share_id = group_share.id));
create policy members_see on group_desk for select
    using (exists (select 1 from group_member member where member.household_id = group_desk.household_id and member.account_id = app_account()));
create policy members_see on menu_version for select
    using (exists (select 1 from group_member member where member.household_id = menu_version.household_id and member.account_id = app_account()));

revoke update, delete on menu_version from merienda_app;

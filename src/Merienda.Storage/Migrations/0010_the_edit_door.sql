-- Every write goes through one door: the journal keeps rows before and after in one form, the client's edit id and its answer.

alter table journal
    add column schema_version smallint not null default 1 constraint journal_schema_from_one check (schema_version >= 1),
    add column edit_id        uuid,
    add column answer         jsonb,
    add column is_quiet       boolean not null default false;
create unique index journal_edit_unique on journal (household_id, edit_id) where edit_id is not null;
comment on column journal.schema_version is 'Form of change. Entries of form 1 are history: they cannot be taken back any more.';
comment on column journal.edit_id is 'Given by the client: an edit that is sent twice is done once.';
comment on column journal.answer is 'What the edit answered, for a retry.';
comment on column journal.is_quiet is 'Taken back where it was done, not by undoing the last thing.';

-- Which version counts is said by the recipe and the protocol themselves, so that undo is a matter of pointing back.
alter table recipe add column version_id uuid;
alter table household_protocol add column version integer;

-- Forced row level security holds for the owner too; for this one rewrite it does not.
alter table recipe no force row level security;
alter table recipe_version no force row level security;
alter table household_protocol no force row level security;
alter table household_protocol_version no force row level security;
update recipe set version_id = (
    select version.id from recipe_version version
    where version.household_id = recipe.household_id and version.recipe_id = recipe.id order by version.number desc limit 1);
update household_protocol set version = (
    select max(version.version) from household_protocol_version version
    where version.household_id = household_protocol.household_id and version.protocol_id = household_protocol.id);
alter table recipe force row level security;
alter table recipe_version force row level security;
alter table household_protocol force row level security;
alter table household_protocol_version force row level security;

alter table recipe alter column version_id set not null;
alter table household_protocol alter column version set not null;
comment on column recipe.version_id is 'The version that counts; an undone save points back to an earlier one. No foreign key: both are written at once.';
comment on column household_protocol.version is 'The version that counts; an undone save points back to an earlier one.';

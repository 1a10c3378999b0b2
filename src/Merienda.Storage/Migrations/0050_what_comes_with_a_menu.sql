-- What goes with a version, by its prints: what is new or another one since the version before is told without reading all of it.
alter table menu_version add column brings jsonb not null default '[]' constraint menu_version_brings_are_a_list check (jsonb_typeof(brings) = 'array');
comment on column menu_version.brings is 'Kind, name and print of each thing; empty for versions that were published before things went with a menu, or were told.';

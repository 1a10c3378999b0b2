-- What those who work at a desk note of a menu for themselves; it is never published.
alter table menu add column desk_note text constraint menu_desk_note_length check (char_length(desk_note) between 1 and 2000);
comment on column menu.desk_note is 'Read at the desk only; null while nobody noted anything.';

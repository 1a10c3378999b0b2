-- A helper works at a group's desk: drafts, reviews and answers. Only a moderator publishes, lets people in and says who is what.
alter table household_member
    add column is_helper boolean not null default false;
comment on column household_member.is_helper is 'At a group''s desk only; in a kitchen nobody is.';

alter table recipe_line add column used_version_id uuid;
alter table recipe_line add constraint recipe_line_used_recipe foreign key (household_id, used_version_id) references recipe_version;
comment on column recipe_line.used_version_id is 'Another recipe that the line takes some of, as the version that its numbers were computed from. Beside a food: nobody said yet which of the two is meant.';
create index recipe_line_uses on recipe_line (household_id, used_version_id) where used_version_id is not null;

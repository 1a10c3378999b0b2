create table recipe_part (
    household_id      uuid not null,
    recipe_version_id uuid not null,
    position          integer not null,
    name              text not null constraint recipe_part_name_length check (char_length(name) <= 60),
    apart             text not null constraint recipe_part_apart_known check (apart in ('No', 'Wet', 'Dry', 'Crunchy', 'Sauce')),
    keeping           text,
    keeping_reason    text not null constraint recipe_part_reason_length check (char_length(keeping_reason) <= 120),
    takes_off         boolean not null,
    goes_on           boolean not null,
    made_amount       numeric(9, 2) constraint recipe_part_made_range check (made_amount > 0 and made_amount <= 100000),
    made_unit         text constraint recipe_part_made_unit_known check (made_unit in ('Grams', 'Millilitres', 'Pieces')),
    constraint recipe_part_made_whole check ((made_amount is null) = (made_unit is null)),
    constraint recipe_part_key primary key (household_id, recipe_version_id, position),
    constraint recipe_part_name_unique unique (household_id, recipe_version_id, name),
    constraint recipe_part_version foreign key (household_id, recipe_version_id) references recipe_version
);
comment on table recipe_part is 'What is said of a part; a part of which nothing is said stands in the lines only.';
comment on column recipe_part.keeping is 'Null: as the dish.';
comment on column recipe_part.made_amount is 'What all of it was measured to make.';
alter table recipe_part enable row level security;
alter table recipe_part force row level security;
create policy own_household on recipe_part using (household_id = app_household()) with check (household_id = app_household());
revoke update, delete on recipe_part from merienda_app;

alter table recipe_line no force row level security;
alter table recipe_version no force row level security;
alter table recipe_line add column line_id uuid;
-- A line that stood at one place of a recipe goes on being the same line.
update recipe_line line set line_id = md5(version.recipe_id::text || line.position::text)::uuid
from recipe_version version where version.household_id = line.household_id and version.id = line.recipe_version_id;
alter table recipe_line alter column line_id set not null;
alter table recipe_line add constraint recipe_line_id_unique unique (household_id, recipe_version_id, line_id);
alter table recipe_line add column precision text constraint recipe_line_precision_known check (precision in ('Weighed', 'Measured', 'Counted', 'ByEye'));
alter table recipe_line add column eaten_share numeric(5, 4) not null default 1 constraint recipe_line_eaten_range check (eaten_share between 0 and 1);
alter table recipe_line add column kept_fat numeric(5, 4) not null default 1 constraint recipe_line_fat_range check (kept_fat between 0 and 1);
alter table recipe_line add column is_optional boolean;
alter table recipe_line force row level security;
alter table recipe_version force row level security;
comment on column recipe_line.line_id is 'Survives edits: a variant names the line by it.';
comment on column recipe_line.precision is 'How the amount was measured; null where the words say it.';
comment on column recipe_line.eaten_share is 'How much of what goes in is eaten.';
comment on column recipe_line.kept_fat is 'How much of its fat is eaten; the rest was drained or trimmed.';
comment on column recipe_line.is_optional is 'Null where the words say it.';

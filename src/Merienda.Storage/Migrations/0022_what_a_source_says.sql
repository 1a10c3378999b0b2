alter table recipe_version add column source text not null default '' constraint recipe_version_source_length check (char_length(source) <= 300);
alter table recipe_version add column note text not null default '' constraint recipe_version_note_length check (char_length(note) <= 4000);
comment on column recipe_version.source is 'Where it comes from, as the cook says it.';
comment on column recipe_version.note is 'What the cook keeps in mind for the next time.';

create table recipe_claim (
    household_id      uuid not null,
    recipe_version_id uuid not null,
    position          integer not null,
    what              text not null,
    value             numeric(9, 2) not null constraint recipe_claim_value_range check (value between 0 and 100000),
    variant           text constraint recipe_claim_variant_length check (char_length(variant) between 1 and 60),
    part              text constraint recipe_claim_part_length check (char_length(part) between 1 and 60),
    said_of           text not null constraint recipe_claim_print_length check (char_length(said_of) <= 64),
    constraint recipe_claim_key primary key (household_id, recipe_version_id, position),
    constraint recipe_claim_once unique nulls not distinct (household_id, recipe_version_id, what, variant, part),
    constraint recipe_claim_version foreign key (household_id, recipe_version_id) references recipe_version
);
comment on table recipe_claim is 'What a source says a portion has; never counted, only compared.';
comment on column recipe_claim.variant is 'The variant it was said of; null for the recipe as written.';
comment on column recipe_claim.part is 'The part it was said of; null for the whole dish.';
comment on column recipe_claim.said_of is 'Print of the dish it was said of: of any other it is not said.';
alter table recipe_claim enable row level security;
alter table recipe_claim force row level security;
create policy own_household on recipe_claim using (household_id = app_household()) with check (household_id = app_household());
revoke update, delete on recipe_claim from merienda_app;

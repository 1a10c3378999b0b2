-- Shipped knowledge, the same for every household. A changed row in the data files becomes a new version; recipes keep the one they were computed from.

create table food_version (
    id              uuid primary key,
    food_key        text not null,
    version         integer not null constraint food_version_from_one check (version >= 1),
    name            text not null,
    synonyms        text[] not null,
    aisle           text not null,
    label_basis     text not null constraint food_label_basis_known check (label_basis in ('Total', 'Available', 'AvailableWithoutPolyols')),
    energy_kcal     numeric, protein_g numeric, fat_g numeric, saturated_fat_g numeric, carbohydrate_g numeric, fibre_g numeric, sugars_g numeric,
    added_sugars_g  numeric, polyols_g numeric, erythritol_g numeric, alcohol_g numeric, sodium_mg numeric,
    measures        jsonb not null,
    classes         text[] not null,
    source          text not null,
    mark            text not null constraint food_mark_known check (mark in ('M', 'C')),
    fingerprint     text not null,
    constraint food_version_unique unique (food_key, version)
);
comment on table food_version is 'Nutrients per 100 g of edible part; null is unknown, never zero.';
comment on column food_version.measures is 'Grams of one household measure by unit name; cup and spoons are US ones.';

create table protocol_version (
    protocol_id text not null,
    version     integer not null constraint protocol_version_from_one check (version >= 1),
    content     jsonb not null,
    fingerprint text not null,
    constraint protocol_version_key primary key (protocol_id, version)
);

create table points_scheme_version (
    scheme_id   text not null,
    version     integer not null constraint points_scheme_version_from_one check (version >= 1),
    content     jsonb not null,
    fingerprint text not null,
    constraint points_scheme_version_key primary key (scheme_id, version)
);

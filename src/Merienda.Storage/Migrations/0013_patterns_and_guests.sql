-- Where a meal comes from is said for each weekday; a guest gets portions and has no rules.

alter table eater_meal no force row level security;

alter table eater_meal add column pattern text;
update eater_meal set pattern = case when is_from_prep then 'PPPPPPP' else 'NNNNNNN' end;
alter table eater_meal
    alter column pattern set not null,
    add constraint eater_meal_pattern_known check (pattern ~ '^[PFON]{7}$'),
    drop column is_from_prep;
comment on column eater_meal.pattern is 'For each weekday from Sunday: P from the prep, F bought or made fresh, O eats out, N nothing.';

alter table eater add column is_guest boolean not null default false;
alter table eater alter column is_guest drop default;
comment on column eater.is_guest is 'A mouth without protocol: gets portions, has no rules; allergies may be stated.';

alter table eater_meal force row level security;

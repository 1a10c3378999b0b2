-- Whether an allergic eater takes the law's word for refined soybean oil.

alter table eater add column trusts_refined_soybean_oil boolean not null default false;
comment on column eater.trusts_refined_soybean_oil is 'Whether soybean oil that the law of the label''s country exempts from allergen labelling is no soy for this eater''s allergies.';

create table price (
    household_id uuid not null constraint price_household references household,
    food_key     text not null constraint price_food_length check (char_length(food_key) between 1 and 80),
    shop         text not null constraint price_shop_length check (char_length(shop) <= 60),
    amount       numeric(9, 2) not null constraint price_amount_range check (amount between 0 and 100000),
    pack         text not null constraint price_pack_length check (char_length(pack) between 1 and 60),
    grams        numeric(7, 1) not null constraint price_grams_range check (grams > 0 and grams <= 50000),
    seen_on      date not null,
    constraint price_key primary key (household_id, food_key, shop)
);
comment on table price is 'What a food or packet costs at a shop; of several the newest counts.';
comment on column price.food_key is 'Of a food of the table or a packet.';
comment on column price.shop is 'As the household calls it; empty for anywhere.';
comment on column price.amount is 'For the pack, in the household''s money.';

alter table price enable row level security;
alter table price force row level security;
create policy own_household on price using (household_id = app_household()) with check (household_id = app_household());

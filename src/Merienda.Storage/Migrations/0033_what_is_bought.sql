create table purchase (
    household_id uuid not null constraint purchase_household references household,
    week_start   date not null,
    item_key     text not null constraint purchase_key_length check (char_length(item_key) between 1 and 300),
    stock_id     uuid,
    amount       text not null constraint purchase_amount_length check (char_length(amount) <= 60),
    cost         numeric(9, 2) constraint purchase_cost_range check (cost between 0 and 100000),
    shop         text not null constraint purchase_shop_length check (char_length(shop) <= 60),
    bought_on    date not null,
    constraint purchase_key primary key (household_id, week_start, item_key)
);
comment on table purchase is 'What came of a tick on the list: the thing that went into stock, and where it was bought.';
comment on column purchase.item_key is 'Of the list; what was bought may be another food.';
comment on column purchase.stock_id is 'What went into stock by it; null where nobody knows how much that is.';
comment on column purchase.shop is 'As the household calls it; empty where nobody said.';

create table staple (
    household_id uuid not null constraint staple_household references household,
    food_key     text not null constraint staple_food_length check (char_length(food_key) between 1 and 80),
    constraint staple_key primary key (household_id, food_key)
);
comment on table staple is 'Foods that are always there: they stand apart on the list.';

alter table purchase enable row level security;
alter table purchase force row level security;
create policy own_household on purchase using (household_id = app_household()) with check (household_id = app_household());
alter table staple enable row level security;
alter table staple force row level security;
create policy own_household on staple using (household_id = app_household()) with check (household_id = app_household());

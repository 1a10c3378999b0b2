create table batch_swap (
    household_id uuid not null,
    batch_id     uuid not null,
    line_id      uuid not null,
    was_key      text not null constraint batch_swap_was_length check (char_length(was_key) between 1 and 80),
    food_key     text not null constraint batch_swap_food_length check (char_length(food_key) between 1 and 80),
    constraint batch_swap_key primary key (household_id, batch_id, line_id),
    constraint batch_swap_other check (food_key <> was_key),
    constraint batch_swap_batch foreign key (household_id, batch_id) references batch on delete cascade
);
comment on table batch_swap is 'A line of a batch''s recipe that is cooked with another food than it names, because that is what there was.';

alter table batch_swap enable row level security;
alter table batch_swap force row level security;
create policy own_household on batch_swap using (household_id = app_household()) with check (household_id = app_household());

-- The day as it goes: what was eaten of what was planned, what was left out, and what was eaten besides.
alter table serving_item
    add column eaten_share numeric constraint serving_item_eaten_range check (eaten_share between 0 and 3),
    add column is_extra    boolean not null default false,
    -- What comes out of a box is told by its life; of a share of a batch only that it was left out.
    add constraint serving_item_eaten_of_a_batch check (batch_id is null or eaten_share is null or eaten_share = 0),
    -- What was left out waits for no box, and what was never planned was eaten.
    add constraint serving_item_left_out_takes_no_box check (eaten_share <> 0 or container_id is null),
    add constraint serving_item_extra_was_eaten check (not is_extra or coalesce(eaten_share, 0) > 0 or container_id is not null);
comment on column serving_item.eaten_share is 'Share of it that was eaten, 0 for left out; null while nobody said, and of what comes out of a box.';
comment on column serving_item.is_extra is 'Eaten without having been planned.';
create index serving_item_extra on serving_item (household_id, serving_id) where is_extra;

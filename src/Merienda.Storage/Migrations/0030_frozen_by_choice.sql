-- What a cook wants frozen though it would keep: a box that is planned, and portions that no meal has yet.
alter table serving_item
    add column is_frozen boolean not null default false,
    add constraint serving_item_frozen_is_of_a_batch check (batch_id is not null or not is_frozen);
comment on column serving_item.is_frozen is 'Frozen on the day it is cooked by choice; what does not keep until its meal is frozen anyway.';

alter table batch
    add column frozen_rest numeric not null default 0,
    add constraint batch_frozen_rest_range check (frozen_rest between 0 and 60);
comment on column batch.frozen_rest is 'Portions of what no meal has that go into the freezer when the batch is portioned.';

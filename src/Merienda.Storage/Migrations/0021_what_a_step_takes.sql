alter table recipe_task add column line_ids uuid[];
alter table recipe_task add column waits_at_most integer constraint recipe_task_waits_range check (waits_at_most between 0 and 1440);
alter table recipe_task add column round_pieces numeric(6, 2) constraint recipe_task_round_range check (round_pieces > 0 and round_pieces <= 1000);
comment on column recipe_task.line_ids is 'Lines that the step takes, as a person said; null where its words say it.';
comment on column recipe_task.waits_at_most is 'Minutes that what it makes may stand before the next step; null for as long as it takes.';
comment on column recipe_task.round_pieces is 'Pieces that fit in at once; null when all do.';

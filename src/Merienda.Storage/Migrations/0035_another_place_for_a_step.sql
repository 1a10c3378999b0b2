alter table recipe_task add column instead_appliance text;
alter table recipe_task add column instead_minutes integer;
alter table recipe_task add column instead_temperature_c integer;
alter table recipe_task add constraint recipe_task_instead check (
    num_nonnulls(instead_appliance, instead_minutes) in (0, 2)
    and (instead_temperature_c is null or instead_appliance is not null)
    and (instead_minutes is null or instead_minutes between 0 and 1440)
    and (instead_temperature_c is null or instead_temperature_c between 0 and 350)
);
comment on column recipe_task.instead_appliance is 'Where it may be done as well, as the recipe says; null when it names one place.';
comment on column recipe_task.instead_minutes is 'Minutes that it goes on by itself there.';

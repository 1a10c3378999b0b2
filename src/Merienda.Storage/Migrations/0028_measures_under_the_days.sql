create table eater_pin (
    household_id uuid not null,
    eater_id     uuid not null,
    position     smallint not null constraint eater_pin_position_range check (position between 0 and 3),
    measure      text not null constraint eater_pin_measure_length check (char_length(measure) between 1 and 40),
    constraint eater_pin_key primary key (household_id, eater_id, position),
    constraint eater_pin_once unique (household_id, eater_id, measure),
    constraint eater_pin_eater foreign key (household_id, eater_id) references eater
);
comment on table eater_pin is 'Measures that an eater''s days are shown with, whether or not a rule limits them; without any, the tightest limit is.';

alter table eater_pin enable row level security;
alter table eater_pin force row level security;
create policy own_household on eater_pin using (household_id = app_household()) with check (household_id = app_household());

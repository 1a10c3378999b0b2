-- What a menu could not know of the kitchen and was answered: a corrected one is put there by the same answers.
alter table menu_taken add column answers jsonb constraint menu_taken_answers_are_an_object check (jsonb_typeof(answers) = 'object');
comment on column menu_taken.answers is 'Who eats by which tier or not at all, and at which own meals; null for what was put there before anybody was asked.';

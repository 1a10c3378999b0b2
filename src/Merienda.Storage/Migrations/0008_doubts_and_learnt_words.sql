-- What packets of a food differ by; and what a household chose for words.

alter table food_version add column may_hold text[] not null default '{}';
comment on column food_version.may_hold is 'Classes that packets of it differ by: for allergies and exclusions a doubt. Classes of the latest version hold for every earlier one.';

alter table recipe_line drop constraint recipe_line_match_known;
alter table recipe_line add constraint recipe_line_match_known check (match_kind in ('Exact', 'Likely', 'None', 'Learnt'));

create table learnt_word (
    household_id uuid not null constraint learnt_word_household references household,
    words        text not null constraint learnt_word_length check (char_length(words) between 1 and 300),
    food_key     text not null constraint learnt_word_food_length check (char_length(food_key) between 1 and 80),
    learnt_at    timestamptz not null,
    learnt_by    uuid not null constraint learnt_word_account references account,
    constraint learnt_word_key primary key (household_id, words)
);
comment on column learnt_word.words is 'The words in the form that lines are matched in: lower case, singular.';
comment on column learnt_word.food_key is 'Key of a food or a packet.';

alter table learnt_word enable row level security;
alter table learnt_word force row level security;
create policy own_household on learnt_word using (household_id = app_household()) with check (household_id = app_household());

-- What members bring to a group: recipes for its library, and questions. Who leaves takes their name from what they wrote.

alter table group_desk
    add column help text not null default '' constraint group_desk_help_length check (char_length(help) <= 1000);
comment on column group_desk.help is 'Where help is found nearby, as the moderator writes it; shown to who writes of harm.';

create table submission (
    household_id uuid not null constraint submission_group references group_desk,
    id           uuid not null,
    account_id   uuid constraint submission_sender references account,
    is_named     boolean not null,
    sent_at      timestamptz not null,
    number       integer not null constraint submission_from_one check (number >= 1),
    state        text not null constraint submission_state_known check (state in ('Waiting', 'AskedBack', 'TakenUp', 'Declined')),
    reply        text not null constraint submission_reply_length check (char_length(reply) <= 300),
    words        text not null constraint submission_words_length check (char_length(words) <= 500),
    content      jsonb not null constraint submission_content_is_a_list check (jsonb_typeof(content) = 'array'),
    before       jsonb,
    recipe_id    uuid,
    constraint submission_key primary key (household_id, id),
    constraint submission_recipe foreign key (household_id, recipe_id) references recipe,
    constraint submission_answered_in_words check (state not in ('AskedBack', 'Declined') or reply <> ''),
    constraint submission_taken_up_is_a_recipe check ((state = 'TakenUp') = (recipe_id is not null))
);
create index submission_by_account on submission (account_id);
comment on table submission is 'A recipe that a member brings; nothing of their household is in it.';
comment on column submission.account_id is 'Null once they have left.';
comment on column submission.is_named is 'Whether the desk may read who it was.';
comment on column submission.content is 'The recipe as it was sent, and those that it uses, the recipe first.';
comment on column submission.before is 'The same as it was sent the time before; null the first time.';
comment on column submission.recipe_id is 'The desk''s recipe that it became.';

create table question (
    household_id uuid not null constraint question_group references group_desk,
    id           uuid not null,
    account_id   uuid constraint question_asker_account references account,
    is_named     boolean not null,
    asked_at     timestamptz not null,
    menu_id      uuid,
    day          integer,
    dish         text not null,
    words        text not null constraint question_words_length check (char_length(words) between 1 and 1000),
    answer       text not null constraint question_answer_length check (char_length(answer) <= 2000),
    answered_at  timestamptz,
    is_pinned    boolean not null,
    is_hidden    boolean not null,
    picture_id   uuid,
    constraint question_key primary key (household_id, id),
    constraint question_menu foreign key (household_id, menu_id) references menu on delete set null (menu_id),
    constraint question_picture foreign key (household_id, picture_id) references picture,
    constraint question_day_range check (day between 0 and 27),
    constraint question_answered_once_said check ((answer = '') = (answered_at is null)),
    constraint question_pinned_is_answered check (not is_pinned or (answer <> '' and not is_hidden))
);
create index question_by_account on question (account_id);
comment on column question.dish is 'Name of the dish it is about; empty for a whole day or menu.';
comment on column question.day is 'Days after the menu begins; null for the whole menu, or none.';

create table question_too (
    household_id uuid not null,
    question_id  uuid not null,
    account_id   uuid not null,
    constraint question_too_key primary key (household_id, question_id, account_id),
    constraint question_too_question foreign key (household_id, question_id) references question on delete cascade,
    constraint question_too_member foreign key (household_id, account_id) references group_member on delete cascade
);
comment on table question_too is 'Members who ask the same.';

create table question_report (
    household_id uuid not null,
    question_id  uuid not null,
    account_id   uuid not null,
    why          text not null constraint question_report_why_length check (char_length(why) between 1 and 300),
    constraint question_report_key primary key (household_id, question_id, account_id),
    constraint question_report_question foreign key (household_id, question_id) references question on delete cascade,
    constraint question_report_member foreign key (household_id, account_id) references group_member on delete cascade
);

create function forget_name() returns trigger language plpgsql as
$$
begin
    update submission set account_id = null where household_id = old.household_id and account_id = old.account_id;
    update question set account_id = null where household_id = old.household_id and account_id = old.account_id;
    return null;
end
$$;
create trigger group_member_gone after delete on group_member for each row execute function forget_name();

do $$
declare
    tenant text;
begin
    foreach tenant in array array['submission', 'question', 'question_too', 'question_report']
    loop
        execute format('alter table %I enable row level security', tenant);
        execute format('alter table %I force row level security', tenant);
        execute format('create policy own_household on %I using (household_id = app_household()) with check (household_id = app_household())', tenant);
    end loop;
end
$$;

-- A member reads what they sent, and what everybody may read; how many ask the same is counted, never told by whom.
create policy own_submission on submission for select using (account_id = app_account());
create policy members_see on question for select
    using ((not is_hidden or account_id = app_account())
        and exists (select 1 from group_member member where member.household_id = question.household_id and member.account_id = app_account()));
create policy members_see on question_too for select
    using (exists (select 1 from group_member member where member.household_id = question_too.household_id and member.account_id = app_account()));

-- Mail leaves through an outbox: it is written in the transaction that causes it. Who sends it on (a stand-in shows it on a page) takes it
-- from there. A desk never reads what is written to a member, and a kitchen never what is written to one of its people.

alter table group_link
    add column address text constraint group_link_address_length check (char_length(address) between 3 and 254);
comment on column group_link.address is 'Whom alone it is for; null for a link that is handed round.';
create unique index group_link_by_address on group_link (household_id, address);

alter table submission
    add column answered_at timestamptz;
comment on column submission.answered_at is 'When the desk last said something of it.';

alter table account
    add column mail_off boolean not null default false,
    add column digest_at timestamptz not null default now();
comment on column account.mail_off is 'Whether they want no mail of what is new in their groups.';
comment on column account.digest_at is 'What is older was in a mail before.';

create table mail (
    household_id uuid not null constraint mail_household references household,
    id           uuid not null,
    account_id   uuid constraint mail_reader references account,
    address      text not null constraint mail_address_length check (char_length(address) between 3 and 254),
    subject      text not null constraint mail_subject_length check (char_length(subject) between 1 and 200),
    body         text not null constraint mail_body_length check (char_length(body) <= 20000),
    sealed_path  text not null,
    made_at      timestamptz not null,
    constraint mail_key primary key (household_id, id)
);
create index mail_by_account on mail (account_id);
comment on column mail.account_id is 'Who alone reads it; null for what a desk sends.';
comment on column mail.sealed_path is 'Where its link leads, encrypted: who reads the table cannot use it. It stands in the body as {link}.';

alter table mail enable row level security;
alter table mail force row level security;
create policy own_household on mail
    using (household_id = app_household() and (account_id is null or account_id = app_account()))
    with check (household_id = app_household() and (account_id is null or account_id = app_account()));
create policy own_mail on mail for select using (account_id = app_account());

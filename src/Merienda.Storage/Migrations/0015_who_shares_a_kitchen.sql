-- Another adult comes by a link that is used once and expires; an account that belongs to several households works in one at a time.

alter table account add column works_in uuid;
comment on column account.works_in is 'The household it chose last. No foreign key: it falls back to another one when it belongs there no more.';

create table invitation (
    household_id uuid not null constraint invitation_household references household,
    id           uuid not null,
    secret_hash  text not null constraint invitation_secret_unique unique,
    made_by      uuid not null constraint invitation_maker references account,
    expires_at   timestamptz not null,
    used_by      uuid constraint invitation_user references account,
    constraint invitation_key primary key (household_id, id)
);
comment on column invitation.secret_hash is 'SHA-256 of the link''s secret: who reads the table cannot make the link.';
alter table invitation enable row level security;
alter table invitation force row level security;
create policy own_household on invitation using (household_id = app_household()) with check (household_id = app_household());

-- One account works in several orchards, each with a role of its own. Who left stays known by name on what they wrote.
alter table membership
    drop constraint membership_pkey,
    drop constraint membership_role_check,
    add column joined_at timestamptz not null default now(),
    add column left_at timestamptz;
update membership set role = 'WORKER' where role = 'HELPER';
-- Those who only wrote records on another machine never could come in here.
update membership m set left_at = now() from account a where a.id = m.account_id and a.email is null;
alter table membership
    add primary key (account_id, orchard_id),
    add constraint membership_role_check check (role in ('OWNER', 'MANAGER', 'WORKER', 'VIEWER'));
create index membership_orchard on membership (orchard_id);

-- Sessions that began under a lower number have ended: a changed password raises it.
alter table account add column session_epoch int not null default 0;

-- What one person hands to another to come in: good once, and for a while. Only a hash is kept of the key.
create table access_link (
    id           uuid primary key,
    kind         text not null check (kind in ('INVITATION', 'RESET')),
    key_hash     text not null unique,
    orchard_id   uuid references orchard,
    role         text check (role in ('MANAGER', 'WORKER', 'VIEWER')),
    account_id   uuid references account,
    note         text not null check (length(note) <= 80),
    made_by      uuid references account,
    made_at      timestamptz not null,
    valid_until  timestamptz not null,
    used_at      timestamptz,
    used_by      uuid references account,
    withdrawn_at timestamptz,
    check ((kind = 'INVITATION') = (role is not null)),
    check ((kind = 'RESET') = (account_id is not null)),
    check (kind = 'RESET' or orchard_id is not null),
    check (used_at is null or withdrawn_at is null)
);
create index access_link_orchard on access_link (orchard_id);

-- Who came in, from where, and who was refused; and what owners did about it.
create table access_event (
    id         bigint generated always as identity primary key,
    kind       text not null,
    at         timestamptz not null,
    account_id uuid references account,
    orchard_id uuid references orchard,
    by_id      uuid references account,
    address    text not null default '' check (length(address) <= 64),
    device     text not null default '' check (length(device) <= 80),
    detail     text not null default '' check (length(detail) <= 80)
);
create index access_event_account on access_event (account_id, at desc);
create index access_event_orchard on access_event (orchard_id, at desc);

-- What a session holds has another form now: everybody signs in once more.
delete from spring_session;

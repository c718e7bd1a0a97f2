-- One evening's work: accounts, an orchard with its trees, readings, pollen and its ledger, pollinations, checks.
-- Every record of an orchard carries the orchard's id; references are pairs (orchard, id), so that no record can point into
-- another orchard whatever the program does. Nothing is deleted: records are voided with a reason.

create table account (
    id            uuid primary key,
    email         text not null,
    name          text not null check (length(trim(name)) between 1 and 80),
    password_hash text not null,
    created_at    timestamptz not null
);
create unique index account_email on account (lower(email));

create table orchard (
    id              uuid primary key,
    name            text not null check (length(trim(name)) between 1 and 80),
    latitude        double precision not null check (latitude between -90 and 90),
    longitude       double precision not null check (longitude between -180 and 180),
    zone            text not null,
    usual_minimum_c double precision not null check (usual_minimum_c between -60 and 60),
    usual_maximum_c double precision not null check (usual_maximum_c between -60 and 60),
    units           text not null check (units in ('METRIC', 'IMPERIAL')),
    demo_now        timestamptz,
    version         bigint not null,
    check (usual_maximum_c >= usual_minimum_c)
);

create table membership (
    account_id uuid not null references account,
    orchard_id uuid not null references orchard,
    role       text not null check (role in ('OWNER', 'HELPER')),
    primary key (account_id)
);

create table variety (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    crop        text not null,
    name        text not null check (length(trim(name)) between 1 and 80),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create unique index variety_name on variety (orchard_id, crop, lower(name)) where voided_at is null;

create table tree (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    variety_id  uuid not null,
    name        text not null check (length(trim(name)) between 1 and 80),
    block       text not null,
    row_number  int not null check (row_number between 0 and 100000),
    position    int not null check (position between 0 and 100000),
    planted_on  date,
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, variety_id) references variety (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create unique index tree_name on tree (orchard_id, lower(name)) where voided_at is null;

create table reading (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    tree_id     uuid not null,
    taken_at    timestamptz not null,
    note        text not null check (length(note) <= 2000),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, tree_id) references tree (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create index reading_tree on reading (orchard_id, tree_id, taken_at);

create table reading_count (
    reading_id uuid not null references reading,
    stage      text not null,
    flowers    int not null check (flowers between 0 and 20000),
    primary key (reading_id, stage)
);

create table pollen_lot (
    id              uuid primary key,
    orchard_id      uuid not null references orchard,
    variety_id      uuid not null,
    code            text not null,
    collected_at    timestamptz not null,
    storage         text not null check (storage in ('ROOM', 'FRIDGE', 'FRIDGE_DESICCANT', 'FREEZER')),
    doses_collected int not null check (doses_collected between 0 and 1000000),
    doses_left      int not null,
    note            text not null check (length(note) <= 2000),
    recorded_by     uuid not null references account,
    recorded_at     timestamptz not null,
    zone            text not null,
    voided_at       timestamptz,
    void_reason     text check (void_reason is null or length(void_reason) between 1 and 500),
    version         bigint not null,
    unique (orchard_id, id),
    unique (orchard_id, code),
    foreign key (orchard_id, variety_id) references variety (orchard_id, id),
    -- The last word on drawing: whatever the program does, a jar is never below empty nor above what went in.
    constraint pollen_lot_doses_left check (doses_left between 0 and doses_collected),
    check ((voided_at is null) = (void_reason is null))
);

create table pollen_lot_source (
    lot_id  uuid not null references pollen_lot,
    tree_id uuid not null references tree,
    flowers int not null check (flowers between 1 and 20000),
    primary key (lot_id, tree_id)
);

create table pollination (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    tree_id     uuid not null,
    lot_id      uuid not null,
    flowers     int not null check (flowers between 1 and 20000),
    done_at     timestamptz not null,
    mark        text not null check (length(mark) <= 80),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    unique (id, flowers),
    foreign key (orchard_id, tree_id) references tree (orchard_id, id),
    foreign key (orchard_id, lot_id) references pollen_lot (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create index pollination_tree on pollination (orchard_id, tree_id, done_at);

-- What went out of a jar and came back. One draw and at most one return for a pollination.
create table pollen_entry (
    id             bigint generated always as identity primary key,
    lot_id         uuid not null references pollen_lot,
    pollination_id uuid not null references pollination,
    kind           text not null check (kind in ('DRAWN', 'RETURNED')),
    doses          int not null check (doses > 0),
    recorded_at    timestamptz not null,
    unique (pollination_id, kind)
);
create index pollen_entry_lot on pollen_entry (lot_id);

create table fruit_check (
    id             uuid primary key,
    orchard_id     uuid not null references orchard,
    pollination_id uuid not null,
    flowers        int not null,
    checked_at     timestamptz not null,
    taken          int not null check (taken >= 0),
    failed         int not null check (failed >= 0),
    unknown        int not null check (unknown >= 0),
    note           text not null check (length(note) <= 2000),
    recorded_by    uuid not null references account,
    recorded_at    timestamptz not null,
    zone           text not null,
    voided_at      timestamptz,
    void_reason    text check (void_reason is null or length(void_reason) between 1 and 500),
    version        bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, pollination_id) references pollination (orchard_id, id),
    -- The pollination's own number of flowers stands here too, so that the sum can be checked in one row.
    foreign key (pollination_id, flowers) references pollination (id, flowers),
    constraint fruit_check_outcomes check (taken + failed + unknown between 1 and flowers),
    check ((voided_at is null) = (void_reason is null))
);
create index fruit_check_pollination on fruit_check (orchard_id, pollination_id);

-- Sessions, as Spring Session keeps them.
create table spring_session (
    primary_id            char(36) not null primary key,
    session_id            char(36) not null,
    creation_time         bigint not null,
    last_access_time      bigint not null,
    max_inactive_interval int not null,
    expiry_time           bigint not null,
    principal_name        varchar(100)
);
create unique index spring_session_ix1 on spring_session (session_id);
create index spring_session_ix2 on spring_session (expiry_time);
create index spring_session_ix3 on spring_session (principal_name);
create table spring_session_attributes (
    session_primary_id char(36) not null references spring_session (primary_id) on delete cascade,
    attribute_name     varchar(200) not null,
    attribute_bytes    bytea not null,
    primary key (session_primary_id, attribute_name)
);

-- History of what can change, as Hibernate Envers keeps it: who changed what and when.
create sequence revision_seq increment by 50;
create table revision (
    id         bigint primary key,
    at         timestamptz not null,
    account_id uuid
);
create table orchard_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    name text, latitude double precision, longitude double precision, zone text, usual_minimum_c double precision,
    usual_maximum_c double precision, units text,
    primary key (id, revision)
);
create table variety_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, crop text, name text, recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz,
    void_reason text, primary key (id, revision)
);
create table tree_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, variety_id uuid, name text, block text, row_number int, position int, planted_on date,
    recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text,
    primary key (id, revision)
);
create table reading_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, tree_id uuid, taken_at timestamptz, note text, recorded_by uuid, recorded_at timestamptz, zone text,
    voided_at timestamptz, void_reason text, primary key (id, revision)
);
create table pollen_lot_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, variety_id uuid, code text, collected_at timestamptz, storage text, doses_collected int, note text,
    recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text,
    primary key (id, revision)
);
create table pollination_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, tree_id uuid, lot_id uuid, flowers int, done_at timestamptz, mark text, recorded_by uuid,
    recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);
create table fruit_check_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, pollination_id uuid, flowers int, checked_at timestamptz, taken int, failed int, unknown int, note text,
    recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text,
    primary key (id, revision)
);

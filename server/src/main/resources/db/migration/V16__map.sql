-- Where a tree stands, as it was measured, dragged or typed. The latest that was not withdrawn counts.
create table tree_spot (
    id           uuid primary key,
    orchard_id   uuid not null references orchard,
    tree_id      uuid not null,
    latitude     double precision not null check (latitude between -90 and 90),
    longitude    double precision not null check (longitude between -180 and 180),
    accuracy_m   double precision check (accuracy_m between 0 and 100000),
    how          text not null check (how in ('GPS', 'DRAGGED', 'TYPED', 'FILE')),
    recorded_by  uuid not null references account,
    recorded_at  timestamptz not null,
    zone         text not null,
    voided_at    timestamptz,
    void_reason  text check (void_reason is null or length(void_reason) between 1 and 500),
    version      bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, tree_id) references tree (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create index tree_spot_tree on tree_spot (orchard_id, tree_id, recorded_at) where voided_at is null;

-- How the rows of a block lie.
create table block_rows (
    id              uuid primary key,
    orchard_id      uuid not null references orchard,
    block           text not null,
    row_spacing_m   double precision not null check (row_spacing_m between 0.1 and 100),
    place_spacing_m double precision not null check (place_spacing_m between 0.1 and 100),
    bearing         double precision check (bearing between 0 and 360),
    recorded_by     uuid not null references account,
    recorded_at     timestamptz not null,
    zone            text not null,
    voided_at       timestamptz,
    void_reason     text check (void_reason is null or length(void_reason) between 1 and 500),
    version         bigint not null,
    unique (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create unique index block_rows_block on block_rows (orchard_id, block) where voided_at is null;

create table tree_spot_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, tree_id uuid, latitude double precision, longitude double precision, accuracy_m double precision, how text,
    recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);
create table block_rows_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, block text, row_spacing_m double precision, place_spacing_m double precision, bearing double precision,
    recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);

-- A file that was imported is a record: what it wrote and changed can be undone as a whole.
create table import_run (
    id uuid primary key,
    orchard_id uuid not null references orchard,
    kind text not null check (length(kind) between 1 and 60),
    file_name text not null check (length(file_name) between 1 and 200),
    lines int not null check (lines >= 1),
    written jsonb not null,
    changed jsonb not null,
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone text not null,
    voided_at timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version bigint not null,
    unique (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create index import_run_of on import_run (orchard_id, recorded_at);
create table import_run_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint, orchard_id uuid, kind text, file_name text, lines int,
    written jsonb, changed jsonb, recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text,
    primary key (id, revision)
);

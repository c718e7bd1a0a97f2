-- What an authority allows.
create table permit (
    id             uuid primary key,
    orchard_id     uuid not null references orchard,
    number         text not null check (length(number) between 1 and 100),
    authority      text not null check (length(authority) between 1 and 200),
    crop           text check (length(crop) between 1 and 60),
    for_flowers    boolean not null,
    for_pollen_in  boolean not null,
    for_pollen_out boolean not null,
    valid_from     date not null,
    valid_until    date,
    conditions     text not null check (length(conditions) <= 4000),
    file_name      text check (length(file_name) between 1 and 200),
    pdf            bytea check (octet_length(pdf) between 1 and 8000000),
    recorded_by    uuid not null references account,
    recorded_at    timestamptz not null,
    zone           text not null,
    voided_at      timestamptz,
    void_reason    text check (void_reason is null or length(void_reason) between 1 and 500),
    version        bigint not null,
    unique (orchard_id, id),
    constraint permit_allows_something check (for_flowers or for_pollen_in or for_pollen_out),
    constraint permit_ends_after_it_begins check (valid_until >= valid_from),
    check ((file_name is null) = (pdf is null)),
    check ((voided_at is null) = (void_reason is null))
);
create table permit_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint, orchard_id uuid, number text, authority text, crop text,
    for_flowers boolean, for_pollen_in boolean, for_pollen_out boolean, valid_from date, valid_until date, conditions text, file_name text,
    recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text,
    primary key (id, revision)
);

-- Reading and foreseeing bloom: limbs and partial counts, weather, the seasons' dates, an orchard's own numbers on crop sheets.

alter table reading
    add column limb text not null default '' check (length(limb) <= 40),
    add column share double precision not null default 1 check (share > 0 and share <= 1),
    add column surprise_stage text,
    add column surprise_expected double precision check (surprise_expected >= 0),
    add check ((surprise_stage is null) = (surprise_expected is null));
alter table reading_history
    add column limb text, add column share double precision, add column surprise_stage text,
    add column surprise_expected double precision;
create index reading_recent on reading (orchard_id, taken_at) where voided_at is null;

-- One import, one typed forecast, or one station; its rows count as long as it is not voided.
create table weather_record (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    kind        text not null check (kind in ('HOURS', 'DAYS', 'FORECAST', 'STATION')),
    name        text not null check (length(trim(name)) between 1 and 200),
    key_hash    text check (key_hash is null or kind = 'STATION'),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create index weather_record_orchard on weather_record (orchard_id, recorded_at) where voided_at is null;
create unique index weather_record_key on weather_record (key_hash) where key_hash is not null;

create table weather_hour (
    record_id uuid not null references weather_record,
    at        timestamptz not null check (date_trunc('hour', at, 'UTC') = at),
    celsius   double precision not null check (celsius between -60 and 60),
    humidity  double precision check (humidity between 0 and 100),
    primary key (record_id, at)
);
create table weather_day (
    record_id uuid not null references weather_record,
    date      date not null,
    minimum_c double precision not null check (minimum_c between -60 and 60),
    maximum_c double precision not null check (maximum_c between -60 and 60),
    humidity  double precision check (humidity between 0 and 100),
    primary key (record_id, date),
    check (maximum_c >= minimum_c)
);

-- When a variety flowered in a year.
create table bloom_date (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    variety_id  uuid not null,
    year        int not null check (year between 1900 and 2200),
    leaf_out    date,
    first_bloom date,
    full_bloom  date,
    last_bloom  date,
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, variety_id) references variety (orchard_id, id),
    check (coalesce(leaf_out, first_bloom) is not null),
    check (full_bloom is null or full_bloom >= first_bloom),
    check (last_bloom is null or last_bloom >= full_bloom),
    check (first_bloom is not null or full_bloom is null),
    check (full_bloom is not null or last_bloom is null),
    check ((voided_at is null) = (void_reason is null))
);
create unique index bloom_date_year on bloom_date (orchard_id, variety_id, year) where voided_at is null;

-- An orchard's own numbers on a crop's sheets: each change is a new row, the latest that is not voided counts.
create table own_sheet (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    crop        text not null,
    numbers     jsonb not null,
    note        text not null check (length(note) <= 2000),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create index own_sheet_crop on own_sheet (orchard_id, crop, recorded_at);

-- What is known of a block for "is my hand needed?".
create table block_note (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    block       text not null,
    sea_km      double precision check (sea_km between 0 and 10000),
    insects     text not null check (insects in ('NONE', 'FEW', 'MANY', 'NOT_LOOKED')),
    indoors     boolean not null,
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create unique index block_note_block on block_note (orchard_id, block) where voided_at is null;

create table weather_record_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, kind text, name text, recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz,
    void_reason text, primary key (id, revision)
);
create table bloom_date_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, variety_id uuid, year int, leaf_out date, first_bloom date, full_bloom date, last_bloom date, recorded_by uuid,
    recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);
create table own_sheet_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, crop text, numbers jsonb, note text, recorded_by uuid, recorded_at timestamptz, zone text,
    voided_at timestamptz, void_reason text, primary key (id, revision)
);
create table block_note_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, block text, sea_km double precision, insects text, indoors boolean, recorded_by uuid,
    recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);

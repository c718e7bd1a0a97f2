-- Rounds of the coming days: what is wanted, when somebody can go, what was decided beforehand; and walks, which two may walk at once.

-- One record an orchard: hours, days away, and which schools its people follow.
create table round_settings (
    id               uuid primary key,
    orchard_id       uuid not null references orchard,
    pollen_age       text not null check (pollen_age in ('STORED', 'SAME_HOUR')),
    strokes          text not null check (strokes in ('AS_SHEET', 'FULL', 'LIGHT')),
    flowers_per_hour int not null check (flowers_per_hour between 1 and 2000),
    every_day        jsonb not null,
    single_days      jsonb not null,
    away             jsonb not null,
    recorded_by      uuid not null references account,
    recorded_at      timestamptz not null,
    zone             text not null,
    voided_at        timestamptz,
    void_reason      text check (void_reason is null or length(void_reason) between 1 and 500),
    version          bigint not null,
    unique (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create unique index round_settings_one on round_settings (orchard_id) where voided_at is null;

-- What is wanted of a tree, or of each tree of a variety. Without a number the trunk says what it can carry.
create table fruit_target (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    tree_id     uuid,
    variety_id  uuid,
    fruits      int check (fruits between 0 and 100000),
    girth_cm    double precision check (girth_cm > 0 and girth_cm <= 1000),
    limbs_mm    jsonb not null,
    confidence  int not null check (confidence in (80, 90, 95)),
    priority    int not null check (priority between 0 and 3),
    note        text not null check (length(note) <= 2000),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, tree_id) references tree (orchard_id, id),
    foreign key (orchard_id, variety_id) references variety (orchard_id, id),
    check ((tree_id is null) <> (variety_id is null)),
    check (variety_id is null or girth_cm is null),
    check ((voided_at is null) = (void_reason is null))
);
create unique index fruit_target_tree on fruit_target (orchard_id, tree_id) where voided_at is null and tree_id is not null;
create unique index fruit_target_variety on fruit_target (orchard_id, variety_id) where voided_at is null and variety_id is not null;

-- What a person decided of a pair of tree and jar: so many flowers at least on a day, or never.
create table round_choice (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    tree_id     uuid not null,
    lot_id      uuid not null,
    flowers     int not null check (flowers between 0 and 20000),
    on_day      date,
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, tree_id) references tree (orchard_id, id),
    foreign key (orchard_id, lot_id) references pollen_lot (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create index round_choice_orchard on round_choice (orchard_id) where voided_at is null;

-- A round that is walked: the stops as they were planned.
create table walk (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    planned_for timestamptz not null,
    stops       jsonb not null,
    cautions    jsonb not null,
    closed_at   timestamptz,
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create index walk_orchard on walk (orchard_id, recorded_at);

-- What somebody saw at a stop beside flowers done.
create table walk_word (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    walk_id     uuid not null,
    stop        int not null check (stop between 0 and 10000),
    kind        text not null check (kind in ('NOT_OPEN', 'TOO_LATE', 'NONE_LEFT', 'NOTE')),
    note        text not null check (length(note) <= 2000),
    said_at     timestamptz not null,
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, walk_id) references walk (orchard_id, id),
    check (kind <> 'NOTE' or note <> ''),
    check ((voided_at is null) = (void_reason is null))
);
create index walk_word_walk on walk_word (orchard_id, walk_id);

-- Pictures taken at a stop, drawn anew without what a camera writes beside them.
create table walk_photo (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    walk_id     uuid not null,
    stop        int not null check (stop between 0 and 10000),
    taken_at    timestamptz not null,
    jpeg        bytea not null check (octet_length(jpeg) between 1 and 4000000),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, walk_id) references walk (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create index walk_photo_walk on walk_photo (orchard_id, walk_id);
create table walk_photo_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, walk_id uuid, stop int, taken_at timestamptz, recorded_by uuid, recorded_at timestamptz, zone text,
    voided_at timestamptz, void_reason text, primary key (id, revision)
);

-- Addresses under which calendar programs find the rounds.
create table calendar_feed (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    name        text not null check (length(name) between 1 and 80),
    key_hash    text not null unique,
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create table calendar_feed_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, name text, key_hash text, recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz,
    void_reason text, primary key (id, revision)
);

-- Which walk and stop flowers belong to, and how they are marked. A tag number is used once a year in an orchard.
alter table pollination
    add column walk_id uuid,
    add column stop int check (stop between 0 and 10000),
    add column mark_lasts text check (mark_lasts in ('PETALS', 'HARVEST', 'FRUIT')),
    add column colour text not null default '' check (length(colour) <= 40),
    add column tag text not null default '' check (length(tag) <= 40),
    add column tag_year int,
    add foreign key (orchard_id, walk_id) references walk (orchard_id, id),
    add check ((walk_id is null) = (stop is null)),
    add check ((tag = '') = (tag_year is null));
create unique index pollination_tag on pollination (orchard_id, tag_year, lower(tag)) where voided_at is null and tag <> '';
create index pollination_walk on pollination (orchard_id, walk_id) where walk_id is not null;
alter table pollination_history
    add column walk_id uuid, add column stop int, add column mark_lasts text, add column colour text, add column tag text,
    add column tag_year int;

create table round_settings_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, pollen_age text, strokes text, flowers_per_hour int, every_day jsonb, single_days jsonb, away jsonb,
    recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);
create table fruit_target_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, tree_id uuid, variety_id uuid, fruits int, girth_cm double precision, limbs_mm jsonb, confidence int,
    priority int, note text, recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text,
    primary key (id, revision)
);
create table round_choice_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, tree_id uuid, lot_id uuid, flowers int, on_day date, recorded_by uuid, recorded_at timestamptz,
    zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);
create table walk_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, planned_for timestamptz, stops jsonb, cautions jsonb, closed_at timestamptz, recorded_by uuid,
    recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);
create table walk_word_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, walk_id uuid, stop int, kind text, note text, said_at timestamptz, recorded_by uuid,
    recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);

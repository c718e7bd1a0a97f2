-- Crosses made ready and worked step by step; flowers pollinated from one to the next without a jar; figs measured; places of pictures.

-- A wish says how many flowers, or how many seeds; with seeds the flowers are reckoned.
alter table cross_wish
    alter column flowers drop not null,
    add column seeds int check (seeds between 1 and 100000),
    add column priority int not null default 1 check (priority between 0 and 3),
    add check (flowers is not null or seeds is not null);
alter table cross_wish_history add column seeds int, add column priority int;

-- Flowers of one tree that are crossed with one father together. Its number is used once a year in an orchard.
create table crossing (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    tree_id     uuid not null,
    father_id   uuid not null,
    wish_id     uuid,
    walk_id     uuid,
    year        int not null check (year between 1900 and 2200),
    number      int not null check (number between 1 and 100000),
    planned     int not null check (planned between 1 and 20000),
    bag         boolean not null,
    visits      text not null check (visits in ('AT_ONCE', 'WHEN_RIPE', 'TWICE')),
    note        text not null check (length(note) <= 2000),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    unique (orchard_id, year, number),
    foreign key (orchard_id, tree_id) references tree (orchard_id, id),
    foreign key (orchard_id, father_id) references variety (orchard_id, id),
    foreign key (orchard_id, wish_id) references cross_wish (orchard_id, id),
    foreign key (orchard_id, walk_id) references walk (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);

-- A step that was done on them; giving pollen is a pollination.
create table crossing_step (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    crossing_id uuid not null,
    kind        text not null check (kind in ('THIN', 'EMASCULATE', 'BAG', 'REBAG', 'BAG_OFF')),
    flowers     int not null check (flowers between 0 and 20000),
    done_at     timestamptz not null,
    note        text not null check (length(note) <= 2000),
    walk_id     uuid,
    stop        int check (stop between 0 and 10000),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, crossing_id) references crossing (orchard_id, id),
    foreign key (orchard_id, walk_id) references walk (orchard_id, id),
    check ((walk_id is null) = (stop is null)),
    check ((voided_at is null) = (void_reason is null))
);
create index crossing_step_crossing on crossing_step (orchard_id, crossing_id);
create index crossing_step_walk on crossing_step (orchard_id, walk_id) where walk_id is not null;

-- The cross it belongs to, and whether the same flowers had pollen before. Without a jar the pollen is the flowers' own.
alter table pollination
    alter column lot_id drop not null,
    add column crossing_id uuid,
    add column again boolean not null default false,
    add foreign key (orchard_id, crossing_id) references crossing (orchard_id, id),
    add check (not again or crossing_id is not null),
    add check (crossing_id is null or lot_id is not null);
create index pollination_crossing on pollination (orchard_id, crossing_id) where crossing_id is not null;
alter table pollination_history add column crossing_id uuid, add column again boolean;

create table crossing_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, tree_id uuid, father_id uuid, wish_id uuid, walk_id uuid, year int, number int, planned int, bag boolean,
    visits text, note text, recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text,
    primary key (id, revision)
);
create table crossing_step_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, crossing_id uuid, kind text, flowers int, done_at timestamptz, note text, walk_id uuid, stop int,
    recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);

-- One fig's size on a day, by the name of its mark.
create table fig_size (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    tree_id     uuid not null,
    fig         text not null check (length(trim(fig)) between 1 and 40),
    diameter_mm double precision not null check (diameter_mm between 1 and 200),
    eye         text not null check (eye in ('TIGHT_GREEN', 'LOOSENING_GREEN', 'COLOURED')),
    measured_at timestamptz not null,
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
create index fig_size_tree on fig_size (orchard_id, tree_id) where voided_at is null;
create table fig_size_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, tree_id uuid, fig text, diameter_mm double precision, eye text, measured_at timestamptz, recorded_by uuid,
    recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);

-- Where a picture was taken, kept only where the orchard's people want it.
alter table round_settings add column keep_photo_place boolean not null default false;
alter table round_settings_history add column keep_photo_place boolean;
alter table walk_photo
    add column latitude double precision check (latitude between -90 and 90),
    add column longitude double precision check (longitude between -180 and 180),
    add check ((latitude is null) = (longitude is null));
alter table walk_photo_history add column latitude double precision, add column longitude double precision;

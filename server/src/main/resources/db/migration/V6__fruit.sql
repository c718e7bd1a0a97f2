-- What becomes of flowers: looks in more detail, whole limbs, single fruits, comparisons drawn by lot; and what follows from all of it,
-- kept ready.

-- How a flower was treated. Left to nature, or bagged and not pollinated, it is tagged and followed as those done by hand.
alter table pollination
    add column treatment text not null default 'HAND' check (treatment in ('HAND', 'NATURE', 'BAGGED')),
    add column stage text check (length(stage) between 1 and 60),
    add column strokes text check (strokes in ('FULL', 'LIGHT')),
    add column tool text not null default '' check (length(tool) <= 60),
    add column limb text check (limb in ('TRUNK', 'STOUT', 'TWIG', 'BRANCH_END')),
    add column comparison_id uuid,
    add column slot int check (slot between 0 and 100000),
    add check (treatment = 'HAND' or (lot_id is null and crossing_id is null)),
    add check ((comparison_id is null) = (slot is null));
create unique index pollination_slot on pollination (orchard_id, comparison_id, slot) where voided_at is null and comparison_id is not null;
create index pollination_done on pollination (orchard_id, done_at);
alter table pollination_history
    add column treatment text, add column stage text, add column strokes text, add column tool text, add column limb text,
    add column comparison_id uuid, add column slot int;

-- Each number is of all flowers of the pollination up to that day.
alter table fruit_check
    add column thinned int not null default 0 check (thinned >= 0),
    add column lost int not null default 0 check (lost >= 0),
    add column fruits int check (fruits between 0 and 1000000),
    add column whole int check (whole >= 0),
    add column one_sided int check (one_sided >= 0),
    add column crooked int check (crooked >= 0),
    add column size_mm double precision check (size_mm > 0 and size_mm <= 1000),
    add column resting int check (resting >= 0),
    drop constraint fruit_check_outcomes,
    add constraint fruit_check_outcomes check (taken + failed + unknown + thinned + lost between 1 and flowers);
alter table fruit_check_history
    add column thinned int, add column lost int, add column fruits int, add column whole int, add column one_sided int,
    add column crooked int, add column size_mm double precision, add column resting int;

-- Fruit of a whole limb, for who does not tag. The latest count of a limb stands for it.
create table limb_count (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    tree_id     uuid not null,
    limb        text not null check (length(trim(limb)) between 1 and 60),
    counted_at  timestamptz not null,
    fruits      int not null check (fruits between 0 and 1000000),
    taken_off   int not null check (taken_off between 0 and 1000000),
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
create index limb_count_tree on limb_count (orchard_id, tree_id);
create table limb_count_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, tree_id uuid, limb text, counted_at timestamptz, fruits int, taken_off int, note text, recorded_by uuid,
    recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);

-- A single fruit: numbered, and how it ended. What it weighed and held stands with its end.
create table fruit (
    id             uuid primary key,
    orchard_id     uuid not null references orchard,
    tree_id        uuid not null,
    pollination_id uuid,
    year           int not null check (year between 1900 and 2200),
    number         int check (number between 1 and 1000000),
    numbered_at    timestamptz,
    ended          text check (ended in ('HARVESTED', 'FALLEN', 'TAKEN_OFF')),
    ended_at       timestamptz,
    weight_g       double precision check (weight_g > 0 and weight_g <= 50000),
    length_mm      double precision check (length_mm > 0 and length_mm <= 1000),
    width_mm       double precision check (width_mm > 0 and width_mm <= 1000),
    shape          text check (shape in ('WHOLE', 'ONE_SIDED', 'CROOKED')),
    seeds          int check (seeds between 0 and 100000),
    empty_seeds    int check (empty_seeds between 0 and 100000),
    sepals_missing boolean,
    taste          int check (taste between 1 and 5),
    note           text not null check (length(note) <= 2000),
    recorded_by    uuid not null references account,
    recorded_at    timestamptz not null,
    zone           text not null,
    voided_at      timestamptz,
    void_reason    text check (void_reason is null or length(void_reason) between 1 and 500),
    version        bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, tree_id) references tree (orchard_id, id),
    foreign key (orchard_id, pollination_id) references pollination (orchard_id, id),
    check ((number is null) = (numbered_at is null)),
    check ((ended is null) = (ended_at is null)),
    check (number is not null or ended is not null),
    check (empty_seeds is null or seeds is not null),
    check ((voided_at is null) = (void_reason is null))
);
create unique index fruit_number on fruit (orchard_id, year, number) where voided_at is null and number is not null;
create index fruit_year on fruit (orchard_id, year);
create index fruit_tree on fruit (orchard_id, tree_id);
create index fruit_pollination on fruit (orchard_id, pollination_id) where pollination_id is not null;
create table fruit_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, tree_id uuid, pollination_id uuid, year int, number int, numbered_at timestamptz, ended text,
    ended_at timestamptz, weight_g double precision, length_mm double precision, width_mm double precision, shape text,
    seeds int, empty_seeds int, sepals_missing boolean, taste int, note text, recorded_by uuid, recorded_at timestamptz,
    zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);

-- Flowers treated in two or more ways that were drawn by lot. The seed and what it drew are kept.
create table comparison (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    label       text not null check (length(label) between 1 and 20),
    question    text not null check (question in ('NATURE', 'DESICCANT', 'SECOND_VISIT', 'FULL_COVER', 'TOOL', 'OWN')),
    ways        jsonb not null,
    slots       jsonb not null,
    seed        bigint not null,
    expected    jsonb,
    note        text not null check (length(note) <= 2000),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    unique (orchard_id, label),
    check ((voided_at is null) = (void_reason is null))
);
create table comparison_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, label text, question text, ways jsonb, slots jsonb, seed bigint, expected jsonb, note text, recorded_by uuid,
    recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);
alter table pollination add foreign key (orchard_id, comparison_id) references comparison (orchard_id, id);

-- Whether the numbers learned here take the place of those on the crop sheets.
alter table round_settings add column use_learned boolean not null default true;
alter table round_settings_history add column use_learned boolean;

-- What has become of the flowers of each pollination, with what could have made a difference; follows from the records, kept ready.
create table fate (
    pollination_id uuid primary key references pollination,
    orchard_id     uuid not null,
    season         int not null,
    crop           text not null,
    tree_id        uuid not null,
    variety_id     uuid not null,
    father_id      uuid,
    treatment      text not null,
    done_on        date not null,
    flowers        int not null,
    took           int not null,
    failed         int not null,
    next_look      date,
    levels         text not null,
    course         text not null
);
create index fate_next on fate (orchard_id, next_look) where next_look is not null;
create index fate_tree on fate (orchard_id, tree_id, done_on);
create index fate_day on fate (orchard_id, done_on);
create index fate_pair on fate (orchard_id, variety_id, father_id);

-- Pollinations whose fate is to be reckoned anew. Whoever changes one holds its line until the change can be read: a line that was there
-- already must not be worked off before that, hence "do update" below where "do nothing" would seem enough.
create table fate_due (
    orchard_id     uuid not null,
    pollination_id uuid not null,
    primary key (orchard_id, pollination_id)
);

-- Sums of fates: flowers by one factor's class, what was lost on which day, and flowers alike in all causes.
create table set_cell (
    orchard_id uuid not null,
    season     int not null,
    crop       text not null,
    factor     text not null,
    level      text not null,
    took       bigint not null,
    failed     bigint not null,
    undecided  bigint not null,
    primary key (orchard_id, season, crop, factor, level)
);
create table loss_cell (
    orchard_id uuid not null,
    season     int not null,
    crop       text not null,
    factor     text not null,
    level      text not null,
    day        int not null,
    lost       bigint not null,
    censored   bigint not null,
    primary key (orchard_id, season, crop, factor, level, day)
);
create table cause_cell (
    orchard_id uuid not null,
    season     int not null,
    crop       text not null,
    classes    text not null,
    took       bigint not null,
    failed     bigint not null,
    primary key (orchard_id, season, crop, classes)
);

create function fate_due_of_pollination() returns trigger language plpgsql as $$
begin
    insert into fate_due select orchard_id, id from rows
        on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id;
    insert into fate_due select distinct p.orchard_id, p.id
        from rows r join pollination p on p.orchard_id = r.orchard_id and p.crossing_id = r.crossing_id
        where r.again on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id;
    return null;
end $$;
create trigger fate_due_insert after insert on pollination referencing new table as rows
    for each statement execute function fate_due_of_pollination();
create trigger fate_due_update after update on pollination referencing new table as rows
    for each statement execute function fate_due_of_pollination();

create function fate_due_of_check() returns trigger language plpgsql as $$
begin
    insert into fate_due select distinct orchard_id, pollination_id from rows
        on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id;
    return null;
end $$;
create trigger fate_due_insert after insert on fruit_check referencing new table as rows
    for each statement execute function fate_due_of_check();
create trigger fate_due_update after update on fruit_check referencing new table as rows
    for each statement execute function fate_due_of_check();

create function fate_due_of_lot() returns trigger language plpgsql as $$
begin
    insert into fate_due select p.orchard_id, p.id from pollination p
        where p.orchard_id = new.orchard_id and p.lot_id = new.lot_id on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id;
    return null;
end $$;
create trigger fate_due after insert or update on pollen_step for each row execute function fate_due_of_lot();
create index pollination_lot on pollination (orchard_id, lot_id);

create function fate_due_of_tree() returns trigger language plpgsql as $$
begin
    insert into fate_due select p.orchard_id, p.id from pollination p
        where p.orchard_id = new.orchard_id and p.tree_id = new.id on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id;
    return null;
end $$;
create trigger fate_due after update of variety_id on tree for each row when (old.variety_id <> new.variety_id)
    execute function fate_due_of_tree();

create function fate_due_of_sheet() returns trigger language plpgsql as $$
begin
    insert into fate_due select p.orchard_id, p.id
        from variety v join tree t on t.variety_id = v.id join pollination p on p.orchard_id = t.orchard_id and p.tree_id = t.id
        where v.orchard_id = new.orchard_id and v.crop = new.crop on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id;
    return null;
end $$;
create trigger fate_due after insert or update on own_sheet for each row execute function fate_due_of_sheet();

insert into fate_due select orchard_id, id from pollination;

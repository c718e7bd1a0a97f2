-- The life of a jar (steps, tests, blends, a ledger moved by its own lines alone), who may father whom, and wished crosses.

-- What is known of a variety's breeding. Alleles as they are written, one for each set of chromosomes.
alter table variety
    add column alleles text not null default '' check (length(alleles) <= 60),
    add column ploidy int check (ploidy between 2 and 8),
    add column mother_id uuid,
    add column father_id uuid,
    add column sport_of_id uuid,
    add column raised_in int check (raised_in between 1500 and 2200),
    add column small_flowered boolean not null default false,
    add column fig_right_from_mm double precision check (fig_right_from_mm between 1 and 200),
    add column fig_late_from_mm double precision check (fig_late_from_mm between 1 and 200),
    add foreign key (orchard_id, mother_id) references variety (orchard_id, id),
    add foreign key (orchard_id, father_id) references variety (orchard_id, id),
    add foreign key (orchard_id, sport_of_id) references variety (orchard_id, id),
    add check (sport_of_id is null or (mother_id is null and father_id is null and alleles = '' and sport_of_id <> id)),
    add check (id <> all (array_remove(array [mother_id, father_id], null))),
    add check ((fig_right_from_mm is null) = (fig_late_from_mm is null) and fig_right_from_mm < fig_late_from_mm);
alter table variety_history
    add column alleles text, add column ploidy int, add column mother_id uuid, add column father_id uuid,
    add column sport_of_id uuid, add column raised_in int, add column small_flowered boolean,
    add column fig_right_from_mm double precision, add column fig_late_from_mm double precision;

-- How it was collected, and jars that were poured from others. A poured jar of several fathers has no variety of its own.
alter table pollen_lot
    alter column variety_id drop not null,
    add column origin text not null default 'COLLECTED' check (origin in ('COLLECTED', 'POURED')),
    add column way text check (way in ('TAP', 'FLICK', 'COMB', 'SNIP', 'WHOLE_FLOWER', 'BALLOON')),
    add constraint pollen_lot_father check (variety_id is not null or origin = 'POURED');
alter table pollen_lot_history add column origin text, add column way text;

create table pollen_lot_part (
    lot_id  uuid not null references pollen_lot,
    part_id uuid not null references pollen_lot,
    doses   int not null check (doses > 0),
    primary key (lot_id, part_id),
    check (lot_id <> part_id)
);
create index pollen_lot_part_of on pollen_lot_part (part_id);

create table pollen_step (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    lot_id      uuid not null,
    done_at     timestamptz not null,
    kind        text not null check (kind in ('TRAY', 'SUN', 'SEEN_DRY', 'LID', 'STORED')),
    storage     text check (storage in ('ROOM', 'FRIDGE', 'FRIDGE_DESICCANT', 'FREEZER')),
    celsius     double precision check (celsius between -90 and 60),
    humidity    double precision check (humidity between 0 and 100),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, lot_id) references pollen_lot (orchard_id, id),
    check ((kind = 'STORED') = (storage is not null)),
    check ((voided_at is null) = (void_reason is null))
);
create index pollen_step_lot on pollen_step (orchard_id, lot_id);

create table pollen_test (
    id            uuid primary key,
    orchard_id    uuid not null references orchard,
    lot_id        uuid not null,
    tested_at     timestamptz not null,
    fields        jsonb,
    flowers       int check (flowers between 1 and 20000),
    taken         int check (taken between 0 and flowers),
    fresh_flowers int check (fresh_flowers between 0 and 20000),
    fresh_taken   int check (fresh_taken between 0 and fresh_flowers),
    note          text not null check (length(note) <= 2000),
    recorded_by   uuid not null references account,
    recorded_at   timestamptz not null,
    zone          text not null,
    voided_at     timestamptz,
    void_reason   text check (void_reason is null or length(void_reason) between 1 and 500),
    version       bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, lot_id) references pollen_lot (orchard_id, id),
    -- Grains on a medium, or flowers on a tree.
    check ((fields is null) = (flowers is not null)),
    check ((flowers is null) = (taken is null)),
    check ((voided_at is null) = (void_reason is null))
);
create index pollen_test_lot on pollen_test (orchard_id, lot_id);

-- The ledger. Each line says how many doses went in (+) or out (-); lines are only ever added, and what is left in a jar is moved by
-- them alone. A line that was wrong is answered by one that undoes it.
alter table pollen_entry
    add column key uuid unique,
    add column change int,
    add column part_of_id uuid references pollen_lot,
    add column undoes bigint unique references pollen_entry,
    add column at timestamptz,
    add column recorded_by uuid references account,
    add column note text not null default '' check (length(note) <= 500);
update pollen_entry e
    set change = case e.kind when 'DRAWN' then -e.doses else e.doses end,
        at = e.recorded_at,
        recorded_by = (select p.recorded_by from pollination p where p.id = e.pollination_id);
alter table pollen_entry
    drop column doses,
    drop constraint pollen_entry_kind_check,
    alter column pollination_id drop not null,
    alter column change set not null,
    alter column at set not null,
    alter column recorded_by set not null,
    add constraint pollen_entry_kind check (
        (kind in ('DRAWN', 'TAKEN', 'SPILLED', 'DISCARDED', 'POURED_OUT') and change < 0)
        or (kind in ('RETURNED', 'BROUGHT_BACK', 'POURED_BACK') and change > 0)
        or (kind = 'UNDONE' and change <> 0)),
    add check ((kind in ('DRAWN', 'RETURNED')) = (pollination_id is not null)),
    add check ((kind in ('POURED_OUT', 'POURED_BACK')) = (part_of_id is not null)),
    add check ((kind = 'UNDONE') = (undoes is not null));

create function pollen_lot_begins() returns trigger language plpgsql as $$
begin
    new.doses_left := new.doses_collected;
    return new;
end $$;
create trigger pollen_lot_begins before insert on pollen_lot for each row execute function pollen_lot_begins();

create function pollen_entry_counts() returns trigger language plpgsql as $$
begin
    update pollen_lot set doses_left = doses_left + new.change where id = new.lot_id;
    return null;
end $$;
create trigger pollen_entry_counts after insert on pollen_entry for each row execute function pollen_entry_counts();

create function pollen_lot_only_by_ledger() returns trigger language plpgsql as $$
begin
    if pg_trigger_depth() < 2 then
        raise exception 'pollen_lot_only_by_ledger: what is left in a jar is moved by lines of its ledger alone'
            using errcode = 'check_violation';
    end if;
    return new;
end $$;
create trigger pollen_lot_only_by_ledger before update of doses_left, doses_collected on pollen_lot
    for each row when (old.doses_left <> new.doses_left or old.doses_collected <> new.doses_collected)
    execute function pollen_lot_only_by_ledger();

create function pollen_entry_stays() returns trigger language plpgsql as $$
begin
    raise exception 'pollen_entry_stays: a line of the ledger is never changed or removed; add one that undoes it'
        using errcode = 'check_violation';
end $$;
create trigger pollen_entry_stays before update or delete on pollen_entry for each row execute function pollen_entry_stays();

-- What was poured into a jar is what was poured out of its parts, no more and no less, at the end of each transaction.
create function pollen_parts_add_up(poured uuid) returns void language plpgsql as $$
declare
    holds int;
    came int;
    said int;
begin
    select case when voided_at is null then doses_collected else 0 end into holds
        from pollen_lot where id = poured and origin = 'POURED';
    if holds is null then
        return;
    end if;
    select coalesce(-sum(change), 0) into came from pollen_entry where part_of_id = poured;
    select coalesce(sum(doses), 0) into said from pollen_lot_part where lot_id = poured;
    if came <> holds or (holds > 0 and said <> holds) then
        raise exception 'pollen_parts_add_up: a poured jar holds % doses, but % came out of its parts, % by its list', holds, came, said
            using errcode = 'check_violation';
    end if;
end $$;
create function pollen_lot_parts_add_up() returns trigger language plpgsql as $$
begin
    perform pollen_parts_add_up(new.id);
    return null;
end $$;
create function pollen_entry_parts_add_up() returns trigger language plpgsql as $$
begin
    perform pollen_parts_add_up(new.part_of_id);
    return null;
end $$;
create constraint trigger pollen_lot_parts_add_up after insert or update of voided_at on pollen_lot
    deferrable initially deferred for each row when (new.origin = 'POURED') execute function pollen_lot_parts_add_up();
create constraint trigger pollen_entry_parts_add_up after insert on pollen_entry
    deferrable initially deferred for each row when (new.part_of_id is not null) execute function pollen_entry_parts_add_up();

-- A cross somebody wants: this father on that mother.
create table cross_wish (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    mother_id   uuid not null,
    father_id   uuid not null,
    flowers     int not null check (flowers between 1 and 20000),
    note        text not null check (length(note) <= 2000),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, mother_id) references variety (orchard_id, id),
    foreign key (orchard_id, father_id) references variety (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create unique index cross_wish_pair on cross_wish (orchard_id, mother_id, father_id) where voided_at is null;

create table pollen_step_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, lot_id uuid, done_at timestamptz, kind text, storage text, celsius double precision,
    humidity double precision, recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text,
    primary key (id, revision)
);
create table pollen_test_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, lot_id uuid, tested_at timestamptz, fields jsonb, flowers int, taken int, fresh_flowers int, fresh_taken int,
    note text, recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text,
    primary key (id, revision)
);
create table cross_wish_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, mother_id uuid, father_id uuid, flowers int, note text, recorded_by uuid, recorded_at timestamptz,
    zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);

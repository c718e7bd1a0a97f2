-- Seedlings with numbers of their own, what happens to them, and what plants are scored by.
alter table seed_step drop constraint seed_step_kind_check;
alter table seed_step add constraint seed_step_kind_check
    check (kind in ('COOLED', 'SOWN', 'CAME_UP', 'POTTED', 'PLANTED', 'DIED', 'GIVEN_AWAY', 'DISCARDED', 'SEEN'));
alter table seed_step drop constraint seed_step_says_what_left;
alter table seed_step add constraint seed_step_says_what_left
    check ((stage is not null) = (kind in ('DIED', 'GIVEN_AWAY', 'DISCARDED')));

create table seedling (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    seed_lot_id uuid not null,
    -- 26-1 of 26-1-07: the cross, or the lot where no cross is known, as it was named when the number was given.
    stem        text not null check (length(stem) between 1 and 20),
    serial      int not null check (serial between 1 and 99999),
    numbered_at text not null check (numbered_at in ('UP', 'POTTED', 'PLANTED')),
    numbered_on date not null,
    place       text not null check (length(place) <= 60),
    -- The variety that it became.
    variety_id  uuid,
    note        text not null check (length(note) <= 2000),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    constraint seedling_number_once unique (orchard_id, stem, serial),
    foreign key (orchard_id, seed_lot_id) references seed_lot (orchard_id, id),
    foreign key (orchard_id, variety_id) references variety (orchard_id, id),
    check ((voided_at is null) = (void_reason is null))
);
create index seedling_lot on seedling (orchard_id, seed_lot_id);
create index seedling_variety on seedling (orchard_id, variety_id);
create table seedling_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint, orchard_id uuid, seed_lot_id uuid, stem text, serial int,
    numbered_at text, numbered_on date, place text, variety_id uuid, note text,
    recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text,
    primary key (id, revision)
);

create table seedling_step (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    seedling_id uuid not null,
    kind        text not null check (kind in ('POTTED', 'PLANTED', 'MOVED', 'GRAFTED', 'FLOWERED', 'FRUITED', 'SELECTED', 'SEEN',
        'DISCARDED', 'DIED', 'GIVEN_AWAY')),
    done_on     date not null,
    -- Where it stands from then on.
    place       text check (length(place) between 1 and 60),
    rootstock   text check (length(rootstock) between 1 and 60),
    note        text not null check (length(note) <= 2000),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, seedling_id) references seedling (orchard_id, id),
    constraint seedling_step_says_rootstock check ((rootstock is not null) = (kind = 'GRAFTED')),
    constraint seedling_step_says_place check (place is not null or kind <> 'MOVED'),
    check ((voided_at is null) = (void_reason is null))
);
create index seedling_step_of on seedling_step (orchard_id, seedling_id);
create table seedling_step_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint, orchard_id uuid, seedling_id uuid, kind text,
    done_on date, place text, rootstock text, note text,
    recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text,
    primary key (id, revision)
);

create table trait (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    crop        text not null,
    name        text not null check (length(name) between 1 and 60),
    unit        text not null check (length(unit) <= 30),
    low         double precision not null check (low between -1000000 and 1000000),
    high        double precision not null check (high between -1000000 and 1000000),
    better      text not null check (better in ('HIGH', 'LOW', 'NEITHER')),
    -- For a shortlist.
    weight      double precision not null check (weight between 0 and 10),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    check (low < high),
    check ((voided_at is null) = (void_reason is null))
);
create unique index trait_name_once on trait (orchard_id, crop, lower(name)) where voided_at is null;
create table trait_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint, orchard_id uuid, crop text, name text, unit text,
    low double precision, high double precision, better text, weight double precision,
    recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text,
    primary key (id, revision)
);

create table score (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    trait_id    uuid not null,
    seedling_id uuid,
    variety_id  uuid,
    scored_on   date not null,
    taster      text not null check (length(taster) between 1 and 60),
    value       double precision not null check (value between -1000000 and 1000000),
    note        text not null check (length(note) <= 2000),
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, trait_id) references trait (orchard_id, id),
    foreign key (orchard_id, seedling_id) references seedling (orchard_id, id),
    foreign key (orchard_id, variety_id) references variety (orchard_id, id),
    constraint score_of_one check ((seedling_id is null) <> (variety_id is null)),
    check ((voided_at is null) = (void_reason is null))
);
create index score_trait on score (orchard_id, trait_id);
create index score_seedling on score (orchard_id, seedling_id);
create index score_variety on score (orchard_id, variety_id);
create table score_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint, orchard_id uuid, trait_id uuid, seedling_id uuid,
    variety_id uuid, scored_on date, taster text, value double precision, note text,
    recorded_by uuid, recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text,
    primary key (id, revision)
);

do $$
declare
    t text;
begin
    foreach t in array array['seedling', 'seedling_step', 'trait', 'score'] loop
        execute format('create trigger told_of_insert after insert on %I referencing new table as changed for each statement execute function tell_orchard_changed()', t);
        execute format('create trigger told_of_update after update on %I referencing new table as changed for each statement execute function tell_orchard_changed()', t);
        execute format('create trigger told_of_delete after delete on %I referencing old table as changed for each statement execute function tell_orchard_changed()', t);
    end loop;
end $$;

-- Told on the pages of their cross, and scores of a variety on its own.
create or replace view story_line as
    select r.orchard_id, 'reading' as kind, r.id, r.tree_id, null::uuid as variety_id, null::uuid as lot_id, null::uuid as cross_id,
        r.taken_at as at, r.recorded_by, r.recorded_at, r.voided_at, r.void_reason, r.version, r.note,
        jsonb_build_object('limb', r.limb, 'share', r.share, 'surpriseStage', r.surprise_stage, 'surpriseExpected', r.surprise_expected,
            'counts', (select jsonb_object_agg(c.stage, c.flowers) from reading_count c where c.reading_id = r.id),
            'photos', (select jsonb_agg(h.id order by h.taken_at, h.id) from record_photo h where h.reading_id = r.id and h.voided_at is null)) as what
    from reading r
union all
    select p.orchard_id, 'pollination', p.id, p.tree_id, null, p.lot_id, p.cross_id, p.done_at, p.recorded_by, p.recorded_at, p.voided_at,
        p.void_reason, p.version, '',
        jsonb_build_object('flowers', p.flowers, 'jar', l.code, 'father', v.name, 'treatment', p.treatment, 'mark', p.mark, 'colour', p.colour,
            'tag', p.tag, 'again', p.again, 'stage', p.stage, 'strokes', p.strokes, 'tool', p.tool, 'limb', p.limb, 'walkId', p.walk_id, 'stop', p.stop,
            'cross', case when x.id is not null then lpad((x.year % 100)::text, 2, '0') || '-' || x.number end, 'trial', t.label)
    from pollination p
    left join pollen_lot l on l.id = p.lot_id
    left join variety v on v.id = l.variety_id
    left join controlled_cross x on x.id = p.cross_id
    left join comparison t on t.id = p.comparison_id
union all
    select c.orchard_id, 'check', c.id, p.tree_id, null, p.lot_id, p.cross_id, c.checked_at, c.recorded_by, c.recorded_at, c.voided_at,
        c.void_reason, c.version, c.note,
        jsonb_build_object('flowers', c.flowers, 'taken', c.taken, 'failed', c.failed, 'dropped', c.dropped, 'unknown', c.unknown,
            'thinned', c.thinned, 'lost', c.lost, 'pollinationId', p.id, 'pollinatedAt', p.done_at, 'resting', c.resting, 'fruits', c.fruits,
            'whole', c.whole, 'oneSided', c.one_sided, 'crooked', c.crooked, 'sizeMm', c.size_mm,
            'photos', (select jsonb_agg(h.id order by h.taken_at, h.id) from record_photo h where h.check_id = c.id and h.voided_at is null))
    from fruit_check c join pollination p on p.id = c.pollination_id
union all
    select n.orchard_id, 'limb-count', n.id, n.tree_id, null, null, null, n.counted_at, n.recorded_by, n.recorded_at, n.voided_at,
        n.void_reason, n.version, n.note,
        jsonb_build_object('limb', n.limb, 'fruits', n.fruits, 'takenOff', n.taken_off)
    from limb_count n
union all
    select f.orchard_id, 'fruit', f.id, f.tree_id, null, p.lot_id, p.cross_id, coalesce(f.ended_at, f.numbered_at, f.recorded_at), f.recorded_by,
        f.recorded_at, f.voided_at, f.void_reason, f.version, coalesce(f.note, ''),
        jsonb_build_object('number', f.number, 'ended', f.ended, 'weightG', f.weight_g, 'shape', f.shape, 'seeds', f.seeds)
    from fruit f left join pollination p on p.id = f.pollination_id
union all
    select l.orchard_id, 'jar', l.id, s.tree_id, l.variety_id, l.id, null, coalesce(l.received_at, l.collected_at), l.recorded_by, l.recorded_at, l.voided_at,
        l.void_reason, l.version, l.note,
        jsonb_build_object('jar', l.code, 'flowers', s.flowers, 'doses', l.doses_collected, 'left', l.doses_left, 'origin', l.origin, 'from', l.received_from)
    from pollen_lot l left join pollen_lot_source s on s.lot_id = l.id
union all
    select x.orchard_id, 'cross', x.id, x.tree_id, null, null, x.id, x.recorded_at, x.recorded_by, x.recorded_at, x.voided_at, x.void_reason,
        x.version, x.note,
        jsonb_build_object('cross', lpad((x.year % 100)::text, 2, '0') || '-' || x.number, 'father', v.name, 'flowers', x.planned)
    from controlled_cross x join variety v on v.id = x.father_id
union all
    select s.orchard_id, 'cross-step', s.id, x.tree_id, null, null, x.id, s.done_at, s.recorded_by, s.recorded_at, s.voided_at, s.void_reason,
        s.version, s.note,
        jsonb_build_object('cross', lpad((x.year % 100)::text, 2, '0') || '-' || x.number, 'step', s.kind, 'flowers', s.flowers, 'skipped', s.skipped)
    from cross_step s join controlled_cross x on x.id = s.cross_id
union all
    select w.orchard_id, 'word', w.id, (k.stops -> w.stop ->> 'treeId')::uuid, null, null, null, w.said_at, w.recorded_by, w.recorded_at,
        w.voided_at, w.void_reason, w.version, w.note, jsonb_build_object('found', w.kind)
    from walk_word w join walk k on k.id = w.walk_id
union all
    select h.orchard_id, 'photo', h.id, (k.stops -> h.stop ->> 'treeId')::uuid, null, null, null, h.taken_at, h.recorded_by, h.recorded_at,
        h.voided_at, h.void_reason, h.version, '', jsonb_build_object('walkId', h.walk_id)
    from walk_photo h join walk k on k.id = h.walk_id
union all
    select b.orchard_id, 'bloom-date', b.id, null, b.variety_id, null, null,
        coalesce(b.first_bloom, b.leaf_out)::timestamp at time zone b.zone, b.recorded_by, b.recorded_at, b.voided_at,
        b.void_reason, b.version, '',
        jsonb_build_object('year', b.year, 'leafOut', b.leaf_out, 'firstBloom', b.first_bloom, 'fullBloom', b.full_bloom, 'lastBloom', b.last_bloom)
    from bloom_date b
union all
    select t.orchard_id, 'tree', t.id, t.id, null, null, null, coalesce(t.planted_on::timestamp at time zone t.zone, t.recorded_at), t.recorded_by, t.recorded_at, t.voided_at, t.void_reason, t.version,
        '', jsonb_build_object('block', t.block, 'row', t.row_number, 'position', t.position, 'plantedOn', t.planted_on, 'stoodUntil', t.stood_until)
    from tree t
union all
    select v.orchard_id, 'variety', v.id, null, v.id, null, null, v.recorded_at, v.recorded_by, v.recorded_at, v.voided_at, v.void_reason,
        v.version, '', jsonb_build_object('variety', v.name, 'raisedIn', v.raised_in)
    from variety v
union all
    select p.orchard_id, 'permit', p.id, null, null, null, null, p.recorded_at, p.recorded_by, p.recorded_at, p.voided_at, p.void_reason,
        p.version, p.conditions, jsonb_build_object('permit', p.number, 'from', p.authority)
    from permit p
union all
    select l.orchard_id, 'seed-lot', l.id, l.tree_id, null, null, l.cross_id, l.harvested_on::timestamp at time zone l.zone, l.recorded_by, l.recorded_at,
        l.voided_at, l.void_reason, l.version, l.note,
        jsonb_build_object('seedLot', 'S' || lpad((l.year % 100)::text, 2, '0') || '-' || l.number, 'seeds', l.seeds, 'fruits', l.fruits)
    from seed_lot l
union all
    select s.orchard_id, 'seed-step', s.id, l.tree_id, null, null, l.cross_id, s.done_on::timestamp at time zone s.zone, s.recorded_by, s.recorded_at,
        s.voided_at, s.void_reason, s.version, s.note,
        jsonb_build_object('seedLot', 'S' || lpad((l.year % 100)::text, 2, '0') || '-' || l.number, 'seedStep', s.kind, 'count', s.count, 'stage', s.stage)
    from seed_step s join seed_lot l on l.id = s.seed_lot_id
union all
    select d.orchard_id, 'seedling', d.id, null, null, null, l.cross_id, d.numbered_on::timestamp at time zone d.zone, d.recorded_by, d.recorded_at,
        d.voided_at, d.void_reason, d.version, d.note,
        jsonb_build_object('seedling', d.stem || '-' || case when d.serial < 10 then '0' else '' end || d.serial, 'place', d.place)
    from seedling d join seed_lot l on l.id = d.seed_lot_id
union all
    select s.orchard_id, 'seedling-step', s.id, null, null, null, l.cross_id, s.done_on::timestamp at time zone s.zone, s.recorded_by, s.recorded_at,
        s.voided_at, s.void_reason, s.version, s.note,
        jsonb_build_object('seedling', d.stem || '-' || case when d.serial < 10 then '0' else '' end || d.serial, 'seedlingStep', s.kind,
            'place', s.place, 'rootstock', s.rootstock)
    from seedling_step s join seedling d on d.id = s.seedling_id join seed_lot l on l.id = d.seed_lot_id
union all
    select c.orchard_id, 'score', c.id, null, c.variety_id, null, null, c.scored_on::timestamp at time zone c.zone, c.recorded_by, c.recorded_at,
        c.voided_at, c.void_reason, c.version, c.note,
        jsonb_build_object('trait', t.name, 'unit', t.unit, 'value', c.value, 'taster', c.taster)
    from score c join trait t on t.id = c.trait_id;

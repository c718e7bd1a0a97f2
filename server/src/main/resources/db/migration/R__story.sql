-- Everything that was recorded of trees, varieties, jars and crosses, a line each, removed or not. What is added to it is added here: the
-- versioned migrations hold how it was before.
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
        w.voided_at, w.void_reason, w.version, w.note, jsonb_build_object('found', w.kind, 'walkId', w.walk_id, 'stop', w.stop)
    from walk_word w join walk k on k.id = w.walk_id
union all
    select h.orchard_id, 'photo', h.id, (k.stops -> h.stop ->> 'treeId')::uuid, null, null, null, h.taken_at, h.recorded_by, h.recorded_at,
        h.voided_at, h.void_reason, h.version, '', jsonb_build_object('walkId', h.walk_id)
    from walk_photo h join walk k on k.id = h.walk_id
union all
    select b.orchard_id, 'bloom-date', b.id, null, b.variety_id, null, null,
        coalesce(b.first_bloom, b.leaf_out)::timestamp at time zone b.zone, b.recorded_by, b.recorded_at, b.voided_at,
        b.void_reason, b.version, '',
        jsonb_build_object('varietyId', b.variety_id, 'year', b.year, 'leafOut', b.leaf_out, 'firstBloom', b.first_bloom, 'fullBloom', b.full_bloom, 'lastBloom', b.last_bloom)
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
        jsonb_build_object('seedLot', 'S' || lpad((l.year % 100)::text, 2, '0') || '-' || l.number, 'seedLotId', l.id, 'seedStep', s.kind, 'count', s.count, 'stage', s.stage)
    from seed_step s join seed_lot l on l.id = s.seed_lot_id
union all
    select d.orchard_id, 'seedling', d.id, null, null, null, l.cross_id, d.numbered_on::timestamp at time zone d.zone, d.recorded_by, d.recorded_at,
        d.voided_at, d.void_reason, d.version, d.note,
        jsonb_build_object('seedling', d.stem || '-' || case when d.serial < 10 then '0' else '' end || d.serial, 'place', d.place)
    from seedling d join seed_lot l on l.id = d.seed_lot_id
union all
    select s.orchard_id, 'seedling-step', s.id, null, null, null, l.cross_id, s.done_on::timestamp at time zone s.zone, s.recorded_by, s.recorded_at,
        s.voided_at, s.void_reason, s.version, s.note,
        jsonb_build_object('seedling', d.stem || '-' || case when d.serial < 10 then '0' else '' end || d.serial, 'seedlingId', d.id, 'seedlingStep', s.kind,
            'place', s.place, 'rootstock', s.rootstock)
    from seedling_step s join seedling d on d.id = s.seedling_id join seed_lot l on l.id = d.seed_lot_id
union all
    select c.orchard_id, 'score', c.id, null, c.variety_id, null, null, c.scored_on::timestamp at time zone c.zone, c.recorded_by, c.recorded_at,
        c.voided_at, c.void_reason, c.version, c.note,
        jsonb_build_object('trait', t.name, 'unit', t.unit, 'value', c.value, 'taster', c.taster)
    from score c join trait t on t.id = c.trait_id
union all
    select s.orchard_id, 'jar-step', s.id, null, null, s.lot_id, null, s.done_at, s.recorded_by, s.recorded_at, s.voided_at, s.void_reason,
        s.version, '',
        jsonb_build_object('jar', l.code, 'jarStep', s.kind, 'storage', s.storage, 'celsius', s.celsius, 'humidity', s.humidity)
    from pollen_step s join pollen_lot l on l.id = s.lot_id
union all
    select s.orchard_id, 'jar-test', s.id, null, null, s.lot_id, null, s.tested_at, s.recorded_by, s.recorded_at, s.voided_at, s.void_reason,
        s.version, s.note,
        jsonb_build_object('jar', l.code, 'fields', s.fields, 'flowers', s.flowers, 'taken', s.taken, 'freshFlowers', s.fresh_flowers,
            'freshTaken', s.fresh_taken)
    from pollen_test s join pollen_lot l on l.id = s.lot_id
union all
    select f.orchard_id, 'fig', f.id, f.tree_id, null, null, null, f.measured_at, f.recorded_by, f.recorded_at, f.voided_at, f.void_reason,
        f.version, '', jsonb_build_object('fig', f.fig, 'diameterMm', f.diameter_mm, 'eye', f.eye)
    from fig_size f
union all
    select w.orchard_id, 'fruit-target', w.id, w.tree_id, w.variety_id, null, null, w.recorded_at, w.recorded_by, w.recorded_at, w.voided_at,
        w.void_reason, w.version, w.note,
        jsonb_build_object('wanted', w.fruits, 'girthCm', w.girth_cm, 'limbsMm', w.limbs_mm, 'confidence', w.confidence, 'priority', w.priority)
    from fruit_target w
union all
    -- Each time a tree was written down elsewhere than before, or as of another variety: read off its history, which nobody mends.
    select m.orchard_id, 'move', md5(m.id::text || m.revision)::uuid, m.id, null, null, null, m.at, coalesce(m.account_id, m.recorded_by), m.at, null, null,
        m.revision, '',
        jsonb_build_object('fromBlock', m.was_block, 'fromRow', m.was_row, 'fromPosition', m.was_position, 'toBlock', m.block, 'toRow', m.row_number,
            'toPosition', m.position, 'fromVariety', case when m.was_variety <> m.variety_id then w.name end,
            'toVariety', case when m.was_variety <> m.variety_id then v.name end)
    from (
        select h.*, r.at, r.account_id, lag(h.variety_id) over past as was_variety, lag(h.block) over past as was_block,
            lag(h.row_number) over past as was_row, lag(h.position) over past as was_position, lag(h.revision) over past as was_revision
        from tree_history h join revision r on r.id = h.revision
        -- By time: of two processes the later revision may have the smaller number.
        window past as (partition by h.orchard_id, h.id order by r.at)
    ) m
    left join variety w on w.id = m.was_variety
    left join variety v on v.id = m.variety_id
    where m.was_revision is not null
        and (m.variety_id is distinct from m.was_variety or m.block is distinct from m.was_block or m.row_number is distinct from m.was_row
            or m.position is distinct from m.was_position);

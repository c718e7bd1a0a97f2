create temp table new_jar on commit drop as
    select b.jar as code, min(v2.id::text)::uuid as variety_id, min(case when b.collected_at ~ '(Z|[+-]\d\d:?\d\d)$' then b.collected_at::timestamptz
               else b.collected_at::timestamp at time zone o.zone end) as collected_at, min(b.storage) as storage, sum(b.flowers::int) as doses
    from brought b
    cross join told o
    join tree t on t.orchard_id = o.orchard and lower(t.name) = lower(b.tree) and t.voided_at is null
    join variety v on v.id = t.variety_id
    join variety v2 on v2.orchard_id = o.orchard and v2.crop = v.crop and lower(v2.name) = lower(b.father) and v2.voided_at is null
    where b.jar <> '' and not exists (select 1 from pollen_lot l where l.orchard_id = o.orchard and l.code = b.jar)
    group by b.jar;
insert into pollen_lot (id, orchard_id, variety_id, code, collected_at, storage, doses_collected, doses_left, origin, note, recorded_by,
        recorded_at, zone, version)
    select md5(o.orchard || ':jar:' || j.code)::uuid, o.orchard, j.variety_id, j.code, j.collected_at, j.storage, least(j.doses, 1000000), 0,
        'COLLECTED', 'brought in with its pollinations', o.account, o.noted, o.zone, 0
    from new_jar j cross join told o;
insert into pollen_entry (lot_id, kind, change, at, recorded_at, recorded_by, note)
    select md5(o.orchard || ':jar:' || j.code)::uuid, 'TAKEN', -least(j.doses, 1000000), j.collected_at, o.noted, o.account,
        'used for the pollinations brought in'
    from new_jar j cross join told o;
create temp table drawn on commit drop as
    select md5(o.orchard || ':' || b.ref)::uuid as id, l.id as lot_id
    from brought b
    cross join told o
    join pollen_lot l on l.orchard_id = o.orchard and l.code = b.jar and b.jar <> '' and l.id <> md5(o.orchard || ':jar:' || b.jar)::uuid
    where not exists (select 1 from pollination p where p.id = md5(o.orchard || ':' || b.ref)::uuid);
insert into pollination (id, orchard_id, tree_id, lot_id, flowers, done_at, mark, mark_lasts, colour, tag, tag_year, again, treatment, stage,
        strokes, tool, limb, recorded_by, recorded_at, zone, version)
    select md5(o.orchard || ':' || b.ref)::uuid, o.orchard, t.id, l.id, b.flowers::int, d.done_at, b.mark,
        case when b.tag <> '' then 'HARVEST' end, '', b.tag,
        case when b.tag <> '' then extract(year from d.done_at at time zone o.zone) end, false,
        coalesce(nullif(b.treatment, ''), 'HAND'), nullif(b.stage, ''), nullif(b.strokes, ''), b.tool, nullif(b.limb, ''),
        coalesce(a.id, o.account), o.noted, o.zone, 0
    from brought b
    cross join told o
    cross join lateral (select case when b.done_at ~ '(Z|[+-]\d\d:?\d\d)$' then b.done_at::timestamptz
        else b.done_at::timestamp at time zone o.zone end as done_at) d
    join tree t on t.orchard_id = o.orchard and lower(t.name) = lower(b.tree) and t.voided_at is null
    left join pollen_lot l on l.orchard_id = o.orchard and l.code = b.jar and b.jar <> ''
    left join (select a.id, lower(a.name) as name from account a join membership m on m.account_id = a.id join told o on o.orchard = m.orchard_id) a
        on a.name = lower(b.helper) and b.helper <> ''
    on conflict (id) do nothing

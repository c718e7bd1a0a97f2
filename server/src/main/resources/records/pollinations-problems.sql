select line, problem from (
    select b.line, case
        when b.ref = '' or length(b.ref) > 100 then 'ref needs 1 to 100 characters'
        when count(*) over (partition by b.ref) > 1 then 'ref ''' || b.ref || ''' stands there twice'
        when t.id is null then 'no tree is called ''' || b.tree || ''''
        when b.flowers !~ '^\d{1,5}$' or b.flowers::int not between 1 and 20000 then 'flowers is ''' || b.flowers || ''', not 1 to 20000'
        when b.done_at !~ '^\d{4}-[01]\d-[0-3]\d[T ][0-2]\d:[0-5]\d(:[0-5]\d)?(\.\d+)?(Z|[+-]\d\d:?\d\d)?$'
            then 'done_at is ''' || b.done_at || ''', not like 2026-11-24T17:30'
        when b.treatment not in ('', 'HAND', 'NATURE', 'BAGGED') then 'treatment is ''' || b.treatment || ''', not HAND, NATURE or BAGGED'
        when b.treatment in ('', 'HAND') and b.jar = '' then 'jar is missing; flowers by hand had pollen of one'
        when b.treatment in ('NATURE', 'BAGGED') and b.jar <> '' then 'flowers that nobody pollinates had no jar'
        when b.strokes not in ('', 'FULL', 'LIGHT') then 'strokes is ''' || b.strokes || ''', not FULL or LIGHT'
        when b.limb not in ('', 'TRUNK', 'STOUT', 'TWIG', 'BRANCH_END') then 'limb is ''' || b.limb || ''', not TRUNK, STOUT, TWIG or BRANCH_END'
        when length(b.mark) > 80 or length(b.tag) > 40 or length(b.tool) > 60 or length(b.stage) > 60 then 'mark, tag, tool or stage is too long'
        when b.helper <> '' and a.id is null then 'nobody here is called ''' || b.helper || ''''
        when b.jar <> '' and l.id is null and (b.father = '' or b.collected_at = '' or b.storage = '')
            then 'the jar ''' || b.jar || ''' is not known; give father, collected_at and storage'
        when b.jar <> '' and l.id is null and f.id is null then 'no variety of this crop''s pollen is called ''' || b.father || ''''
        when b.collected_at <> '' and b.collected_at !~ '^\d{4}-[01]\d-[0-3]\d[T ][0-2]\d:[0-5]\d(:[0-5]\d)?(\.\d+)?(Z|[+-]\d\d:?\d\d)?$'
            then 'collected_at is ''' || b.collected_at || ''', not like 2026-11-24T17:30'
        when b.storage not in ('', 'ROOM', 'FRIDGE', 'FRIDGE_DESICCANT', 'FREEZER')
            then 'storage is ''' || b.storage || ''', not ROOM, FRIDGE, FRIDGE_DESICCANT or FREEZER'
        when d.done_at > o.now then 'done_at lies in the future'
        when (d.done_at at time zone o.zone)::date < t.planted_on then 'done_at lies before ' || t.name || ' was planted'
        when d.done_at < coalesce(l.received_at, l.collected_at, d.collected_at) then 'done_at lies before the pollen of ' || b.jar || ' was collected'
        when p.voided_at is not null then 'ref ''' || b.ref || ''' was here before and was removed; give this line a ref of its own'
        when p.id is not null and (p.flowers <> b.flowers::int or p.tree_id <> t.id or p.done_at <> d.done_at
                or p.lot_id is distinct from coalesce(l.id, p.lot_id))
            then 'ref ''' || b.ref || ''' is here already with other content; correct it on the page of its tree, or give this line a ref of its own'
        when d.draws and sum(case when d.draws and p.id is null and b.flowers ~ '^\d{1,5}$' then b.flowers::int else 0 end)
                over (partition by b.jar order by b.line) > l.doses_left
            then 'the jar ''' || b.jar || ''' has ' || l.doses_left || ' doses left, fewer than this file puts on flowers'
    end as problem
    from brought b
    cross join told o
    left join tree t on t.orchard_id = o.orchard and lower(t.name) = lower(b.tree) and t.voided_at is null
    left join variety v on v.id = t.variety_id
    left join pollen_lot l on l.orchard_id = o.orchard and l.code = b.jar and b.jar <> ''
    left join pollination p on p.id = md5(o.orchard || ':' || b.ref)::uuid and p.orchard_id = o.orchard
    cross join lateral (select
        case when b.done_at ~ '^\d{4}-[01]\d-[0-3]\d[T ][0-2]\d:[0-5]\d' then
            case when b.done_at ~ '(Z|[+-]\d\d:?\d\d)$' then b.done_at::timestamptz else b.done_at::timestamp at time zone o.zone end end as done_at,
        case when b.collected_at ~ '^\d{4}-[01]\d-[0-3]\d[T ][0-2]\d:[0-5]\d' then
            case when b.collected_at ~ '(Z|[+-]\d\d:?\d\d)$' then b.collected_at::timestamptz else b.collected_at::timestamp at time zone o.zone end end
            as collected_at,
        -- A jar that a file brought was used up by it; any other is drawn from.
        coalesce(l.id <> md5(o.orchard || ':jar:' || b.jar)::uuid, false) as draws) d
    left join variety f on f.orchard_id = o.orchard and f.crop = v.crop and lower(f.name) = lower(b.father) and f.voided_at is null and b.father <> ''
    left join account a on lower(a.name) = lower(b.helper) and b.helper <> '' and exists (select 1 from membership m where m.account_id = a.id and m.orchard_id = o.orchard)
) looked where problem is not null

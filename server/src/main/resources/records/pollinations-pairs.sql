select min(b.line), t.variety_id, l.id, f.id, min(b.jar), min(t.name)
    from brought b
    cross join told o
    join tree t on t.orchard_id = o.orchard and lower(t.name) = lower(b.tree) and t.voided_at is null
    join variety v on v.id = t.variety_id
    left join pollen_lot l on l.orchard_id = o.orchard and l.code = b.jar
    left join variety f on l.id is null and f.orchard_id = o.orchard and f.crop = v.crop and lower(f.name) = lower(b.father) and f.voided_at is null
    where b.jar <> ''
    group by t.variety_id, l.id, f.id
    order by 1

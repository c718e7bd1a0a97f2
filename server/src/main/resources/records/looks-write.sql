insert into fruit_check (id, orchard_id, pollination_id, flowers, checked_at, taken, failed, dropped, unknown, thinned, lost, note, recorded_by,
        recorded_at, zone, version)
    select md5(o.orchard || ':' || b.ref || ':' || b.checked_at)::uuid, o.orchard, p.id, p.flowers,
        case when b.checked_at ~ '(Z|[+-]\d\d:?\d\d)$' then b.checked_at::timestamptz else b.checked_at::timestamp at time zone o.zone end,
        b.taken::int, b.failed::int, coalesce(nullif(b.dropped, '')::int, 0), b.unknown::int, coalesce(nullif(b.thinned, '')::int, 0), coalesce(nullif(b.lost, '')::int, 0), b.note,
        coalesce(a.id, o.account), o.noted, o.zone, 0
    from brought b
    cross join told o
    join pollination p on p.id = md5(o.orchard || ':' || b.ref)::uuid and p.orchard_id = o.orchard
    left join (select a.id, lower(a.name) as name from account a join membership m on m.account_id = a.id join told o on o.orchard = m.orchard_id) a
        on a.name = lower(b.helper) and b.helper <> ''
    on conflict (id) do nothing

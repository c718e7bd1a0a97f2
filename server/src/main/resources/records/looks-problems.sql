select line, problem from (
    select b.line, case
        when p.id is null then 'no pollination has the ref ''' || b.ref || ''''
        when b.checked_at !~ '^\d{4}-[01]\d-[0-3]\d[T ][0-2]\d:[0-5]\d(:[0-5]\d)?(\.\d+)?(Z|[+-]\d\d:?\d\d)?$'
            then 'checked_at is ''' || b.checked_at || ''', not like 2026-11-24T17:30'
        when b.taken !~ '^\d{1,5}$' then 'taken is ''' || b.taken || ''', not a number of flowers'
        when b.failed !~ '^\d{1,5}$' then 'failed is ''' || b.failed || ''', not a number of flowers'
        when b.unknown !~ '^\d{1,5}$' then 'unknown is ''' || b.unknown || ''', not a number of flowers'
        when b.dropped !~ '^\d{0,5}$' then 'dropped is ''' || b.dropped || ''', not a number of flowers'
        when b.thinned !~ '^\d{0,5}$' then 'thinned is ''' || b.thinned || ''', not a number of flowers'
        when b.lost !~ '^\d{0,5}$' then 'lost is ''' || b.lost || ''', not a number of flowers'
        when b.taken::int + b.failed::int + b.unknown::int + coalesce(nullif(b.dropped, '')::int, 0) + coalesce(nullif(b.thinned, '')::int, 0) + coalesce(nullif(b.lost, '')::int, 0)
            not between 1 and p.flowers then 'the numbers make '
            || (b.taken::int + b.failed::int + b.unknown::int + coalesce(nullif(b.dropped, '')::int, 0) + coalesce(nullif(b.thinned, '')::int, 0) + coalesce(nullif(b.lost, '')::int, 0))
            || ', but ' || p.flowers || ' flowers were pollinated'
        when length(b.note) > 2000 then 'note is too long'
        when case when b.checked_at ~ '(Z|[+-]\d\d:?\d\d)$' then b.checked_at::timestamptz else b.checked_at::timestamp at time zone o.zone end
            not between p.done_at and o.now then 'checked_at lies before the pollination or in the future'
    end as problem
    from brought b
    cross join told o
    left join pollination p on p.id = md5(o.orchard || ':' || b.ref)::uuid and p.orchard_id = o.orchard and p.voided_at is null
) looked where problem is not null

-- Flowers outside crosses that had pollen before: which, so that none is counted twice.
alter table pollination
    add column again_of uuid,
    add foreign key (orchard_id, again_of) references pollination (orchard_id, id),
    drop constraint pollination_check3,
    add check (again = (again_of is not null) or crossing_id is not null),
    add check (again_of is null or (crossing_id is null and comparison_id is null and treatment = 'HAND'));
create index pollination_again_of on pollination (orchard_id, again_of) where again_of is not null;
alter table pollination_history add column again_of uuid;

create or replace function fate_due_of_pollination() returns trigger language plpgsql as $$
begin
    insert into fate_due select orchard_id, id from rows
        on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id;
    insert into fate_due select distinct p.orchard_id, p.id
        from rows r join pollination p on p.orchard_id = r.orchard_id and p.crossing_id = r.crossing_id
        where r.again on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id;
    insert into fate_due select distinct orchard_id, again_of from rows where again_of is not null
        on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id;
    return null;
end $$;

alter table round_settings add column repeat_visits boolean not null default true;
alter table round_settings_history add column repeat_visits boolean;

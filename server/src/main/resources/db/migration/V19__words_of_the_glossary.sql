-- A cross that is made is a controlled cross, in the database as everywhere.
alter table crossing rename to controlled_cross;
alter table crossing_history rename to controlled_cross_history;
alter table crossing_step rename to cross_step;
alter table crossing_step_history rename to cross_step_history;
alter table cross_step rename column crossing_id to cross_id;
alter table cross_step_history rename column crossing_id to cross_id;
alter table pollination rename column crossing_id to cross_id;
alter table pollination_history rename column crossing_id to cross_id;
alter index crossing_step_crossing rename to cross_step_cross;
alter index crossing_step_walk rename to cross_step_walk;
alter index pollination_crossing rename to pollination_cross;

create or replace function fate_due_of_pollination() returns trigger language plpgsql as $$
begin
    insert into fate_due select orchard_id, id from rows
        on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id;
    insert into fate_due select distinct p.orchard_id, p.id
        from rows r join pollination p on p.orchard_id = r.orchard_id and p.cross_id = r.cross_id
        where r.again on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id;
    insert into fate_due select distinct orchard_id, again_of from rows where again_of is not null
        on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id;
    return null;
end $$;

-- Stops of walks name their cross.
create function of_crosses(stops jsonb) returns jsonb language sql immutable as $$
  select coalesce(jsonb_agg(
      case when stop #> '{cross,crossingId}' is null then stop
        else jsonb_set(stop #- '{cross,crossingId}', '{cross,crossId}', stop #> '{cross,crossingId}') end
      order by place), '[]')
  from jsonb_array_elements(stops) with ordinality as of_walk(stop, place)
$$;
update walk set stops = of_crosses(stops);
update walk_history set stops = of_crosses(stops) where jsonb_typeof(stops) = 'array';
drop function of_crosses(jsonb);

-- What a trial compares are its treatment arms.
alter table comparison rename column ways to arms;
alter table comparison_history rename column ways to arms;
create function of_arms(slots jsonb) returns jsonb language sql immutable as $$
  select coalesce(jsonb_agg(case when slot ? 'way' then (slot - 'way') || jsonb_build_object('arm', slot -> 'way') else slot end
      order by place), '[]')
  from jsonb_array_elements(slots) with ordinality as of_trial(slot, place)
$$;
update comparison set slots = of_arms(slots);
update comparison_history set slots = of_arms(slots) where jsonb_typeof(slots) = 'array';
drop function of_arms(jsonb);

-- How pollen was collected.
alter table pollen_lot rename column way to method;
alter table pollen_lot_history rename column way to method;

-- A cross that is wanted is a cross request, in the database as everywhere.
alter table cross_wish rename to cross_request;
alter table cross_wish_history rename to cross_request_history;
alter index cross_wish_pair rename to cross_request_pair;
alter table crossing rename column wish_id to cross_request_id;
alter table crossing_history rename column wish_id to cross_request_id;

-- Stops of walks name the request of their cross.
create function of_requests(stops jsonb) returns jsonb language sql immutable as $$
  select coalesce(jsonb_agg(
      case when stop #> '{cross,wishId}' is null then stop
        else jsonb_set(stop #- '{cross,wishId}', '{cross,crossRequestId}', stop #> '{cross,wishId}') end
      order by place), '[]')
  from jsonb_array_elements(stops) with ordinality as of_walk(stop, place)
$$;
update walk set stops = of_requests(stops);
update walk_history set stops = of_requests(stops) where jsonb_typeof(stops) = 'array';
drop function of_requests(jsonb);

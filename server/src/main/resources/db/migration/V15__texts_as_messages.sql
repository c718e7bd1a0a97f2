-- What a stop says is the key of a message with its values, so that each reader has it in their language. Walks that were planned
-- before keep their sentences as they stand.
create function said(sentence jsonb) returns jsonb language sql immutable as $$
  select case
    when sentence is null or jsonb_typeof(sentence) <> 'string' then coalesce(sentence, '[]')
    when sentence #>> '{}' = '' then '[]'
    else jsonb_build_array(jsonb_build_object('key', 'said.sheet', 'values', jsonb_build_object('sheet', sentence)))
  end
$$;

create function said_stops(stops jsonb) returns jsonb language sql immutable as $$
  select coalesce(jsonb_agg(stop || jsonb_build_object('say', said(stop -> 'say'), 'strokes', said(stop -> 'strokes'))
      order by place), '[]')
  from jsonb_array_elements(stops) with ordinality as of_walk(stop, place)
$$;

create function said_collects(collects jsonb) returns jsonb language sql immutable as $$
  select coalesce(jsonb_agg(jsonb_set(one, '{pollen,trees}', (
      select coalesce(jsonb_agg(jsonb_set(tree, '{place}', coalesce(said(tree -> 'place') -> 0,
          jsonb_build_object('key', 'said.sheet', 'values', jsonb_build_object('sheet', '')))) order by n), '[]')
      from jsonb_array_elements(one #> '{pollen,trees}') with ordinality as of_pollen(tree, n))) order by place), '[]')
  from jsonb_array_elements(collects) with ordinality as of_walk(one, place)
$$;

update walk set stops = said_stops(stops), collects = said_collects(collects);
update walk_history set stops = said_stops(stops) where jsonb_typeof(stops) = 'array';
update walk_history set collects = said_collects(collects) where jsonb_typeof(collects) = 'array';

drop function said_collects(jsonb);
drop function said_stops(jsonb);
drop function said(jsonb);

-- The language with the customs of a country for dates and numbers, as BCP 47 writes it; absent until somebody chose.
alter table account add column locale varchar(12);

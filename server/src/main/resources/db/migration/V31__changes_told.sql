-- Whatever changes of an orchard is told to every instance of the application when it is committed, once for each statement's orchards:
-- 'orchard|table|who wrote it'. What an instance keeps in its memory of an orchard is never older than that.
create function tell_orchard_changed() returns trigger language plpgsql as $$
begin
    perform pg_notify('orchard_changed', o.orchard_id || '|' || tg_table_name || '|' || current_setting('application_name'))
        from (select distinct orchard_id from changed where orchard_id is not null) o;
    return null;
end $$;

create function tell_orchard_itself_changed() returns trigger language plpgsql as $$
begin
    perform pg_notify('orchard_changed', id || '|' || tg_table_name || '|' || current_setting('application_name')) from changed;
    return null;
end $$;

create function tell_weather_changed() returns trigger language plpgsql as $$
begin
    perform pg_notify('orchard_changed', o.orchard_id || '|' || tg_table_name || '|' || current_setting('application_name'))
        from (select distinct r.orchard_id from changed c join weather_record r on r.id = c.record_id) o;
    return null;
end $$;

-- Not of what is worked out from others (they are told), of history, and of who may come in (asked at each request).
do $$
declare
    t text;
    f text;
begin
    for t, f in
        select c.table_name, 'tell_orchard_changed' from information_schema.columns c join information_schema.tables b using (table_schema, table_name)
            where table_schema = current_schema() and column_name = 'orchard_id' and table_type = 'BASE TABLE' and table_name not like '%\_history'
                and table_name not in ('membership', 'access_link', 'access_event', 'flower_outcome_due', 'cause_cell', 'loss_cell', 'set_cell')
        union all values ('orchard', 'tell_orchard_itself_changed'), ('weather_hour', 'tell_weather_changed'), ('weather_day', 'tell_weather_changed')
    loop
        execute format('create trigger told_of_insert after insert on %I referencing new table as changed for each statement execute function %I()', t, f);
        execute format('create trigger told_of_update after update on %I referencing new table as changed for each statement execute function %I()', t, f);
        execute format('create trigger told_of_delete after delete on %I referencing old table as changed for each statement execute function %I()', t, f);
    end loop;
end $$;

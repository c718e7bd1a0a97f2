-- Natural drop is an outcome of its own: fruitlets that had set and fell by themselves.
alter table fruit_check
    add column dropped int not null default 0 check (dropped >= 0),
    drop constraint fruit_check_outcomes,
    add constraint fruit_check_outcomes check (taken + failed + dropped + unknown + thinned + lost between 1 and flowers);
alter table fruit_check_history add column dropped int;

-- What the flowers of a pollination can teach (core's Evidence), what hangs, and what dropped. Sums are kept apart by what they teach.
alter table fate
    add column evidence text not null default 'ORDINARY',
    add column dropped int not null default 0,
    add column holding int not null default 0;
alter table set_cell
    add column evidence text not null default 'ORDINARY',
    add column dropped bigint not null default 0,
    drop constraint set_cell_pkey,
    add primary key (orchard_id, season, crop, factor, level, evidence);

-- A test, or what a variety serves, changes what pollen could do; opened fruit tells where swelling does not.
create trigger fate_due after insert or update on pollen_test for each row execute function fate_due_of_lot();

create function fate_due_of_variety() returns trigger language plpgsql as $$
begin
    insert into fate_due select p.orchard_id, p.id
        from variety v join tree t on t.variety_id = v.id join pollination p on p.orchard_id = t.orchard_id and p.tree_id = t.id
        where v.orchard_id = new.orchard_id and v.crop = new.crop on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id;
    return null;
end $$;
create trigger fate_due after update on variety for each row
    when ((to_jsonb(old) - 'version' - 'name') is distinct from (to_jsonb(new) - 'version' - 'name'))
    execute function fate_due_of_variety();

create function fate_due_of_fruit() returns trigger language plpgsql as $$
begin
    if new.pollination_id is not null then
        insert into fate_due values (new.orchard_id, new.pollination_id)
            on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id;
    end if;
    return null;
end $$;
create trigger fate_due after insert or update on fruit for each row execute function fate_due_of_fruit();

-- Looks that tell of more than set: few among many.
create index fruit_check_detail on fruit_check (orchard_id, pollination_id, checked_at desc)
    where voided_at is null and (fruits is not null or resting is not null or whole is not null or one_sided is not null or crooked is not null);

-- A trial may compare the stages of a flower.
alter table comparison
    drop constraint comparison_question_check,
    add constraint comparison_question_check
        check (question in ('NATURE', 'DESICCANT', 'SECOND_VISIT', 'FULL_COVER', 'STAGE', 'TOOL', 'OWN'));

-- Seeds of a fruit, and one S allele of two, may be known of a variety.
alter table variety add column seeds_per_fruit double precision check (seeds_per_fruit > 0 and seeds_per_fruit <= 10000);
alter table variety_history add column seeds_per_fruit double precision;

-- A block can have an air of its own: under cover, a station, a typical day. An orchard's typical day may change with the months.
alter table block_note
    add column usual_minimum_c double precision check (usual_minimum_c between -60 and 60),
    add column usual_maximum_c double precision check (usual_maximum_c between -60 and 60),
    add check ((usual_minimum_c is null) = (usual_maximum_c is null)),
    add check (usual_maximum_c >= usual_minimum_c);
alter table block_note_history add column usual_minimum_c double precision, add column usual_maximum_c double precision;
alter table weather_record add column block text check (length(block) between 1 and 80);
alter table weather_record_history add column block text;
alter table orchard add column usual_months jsonb;
alter table orchard_history add column usual_months jsonb;

-- All of it anew.
delete from set_cell;
delete from loss_cell;
delete from cause_cell;
delete from fate;
insert into fate_due select orchard_id, id from pollination on conflict do nothing;

-- The last private words: a flower's fate is its outcome, what took has set, a usual day is a typical one.

alter table fate rename to flower_outcome;
alter table fate_due rename to flower_outcome_due;
alter table flower_outcome rename column took to set_flowers;
alter table flower_outcome rename column next_look to next_check;
alter table set_cell rename column took to set_flowers;
alter table cause_cell rename column took to set_flowers;
alter index fate_next rename to flower_outcome_next;
alter index fate_tree rename to flower_outcome_tree;
alter index fate_day rename to flower_outcome_day;
alter index fate_pair rename to flower_outcome_pair;

alter table orchard rename column usual_minimum_c to typical_minimum_c;
alter table orchard rename column usual_maximum_c to typical_maximum_c;
alter table orchard rename column usual_months to typical_months;
alter table orchard_history rename column usual_minimum_c to typical_minimum_c;
alter table orchard_history rename column usual_maximum_c to typical_maximum_c;
alter table orchard_history rename column usual_months to typical_months;
alter table block_note rename column usual_minimum_c to typical_minimum_c;
alter table block_note rename column usual_maximum_c to typical_maximum_c;
alter table block_note_history rename column usual_minimum_c to typical_minimum_c;
alter table block_note_history rename column usual_maximum_c to typical_maximum_c;

-- Triggers, and the functions they call: the names, and the table that the functions write to.
do $$
declare
    one record;
begin
    for one in select t.tgname, t.tgrelid::regclass as of from pg_trigger t
               join pg_class c on c.oid = t.tgrelid where t.tgname like 'fate\_due%' and not t.tgisinternal
                 and c.relnamespace = current_schema()::regnamespace
    loop
        execute format('alter trigger %I on %s rename to %I', one.tgname, one.of, replace(one.tgname, 'fate_due', 'flower_outcome_due'));
    end loop;
    for one in select p.oid, p.proname from pg_proc p
               where p.proname like 'fate\_due%' and p.pronamespace = current_schema()::regnamespace
    loop
        execute format('alter function %I() rename to %I', one.proname, replace(one.proname, 'fate_due', 'flower_outcome_due'));
        execute replace(pg_get_functiondef(one.oid), 'fate_due', 'flower_outcome_due');
    end loop;
end $$;

alter table round_choice rename to pollen_override;
alter table round_choice_history rename to pollen_override_history;

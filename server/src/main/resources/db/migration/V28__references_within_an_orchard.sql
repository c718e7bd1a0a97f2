-- What names two records holds both to one orchard: the orchard is the jar's, and the others must be of it too.
create function orchard_of_jar() returns trigger language plpgsql as $$
begin
    select orchard_id into new.orchard_id from pollen_lot where id = new.lot_id;
    return new;
end $$;

alter table pollen_lot_source add column orchard_id uuid;
update pollen_lot_source s set orchard_id = l.orchard_id from pollen_lot l where l.id = s.lot_id;
alter table pollen_lot_source
    alter column orchard_id set not null,
    drop constraint pollen_lot_source_lot_id_fkey,
    drop constraint pollen_lot_source_tree_id_fkey,
    add constraint pollen_lot_source_lot foreign key (orchard_id, lot_id) references pollen_lot (orchard_id, id),
    add constraint pollen_lot_source_tree foreign key (orchard_id, tree_id) references tree (orchard_id, id);
create trigger orchard_of_jar before insert on pollen_lot_source for each row execute function orchard_of_jar();

alter table pollen_lot_part add column orchard_id uuid;
update pollen_lot_part p set orchard_id = l.orchard_id from pollen_lot l where l.id = p.lot_id;
alter table pollen_lot_part
    alter column orchard_id set not null,
    drop constraint pollen_lot_part_lot_id_fkey,
    drop constraint pollen_lot_part_part_id_fkey,
    add constraint pollen_lot_part_lot foreign key (orchard_id, lot_id) references pollen_lot (orchard_id, id),
    add constraint pollen_lot_part_part foreign key (orchard_id, part_id) references pollen_lot (orchard_id, id);
create trigger orchard_of_jar before insert on pollen_lot_part for each row execute function orchard_of_jar();

alter table pollen_entry add column orchard_id uuid;
alter table pollen_entry disable trigger pollen_entry_stays;
update pollen_entry e set orchard_id = l.orchard_id from pollen_lot l where l.id = e.lot_id;
alter table pollen_entry enable trigger pollen_entry_stays;
alter table pollen_entry
    alter column orchard_id set not null,
    drop constraint pollen_entry_lot_id_fkey,
    drop constraint pollen_entry_part_of_id_fkey,
    drop constraint pollen_entry_pollination_id_fkey,
    add constraint pollen_entry_lot foreign key (orchard_id, lot_id) references pollen_lot (orchard_id, id),
    add constraint pollen_entry_part_of foreign key (orchard_id, part_of_id) references pollen_lot (orchard_id, id),
    add constraint pollen_entry_pollination foreign key (orchard_id, pollination_id) references pollination (orchard_id, id);
create trigger orchard_of_jar before insert on pollen_entry for each row execute function orchard_of_jar();

alter table flower_outcome
    drop constraint fate_pollination_id_fkey,
    add constraint flower_outcome_pollination foreign key (orchard_id, pollination_id) references pollination (orchard_id, id);

-- Trees that were felled or grafted over: their records stay, nothing is planned for them.
alter table tree
    add column stood_until date,
    add column grafted_on_id uuid,
    add constraint tree_grafted_on foreign key (orchard_id, grafted_on_id) references tree (orchard_id, id),
    add constraint tree_stood_after_planting check (stood_until >= planted_on),
    add constraint tree_grafted_on_another check (grafted_on_id <> id);
alter table tree_history add column stood_until date, add column grafted_on_id uuid;

-- What became of flowers is worked out anew where their tree was felled, or their father's variety was another.
drop trigger flower_outcome_due on tree;
create trigger flower_outcome_due after update of variety_id, stood_until on tree for each row
    when (old.variety_id <> new.variety_id or old.stood_until is distinct from new.stood_until)
    execute function flower_outcome_due_of_tree();
create function flower_outcome_due_of_father() returns trigger language plpgsql as $$
begin
    insert into flower_outcome_due select p.orchard_id, p.id from pollination p
        where p.orchard_id = new.orchard_id and p.lot_id = new.id on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id;
    return null;
end $$;
create trigger flower_outcome_due after update of variety_id on pollen_lot for each row
    when (old.variety_id is distinct from new.variety_id) execute function flower_outcome_due_of_father();

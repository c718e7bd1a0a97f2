insert into pollen_entry (lot_id, pollination_id, kind, change, at, recorded_at, recorded_by)
    select d.lot_id, p.id, 'DRAWN', -p.flowers, p.done_at, p.recorded_at, p.recorded_by
    from drawn d join pollination p on p.id = d.id

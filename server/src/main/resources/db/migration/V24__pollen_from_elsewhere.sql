-- Pollen that came from elsewhere, and what is known of it; jars given away.
alter table pollen_lot
    drop constraint pollen_lot_origin_check,
    add constraint pollen_lot_origin_check check (origin in ('COLLECTED', 'POURED', 'RECEIVED')),
    add column received_at timestamptz,
    add column received_how text check (received_how in ('BOUGHT', 'GIVEN', 'SWAPPED', 'OWN_PROPERTY')),
    add column received_from text check (length(received_from) between 1 and 200),
    add column received_dry boolean,
    add column collection_known boolean,
    add column kept_before text check (kept_before in ('ROOM', 'FRIDGE', 'FRIDGE_DESICCANT', 'FREEZER')),
    add column stated_alive double precision check (stated_alive > 0 and stated_alive <= 1),
    add constraint pollen_lot_received check (
        (origin = 'RECEIVED') = (received_at is not null) and (received_at is null) = (received_how is null)
        and (received_at is null) = (received_from is null) and (received_at is null) = (received_dry is null)
        and (received_at is null) = (collection_known is null)
        and (received_at is not null or kept_before is null and stated_alive is null)),
    add constraint pollen_lot_came_after_collection check (collected_at <= received_at and (collection_known or collected_at = received_at)),
    add constraint pollen_lot_kept_since check (kept_before is null or collection_known);
alter table pollen_lot_history
    add column received_at timestamptz, add column received_how text, add column received_from text, add column received_dry boolean,
    add column collection_known boolean, add column kept_before text, add column stated_alive double precision;

alter table pollen_entry drop constraint pollen_entry_kind;
alter table pollen_entry add constraint pollen_entry_kind check (
    (kind in ('DRAWN', 'TAKEN', 'GIVEN_AWAY', 'SPILLED', 'DISCARDED', 'POURED_OUT') and change < 0)
    or (kind in ('RETURNED', 'BROUGHT_BACK', 'POURED_BACK') and change > 0)
    or (kind = 'UNDONE' and change <> 0));

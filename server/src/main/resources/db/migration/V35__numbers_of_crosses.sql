-- A cross may come with the number it carries on its labels; one that was removed does not keep it. The next free number is above all that
-- were ever given.
alter table controlled_cross drop constraint crossing_orchard_id_year_number_key;
create unique index controlled_cross_number on controlled_cross (orchard_id, year, number) where voided_at is null;

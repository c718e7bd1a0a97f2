-- A variety's own numbers, in the place of its crop sheet's, and where they come from.
alter table variety
    add column own_pollen double precision check (own_pollen between 0 and 1),
    add column set_share double precision check (set_share > 0 and set_share <= 1),
    add column chill_portions double precision check (chill_portions between 0 and 200),
    add column doses_per_flower double precision check (doses_per_flower between 0.05 and 500),
    add column development_rate double precision check (development_rate between 0.5 and 2),
    add column numbers_source text not null default '' check (length(numbers_source) <= 200);
alter table variety_history
    add column own_pollen double precision, add column set_share double precision, add column chill_portions double precision,
    add column doses_per_flower double precision, add column development_rate double precision, add column numbers_source text;

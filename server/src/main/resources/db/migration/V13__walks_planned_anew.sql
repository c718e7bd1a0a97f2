-- Stops of a walk that were planned anew while it was walked: they keep their places, so that what was done at them stays theirs.
alter table walk add column replaced jsonb not null default '[]';
alter table walk_history add column replaced jsonb;

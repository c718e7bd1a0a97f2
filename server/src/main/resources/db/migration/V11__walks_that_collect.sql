-- What is collected on a walk before its stops, with the id that the jar is to have: whoever collects it, everybody knows it.
alter table walk add column collects jsonb not null default '[]';
alter table walk_history add column collects jsonb;

-- Fruits that a visit must let expect before anybody goes; 0 where every visit is worth it.
alter table round_settings add column worth_going double precision not null default 0.05 check (worth_going between 0 and 1000);
alter table round_settings_history add column worth_going double precision;

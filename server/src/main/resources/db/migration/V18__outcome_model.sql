-- The version of the rules by which outcomes and their sums were worked out; another one calls for working them out anew.
create table outcome_model (
    one     boolean primary key default true check (one),
    version int not null
);
insert into outcome_model (version) values (1);

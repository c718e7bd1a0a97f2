-- A pollination may be corrected to fewer flowers than a removed check has: only checks that count must fit.
alter table fruit_check
    drop constraint fruit_check_outcomes,
    add constraint fruit_check_outcomes
        check (voided_at is not null or taken + failed + dropped + unknown + thinned + lost between 1 and flowers);

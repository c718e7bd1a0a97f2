-- One visit of a day can be left out, and the others kept.
alter table plan_override drop constraint plan_override_kind_check;
alter table plan_override drop constraint plan_override_check;
alter table plan_override drop constraint plan_override_check1;
alter table plan_override add constraint plan_override_kind_check
    check (kind in ('SKIP_DAYS', 'SKIP_TREE', 'SKIP_VISIT', 'VISIT_AT'));
alter table plan_override add constraint plan_override_hour_check
    check ((kind in ('SKIP_VISIT', 'VISIT_AT')) = (visit_at is not null));
alter table plan_override add constraint plan_override_days_check
    check ((kind in ('SKIP_DAYS', 'SKIP_TREE')) = (first_day is not null and last_day is not null));

-- On which days one goes, and what is done with the flowers before leaf-out.
alter table round_settings
    add column rhythm text not null default 'EVERY_DAY' check (rhythm in ('EVERY_DAY', 'AS_SHEET', 'EVERY_OTHER_DAY', 'WEEKDAYS')),
    add column weekdays jsonb not null default '[]',
    add column only_when_warm boolean not null default false,
    add column early_flush text not null default 'WAIT' check (early_flush in ('WAIT', 'USE'));
alter table round_settings_history
    add column rhythm text,
    add column weekdays jsonb,
    add column only_when_warm boolean,
    add column early_flush text;

-- What somebody decided of the visits: days or a tree skipped, or a visit at an hour of one's own.
create table plan_override (
    id          uuid primary key,
    orchard_id  uuid not null references orchard,
    kind        text not null check (kind in ('SKIP_DAYS', 'SKIP_TREE', 'VISIT_AT')),
    first_day   date,
    last_day    date,
    tree_id     uuid,
    visit_at    timestamptz,
    recorded_by uuid not null references account,
    recorded_at timestamptz not null,
    zone        text not null,
    voided_at   timestamptz,
    void_reason text check (void_reason is null or length(void_reason) between 1 and 500),
    version     bigint not null,
    unique (orchard_id, id),
    foreign key (orchard_id, tree_id) references tree (orchard_id, id),
    check ((kind = 'VISIT_AT') = (visit_at is not null)),
    check ((kind <> 'VISIT_AT') = (first_day is not null and last_day is not null)),
    check ((kind = 'SKIP_TREE') = (tree_id is not null)),
    check (last_day >= first_day),
    check ((voided_at is null) = (void_reason is null))
);
create index plan_override_orchard on plan_override (orchard_id) where voided_at is null;
create table plan_override_history (
    id uuid not null, revision bigint not null references revision, revision_kind smallint,
    orchard_id uuid, kind text, first_day date, last_day date, tree_id uuid, visit_at timestamptz, recorded_by uuid,
    recorded_at timestamptz, zone text, voided_at timestamptz, void_reason text, primary key (id, revision)
);

-- Crosses that keep their own pollen under the cover, and steps that are skipped.
alter table crossing add column emasculate boolean not null default true;
alter table crossing_history add column emasculate boolean;
alter table crossing_step add column skipped boolean not null default false;
alter table crossing_step_history add column skipped boolean;
alter table crossing_step drop constraint crossing_step_kind_check;
alter table crossing_step add constraint crossing_step_kind_check
    check (kind in ('THIN', 'EMASCULATE', 'BAG', 'REBAG', 'BAG_OFF') or (skipped and kind in ('POLLINATE', 'POLLINATE_AGAIN')));
alter table crossing_step add constraint crossing_step_skipped_check check (not skipped or note <> '');

-- Codes of an app that change every half minute, asked for beside the password. Not in use until a first code was typed.
create table one_time_codes (
    account_id   uuid primary key references account,
    secret       bytea not null,
    begun_at     timestamptz not null,
    confirmed_at timestamptz,
    -- The half minute of the last code that was good: each is good once.
    last_step    bigint not null default 0,
    -- Wrong ones since; of everybody who knows the password, from wherever.
    wrong        int not null default 0 check (wrong >= 0),
    wrong_since  timestamptz not null
);

-- Good once each, for who has lost the app. Only hashes are kept.
create table spare_code (
    account_id uuid not null references one_time_codes on delete cascade,
    code_hash  text not null,
    primary key (account_id, code_hash)
);

-- Keys that a phone or computer keeps and opens by finger, face or its own code. What is public of them.
create table passkey (
    credential_id   bytea primary key,
    account_id      uuid not null references account,
    public_key      bytea not null,
    signature_count bigint not null,
    attestation     bytea not null,
    client_data     bytea,
    uv_initialized  boolean not null,
    transports      text not null,
    backup_eligible boolean not null,
    backup_state    boolean not null,
    label           text not null check (length(label) between 1 and 80),
    made_at         timestamptz not null,
    last_used_at    timestamptz not null
);
create index passkey_account on passkey (account_id);

# Backups: saved, read back, restored. Read by ./even-hand.

client() { PGOPTIONS='-c client_min_messages=warning' PGPASSWORD=$(password) "$pg_bin/psql" -h 127.0.0.1 -p "$db_port" -U even_hand -X -Atq -v ON_ERROR_STOP=1 "$@"; }

# Rows of the tables that people would miss, in one line.
counts() { # database
  local t
  for t in account orchard variety tree reading pollen_lot pollen_entry pollination fruit_check fruit; do
    printf '%s=%s ' "$t" "$(client -d "$1" -c "select count(*) from $t")"
  done
}

major() { "$pg_bin/postgres" --version | sed -E 's/.* ([0-9]+).*/\1/'; }

said_of() { sed -n "s/^$1=//p" "$2"; }

backup() { # file database
  local file=${1:-} name=${2:-even_hand} work
  [ -n "$file" ] || fail "a file is needed: ./even-hand backup orchards.ehb"
  start_postgres postgres "$db_port"
  [ "$(client -d postgres -c "select 1 from pg_database where datname = '$name'")" = 1 ] || fail "there is no orchard of your own here yet"
  work=$(mktemp -d "$run/backup.XXXXXX")
  # shellcheck disable=SC2064
  trap "rm -rf '$work'" EXIT
  PGPASSWORD=$(password) "$pg_bin/pg_dump" -h 127.0.0.1 -p "$db_port" -U even_hand -Fc -Z 6 --no-owner -f "$work/orchards.dump" "$name" ||
    fail "the database could not be saved"
  # Read back: what cannot be listed cannot be restored either.
  "$pg_bin/pg_restore" -l "$work/orchards.dump" >"$work/list" && grep -q 'TABLE DATA public pollination' "$work/list" ||
    fail "what was saved cannot be read back"
  {
    echo "format=1"
    echo "made=$(date -u +%Y-%m-%dT%H:%M:%SZ)"
    echo "postgresql=$(major)"
    echo "schema=$(client -d "$name" -c "select max(version::int) from flyway_schema_history where success and version ~ '^[0-9]+$'")"
    echo "sha256=$(sha256sum "$work/orchards.dump" | cut -d' ' -f1)"
    echo "bytes=$(stat -c %s "$work/orchards.dump")"
  } >"$work/manifest"
  tar -C "$work" -cf "$work/file" manifest orchards.dump
  mkdir -p "$(dirname "$file")"
  (umask 077; cp "$work/file" "$file.part")
  mv "$file.part" "$file"
  say "saved $(du -h "$file" | cut -f1) into $file"
}

restore() { # file
  local file=${1:-} work pid newest there aside
  [ -n "$file" ] || fail "a file is needed: ./even-hand restore orchards.ehb"
  [ -r "$file" ] || fail "$file cannot be read"
  if pid=$(app_pid); then fail "it runs (process $pid): first ./even-hand stop"; fi
  mkdir -p "$run"; work=$(mktemp -d "$run/restore.XXXXXX")
  # shellcheck disable=SC2064
  trap "rm -rf '$work'" EXIT
  tar -C "$work" -xf "$file" manifest orchards.dump 2>/dev/null || fail "$file is no backup of Even Hand"
  [ "$(said_of format "$work/manifest")" = 1 ] || fail "$file is of another version of Even Hand; use a newer one than this"
  [ "$(sha256sum "$work/orchards.dump" | cut -d' ' -f1)" = "$(said_of sha256 "$work/manifest")" ] ||
    fail "$file is damaged: its checksum differs; use another backup"
  newest=$(newest_schema)
  [ -z "$newest" ] || [ "$(said_of schema "$work/manifest")" -le "$newest" ] || fail "$file was saved by a newer Even Hand than this one; update first"
  start_postgres postgres "$db_port"
  [ "$(said_of postgresql "$work/manifest")" -le "$(major)" ] ||
    fail "$file was saved by PostgreSQL $(said_of postgresql "$work/manifest"), which is newer than the one here; install that one"
  there=$(client -d postgres -c "select 1 from pg_database where datname = 'even_hand'")
  if [ "$there" = 1 ] && [ -z "$yes" ] && has_people even_hand; then
    fail "there are orchards here already; to put the backup in their place call it again with --yes (they are kept aside)"
  fi
  client -d postgres -c 'drop database if exists even_hand_restoring' -c 'create database even_hand_restoring'
  PGPASSWORD=$(password) "$pg_bin/pg_restore" -h 127.0.0.1 -p "$db_port" -U even_hand -d even_hand_restoring --no-owner --exit-on-error \
    "$work/orchards.dump" || fail "the backup could not be restored; nothing here was changed"
  has_people even_hand_restoring || fail "the backup holds no account; nothing here was changed"
  if [ "$there" = 1 ]; then
    aside=even_hand_before_$(date -u +%Y%m%d%H%M%S)
    client -d postgres -c "alter database even_hand rename to $aside"
    say "what was here is kept aside as the database $aside"
  fi
  client -d postgres -c 'alter database even_hand_restoring rename to even_hand'
  say "restored as it was at $(said_of made "$work/manifest"): $(counts even_hand)"
}

has_people() { # database
  [ "$(client -d "$1" -c "select count(*) from information_schema.tables where table_name = 'account' and table_schema = 'public'")" = 1 ] &&
    [ "$(client -d "$1" -c 'select count(*) from account')" -gt 0 ]
}

# Of the migrations that ship.
newest_schema() {
  if [ -s "$unpacked/schema" ]; then cat "$unpacked/schema"; return; fi
  find "$home/server/src/main/resources/db/migration" -name 'V*.sql' 2>/dev/null | sed -E 's/.*V([0-9]+)__.*/\1/' | sort -n | tail -1
}

# Once a day; kept for seven days and for four weeks.
backup_daily() {
  local day
  if [ -z "$backups" ]; then return; fi
  mkdir -p "$backups"; chmod 700 "$backups"
  while sleep "${EVEN_HAND_BACKUP_PAUSE:-600}"; do
    # A database that is being made or brought up to date is not saved half-way.
    if [ ! -e "$run/app.ready" ] || [ -n "$(find "$backups" -name 'day-*.ehb' -mmin -1430 | head -1)" ]; then continue; fi
    day=$backups/day-$(date -u +%Y-%m-%d).ehb
    if ! "$0" backup "$day"; then echo "the backup of $(date -u +%FT%TZ) failed; see $run/app.out" >"$backups/failed"; continue; fi
    rm -f "$backups/failed"
    if [ "$(date -u +%u)" = 7 ]; then cp "$day" "$backups/week-$(date -u +%G-%V).ehb"; fi
    find "$backups" -name 'day-*.ehb' | sort | head -n -7 | xargs -r rm -f
    find "$backups" -name 'week-*.ehb' | sort | head -n -4 | xargs -r rm -f
  done
}

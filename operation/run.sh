# Running the application: started, watched, started again where it dies. Read by ./even-hand.

start_app() { # database demo
  local pid
  if pid=$(app_pid); then
    [ -z "$fresh" ] || fail "it runs (process $pid): first ./even-hand stop, then ./even-hand demo --fresh"
    [ "$(cat "$run/app.database" 2>/dev/null)" = "$1" ] ||
      fail "another orchard runs at $(cat "$run/app.address") (process $pid); first ./even-hand stop, then start this one"
    say "already running (process $pid): $(cat "$run/app.address")"; return
  fi
  [ -z "$fresh" ] || [ "$2" = true ] || fail "--fresh is for the demo only; your own orchard is never thrown away"
  need_tools
  listening "$port" && fail "port $port is taken by another program; choose another with --port N"
  build
  start_postgres postgres "$db_port"
  make_database "$1"
  # Nobody saves what was invented.
  if [ "$2" = true ]; then backups=; fi
  export EVEN_HAND_RUN=$run EVEN_HAND_BACKUPS=$backups EVEN_HAND_PORT=$port EVEN_HAND_DEMO=$2 EVEN_HAND_DB_PORT=$db_port
  export EVEN_HAND_DB_URL=jdbc:postgresql://127.0.0.1:$db_port/$1 EVEN_HAND_DB_PASSWORD; EVEN_HAND_DB_PASSWORD=$(password)
  export EVEN_HAND_SETUP_CODE; EVEN_HAND_SETUP_CODE=$(setup_code)
  export EVEN_HAND_READY=$run/app.ready
  # Rotated by the application itself, and kept over restarts: what went wrong before one is still there after it.
  export LOGGING_FILE_NAME=$run/app.log LOGGING_THRESHOLD_CONSOLE=off
  local address=http://127.0.0.1:$port
  if [ -n "$metrics" ]; then tell_metrics; fi
  if [ -n "$lan" ]; then serve_the_network; address=$EVEN_HAND_PUBLIC_ADDRESS; fi
  rm -f "$run/app.pid" "$run/app.ready"
  echo "$address" >"$run/app.address"; echo "$1" >"$run/app.database"
  setsid "$0" supervise >"$run/app.out" 2>&1 </dev/null &
  echo $! >"$run/supervisor.pid"
  wait_until_ready
}

# On a port of its own, which nobody but this machine reaches.
tell_metrics() {
  listening "$metrics" && fail "port $metrics is taken by another program; choose another with --metrics-port N"
  export MANAGEMENT_SERVER_PORT=$metrics MANAGEMENT_SERVER_ADDRESS=127.0.0.1 MANAGEMENT_ENDPOINTS_WEB_EXPOSURE_INCLUDE=health,prometheus
}

# A slow machine is waited for as long as the process lives; a line each 15 s says so.
wait_until_ready() {
  local began=$SECONDS told=0 supervisor; supervisor=$(cat "$run/supervisor.pid")
  until [ -e "$run/app.ready" ] && app_pid >/dev/null; do
    alive "$supervisor" || fail "the application stopped at once: $(why_it_stopped); see $run/app.log"
    if [ $((SECONDS - began)) -ge $((told + 15)) ]; then
      told=$((SECONDS - began))
      say "still starting after $told s ($run/app.log tells how far it is, ./even-hand stop ends it)"
    fi
    sleep 0.3
  done
}

why_it_stopped() { tail -qn 400 "$run/app.log" "$run/app.out" 2>/dev/null | grep -E 'ERROR|Caused' | tail -1 | cut -c1-300; }

# The application, started again where it died, and its backup once a day.
supervise() {
  local child='' code tries=0 began stopping='' backing
  trap 'stopping=1; [ -z "$child" ] || kill "$child" 2>/dev/null || true' TERM INT
  backup_daily & backing=$!
  while :; do
    began=$SECONDS
    # Memory that a burst of requests or a solver took is given back: few arenas, and a threshold that does not grow.
    MALLOC_ARENA_MAX=2 MALLOC_MMAP_THRESHOLD_=131072 MALLOC_TRIM_THRESHOLD_=131072 \
      java -Xmx512m -XX:MaxDirectMemorySize=64m -XX:+ExitOnOutOfMemoryError "$(shared_classes)" \
      -Xlog:cds=off -Xlog:cds+dynamic=off -Deven-hand.app=1 -jar "$unpacked/${jar##*/}" &
    child=$!; echo "$child" >"$run/app.pid"
    code=0; wait "$child" || code=$?
    # A signal ends the waiting before what it waits for has ended.
    while alive "$child"; do code=0; wait "$child" || code=$?; done
    if [ -n "$stopping" ] || [ "$code" = 0 ] || [ "$code" = 143 ]; then break; fi
    if [ $((SECONDS - began)) -lt 120 ]; then tries=$((tries + 1)); else tries=0; fi
    # One that never came up is not tried for ever.
    if [ ! -e "$run/app.ready" ] || [ "$tries" -ge 5 ]; then say "the application ended with $code; it is not started again"; break; fi
    say "the application ended with $code; starting it again"
    rm -f "$run/app.ready"
    sleep 1
  done
  kill "$backing" 2>/dev/null || true
}

stop_app() { # succeeds where there was one
  local pid supervisor
  # First whoever would start it again; it stops the application itself.
  if supervisor=$(cat "$run/supervisor.pid" 2>/dev/null) && alive "$supervisor" &&
    tr '\0' ' ' <"/proc/$supervisor/cmdline" | grep -q supervise; then kill "$supervisor"; fi
  pid=$(app_pid) || { rm -f "$run/app.pid" "$run/supervisor.pid" "$run/app.ready"; return 1; }
  kill "$pid" 2>/dev/null || true
  for _ in $(seq 1 80); do alive "$pid" || break; sleep 0.25; done
  if alive "$pid"; then kill -9 "$pid"; fi
  rm -f "$run/app.pid" "$run/supervisor.pid" "$run/app.ready"
}

# What whoever comes first must know.
setup_code() {
  if [ -n "${EVEN_HAND_SETUP_CODE:-}" ]; then echo "$EVEN_HAND_SETUP_CODE"; return; fi
  if [ ! -s "$run/setup-code" ]; then
    local code; code=$(head -c 400 /dev/urandom | LC_ALL=C tr -dc 'ABCDEFGHJKMNPQRSTUVWXYZ23456789')
    (umask 077; echo "${code:0:4}-${code:4:4}" >"$run/setup-code")
  fi
  cat "$run/setup-code"
}

tell_first_visit() {
  if [ "$(client -d even_hand -c 'select count(*) from account')" = 0 ]; then
    echo "  Even Hand    $(cat "$run/app.address")/#code=$(setup_code)   (the first visit makes the owner's account)"
  else
    echo "  Even Hand    $(cat "$run/app.address")"
  fi
}

# With this link a person chooses a new password; only its hash is kept.
reset_password() { # email
  local email=${1:-} key hash name database=even_hand
  [ -n "$email" ] || fail "an address is needed: ./even-hand reset-password ines@orchard.example"
  [ ! -s "$run/app.database" ] || database=$(cat "$run/app.database")
  start_postgres postgres "$db_port"
  key=$(head -c 24 /dev/urandom | base64 | tr '+/' '-_' | tr -d '=')
  hash=$(printf %s "$key" | sha256sum | cut -d' ' -f1)
  name=$(client -d "$database" -v "email=$email" -v "hash=$hash" <<'SQL'
with made as (
    insert into access_link (id, kind, key_hash, account_id, note, made_at, valid_until)
    select gen_random_uuid(), 'RESET', :'hash', id, '', now(), now() + interval '1 day' from account where lower(email) = lower(:'email')
    returning account_id)
select name from account join made on made.account_id = account.id;
SQL
  ) || fail "the link could not be made"
  [ -n "$name" ] || fail "nobody here has the address $email"
  say "with this link $name chooses a new password; it is good once, for a day:"
  echo "  $(cat "$run/app.address" 2>/dev/null || echo "http://127.0.0.1:$port")/join#$key"
}

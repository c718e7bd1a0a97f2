# A newer release in place of this one, and back where it does not start. Read by ./even-hand.

# What a release brings; everything else beside it stays.
released_parts="app runtime operation even-hand OPERATION.md"

upgrade() { # archive
  local archive=${1:-} work new saved=$run/backups/before-upgrade-$(date -u +%Y%m%d%H%M%S).ehb
  [ -n "$archive" ] || fail "the archive of a release is needed: ./even-hand upgrade even-hand-2.0.tar.gz"
  [ -n "$released" ] ||
    fail "this is a checkout: ./even-hand backup FILE, then fetch the new version and start it; to go back, restore FILE with the old one"
  [ -r "$archive" ] || fail "$archive cannot be read"
  [ -w "$home" ] || fail "$home cannot be written; where Even Hand came as a Debian package, install the newer package instead"
  # On the same disk, so that putting it in place is a matter of names.
  work=$(mktemp -d "$home/.upgrade.XXXXXX")
  # shellcheck disable=SC2064
  trap "rm -rf '$work'" EXIT
  new=$(unpack_release "$archive" "$work")
  [ "$(cat "$new/app/schema")" -ge "$(newest_schema)" ] || fail "$archive is older than what is here; to go back, restore a backup with the older release"
  "$0" backup "$saved" --db-port "$db_port" || fail "nothing was changed, as nothing could be saved first"
  "$0" stop >/dev/null 2>&1 || true
  rm -rf "$home/previous"; mkdir "$home/previous"
  change_parts "$home" "$home/previous"; change_parts "$new" "$home"
  if start_upgraded; then
    say "upgraded; as it was before is in $home/previous and $saved"
    return
  fi
  say "the new release does not start; putting the old one back"
  "$home/even-hand" stop >/dev/null 2>&1 || true
  change_parts "$home" "$new"; change_parts "$home/previous" "$home"
  "$home/even-hand" restore "$saved" --yes --db-port "$db_port" || fail "the old release is in place, but $saved could not be restored; see above"
  start_upgraded || fail "the old release is in place and does not start either; see $run/app.log"
  fail "not upgraded: it runs as it did before, with what was saved in $saved; $run/app.log tells why the new release did not start"
}

unpack_release() { # archive place; tells where it lies
  local new
  tar -C "$2" -xzf "$1" 2>/dev/null || fail "$1 is no release of Even Hand"
  new=$(find "$2" -mindepth 1 -maxdepth 1 -type d | head -1)
  [ -x "$new/even-hand" ] && [ -x "$new/runtime/bin/java" ] && [ -s "$new/app/schema" ] || fail "$1 is no release of Even Hand"
  echo "$new"
}

change_parts() { # from to
  local part
  for part in $released_parts; do
    if [ -e "$1/$part" ]; then mv "$1/$part" "$2/$part"; fi
  done
}

start_upgraded() { "$home/even-hand" start --port "$port" --db-port "$db_port" ${lan:+--lan "$lan"} ${metrics:+--metrics-port "$metrics"}; }

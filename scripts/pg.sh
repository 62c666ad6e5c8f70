#!/usr/bin/env bash
# A private PostgreSQL cluster on loopback: pg.sh start | stop | status | url owner | url app | destroy
# It lives in $BEXLO_DATA/pg (default .data/demo). The server process never runs as root.
source "$(dirname "$0")/lib.sh"
ROOT="${BEXLO_DATA:-.data/demo}"
mkdir -p "$ROOT"; chmod 700 "$ROOT"
ROOT=$(cd "$ROOT" && pwd)
DATA="$ROOT/pg"
BIN=$(pg_bin)

CHOWN=0
if [ "$(id -u)" -ne 0 ]; then as_server() { "$@"; }
elif unshare --user --map-user=1000 --map-group=1000 true 2>/dev/null; then
  as_server() { unshare --user --map-user=1000 --map-group=1000 "$@"; }
else as_server() { setpriv --reuid=postgres --regid=postgres --init-groups "$@"; }; CHOWN=1; fi

secret() { node -e 'process.stdout.write(require("crypto").randomBytes(24).toString("hex"))'; }
is_running() { [ -f "$DATA/postmaster.pid" ] && as_server "$BIN/pg_ctl" -D "$DATA" status >/dev/null 2>&1; }

create() {
  ( umask 077; secret >"$ROOT/owner-pass"; secret >"$ROOT/app-pass" )
  rm -rf "$DATA"; mkdir -m 700 "$DATA"
  if [ "$CHOWN" = 1 ]; then chmod 711 "$ROOT"; chown postgres: "$DATA" "$ROOT/owner-pass"; fi
  as_server "$BIN/initdb" -D "$DATA" -U bexlo_owner --pwfile="$ROOT/owner-pass" -A scram-sha-256 -E UTF8 \
    --locale=C.UTF-8 >"$ROOT/initdb.log" 2>&1 || { tail -5 "$ROOT/initdb.log" >&2; fail "the database cluster could not be made."; }
}

start() {
  [ -x "$BIN/initdb" ] || fail "PostgreSQL is not installed; npm run demo installs it."
  [ -f "$DATA/PG_VERSION" ] || create
  if ! is_running; then
    local port; port=$(free_port "$(cat "$ROOT/port" 2>/dev/null || echo 54360)")
    echo "$port" >"$ROOT/port"
    as_server "$BIN/pg_ctl" -D "$DATA" -s -w -t 60 -l "$DATA/server.log" \
      -o "-c listen_addresses=127.0.0.1 -p $port -c unix_socket_directories=''" start ||
      { tail -5 "$DATA/server.log" >&2; fail "PostgreSQL did not start; its log is $DATA/server.log."; }
  fi
}

url() {
  case "$1" in
    owner) echo "postgres://bexlo_owner:$(cat "$ROOT/owner-pass")@127.0.0.1:$(cat "$ROOT/port")/bexlo" ;;
    app) echo "postgres://bexlo_app:$(cat "$ROOT/app-pass")@127.0.0.1:$(cat "$ROOT/port")/bexlo" ;;
  esac
}

case "${1:-}" in
  start) start ;;
  stop) if is_running; then as_server "$BIN/pg_ctl" -D "$DATA" -s -w -m fast stop; fi ;;
  status) is_running && echo running || { echo stopped; exit 1; } ;;
  url) url "${2:?owner or app}" ;;
  destroy) if is_running; then as_server "$BIN/pg_ctl" -D "$DATA" -s -w -m immediate stop; fi; rm -rf "$ROOT" ;;
  *) fail "usage: pg.sh start | stop | status | url owner | url app | destroy" ;;
esac

#!/usr/bin/env bash
# Installs what is missing, starts a private database, seeds the demo, builds, serves. Ctrl-C stops everything.
#   npm run demo              keeps the data of last time
#   npm run demo -- --fresh   starts over
source "$(dirname "$0")/lib.sh"
export BEXLO_DATA="${BEXLO_DATA:-.data/demo}"

need_node
need_postgres
need_packages
if [ "${1:-}" = "--fresh" ]; then
  say "starting over: the demo data are thrown away"
  scripts/pg.sh destroy
elif [ -n "${1:-}" ]; then fail "unknown option $1; there is only --fresh."; fi

started_pg=0
server=""
stop_all() {
  # a second Ctrl-C must not leave half of it running
  trap "" INT TERM
  trap - EXIT
  if [ -n "$server" ]; then kill "$server" 2>/dev/null || true; wait "$server" 2>/dev/null || true; fi
  if [ "$started_pg" = 1 ]; then scripts/pg.sh stop || true; fi
  echo; say "stopped; the data stay in $BEXLO_DATA"
}
trap 'stop_all; exit 0' INT TERM
trap stop_all EXIT

if ! scripts/pg.sh status >/dev/null 2>&1; then
  say "starting the private database"
  scripts/pg.sh start
  started_pg=1
fi
OWNER_URL=$(scripts/pg.sh url owner)
APP_URL=$(scripts/pg.sh url app)
export SIGN_INS_FILE="$BEXLO_DATA/sign-ins.txt"
OWNER_URL=$OWNER_URL APP_URL=$APP_URL run_ts database/migrate.mts
[ -f "$SIGN_INS_FILE" ] || say "making the demo clinic and its weeks of history (about a minute)"
OWNER_URL=$OWNER_URL DATABASE_URL=$APP_URL run_ts database/demo/seed.mts
need_build

port=$(free_port "${PORT:-3000}")
DATABASE_URL=$APP_URL NODE_ENV=production node node_modules/next/dist/bin/next start -p "$port" -H 127.0.0.1 \
  >"$BEXLO_DATA/app.log" 2>&1 &
server=$!
for _ in $(seq 100); do
  if node -e "fetch('http://127.0.0.1:$port/api/health').then(r=>process.exit(r.ok?0:1),()=>process.exit(1))"; then up=1; break; fi
  kill -0 "$server" 2>/dev/null || break
  sleep 0.2
done
[ "${up:-0}" = 1 ] || { tail -20 "$BEXLO_DATA/app.log" >&2; fail "the app did not start; its log is $BEXLO_DATA/app.log."; }

printf '\nBexlo is up at http://127.0.0.1:%s\n\nSign in as\n' "$port"
while IFS=$'\t' read -r role email password; do printf '  %-10s %-24s %s\n' "$role" "$email" "$password"; done <"$SIGN_INS_FILE"
printf '\nCtrl-C stops everything that was started here.\n'
wait "$server"

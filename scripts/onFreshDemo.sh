#!/usr/bin/env bash
# Runs a script on a fresh private demo database and the built app, then throws the database away.
#   onFreshDemo.sh scripts/pictures.mts
source "$(dirname "$0")/lib.sh"
export BEXLO_DATA="${BEXLO_TEST_DATA:-.data/test}"
need_node
need_packages
need_postgres
need_chromium
cleanup() {
  # a script that failed half way leaves its server behind
  if [ -f "$BEXLO_DATA/e2e-server.pid" ]; then kill "$(cat "$BEXLO_DATA/e2e-server.pid")" 2>/dev/null || true; fi
  scripts/pg.sh destroy || true
}
trap cleanup EXIT
fresh_database
run_ts database/demo/seed.mts
need_build
run_ts "$@"

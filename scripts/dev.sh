#!/usr/bin/env bash
# The development server on the demo data, with reloading. Ctrl-C stops it and the database.
source "$(dirname "$0")/lib.sh"
export BEXLO_DATA="${BEXLO_DATA:-.data/demo}" SIGN_INS_FILE="${BEXLO_DATA:-.data/demo}/sign-ins.txt"
need_node
need_postgres
need_packages
scripts/pg.sh start
trap 'scripts/pg.sh stop' EXIT
export OWNER_URL=$(scripts/pg.sh url owner) APP_URL=$(scripts/pg.sh url app)
export DATABASE_URL=$APP_URL
run_ts database/migrate.mts
run_ts database/demo/seed.mts
cat "$SIGN_INS_FILE"
node node_modules/next/dist/bin/next dev -p "$(free_port "${PORT:-3000}")" -H 127.0.0.1

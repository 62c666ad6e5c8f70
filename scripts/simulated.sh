#!/usr/bin/env bash
# Lives sixteen weeks of the simulated clients on a fresh private database and writes docs/simulated-clients.md.
source "$(dirname "$0")/lib.sh"
export BEXLO_DATA="${BEXLO_TEST_DATA:-.data/test}"
need_node
need_packages
need_postgres
trap 'scripts/pg.sh destroy || true' EXIT
scripts/pg.sh destroy
scripts/pg.sh start
OWNER_URL=$(scripts/pg.sh url owner)
APP_URL=$(scripts/pg.sh url app)
export OWNER_URL APP_URL DATABASE_URL=$APP_URL WHOLE_SIMULATION=1
run_ts database/migrate.mts
npx jest --selectProjects integration --runInBand --testPathPatterns sixteenWeeks

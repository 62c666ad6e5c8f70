#!/usr/bin/env bash
# What takes long: lives sixteen weeks of the simulated clients on a fresh private database and writes
# docs/simulated-clients.md; then whole weeks of the demo's clients, and ten thousand random bodies, through the built app.
source "$(dirname "$0")/lib.sh"
export BEXLO_DATA="${BEXLO_TEST_DATA:-.data/test}"
need_node
need_packages
need_postgres
need_chromium
export WHOLE_SIMULATION=1
trap 'scripts/pg.sh destroy || true' EXIT
fresh_database
npx jest --selectProjects integration --runInBand --testPathPatterns sixteenWeeks

fresh_database
run_ts database/demo/seed.mts
need_build
npx playwright test --workers=2 --grep "@long|random bodies" --reporter=list

#!/usr/bin/env bash
# Everything that is tested: check (format, lint, boundaries, types, unit), integration on a private PostgreSQL,
# end to end in Chromium on the built app. Ends with "N passed, N failed".
source "$(dirname "$0")/lib.sh"
export BEXLO_DATA="${BEXLO_TEST_DATA:-.data/test}"
mkdir -p .data
rm -f .data/unit.json .data/integration.json .data/e2e.json

need_node
need_packages
need_postgres
need_chromium
need_poppler
KEEP_GOING=1 scripts/check.sh

cleanup() { scripts/pg.sh destroy || true; }
trap cleanup EXIT

say "private database for the tests"
fresh_database
say "integration tests"
npx jest --selectProjects integration --maxWorkers=2 --json --outputFile=.data/integration.json >/dev/null 2>.data/integration.log ||
  cat .data/integration.log >&2

say "demo data for the end-to-end tests, and the build beside them"
fresh_database
run_ts database/demo/seed.mts &
seeding=$!
need_build
wait $seeding
# a test waits most of its time, for timers and for the network: more of them than cores side by side
say "end-to-end tests in Chromium, four side by side"
PLAYWRIGHT_JSON_OUTPUT_NAME=.data/e2e.json npx playwright test --workers=4 --grep-invert @long --reporter=list,json || true

node scripts/count.mjs .data/unit.json .data/integration.json .data/e2e.json

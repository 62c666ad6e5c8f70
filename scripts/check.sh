#!/usr/bin/env bash
# Format, lint and import boundaries, unused code, types, unit tests: no browser, no database.
source "$(dirname "$0")/lib.sh"
mkdir -p .data
need_node
need_packages
say "format, lint, import boundaries"
npx biome check --error-on-warnings . || fail "format, lint or an import boundary is broken; see above."
say "unused files, exports and packages"
npx knip || fail "something is no longer used; see above."
say "types"
node node_modules/next/dist/bin/next typegen >/dev/null
npx tsc --noEmit || fail "types do not fit; see above."
say "unit tests"
npx jest --selectProjects unit --maxWorkers=2 --json --outputFile=.data/unit.json >/dev/null 2>.data/unit.log ||
  { cat .data/unit.log >&2; [ "${KEEP_GOING:-}" = 1 ] || fail "unit tests failed; see above."; }

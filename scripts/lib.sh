# Shared by the scripts: words, checks, what a fresh machine lacks. Sourced, never run.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
export NEXT_TELEMETRY_DISABLED=1

say() { printf '\033[1m·\033[0m %s\n' "$*"; }
# a command that fails without a sentence of its own still says where
trap 'printf "\nStopped: line %s of %s failed: %s\n" "$LINENO" "$0" "$BASH_COMMAND" >&2' ERR
fail() { printf '\nStopped: %s\n' "$*" >&2; exit 1; }

as_root() {
  if [ "$(id -u)" -eq 0 ]; then "$@"
  elif command -v sudo >/dev/null; then sudo "$@"
  else fail "a package is missing and this user has neither root nor sudo: $*"; fi
}

# apt_install WHAT PACKAGE…: from Debian's packages, quietly, with the cause if it fails.
apt_install() {
  local what=$1; shift
  command -v apt-get >/dev/null || fail "$what is missing and this is no Debian machine: install $* by hand."
  say "installing $what from Debian's packages (once)"
  local log; log=$(mktemp)
  { as_root apt-get update -qq && as_root env DEBIAN_FRONTEND=noninteractive \
      apt-get install -y -qq --no-install-recommends "$@"; } >"$log" 2>&1 ||
    { tail -5 "$log" >&2; fail "Debian's packages could not install $what."; }
  rm -f "$log"
}

pg_bin() { ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -1; }

need_node() {
  command -v node >/dev/null || fail "Node.js is missing: install Node 20 or newer."
  node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a > 20 || (a === 20 && b >= 9) ? 0 : 1)' ||
    fail "Node.js $(node --version) is too old: 20.9 or newer is needed."
}

need_postgres() {
  [ -x "$(pg_bin)/initdb" ] && return
  # Debian would start a cluster of its own on installation; ours is private
  as_root mkdir -p /etc/postgresql-common/createcluster.d
  echo "create_main_cluster = false" | as_root tee /etc/postgresql-common/createcluster.d/no-main.conf >/dev/null
  apt_install "PostgreSQL" postgresql
  [ -x "$(pg_bin)/initdb" ] || fail "PostgreSQL was installed but initdb cannot be found."
}

# the headless one alone: the whole one draws its own windows too, for every page
need_chromium() {
  [ -x "${CHROMIUM_PATH:-/usr/bin/chromium-headless-shell}" ] || apt_install "Chromium" chromium-headless-shell
}

# what reads the papers in the tests
need_poppler() {
  command -v pdftotext >/dev/null || apt_install "a reader of PDF" poppler-utils
}

need_packages() {
  local stamp=node_modules/.bexlo-lock want
  want=$(sha1sum package-lock.json | cut -d' ' -f1)
  [ "$(cat $stamp 2>/dev/null)" = "$want" ] && return
  say "installing npm packages (once, about a minute)"
  npm ci --no-audit --no-fund --loglevel=error || fail "npm could not install the packages; its message is above."
  echo "$want" >$stamp
}

# The build is made again only when something it is made from has changed.
need_build() {
  local want
  want=$(find src package-lock.json next.config.ts tsconfig.json postcss.config.mjs -type f -print0 |
    LC_ALL=C sort -z | xargs -0 sha1sum | sha1sum | cut -d' ' -f1)
  [ "$(cat .next/bexlo-source 2>/dev/null)" = "$want" ] && [ -f .next/BUILD_ID ] && return
  say "building (about half a minute)"
  rm -f .next/bexlo-source
  local log; log=$(mktemp)
  node node_modules/next/dist/bin/next build >"$log" 2>&1 || { tail -40 "$log" >&2; fail "the build failed; its message is above."; }
  rm -f "$log"
  echo "$want" >.next/bexlo-source
}

# An empty database of BEXLO_DATA's own, migrated, with what the app and the tests need to reach it.
fresh_database() {
  scripts/pg.sh destroy
  scripts/pg.sh start
  OWNER_URL=$(scripts/pg.sh url owner)
  APP_URL=$(scripts/pg.sh url app)
  export OWNER_URL APP_URL DATABASE_URL=$APP_URL SIGN_INS_FILE="$BEXLO_DATA/sign-ins.txt"
  run_ts database/migrate.mts
}

free_port() { # first free port from $1 on, on loopback
  node -e '
    const net = require("net");
    const tryPort = (p) => { const s = net.createServer();
      s.once("error", () => tryPort(p + 1)); s.listen(p, "127.0.0.1", () => { process.stdout.write(String(p)); s.close(); }); };
    tryPort(Number(process.argv[1]));' "$1"
}

run_ts() { node --conditions=react-server --import tsx "$@"; }

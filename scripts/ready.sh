# Sourced by ./start, ./check and ./ithermon: installs and builds only what is missing or out of date.
# Every failure is one clear line on standard error.

export ASTRO_TELEMETRY_DISABLED=1

fail() {
  printf 'ithermon: %s\n' "$1" >&2
  exit 1
}

need_node() {
  command -v node >/dev/null 2>&1 || fail 'Node.js is not installed; install version 20.19 or newer'
  node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a > 20 || (a === 20 && b >= 19) ? 0 : 1)' ||
    fail "Node.js $(node --version) is too old; install version 20.19 or newer"
}

need_packages() {
  local stamp=node_modules/.ithermon-lock
  if [ ! -f "$stamp" ] || ! cmp -s package-lock.json "$stamp"; then
    echo 'Installing packages (a few minutes the first time)…' >&2
    npm ci --no-audit --no-fund >.install.log 2>&1 || fail 'npm ci failed; the end of .install.log says why'
    rm -f .install.log
    cp package-lock.json "$stamp"
  fi
}

need_build() {
  if [ ! -f dist/.built ] || [ -n "$(find src public scripts/build.mjs scripts/bundle.mjs astro.config.mjs tsconfig.json package.json -newer dist/.built -print -quit)" ]; then
    echo 'Building…' >&2
    node scripts/build.mjs >&2 || fail 'the build failed; the lines above say why'
  fi
}

need_chromium() {
  [ -x /usr/bin/chromium ] && return
  local sudo=
  [ "$(id -u)" = 0 ] || sudo=sudo
  echo 'Installing Chromium for the browser tests…' >&2
  { $sudo apt-get update && $sudo apt-get install -y chromium; } >.install.log 2>&1 ||
    fail 'Chromium could not be installed; install the package chromium, then try again (.install.log says why)'
  rm -f .install.log
}

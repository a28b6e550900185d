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

# Runs a stage that takes a while: says what and about how long, then how far into it the clock is.
# stage NAME ABOUT_s COMMAND...
stage() {
  local name=$1 about=$2 began=$SECONDS code=0
  shift 2
  printf '%s: about %s on a quiet machine, up to three times that on a busy one…\n' "$name" "$(spoken "$about")" >&2
  "$@" &
  local job=$! told=0
  trap 'kill "$job" 2>/dev/null' INT TERM
  while kill -0 "$job" 2>/dev/null; do
    sleep 1
    if [ $((SECONDS - began)) -ge $((told + 20)) ]; then
      told=$((SECONDS - began))
      printf '  %s so far\n' "$(spoken "$told")" >&2
    fi
  done
  wait "$job" || code=$?
  trap - INT TERM
  [ "$code" != 0 ] || printf '  done in %s\n' "$(spoken $((SECONDS - began)))" >&2
  return "$code"
}

spoken() {
  if [ "$1" -lt 60 ]; then printf '%d s' "$1"; else printf '%d min %02d s' $(($1 / 60)) $(($1 % 60)); fi
}

# What the product needs; `all`: what tests need as well. A stamp says for which lock each was installed.
need_packages() {
  local what=${1:-product} stamp=node_modules/.ithermon-lock
  cmp -s package-lock.json "$stamp-all" && return
  [ "$what" = product ] && cmp -s package-lock.json "$stamp" && return
  if [ "$what" = all ] && cmp -s package-lock.json "$stamp"; then
    # The product is there, its native parts compiled: only the rest is added.
    stage 'Adding the packages of the tests' 45 installed install --no-save --include=dev
  elif [ "$what" = all ]; then
    stage 'Installing packages and compiling the database' 170 installed ci --include=dev
  else
    stage 'Installing packages and compiling the database' 140 installed ci --omit=dev
  fi || fail 'the packages could not be installed; the end of .install.log says why'
  rm -f .install.log
  cp package-lock.json "$stamp"
  [ "$what" = product ] || cp package-lock.json "$stamp-all"
}

installed() {
  npm "$@" --no-audit --no-fund >.install.log 2>&1
}

need_build() {
  if [ ! -f dist/.built ] || [ -n "$(find src public scripts/build.mjs scripts/bundle.mjs astro.config.mjs tsconfig.json package.json -newer dist/.built -print -quit)" ]; then
    stage 'Building' 40 node scripts/build.mjs || fail 'the build failed; the lines above say why'
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

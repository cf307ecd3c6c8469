# What the commands in this folder share. Sourced, never run.

say() { printf '%s\n' "$*"; }
fail() { printf '%s\n' "$*" >&2; exit 1; }

# Java 17 or newer, with its compiler, and Maven.
need_java() {
  command -v javac >/dev/null 2>&1 || fail "Sumbrel needs a JDK 17 or newer: install one (on Debian: apt-get install openjdk-17-jdk-headless) and try again."
  local major
  major="$(javac -version 2>&1 | sed -E 's/javac ([0-9]+).*/\1/')"
  [ "$major" -ge 17 ] 2>/dev/null || fail "Sumbrel needs a JDK 17 or newer, this is $(javac -version 2>&1): install one (on Debian: apt-get install openjdk-17-jdk-headless) and try again."
  command -v mvn >/dev/null 2>&1 || fail "Sumbrel needs Maven 3.8 or newer: install it (on Debian: apt-get install maven) and try again."
}

# Node 20 or newer and npm, for the interface.
need_node() {
  command -v node >/dev/null 2>&1 || fail "Sumbrel needs Node.js 20 or newer to build its interface: install it (from your system's packages or nodejs.org) and try again."
  local major
  major="$(node --version | sed -E 's/v([0-9]+).*/\1/')"
  [ "$major" -ge 20 ] 2>/dev/null || fail "Sumbrel needs Node.js 20 or newer to build its interface, this is $(node --version): install it and try again."
  command -v npm >/dev/null 2>&1 || fail "Sumbrel needs npm to build its interface: install it (it comes with Node.js) and try again."
}

# One fingerprint of the sources below the folders named.
sources_of() {
  (cd "$home" && find pom.xml docs/api $1 \( -name node_modules -o -name target -o -name dist -o -path '*/src/test' -o -path 'web/src/api/schema.ts' \) -prune -o -type f -print0 2>/dev/null \
    | LC_ALL=C sort -z | xargs -0 sha256sum | sha256sum | cut -d' ' -f1)
}

# Builds a module and what it stands on, unless its jar was built from these very sources.
build_when_changed() {
  local module="$1" jar="$2" folders="$3" stamp now
  stamp="$home/.build/$module"
  now="$(sources_of "$folders")"
  if [ ! -f "$jar" ] || [ "$(cat "$stamp" 2>/dev/null)" != "$now" ]; then
    say "Building Sumbrel ($module); the first time this takes a few minutes."
    mkdir -p "$home/.build"
    (cd "$home" && mvn -q -B -DskipTests -pl "$module" -am package >"$home/.build/$module.log" 2>&1) \
      || { tail -n 30 "$home/.build/$module.log" >&2; fail "The build failed; its whole output is in .build/$module.log."; }
    printf '%s' "$now" >"$stamp"
  fi
}

java_options="-XX:TieredStopAtLevel=1 -XX:+UseSerialGC -Xmx2g"

# Where the unpacked server is; SUMBREL_START names one that is there already, as the tests have.
start="${SUMBREL_START:-$home/.build/start}"

# Builds the server where its sources changed, and unpacks it.
prepare_server() {
  need_java
  if [ -z "${SUMBREL_START:-}" ]; then
    need_node
    build_when_changed server "$home/server/target/sumbrel-server.jar" "core formats web server"
    prepare_start
  fi
}

# Unpacks the jar and makes, once for each build, what lets it start quickly: an archive of its classes and the demo's books.
prepare_start() {
  local stamp
  stamp="$(cat "$home/.build/server")"
  if [ "$(cat "$start/made-of" 2>/dev/null)" != "$stamp" ]; then
    rm -rf "$start"
    (cd "$home/.build" && java -Djarmode=tools -jar "$home/server/target/sumbrel-server.jar" extract --destination "$start" >/dev/null)
    (cd "$start" && java $java_options -Xlog:disable -Xlog:all=error:stderr -XX:ArchiveClassesAtExit=sumbrel.jsa -jar sumbrel-server.jar \
      --server.port=0 --sumbrel.data="$start/data" --sumbrel.demo.enabled=true --sumbrel.business-date=2026-05-29 \
      --sumbrel.stop-when-ready=true >"$home/.build/prepare.log" 2>&1) \
      || { tail -n 20 "$home/.build/prepare.log" >&2; fail "The demo's books could not be made; the whole output is in .build/prepare.log."; }
    printf '%s' "$stamp" >"$start/made-of"
  fi
}

# run_server PORT DATA OPTION...
run_server() {
  local port="$1" data="$2"
  shift 2
  cd "$start"
  exec java $java_options -Xshare:auto -XX:SharedArchiveFile=sumbrel.jsa -jar sumbrel-server.jar \
    --server.port="$port" --sumbrel.data="$data" "$@"
}

# need_port PORT
need_port() {
  case "$1" in '' | *[!0-9]*) fail "--port needs a number, not \"$1\"." ;; esac
}

# need_folder DIR: makes it where it is missing and prints its whole path.
need_folder() {
  mkdir -p "$1" 2>/dev/null || fail "The data folder $1 cannot be made; name another with --data."
  [ -w "$1" ] || fail "The data folder $1 cannot be written to; name another with --data."
  (cd "$1" && pwd)
}

# serve_until_stopped PORT DATA OPTION...: runs the server, says when it is ready, stops with it. Its log goes
# into the data folder; what it prints (a one-time code) is for whoever started it.
serve_until_stopped() {
  local port="$1" data="$2" log="$2/sumbrel.log" server
  : >"$log"
  run_server "$@" --logging.file.name="$log" --logging.threshold.console=off &
  server=$!
  trap 'kill "$server" 2>/dev/null; wait "$server" 2>/dev/null; exit 0' INT TERM
  until grep -q "Sumbrel is ready on" "$log"; do
    kill -0 "$server" 2>/dev/null || fail "$(explain_failure "$log" "$port" "$data")"
    sleep 0.1
  done
  say "Sumbrel is ready on http://localhost:$port (data in $data, Ctrl+C stops it)"
  wait "$server"
}

# check_folder DATA: whether every rule holds in a data folder that is not in use; the folder is only read.
check_folder() {
  local log status=0
  log="$(mktemp)"
  java $java_options -jar "$home/server/target/sumbrel-server.jar" --sumbrel.check=true --server.port=0 --sumbrel.data="$1" --sumbrel.inbox= \
    "--spring.datasource.url=jdbc:h2:file:$1/sumbrel;ACCESS_MODE_DATA=r;IFEXISTS=TRUE" --spring.flyway.enabled=false \
    --logging.level.root=error >"$log" 2>&1 || status=$?
  if grep -q "rules hold\.\|rules are broken\." "$log"; then
    grep "^holds \|^BROKEN \|^                  \|rules hold\.\|rules are broken\." "$log"
  else
    explain_failure "$log" 0 "$1" >&2
    status=1
  fi
  rm -f "$log"
  return "$status"
}

# explain_failure LOG PORT DATA: one sentence for the failures people meet.
explain_failure() {
  if grep -q "Port $2 was already in use\|Address already in use" "$1"; then
    say "Port $2 is in use already; name another with --port."
  elif grep -q "This folder holds the demo's books" "$1"; then
    say "The data in $3 are the demo's books: start them with bin/demo, or name another folder with --data."
  elif grep -qi "already in use\|locked by another process" "$1"; then
    say "The data in $3 is in use by another Sumbrel; stop that one or name another folder with --data."
  elif grep -qi "file corrupted" "$1"; then
    say "The data in $3 is damaged. Start with --fresh or name another folder with --data."
  elif grep -qi "No space left" "$1"; then
    say "The disk is full; nothing was written."
  else
    say "Sumbrel did not start; the reason is in $1."
  fi
}

# Chromium for the browser tests, from Debian's packages where it is missing: the one without a window of its own.
need_chromium() {
  [ -x /usr/bin/chromium-headless-shell ] || [ -x /usr/bin/chromium ] \
    || need_package chromium-headless-shell "The browser tests need Chromium, as /usr/bin/chromium-headless-shell or /usr/bin/chromium"
}

# The plain-text accounting tool that the exported ledger is held against, from Debian's packages where it is missing.
need_hledger() {
  command -v hledger >/dev/null 2>&1 || need_package hledger "The tests of the exported ledger need hledger"
}

# need_package NAME WHAT-FOR
need_package() {
  command -v apt-get >/dev/null 2>&1 || fail "$2: install it and try again."
  local as=""
  if [ "$(id -u)" != 0 ]; then
    command -v sudo >/dev/null 2>&1 || fail "$2: install it as root with apt-get install $1 and try again."
    as=sudo
  fi
  say "Installing $1 for the tests."
  $as apt-get update -qq && DEBIAN_FRONTEND=noninteractive $as apt-get install -y -qq "$1" >/dev/null \
    || fail "$1 could not be installed: install it with apt-get install $1 and try again."
}

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

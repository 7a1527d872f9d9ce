# Set-up shared by ./demo and ./test: what has to be there, and building.

say() { printf '%s\n' "$*" >&2; }

# at_least HAVE WANT: whether version HAVE is WANT or later.
at_least() { [ "$(printf '%s\n%s\n' "$2" "$1" | sort -V | head -n 1)" = "$2" ]; }

need_tools() {
  local go_version node_version
  go_version=$(go env GOVERSION 2>/dev/null | sed 's/^go//') || true
  [ -n "$go_version" ] && at_least "$go_version" 1.26 || { say "Go 1.26 or later is needed; found ${go_version:-none}."; exit 1; }
  node_version=$(node --version 2>/dev/null | sed 's/^v//') || true
  [ -n "$node_version" ] && at_least "$node_version" 20.19 || { say "Node 20.19 or later is needed; found ${node_version:-none}."; exit 1; }
}

# need_package PACKAGE PROGRAM: installs a Debian package whose program is missing.
need_package() {
  local package=$1 program=$2
  command -v "$program" >/dev/null 2>&1 && return
  ls /usr/lib/postgresql/*/bin/"$program" >/dev/null 2>&1 && return
  if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null 2>&1; then
    say "Installing $package …"
    apt-get update -qq >&2 && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq "$package" >&2
    return
  fi
  say "$package is missing. Install it with this line, then start again:"
  say "    sudo apt-get install -y $package"
  exit 1
}

# build makes the interface and the program, each only when its sources changed.
build() {
  if [ ! -d web/node_modules ] || [ web/package-lock.json -nt web/node_modules/.package-lock.json ]; then
    say "Installing the interface's packages …"
    (cd web && npm ci --silent >&2)
  fi
  if [ ! -f internal/webfiles/dist/family.html ] || [ -n "$(find web core cmd/phone internal/words/pages internal/look -path web/node_modules -prune -o -type f ! -name '*_test.go' -newer internal/webfiles/dist/family.html -print | head -n 1)" ]; then
    say "Building the interface …"
    (cd web && npm run --silent build >&2)
  fi
  go build -o bin/ ./cmd/...
}

# What the scripts need on a fresh Debian 12 machine with Rust and Node. Source this file.

root=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)

# Repeated clean checkouts share one build.
export CARGO_TARGET_DIR=${CARGO_TARGET_DIR:-${XDG_CACHE_HOME:-$HOME/.cache}/cavesson/target}
# Queries are checked against crates/store/.sqlx; no database is needed to build.
export SQLX_OFFLINE=true
export PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1
export npm_config_update_notifier=false

say() { printf '\n== %s\n' "$*"; }

apt_refreshed=
install_package() {
  local sudo=
  [ "$(id -u)" = 0 ] || sudo=sudo
  if [ -n "$sudo" ] && ! command -v sudo >/dev/null; then
    echo "The Debian package $1 is missing; as root, run: apt-get install $1" >&2
    return 1
  fi
  say "Installing Debian's $1"
  if [ -z "$apt_refreshed" ]; then
    $sudo apt-get -q -o DPkg::Lock::Timeout=400 update >/dev/null || true
    apt_refreshed=yes
  fi
  $sudo env DEBIAN_FRONTEND=noninteractive apt-get -q -y -o DPkg::Lock::Timeout=400 \
    install --no-install-recommends "$1" >/dev/null
}

need_postgresql() {
  ls -d /usr/lib/postgresql/*/bin/initdb >/dev/null 2>&1 || {
    # The private cluster is all that is wanted: no cluster of Debian's own.
    install_package postgresql-common
    [ "$(id -u)" != 0 ] || sed -i 's/^#*create_main_cluster.*/create_main_cluster = false/' /etc/postgresql-common/createcluster.conf
    install_package postgresql
  }
}

need_chromium() { [ -x /usr/bin/chromium ] || install_package chromium; }

need_compilers() {
  command -v cargo >/dev/null || { echo "Rust is missing: install it with rustup, then start again." >&2; return 1; }
  command -v npm >/dev/null || { echo "Node.js 20 or newer is missing: install it, then start again." >&2; return 1; }
  command -v cc >/dev/null || install_package gcc
  # The solver of the week, and how it is found.
  command -v pkg-config >/dev/null || install_package pkg-config
  pkg-config --exists cbc || install_package coinor-libcbc-dev
}

# npm ci, unless the lock file is the one that was installed last.
node_packages() {
  local folder=$1 stamp=$1/node_modules/.installed-from
  if ! cmp -s "$folder/package-lock.json" "$stamp"; then
    (cd "$folder" && npm ci --no-audit --no-fund --loglevel=error)
    cp "$folder/package-lock.json" "$stamp"
  fi
}

# vite build, unless nothing it reads has changed.
build_web() {
  local web=$root/web now
  now=$(cd "$web" && find src public index.html vite.config.ts openapi.json package-lock.json -type f -print0 |
    sort -z | xargs -0 cksum | cksum)
  if [ ! -e "$web/dist/index.html" ] || [ "$now" != "$(cat "$web/dist/.built-from" 2>/dev/null)" ]; then
    node_packages "$web"
    (cd "$web" && npx vite build --logLevel warn)
    printf '%s\n' "$now" >"$web/dist/.built-from"
  fi
}

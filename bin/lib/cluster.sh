# A private PostgreSQL on loopback. Source this file; it defines:
#   cluster_start DIR PORT [postgres options ...]   make it if missing, start it
#   cluster_stop DIR
#   cluster_running DIR
#   free_port
#   cluster_sql PORT DATABASE [psql options ...]    as the superuser
# With CLUSTER_PASSWORD_FILE set, a new cluster asks for that password.
# initdb refuses root, so as root everything runs as Debian's postgres user.

cluster_find() {
  cluster_bin=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
}
cluster_find

as_postgres() {
  if [ "$(id -u)" = 0 ]; then runuser -u postgres -- "$@"; else "$@"; fi
}

free_port() {
  python3 -c 'import socket; s=socket.socket(); s.bind(("127.0.0.1",0)); print(s.getsockname()[1])' 2>/dev/null ||
    node -e 'const s=require("net").createServer().listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'
}

# Postgres gets the real path: a link may lie where it cannot go.
cluster_running() {
  [ -d "$1" ] && as_postgres "$cluster_bin/pg_ctl" -D "$(readlink -f "$1")" status >/dev/null 2>&1
}

# The data belong under DIR. When postgres cannot reach DIR (a clone in root's
# own home, say), DIR becomes a link to a folder that it can reach.
cluster_reachable() {
  local dir=$1 elsewhere
  mkdir -p "$(dirname "$dir")"
  [ "$(id -u)" = 0 ] || { mkdir -p "$dir"; return; }
  if [ ! -L "$dir" ] && ! as_postgres test -x "$(dirname "$dir")"; then
    elsewhere=/var/lib/cavesson-$(printf '%s' "$dir" | cksum | cut -d' ' -f1)
    mkdir -p "$elsewhere"
    ln -s "$elsewhere" "$dir"
  fi
  mkdir -p "$dir/"
  chown postgres "$dir/."
}

cluster_init() {
  local said password access=(-A trust) failed=
  if [ -n "${CLUSTER_PASSWORD_FILE:-}" ]; then
    password=$(mktemp)
    cat "$CLUSTER_PASSWORD_FILE" >"$password"
    [ "$(id -u)" != 0 ] || chown postgres "$password"
    access=(-A scram-sha-256 "--pwfile=$password")
  fi
  said=$(as_postgres "$cluster_bin/initdb" -D "$1/" -U postgres "${access[@]}" -E UTF8 --locale=C.UTF-8 2>&1) ||
    failed=yes
  [ -z "${password:-}" ] || rm -f "$password"
  [ -z "$failed" ] || { printf '%s\n' "$said" >&2; return 1; }
}

cluster_start() {
  local dir=$1 port=$2
  shift 2
  if cluster_running "$dir"; then return; fi
  cluster_reachable "$dir"
  dir=$(readlink -f "$dir")
  if [ ! -e "$dir/PG_VERSION" ]; then
    cluster_init "$dir" || return 1
  fi
  as_postgres "$cluster_bin/pg_ctl" -D "$dir" -w -s -l "$dir/log" \
    -o "-p $port -h 127.0.0.1 -c unix_socket_directories='' $*" start </dev/null ||
    { tail -n 20 "$dir/log" >&2; return 1; }
}

cluster_stop() {
  if cluster_running "$1"; then as_postgres "$cluster_bin/pg_ctl" -D "$(readlink -f "$1")" -w -s -m fast stop; fi
}

cluster_sql() {
  local port=$1 database=$2
  shift 2
  "$cluster_bin/psql" -h 127.0.0.1 -p "$port" -U postgres -d "$database" -v ON_ERROR_STOP=1 -qAt "$@"
}

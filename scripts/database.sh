# A private PostgreSQL cluster on loopback, in the project's own data folder, owned by whoever runs it (postgres when root does).

PG_BIN="$(compgen -G '/usr/lib/postgresql/*/bin' | sort -V | tail -n 1 || true)"
STARTED_CLUSTERS=()
APP_PID=""

# initdb and the server refuse root.
as_postgres() { if [ "$(id -u)" = 0 ]; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi; }

# sql CLUSTER DATABASE STATEMENT, as the superuser of the cluster
sql() { PGPASSWORD="$(secret "$1" postgres)" "$PG_BIN/psql" -X -q -v ON_ERROR_STOP=1 -At -h 127.0.0.1 -p "$CLUSTER_PORT" -U postgres -d "$2" -c "$3"; }

# secret CLUSTER ROLE: a password made once and kept beside the cluster, readable by its owner only
secret() {
  local file="$STATE/$1.$2.secret"
  if [ ! -s "$file" ]; then
    (umask 077 && mkdir -p "$STATE" && head -c 24 /dev/urandom | base64 | tr -d '/+=\n' > "$file")
  fi
  cat "$file"
}

cluster_dir() {
  # The server's user must be able to walk to the folder; inside a private home it cannot.
  if [ "$(id -u)" = 0 ] && ! runuser -u postgres -- test -x "$ROOT" 2>/dev/null; then
    echo "/var/lib/merienda/$(echo "$ROOT" | cksum | cut -d' ' -f1)-$1"
  else
    echo "$STATE/$1"
  fi
}

# start_cluster NAME durable|fast: sets CLUSTER_DIR and CLUSTER_PORT
start_cluster() {
  PG_BIN="$(compgen -G '/usr/lib/postgresql/*/bin' | sort -V | tail -n 1)"
  CLUSTER_DIR="$(cluster_dir "$1")"
  make_cluster "$1" "$2"
  if as_postgres "$PG_BIN/pg_ctl" -D "$CLUSTER_DIR" status > /dev/null 2>&1; then
    CLUSTER_PORT="$(as_postgres sed -n 4p "$CLUSTER_DIR/postmaster.pid")"
  else
    CLUSTER_PORT="$(free_port)"
    as_postgres "$PG_BIN/pg_ctl" -D "$CLUSTER_DIR" -o "-p $CLUSTER_PORT" -l "$CLUSTER_DIR/server.log" -w -s start > /dev/null 2>&1 ||
      fail "The database in $CLUSTER_DIR does not start; its last words: $(as_postgres tail -n 2 "$CLUSTER_DIR/server.log" 2> /dev/null | tr '\n' ' '). Restore a backup of the folder, or move it away to begin with an empty database."
    STARTED_CLUSTERS+=("$CLUSTER_DIR")
  fi
  sql "$1" postgres "select 1" > /dev/null 2>&1 || fail "The database in $CLUSTER_DIR refuses the password in $STATE/$1.postgres.secret. Bring the two back together from a backup, or move both away to begin with an empty database."
  for role in merienda_owner merienda_app; do
    [ "$(sql "$1" postgres "select 1 from pg_roles where rolname = '$role'")" = 1 ] ||
      sql "$1" postgres "create role $role login nosuperuser nobypassrls $([ $role = merienda_owner ] && echo createdb) password '$(secret "$1" $role)'"
  done
}

make_cluster() {
  [ ! -e "$CLUSTER_DIR" ] || {
    as_postgres test -s "$CLUSTER_DIR/PG_VERSION" || fail "$CLUSTER_DIR is not a PostgreSQL folder. Restore it from a backup, or move it away to begin with an empty database."
    return 0
  }
  say "Making a database in $CLUSTER_DIR …"
  mkdir -p "$CLUSTER_DIR"
  [ "$(id -u)" != 0 ] || chown postgres: "$CLUSTER_DIR"
  chmod 700 "$CLUSTER_DIR"
  local password
  password="$(mktemp)"
  secret "$1" postgres > "$password"
  [ "$(id -u)" != 0 ] || chown postgres: "$password"
  as_postgres "$PG_BIN/initdb" -D "$CLUSTER_DIR" -U postgres -A scram-sha-256 --pwfile="$password" -E UTF8 --locale=C.UTF-8 --data-checksums > /dev/null
  rm -f "$password"
  {
    echo "listen_addresses = '127.0.0.1'"
    echo "unix_socket_directories = ''"
    echo "max_connections = 100"
    [ "$2" = durable ] || printf '%s\n' "fsync = off" "full_page_writes = off" "synchronous_commit = off"
  } | as_postgres tee -a "$CLUSTER_DIR/postgresql.conf" > /dev/null
}

need_database() { [ "$(sql "$1" postgres "select 1 from pg_database where datname = '$2'")" = 1 ] || sql "$1" postgres "create database $2 owner merienda_owner"; }

connection() { echo "Host=127.0.0.1;Port=$CLUSTER_PORT;Database=$3;Username=$2;Password=$(secret "$1" "$2")"; }

# run_application CLUSTER PORT DATABASE DEMO: starts it in the background and waits until it is ready
run_application() {
  need_database "$1" "$3"
  local log="$STATE/$1-app.log"
  ConnectionStrings__Owner="$(connection "$1" merienda_owner "$3")" ConnectionStrings__App="$(connection "$1" merienda_app "$3")" Demo="$4" \
    Logging__LogLevel__Default=Warning ASPNETCORE_CONTENTROOT="$STATE/app" \
    dotnet "$STATE/app/Merienda.Web.dll" --urls "http://127.0.0.1:$2" > "$log" 2>&1 &
  APP_PID=$!
  for _ in $(seq 240); do
    if node -e 'fetch(process.argv[1]).then(r => process.exit(r.ok ? 0 : 1), () => process.exit(1))' "http://127.0.0.1:$2/health/ready"; then
      return 0
    fi
    kill -0 "$APP_PID" 2> /dev/null || fail "The application did not start; its last words: $(grep -m 3 -E 'exception|Exception|error' "$log" | tr '\n' ' ') The log is $log"
    sleep 0.25
  done
  fail "The application was not ready within a minute; the log is $log"
}

stop_all() {
  [ -z "$APP_PID" ] || { kill "$APP_PID" 2> /dev/null && wait "$APP_PID" 2> /dev/null; } || true
  for dir in "${STARTED_CLUSTERS[@]:-}"; do
    [ -z "$dir" ] || as_postgres "$PG_BIN/pg_ctl" -D "$dir" -m fast -s stop > /dev/null 2>&1 || true
  done
}

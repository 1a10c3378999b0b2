#!/usr/bin/env bash
# Kills the application, and every other time its database too, in the middle of edits: scripts/crash.sh [ROUNDS], 30 without.
# Nothing that was acknowledged may be lost, nothing that was refused may be there, and what was sent again is there once.
set -euo pipefail
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
STATE="$ROOT/.merienda"
export DOTNET_CLI_TELEMETRY_OPTOUT=1 DOTNET_NOLOGO=1
# shellcheck source=scripts/tools.sh
source "$ROOT/scripts/tools.sh"
# shellcheck source=scripts/database.sh
source "$ROOT/scripts/database.sh"
# shellcheck source=scripts/build.sh
source "$ROOT/scripts/build.sh"

rounds="${1:-30}"
need_tools
need_packages postgresql tzdata
build_application
trap stop_all EXIT
start_cluster crash durable
sql crash postgres "drop database if exists merienda with (force)" > /dev/null
port="$(free_port)"
run_application crash "$port" merienda false
node "$ROOT/scripts/crash.mjs" "http://127.0.0.1:$port" "$STATE/crash.json" prepare
for round in $(seq "$rounds"); do
  node "$ROOT/scripts/crash.mjs" "http://127.0.0.1:$port" "$STATE/crash.json" edit "$round" &
  editor=$!
  sleep "$((1 + RANDOM % 2)).$((RANDOM % 10))"
  kill -KILL "$APP_PID"
  if [ $((round % 2)) = 0 ]; then
    # The server's own process; those that serve connections end when it is gone.
    kill -KILL "$(as_postgres head -n 1 "$CLUSTER_DIR/postmaster.pid")"
    sleep 1
    # Where nobody takes in dead processes its number still looks alive.
    as_postgres rm -f "$CLUSTER_DIR/postmaster.pid"
  fi
  wait "$APP_PID" 2> /dev/null || true
  wait "$editor"
  start_cluster crash durable
  run_application crash "$port" merienda false
  node "$ROOT/scripts/crash.mjs" "http://127.0.0.1:$port" "$STATE/crash.json" check "$round"
done
say "$rounds rounds: nothing acknowledged is lost, nothing refused is there, what was sent again is there once."

# ./merienda bench: the core by BenchmarkDotNet, then the week's endpoints under many users on a database of its own.

run_bench() {
  need_tools
  need_packages postgresql tzdata
  build_application
  quietly dotnet build "$ROOT/bench/Merienda.Bench" -c Release -v quiet
  (cd "$STATE" && dotnet run --project "$ROOT/bench/Merienda.Bench" -c Release --no-build -- --filter "${1:-*}" --join --job short)
  trap 'stop_all' EXIT
  dotnet run --project "$ROOT/bench/Merienda.Bench" -c Release --no-build -- swaps
  local week
  for week in "2 20" "2 60" "2 200" "2 400" "2 60 points" "4 200"; do
    # shellcheck disable=SC2086
    MALLOC_ARENA_MAX=2 dotnet run --project "$ROOT/bench/Merienda.Bench" -c Release --no-build -- solve $week
  done
  start_cluster bench durable
  sql bench postgres "drop database if exists load with (force)" > /dev/null
  local port
  port="$(free_port)"
  # Everybody who is measured signs up first.
  SignInsPerMinute=100000 run_application bench "$port" load true
  dotnet run --project "$ROOT/bench/Merienda.Bench" -c Release --no-build -- load "http://127.0.0.1:$port" 200
  dotnet run --project "$ROOT/bench/Merienda.Bench" -c Release --no-build -- load "http://127.0.0.1:$port" 50
  # Members that nobody signs up one by one: 4,500 accounts that share what the demo's members share.
  sql bench load "$(cat "$ROOT/bench/members.sql")" > /dev/null
  dotnet run --project "$ROOT/bench/Merienda.Bench" -c Release --no-build -- group "http://127.0.0.1:$port"
  echo "  the server's memory: $(awk '/VmRSS/ {print int($2 / 1024)}' "/proc/$APP_PID/status") MB"
  dotnet run --project "$ROOT/bench/Merienda.Bench" -c Release --no-build -- larder "http://127.0.0.1:$port"
  dotnet run --project "$ROOT/bench/Merienda.Bench" -c Release --no-build -- library "http://127.0.0.1:$port"
}

# ./merienda dev: the server with hot reload and Vite before it, on a database of its own; one Ctrl-C ends all.

run_dev() {
  local api=$((WEB_PORT + 1)) vite="" demo
  demo="$(demo_is_on)"
  port_is_free "$WEB_PORT" || fail "Port $WEB_PORT is taken. Stop what listens there, or choose another: MERIENDA_PORT=5090 ./merienda dev"
  port_is_free "$api" || fail "Port $api, beside it, is taken. Choose two free ones: MERIENDA_PORT=5090 ./merienda dev"
  need_tools
  need_packages postgresql tzdata
  need_node_modules
  trap 'kill_group "$vite"; kill_group "$APP_PID"; APP_PID=""; stop_all' EXIT
  trap 'exit 0' INT TERM
  start_cluster dev durable
  need_database dev merienda
  (cd "$ROOT/web" && quietly npm run generate)
  mkdir -p "$ROOT/src/Merienda.Web/wwwroot"
  # Groups of their own: ending one ends what it started.
  set -m
  ConnectionStrings__Owner="$(connection dev merienda_owner merienda)" ConnectionStrings__App="$(connection dev merienda_app merienda)" Demo="$demo" \
    Logging__LogLevel__Default=Warning ASPNETCORE_ENVIRONMENT=Development DOTNET_WATCH_SUPPRESS_LAUNCH_BROWSER=1 \
    dotnet watch --non-interactive --project "$ROOT/src/Merienda.Web" run --no-launch-profile --urls "http://127.0.0.1:$api" < /dev/null &
  APP_PID=$!
  (cd "$ROOT/web" && MERIENDA_API="http://127.0.0.1:$api" exec npx vite --port "$WEB_PORT" --strictPort --clearScreen false) < /dev/null &
  vite=$!
  set +m
  say ""
  say "Merienda is being built; then it is at http://localhost:$WEB_PORT (C# reloads by dotnet watch, pages by Vite)."
  say "After a change of the API: (cd web && npm run generate). Ctrl-C stops all."
  wait -n "$APP_PID" "$vite" || fail "One of the two stopped by itself; its words are above."
}

# The server ends by itself; dotnet watch, which waits for a change then, has to be ended.
kill_group() {
  [ -n "$1" ] || return 0
  kill -TERM -- "-$1" 2> /dev/null || return 0
  for _ in $(seq 12); do
    kill -0 -- "-$1" 2> /dev/null || return 0
    sleep 0.25
  done
  kill -KILL -- "-$1" 2> /dev/null || true
}

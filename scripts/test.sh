# ./merienda test: every check on a database of its own; ends with "N passed, N failed".

PASSED=0
FAILED=0

# One check that passes or fails as a whole.
step() {
  local name="$1" log="$STATE/test-step.log"
  shift
  if "$@" > "$log" 2>&1; then
    PASSED=$((PASSED + 1))
    say "  passed  $name"
  else
    FAILED=$((FAILED + 1))
    say "  FAILED  $name"
    tail -n 60 "$log"
  fi
}

# count NAME LOG PASSED FAILED: adds a runner's own totals; a runner that said nothing has failed
count() {
  local passed="${3:-0}" failed="${4:-0}"
  [ -n "${3:-}" ] || failed=1
  PASSED=$((PASSED + passed))
  FAILED=$((FAILED + failed))
  say "  $passed passed, $failed failed  $1"
  [ "$failed" = 0 ] || tail -n 120 "$2"
}

xunit() {
  local log="$STATE/test-$1.log" total failed errors
  dotnet "$ROOT/tests/$1/bin/Release/net10.0/$1.dll" -noColor > "$log" 2>&1 || true
  total="$(sed -nE 's/.*Total: ([0-9]+),.*/\1/p' "$log" | tail -n 1)"
  failed="$(sed -nE 's/.*Failed: ([0-9]+),.*/\1/p' "$log" | tail -n 1)"
  errors="$(sed -nE 's/.*Errors: ([0-9]+),.*/\1/p' "$log" | tail -n 1)"
  if [ -n "$total" ]; then count "$1" "$log" "$((total - failed))" "$((failed + errors))"; else count "$1" "$log"; fi
}

in_root() { (cd "$ROOT" && "$@"); }

front_end() { (cd "$ROOT/web" && "$@"); }

vitest() {
  local log="$STATE/test-vitest.json"
  front_end npx vitest run --reporter=default --reporter=json --outputFile.json="$log" > "$STATE/test-vitest.log" 2>&1 || true
  count "front-end units" "$STATE/test-vitest.log" "$(node -p 'require(process.argv[1]).numPassedTests' "$log" 2> /dev/null)" "$(node -p 'require(process.argv[1]).numFailedTests' "$log" 2> /dev/null)"
}

# Counts by itself: it runs beside the others.
front_end_checks() {
  PASSED=0
  FAILED=0
  echo "0 1" > "$STATE/test-front-end.counts"
  step "generate the client" front_end npm run -s generate
  step "lint" front_end npm run -s lint
  step "types" front_end npm run -s typecheck
  vitest
  echo "$PASSED $FAILED" > "$STATE/test-front-end.counts"
}

playwright() {
  local log="$STATE/test-e2e.json"
  rm -f "$log"
  PLAYWRIGHT_JSON_OUTPUT_NAME="$log" MERIENDA_URL="http://localhost:$1" front_end npx playwright test --reporter=json,line > "$STATE/test-e2e.log" 2>&1 || true
  count "browser" "$STATE/test-e2e.log" "$(node -p 'const s = require(process.argv[1]).stats; s.expected + s.flaky' "$log" 2> /dev/null)" "$(node -p 'const r = require(process.argv[1]); r.stats.unexpected + r.stats.skipped + r.errors.length' "$log" 2> /dev/null)"
}

run_tests() {
  need_tools
  need_packages postgresql tzdata chromium-headless-shell coinor-cbc
  trap 'stop_all' EXIT
  mkdir -p "$STATE"
  # Nothing here runs long enough to win what profiling the code costs: the core is built in 46 s instead of 67 s.
  export DOTNET_TieredPGO=0
  # The compiler and the packages wait for different things.
  need_node_modules &
  local packages=$!
  mkdir -p "$ROOT/src/Merienda.Web/wwwroot"

  say "C#: build with warnings as errors, format, tests"
  step "build" dotnet build "$ROOT/Merienda.slnx" -c Release -v quiet
  (cd "$ROOT" && dotnet csharpier --version > /dev/null 2>&1) || step "get the formatter" dotnet tool restore --tool-manifest "$ROOT/.config/dotnet-tools.json"
  step "format" in_root dotnet csharpier check .
  wait "$packages" || fail "The front-end packages could not be fetched; the reason stands above."
  start_cluster test fast
  for old in $(sql test postgres "select datname from pg_database where datname like 'test\_%'"); do sql test postgres "drop database $old with (force)"; done
  export MERIENDA_TEST_OWNER MERIENDA_TEST_APP
  MERIENDA_TEST_OWNER="$(connection test merienda_owner postgres)"
  MERIENDA_TEST_APP="$(connection test merienda_app postgres)"
  # What the front end waits for and what the database tests wait for is not the same.
  front_end_checks > "$STATE/test-front-end.log" 2>&1 &
  local front=$!
  xunit Merienda.Core.Tests
  xunit Merienda.Formats.Tests
  xunit Merienda.Solving.Tests
  xunit Merienda.Web.Tests

  say "Front end: types of the wire, lint, types, units"
  wait "$front" || true
  cat "$STATE/test-front-end.log"
  local passed failed
  read -r passed failed < "$STATE/test-front-end.counts"
  PASSED=$((PASSED + passed))
  FAILED=$((FAILED + failed))
  if [ "$FAILED" = 0 ]; then
    build_application
    say "Browser: the real server, the real database"
    sql test postgres "drop database if exists e2e with (force)" > /dev/null
    local port
    port="$(free_port)"
    run_application test "$port" e2e true
    playwright "$port"
  else
    say "The browser tests wait until the rest passes."
  fi

  say "$PASSED passed, $FAILED failed"
  [ "$FAILED" = 0 ]
}

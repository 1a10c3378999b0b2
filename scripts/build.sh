# Builds only what changed since the last time.

fingerprint() { (cd "$ROOT" && find "$@" -type f -not -path '*/node_modules/*' -not -path '*/bin/*' -not -path '*/obj/*' -not -path '*/wwwroot/*' -not -name schema.d.ts -print0 | sort -z | xargs -0 sha1sum | sha1sum | cut -d' ' -f1); }

is_done() { [ "$(cat "$STATE/$1.done" 2> /dev/null)" = "$2" ]; }

mark_done() { mkdir -p "$STATE" && echo "$2" > "$STATE/$1.done"; }

quietly() {
  local log="$STATE/build.log"
  mkdir -p "$STATE"
  "$@" > "$log" 2>&1 || {
    tail -n 40 "$log" >&2
    fail "This step failed: $*"
  }
}

need_node_modules() {
  local print
  print="$(fingerprint web/package.json web/package-lock.json)"
  if ! is_done npm "$print" || [ ! -d "$ROOT/web/node_modules" ]; then
    say "Fetching front-end packages …"
    (cd "$ROOT/web" && quietly npm ci --no-progress)
    mark_done npm "$print"
  fi
  # The browser tests stand outside web/ and use its packages.
  ln -sfn ../../web/node_modules "$ROOT/tests/e2e/node_modules"
}

build_application() {
  local print
  print="$(fingerprint src data web Directory.Build.props Directory.Packages.props global.json)"
  is_done app "$print" && [ -e "$STATE/app/Merienda.Web.dll" ] && return 0
  need_node_modules
  say "Building …"
  mkdir -p "$ROOT/src/Merienda.Web/wwwroot"
  quietly dotnet build "$ROOT/src/Merienda.Web" -c Release -v quiet
  (cd "$ROOT/web" && quietly npm run generate && quietly npm run build)
  rm -rf "$STATE/app"
  quietly dotnet publish "$ROOT/src/Merienda.Web" -c Release -v quiet -o "$STATE/app"
  cp -r "$ROOT/data" "$STATE/app/data"
  mark_done app "$print"
}

build_cli() {
  local print
  print="$(fingerprint src/Merienda.Core src/Merienda.Formats src/Merienda.Cli data Directory.Build.props Directory.Packages.props)"
  is_done cli "$print" && [ -e "$STATE/cli/Merienda.Cli.dll" ] && return 0
  rm -rf "$STATE/cli"
  quietly dotnet publish "$ROOT/src/Merienda.Cli" -c Release -v quiet -o "$STATE/cli"
  cp -r "$ROOT/data" "$STATE/cli/data"
  mark_done cli "$print"
}

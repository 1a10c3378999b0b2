#!/usr/bin/env bash
# Runs the tests as if it were another day: what passes on a Thursday may fail on a Saturday, the last day of most weeks.
# usage: scripts/weekdays.sh [days from now …]   (today and the six days after it when none is named; needs a C compiler)
set -euo pipefail
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
clock="$ROOT/.merienda/clock.so"
days=("$@")
[ $# -gt 0 ] || days=(0 1 2 3 4 5 6)
mkdir -p "$ROOT/.merienda"
cc -shared -fPIC -O2 -o "$clock" "$ROOT/scripts/clock.c"
failed=0
for day in "${days[@]}"; do
  echo "As on $(date -d "$day days" '+%A, %-d %B %Y')"
  LD_PRELOAD="$clock" MERIENDA_CLOCK=$((day * 86400)) "$ROOT/merienda" test || failed=$((failed + 1))
done
echo "$failed of ${#days[@]} days with failures"
[ "$failed" = 0 ]

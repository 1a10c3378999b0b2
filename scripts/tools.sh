# Words to the user, and the tools that have to be there.

say() { echo "$*"; }

fail() {
  echo "merienda: $*" >&2
  exit 1
}

port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

free_port() {
  local port
  for _ in $(seq 50); do
    port=$((20000 + RANDOM % 20000))
    if port_is_free "$port"; then
      echo "$port"
      return
    fi
  done
  fail "No free port was found between 20000 and 40000; stop some servers."
}

as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"; elif command -v sudo > /dev/null; then sudo "$@"; else fail "Installing $* needs root. Install sudo, or run as root once."; fi
}

need_tools() {
  command -v dotnet > /dev/null || fail "The .NET SDK 10 is missing. Install it from your distribution or Microsoft's packages, then run this again."
  dotnet --list-sdks | grep -q '^10\.' || fail "The .NET SDK 10 is missing; found $(dotnet --list-sdks | cut -d' ' -f1 | tr '\n' ' '). Install it, then run this again."
  command -v node > /dev/null || fail "Node.js 20 or newer is missing. Install it, then run this again."
  [ "$(node -p 'process.versions.node.split(".")[0]')" -ge 20 ] || fail "Node.js $(node --version) is too old. Install 20 or newer, then run this again."
  command -v npm > /dev/null || fail "npm is missing; it comes with Node.js. Install it, then run this again."
}

has_package() {
  case "$1" in
    postgresql) compgen -G '/usr/lib/postgresql/*/bin/initdb' > /dev/null ;;
    tzdata) [ -e /usr/share/zoneinfo/Europe/Lisbon ] ;;
    coinor-cbc) command -v cbc > /dev/null ;;
    *) command -v "$1" > /dev/null ;;
  esac
}

# Installs Debian packages that are missing; without any missing it asks nothing of the network.
need_packages() {
  local missing=()
  for package in "$@"; do has_package "$package" || missing+=("$package"); done
  [ ${#missing[@]} -gt 0 ] || return 0
  command -v apt-get > /dev/null || fail "These are missing: ${missing[*]}. Install them with your system's package manager."
  say "Installing ${missing[*]} …"
  # Debian would start a cluster of its own beside ours.
  if [[ " ${missing[*]} " == *" postgresql "* ]] && [ ! -e /etc/postgresql-common/createcluster.conf ]; then
    as_root mkdir -p /etc/postgresql-common
    echo "create_main_cluster = false" | as_root tee /etc/postgresql-common/createcluster.conf > /dev/null
  fi
  { as_root apt-get update -qq && as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}"; } > /tmp/merienda-apt.log 2>&1 ||
    fail "Installing ${missing[*]} failed; the reason is in /tmp/merienda-apt.log. The first set-up needs the network."
}

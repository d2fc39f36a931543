# Shared by ./start and ./test: finds the tools, installs what is missing, builds what has changed. Sourced, not run.

local_folder="$PWD/.local"
mkdir -p "$local_folder"

say() { printf '%s\n' "$*"; }

fail() {
  printf '%s\n' "$*" >&2
  exit 1
}

need_tools() {
  command -v dotnet >/dev/null || fail "The .NET SDK 10 is missing: https://dotnet.microsoft.com/download"
  case "$(dotnet --version)" in
    1[0-9].*) ;;
    *) fail "Young Tinge needs the .NET SDK 10 or newer; here is $(dotnet --version)." ;;
  esac
  command -v node >/dev/null || fail "Node.js 20 is missing: https://nodejs.org"
  [ "$(node -p 'Number(process.versions.node.split(".")[0])')" -ge 20 ] ||
    fail "Young Tinge needs Node.js 20 or newer; here is $(node --version)."
}

# A short name for the state of some folders: changes when a file in them does, or comes, or goes.
state_of() {
  find "$@" \( -name node_modules -o -name bin -o -name obj -o -name wwwroot -o -name TestResults -o -name openapi.json \) -prune -o -type f -printf '%p %s %T@\n' |
    LC_ALL=C sort | sha256sum | cut -c1-16
}

# once NAME STATE COMMAND...: runs the command unless it has already succeeded for this state.
once() {
  local mark="$local_folder/$1.done" state=$2
  shift 2
  if [ -f "$mark" ] && [ "$(cat "$mark")" = "$state" ]; then return; fi
  rm -f "$mark"
  "$@"
  echo "$state" >"$mark"
}

install_client() { (cd client && npm ci --no-audit --no-fund --loglevel=error); }

build_client() { (cd client && npm run --silent build -- --logLevel=error); }

build_server() { dotnet build src/YoungTinge.Web -c Release --nologo -v quiet -clp:ErrorsOnly; }

install_client_side() {
  [ -d client/node_modules ] || rm -f "$local_folder/client-packages.done"
  once client-packages "$(sha256sum <client/package-lock.json)" install_client
}

build_client_side() {
  install_client_side
  [ -f src/YoungTinge.Web/wwwroot/index.html ] || rm -f "$local_folder/client.done"
  once client "$(state_of client)" build_client
}

build_application() {
  # Among tests all is built, and must not be built under their feet.
  [ -z "${YOUNG_TINGE_BUILT:-}" ] || return 0
  [ -f src/YoungTinge.Web/bin/Release/net10.0/YoungTinge.Web.dll ] || rm -f "$local_folder/server.done"
  build_client_side &
  local client_side=$!
  once server "$(state_of src client/src/locales Directory.Build.props Directory.Build.targets Directory.Packages.props)" build_server
  wait "$client_side"
}

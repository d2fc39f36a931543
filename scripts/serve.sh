# How ./start serves: which user, which database, which files. Sourced, not run; needs scripts/setup.sh.

# The user that the server runs as when ./start is run by root: nothing that a stranger's picture is read by should be root.
server_user=young-tinge

# Sets "home", where the data lies (YOUNG_TINGE_HOME if that is set), and what the server is run from. For root both lie where the
# server's user may go, as that user may not be allowed into this folder.
find_home() {
  home=${YOUNG_TINGE_HOME:-$local_folder}
  app="$PWD/src/YoungTinge.Web/bin/Release/net10.0"
  content="$PWD/src/YoungTinge.Web"
  as_server=()
  if [ "$(id -u)" = 0 ]; then
    home=${YOUNG_TINGE_HOME:-/var/lib/young-tinge/$(pwd | sha256sum | cut -c1-12)}
    id "$server_user" >/dev/null 2>&1 || useradd --system --no-create-home --shell /usr/sbin/nologin "$server_user"
    as_server=(setpriv --reuid "$server_user" --regid "$server_user" --clear-groups env "HOME=/nonexistent" "DOTNET_CLI_HOME=/tmp")
    if "${as_server[@]}" dotnet --list-runtimes >/dev/null 2>&1; then
      app="$home/app"
      content="$home/app"
    else
      say "Note: the user $server_user cannot run dotnet here, so the server runs as root."
      as_server=()
    fi
  fi
  mkdir -p "$home"
}

# Puts a copy of what is built where the server's user may read it, if it runs as one of its own.
put_in_place() {
  [ "$(id -u)" = 0 ] || return 0
  # The database's folder once stood for itself.
  if [ -d "$home/data" ]; then mkdir -p "$home/postgres" && chown postgres: "$home/postgres" && mv "$home"/{data,password,log} "$home/postgres/"; fi
  chown root: "$home"
  chmod 711 "$home"
  [ ${#as_server[@]} != 0 ] || return 0
  local built="$PWD/src/YoungTinge.Web"
  rm -rf "$app"
  mkdir -p "$app"
  cp -r "$built/bin/Release/net10.0/." "$app/"
  cp -r "$built/wwwroot" "$built/appsettings.json" "$app/"
  chmod -R go+rX "$app"
}

# Starts the database if it does not run, and says how to reach it: as its owner, for migrations, and as the server does.
connect() {
  local name password
  owner=$(scripts/postgres start "$home/postgres" 9>&-) || return 1
  [ -s "$home/app-password" ] || (umask 077 && od -An -N24 -tx1 /dev/urandom | tr -d ' \n' >"$home/app-password")
  password=$(cat "$home/app-password")
  name=$(sed -E "s/Username=[^;]*;Password=[^;]*/Username=studio_app;Password=$password/" <<<"$owner")
  export ConnectionStrings__Studio=$name
  # On this machine the demo is open to whoever comes: its password is another on each, and the page that asks for it is filled in.
  [ -s "$home/demo-password" ] || (umask 077 && od -An -N12 -tx1 /dev/urandom | tr -d ' \n' >"$home/demo-password")
  Demo__Password=$(cat "$home/demo-password")
  export Demo__Password
  # Copies that the server makes by itself, for whoever asks for some.
  export Backups__Folder="$home/backups"
  mkdir -p "$Backups__Folder"
  if [ ${#as_server[@]} != 0 ]; then chown "$server_user:" "$Backups__Folder"; fi
}

# prepare [--fresh] [--empty]: brings the database up to this build. Sets "told": how to come in.
prepare() { told=$(ConnectionStrings__Owner=$owner dotnet "$app/YoungTinge.Web.dll" setup "$@" --address "http://127.0.0.1:${port:-5080}" 9>&-); }

# Without curl or wget, which a fresh machine may not have.
is_ready() (
  exec 3<>"/dev/tcp/127.0.0.1/$port" || exit 1
  printf 'GET /health/ready HTTP/1.0\r\nHost: localhost\r\n\r\n' >&3
  read -r _ status _ <&3
  [ "$status" = 200 ]
) 2>/dev/null

# Starts the server and waits until it is ready. Sets "server", its process.
serve() {
  # In a process group of its own, so that Ctrl-C reaches this script first and it can stop things in order.
  set -m
  "${as_server[@]}" dotnet "$app/YoungTinge.Web.dll" --contentRoot "$content" --urls "http://127.0.0.1:$port" 9>&- &
  server=$!
  set +m
  echo "$server" >"$home/server.pid"
  for _ in $(seq 300); do
    kill -0 "$server" 2>/dev/null || { say "The server did not start."; return 1; }
    is_ready && return 0
    sleep 0.1
  done
  say "The server does not get ready."
  return 1
}

# If the script that serves is killed, so that it cannot tidy up, this does: the lock is let go of by the system.
watch_over() {
  setsid scripts/after "$home" 9>&- >/dev/null 2>&1 &
  disown
}

# keep_studio backup|restore FILE. The file is opened here: the server's user may not be allowed to.
keep_studio() {
  if [ "$1" = restore ]; then
    [ -f "$2" ] && [ -r "$2" ] || fail "There is no file $2."
    "${as_server[@]}" dotnet "$app/YoungTinge.Web.dll" restore <"$2" 9>&-
    return
  fi
  # Only a whole backup gets its name.
  "${as_server[@]}" dotnet "$app/YoungTinge.Web.dll" backup >"$2.part" 9>&- || { rm -f "$2.part"; fail "Nothing was kept."; }
  sync "$2.part"
  mv "$2.part" "$2"
  say "It is in $2."
}

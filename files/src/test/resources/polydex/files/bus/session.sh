#!/bin/sh
# A session with an accessibility bus, run below dbus-run-session: session.sh FOLDER PROGRAM...
# Each program is a script of this folder with its argument after a colon. The address of the
# session's bus is written when all were started; the session ends when its standard input does.
folder=$1
shift
here=$(dirname "$0")
export XDG_RUNTIME_DIR="$folder" GSETTINGS_BACKEND=memory NO_AT_BRIDGE=0 GSK_RENDERER=cairo
/usr/libexec/at-spi-bus-launcher --launch-immediately 2>/dev/null &
# Who asks for this bus before it has its name starts a second one, and half the programs are there.
until dbus-send --session --print-reply --dest=org.freedesktop.DBus / \
    org.freedesktop.DBus.NameHasOwner string:org.a11y.Bus | grep -q true; do sleep 0.1; done
for program in "$@"; do
  /usr/bin/python3 "$here/${program%%:*}" "${program#*:}" 2>>"$folder/programs.log" &
done
echo "$DBUS_SESSION_BUS_ADDRESS" > "$folder/address.new"
mv "$folder/address.new" "$folder/address"
read -r _
kill 0

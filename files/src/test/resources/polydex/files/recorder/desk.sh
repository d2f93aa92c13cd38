#!/bin/sh
# A session with a window manager, an accessibility bus and the desk, run below dbus-run-session:
# desk.sh FOLDER. It ends when the desk does, which is when its standard input ends.
here=$(dirname "$0")
export XDG_RUNTIME_DIR="$1" GSETTINGS_BACKEND=memory NO_AT_BRIDGE=0
/usr/libexec/at-spi-bus-launcher --launch-immediately 2>/dev/null &
openbox >/dev/null 2>&1 &
# Who asks for this bus before it has its name starts a second one, and half the programs are there.
until dbus-send --session --print-reply --dest=org.freedesktop.DBus / \
    org.freedesktop.DBus.NameHasOwner string:org.a11y.Bus | grep -q true; do sleep 0.1; done
sleep 1
/usr/bin/python3 "$here/cue_desk.py" 2>/dev/null
kill 0

#!/usr/bin/python3
"""Programs on the accessibility bus that nobody should trust; the argument says which."""
import sys

import dbus
import dbus.lowlevel
from dbus.mainloop.glib import DBusGMainLoop
from gi.repository import GLib

ROOT = "/org/a11y/atspi/accessible/root"
FRAME, MENU_BAR, MENU, ENTRY, APPLICATION = 23, 34, 33, 35, 75

mode = sys.argv[1]
loop = DBusGMainLoop(set_as_default=True)
session = dbus.SessionBus()
address = session.get_object("org.a11y.Bus", "/org/a11y/bus").GetAddress(dbus_interface="org.a11y.Bus")
bus = dbus.bus.BusConnection(str(address))
me = bus.get_unique_name()


def number(path):
    return 0 if path == ROOT else int(path.rsplit("/", 1)[1])


def reference(n):
    return dbus.Struct((me, dbus.ObjectPath("/org/a11y/atspi/accessible/%d" % n)), signature="so")


def children(n):
    if mode == "endless":
        return [n * 40 + i + 1 for i in range(40)]
    if mode == "deep":
        return [n + 1]
    if mode == "cycle":
        return [n, 1, n + 1 if n < 5 else 2, 3]
    if mode == "wide":
        return range(1, 200000) if n == 3 else [n + 1] if n < 3 else []
    return [n + 1] if n < 4 else []


def role(n):
    return {0: APPLICATION, 1: FRAME, 2: MENU_BAR}.get(n, MENU if n % 2 else ENTRY)


def answer(message):
    path, member = message.get_path(), message.get_member()
    n = number(path)
    reply = dbus.lowlevel.MethodReturnMessage(message)
    if member == "Get":
        name = "x" * (10 << 20) if mode == "huge" and n > 0 else "%s %d" % (mode, n)
        value = "Hostile" if message.get_args_list()[1] == "ToolkitName" else name
        reply.append(dbus.String(value, variant_level=1), signature="v")
    elif member == "GetRole":
        reply.append(dbus.UInt32(role(n)), signature="u")
    elif member == "GetState":
        reply.append(dbus.Array([0xFFFFFFFF, 0], signature="u"), signature="au")
    elif member == "GetInterfaces":
        reply.append(dbus.Array(["org.a11y.atspi.Action"], signature="s"), signature="as")
    elif member == "GetChildren":
        if mode == "silent" and n == 2:
            return
        reply.append(dbus.Array([reference(c) for c in children(n)], signature="(so)"), signature="a(so)")
    elif member == "GetKeyBinding":
        keys = ";" * 100000 if mode == "huge" else "x;<Alt>x;<Primary>x"
        reply.append(keys if mode != "cycle" else "\x1b[2J;;\u202e", signature="s")
    else:
        return
    bus.send_message(reply)


def hear(_connection, message):
    if message.get_type() == 1 and (message.get_path() or "").startswith("/org/a11y/atspi/accessible/"):
        answer(message)
        return dbus.lowlevel.HANDLER_RESULT_HANDLED
    return dbus.lowlevel.HANDLER_RESULT_NOT_YET_HANDLED


bus.add_message_filter(hear)
registry = bus.get_object("org.a11y.atspi.Registry", ROOT, introspect=False)
registry.Embed(
    dbus.Struct((me, dbus.ObjectPath(ROOT)), signature="so"),
    dbus_interface="org.a11y.atspi.Socket",
    reply_handler=lambda *_: None,
    error_handler=lambda *_: None,
)
GLib.MainLoop().run()

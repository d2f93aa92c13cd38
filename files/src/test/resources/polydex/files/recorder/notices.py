#!/usr/bin/python3
"""Shows notices as a desktop would, by saying what it was asked to show.

On standard output: "ready", "notice ID | title | words | choices", "gone ID". On standard input:
"take ID NAME" takes a choice of a notice. Called with "hasty", the first choice of each is taken before
whoever asked for it is answered.
"""
import sys, threading
from gi.repository import Gio, GLib

XML = """<node><interface name="org.freedesktop.Notifications">
<method name="GetCapabilities"><arg type="as" direction="out"/></method>
<method name="Notify"><arg type="s" direction="in"/><arg type="u" direction="in"/><arg type="s" direction="in"/>
<arg type="s" direction="in"/><arg type="s" direction="in"/><arg type="as" direction="in"/>
<arg type="a{sv}" direction="in"/><arg type="i" direction="in"/><arg type="u" direction="out"/></method>
<method name="CloseNotification"><arg type="u" direction="in"/></method>
<signal name="ActionInvoked"><arg type="u"/><arg type="s"/></signal>
</interface></node>"""
PATH, NAME = "/org/freedesktop/Notifications", "org.freedesktop.Notifications"
last = 0

def say(*words):
    print(*words, flush=True)

def called(connection, sender, path, interface, method, args, invocation):
    global last
    if method == "GetCapabilities":
        invocation.return_value(GLib.Variant("(as)", (["body", "actions", "body-markup"],)))
    elif method == "Notify":
        app, replaces, icon, title, body, actions, hints, expire = args.unpack()
        last = replaces or last + 1
        say("notice", last, "|", title, "|", body, "|", ",".join(actions), "|", sorted(hints), expire)
        if "hasty" in sys.argv:
            bus.emit_signal(None, PATH, NAME, "ActionInvoked", GLib.Variant("(us)", (last, actions[0])))
        invocation.return_value(GLib.Variant("(u)", (last,)))
    else:
        say("gone", args.unpack()[0])
        invocation.return_value(None)

def owned(connection, name):
    say("ready")

bus = Gio.bus_get_sync(Gio.BusType.SESSION)
bus.register_object(PATH, Gio.DBusNodeInfo.new_for_xml(XML).interfaces[0], called, None, None)
Gio.bus_own_name_on_connection(bus, NAME, 0, owned, None)
loop = GLib.MainLoop()

def listen():
    for line in sys.stdin:
        _, number, name = line.split()
        GLib.idle_add(lambda: bus.emit_signal(None, PATH, NAME, "ActionInvoked", GLib.Variant("(us)", (int(number), name))) and False)
    loop.quit()

threading.Thread(target=listen, daemon=True).start()
loop.run()

#!/usr/bin/python3
"""A desk of the planetarium that says what was done on it, and where things are when asked.

On standard output: "bus ADDRESS", "ready", "did NAME" whenever something happens, "at X Y" as the answer to
"where NAME" on standard input, "at none" where it is not shown, and "typed N" with the length of the
script as the answer to "count". "full on" and "full off" make it fill the screen or not. Ends with its
input.
"""
import gi, os, sys
gi.require_version("Gtk", "3.0")
from gi.repository import Gtk, Gdk, GLib

MENUS = [
    ("Show", ["New cue", "Open…", "Save", "Close"]),
    ("Edit", ["Undo", "Redo", "Copy", ("Align", ["Left", "Right", "Middle"])]),
    ("Dome", ["+Fade lights", "+Stars", "Park"]),
]
places = {}

def say(*words):
    print(*words, flush=True)

def did(name):
    return lambda *_: say("did", name)

def menu(entries):
    shell = Gtk.Menu()
    for e in entries:
        title = e[0] if isinstance(e, tuple) else e.lstrip("+")
        item = Gtk.CheckMenuItem(label=title) if e[0] == "+" else Gtk.MenuItem(label=title)
        if isinstance(e, tuple): item.set_submenu(menu(e[1]))
        else: item.connect("toggled" if e[0] == "+" else "activate", did(title))
        places[title] = item
        shell.append(item)
    return shell

window = Gtk.Window(title="comet.cue")
window.set_default_size(600, 400)
box = Gtk.VBox()
bar = Gtk.MenuBar()
for title, entries in MENUS:
    top = Gtk.MenuItem.new_with_mnemonic("_" + title)
    top.set_submenu(menu(entries))
    places[title] = top
    bar.append(top)
box.pack_start(bar, False, False, 0)
tools = Gtk.Toolbar()
for name in ("Play cue", "Stop", "Rewind"):
    button = Gtk.ToolButton(label=name)
    button.connect("clicked", did(name))
    places[name] = button
    tools.insert(button, -1)
box.pack_start(tools, False, False, 0)
tabs = Gtk.Notebook()
script = Gtk.TextView()
for name, page in (("Script", script), ("Timing", Gtk.TextView())):
    label = Gtk.Label(label=name)
    tabs.append_page(page, label)
    places[name] = label
# A click on a tab says so whether or not it is in front already.
tabs.connect("button-press-event", lambda _, e: say("pressed tabs"))
places["text"] = script
box.pack_start(tabs, True, True, 0)
context = menu(["Insert here", "Delete there"])
context.attach_to_widget(script)
context.show_all()
def press(_, event):
    if event.button == 3:
        context.popup_at_pointer(event)
        return True
    return False
script.connect("button-press-event", press)
row = Gtk.HBox()
for name in ("Check times", "Send"):
    button = Gtk.Button(label=name)
    button.connect("clicked", did(name))
    places[name] = button
    row.pack_start(button, False, False, 0)
loop = Gtk.CheckButton(label="Loop")
loop.connect("toggled", did("Loop"))
places["Loop"] = loop
row.pack_start(loop, False, False, 0)
name, secret = Gtk.Entry(), Gtk.Entry(visibility=False)
places["name"], places["secret"] = name, secret
row.pack_start(name, True, True, 0)
row.pack_start(secret, True, True, 0)
box.pack_start(row, False, False, 0)
window.add(box)
window.connect("destroy", Gtk.main_quit)

def where(widget):
    if not widget.get_mapped(): return "none"
    inner = Gtk.Widget.get_window(widget)
    _, x, y = inner.get_origin()
    area = widget.get_allocation()
    if not widget.get_has_window() or isinstance(widget, Gtk.MenuItem):
        x, y = x + area.x, y + area.y
    if isinstance(widget, Gtk.TextView): return f"{x + 300} {y + 60}"
    return f"{x + area.width // 2} {y + area.height // 2}"

def heard(source, _):
    line = sys.stdin.readline()
    if not line:
        Gtk.main_quit()
        return False
    word, _, rest = line.strip().partition(" ")
    if word == "where": say("at", where(places[rest]))
    if word == "full": window.fullscreen() if rest == "on" else window.unfullscreen()
    if word == "count": say("typed", script.get_buffer().get_char_count())
    return True

GLib.io_add_watch(sys.stdin, GLib.IO_IN | GLib.IO_HUP, heard)
say("bus", os.environ["DBUS_SESSION_BUS_ADDRESS"])
window.connect("map-event", lambda *_: GLib.timeout_add(500, lambda: say("ready")) and False)
GLib.set_prgname("cue-desk")
GLib.set_application_name("Cue desk")
window.show_all()
window.present()
Gtk.main()

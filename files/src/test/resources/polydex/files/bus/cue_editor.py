#!/usr/bin/python3
"""A small cue editor of the planetarium: a real program with a menu bar, read over the bus."""
import gi, sys
gi.require_version("Gtk", "3.0")
from gi.repository import Gtk, Gdk, GLib

MENUS = [
    ("_Show", [("_New Cue", "<Primary>n"), ("_Open...", "<Primary>o"), ("_Save", "<Primary>s"),
               ("Recent", [("1.  spring-sky.cue", ""), ("2.  comet.cue", "")]), None, ("_Quit", "<Primary>q")]),
    ("_Edit", [("_Undo", "<Primary>z"), ("_Redo", "<Primary><Shift>z"), None, ("_Copy", "<Primary>c"), ("_Paste", "<Primary>v"),
               ("_Align", [("_Left", "<Alt>1"), ("_Right", "<Alt>2")])]),
    ("_Dome", [("+_Fade Lights", "F7"), ("*_North up", "F8"), ("*_South up", ""), ("-_Park Projector", "<Primary><Alt>p")]),
]

def menu(entries, group):
    shell = Gtk.Menu(); shell.set_accel_group(group)
    radio = []
    for e in entries:
        if e is None:
            shell.append(Gtk.SeparatorMenuItem()); continue
        title, what = e
        plain = title.lstrip("+*-")
        if title[0] == "+": item = Gtk.CheckMenuItem.new_with_mnemonic(plain)
        elif title[0] == "*":
            item = Gtk.RadioMenuItem.new_with_mnemonic(radio, plain); radio = item.get_group()
        else: item = Gtk.MenuItem.new_with_mnemonic(plain)
        if isinstance(what, list): item.set_submenu(menu(what, group))
        elif what:
            key, mods = Gtk.accelerator_parse(what)
            item.add_accelerator("activate", group, key, mods, Gtk.AccelFlags.VISIBLE)
        if title[0] == "-": item.set_sensitive(False)
        shell.append(item)
    return shell

w = Gtk.Window(title="spring-sky.cue"); w.set_default_size(500, 300)
group = Gtk.AccelGroup(); w.add_accel_group(group)
box = Gtk.VBox(); bar = Gtk.MenuBar()
for title, entries in MENUS:
    top = Gtk.MenuItem.new_with_mnemonic(title); top.set_submenu(menu(entries, group)); bar.append(top)
box.pack_start(bar, False, False, 0)
tools = Gtk.Toolbar()
for name in ("Play Cue", "Stop"):
    tools.insert(Gtk.ToolButton(label=name), -1)
box.pack_start(tools, False, False, 0)
tabs = Gtk.Notebook()
for name in ("Script", "Timing"):
    tabs.append_page(Gtk.TextView(), Gtk.Label(label=name))
box.pack_start(tabs, True, True, 0)
row = Gtk.HBox()
row.pack_start(Gtk.Button.new_with_mnemonic("_Check Times"), False, False, 0)
row.pack_start(Gtk.CheckButton.new_with_mnemonic("_Loop"), False, False, 0)
box.pack_start(row, False, False, 0)
w.add(box); w.connect("destroy", Gtk.main_quit); w.show_all()
GLib.set_prgname("cue-editor"); GLib.set_application_name("Cue Editor")
Gtk.main()

#!/usr/bin/python3
"""A program whose toolkit makes menus only when they are opened; it opens one after the other by itself."""
import gi
gi.require_version("Gtk", "4.0")
from gi.repository import Gtk, Gio, GLib

MENUS = [
    ("Sky", [("_Find a star\u2026", "find", "<Primary>f"), ("_Zoom in", "zoom", "<Primary>plus"), ("Turn", "turn", "")]),
    ("Lamps", [("_Dim", "dim", "F7"), ("All _off", "off", "<Primary><Alt>o")]),
]
GLib.set_prgname("star-tools"); GLib.set_application_name("Star tools")
app = Gtk.Application(application_id="org.dome.StarTools", flags=Gio.ApplicationFlags.NON_UNIQUE)

def activate(app):
    window = Gtk.ApplicationWindow(application=app, title="Star tools"); window.set_default_size(500, 200)
    box = Gtk.Box(); buttons = []
    for title, entries in MENUS:
        menu = Gio.Menu()
        for name, action, keys in entries:
            menu.append(name, "app." + action); app.add_action(Gio.SimpleAction.new(action, None))
            if keys: app.set_accels_for_action("app." + action, [keys])
        button = Gtk.MenuButton(label=title, menu_model=menu); button.update_property([Gtk.AccessibleProperty.LABEL], [title])
        box.append(button); buttons.append(button)
    window.set_child(box); window.present()
    turn = [0]
    def next_menu():
        for b in buttons: b.popdown()
        if turn[0] % 3: buttons[turn[0] % 3 - 1].popup()
        turn[0] += 1
        return True
    GLib.timeout_add(1000, next_menu)
app.connect("activate", activate)
app.run()

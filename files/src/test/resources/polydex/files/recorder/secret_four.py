#!/usr/bin/python3
"""A window of GTK 4 with a password field, which has the focus, and a button after it."""
import gi, sys
gi.require_version("Gtk", "4.0")
from gi.repository import Gtk, GLib

def activate(app):
    window = Gtk.ApplicationWindow(application=app, title="Vault")
    box = Gtk.Box(orientation=Gtk.Orientation.VERTICAL)
    field = Gtk.PasswordEntry()
    field.connect("changed", lambda f: print("has", len(f.get_text()), flush=True))
    box.append(field)
    box.append(Gtk.Button(label="Open"))
    window.set_child(box)
    window.present()
    field.grab_focus()
    GLib.timeout_add(1200, lambda: print("ready", flush=True) and False)

app = Gtk.Application(application_id="dome.vault")
app.connect("activate", activate)
app.run([])

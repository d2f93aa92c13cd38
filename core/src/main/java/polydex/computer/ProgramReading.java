package polydex.computer;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import polydex.computer.Program.Entry;
import polydex.computer.Program.Sort;
import polydex.computer.Widget.Role;

/**
 * Understands what a program shows. Menu bars of several windows are one, the same entry in two of
 * them counts once. Entries are taken for documents or windows, which are no commands, only where
 * two things agree: they stand together and have no keys, or digits that number them, while other
 * entries of the program have; and most of them read like names of files or are titles of windows.
 * O(widgets).
 */
public final class ProgramReading {
  private static final Pattern DOTS = Pattern.compile("\\s*(?:\\.\\.\\.|\u2026)$");
  private static final Pattern NUMBER = Pattern.compile("^_?\\d{1,2}[.:)]?\\s+(?=\\S)");
  private static final Pattern NUMBERED = Pattern.compile("_?\\d{1,2}[.:)]?\\s+\\S.*");
  private static final Pattern FILE =
      Pattern.compile(".*(?:[^\\s.]\\.[A-Za-z][A-Za-z0-9]{0,5}|[/\\\\]\\S.*|://.*)");

  /** Modifiers before a key, or a key that types nothing. */
  private static final Pattern DRAWN =
      Pattern.compile("(?:\\p{L}[\\p{L}\\p{N} ]*\\+)+\\S.*|F\\d{1,2}");

  private static final Pattern PADDED = Pattern.compile("[\\s\\u00a0]+");

  private final Set<String> windows = new LinkedHashSet<>();
  private final List<List<Entry>> bars = new ArrayList<>();
  private final Set<List<String>> pressed = new LinkedHashSet<>();
  private final List<String> tabOrder = new ArrayList<>();
  private boolean byAlt;
  private boolean keyed;

  private ProgramReading() {}

  /**
   * Reads a program.
   *
   * @param title as people call it
   * @param windows its windows
   * @param complete whether all of them was seen
   */
  public static Program of(String title, List<Widget> windows, boolean complete) {
    ProgramReading reading = new ProgramReading();
    windows.forEach(w -> reading.windows.add(name(w)));
    reading.keyed = windows.stream().anyMatch(ProgramReading::isKeyed);
    windows.forEach(w -> reading.inWindow(w, ""));
    List<Entry> menus = List.of();
    for (List<Entry> bar : reading.bars) {
      menus = merged(menus, bar);
    }
    return new Program(
        title,
        menus,
        List.copyOf(reading.pressed),
        reading.tabOrder.stream().distinct().toList(),
        reading.byAlt,
        complete);
  }

  /** A name without padding, dots and the mark of an access key. */
  static String name(Widget widget) {
    String plain = PADDED.matcher(widget.name()).replaceAll(" ").strip();
    plain = DOTS.matcher(plain).replaceFirst("");
    // A mark is single and stands before a letter; two are the sign itself.
    return plain.replaceFirst("(?<![&\\w])&(?=[\\p{L}\\p{N}])", "").replace("&&", "&").strip();
  }

  /** Whether entries have keys of their own here, so that it means something to have none. */
  private static boolean isKeyed(Widget widget) {
    boolean entry = widget.role().isEntry() && EntryKeys.of(widget, true).accessKey().isPresent();
    return entry || widget.inside().stream().anyMatch(ProgramReading::isKeyed);
  }

  private void inWindow(Widget widget, String bar) {
    switch (widget.role()) {
      case MENU_BAR -> bars.add(entries(shown(widget.inside()), true));
      case MENU, ENTRY, CHECK_ENTRY, RADIO_ENTRY -> {
        // What stands in no menu bar belongs to something that is open only now.
      }
      default -> {
        String place = place(widget, bar);
        String name = name(widget);
        boolean press = widget.role() == Role.BUTTON || widget.role() == Role.SWITCH;
        List<Entry> opened = press ? opened(widget) : List.of();
        if (!opened.isEmpty()) {
          bars.add(List.of(menu(name, opened)));
          return;
        }
        if (!name.isEmpty() && (widget.role() == Role.TAB || (press && !place.isEmpty()))) {
          pressed.add(widget.role() == Role.TAB ? List.of("Tabs", name) : List.of(place, name));
        }
        boolean reached = press || widget.role() == Role.FIELD;
        if (reached && widget.focusable() && widget.showing() && !name.isEmpty()) {
          tabOrder.add(name);
        }
        for (Widget inner : widget.inside()) {
          inWindow(inner, place);
        }
      }
    }
  }

  private static String place(Widget widget, String bar) {
    return widget.role() != Role.TOOL_BAR
        ? bar
        : name(widget).isEmpty() ? "Tool bar" : name(widget);
  }

  private List<Entry> entries(List<Widget> widgets, boolean bar) {
    Map<List<Object>, Entry> all = new LinkedHashMap<>();
    Set<Widget> documents = bar ? Set.of() : documents(widgets);
    for (Widget widget : widgets) {
      if (widget.role() == Role.SEPARATOR || name(widget).isEmpty()) {
        continue;
      }
      Entry entry = entry(widget, bar, documents.contains(widget));
      // The same title twice with the same keys is one entry that is shown twice.
      List<Object> same = List.of(entry.title(), entry.accelerator(), entry.accessKey());
      all.merge(same, entry, (a, b) -> merged(List.of(a), List.of(b)).getFirst());
    }
    return List.copyOf(all.values());
  }

  private Entry entry(Widget widget, boolean bar, boolean document) {
    EntryKeys keys = EntryKeys.of(widget, !bar);
    byAlt |= keys.byAlt();
    List<Widget> inside = inside(widget);
    // A title that is drawn as a label in a bar opens a menu that is made only then.
    boolean opens =
        widget.role() == Role.MENU || !inside.isEmpty() || (bar && !labels(widget).isEmpty());
    Sort sort =
        opens
            ? Sort.MENU
            : document ? Sort.DOCUMENT : widget.role() == Role.ENTRY ? Sort.COMMAND : Sort.SWITCH;
    return new Entry(
        name(widget),
        keys.accessKey(),
        opens ? Optional.empty() : keys.accelerator().or(() -> drawn(widget)),
        sort,
        keys.guessed(),
        entries(inside, false));
  }

  /** The menu that opens from a button; none where it is closed, or opens something else. */
  private List<Entry> opened(Widget button) {
    return button.inside().stream()
        .filter(w -> w.role() == Role.MENU)
        .map(w -> entries(shown(w.inside()), false))
        .filter(e -> !e.isEmpty())
        .findFirst()
        .orElse(List.of());
  }

  /** A button without a name of its own is called like its class by its toolkit. */
  private static Entry menu(String button, List<Entry> entries) {
    boolean unnamed = button.isEmpty() || button.startsWith("Gtk");
    return new Entry(
        unnamed ? "Menu" : button, Optional.empty(), Optional.empty(), Sort.MENU, false, entries);
  }

  /** What stands in a menu, out of the boxes that only hold it. */
  private static List<Widget> shown(List<Widget> widgets) {
    return widgets.stream()
        .flatMap(w -> w.role() == Role.OTHER ? shown(w.inside()).stream() : Stream.of(w))
        .toList();
  }

  /** The texts of which an entry is drawn, but for its name. */
  private static List<String> labels(Widget entry) {
    return entry.inside().stream()
        .filter(w -> w.role() == Role.OTHER && w.inside().isEmpty() && !w.name().isBlank())
        .map(Widget::name)
        .toList();
  }

  /** A gesture that is drawn beside the name of an entry, in the person's language. */
  private static Optional<String> drawn(Widget entry) {
    return labels(entry).stream()
        .filter(l -> !l.equals(entry.name()) && DRAWN.matcher(l).matches())
        .findFirst();
  }

  /** What opens from an entry; some toolkits put a menu without a name in between. */
  private static List<Widget> inside(Widget widget) {
    List<Widget> inside = shown(widget.inside());
    return inside.size() == 1
            && inside.getFirst().role() == Role.MENU
            && (isNameless(inside.getFirst()) || name(inside.getFirst()).equals(name(widget)))
        ? shown(inside.getFirst().inside())
        : inside;
  }

  private static boolean isNameless(Widget menu) {
    return name(menu).isEmpty() || menu.name().startsWith("GtkPopover");
  }

  /** What of a menu is taken for documents and windows: whole runs of them, by what most are. */
  private Set<Widget> documents(List<Widget> widgets) {
    Set<Widget> found = Collections.newSetFromMap(new IdentityHashMap<>());
    List<Widget> run = new ArrayList<>();
    for (Widget widget : widgets) {
      if (isWithoutKeys(widget)) {
        run.add(widget);
      } else {
        end(run, found);
      }
    }
    end(run, found);
    return found;
  }

  private void end(List<Widget> run, Set<Widget> found) {
    if (run.stream().filter(this::readsLikeDocument).count() * 2 > run.size()) {
      found.addAll(run);
    }
    run.clear();
  }

  /** Whether an entry has no keys where others have, or only the digit that numbers it. */
  private boolean isWithoutKeys(Widget widget) {
    if (!widget.role().isEntry() || !widget.inside().isEmpty() || !keyed) {
      return false;
    }
    EntryKeys keys = EntryKeys.of(widget, true);
    boolean numbers =
        keys.accessKey()
            .filter(k -> NUMBERED.matcher(name(widget)).matches())
            .filter(k -> name(widget).replaceFirst("^_", "").startsWith(k))
            .isPresent();
    return keys.accelerator().isEmpty() && (keys.accessKey().isEmpty() || numbers);
  }

  private boolean readsLikeDocument(Widget widget) {
    String plain = NUMBER.matcher(name(widget)).replaceFirst("");
    return windows.contains(plain) || FILE.matcher(plain).matches();
  }

  /**
   * Two menu bars, or one at two times, as one: what both have is joined, what only the second has
   * comes behind.
   */
  static List<Entry> merged(List<Entry> some, List<Entry> more) {
    Map<String, Entry> all = new LinkedHashMap<>();
    some.forEach(e -> all.put(key(e), e));
    for (Entry e : more) {
      all.merge(
          key(e),
          e,
          (a, b) ->
              new Entry(
                  a.title(),
                  a.accessKey().or(b::accessKey),
                  a.accelerator().or(b::accelerator),
                  // What opens a menu may not have shown that while it was closed.
                  b.sort() == Sort.MENU ? b.sort() : a.sort(),
                  a.guessed(),
                  merged(a.items(), b.items())));
    }
    return List.copyOf(all.values());
  }

  private static String key(Entry entry) {
    return entry.title() + "\n" + entry.accelerator().orElse("");
  }
}

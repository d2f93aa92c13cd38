package polydex.computer;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import polydex.computer.Program.Entry;
import polydex.computer.Program.Sort;
import polydex.computer.Widget.Role;

/**
 * Understands what a program shows. Menu bars of several windows are one, the same entry in two of
 * them counts once. An entry is taken for a document or a window, which is no command, only where
 * two things agree: it has no keys of its own, or a digit that numbers it, while other entries of
 * the program have; and it reads like a name of one, or is the title of a window. O(widgets).
 */
public final class ProgramReading {
  private static final Pattern DOTS = Pattern.compile("\\s*(?:\\.\\.\\.|\u2026)$");
  private static final Pattern NUMBERED = Pattern.compile("_?\\d{1,2}[.:)]?\\s+\\S.*");
  private static final Pattern FILE =
      Pattern.compile(".*(?:[^\\s.]\\.[A-Za-z][A-Za-z0-9]{0,5}|[/\\\\]\\S.*|://.*)");
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
      case MENU_BAR -> bars.add(entries(widget.inside(), true));
      case MENU, ENTRY, CHECK_ENTRY, RADIO_ENTRY -> {
        // What stands in no menu bar belongs to something that is open only now.
      }
      default -> {
        String place = place(widget, bar);
        String name = name(widget);
        boolean press = widget.role() == Role.BUTTON || widget.role() == Role.SWITCH;
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
    for (Widget widget : widgets) {
      if (widget.role() == Role.SEPARATOR || name(widget).isEmpty()) {
        continue;
      }
      Entry entry = entry(widget, bar);
      // The same title twice with the same keys is one entry that is shown twice.
      List<Object> same = List.of(entry.title(), entry.accelerator(), entry.accessKey());
      all.merge(same, entry, (a, b) -> merged(List.of(a), List.of(b)).getFirst());
    }
    return List.copyOf(all.values());
  }

  private Entry entry(Widget widget, boolean bar) {
    EntryKeys keys = EntryKeys.of(widget, !bar);
    byAlt |= keys.byAlt();
    List<Widget> inside = opened(widget);
    boolean opens = widget.role() == Role.MENU || !inside.isEmpty();
    Sort sort =
        opens
            ? Sort.MENU
            : isDocument(widget, keys)
                ? Sort.DOCUMENT
                : widget.role() == Role.ENTRY ? Sort.COMMAND : Sort.SWITCH;
    return new Entry(
        name(widget),
        keys.accessKey(),
        opens ? Optional.empty() : keys.accelerator(),
        sort,
        keys.guessed(),
        entries(inside, false));
  }

  /** What opens from an entry; some toolkits put a menu without a name in between. */
  private static List<Widget> opened(Widget widget) {
    List<Widget> inside = widget.inside();
    return inside.size() == 1
            && inside.getFirst().role() == Role.MENU
            && (name(inside.getFirst()).isEmpty() || name(inside.getFirst()).equals(name(widget)))
        ? inside.getFirst().inside()
        : inside;
  }

  private boolean isDocument(Widget widget, EntryKeys keys) {
    String name = PADDED.matcher(widget.name()).replaceAll(" ").strip();
    boolean numbered = NUMBERED.matcher(name).matches();
    boolean itsNumber =
        numbered
            && keys.accessKey().filter(k -> name.replaceFirst("^_", "").startsWith(k)).isPresent();
    boolean noKeys = keys.accessKey().isEmpty() && keys.accelerator().isEmpty() && keyed;
    String lower = name.toLowerCase(Locale.ROOT);
    boolean isWindow = windows.stream().anyMatch(w -> w.toLowerCase(Locale.ROOT).equals(lower));
    boolean named = numbered || isWindow || FILE.matcher(name).matches();
    return (noKeys && named) || itsNumber;
  }

  /** Two menu bars as one: what both have is joined, what only the second has comes behind. */
  private static List<Entry> merged(List<Entry> some, List<Entry> more) {
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
                  a.sort(),
                  a.guessed(),
                  merged(a.items(), b.items())));
    }
    return List.copyOf(all.values());
  }

  private static String key(Entry entry) {
    return entry.title() + "\n" + (entry.sort() == Sort.MENU) + entry.accelerator().orElse("");
  }
}

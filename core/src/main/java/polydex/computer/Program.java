package polydex.computer;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * What a running program shows, understood: its menus, what is pressed in its windows, and what Tab
 * reaches.
 *
 * @param title as people call it
 * @param menus the menu bar
 * @param pressed buttons of tool bars and tabs, each with the bar it stands in before it
 * @param tabOrder what Tab reaches in its window, in order, by name
 * @param byAlt whether its menus open with Alt and their access keys
 * @param complete whether all was seen
 */
public record Program(
    String title,
    List<Entry> menus,
    List<List<String>> pressed,
    List<String> tabOrder,
    boolean byAlt,
    boolean complete) {

  /**
   * An entry of its menu bar or a menu.
   *
   * @param title without padding, dots that announce a dialog, and marks of access keys
   * @param accessKey one character
   * @param accelerator as the toolkit writes it
   * @param sort what it is
   * @param guessed whether its key could also be the other of the two
   * @param items what opens from it
   */
  public record Entry(
      String title,
      Optional<String> accessKey,
      Optional<String> accelerator,
      Sort sort,
      boolean guessed,
      List<Entry> items) {
    /** Copies the items. */
    public Entry {
      items = List.copyOf(items);
    }

    private Entry with(List<Entry> others) {
      return new Entry(title, accessKey, accelerator, sort, guessed, others);
    }
  }

  /** What an entry is. */
  public enum Sort {
    /** Opens a menu. */
    MENU,
    COMMAND,
    /** Is switched on and off. */
    SWITCH,
    /** Looks like a document or window that happens to be there now. */
    DOCUMENT
  }

  /** Copies the lists. */
  public Program {
    menus = List.copyOf(menus);
    pressed = pressed.stream().map(List::copyOf).toList();
    tabOrder = List.copyOf(tabOrder);
  }

  /** Its entries that satisfy a condition, in order, whatever menu they stand in. */
  public List<Entry> entries(Predicate<Entry> condition) {
    List<Entry> found = new ArrayList<>();
    menus.forEach(m -> collect(m, condition, found));
    return found;
  }

  private static void collect(Entry entry, Predicate<Entry> condition, List<Entry> to) {
    if (condition.test(entry)) {
      to.add(entry);
    }
    entry.items().forEach(e -> collect(e, condition, to));
  }

  /** Entries that look like documents or windows. */
  public List<Entry> documents() {
    return entries(e -> e.sort() == Sort.DOCUMENT);
  }

  /** What was seen of it at two times, as one. */
  public Program and(Program later) {
    return new Program(
        title,
        ProgramReading.merged(menus, later.menus),
        Stream.concat(pressed.stream(), later.pressed.stream()).distinct().toList(),
        Stream.concat(tabOrder.stream(), later.tabOrder.stream()).distinct().toList(),
        byAlt || later.byAlt,
        complete && later.complete);
  }

  /** The same under another title. */
  public Program titled(String other) {
    return new Program(other, menus, pressed, tabOrder, byAlt, complete);
  }

  /** The same without the entries that look like documents; menus that are empty then stay. */
  public Program withoutDocuments() {
    return new Program(title, without(menus), pressed, tabOrder, byAlt, complete);
  }

  private static List<Entry> without(List<Entry> entries) {
    return entries.stream()
        .filter(e -> e.sort() != Sort.DOCUMENT)
        .map(e -> e.with(without(e.items())))
        .toList();
  }
}
